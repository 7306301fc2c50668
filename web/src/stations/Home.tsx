import "../app/stationWords";
import "../../../locales/en/stations/home.ftl?learn";
import { useQuery } from "@tanstack/react-query";
import Button from "antd/es/button";
import { api, ask } from "../app/client";
import { doseInShort } from "../app/dose";
import { Pending } from "../app/parts";
import { useSpoken } from "../app/spoken";
import { capital, nameOf, shortDate, t } from "../app/wording";
import { Link } from "react-router";
import { Notice } from "../app/Notice";
import { queryKeys } from "../app/queryKeys";
import { useDefaults } from "../app/useDefaults";
import { useReady } from "../app/useReady";
import { useState } from "react";
import { Kit } from "./home/Kit";
import { PhoneLink } from "./home/PhoneLink";
import { Reads } from "./home/Reads";
import { Reminders } from "./home/Reminders";
import { asQuery, keptForm, SheetFormChoice } from "./home/SheetForm";

export function Home({ episode }: { episode: string }) {
  const { exercise, say } = useSpoken();
  const clinic = useDefaults();
  const [form, setForm] = useState(keptForm);
  const page = useQuery({
    queryKey: queryKeys.program(episode),
    queryFn: () =>
      ask(
        api.GET("/api/episodes/{id}/program", {
          params: { path: { id: episode } },
        }),
      ),
  });
  const ready = useReady(page.data !== undefined);
  if (!page.data || !ready) return <Pending query={page} />;
  const { chart, signed } = page.data;
  const lines = chart.lines.filter((l) =>
    page.data.running.includes(l.line.id),
  );
  return (
    <>
      <div className="page-head">
        <h1>{t("home-title")}</h1>
        <span className="soft">
          {signed
            ? t("signed-version", {
                version: signed.version,
                date: shortDate(signed.on),
              })
            : t("home-not-signed")}
        </span>
        {signed && (
          <span className="right row wrap">
            <Reads episode={episode} />
            <SheetFormChoice form={form} onChange={setForm} />
            <a href={`/api/episodes/${episode}/program.ics`} id="ics">
              <Button>{t("home-calendar")}</Button>
            </a>
            <a
              href={`/api/episodes/${episode}/handout.pdf${asQuery(form)}`}
              target="_blank"
              rel="noreferrer"
              id="pdf"
            >
              <Button type="primary">{t("home-pdf")}</Button>
            </a>
          </span>
        )}
      </div>
      {!signed && (
        <Notice kind="decide">
          {t("home-sign-first")}{" "}
          <Link to={`/e/${episode}/program`}>{t("nav-program")}</Link>
        </Notice>
      )}
      {signed && !signed.current && (
        <Notice kind="decide">{t("home-edited-since")}</Notice>
      )}
      {page.data.undrawn !== "" && (
        <Notice id="undrawn" kind="decide">
          {t("home-undrawn", { letters: page.data.undrawn })}
        </Notice>
      )}
      {page.data.untried.length > 0 && (
        <Notice id="untried" kind="decide">
          {t("home-untried", { count: page.data.untried.length })}{" "}
          {page.data.untried.map((e) => nameOf("exercise", e)).join(", ")}.{" "}
          <Link to={`/e/${episode}/visit`}>{t("nav-visit")}</Link>
        </Notice>
      )}
      {clinic?.telephone === "" && (
        <Notice id="no-number" kind="decide">
          {t("home-no-number")}{" "}
          <Link to="/clinic/defaults">{t("home-set-number")}</Link>
        </Notice>
      )}
      <PhoneLink
        episode={episode}
        {...(signed?.current ? { sheet: form } : {})}
      />
      <Reminders episode={episode} />
      <Kit episode={episode} kit={page.data.kit} />
      <p className="soft above-22">{t("home-lead")}</p>
      <div className="dials">
        {lines.map(({ line, totals, cues }) => (
          <article key={line.id} className="sheet">
            <img
              src={`/api/episodes/${episode}/figures/${line.exercise}`}
              alt={`${nameOf("exercise", line.exercise)}. ${exercise(line.exercise, "how")}`}
              className="card-figure"
            />
            <h3 className="above-8">{nameOf("exercise", line.exercise)}</h3>
            <p className="num card-dose">
              {doseInShort(line.dose)}, {line.dose.times_per_day}/{t("day")}
            </p>
            <p className="small">
              {exercise(line.exercise, "start")}{" "}
              {exercise(line.exercise, "how")}{" "}
              {cues.map((cue) => t(`cue-${cue}`)).join(" ")}
            </p>
            <p className="soft small">
              {t("minutes-session", { minutes: Math.round(totals.minutes) })}
            </p>
          </article>
        ))}
      </div>
      {lines.length === 0 && <p className="soft">{t("home-no-lines")}</p>}
      <div className="side-by-side above-22">
        {page.data.advice.length > 0 && (
          <section>
            <h2 className="flush below-8">{t("home-advice")}</h2>
            <ul className="flush">
              {page.data.advice.map((a) => (
                <li key={a}>{say(`advice-${a}`)}</li>
              ))}
            </ul>
          </section>
        )}
        {page.data.may.length > 0 && (
          <section>
            <h2 className="flush below-8">{t("home-may")}</h2>
            <ul className="flush">
              {page.data.may.map((m) => (
                <li key={m.id}>
                  {t("home-may-from", {
                    what: t(`may-${m.id}`),
                    day: m.from_day,
                  })}
                </li>
              ))}
            </ul>
          </section>
        )}
      </div>
      <h2 className="flush above-22 below-8">{capital(t("home-arms"))}</h2>
      <p>{say("home-arms-text")}</p>
    </>
  );
}
