import "../app/stationWords";
import "../../../locales/en/stations/library.ftl?learn";
import Input from "antd/es/input";
import { Choose } from "../app/Choose";
import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { Link, useParams, useSearchParams } from "react-router";
import { api, ask, type Schemas } from "../app/client";
import { Pending } from "../app/parts";
import { capital, nameOf, t } from "../app/wording";
import { Bench } from "./Bench";
import { Notice } from "../app/Notice";
import { queryKeys } from "../app/queryKeys";
import { useReady } from "../app/useReady";

type Card = Schemas["ExerciseCard"];
const PURPOSES = [
  "settle",
  "move",
  "control",
  "strengthen",
  "load",
  "return",
] as const;

/** The library: every exercise with its figure and what it asks; one of them opened on the bench. */
export default function Library() {
  const { exercise } = useParams();
  const cards = useQuery({
    queryKey: queryKeys.exercises,
    queryFn: () => ask(api.GET("/api/exercises", { params: { query: {} } })),
    staleTime: 60_000,
  });
  const ready = useReady(cards.data !== undefined);
  if (!cards.data || !ready) return <Pending query={cards} />;
  return exercise ? (
    <Bench key={exercise} id={exercise} cards={cards.data} />
  ) : (
    <Shelf cards={cards.data} />
  );
}

function Shelf({ cards }: { cards: Card[] }) {
  const [params, setParams] = useSearchParams();
  const [text, setText] = useState(params.get("q") ?? "");
  const pick = {
    ladder: params.get("ladder") ?? "",
    purpose: params.get("purpose") ?? "",
    attitude: params.get("attitude") ?? "",
    kit: params.get("kit") ?? "",
  };
  const sort = params.get("sort") ?? "ladder";
  const set = (name: string, value: string) =>
    setParams(
      (now) => {
        const next = new URLSearchParams(now);
        if (value === "") next.delete(name);
        else next.set(name, value);
        return next;
      },
      { replace: true },
    );
  const names = useMemo(
    () => new Map(cards.map((c) => [c.id, nameOf("exercise", c.id)])),
    [cards],
  );
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const fits = (c: Card, without = "") =>
    (without === "ladder" || !pick.ladder || c.ladder === pick.ladder) &&
    (without === "purpose" || !pick.purpose || c.purpose === pick.purpose) &&
    (without === "attitude" ||
      !pick.attitude ||
      c.attitude === pick.attitude) &&
    (without === "kit" ||
      !pick.kit ||
      (pick.kit === "nothing"
        ? c.kit.length === 0
        : c.kit.includes(pick.kit))) &&
    words.every((w) =>
      `${names.get(c.id) ?? ""} ${c.id} ${nameOf("ladder", c.ladder)}`
        .toLowerCase()
        .includes(w),
    );
  const shown = cards.filter((c) => fits(c));
  const ladders = [...new Set(cards.map((c) => c.ladder))].sort((a, b) =>
    nameOf("ladder", a).localeCompare(nameOf("ladder", b)),
  );
  const groups =
    sort === "load"
      ? [
          {
            title: t("library-by-load"),
            cards: [...shown].sort(
              (a, b) => (a.peak_nm ?? -1) - (b.peak_nm ?? -1),
            ),
          },
        ]
      : ladders
          .map((ladder) => ({
            title: nameOf("ladder", ladder),
            cards: shown
              .filter((c) => c.ladder === ladder)
              .sort((a, b) => a.rung - b.rung),
          }))
          .filter((g) => g.cards.length > 0);
  const choices = (name: "purpose" | "attitude" | "kit", values: string[]) => (
    <fieldset>
      <legend>{t(`library-${name}`)}</legend>
      {values.map((value) => {
        const count = cards.filter(
          (c) =>
            fits(c, name) &&
            (name === "kit"
              ? value === "nothing"
                ? c.kit.length === 0
                : c.kit.includes(value)
              : c[name] === value),
        ).length;
        return (
          <button
            key={value}
            className="pick"
            aria-pressed={pick[name] === value}
            disabled={count === 0 && pick[name] !== value}
            onClick={() => set(name, pick[name] === value ? "" : value)}
          >
            <span>
              {value === "nothing" ? t("library-no-kit") : nameOf(name, value)}
            </span>
            <span className="num soft">{count}</span>
          </button>
        );
      })}
    </fieldset>
  );
  return (
    <div id="library">
      <div className="page-head">
        <h1>{t("nav-library")}</h1>
        <span className="soft num" id="count">
          {t("library-count", { shown: shown.length, count: cards.length })}
        </span>
        <span className="right" role="group" aria-label={t("library-order")}>
          {(["ladder", "load"] as const).map((s) => (
            <button
              key={s}
              className="chip plainchip"

              aria-pressed={sort === s}
              onClick={() => set("sort", s === "ladder" ? "" : s)}
            >
              {t(`library-sort-${s}`)}
            </button>
          ))}
        </span>
      </div>
      <div className="library">
        <aside>
          <Input
            id="find"
            type="search"
            allowClear
            placeholder={t("library-find")}
            aria-label={t("library-find")}
            value={text}
            onChange={(e) => {
              setText(e.target.value);
              set("q", e.target.value);
            }}
          />
          <div className="above-12">
            <Choose
              aria-label={t("library-ladder")}
              value={pick.ladder}
              onChange={(ladder) => set("ladder", ladder)}
              options={[
                { value: "", label: t("library-all") },
                ...ladders.map((l) => ({
                  value: l,
                  label: nameOf("ladder", l),
                })),
              ]}
            />
          </div>
          {choices("purpose", [...PURPOSES])}
          {choices("attitude", [...new Set(cards.map((c) => c.attitude))])}
          {choices("kit", ["nothing", ...new Set(cards.flatMap((c) => c.kit))])}
        </aside>
        <div>
          {groups.length === 0 && <Notice>{t("library-none")}</Notice>}
          {groups.map((g) => (
            <section key={g.title} className="shelf">
              <h2>
                {capital(g.title)}{" "}
                <span className="soft small num">{g.cards.length}</span>
              </h2>
              <div className="cards">
                {g.cards.map((c) => (
                  <Link
                    key={c.id}
                    className="excard"
                    to={`/library/${c.id}`}
                    data-exercise={c.id}
                  >
                    <img
                      loading="lazy"
                      alt=""
                      src={`/api/exercises/${c.id}/figure`}
                    />
                    <b>{names.get(c.id)}</b>
                    <span className="soft small">
                      {nameOf("purpose", c.purpose)}, {nameOf("level", c.level)}
                      {c.peak_nm != null && (
                        <span className="num">
                          , {c.peak_nm.toFixed(1)} N·m
                        </span>
                      )}
                    </span>
                  </Link>
                ))}
              </div>
            </section>
          ))}
          <p className="soft small">{t("library-body")}</p>
        </div>
      </div>
    </div>
  );
}
