import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, ask, newId } from "../../app/client";
import { useEntry } from "../../app/entries";
import { faultOf, valueOf } from "../../app/numbers";
import { nameOf } from "../../app/wording";
import { type Answer, cellsOf, type Page } from "./words";
import { queryKeys } from "../../app/queryKeys";
import { useKeptOfDay } from "../../app/useKeptOfDay";

const NO_ANSWERS: Answer[] = [];

/** Places after the point an item may have. */
const PLACES = 1;

/** A sheet of ticks, item by item, kept whole. */
export function useSheet(episode: string, today: string) {
  const queries = useQueryClient();
  const page = useQuery({
    queryKey: queryKeys.outcomes(episode),
    queryFn: () =>
      ask(
        api.GET("/api/episodes/{id}/outcomes", {
          params: { path: { id: episode } },
        }),
      ),
  });
  const [chosen, setChosen] = useState<string>();
  const [at, setCell] = useState<number>();
  const [typed, setTyped] = useState("");
  const [kept, setKept] = useState<{ id: string; instrument: string }[]>([]);
  const entries = useEntry(episode);
  const { keep: handIn } = entries;
  const views = page.data?.instruments ?? [];
  const view =
    views.find((v) => v.instrument.id === chosen) ??
    views.find((v) => v.sheets.length > 0) ??
    views[0];
  const id = view?.instrument.id ?? "";
  const cells = cellsOf(view);
  const half = useKeptOfDay(`sheet-${id}`, today, NO_ANSWERS);
  const { value: answers, set: setAnswers } = half;
  // A sheet that was left half filled goes on where it was left.
  const cell = at ?? answers.length;
  const part = cells[cell];
  const rule = part && { min: part.min, max: part.max, decimals: PLACES };
  const value = rule && valueOf(typed, rule);
  const fault =
    rule && typed !== "" && typed !== "-" ? faultOf(typed, rule) : undefined;

  const choose = (next: string | undefined) => {
    setChosen(next);
    setCell(undefined);
    setTyped("");
  };
  const put = (answer: Answer, step = 1) => {
    setAnswers((now) => {
      const own = [...now];
      own[cell] = answer;
      return own;
    });
    setTyped("");
    setCell(Math.min(cells.length, Math.max(0, cell + step)));
  };
  const putTyped = () => {
    if (value != null) put(value);
  };
  const clear = () => {
    setAnswers(() => NO_ANSWERS);
    setCell(undefined);
  };
  /** Goes on with what an earlier day left of this sheet, where it was left. */
  const goOn = (left: Parameters<typeof half.take>[0]) => {
    half.take(left);
    setCell(undefined);
  };
  const keep = async () => {
    if (!view || (view.barred ?? []).length > 0) return;
    const sheet = {
      id: newId(),
      instrument: id,
      answers: cells.map((_, i) => answers[i] ?? null),
      on: today,
    };
    const done = await handIn(
      { kind: "sheet", body: sheet, says: nameOf("instrument", id) },
      `sheet-${id}`,
    );
    if (!done) return;
    if (done.reply !== undefined)
      queries.setQueryData(queryKeys.outcomes(episode), done.reply as Page);
    setKept((all) => [{ id: sheet.id, instrument: id }, ...all]);
    clear();
  };
  const undo = async () => {
    const last = kept[0];
    if (!last) return;
    const done = await handIn(
      {
        kind: "withdrawal",
        body: { entry: last.id, kind: "outcome_sheet", reason: "undo" },
        says: nameOf("instrument", last.instrument),
      },
      "undo",
    );
    if (done) setKept((all) => all.slice(1));
  };
  return {
    ...entries,
    page,
    views,
    view,
    id,
    cells,
    answers,
    half,
    goOn,
    cell,
    setCell,
    part,
    typed,
    setTyped,
    fault,
    kept,
    choose,
    put,
    putTyped,
    clear,
    keep,
    undo,
  };
}

export type Room = ReturnType<typeof useSheet>;
