import "../../app/stationWords";
import "../../../../locales/en/stations/visit.ftl?learn";
import { useQueryClient } from "@tanstack/react-query";
import Drawer from "antd/es/drawer";
import { useState } from "react";
import { Link } from "react-router";
import { SaveMark, useEntry } from "../../app/entries";
import { Pending, ProblemNote } from "../../app/parts";
import { clock, nameOf, t } from "../../app/wording";
import { Decide } from "../Decide";
import { Gate } from "../visit/Gate";
import { Notices } from "../visit/Notices";
import { RangeStrip } from "../visit/RangeStrip";
import type { Post } from "../visit/post";
import { postTo } from "../visit/postTo";
import { useVisitPage } from "../visit/useVisitPage";

/** What a shoulder needs today, beside the list: looked at, measured and decided without leaving it. */
export function Peek({
  episode,
  onClose,
}: {
  episode: string;
  onClose: () => void;
}) {
  const queries = useQueryClient();
  const page = useVisitPage(episode);
  const { keep, state, error } = useEntry(episode);
  const [open, setOpen] = useState(true);
  const post: Post = postTo(keep, queries, episode);
  return (
    <Drawer
      open={open}
      size={640}
      title={page.data ? page.data.name : t("waiting")}
      onClose={() => setOpen(false)}
      afterOpenChange={(shown) => {
        if (!shown) onClose();
      }}
      extra={
        <Link id="peek-visit" to={`/e/${episode}/visit`}>
          {t("peek-visit")}
        </Link>
      }
    >
      {page.data ? (
        <div id="peek">
          <p className="num heavy flush">
            {clock(page.data.view.clock)}{" "}
            <span className="soft">
              {page.data.view.phase
                ? nameOf("phase", page.data.view.phase)
                : ""}
            </span>{" "}
            <SaveMark state={state} />
          </p>
          <ProblemNote error={error} />
          <Notices episode={episode} view={page.data.view} />
          <RangeStrip
            episode={episode}
            view={page.data.view}
            today={page.data.today}
            post={post}
          />
          {page.data.view.gate?.due && (
            <Gate
              episode={episode}
              gate={page.data.view.gate}
              far={page.data.view.contact}
              today={page.data.today}
              post={post}
            />
          )}
          <Decide
            day={page.data.view.clock.day}
            decisions={page.data.view.decisions}
            lines={page.data.lines}
            decided={page.data.decided}
            today={page.data.today}
            post={post}
          />
        </div>
      ) : (
        <Pending query={page} />
      )}
    </Drawer>
  );
}
