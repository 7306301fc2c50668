/** A field that two people changed: what stands on record now, beside one's own. */
export interface Clash {
  field: string;
  theirs: unknown;
}

/** Whether two values say the same, whatever order their keys came in. */
export function same(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (typeof a !== "object" || typeof b !== "object" || !a || !b)
    // What is absent and what is nothing say the same to the server.
    return (a ?? null) === (b ?? null);
  if (Array.isArray(a) !== Array.isArray(b)) return false;
  const [x, y] = [a as Record<string, unknown>, b as Record<string, unknown>];
  const keys = new Set([...Object.keys(x), ...Object.keys(y)]);
  return [...keys].every((key) => same(x[key], y[key]));
}

/**
 * Puts one's own changes on top of what stands on record meanwhile, field by field. A field that both changed keeps
 * one's own value and is named, with theirs.
 */
export function merge<T extends object>(
  base: T,
  mine: T,
  theirs: T,
): { value: T; clashes: Clash[] } {
  const [b, m, r] = [base, mine, theirs] as Record<string, unknown>[];
  const value: Record<string, unknown> = {};
  const clashes: Clash[] = [];
  const keys = new Set([...Object.keys(m ?? {}), ...Object.keys(r ?? {})]);
  for (const key of keys) {
    const [was, own, their] = [b?.[key], m?.[key], r?.[key]];
    const changed = !same(was, own);
    value[key] = changed ? own : their;
    if (changed && !same(was, their) && !same(own, their))
      clashes.push({ field: key, theirs: their });
  }
  return { value: value as T, clashes };
}
