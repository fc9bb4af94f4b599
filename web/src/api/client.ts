// The one way to the server: every answer that is not a success becomes an ApiFailure.
import createClient from "openapi-fetch";
import { refusal } from "../domain/message";
import { currentSettings } from "../domain/settings";
import type { Units } from "../lib/units";
import type { paths } from "./schema";
import type { Problem } from "./types";

export const client = createClient<paths>({ baseUrl: "/" });

/** What went wrong, in the cook's units, or that the server could not be reached. */
export class ApiFailure extends Error {
  readonly problem: Problem | null;

  constructor(problem: Problem | null) {
    super(problem ? refusal(problem, currentSettings()) : "Can't reach the server.");
    this.problem = problem;
  }

  /** The same in units that were changed since. */
  told(units: Units): string {
    return this.problem ? refusal(this.problem, units) : this.message;
  }

  /** True when trying again later may help: no connection, a server in trouble, or a device that is signed out. */
  get isPassing(): boolean {
    const { problem } = this;
    return problem === null || problem.status >= 500 || problem.status === 429 || this.isSignedOut;
  }

  /** True when this device has to sign in first. */
  get isSignedOut(): boolean {
    return this.problem?.code === "not_signed_in";
  }
}

interface Answer<T> {
  data?: T;
  error?: unknown;
  response: Response;
}

/** The data of an answer; throws ApiFailure for anything else. */
export async function answer<T>(call: Promise<Answer<T>>): Promise<T> {
  let result: Answer<T>;
  try {
    result = await call;
  } catch (error) {
    if (error instanceof DOMException && error.name === "AbortError") throw error;
    throw new ApiFailure(null);
  }
  if (result.response.ok) return result.data as T;
  throw new ApiFailure(isProblem(result.error) ? result.error : null);
}

function isProblem(value: unknown): value is Problem {
  return typeof value === "object" && value !== null && "code" in value && "message" in value;
}

/** What went wrong, for the screen. */
export const failed = (error: Error, units: Units): string =>
  error instanceof ApiFailure ? error.told(units) : error.message;

/** A file as the body of a request, as it is. */
export const asFile = (file: Blob, kind: string) => ({
  body: file as never,
  bodySerializer: () => file,
  headers: { "Content-Type": kind },
});
