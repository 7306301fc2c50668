import { useQuery } from "@tanstack/react-query";
import { Choose } from "../../app/Choose";
import { api, ask } from "../../app/client";
import { queryKeys } from "../../app/queryKeys";
import { nameOf, t } from "../../app/wording";

/** Ids that a pathway's file may name, found by their names and put where the file is being edited. */
export function InsertId({ onInsert }: { onInsert: (id: string) => void }) {
  const exercises = useQuery({
    queryKey: queryKeys.exercises,
    queryFn: () => ask(api.GET("/api/exercises", { params: { query: {} } })),
    staleTime: 60_000,
  });
  const cards = exercises.data ?? [];
  const rungs = (ladder: string) =>
    Math.max(...cards.filter((c) => c.ladder === ladder).map((c) => c.rung));
  const ladders = [...new Set(cards.map((c) => c.ladder))].sort((a, b) =>
    a.localeCompare(b),
  );
  return (
    <p className="row wrap">
      <Choose
        id="insert-id"
        className="w-440"
        aria-label={t("insert-id")}
        placeholder={t("insert-id")}
        value={null}
        options={[
          {
            label: t("insert-ladders"),
            options: ladders.map((ladder) => ({
              value: `${ladder} 1-${rungs(ladder)}`,
              label: nameOf("ladder", ladder),
              also: ladder,
            })),
          },
          {
            label: t("find-exercises"),
            options: cards.map((c) => ({
              value: c.id,
              label: nameOf("exercise", c.id),
              also: c.id,
            })),
          },
        ]}
        onChange={onInsert}
      />
    </p>
  );
}
