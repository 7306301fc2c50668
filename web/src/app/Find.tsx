import "./stationWords";
import AutoComplete from "antd/es/auto-complete";
import Modal from "antd/es/modal";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { api, ask, type Schemas } from "./client";
import { found, type Hit } from "./found";
import { usePlaces } from "./keys";
import { clock, nameOf, shortDate, t } from "./wording";
import { queryKeys } from "./queryKeys";

/** Rows of one kind that are shown. */
const MOST = 5;

/** Something that is done from anywhere. */
export interface Act {
  /** Id of its name. */
  name: string;
  run: () => void;
}

/** Someone's shoulder in one line: who, born when, which side, how far or since when over. */
function told(s: Schemas["FoundShoulder"]): string {
  const where = s.closed_on
    ? t("find-ended", { date: shortDate(s.closed_on) })
    : clock(s.clock);
  if (s.shut) return `${shortDate(s.birth)} · ${t("find-shut")}`;
  return `${shortDate(s.birth)} · ${nameOf("side", s.side)}, ${nameOf("pathway", s.pathway)} · ${where}`;
}

/** Finds people, stations, exercises, tests and what can be done, from any page. */
export function Find({
  acts,
  episode,
  onClose,
}: {
  acts: Act[];
  /** The patient whose page is open: tests are found in their examination. */
  episode: string | undefined;
  onClose: () => void;
}) {
  const [typed, setTyped] = useState("");
  const navigate = useNavigate();
  const places = usePlaces();
  const people = useQuery({
    queryKey: queryKeys.find(typed),
    queryFn: () =>
      ask(api.GET("/api/find", { params: { query: { search: typed } } })),
    enabled: typed.trim() !== "",
    placeholderData: keepPreviousData,
  });
  const exercises = useQuery({
    queryKey: queryKeys.exercises,
    queryFn: () => ask(api.GET("/api/exercises", { params: { query: {} } })),
    staleTime: 60_000,
  });
  const tests = useQuery({
    queryKey: queryKeys.tests,
    queryFn: () => ask(api.GET("/api/tests")),
    staleTime: Infinity,
    enabled: episode !== undefined,
  });
  const named = (kind: string, ids: string[], to: (id: string) => string) =>
    ids.map((id): Hit => ({
      key: `${kind}-${id}`,
      name: nameOf(kind, id),
      to: to(id),
    }));
  const all: [string, Hit[]][] = [
    [
      "find-people",
      typed.trim() === ""
        ? []
        : (people.data ?? []).map((s) => ({
            key: `person-${s.episode}`,
            name: s.name,
            more: told(s),
            to: `/e/${s.episode}/${s.closed_on ? "timeline" : "visit"}`,
          })),
    ],
    [
      "find-places",
      places.map((p) => ({
        key: `place-${p.letter}`,
        name: t(p.name),
        more: `g ${p.letter}`,
        to: p.to,
      })),
    ],
    [
      "find-acts",
      acts.map((a) => ({ key: `act-${a.name}`, name: t(a.name), run: a.run })),
    ],
    [
      "find-exercises",
      named(
        "exercise",
        exercises.data?.map((e) => e.id) ?? [],
        (id) => `/library/${id}`,
      ),
    ],
    [
      "find-tests",
      named(
        "test",
        tests.data?.map((c) => c.id) ?? [],
        (id) => `/e/${episode ?? ""}/examine?test=${id}`,
      ),
    ],
  ];
  const groups = all
    .map(([title, hits]) => ({ title, ...found(hits, typed, MOST) }))
    .filter((g) => g.hits.length > 0);
  const go = (key: string) => {
    const hit = all.flatMap(([, hits]) => hits).find((h) => h.key === key);
    onClose();
    if (hit?.run) hit.run();
    else if (hit?.to) void navigate(hit.to);
  };
  const busy = people.isFetching || people.data === undefined;
  const nobody =
    typed.trim() !== "" && groups.length === 0
      ? t(busy ? "waiting" : "find-none")
      : null;
  return (
    <Modal
      open
      title={t("find-title")}
      footer={null}
      onCancel={onClose}
      width={640}
      className="find"
      // The field, not the cross, is what somebody who pressed / wants.
      focusTriggerAfterClose={false}
    >
      <div id="find-list">
        <AutoComplete
          id="find-anything"
          autoFocus
          open
          defaultActiveFirstOption
          virtual={false}
          className="fill"
          aria-label={t("find-title")}
          placeholder={t("find-placeholder")}
          value={typed}
          onChange={setTyped}
          onSelect={go}
          notFoundContent={nobody}
          getPopupContainer={() =>
            document.getElementById("find-list") ?? document.body
          }
          // Never scrolls inside the dialog, which scrolls itself.
          listHeight={1_200}
          options={groups.map((g) => ({
            label:
              g.of > g.hits.length
                ? t("find-cut", {
                    what: t(g.title),
                    shown: g.hits.length,
                    of: g.of,
                  })
                : t(g.title),
            options: g.hits.map((h) => ({
              value: h.key,
              label: (
                <span className="find-hit" data-hit={h.key}>
                  <b>{h.name}</b>
                  {h.more && <span className="soft small num">{h.more}</span>}
                </span>
              ),
            })),
          }))}
          filterOption={() => true}
        />
      </div>
    </Modal>
  );
}
