/** What kind of swim a result is: all-out on its own, a rep or length in training, or a track outside. */
export const RESULT_KINDS = ['trial', 'training', 'track'] as const;
export type ResultKind = (typeof RESULT_KINDS)[number];

/** One result as it is stored and exchanged. */
export interface ResultLine {
  readonly swimmerId: string;
  /** ISO date. */
  readonly on: string;
  readonly distanceM: number;
  readonly timeS: number;
  /** Hand entries in one length. */
  readonly strokesPerLength: number | null;
  readonly kind: ResultKind;
}
