import Input from "antd/es/input";
import { Screened } from "./Screened";
import { t } from "./wording";

/** Words beside an entry, kept with it and looked at while they are typed. */
export function Remark({
  id,
  className,
  label = t("remark"),
  small,
  value,
  onChange,
}: {
  id: string;
  className?: string;
  label?: string;
  small?: boolean;
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
        maxLength={500}
        value={value}
        onChange={(e) => onChange(e.target.value)}
      />
      <Screened text={value} />
    </div>
  );
}
