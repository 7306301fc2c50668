import { useQuery } from "@tanstack/react-query";
import { api, ask, type Schemas } from "./client";
import { t } from "./wording";
import { queryKeys } from "./queryKeys";

/** What a number may be: the server's own row, or the range of what is measured. */
export interface Rule {
  min: number;
  max: number;
  decimals: number;
  unit?: string | null | undefined;
}

/** A number, nothing, or `undefined` while what is typed is neither: it is never saved. */
export type Typed = number | null | undefined;

/** A number as it is typed back into a field: with a point, and never in powers of ten. */
export function written(value: number | null | undefined): string {
  return value == null ? "" : String(value);
}

/** Reads what was typed: comma or point, a hyphen or a minus sign, spaces at the ends. `null` for nothing. */
export function readNumber(text: string): number | null | undefined {
  const clean = text.trim().replace(/[\u2212\u2013]/g, "-");
  if (clean === "") return null;
  if (!/^-?\d+(?:[.,]\d+)?$|^-?[.,]\d+$/.test(clean)) return undefined;
  const value = Number(clean.replace(",", "."));
  return Number.isFinite(value) ? value : undefined;
}

/** What is wrong with a number by its rule, in words; nothing when it may be kept. */
export function faultOf(text: string, rule: Rule): string | undefined {
  const value = readNumber(text);
  if (value === null) return undefined;
  if (value === undefined) return t("number-unreadable", { text });
  const places = /[.,](\d+)\s*$/.exec(text)?.[1]?.replace(/0+$/, "").length;
  if ((places ?? 0) > rule.decimals)
    return t(rule.decimals === 0 ? "number-whole" : "number-places", {
      places: rule.decimals,
    });
  if (value < rule.min || value > rule.max)
    return t("number-outside", {
      min: rule.min,
      max: rule.max,
      unit_text: rule.unit ?? "",
    }).trim();
  return undefined;
}

/** The value of a text by its rule: a number, nothing, or `undefined` where it may not be kept. */
export function valueOf(text: string, rule: Rule): Typed {
  return faultOf(text, rule) === undefined ? readNumber(text) : undefined;
}

/** The server's bounds by field, fetched once. */
export function useBounds(): (field: string) => Rule | undefined {
  const bounds = useQuery({
    queryKey: queryKeys.bounds,
    queryFn: () => ask(api.GET("/api/bounds")),
    staleTime: Infinity,
  });
  const rows: Schemas["Bound"][] = bounds.data ?? [];
  return (field) => {
    const row = rows.find((b) => b.id === field);
    return row && { ...row, decimals: row.decimals ?? 0 };
  };
}
