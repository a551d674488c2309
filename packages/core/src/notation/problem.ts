/** Something to fix in a text, and where it is. */
export interface TextProblem {
  /** From 1. */
  readonly line: number;
  /** From 1. */
  readonly column: number;
  /** Characters concerned; 0 for a whole line. */
  readonly length: number;
  readonly message: string;
  /** An error keeps the text from becoming a session; a warning does not. */
  readonly severity: 'error' | 'warning';
  /** What to write there instead, when it is clear. */
  readonly instead?: string;
}

/** Problems told at once; more would not be read. */
export const MOST_PROBLEMS = 60;
