import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import Button from "antd/es/button";
import Drawer from "antd/es/drawer";
import Popconfirm from "antd/es/popconfirm";
import { useState } from "react";
import { CopyKey } from "../../app/CopyKey";
import { Notice } from "../../app/Notice";
import { Pending } from "../../app/parts";
import { api, ask, type Schemas } from "../../app/client";
import { queryKeys } from "../../app/queryKeys";
import { shortDate, t } from "../../app/wording";
import { pathTo } from "../../app/pathTo";
import { asked, type SheetForm } from "./SheetForm";

type State = Schemas["HomeLinkState"];

/** What became of the link, in one sentence. */
function said(state: State): string {
  if (!state.made_at || !state.expires_on) return t("home-link-none");
  const until = { date: shortDate(state.expires_on) };
  if (state.over) return t("home-link-over", until);
  if (state.locked) return t("home-link-locked");
  if (state.told_at)
    return t("home-link-told", {
      ...until,
      told: shortDate(state.told_at.slice(0, 10)),
    });
  return t(state.opened_at ? "home-link-opened" : "home-link-made", until);
}

/** The link to the patient's own page: made here, shown once, to be read by the telephone's camera. */
export function PhoneLink({
  episode,
  sheet,
}: {
  episode: string;
  /** How the sheet is printed; nothing while there is none to print. */
  sheet?: SheetForm;
}) {
  const queries = useQueryClient();
  const [preview, setPreview] = useState(false);
  const [made, setMade] = useState<Schemas["HomeLinkMade"]>();
  const params = pathTo(episode);
  const state = useQuery({
    queryKey: queryKeys.homeLink(episode),
    queryFn: () => ask(api.GET("/api/episodes/{id}/home-link", params)),
  });
  const fresh = (now: State) =>
    queries.setQueryData(queryKeys.homeLink(episode), now);
  const make = useMutation({
    mutationFn: () => ask(api.POST("/api/episodes/{id}/home-link", params)),
    onSuccess: (answer) => {
      setMade(answer);
      fresh(answer.state);
    },
  });
  const end = useMutation({
    mutationFn: () => ask(api.DELETE("/api/episodes/{id}/home-link", params)),
    onSuccess: (now) => {
      setMade(undefined);
      fresh(now);
    },
  });
  const print = useMutation({
    mutationFn: async (address: string) => {
      const [, link = ""] = address.split("#");
      const pdf: unknown = await ask(
        api.POST("/api/episodes/{id}/handout.pdf", {
          params: { path: { id: episode }, query: asked(sheet ?? []) },
          body: { link },
          parseAs: "blob",
        }),
      );
      const file = URL.createObjectURL(pdf as Blob);
      const key = document.createElement("a");
      key.href = file;
      key.download = "program.pdf";
      key.click();
      window.setTimeout(() => URL.revokeObjectURL(file), 60_000);
    },
  });
  if (!state.data) return <Pending query={state} />;
  const stands = state.data.made_at !== null;
  const failed = make.error ?? end.error ?? print.error;
  return (
    <section className="sheet" id="phone-link">
      <h2 className="flush below-8">{t("home-link-title")}</h2>
      <p id="phone-link-state">{said(state.data)}</p>
      {made && (
        <div className="phone-link">
          <img
            id="phone-picture"
            alt={t("home-link-picture")}
            src={`data:image/svg+xml,${encodeURIComponent(made.picture)}`}
          />
          <div>
            <p>{t("home-link-how")}</p>
            <p className="small mono" id="phone-address">
              {made.address}
            </p>
            <p className="row wrap">
              <CopyKey text={made.address} />
              {sheet !== undefined && (
                <Button
                  id="phone-sheet"
                  loading={print.isPending}
                  onClick={() => print.mutate(made.address)}
                >
                  {t("home-link-sheet")}
                </Button>
              )}
            </p>
            <p className="soft small">{t("home-link-once")}</p>
          </div>
        </div>
      )}
      {failed && <Notice kind="stop">{failed.message}</Notice>}
      <p className="flush row wrap">
        <Button id="phone-preview" onClick={() => setPreview(true)}>
          {t("home-preview")}
        </Button>
        {stands && !state.data.over ? (
          <>
            <Popconfirm
              title={t("home-link-renew-sure")}
              okText={t("home-link-renew")}
              cancelText={t("cancel")}
              onConfirm={() => make.mutate()}
            >
              <Button id="phone-renew" loading={make.isPending}>
                {t("home-link-renew")}
              </Button>
            </Popconfirm>{" "}
            <Popconfirm
              title={t("home-link-end-sure")}
              okText={t("home-link-end")}
              cancelText={t("cancel")}
              onConfirm={() => end.mutate()}
            >
              <Button danger id="phone-end" loading={end.isPending}>
                {t("home-link-end")}
              </Button>
            </Popconfirm>
          </>
        ) : (
          <Button
            type="primary"
            id="phone-make"
            loading={make.isPending}
            onClick={() => make.mutate()}
          >
            {t("home-link-make")}
          </Button>
        )}
      </p>
      <Drawer
        open={preview}
        onClose={() => setPreview(false)}
        title={t("home-preview")}
        size={480}
        destroyOnHidden
      >
        <p className="soft small">{t("home-preview-lead")}</p>
        <iframe
          className="phone-frame"
          id="phone-frame"
          title={t("home-preview")}
          src={`/h?preview=${episode}`}
        />
      </Drawer>
    </section>
  );
}
