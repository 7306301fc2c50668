import { t } from "./words";

const WORDS = [
  { upTo: 0, says: "phone-pain-none" },
  { upTo: 3, says: "phone-pain-some" },
  { upTo: 6, says: "phone-pain-much" },
  { upTo: 10, says: "phone-pain-strong" },
];

/** Pain from 0 to 10 in one tap, in four rows that say in words what the numbers mean. */
export function Pain({
  name,
  chosen,
}: {
  name: string;
  chosen: (value: number) => void;
}) {
  let from = 0;
  return (
    <div className="pain" id={name}>
      {WORDS.map(({ upTo, says }) => {
        const numbers = Array.from(
          { length: upTo - from + 1 },
          (_, i) => from + i,
        );
        from = upTo + 1;
        return (
          <div key={says}>
            <span>{t(says)}</span>
            {numbers.map((value) => (
              <button
                key={value}
                id={`${name}-${value}`}
                aria-label={`${value}, ${t(says)}`}
                onClick={() => chosen(value)}
              >
                {value}
              </button>
            ))}
          </div>
        );
      })}
    </div>
  );
}
