/** What a drill for a cause has done before, at this level. */
export interface PastOutcome {
  readonly better: number;
  readonly notBetter: number;
}

/** Mean of Beta(1 + better, 1 + not better): 0.5 without a record. */
export function successMean({ better, notBetter }: { readonly better: number; readonly notBetter: number }): number {
  return (better + 1) / (better + notBetter + 2);
}
