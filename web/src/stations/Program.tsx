import "../app/stationWords";
import "../../../locales/en/stations/program.ftl?learn";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { useSearchParams } from "react-router";
import { api, ask, type Schemas } from "../app/client";
import { Pending, ProblemNote } from "../app/parts";
import { useAddress } from "../app/useAddress";
import { sentence, t } from "../app/wording";
import { Add } from "./program/Add";
import { Challenge } from "./program/Challenge";
import { useDraft } from "./program/draft";
import { Foot, NoPathway } from "./program/Foot";
import { ALL_AS, Head, type Zoom, ZOOMS } from "./program/Head";
import { LinePanel } from "./program/LinePanel";
import { nextRung } from "./program/nextRung";
import { OnDesk } from "./program/OnDesk";
import { Printed } from "./program/Printed";
import { Schools } from "./program/Schools";
import { Shown } from "./program/Shown";
import { Milestones, Told, Volumes } from "./program/Told";
import { useActs } from "./program/useActs";
import { useProgramKeys } from "./program/useProgramKeys";
import { useSent } from "./program/useSent";
import { useWidth } from "./program/useWidth";
import { Versions } from "./program/Versions";
import { WhatIf } from "./program/WhatIf";
import { Notice } from "../app/Notice";
import { queryKeys } from "../app/queryKeys";
import { useReady } from "../app/useReady";

/** A proposal that was asked for elsewhere is made once, as soon as the page is there: anew, or a short one. */
function useAsked(ready: boolean, build: (short: boolean) => void) {
  const [params, setParams] = useSearchParams();
  const short = params.has("short");
  const wanted = short || params.has("again");
  useEffect(() => {
    if (!ready || !wanted) return;
    setParams({}, { replace: true });
    build(short);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- what builds is new at every look
  }, [ready, wanted]);
}

export function Program({
  episode,
  who,
  today: date,
}: {
  episode: string;
  who: string;
  today: string;
}) {
  const page = useQuery({
    queryKey: queryKeys.program(episode),
    queryFn: () =>
      ask(
        api.GET("/api/episodes/{id}/program", {
          params: { path: { id: episode } },
        }),
      ),
  });
  const draft = useDraft(episode, page.data?.chart, page.data?.rev ?? 0);
  const acts = useActs(episode, page.data?.rev ?? 0, draft);
  const { proposal, told } = acts;
  const [selected, setSelected] = useState<string>();
  const [zoom, setZoom] = useState<Zoom>("all");
  const [week, setWeek] = useState<number>();
  const [whatIf, setWhatIf] = useState(false);
  const { params, look } = useAddress();
  const as = ALL_AS.find((one) => one === params.get("as")) ?? "picture";
  const [versions, setVersions] = useState(false);
  const [schools, setSchools] = useState(params.has("schools"));
  const [tried, setTried] = useState<Schemas["PlanChart"]>();
  const { box, width } = useWidth();
  const { view, lines } = draft;
  const chosen = view?.lines.find((l) => l.line.id === selected);
  useSent(page.data, draft, setSelected);
  useAsked(page.data !== undefined, (short) => void acts.build(short));
  const rung = (id: string, step: number) => {
    const next = nextRung(page.data?.candidates ?? [], view, id, step);
    if (next) void draft.edit(id, next);
  };
  const move = (id: string, from: number, to: number) => {
    const line = lines.find((l) => l.id === id);
    if (line && (from !== 0 || to !== 0))
      void draft.edit(id, {
        from_day: Math.max(0, line.from_day + from),
        to_day: Math.max(1, line.to_day + to),
      });
  };
  useProgramKeys({
    draft,
    selected,
    setSelected,
    onZoom: () =>
      setZoom((z) => ZOOMS[(ZOOMS.indexOf(z) + 1) % ZOOMS.length] ?? "all"),
    // The keys of the week are its own.
    move: as === "week" ? () => undefined : move,
    rung,
  });
  const ready = useReady(view !== undefined);
  if (!page.data || !view || !ready) return <Pending query={page} />;
  if (view.phases.length === 0) return <NoPathway episode={episode} />;
  const blocked = view.lines.filter(
    (l) => l.verdict.status === "blocked",
  ).length;
  const today = view.today.day;
  const at = week ?? Math.floor(today / 7);
  const shown: [number, number] =
    zoom === "all"
      ? [0, view.end_day]
      : zoom === "ten"
        ? [
            Math.max(0, today - 14),
            Math.min(view.end_day, Math.max(0, today - 14) + 70),
          ]
        : [at * 7, at * 7 + 7];
  const reasons = proposal && draft.draft ? proposal.why : page.data.why;
  const why =
    reasons
      .filter((w) => w.exercise === chosen?.ladder)
      .flatMap((w) => w.reasons) ?? [];
  return (
    <div id="program-page" className={schools ? "beside" : ""}>
      <Head
        page={page.data}
        draft={draft}
        acts={acts}
        blocked={blocked}
        zoom={zoom}
        onZoom={setZoom}
        onWhatIf={() => setWhatIf(!whatIf)}
        onSchools={() => setSchools(!schools)}
        onVersions={() => setVersions(true)}
        as={as}
        onAs={(next) => look({ as: next === "picture" ? "" : next })}
      />
      <ProblemNote error={draft.error} />
      {page.data.challenge && (
        <Challenge
          episode={episode}
          challenge={page.data.challenge}
          pathway={page.data.pathway}
          today={date}
        />
      )}
      {view.waits && (
        <Notice id="dates-wait" kind="decide">
          {sentence(view.waits)}
        </Notice>
      )}
      {told && (
        <Notice role="status" kind="go">
          {told}
        </Notice>
      )}
      <OnDesk draft={draft} blocked={blocked} />
      {whatIf && (
        <WhatIf
          episode={episode}
          width={width}
          onClose={() => setWhatIf(false)}
        />
      )}
      {schools && (
        <Schools
          episode={episode}
          onTry={setTried}
          onHeld={() => void acts.build()}
          onClose={() => setSchools(false)}
        />
      )}
      {versions && (
        <Versions episode={episode} onClose={() => setVersions(false)} />
      )}
      {tried && (
        <Notice role="status" id="tried">
          {t("schools-shown")}
        </Notice>
      )}
      <Shown
        episode={episode}
        page={page.data}
        why={reasons}
        draft={draft}
        view={view}
        tried={tried}
        as={as}
        today={date}
        box={box}
        window={shown}
        width={width}
        weeks={zoom === "week" ? { at, onWeek: setWeek } : undefined}
        selected={selected}
        onSelect={setSelected}
        onMove={move}
      />
      <Printed page={page.data} draft={draft} view={view} who={who} />
      {chosen && (
        <LinePanel
          episode={episode}
          chosen={chosen}
          why={why}
          draft={draft}
          onRung={(step) => rung(chosen.line.id, step)}
          onRemove={() => {
            setSelected(undefined);
            void draft.remove(chosen.line.id);
          }}
        />
      )}
      <Add
        candidates={page.data.candidates}
        onAdd={(c) =>
          setSelected(
            draft.add({
              exercise: c.exercise,
              from_day: today,
              to_day: today + 14,
              dose: c.dose,
              override_reason: null,
            }),
          )
        }
      />
      {proposal && draft.draft && <Told proposal={proposal} />}
      <Volumes view={view} />
      <Milestones view={view} />
      <Foot view={view} knowledge={page.data.knowledge} />
    </div>
  );
}
