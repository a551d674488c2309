import type { ProblemError } from '../platform/problemError';

/** What a task came to: a value, or a problem as the reader is told it. Errors themselves do not cross threads whole. */
export interface Outcome<T> {
  readonly value?: T;
  readonly problem?: {
    readonly status: number;
    readonly detail: string;
    readonly extra: ProblemError['extra'];
  };
}
