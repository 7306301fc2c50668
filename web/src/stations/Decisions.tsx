import { keepPreviousData, useQuery } from "@tanstack/react-query";
import Button from "antd/es/button";
import Input from "antd/es/input";
import {
  lazy,
  Suspense,
  useCallback,
  useEffect,
  useRef,
  useState,
} from "react";
import { Link, useNavigate, useSearchParams } from "react-router";
import { api, ask, type Schemas } from "../app/client";
import { ProblemNote, Waiting } from "../app/parts";
import { capital, nameOf, sentence, t } from "../app/wording";
import { Corridor } from "../pictures/Corridor";
import { LaneMark } from "../pictures/Marks";

const NewPatient = lazy(() =>
  import("./NewPatient").then((m) => ({ default: m.NewPatient })),
);

const LANES = [
  "something_is_wrong",
  "too_far",
  "gate_due",
  "too_stiff",
  "re_measure",
  "quiet",
] as const;
type LaneName = (typeof LANES)[number];

export default function Decisions({ today }: { today: string }) {
  // What is looked for stands in the address: it survives a reload, and can be sent to a colleague.
  const [params, setParams] = useSearchParams();
  const navigate = useNavigate();
  const search = params.get("q") ?? "";
  const lane = LANES.find((name) => name === params.get("lane"));
  const [typed, setTyped] = useState(search);
  // An address that changed by itself, by a link or the way back, shows what it looks for.
  const pushed = useRef(search);
  useEffect(() => {
    if (search === pushed.current) return;
    pushed.current = search;
    setTyped(search);
  }, [search]);
  const look = useCallback(
    (q: string, of: LaneName | undefined) =>
      setParams(
        { ...(q ? { q } : {}), ...(of ? { lane: of } : {}) },
        { replace: true },
      ),
    [setParams],
  );
  // Where each page so far began: a page is turned back to where it was, whoever came or went meanwhile.
  const [places, setPlaces] = useState<string[]>([]);
  const after = places.at(-1);
  const [adding, setAdding] = useState(false);
  // A reason may name an exercise; the names come after the list, which does not wait for them.
  const [, setNamed] = useState(false);
  useEffect(() => {
    void import("../app/stationWords").then(() => setNamed(true));
  }, []);
  useEffect(() => {
    if (typed === search) return;
    const timer = window.setTimeout(() => {
      pushed.current = typed;
      look(typed, lane);
      setPlaces([]);
    }, 160);
    return () => window.clearTimeout(timer);
  }, [typed, search, lane, look]);
  const page = useQuery({
    queryKey: ["day-list", search, lane, after],
    queryFn: () =>
      ask(
        api.GET("/api/day-list", {
          params: {
            query: {
              search,
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
  const counts = new Map(page.data?.counts.map((c) => [c.lane, c.count]));
  return (
    <>
      <div className="page-head">
        <h1>{t("decisions-title")}</h1>
        <span className="soft">
          {new Date(`${today}T12:00`).toLocaleDateString("en-GB", {
            weekday: "long",
            day: "numeric",
            month: "long",
            year: "numeric",
          })}
        </span>
        <span className="right">
          <label className="soft small" htmlFor="search">
            <kbd>/</kbd>
          </label>
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
            onClick={() => {
              look(search, lane === name ? undefined : name);
              setPlaces([]);
            }}
          >
            <LaneMark lane={name} size={17} /> {nameOf("lane", name)}{" "}
            <span className="soft">{counts.get(name) ?? 0}</span>
          </button>
        ))}
      </div>
      {page.error && <ProblemNote error={page.error} />}
      {!page.data && !page.error && <Waiting />}
      {page.data && page.data.behind > 0 && (
        <p className="soft" role="status" id="behind">
          {t("decisions-behind", { count: page.data.behind })}
        </p>
      )}
      {page.data?.rows.length === 0 && (
        <p className="soft">
          {search || lane ? t("decisions-none-found") : t("decisions-empty")}
        </p>
      )}
      {LANES.map((name) => {
        const rows = page.data?.rows.filter((r) => r.lane.lane === name) ?? [];
        if (rows.length === 0) return null;
        return (
          <section className="lane-group" key={name} id={`lane-${name}`}>
            <h2>
              <LaneMark lane={name} /> {nameOf("lane", name)}
            </h2>
            {rows.map((row) => (
              <Row key={row.episode} row={row} />
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
      {adding && (
        <Suspense fallback={null}>
          <NewPatient today={today} onClose={() => setAdding(false)} />
        </Suspense>
      )}
    </>
  );
}

function Row({ row }: { row: Schemas["DecisionRow"] }) {
  const { lane } = row;
  const c = row.clock;
  const from = Math.max(0, c.day - 35),
    to = from + 63;
  return (
    <Link
      className="lane-row"
      to={`/e/${row.episode}/visit`}
      data-lane={lane.lane}
    >
      <span className="who">
        <b>{row.name}</b>
        <br />
        <span className="soft small">
          {capital(row.work)}, {nameOf("side", row.side)}
        </span>
      </span>
      <span className="weeks num">
        <b>{t("weeks-days", { weeks: c.weeks, days: c.days })}</b>{" "}
        <span className="soft small">{t("day-n", { day: c.day })}</span>
      </span>
      <span>{sentence(lane.reason)}</span>
      <span className="small">
        {lane.next_gate ? (
          <>
            {t("next-gate")}{" "}
            <b className="num">
              {lane.next_gate.met}/{lane.next_gate.total}
            </b>
            <br />
            <span className="soft">
              {nameOf("gate", lane.next_gate.gate)},{" "}
              {t("day-n", { day: lane.next_gate.opens_day })}
            </span>
          </>
        ) : lane.corridor ? (
          t("no-gate")
        ) : (
          ""
        )}
      </span>
      <span>
        {lane.corridor && (
          <Corridor
            tiny
            view={lane.corridor}
            today={c.day}
            from={from}
            to={to}
            width={186}
            height={46}
            label={nameOf("quantity", lane.corridor.quantity)}
          />
        )}
      </span>
    </Link>
  );
}
