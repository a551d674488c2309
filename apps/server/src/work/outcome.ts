import type { ProblemError } from '../platform/problemError';

/** What a task came to: a value, or a problem in the words the reader sees. Errors themselves do not cross threads intact. */
export interface Outcome<T> {
  readonly value?: T;
  readonly problem?: {
    readonly status: number;
    readonly detail: string;
    readonly extra: ProblemError['extra'];
  };
}
