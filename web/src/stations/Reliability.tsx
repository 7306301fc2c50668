import "../app/stationWords";
import "../../../locales/en/stations/clinic.ftl?learn";
import Input from "antd/es/input";
import { Choose } from "../app/Choose";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import Button from "antd/es/button";
import { useEffect, useState } from "react";
import { api, ask, newId, type Schemas } from "../app/client";
import { Field } from "../app/Field";
import { useReady } from "../app/useReady";
import { Pending, ProblemNote } from "../app/parts";
import { SaveMark, useSaver } from "../app/entries";
import { faultOf, type Rule, useBounds, valueOf } from "../app/numbers";
import { capital, nameOf, shortDate, t } from "../app/wording";
import { queryKeys } from "../app/queryKeys";
import { useKept } from "../app/useKept";
import { useTold } from "../app/useTold";

/** Degrees to a tenth. */
const degrees = (value: number) =>
  t("measured-deg", { value: value.toFixed(1) });

type Result = Schemas["Reliability"];
const ROWS = 6,
  COLUMNS = 3;
const NOT_RATED: string[][] = Array.from({ length: ROWS }, () =>
  Array.from({ length: COLUMNS }, () => ""),
);

/** A rating where the server's bounds are not there yet: it judges. */
const OPEN: Rule = { min: -360, max: 360, decimals: 1 };

/**
 * What was pasted or typed, as numbers: rows that are empty are left out. A cell that may not be kept is
 * `undefined`.
 */
function numbers(cells: string[][], rule: Rule): (number | undefined)[][] {
  return cells
    .map((row) =>
      row
        .filter((c) => c.trim() !== "")
        .map((c) => valueOf(c, rule) ?? undefined),
    )
    .filter((row) => row.length > 0);
}

/** Raters' repeated measurements of the same people: what a change must exceed in this clinic. */
export function Reliability({ lead }: { lead: boolean }) {
  const queries = useQueryClient();
  const bench = useQuery({
    queryKey: queryKeys.bench,
    queryFn: () => ask(api.GET("/api/reliability")),
  });
  const [quantity, setQuantity] = useState("passive-elevation");
  const [cells, setCells] = useKept("ratings", NOT_RATED);
  const [result, setResult] = useState<Result>();
  const [error, setError] = useState<unknown>();
  const [tell, place] = useTold();
  const saver = useSaver();
  const rule = useBounds()("rating") ?? OPEN;
  const table = numbers(cells, rule);
  const whole =
    table.length >= 3 &&
    table.every(
      (r) =>
        r.length === table[0]?.length &&
        r.length >= 2 &&
        r.every((x) => x !== undefined),
    );
  const ratings = whole ? (table as number[][]) : [];
  const key = whole ? JSON.stringify(ratings) : "";
  useEffect(() => {
    if (key === "") {
      setResult(undefined);
      return;
    }
    let dropped = false;
    setError(undefined);
    ask(
      api.POST("/api/reliability/judge", {
        body: { ratings: JSON.parse(key) as number[][] },
      }),
    ).then(
      (r) => {
        if (!dropped) setResult(r);
      },
      (e: unknown) => {
        if (!dropped) {
          setResult(undefined);
          setError(e);
        }
      },
    );
    return () => {
      dropped = true;
    };
  }, [key]);
  const ready = useReady(bench.data !== undefined);
  if (!bench.data || !ready) return <Pending query={bench} />;
  const keep = async () => {
    setError(undefined);
    try {
      await saver.run(async () => {
        await ask(
          api.POST("/api/reliability", {
            body: { id: newId(), quantity, ratings },
          }),
        );
        tell(t("agree-kept", { quantity }));
        setCells(NOT_RATED);
        await queries.invalidateQueries();
      });
    } catch (e) {
      setError(e);
    }
  };
  const row = bench.data.quantities.find((q) => q.id === quantity);
  return (
    <div id="bench">
      <div className="page-head">
        <h1>{t("agree-title")}</h1>
        <span className="soft">{t("agree-lead")}</span>
      </div>
      <ProblemNote error={error} />
      {place}
      <div className="two">
        <section className="sheet">
          <Field label={t("limit-movement")} name="quantity">
            <Choose
              id="bench-quantity"
              className="w-330"
              value={quantity}
              onChange={setQuantity}
              options={bench.data.quantities.map((q) => ({
                value: q.id,
                label: capital(nameOf("quantity", q.id)),
              }))}
            />
          </Field>
          <Ratings
            cells={cells}
            rule={rule}
            onCells={(next) => {
              saver.touch();
              setCells(next);
            }}
          />
        </section>
        <section>
          {result ? (
            <Verdict result={result} cells={ratings} quantity={row} />
          ) : (
            <p className="soft">{t("agree-empty")}</p>
          )}
          {result && lead && (
            <p>
              <Button
                type="primary"
                id="keep-bench"
                disabled={saver.busy}
                onClick={() => void keep()}
              >
                {t("agree-keep")}
              </Button>{" "}
              <SaveMark state={saver.state} />
            </p>
          )}
          <h2 className="size-17 above-22">{t("agree-own")}</h2>
          {bench.data.own.length === 0 && (
            <p className="soft">{t("agree-none")}</p>
          )}
          {bench.data.own.map((o) => (
            <p key={o.quantity} className="num">
              {capital(nameOf("quantity", o.quantity))}:{" "}
              {t("agree-own-row", {
                sem: o.sem.toFixed(1),
                same: o.sem_same_rater.toFixed(1),
                date: shortDate(o.on),
              })}
            </p>
          ))}
        </section>
      </div>
    </div>
  );
}

/** The table that is typed or pasted into; the first cell that may not be kept says why. */
function Ratings({
  cells,
  rule,
  onCells,
}: {
  cells: string[][];
  rule: Rule;
  onCells: (next: string[][]) => void;
}) {
  const raters = cells[0]?.length ?? COLUMNS;
  const wrong = cells
    .flat()
    .map((c) => faultOf(c, rule))
    .find(Boolean);
  const type = (i: number, j: number, text: string) => {
    const next = cells.map((r) => [...r]);
    // A pasted block of a spreadsheet fills from the cell it was pasted into.
    text.split(/\r?\n/).forEach((line, di) =>
      line.split(/[\t;]/).forEach((part, dj) => {
        while (next.length <= i + di)
          next.push(Array.from({ length: raters }, () => ""));
        const row = next[i + di];
        if (row && j + dj < row.length) row[j + dj] = part.trim();
      }),
    );
    onCells(next);
  };
  return (
    <>
      <table className="bench">
        <thead>
          <tr>
            <th />
            {Array.from({ length: raters }, (_, j) => (
              <th key={j}>{t("rater", { n: j + 1 })}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {cells.map((r, i) => (
            <tr key={i}>
              <th>{i + 1}</th>
              {r.map((c, j) => (
                <td key={j}>
                  <Input
                    className="num"
                    inputMode="decimal"
                    aria-invalid={faultOf(c, rule) !== undefined}
                    id={`cell-${i}-${j}`}
                    aria-label={t("agree-cell", {
                      person: i + 1,
                      rater: j + 1,
                    })}
                    value={c}
                    onChange={(e) => type(i, j, e.target.value)}
                    onPaste={(e) => {
                      e.preventDefault();
                      type(i, j, e.clipboardData.getData("text"));
                    }}
                  />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <p>
        <Button
          size="small"
          onClick={() =>
            onCells([...cells, Array.from({ length: raters }, () => "")])
          }
        >
          {t("agree-person")}
        </Button>{" "}
        <Button
          size="small"
          onClick={() => onCells(cells.map((r) => [...r, ""]))}
        >
          {t("agree-rater")}
        </Button>{" "}
        <span className="soft small">{t("agree-how")}</span>
      </p>
      {wrong && (
        <p className="bad" role="alert">
          {wrong}
        </p>
      )}
    </>
  );
}

/** What the table says; the words and where they change come from the core. */
function Verdict({
  result,
  cells,
  quantity,
}: {
  result: Result;
  cells: number[][];
  quantity: Schemas["BenchQuantity"] | undefined;
}) {
  const width = 430;
  const all = cells.flat();
  const low = Math.min(...all),
    high = Math.max(...all);
  const at = (icc: number) => Math.max(0, icc) * 230;
  const x = (v: number) =>
    10 + ((width - 20) * (v - low)) / Math.max(1e-9, high - low);
  return (
    <div id="verdict">
      {(
        [
          ["icc21", result.icc_2_1, result.band_2_1],
          ["icc31", result.icc_3_1, result.band_3_1],
        ] as const
      ).map(([name, icc, band]) => (
        <div key={name} className="icc">
          <span>
            {t(`agree-${name}`)}
            <br />
            <span className="soft small">{nameOf("band", band)}</span>
          </span>
          <svg
            width="230"
            height="30"
            viewBox="0 0 230 30"
            role="img"
            aria-label={`${icc.value.toFixed(2)} (${icc.low.toFixed(2)} – ${icc.high.toFixed(2)})`}
          >
            {[0, ...result.bands].map((b, i) => (
              <rect
                key={b}
                x={b * 230}
                y="6"
                width={(([...result.bands, 1][i] ?? 1) - b) * 230}
                height="18"
                fill={
                  [
                    "var(--sunk-pale)",
                    "var(--sunk)",
                    "var(--petrol-faint)",
                    "var(--petrol-pale)",
                  ][i]
                }
              />
            ))}
            <path
              d={`M${at(icc.low)} 15H${at(icc.high)}M${at(icc.low)} 10v10M${at(icc.high)} 10v10`}
              stroke="var(--text)"
              strokeWidth="1.8"
            />
            <circle cx={at(icc.value)} cy="15" r="5.5" fill="var(--petrol)" />
          </svg>
          <b className="num">{icc.value.toFixed(2)}</b>
        </div>
      ))}
      <p className="num size-18 above-10">
        {t("agree-mdc-same")} <b>{degrees(result.mdc95_same_rater)}</b>{" "}
        <span className="soft small">SEM {degrees(result.sem_same_rater)}</span>
        <br />
        {t("agree-mdc-any")} <b>{degrees(result.mdc95)}</b>{" "}
        <span className="soft small">SEM {degrees(result.sem)}</span>
      </p>
      <p className="soft small num">
        {quantity
          ? t("agree-default", {
              same: quantity.detectable_same.toFixed(1),
              any: quantity.detectable_any.toFixed(1),
            })
          : ""}
      </p>
      <svg
        viewBox={`0 0 ${width} ${cells.length * 15 + 6}`}
        className="fill spread"
        role="img"
        aria-label={t("agree-spread")}
      >
        {cells.map((r, i) => (
          <g key={i}>
            <path
              d={`M${x(Math.min(...r))} ${i * 15 + 10}H${x(Math.max(...r))}`}
              stroke="var(--edge)"
              strokeWidth="2"
            />
            {r.map((v, j) =>
              j % 3 === 0 ? (
                <circle
                  key={j}
                  cx={x(v)}
                  cy={i * 15 + 10}
                  r="4"
                  fill="var(--petrol)"
                />
              ) : j % 3 === 1 ? (
                <rect
                  key={j}
                  x={x(v) - 3.6}
                  y={i * 15 + 6.4}
                  width="7.2"
                  height="7.2"
                  fill="var(--saffron)"
                  stroke="var(--text)"
                  strokeWidth=".8"
                />
              ) : (
                <path
                  key={j}
                  d={`M${x(v)} ${i * 15 + 5}l4.4 8h-8.8z`}
                  fill="var(--soft)"
                />
              ),
            )}
          </g>
        ))}
      </svg>
    </div>
  );
}
