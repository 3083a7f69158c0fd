import { WORDS } from '../words/en/house/problem.ts';
/** RFC 9457 problem details, with a path per field at fault. */
export interface Problem {
  readonly type: string;
  readonly title: string;
  readonly status: number;
  readonly detail: string;
  readonly errors?: readonly FieldError[];
  /** For a stale edit: the line as it now stands. */
  readonly current?: unknown;
  /** For a stale edit: what was sent. */
  readonly yours?: unknown;
}

export interface FieldError {
  /** Path of the field, such as places.germinate or rows.12.plants. */
  readonly path: string;
  readonly message: string;
}

/** A problem thrown by a use case; the edge turns it into an answer. */
export class ProblemError extends Error {
  readonly problem: Problem;

  constructor(status: number, title: string, detail: string, extra: Partial<Problem> = {}) {
    super(`${title}: ${detail}`);
    this.name = 'ProblemError';
    this.problem = { type: 'about:blank', title, status, detail, ...extra };
  }
}

/** 422 for one field. */
export function fieldProblem(path: string, message: string): ProblemError {
  return new ProblemError(422, WORDS.pleaseLookAgain, message, {
    errors: [{ path, message }],
  });
}
