import { ink } from "../app/theme";

/** The shape of a lane: told apart without colour. */
export function LaneMark({ lane, size = 20 }: { lane: string; size?: number }) {
  const common = {
    width: size,
    height: size,
    viewBox: "0 0 20 20",
    "aria-hidden": true,
  } as const;
  switch (lane) {
    case "something_is_wrong":
      return (
        <svg {...common}>
          <path
            d="M6.2 1h7.6L19 6.2v7.6L13.8 19H6.2L1 13.8V6.2Z"
            fill={ink.brick}
          />
          <path
            d="M10 5v6.4M10 13.6v1.6"
            stroke="var(--on)"
            strokeWidth="2.4"
          />
        </svg>
      );
    case "too_far":
      return (
        <svg {...common}>
          <path
            d="M10 1.5 19 18H1Z"
            fill="none"
            stroke={ink.brick}
            strokeWidth="2.4"
            strokeLinejoin="round"
          />
          <path d="M10 7.5V13" stroke={ink.brick} strokeWidth="2.4" />
        </svg>
      );
    case "gate_due":
      return (
        <svg {...common}>
          <path
            d="M3 19V3.5A2 2 0 0 1 5 1.5h10a2 2 0 0 1 2 2V19"
            fill={ink.saffron}
            stroke={ink.text}
            strokeWidth="1.4"
          />
          <circle cx="13.4" cy="11" r="1.5" fill={ink.text} />
        </svg>
      );
    case "too_stiff":
      return (
        <svg {...common}>
          <path
            d="M10 18.5 1 2h18Z"
            fill="none"
            stroke={ink.text}
            strokeWidth="2.2"
            strokeLinejoin="round"
          />
        </svg>
      );
    case "re_measure":
      return (
        <svg {...common}>
          <path
            d="M2 16a8 8 0 0 1 16 0"
            fill="none"
            stroke={ink.petrol}
            strokeWidth="2.4"
            strokeDasharray="3.4 2.6"
          />
          <circle cx="10" cy="16" r="2" fill={ink.petrol} />
        </svg>
      );
    default:
      return (
        <svg {...common}>
          <circle
            cx="10"
            cy="10"
            r="6"
            fill="none"
            stroke={ink.moss}
            strokeWidth="2.2"
          />
        </svg>
      );
  }
}

/** The shape of a criterion's status. */
export function StatusMark({ status }: { status: string }) {
  const common = {
    width: 20,
    height: 20,
    viewBox: "0 0 20 20",
    "aria-hidden": true,
  } as const;
  switch (status) {
    case "met":
      return (
        <svg {...common}>
          <rect x="1" y="1" width="18" height="18" rx="3" fill={ink.moss} />
          <path
            d="m5 10.5 3.4 3.5L15 6.5"
            stroke="var(--on)"
            strokeWidth="2.6"
            fill="none"
          />
        </svg>
      );
    case "not_met":
      return (
        <svg {...common}>
          <rect
            x="1.2"
            y="1.2"
            width="17.6"
            height="17.6"
            rx="3"
            fill="none"
            stroke={ink.brick}
            strokeWidth="2.2"
          />
          <path d="M6 10h8" stroke={ink.brick} strokeWidth="2.6" />
        </svg>
      );
    case "out_of_date":
      return (
        <svg {...common}>
          <circle
            cx="10"
            cy="10"
            r="8.4"
            fill="none"
            stroke={ink.text}
            strokeWidth="2"
          />
          <path
            d="M10 5.4V10l3 2"
            stroke={ink.text}
            strokeWidth="2"
            fill="none"
          />
        </svg>
      );
    default:
      return (
        <svg {...common}>
          <rect
            x="1.2"
            y="1.2"
            width="17.6"
            height="17.6"
            rx="3"
            fill="none"
            stroke={ink.soft}
            strokeWidth="1.8"
            strokeDasharray="3 2.4"
          />
        </svg>
      );
  }
}

/** The shape of a verdict of the safety check. */
export function VerdictMark({
  status,
  size = 17,
}: {
  status: string;
  size?: number;
}) {
  const common = {
    width: size,
    height: size,
    viewBox: "0 0 20 20",
    "aria-hidden": true,
  } as const;
  if (status === "blocked")
    return (
      <svg {...common}>
        <circle cx="10" cy="10" r="9" fill={ink.brick} />
        <path d="M4.5 10h11" stroke="var(--on)" strokeWidth="3" />
      </svg>
    );
  if (status === "caution")
    return (
      <svg {...common}>
        <path
          d="M10 1 19 10 10 19 1 10Z"
          fill={ink.saffron}
          stroke={ink.text}
          strokeWidth="1.2"
        />
      </svg>
    );
  return (
    <svg {...common}>
      <circle
        cx="10"
        cy="10"
        r="8"
        fill="none"
        stroke={ink.moss}
        strokeWidth="2.4"
      />
      <path
        d="m6 10.3 2.8 2.9L14 7.4"
        stroke={ink.moss}
        strokeWidth="2.4"
        fill="none"
      />
    </svg>
  );
}

/** Why a movement stopped, as a small mark drawn round (0, 0). */
export function StopMark({ stop }: { stop: string }) {
  const s = { fill: ink.paper, stroke: ink.text, strokeWidth: 1.8 } as const;
  switch (stop) {
    case "pain":
      return <path d="M0-7 2-2 7 0 2 2 0 7-2 2-7 0-2-2Z" {...s} />;
    case "stiff":
      return <rect x="-5.5" y="-5.5" width="11" height="11" {...s} />;
    case "weak":
      return <path d="M-6-4H6L0 6.5Z" {...s} />;
    case "slipping":
      return (
        <path
          d="M-7 0c2.4-6 4.6 6 7 0s4.6 6 7 0"
          {...s}
          fill="none"
          strokeWidth={2.4}
        />
      );
    default:
      return <path d="M-2-7V7M2.4-7V7" {...s} strokeWidth={2.4} />;
  }
}

/** The shape of a decision about an exercise: told apart without colour. */
export function MoveMark({ kind, size = 22 }: { kind: string; size?: number }) {
  const common = {
    width: size,
    height: size,
    viewBox: "0 0 22 22",
    "aria-hidden": true,
  } as const;
  const stairs = "M2 18h6v-6h6V6h6";
  switch (kind) {
    case "stop":
      return (
        <svg {...common}>
          <path d="M7 1h8l6 6v8l-6 6H7l-6-6V7Z" fill={ink.brick} />
          <path d="M6 11h10" stroke="var(--on)" strokeWidth="3" />
        </svg>
      );
    case "step_back":
      return (
        <svg {...common}>
          <path d={stairs} fill="none" stroke={ink.soft} strokeWidth="1.8" />
          <path
            d="M16 3 7 12M7 7v5h5"
            stroke={ink.brick}
            strokeWidth="2.6"
            fill="none"
          />
        </svg>
      );
    case "ease":
      return (
        <svg {...common}>
          <path
            d="M2 14c4-9 14-9 18 0"
            fill="none"
            stroke={ink.petrol}
            strokeWidth="2.4"
          />
          <path d="M2 18h18" stroke={ink.soft} strokeWidth="1.8" />
        </svg>
      );
    case "progress_dose":
      return (
        <svg {...common}>
          <path d="M2 18h18" stroke={ink.soft} strokeWidth="1.8" />
          <path d="M11 4v10M6 9h10" stroke={ink.moss} strokeWidth="3" />
        </svg>
      );
    case "next_rung":
      return (
        <svg {...common}>
          <path d={stairs} fill="none" stroke={ink.soft} strokeWidth="1.8" />
          <path
            d="M4 12 13 3M8 3h5v5"
            stroke={ink.moss}
            strokeWidth="2.6"
            fill="none"
          />
        </svg>
      );
    case "hold_stiff":
      return (
        <svg {...common}>
          <rect
            x="3"
            y="3"
            width="16"
            height="16"
            fill={ink.saffronPale}
            stroke={ink.text}
            strokeWidth="1.8"
          />
          <path
            d="M7 14c2-8 6-8 8 0"
            stroke={ink.text}
            strokeWidth="2"
            fill="none"
          />
        </svg>
      );
    case "hold_sore":
      return (
        <svg {...common}>
          <rect
            x="3"
            y="3"
            width="16"
            height="16"
            fill={ink.saffronPale}
            stroke={ink.text}
            strokeWidth="1.8"
          />
          <path
            d="m7 8 4 6 4-6"
            stroke={ink.brick}
            strokeWidth="2.4"
            fill="none"
          />
        </svg>
      );
    case "hold_unknown":
      return (
        <svg {...common}>
          <rect
            x="3"
            y="3"
            width="16"
            height="16"
            fill="none"
            stroke={ink.soft}
            strokeWidth="1.8"
            strokeDasharray="3 2.4"
          />
          <path
            d="M11 13.5v.5M8.6 8.4c.4-3 5-2.800 4.800.2-.1 1.700-2.400 1.700-2.400 3.400"
            stroke={ink.text}
            strokeWidth="1.8"
            fill="none"
          />
        </svg>
      );
    default:
      return (
        <svg {...common}>
          <rect
            x="3"
            y="3"
            width="16"
            height="16"
            fill="none"
            stroke={ink.soft}
            strokeWidth="1.8"
          />
          <path d="M7 11h8" stroke={ink.soft} strokeWidth="2.4" />
        </svg>
      );
  }
}
