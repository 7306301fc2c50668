import Select from "antd/es/select";
import { steady } from "./steady";

/** From how many options on typing narrows them; with fewer it would only bring up a keyboard. */
const SEARCH_FROM = 9;
/** Up to how many all of them are drawn at once. */
const DRAWN = 60;

export interface Option {
  value: string;
  label: string;
  /** What else typing finds it by. */
  also?: string;
}

/** Options under a heading. */
export interface Group {
  label: string;
  options: readonly Option[];
}

interface ChooseProps {
  value?: string | null | undefined;
  options: readonly (Option | Group)[];
  onChange?: (value: string) => void;
  id?: string;
  className?: string;
  placeholder?: string;
  disabled?: boolean;
  size?: "small" | "middle";
  "aria-label"?: string;
}

/** One of several, from a list that is searched by typing where it is long. */
function ChooseNow({ value, options, onChange, ...rest }: ChooseProps) {
  const many = options.reduce(
    (n, o) => n + ("options" in o ? o.options.length : 1),
    0,
  );
  const long = many >= SEARCH_FROM;
  return (
    <Select<string, Option | Group>
      {...rest}
      className={`choose ${rest.className ?? ""}`}
      value={value ?? null}
      options={options as (Option | Group)[]}
      onChange={(next) => onChange?.(next)}
      popupMatchSelectWidth={false}
      virtual={many > DRAWN}
      showSearch={
        long && {
          filterOption: (typed, option) =>
            `${option?.label ?? ""} ${option && "also" in option ? (option.also ?? "") : ""}`
              .toLowerCase()
              .includes(typed.toLowerCase()),
        }
      }
      optionRender={(option) => (
        <span data-value={option.value}>{option.label}</span>
      )}
    />
  );
}

export const Choose = steady(ChooseNow);
