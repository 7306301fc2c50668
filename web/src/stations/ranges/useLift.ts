import { useCallback, useEffect, useRef, useState } from "react";
import { api, ask, type Schemas } from "../../app/client";
import { sentence } from "../../app/wording";

/** What the simulated inclinometer of the demo is doing. */
export interface Lift {
  angle?: number;
  state: "running" | "held" | "lost";
  faults?: string[];
}

/** Degrees the stand-in lifts past the last measurement, and keeps below today's ceiling. */
const PAST = 4;
const BELOW_CEILING = 2;
const LEAST = 5;

/** Where the stand-in lifts to: near the last measurement, never past today's ceiling. */
function plateau(dial: Schemas["Dial"], which: "operated" | "other"): number {
  const before = dial[which].last?.measurement.value ?? 60;
  const { ceiling } = dial.ceiling;
  const most =
    which === "operated" && ceiling.kind === "up_to" ? ceiling.value : Infinity;
  return Math.round(
    Math.max(LEAST, Math.min(before + PAST, most - BELOW_CEILING)),
  );
}

/** Listens to the simulated inclinometer. What it invents is marked as simulated and never counts. */
export function useLift(
  onHeld: (deg: number) => void,
  onError: (e: unknown) => void,
) {
  const [lift, setLift] = useState<Lift>();
  const source = useRef<EventSource>(undefined);
  useEffect(() => () => source.current?.close(), []);
  const start = useCallback(
    (dial: Schemas["Dial"], which: "operated" | "other") => {
      if (dial.unit !== "deg" || dial[which].barred || source.current) return;
      const samples: { t_s: number; angle_deg: number }[] = [];
      const seed = Math.floor(Math.random() * 1e6);
      const stream = new EventSource(
        `/api/instruments/stream?device=inclinometer&seed=${seed}&plateau=${plateau(dial, which)}`,
      );
      source.current = stream;
      const stop = () => {
        stream.close();
        source.current = undefined;
      };
      const lost = () => {
        if (source.current !== stream) return;
        stop();
        setLift({ state: "lost" });
      };
      setLift({ state: "running" });
      stream.addEventListener("batch", (e) => {
        const pairs = JSON.parse((e as MessageEvent<string>).data) as [
          number,
          number,
        ][];
        for (const [t_s, angle_deg] of pairs) samples.push({ t_s, angle_deg });
        setLift({
          state: "running",
          angle: Math.round(samples.at(-1)?.angle_deg ?? 0),
        });
      });
      stream.addEventListener("end", () => {
        stop();
        ask(api.POST("/api/instruments/angle", { body: samples })).then(
          (read) => {
            if (read.held_deg != null) onHeld(read.held_deg);
            setLift({ state: "held", faults: read.faults.map(sentence) });
          },
          onError,
        );
      });
      stream.addEventListener("lost", lost);
      stream.onerror = lost;
    },
    [onHeld, onError],
  );
  const clear = useCallback(() => setLift(undefined), []);
  return { lift, start, clear };
}
