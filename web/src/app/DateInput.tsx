import dayjsDates from "@rc-component/picker/es/generate/dayjs";
import generatePicker from "antd/es/date-picker/generatePicker";
import british from "antd/es/date-picker/locale/en_GB";
import dayjs, { type Dayjs } from "dayjs";
import "dayjs/locale/en-gb";
import { readDate } from "./dates";
import { steady } from "./steady";

type Picker = ReturnType<typeof generatePicker<Dayjs>>;
const pickers = new Map<string, Picker>();

/** The keys of the calendar's month and year are called what they say. */
const locale = {
  ...british,
  lang: { ...british.lang, monthSelect: "", yearSelect: "" },
};

/** A year that has only begun: `5 5 19` on the way to 1970. The picker takes what it can read at every stroke. */
const BEGUN = /(^\d{4}|[^\d])(19|20)$/;

/** The picker whose years of two digits end at a day: it reads what is typed without knowing its field. */
function pickerUpTo(latest: string): Picker {
  const known = pickers.get(latest);
  if (known) return known;
  const made = generatePicker<Dayjs>({
    ...dayjsDates,
    locale: {
      ...dayjsDates.locale,
      parse: (_, text) => {
        const day = BEGUN.test(text.trim())
          ? undefined
          : readDate(text, latest);
        return day === undefined ? null : dayjs(day);
      },
    },
  });
  pickers.set(latest, made);
  return made;
}

/** Years ahead that a year of two digits may mean where the future is allowed. */
const AHEAD_YEARS = 10;

interface DateProps {
  value?: string | null | undefined;
  onChange?: (day: string) => void;
  earliest?: string | undefined;
  latest?: string | undefined;
  /** Whether it may be emptied. */
  required?: boolean;
  id?: string;
  className?: string;
  placeholder?: string;
  "aria-label"?: string;
}

/** A day: picked, or typed as day, month, year. Holds it as `2027-02-03`, nothing as an empty text. */
function DateNow({
  value,
  onChange,
  earliest,
  latest,
  required = false,
  ...rest
}: DateProps) {
  const Picker = pickerUpTo(
    latest ?? dayjs().add(AHEAD_YEARS, "year").format("YYYY-12-31"),
  );
  return (
    <Picker
      {...rest}
      className={`date-input ${rest.className ?? ""}`}
      format="D MMM YYYY"
      // The week begins on Monday.
      locale={locale}
      // Enter takes the day, and does not send the form around it.
      onKeyDown={(e) => {
        if (e.key === "Enter") e.preventDefault();
      }}
      placeholder={rest.placeholder ?? "D M YYYY"}
      allowClear={!required}
      {...(earliest ? { minDate: dayjs(earliest) } : {})}
      {...(latest ? { maxDate: dayjs(latest) } : {})}
      value={value ? dayjs(value) : null}
      onChange={(day) => onChange?.(day ? day.format("YYYY-MM-DD") : "")}
    />
  );
}

export const DateInput = steady(DateNow);
