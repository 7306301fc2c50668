import { useState } from "react";
import { newId, type Schemas } from "../../app/client";
import { Ten } from "../../app/parts";
import { capital, nameOf } from "../../app/wording";
import type { Post } from "./post";

type Page = Schemas["VisitPage"];

/** Scores that the next gate and the watches ask for besides the two that are always asked. */
export function askedScores(view: Page["view"]): string[] {
  const all = (list: Schemas["CriterionView"][]): string[] =>
    list.flatMap((c) => [
      ...(c.asks.rule.startsWith("asks-score")
        ? [String(c.asks.args["score"])]
        : []),
      ...all(c.parts),
    ]);
  return [
    ...new Set(
      all([
        ...(view.gate?.criteria ?? []),
        ...view.watches.flatMap((w) => w.criteria),
      ]),
    ),
  ].filter((s) => s !== "rest-pain" && s !== "task-pain");
}

export function ScoreEntry({
  today,
  post,
  asked,
}: {
  today: string;
  post: Post;
  asked?: string[];
}) {
  const [given, setGiven] = useState<Record<string, number>>({});
  return (
    <table className="criteria above-8">
      <tbody>
        {["rest-pain", "task-pain", ...(asked ?? [])].map((score) => (
          <tr key={score}>
            <td className="small w-auto">{capital(nameOf("score", score))}</td>
            <td>
              <Ten
                label={nameOf("score", score)}
                max={score === "nights-woken" ? 7 : 10}
                picked={given[score]}
                onPick={(value) =>
                  void post(
                    {
                      kind: "score",
                      body: { id: newId(), score, value, on: today },
                      says: `${capital(nameOf("score", score))}: ${value}`,
                    },
                    `${score} ${value}`,
                  ).then((ok) => ok && setGiven({ ...given, [score]: value }))
                }
              />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
