import Button from "antd/es/button";
import Form from "antd/es/form";
import Input from "antd/es/input";
import Popconfirm from "antd/es/popconfirm";
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Choose } from "../../app/Choose";
import { api, ask, newId, type Schemas } from "../../app/client";
import { DateInput } from "../../app/DateInput";
import { SaveMark, useSaver } from "../../app/entries";
import { faultAt, ProblemNote } from "../../app/parts";
import { Nothing } from "../../app/Nothing";
import { shortDate, t } from "../../app/wording";
import { queryKeys, renew } from "../../app/queryKeys";
import { useKept } from "../../app/useKept";

type Page = Schemas["PeoplePage"];

interface Cover {
  away: string;
  covers: string;
  from: string;
  until: string;
  words: string;
}

/** Covers that run or come, and a new one. */
export function Covers({
  page,
  today,
  me,
}: {
  page: Page;
  today: string;
  me: string;
}) {
  const queries = useQueryClient();
  const saver = useSaver();
  const [error, setError] = useState<unknown>();
  const [id, setId] = useState(newId);
  const blank = { away: me, covers: "", from: today, until: "", words: "" };
  const [form, setForm] = useKept<Cover>("cover", blank);
  const set = (part: Partial<Cover>) => setForm((now) => ({ ...now, ...part }));
  const name = (who: string) =>
    page.people.find((p) => p.id === who)?.name ?? who;
  const choices = page.people
    .filter((p) => p.treats)
    .map((p) => ({ value: p.id, label: p.name }));
  const send = (work: () => Promise<Page>, done?: () => void) => {
    setError(undefined);
    void saver
      .run(async () => {
        queries.setQueryData(queryKeys.people, await work());
        renew(queries, ["day-list", "visit"]);
        done?.();
      })
      .catch(setError);
  };
  const item = (field: keyof Cover) => {
    const fault = faultAt(error, field);
    return fault
      ? ({ validateStatus: "error", help: fault } as const)
      : ({} as const);
  };
  return (
    <section className="block" id="covers">
      <h2>{t("cover-title")}</h2>
      <ProblemNote error={error} />
      {page.covers.length === 0 && <Nothing says={t("cover-none")} />}
      {page.covers.map((c) => (
        <div key={c.id} className="flag-row" data-cover={c.id}>
          <span>
            <b>{name(c.covers)}</b> {t("cover-for", { person: name(c.away) })}{" "}
            <span className="num">
              {shortDate(c.from)} – {shortDate(c.until)}
            </span>
            {c.words && <span className="drawn small soft pre">{c.words}</span>}
          </span>
          <Popconfirm
            title={t("cover-end-ask")}
            okText={t("cover-end")}
            cancelText={t("cancel")}
            onConfirm={() =>
              send(() =>
                ask(
                  api.POST("/api/covers/{id}/end", {
                    params: { path: { id: c.id } },
                  }),
                ),
              )
            }
          >
            <Button size="small">{t("cover-end")}</Button>
          </Popconfirm>
        </div>
      ))}
      <h3 className="above-14">{t("cover-new")}</h3>
      <Form
        layout="vertical"
        className="cover-form"
        onFinish={() =>
          send(
            () => ask(api.POST("/api/covers", { body: { id, ...form } })),
            () => {
              setId(newId());
              setForm(blank);
            },
          )
        }
      >
        <Form.Item label={t("cover-away")} htmlFor="away" {...item("away")}>
          <Choose
            id="away"
            value={form.away}
            options={choices}
            onChange={(away) => set({ away })}
          />
        </Form.Item>
        <Form.Item
          label={t("cover-by")}
          htmlFor="covers-by"
          {...item("covers")}
        >
          <Choose
            id="covers-by"
            value={form.covers || null}
            placeholder={t("handover-choose")}
            options={choices.filter((p) => p.value !== form.away)}
            onChange={(covers) => set({ covers })}
          />
        </Form.Item>
        <Form.Item
          label={t("cover-from")}
          htmlFor="cover-from"
          {...item("from")}
        >
          <DateInput
            id="cover-from"
            required
            value={form.from}
            onChange={(from) => set({ from })}
          />
        </Form.Item>
        <Form.Item
          label={t("cover-until")}
          htmlFor="cover-until"
          {...item("until")}
        >
          <DateInput
            id="cover-until"
            earliest={today}
            value={form.until}
            onChange={(until) => set({ until })}
          />
        </Form.Item>
        <Form.Item
          className="wide"
          label={t("cover-words")}
          htmlFor="cover-words"
          {...item("words")}
        >
          <Input.TextArea
            id="cover-words"
            maxLength={1000}
            rows={2}
            value={form.words}
            onChange={(e) => set({ words: e.target.value })}
          />
        </Form.Item>
        <p className="row flush wide">
          <Button
            type="primary"
            htmlType="submit"
            id="cover-keep"
            disabled={!form.covers || !form.until || saver.busy}
          >
            {t("cover-keep")}
          </Button>
          <SaveMark state={saver.state} />
        </p>
      </Form>
    </section>
  );
}
