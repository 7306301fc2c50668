import { useReady } from "../app/useReady";
import Button from "antd/es/button";
import Input from "antd/es/input";
import { lazy, Suspense, useEffect, useState } from "react";
import { useNavigate } from "react-router";
import type { Schemas } from "../app/client";
import { useShortcuts } from "../app/keys";
import { ProblemNote, Waiting } from "../app/parts";
import { longDate, nameOf, t } from "../app/wording";
import { LaneMark } from "../pictures/Marks";
import { Row } from "./decisions/Row";
import { LANES, useDayList } from "./decisions/useDayList";

const NewPatient = lazy(() =>
  import("./NewPatient").then((m) => ({ default: m.NewPatient })),
);

// Fetched when they are wanted: the list of the day comes first.
const Filters = lazy(() =>
  import("./decisions/Filters").then((m) => ({ default: m.Filters })),
);
const Quiet = lazy(() =>
  import("./decisions/Quiet").then((m) => ({ default: m.Quiet })),
);
const Peek = lazy(() =>
  import("./decisions/Peek").then((m) => ({ default: m.Peek })),
);

const Unread = lazy(() =>
  import("./decisions/Unread").then((m) => ({ default: m.Unread })),
);

const KEYS = ["new-patient"] as const;

/** Nobody is listed, or nobody who is needs a decision. */
const stillness = (rows: Schemas["DecisionRow"][]) =>
  rows.every((r) => r.lane.lane === "quiet");

export default function Decisions({ today }: { today: string }) {
  const list = useDayList();
  const { asked, lane, look, mine, page, pathway, phase } = list;
  const { places, search, setPlaces, setTyped, typed } = list;
  const navigate = useNavigate();
  const [narrow, setNarrow] = useState(false);
  const filtering = narrow || mine || pathway !== "" || phase !== "";
  const [peeked, setPeeked] = useState<string>();
  // A reason may name an exercise; the names come after the list, which does not wait for them.
  const [, setNamed] = useState(false);
  useEffect(() => {
    void import("../app/stationWords").then(() => setNamed(true));
  }, []);
  const [adding, setAdding] = useState(false);
  // Asked for from another page: opened once, and the way back leads to the list.
  useEffect(() => {
    if (!asked) return;
    setAdding(true);
    look({ new: "" });
  }, [asked, look]);
  useShortcuts((e) => {
    if (e.key !== "n") return false;
    setAdding(true);
    return true;
  }, KEYS);
  const ready = useReady(page.data !== undefined);
  const shown = ready ? (page.data?.rows ?? []) : [];
  const counts = new Map(page.data?.counts.map((c) => [c.lane, c.count]));
  return (
    <>
      <div className="page-head">
        <h1>{t("decisions-title")}</h1>
        <span className="soft">{longDate(today)}</span>
        <span className="right">
          <Input
            id="search"
            className="search"
            allowClear
            placeholder={t("decisions-search")}
            aria-label={t("decisions-search")}
            value={typed}
            onChange={(e) => setTyped(e.target.value)}
            onPressEnter={() => {
              // The only one found opens; of several none is guessed.
              const [only, ...more] = page.data?.rows ?? [];
              if (only && more.length === 0 && typed === search && typed !== "")
                void navigate(`/e/${only.episode}`);
            }}
          />
          <Button
            type="primary"
            id="new-patient"
            onClick={() => setAdding(true)}
          >
            {t("new-patient")}
          </Button>
        </span>
      </div>
      <div className="chips" role="group" aria-label={t("decisions-lanes")}>
        {LANES.map((name) => (
          <button
            key={name}
            className="chip"
            aria-pressed={lane === name}
            onClick={() => look({ lane: lane === name ? "" : name })}
          >
            <LaneMark lane={name} size={17} /> {nameOf("lane", name)}{" "}
            <span className="soft">{counts.get(name) ?? 0}</span>
          </button>
        ))}
        <button
          className="chip plainchip"
          id="filter-open"
          aria-expanded={filtering}
          onClick={() => {
            setNarrow(!filtering);
            if (filtering) look({ mine: "", pathway: "", phase: "" });
          }}
        >
          {t(filtering ? "filter-shut" : "filter-open")}
        </button>
      </div>
      {filtering ? (
        <Suspense fallback={<div className="filters" />}>
          <Filters
            places={page.data?.places ?? []}
            mine={mine}
            pathway={pathway}
            phase={phase}
            onLook={look}
          />
        </Suspense>
      ) : null}
      {page.data && page.data.unread.length > 0 && (
        <Suspense fallback={null}>
          <Unread list={page.data.unread} />
        </Suspense>
      )}
      {page.error && <ProblemNote error={page.error} />}
      {!ready && !page.error && <Waiting />}
      {page.data && page.data.behind > 0 && (
        <p className="soft" role="status" id="behind">
          {t("decisions-behind", { count: page.data.behind })}
        </p>
      )}
      {page.data &&
        !page.isPlaceholderData &&
        (search || lane || filtering
          ? page.data.rows.length === 0
          : stillness(page.data.rows)) && (
          <Suspense fallback={null}>
            <Quiet
              active={[...counts.values()].reduce((n, c) => n + c, 0)}
              quiet={counts.get("quiet") ?? 0}
              narrowed={Boolean(search || lane || filtering)}
              onAll={() =>
                look({ q: "", lane: "", mine: "", pathway: "", phase: "" })
              }
            />
          </Suspense>
        )}
      {LANES.map((name) => {
        const rows = shown.filter((r) => r.lane.lane === name);
        if (rows.length === 0) return null;
        return (
          <section className="lane-group" key={name} id={`lane-${name}`}>
            <h2>
              <LaneMark lane={name} /> {nameOf("lane", name)}
            </h2>
            {rows.map((row) => (
              <Row key={row.episode} row={row} onPeek={setPeeked} />
            ))}
          </section>
        );
      })}
      {(places.length > 0 || page.data?.next) && (
        <p>
          <Button
            disabled={places.length === 0}
            onClick={() => setPlaces(places.slice(0, -1))}
          >
            {t("page-before")}
          </Button>{" "}
          <Button
            disabled={!page.data?.next}
            onClick={() =>
              page.data?.next && setPlaces([...places, page.data.next])
            }
          >
            {t("page-after")}
          </Button>
        </p>
      )}
      {peeked && (
        <Suspense fallback={null}>
          <Peek
            key={peeked}
            episode={peeked}
            onClose={() => setPeeked(undefined)}
          />
        </Suspense>
      )}
      {adding && (
        <Suspense fallback={null}>
          <NewPatient today={today} onClose={() => setAdding(false)} />
        </Suspense>
      )}
    </>
  );
}
