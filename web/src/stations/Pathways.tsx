import "../app/stationWords";
import "../../../locales/en/stations/clinic.ftl?learn";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import Button from "antd/es/button";
import Input from "antd/es/input";
import { useEffect, useRef, useState } from "react";
import { api, ask, type Schemas } from "../app/client";
import { SaveMark, type Saver, useSaver } from "../app/entries";
import { useReady } from "../app/useReady";
import { Pending, ProblemNote } from "../app/parts";
import { capital, nameOf, shortDate, t, withUnit } from "../app/wording";
import { Corridor } from "../pictures/Corridor";
import { Notice } from "../app/Notice";
import { queryKeys } from "../app/queryKeys";
import type { TextAreaRef } from "antd/es/input/TextArea";
import { FiveForm } from "./pathways/FiveForm";
import { InsertId } from "./pathways/InsertId";
import { useKept } from "../app/useKept";
import { DraftMark, DraftNotes } from "../app/DraftNotes";
import { useDraft, useDraftKey } from "../app/drafts";

type Page = Schemas["PathwayPage"];
type Row = Schemas["PathwayRow"];
const titleOf = (row: Row) => row.title ?? nameOf("pathway", row.id);

/**
 * Every pathway as a file with what it comes to; a clinic's own are copied, edited under the same checks,
 * versioned, retired.
 */
export default function Pathways({ lead }: { lead: boolean }) {
  const queries = useQueryClient();
  const list = useQuery({
    queryKey: queryKeys.pathways,
    queryFn: () => ask(api.GET("/api/pathways")),
  });
  const [open, setOpen] = useState<string>();
  const shown = useQuery({
    queryKey: queryKeys.pathway(open),
    enabled: open !== undefined,
    queryFn: () =>
      ask(
        api.GET("/api/pathways/{id}", { params: { path: { id: open ?? "" } } }),
      ),
  });
  const [error, setError] = useState<unknown>();
  const [title, setTitle] = useKept("pathway-title", "");
  const file = useRef<HTMLInputElement>(null);
  const saver = useSaver();
  const ready = useReady(list.data !== undefined);
  if (!list.data || !ready) return <Pending query={list} />;
  const keep = (next: Page) => {
    queries.setQueryData(queryKeys.pathway(next.row.id), next);
    void queries.invalidateQueries({ queryKey: queryKeys.pathways });
    setOpen(next.row.id);
  };
  const run = async (work: () => Promise<Page>) => {
    setError(undefined);
    try {
      await saver.run(async () => {
        keep(await work());
        setTitle("");
      });
    } catch (e) {
      setError(e);
    }
  };
  const copy = () =>
    run(() =>
      ask(api.POST("/api/pathways", { body: { base: open ?? "", title } })),
    );
  const bring = async (chosen: File | undefined) => {
    if (!chosen) return;
    const text = await chosen.text();
    const id = /^\s*id\s*=\s*"([^"]+)"/m.exec(text)?.[1] ?? "";
    const before = list.data.find((r) => r.id === id)?.own?.version ?? 0;
    await run(() =>
      ask(
        api.PUT("/api/pathways/{id}", {
          params: { path: { id: id || "own-" } },
          body: { version: before, file: text },
        }),
      ),
    );
  };
  const own = list.data.filter((r) => r.own),
    shipped = list.data.filter((r) => !r.own);
  const entry = (r: Row) => (
    <li key={r.id}>
      <button
        aria-current={r.id === open}
        onClick={() => {
          setOpen(r.id);
          setError(undefined);
        }}
      >
        <span>
          {titleOf(r)}
          {r.own?.retired ? ` (${t("pathway-retired")})` : ""}
        </span>
        <span className="soft small num">
          {r.clock === "none"
            ? t("no-clock")
            : t("weeks-n", { weeks: r.weeks })}
        </span>
      </button>
    </li>
  );
  return (
    <section id="pathways">
      <div className="page-head">
        <h1>{t("pathways-title")}</h1>
        <span className="soft">{t("pathways-lead")}</span>
        <SaveMark state={saver.state} />
        {lead && (
          <span className="right">
            <input
              ref={file}
              type="file"
              accept=".toml,text/plain"
              hidden
              onChange={(e) => {
                void bring(e.target.files?.[0]);
                e.target.value = "";
              }}
            />
            <Button id="bring-pathway" onClick={() => file.current?.click()}>
              {t("pathway-bring")}
            </Button>
          </span>
        )}
      </div>
      <ProblemNote error={error} />
      <div className="pathways">
        <nav aria-label={t("pathways-title")}>
          {own.length > 0 && (
            <>
              <h3>{t("pathways-own")}</h3>
              <ul className="score-list">{own.map(entry)}</ul>
            </>
          )}
          <h3>{t("pathways-shipped")}</h3>
          <ul className="score-list">{shipped.map(entry)}</ul>
        </nav>
        <div>
          {open === undefined && <p className="soft">{t("pathways-empty")}</p>}
          {open !== undefined && !shown.data && <Pending query={shown} />}
          {shown.data && (
            <>
              {lead && !shown.data.row.own && (
                <p className="copy-row">
                  <Input
                    id="copy-title"
                    aria-label={t("pathway-copy-title")}
                    placeholder={t("pathway-copy-title")}
                    value={title}
                    onChange={(e) => setTitle(e.target.value)}
                  />
                  <Button
                    type="primary"
                    id="copy-pathway"
                    disabled={title.trim() === ""}
                    onClick={() => void copy()}
                  >
                    {t("pathway-copy")}
                  </Button>
                </p>
              )}
              <Editor
                key={`${shown.data.row.id}${shown.data.row.own?.version ?? 0}`}
                page={shown.data}
                lead={lead}
                saver={saver}
                onSaved={keep}
              />
            </>
          )}
        </div>
      </div>
    </section>
  );
}

const LINES_SHOWN = 8;

/** The first lines of a file that another does not have. */
function linesOnlyIn(file: string, than: string): string {
  const known = new Set(than.split("\n"));
  const own = file.split("\n").filter((line) => !known.has(line));
  return own.slice(0, LINES_SHOWN).join("\n");
}

function Editor({
  page,
  lead,
  saver,
  onSaved,
}: {
  page: Page;
  lead: boolean;
  saver: Saver;
  onSaved: (p: Page) => void;
}) {
  const draft = useDraft(useDraftKey(`pathway-${page.row.id}`), {
    value: page.file,
    rev: page.row.own?.version ?? 0,
  });
  const { value: text, set: setText } = draft;
  const field = useRef<TextAreaRef>(null);
  const [checked, setChecked] = useState<Page>();
  const [error, setError] = useState<unknown>();
  const path = { params: { path: { id: page.row.id } } };
  const view = checked ?? page,
    version = page.row.own?.version ?? 0;
  const mine = lead && page.row.own;
  useEffect(() => {
    if (text === page.file) {
      setChecked(undefined);
      return;
    }
    let dropped = false;
    // The same checks as at the start of the application, a moment after the last key.
    const wait = window.setTimeout(() => {
      ask(
        api.POST("/api/pathways/{id}/check", {
          ...path,
          body: { version, file: text },
        }),
      ).then(
        (p) => {
          if (!dropped) {
            setChecked(p);
            setError(undefined);
          }
        },
        (e: unknown) => {
          if (!dropped) setError(e);
        },
      );
    }, 350);
    return () => {
      dropped = true;
      window.clearTimeout(wait);
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [text, page.file, version, page.row.id]);
  const run = async (work: () => Promise<Page>) => {
    setError(undefined);
    try {
      await saver.run(async () => onSaved(await work()));
    } catch (e) {
      setError(e);
    }
  };
  return (
    <>
      <h2>
        {titleOf(view.row)}{" "}
        <span className="soft small">
          {view.row.base ? t("pathway-of", { pathway: view.row.base }) : ""}
          {page.row.own
            ? ` · ${t("pathway-version", { version, date: shortDate(page.row.own.made_on) })}`
            : ""}
        </span>
      </h2>
      <p className="soft small num">
        {t("pathway-holds", {
          phases: view.row.phases,
          exercises: view.row.exercises,
          schools: view.row.schools,
        })}{" "}
        · {t("clock-is")} {nameOf("clock", view.row.clock)} · {view.row.source}
      </p>
      <DraftNotes
        draft={draft}
        says={(other) => linesOnlyIn(other, page.file)}
        fieldSays={(_, file) => linesOnlyIn(String(file), page.file)}
      />
      <ProblemNote error={error} />
      <CorridorGrid view={view} />
      <AgainstBase view={view} />
      {view.faults.length > 0 && (
        <Notice role="alert" id="pathway-faults" kind="stop">
          <b>{t("pathway-faults", { count: view.faults.length })}</b>
          <ul>
            {view.faults.slice(0, 12).map((f, i) => (
              <li key={i}>
                <b>{f.row}</b> · {f.field}: {f.problem}
              </li>
            ))}
          </ul>
        </Notice>
      )}
      {mine && (
        <FiveForm
          text={text}
          onText={(next) => {
            saver.touch();
            setText(next);
          }}
        />
      )}
      {mine && (
        <InsertId
          onInsert={(id) => {
            const at = field.current?.resizableTextArea?.textArea;
            const [from, to] = [
              at?.selectionStart ?? text.length,
              at?.selectionEnd ?? text.length,
            ];
            saver.touch();
            setText(text.slice(0, from) + id + text.slice(to));
          }}
        />
      )}
      <Input.TextArea
        ref={field}
        className="file"
        id="pathway-file"
        spellCheck={false}
        aria-label={t("pathway-file")}
        readOnly={!mine}
        value={text}
        onChange={(e) => {
          saver.touch();
          setText(e.target.value);
        }}
        rows={22}
      />
      <p className="file-do">
        {mine && (
          <Button
            type="primary"
            id="save-pathway"
            disabled={
              text === page.file || view.faults.length > 0 || saver.busy
            }
            onClick={() =>
              void run(async () => {
                const next = await ask(
                  api.PUT("/api/pathways/{id}", {
                    ...path,
                    body: { version, file: text },
                  }),
                );
                draft.handedIn(text, next.row.own?.version ?? 0);
                return next;
              })
            }
          >
            {t("pathway-save", { version: version + 1 })}
          </Button>
        )}
        {mine && (
          <Button
            id="retire-pathway"
            onClick={() =>
              void run(() => ask(api.POST("/api/pathways/{id}/retire", path)))
            }
          >
            {page.row.own?.retired
              ? t("pathway-unretire")
              : t("pathway-retire")}
          </Button>
        )}
        <a
          href={`data:text/plain;charset=utf-8,${encodeURIComponent(page.file)}`}
          download={`${page.row.id}.toml`}
        >
          {t("pathway-take")}
        </a>
        <DraftMark draft={draft} />
        <span className="soft small">{t("pathway-sums")}</span>
      </p>
    </>
  );
}

/** The corridors of a pathway, small. */
function CorridorGrid({ view }: { view: Page }) {
  const end = Math.max(
    84,
    ...view.corridors.flatMap((c) => c.bands.map((b) => b.to_day)),
  );
  return (
    <div className="corridor-grid">
      {view.corridors.slice(0, 6).map((c) => (
        <figure key={c.quantity}>
          <figcaption className="small">
            {capital(nameOf("short", c.quantity))}
          </figcaption>
          <Corridor
            view={{
              quantity: c.quantity,
              unit: c.quantity === "hand-behind-back" ? "level" : "deg",
              reference: 0,
              error: 0,
              bands: c.bands,
              measurements: [],
              other_side: null,
            }}
            today={-1}
            from={0}
            to={end}
            width={268}
            height={92}
            label={nameOf("quantity", c.quantity)}
          />
        </figure>
      ))}
    </div>
  );
}

/** What differs from the pathway it was copied from; looser rows say so. */
function AgainstBase({ view }: { view: Page }) {
  if (view.against_base.length === 0) return null;
  const value = (v: number | null | undefined, kind: string, what: string) =>
    v == null
      ? t("ceiling-gone")
      : kind === "ceiling"
        ? withUnit(what, v)
        : t("week-day-short", { week: Math.floor(v / 7), day: v });
  return (
    <table className="criteria moved" id="against-base">
      <thead>
        <tr>
          <th>{t("pathway-differs")}</th>
          <th>{t("what-base")}</th>
          <th>{t("what-own")}</th>
          <th />
        </tr>
      </thead>
      <tbody>
        {view.against_base.map((a, i) => (
          <tr key={i}>
            <td>
              {a.kind === "ceiling"
                ? `${capital(nameOf("short", a.what))}, ${t("day-n", { day: a.day })}`
                : nameOf("phase", a.what)}
            </td>
            <td className="num">{value(a.base, a.kind, a.what)}</td>
            <td className="num">
              <b>{value(a.own, a.kind, a.what)}</b>
            </td>
            <td>
              {a.looser ? (
                <span className="looser">{t("pathway-looser")}</span>
              ) : (
                <span className="soft">{t("pathway-tighter")}</span>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
