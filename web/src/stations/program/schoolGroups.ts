/**
 * What a question on which practitioners disagree is about, in the order of a course; where none is named it is
 * told last.
 */
export const GROUPS: readonly (readonly [string, readonly string[]])[] = [
  [
    "timing",
    [
      "sling",
      "sling-length",
      "first-week",
      "motion-start",
      "passive-start",
      "early-weight",
      "strength-start",
      "push-start",
      "biceps-start",
    ],
  ],
  [
    "pain",
    ["pain-rule", "load-rule", "stretch-force", "retest", "massage", "course"],
  ],
  [
    "dose",
    [
      "how-many",
      "frequency",
      "often",
      "strength-days",
      "load",
      "effort",
      "hold-style",
      "set-structure",
      "order",
    ],
  ],
  [
    "work",
    [
      "first",
      "lead",
      "winging-first",
      "raise-height",
      "band-or-weight",
      "shrugs",
      "elbow-crease",
      "elbow-load",
      "rotation-inward",
      "lowering",
      "stretching",
      "behind-back",
      "blade-cue",
    ],
  ],
];

/** Questions by what they are about; each stands in one group, and none falls away. */
export function grouped<Q extends { id: string }>(
  questions: readonly Q[],
): [string, Q[]][] {
  const named = new Set(GROUPS.flatMap(([, ids]) => ids));
  const all: [string, Q[]][] = GROUPS.map(([group, ids]) => [
    group,
    questions.filter((q) => ids.includes(q.id)),
  ]);
  all.push(["other", questions.filter((q) => !named.has(q.id))]);
  return all.filter(([, list]) => list.length > 0);
}
