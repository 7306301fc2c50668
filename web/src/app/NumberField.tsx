import Input from "antd/es/input";
import { useEffect, useId, useState } from "react";
import {
  faultOf,
  readNumber,
  type Rule,
  type Typed,
  useBounds,
  valueOf,
  written,
} from "./numbers";
import { t } from "./wording";

interface Props {
  /** Which of the server's bounds holds, or a rule of its own. */
  rule: string | Rule;
  value: Typed;
  /** A number, nothing, or `undefined` while what is typed may not be kept. */
  onValue: (value: Typed) => void;
  id?: string | undefined;
  label: string;
  /** Whether the label is shown, or only read aloud. */
  bare?: boolean;
  /** Whether nothing may be kept as well as a fault may. */
  required?: boolean;
  /** What the server said against it. */
  fault?: string | undefined;
  disabled?: boolean | undefined;
  placeholder?: string | undefined;
  /** What was typed and may not be kept as a number, where it is kept as text. */
  unfinished?: string;
  onUnfinished?: (text: string) => void;
  /** Typed and finished: Enter, or leaving the field. */
  onDone?: (() => void) | undefined;
}

/** A rule that holds nothing up while the server's bounds are on their way: the server judges. */
const OPEN: Rule = { min: -Infinity, max: Infinity, decimals: 6 };

/**
 * The one number field: text while it is typed, comma or point, its unit beside it, refused here by the rule the server
 * has. What cannot be kept stays visible with its fault and is never handed on as another number.
 */
export function NumberField(props: Props) {
  const { value, onValue, label, bare = false, required = false } = props;
  const { onDone } = props;
  const bounds = useBounds();
  const rule =
    typeof props.rule === "string" ? (bounds(props.rule) ?? OPEN) : props.rule;
  const fresh = useId();
  const id = props.id ?? fresh;
  const [text, setText] = useState(() => written(value));
  const [left, setLeft] = useState(false);
  // A value that came from elsewhere takes the place of the text. The field's own never does, nor does the
  // last good value
  // that the page still holds while something faulty is typed.
  const [known, setKnown] = useState(value);
  const [own, setOwn] = useState<Typed>();
  const [inside, setInside] = useState(false);
  if (value !== known) {
    setKnown(value);
    // What comes back while the field is typed into, or is its own, only late, is no news.
    const news = value !== undefined && value !== own && !inside;
    if (value === own) setOwn(undefined);
    if (news && readNumber(text) !== value) setText(written(value));
  }
  // What was left half typed comes back as it was, once, unless something is typed already.
  const [found, setFound] = useState(false);
  const [touched, setTouched] = useState(false);
  if (props.unfinished && !found && !touched) {
    setFound(true);
    setText(props.unfinished);
    setLeft(true);
  }
  useEffect(() => {
    if (found) onValue(undefined);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- told once, when it comes back
  }, [found]);
  const wrong =
    required && text.trim() === "" ? t("fault-empty") : faultOf(text, rule);
  // Half a number is no fault yet: it is told when the field is left, or when no more digits could mend it.
  const beyond = (readNumber(text) ?? 0) > rule.max;
  const fault = (left || beyond ? wrong : undefined) ?? props.fault;
  const type = (next: string) => {
    setText(next);
    setLeft(false);
    const read = valueOf(next, rule);
    const kept = required && read === null ? undefined : read;
    if (kept !== undefined) setOwn(kept);
    setTouched(true);
    props.onUnfinished?.(kept === undefined ? next : "");
    onValue(kept);
  };
  return (
    <label className={`field number-field${fault ? " faulty" : ""}`}>
      {bare ? null : <span>{label}</span>}
      <Input
        id={id}
        inputMode="decimal"
        className="num"
        autoComplete="off"
        value={text}
        disabled={props.disabled ?? false}
        placeholder={props.placeholder ?? ""}
        aria-label={label}
        aria-invalid={fault !== undefined}
        aria-describedby={fault ? `${id}-fault` : undefined}
        suffix={
          rule.unit ? <span className="unit soft">{rule.unit}</span> : <span />
        }
        onChange={(e) => type(e.target.value)}
        onFocus={() => setInside(true)}
        onBlur={() => {
          setInside(false);
          setLeft(true);
          onDone?.();
        }}
        onPressEnter={() => {
          setLeft(true);
          onDone?.();
        }}
      />
      {fault && (
        <span className="bad" id={`${id}-fault`} role="alert">
          {fault}
        </span>
      )}
    </label>
  );
}
