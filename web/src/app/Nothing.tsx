import Empty from "antd/es/empty";
import type { ReactNode } from "react";
import { LaneMark } from "../pictures/Marks";

/** There is nothing here, said as what it is; below it what can be done about it. */
export function Nothing({
  says,
  children,
}: {
  says: ReactNode;
  children?: ReactNode;
}) {
  return (
    <Empty
      className="nothing"
      image={<LaneMark lane="quiet" size={36} />}
      description={says}
    >
      {children}
    </Empty>
  );
}
