import { Choose } from "../../app/Choose";
import Button from "antd/es/button";
import Input from "antd/es/input";
import { useState } from "react";
import type { Schemas } from "../../app/client";
import { NumberField } from "../../app/NumberField";
import type { Typed } from "../../app/numbers";
import { nameOf, sentence, t } from "../../app/wording";
import { Beam, BeamScale, BeamSteps, percent } from "../../pictures/Beam";
import type { OnNote, View } from "./types";
import { useKept } from "../../app/useKept";

const BEAM = 356;

/** Every hypothesis as a beam; one of them opened with its steps. */
export function Beams({ view, onNote }: { view: View; onNote: OnNote }) {
  const [open, setOpen] = useState<string>();
  const rows = [...view.hypotheses].sort(
    (a, b) =>
      Number(b.steps.length > 0) - Number(a.steps.length > 0) ||
      b.probability - a.probability,
  );
  return (
    <section className="block" id="beams">
      <h2>
        {t("read-beams")} <span className="soft small">{t("read-scale")}</span>
      </h2>
      <div className="beam-row head">
        <span />
        <BeamScale width={BEAM} />
        <span />
      </div>
      {rows.map((h) => (
        <Block
          key={h.hypothesis}
          h={h}
          open={open === h.hypothesis}
          onOpen={() =>
            setOpen(open === h.hypothesis ? undefined : h.hypothesis)
          }
          onNote={onNote}
        />
      ))}
      <p className="soft small">{t("read-legend")}</p>
    </section>
  );
}

function Block({
  h,
  open,
  onOpen,
  onNote,
}: {
  h: Schemas["HypothesisView"];
  open: boolean;
  onOpen: () => void;
  onNote: OnNote;
}) {
  return (
    <div
      className={`beam-block${open ? " open" : ""}`}
      data-hypothesis={h.hypothesis}
      data-word={h.word}
    >
      <button
        className="beam-row"
        aria-expanded={open}
        onClick={() => onOpen()}
      >
        <span className="name">{nameOf("hypothesis", h.hypothesis)}</span>
        {h.withheld ? (
          <span className="soft small withheld">
            {h.why.map(sentence).join(" ")}
          </span>
        ) : (
          <Beam
            view={h}
            width={BEAM}
            label={`${nameOf("hypothesis", h.hypothesis)}: ${percent(h.probability)}, ${nameOf("word", h.word)}`}
          />
        )}
        <span className="num">
          {h.withheld ? (
            <b>{t("read-withheld")}</b>
          ) : (
            <>
              <b>{percent(h.probability)}</b>{" "}
              <span className="soft">{nameOf("word", h.word)}</span>
            </>
          )}
        </span>
      </button>
      {open && (
        <div className="beam-open">
          <ul className="plainlist">
            {[...h.why, ...h.conflicts].map((r) => (
              <li key={sentence(r)}>{sentence(r)}</li>
            ))}
          </ul>
          {!h.withheld && <BeamSteps view={h} width={250} />}
          <Sources view={h} />
          <Own
            hypothesis={h.hypothesis}
            probability={h.pre.probability}
            onNote={onNote}
          />
        </div>
      )}
    </div>
  );
}

/** What was published of each test behind a beam. */
function Sources({ view }: { view: Schemas["HypothesisView"] }) {
  const tests = view.steps.flatMap((s) => s.tests);
  if (tests.length === 0) return null;
  return (
    <table className="criteria sources">
      <thead>
        <tr>
          <th>{t("test")}</th>
          <th>{t("sensitivity")}</th>
          <th>{t("specificity")}</th>
          <th>{t("alone")}</th>
          <th>{t("source")}</th>
        </tr>
      </thead>
      <tbody>
        {tests.map((x) => (
          <tr key={x.test}>
            <td>
              {nameOf("test", x.test)} {x.positive ? "+" : "−"}
            </td>
            <td className="num">{Math.round(x.sensitivity * 100)} %</td>
            <td className="num">{Math.round(x.specificity * 100)} %</td>
            <td className="num">× {Number(x.ratio_alone.toPrecision(2))}</td>
            <td className="small soft">
              {[x.source, ...(x.further ?? [])].join(" + ")},{" "}
              {t("from-memory", { confidence: x.confidence })}
              {x.assumed_counts ? `, ${t("assumed-counts")}` : ""}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** The clinician's own pre-test probability, and what imaging has shown. */
function Own({
  hypothesis,
  probability,
  onNote,
}: {
  hypothesis: string;
  probability: number;
  onNote: OnNote;
}) {
  const [own, setOwn] = useState<Typed>(null);
  const [why, setWhy] = useKept(`own-why-${hypothesis}`, "");
  const [by, setBy] = useState<Schemas["Evidence"]>("ultrasound");
  return (
    <div className="own">
      <NumberField
        label={t("own-pre-test")}
        rule={{ min: 1, max: 99, decimals: 1, unit: "%" }}
        placeholder={String(Math.round(probability * 100))}
        value={own}
        onValue={setOwn}
      />
      <Input
        aria-label={t("own-why")}
        placeholder={t("own-why")}
        value={why}
        onChange={(e) => setWhy(e.target.value)}
        className="w-190"
      />
      <Button
        size="small"
        disabled={own == null}
        onClick={() =>
          own != null &&
          void onNote({
            kind: "pre_test",
            hypothesis,
            probability: Math.round(own * 10) / 1000,
            reason: why,
          }).then((kept) => kept && setWhy(""))
        }
      >
        {t("own-set")}
      </Button>
      <span className="gap" />
      <Choose
        className="w-150"
        aria-label={t("known-by")}
        value={by}
        onChange={(b) => setBy(b as Schemas["Evidence"])}
        options={["radiograph", "ultrasound", "mri", "operation"].map((b) => ({
          value: b,
          label: nameOf("by", b),
        }))}
      />
      <Button
        size="small"
        onClick={() =>
          void onNote({ kind: "known", about: hypothesis, present: true, by })
        }
      >
        {t("known-shown")}
      </Button>
      <Button
        size="small"
        onClick={() =>
          void onNote({ kind: "known", about: hypothesis, present: false, by })
        }
      >
        {t("known-excluded")}
      </Button>
    </div>
  );
}
