import createClient from "openapi-fetch";
import type { components, paths } from "../api/schema";
import { t } from "./wording";

export { newId } from "./newId";

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
