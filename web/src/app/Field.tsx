import Form from "antd/es/form";
import {
  cloneElement,
  isValidElement,
  type ReactNode,
  useEffect,
  useId,
} from "react";
import { faultAt } from "./parts";

/**
 * A labelled field outside a form of one record: the label leads to its control, a fault is tied to it, and the
 * first of several has the focus.
 */
export function Field({
  label,
  name,
  error,
  wide = false,
  children,
}: {
  label: string;
  name: string;
  error?: unknown;
  wide?: boolean;
  children: ReactNode;
}) {
  const fresh = useId();
  const fault = faultAt(error, name);
  const control = isValidElement<Control>(children) ? children : undefined;
  const id = control?.props.id ?? fresh;
  useEffect(() => {
    if (fault === undefined) return;
    // The fault is drawn first.
    const frame = requestAnimationFrame(() => {
      const first = document.querySelector<HTMLElement>("[aria-invalid=true]");
      if (first?.id === id) first.focus();
    });
    return () => cancelAnimationFrame(frame);
  }, [error, fault, id]);
  return (
    <Form.Item
      className={`field${wide ? " wide" : ""}`}
      layout="vertical"
      label={label}
      htmlFor={id}
      {...(fault
        ? {
            validateStatus: "error" as const,
            help: (
              <span id={`${id}-fault`} role="alert">
                {fault}
              </span>
            ),
          }
        : {})}
    >
      {control
        ? cloneElement(control, {
            id,
            ...(fault
              ? { "aria-invalid": true, "aria-describedby": `${id}-fault` }
              : {}),
          })
        : children}
    </Form.Item>
  );
}

interface Control {
  id?: string;
  "aria-invalid"?: boolean;
  "aria-describedby"?: string;
}
