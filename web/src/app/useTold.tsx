import useMessage from "antd/es/message/useMessage";
import type { ReactNode } from "react";

/** What was done, said for a moment over the page and read out; the place it is said from stands in the page. */
export function useTold(): [(says: string) => void, ReactNode] {
  const [message, place] = useMessage({ top: 72 });
  return [(says) => void message.success(says), place];
}
