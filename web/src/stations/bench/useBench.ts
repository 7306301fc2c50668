import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { useSearchParams } from "react-router";
import { api, ask, type Schemas } from "../../app/client";
import type { Typed } from "../../app/numbers";
import type { Answer, Setup } from "./words";
import { queryKeys } from "../../app/queryKeys";

/** A body for whoever is not known yet; said beside every number that rests on it. */
const ANYBODY: Setup = {
  mass_kg: 75,
  height_m: 1.75,
  weight_kg: null,
  level: null,
  distance_m: null,
  doubled: false,
};

/** What a set-up asks of this body, computed by the server as it changes. */
export function useBench(id: string) {
  const [params] = useSearchParams();
  const episode = params.get("e");
  const [setup, setSetup] = useState<Setup>(ANYBODY);
  const [wanted, setWanted] = useState<Typed>(null);
  const [answer, setAnswer] = useState<Answer>();
  const [held, setHeld] = useState<Answer>();
  const [error, setError] = useState<unknown>();
  const story = useQuery({
    queryKey: queryKeys.story(episode),
    enabled: episode !== null,
    queryFn: () =>
      ask(
        api.GET("/api/episodes/{id}/story", {
          params: { path: { id: episode ?? "" } },
        }),
      ),
  });
  // A patient's own body, where it is on record.
  const body = story.data?.story;
  useEffect(() => {
    const { mass_kg, height_cm } = body ?? {};
    if (mass_kg != null && height_cm != null)
      setSetup((s) => ({ ...s, mass_kg, height_m: height_cm / 100 }));
  }, [body]);
  const compute = useRef(0);
  useEffect(() => {
    const turn = ++compute.current;
    ask(
      api.POST("/api/exercises/{exercise}/load", {
        params: { path: { exercise: id } },
        body: { setup, episode },
      }),
    ).then(
      (a) => {
        if (turn !== compute.current) return;
        setAnswer(a);
        setError(undefined);
      },
      (e: unknown) => {
        if (turn === compute.current) setError(e);
      },
    );
  }, [id, setup, episode]);
  const shown = answer?.view.setup ?? setup;
  const change = (part: Partial<Setup>) => setSetup({ ...shown, ...part });
  const solve = (what: Schemas["SolveFor"]) => {
    if (wanted == null) return;
    ++compute.current;
    ask(
      api.POST("/api/exercises/{exercise}/load", {
        params: { path: { exercise: id } },
        body: { setup: shown, episode, solve: { what, peak_nm: wanted } },
      }),
    ).then((a) => {
      setAnswer(a);
      setError(undefined);
      if (!a.unsolved) setSetup(a.view.setup);
    }, setError);
  };
  const take = (s: Schemas["LoadStep"]) =>
    change({
      weight_kg: s.weight_kg ?? null,
      level: s.level ?? null,
      distance_m: s.distance_m ?? null,
    });
  return {
    id,
    episode,
    answer,
    held,
    hold: () => setHeld(held ? undefined : answer),
    error,
    shown,
    change,
    wanted,
    setWanted,
    solve,
    take,
  };
}

export type Load = ReturnType<typeof useBench>;
