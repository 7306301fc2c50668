import Alert from "antd/es/alert";
import type { ReactNode } from "react";

/** What a notice is about: something to know, to decide, to stop for, gone well, or only past. */
type Kind = "know" | "decide" | "stop" | "go" | "past";

const TYPE = {
  know: "info",
  decide: "warning",
  stop: "error",
  go: "success",
  past: "info",
} as const;

/**
 * Something the page says before anything else. The library's own control; its edge tells the kind apart, and its
 * words say what it is.
 */
export function Notice({
  kind = "know",
  id,
  role,
  className,
  data,
  action,
  onClose,
  children,
}: {
  kind?: Kind;
  id?: string;
  /** How it is read out: at once (`alert`), when there is time (`status`), or in its place. */
  role?: "alert" | "status";
  className?: string;
  /** Marks for tests and styles, without their `data-`. */
  data?: Record<string, string | number | boolean>;
  action?: ReactNode;
  onClose?: () => void;
  children: ReactNode;
}) {
  const marks = Object.fromEntries(
    Object.entries(data ?? {}).map(([name, value]) => [`data-${name}`, value]),
  );
  return (
    <Alert
      {...marks}
      {...(id ? { id } : {})}
      {...(onClose ? { closable: { onClose } } : {})}
      // The library reads every notice out at once; most of ours wait to be read in their place.
      role={role ?? "note"}
      className={`notice ${kind === "know" ? "" : kind} ${className ?? ""}`}
      type={TYPE[kind]}
      title={<div>{children}</div>}
      action={action}
    />
  );
}
