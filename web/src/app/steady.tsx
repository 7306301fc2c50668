import {
  type ComponentType,
  memo,
  useCallback,
  useEffect,
  useRef,
} from "react";
import { same } from "./merge";

/** The newest of a handler behind a function that never changes. */
export function useNewest<A extends unknown[]>(
  handler: ((...args: A) => void) | undefined,
): (...args: A) => void {
  const newest = useRef(handler);
  useEffect(() => {
    newest.current = handler;
  });
  return useCallback((...args: A) => newest.current?.(...args), []);
}

/**
 * A control that is drawn anew only when what it shows changes, however often the form around it does. A control with a
 * list behind it costs each keystroke elsewhere in the form a render of that list, and a fast typist the page:
 * the library
 * sets its state after each render, and React takes fifty of those in a row for a circle.
 */
export function steady<P extends { onChange?: (value: never) => void }>(
  Control: ComponentType<P>,
): ComponentType<P> {
  const Still = memo(Control, same) as unknown as ComponentType<P>;
  return function Steady(props: P) {
    const onChange = useNewest(props.onChange as (value: unknown) => void);
    return <Still {...props} onChange={onChange as P["onChange"]} />;
  };
}
