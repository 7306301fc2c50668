import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { api, ask } from "../../app/client";
import { useAddress } from "../../app/useAddress";
import { queryKeys } from "../../app/queryKeys";

export const LANES = [
  "something_is_wrong",
  "too_far",
  "gate_due",
  "too_stiff",
  "re_measure",
  "quiet",
] as const;

/** The list of the day as its address asks for it: what is looked for, the lane, whose, which pathway and phase. */
export function useDayList() {
  const { params, look: put } = useAddress();
  const search = params.get("q") ?? "";
  const lane = LANES.find((name) => name === params.get("lane"));
  const [typed, setTyped] = useState(search);
  // Where each page so far began: a page is turned back to where it was, whoever came or went meanwhile.
  const [places, setPlaces] = useState<string[]>([]);
  // An address that changed by itself, by a link or the way back, shows what it looks for.
  const pushed = useRef(search);
  useEffect(() => {
    if (search === pushed.current) return;
    pushed.current = search;
    setTyped(search);
  }, [search]);
  const [mine, pathway, phase] = [
    params.get("mine") === "1",
    params.get("pathway") ?? "",
    params.get("phase") ?? "",
  ];
  const look = useCallback(
    (change: Record<string, string>) => {
      put(change);
      setPlaces([]);
    },
    [put],
  );
  const after = places.at(-1);
  useEffect(() => {
    if (typed === search) return;
    const timer = window.setTimeout(() => {
      pushed.current = typed;
      look({ q: typed });
    }, 160);
    return () => window.clearTimeout(timer);
  }, [typed, search, look]);
  const page = useQuery({
    queryKey: queryKeys.dayList({
      search,
      lane,
      mine,
      pathway,
      phase,
      after,
    }),
    queryFn: () =>
      ask(
        api.GET("/api/day-list", {
          params: {
            query: {
              search,
              mine,
              ...(pathway ? { pathway } : {}),
              ...(phase ? { phase } : {}),
              ...(after ? { after } : {}),
              ...(lane ? { lane } : {}),
            },
          },
        }),
      ),
    placeholderData: keepPreviousData,
    // While the change of day is at work the list moves by itself.
    refetchInterval: (query) => (query.state.data?.behind ? 5_000 : false),
  });
  return {
    /** A new patient was asked for. */
    asked: params.get("new") === "1",
    lane,
    look,
    mine,
    page,
    pathway,
    phase,
    places,
    search,
    setPlaces,
    setTyped,
    typed,
  };
}
