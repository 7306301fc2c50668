import createClient from "openapi-fetch";
import type { components, paths } from "../api/schema";
import { t } from "./wording";

export type Schemas = components["schemas"];
export type Problem = Schemas["Problem"];

export const api = createClient<paths>({ baseUrl: "" });

/** A problem as the server told it, or our own when it could not be reached. */
export class ApiProblem extends Error {
  readonly problem: Problem;
  /** The entry of the outbox that was refused, where it was one. */
  entry?: string;
  constructor(problem: Problem) {
    super(problem.title);
    this.problem = problem;
  }
  /** True when the same request may go through later: nothing was refused. */
  get passing(): boolean {
    return !this.final && this.problem.status !== 401;
  }
  /** True when the same request will be refused again: only then is an entry given back to the person who made it. */
  get final(): boolean {
    const { status } = this.problem;
    return (
      status >= 400 && status < 500 && ![401, 408, 425, 429].includes(status)
    );
  }
}

const unreachable: Problem = {
  type: "urn:ritorno:problem:unreachable",
  title: t("problem-unreachable"),
  status: 0,
  fields: [],
  reasons: [],
};

/** Unwraps an answer: the data, or a thrown problem. */
export async function ask<T>(
  call: Promise<{ data?: T; error?: unknown; response: Response }>,
): Promise<T> {
  let answer;
  try {
    answer = await call;
  } catch {
    throw new ApiProblem(unreachable);
  }
  if (answer.data !== undefined) return answer.data;
  if (answer.response.ok) return undefined as T;
  const told = answer.error as Problem | undefined;
  // Whatever was asked for, a lapsed session is told in one place, and the page stays.
  if (
    answer.response.status === 401 &&
    !answer.response.url.endsWith("/api/session")
  )
    window.dispatchEvent(new Event("ritorno-signed-out"));
  throw new ApiProblem(
    told?.type ? told : { ...unreachable, status: answer.response.status },
  );
}

/** A new id, ordered by time, made where the entry is made (UUID version 7). */
export function newId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  let ms = Date.now();
  for (let i = 5; i >= 0; i--) {
    bytes[i] = ms % 256;
    ms = Math.floor(ms / 256);
  }
  bytes[6] = ((bytes[6] ?? 0) & 0x0f) | 0x70;
  bytes[8] = ((bytes[8] ?? 0) & 0x3f) | 0x80;
  const hex = Array.from(bytes, (b) => b.toString(16).padStart(2, "0")).join(
    "",
  );
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-${hex.slice(12, 16)}-${hex.slice(16, 20)}-${hex.slice(20)}`;
}
