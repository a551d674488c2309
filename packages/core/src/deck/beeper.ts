/** What the beeper counts: strokes a minute, or seconds from mark to mark. */
export type BeepPlan =
  | { readonly kind: 'rate'; readonly strokeRateSpm: number }
  /** Seconds from beep to beep, as at each 25 m. */
  | { readonly kind: 'pace'; readonly everyS: number }
  /** So many beats at a rate, then the next; a ramp upward or downward. */
  | {
      readonly kind: 'ramp';
      readonly fromSpm: number;
      readonly stepSpm: number;
      readonly steps: number;
      readonly stepS: number;
    };

export const BEEP_RATE = { min: 20, max: 140 } as const;

export interface Beat {
  /** Seconds after the start. */
  readonly atS: number;
  /** The first of a step of a ramp sounds higher. */
  readonly accent: boolean;
  readonly strokeRateSpm: number | null;
}

/**
 * The beat with a number, from 0; null after the last of a ramp.
 *
 * Every beat is worked out from its number, never from the one before, so that nothing adds up: beat
 * 40,000 is as exact as beat 1.
 *
 * @throws RangeError when a rate is outside {@link BEEP_RATE} or a time is not over 0
 * @example beatAt({ kind: 'rate', strokeRateSpm: 60 }, 600).atS // 600
 */
export function beatAt(plan: BeepPlan, n: number): Beat | null {
  if (plan.kind === 'pace') {
    if (!(plan.everyS > 0)) throw new RangeError('everyS must be over 0');
    return { atS: n * plan.everyS, accent: false, strokeRateSpm: null };
  }
  if (plan.kind === 'rate') {
    checkRate(plan.strokeRateSpm);
    return { atS: (n * 60) / plan.strokeRateSpm, accent: false, strokeRateSpm: plan.strokeRateSpm };
  }
  if (!(plan.stepS > 0)) throw new RangeError('stepS must be over 0');
  checkRate(plan.fromSpm);
  checkRate(plan.fromSpm + plan.stepSpm * (plan.steps - 1));
  let before = 0;
  for (let step = 0; step < plan.steps; step++) {
    const rate = plan.fromSpm + step * plan.stepSpm;
    // A step ends with its last whole beat, so that the next begins on the beat.
    const beats = Math.max(1, Math.round((plan.stepS * rate) / 60));
    if (n < before + beats)
      return { atS: stepStart(plan, step) + ((n - before) * 60) / rate, accent: n === before, strokeRateSpm: rate };
    before += beats;
  }
  return null;
}

function stepStart(plan: BeepPlan & { kind: 'ramp' }, step: number): number {
  let at = 0;
  for (let s = 0; s < step; s++) {
    const rate = plan.fromSpm + s * plan.stepSpm;
    at += (Math.max(1, Math.round((plan.stepS * rate) / 60)) * 60) / rate;
  }
  return at;
}

function checkRate(spm: number): void {
  if (!(spm >= BEEP_RATE.min && spm <= BEEP_RATE.max))
    throw new RangeError(`Stroke rates from ${BEEP_RATE.min} to ${BEEP_RATE.max} can be beeped.`);
}

/** The beats that fall into a stretch of seconds, from `fromS` up to but not including `toS`, and the number of the next. */
export function beatsBetween(
  plan: BeepPlan,
  first: number,
  toS: number,
): { readonly beats: readonly Beat[]; readonly next: number } {
  const beats: Beat[] = [];
  let n = first;
  for (;;) {
    const beat = beatAt(plan, n);
    if (!beat || beat.atS >= toS) return { beats, next: n };
    beats.push(beat);
    n++;
  }
}
