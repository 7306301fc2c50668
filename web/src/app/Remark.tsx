import Input from "antd/es/input";
import { Screened } from "./Screened";
import { t } from "./wording";

/** Words beside an entry, kept with it and looked at while they are typed. */
export function Remark({
  id,
  className,
  label = t("remark"),
  small,
  most = 500,
  value,
  onChange,
}: {
  id: string;
  className?: string;
  label?: string;
  small?: boolean;
  /** Characters that the server keeps. */
  most?: number;
  value: string;
  onChange: (text: string) => void;
}) {
  return (
    <div className={className ?? ""}>
      <Input
        id={id}
        size={small ? "small" : "middle"}
        aria-label={label}
        placeholder={label}
        maxLength={most}
        value={value}
        onChange={(e) => onChange(e.target.value)}
      />
      <Screened text={value} />
    </div>
  );
}
