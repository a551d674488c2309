import type { Problem } from '@upwell/contract/common';

/** An error with a sentence a coach understands. */
export class ProblemError extends Error {
  constructor(
    readonly status: number,
    detail: string,
    readonly extra: Partial<Pick<Problem, 'fields' | 'current'>> = {},
  ) {
    super(detail);
  }
}

/** Answers the same whether a thing does not exist or belongs to somebody else. */
export const notFound = () => new ProblemError(404, 'This is not here, or not yours to see.');

export const forbidden = () => new ProblemError(403, 'Your role may not do this.');
