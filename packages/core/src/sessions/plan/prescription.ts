import { effortSpeed, breathsPerMinute, breathsPerSide, type BreathsPerSide, type Side } from '../../measures';
import { STROKE_MODEL } from '../../swimmers';
import type { Pool } from '../../units';
import { breathPlaces } from './breathPlaces';
import { usualLook } from './looks';
import type { AnySet, Breathing, GroupPlan, Sighting } from './model';
import { effortParts, repMetres, repSeconds } from './setMeasure';

/** The other side. */
export const otherSide = (side: Side): Side => (side === 'left' ? 'right' : 'left');

/** Looks in one rep: `floor(d / (SL · n))`. */
export function looksIn(set: AnySet, repM: number, strokeLengthM: number): number {
  return set.sighting ? Math.floor(repM / (strokeLengthM * set.sighting.every) + 1e-9) : 0;
}

/**
 * Counted breaths to each side in one rep; free breathing counts none.
 *
 * @param poolM metres of a length
 * @param sequence how many counted reps came before in the session: an odd pattern begins on the other side each time
 * @param rep which rep of its set this is, from 0
 */
export function breathsOf(
  set: AnySet,
  repM: number,
  poolM: number,
  strokeLengthM: number,
  sequence: number,
  rep: number,
): BreathsPerSide {
  const { breathing } = set;
  const taken = (pattern: BreathsPerSide): BreathsPerSide => {
    if (!set.sighting?.forBreath) return pattern;
    // Each look takes the place of one breath, on both sides alike.
    const looks = Math.min(looksIn(set, repM, strokeLengthM), pattern.left + pattern.right);
    const fromLeft = Math.min(
      pattern.left,
      Math.round((looks * pattern.left) / Math.max(1, pattern.left + pattern.right)),
    );
    return { left: pattern.left - fromLeft, right: Math.max(0, pattern.right - (looks - fromLeft)) };
  };
  switch (breathing.kind) {
    case 'free':
      return { left: 0, right: 0 };
    case 'every': {
      const swaps = breathing.strokes % 2 === 1 && sequence % 2 === 1;
      const side = swaps ? otherSide(breathing.side) : breathing.side;
      return taken(breathsPerSide(breathing.strokes, repM, strokeLengthM, side));
    }
    case 'to-side':
      return taken(breathsPerSide(2, repM, strokeLengthM, breathing.side));
    case 'by-length': {
      const lengths = Math.max(1, repM / poolM);
      const perLength = Math.floor(repM / lengths / strokeLengthM / breathing.strokes + 1e-9);
      // Over a session the side that begins a rep changes too, or single lengths would all go to one side.
      const starts = sequence % 2 === 1 && Math.round(lengths) % 2 === 1 ? otherSide(breathing.side) : breathing.side;
      const first = Math.round(perLength * Math.ceil(lengths / 2));
      const other = Math.round(perLength * Math.floor(lengths / 2));
      return taken(starts === 'left' ? { left: first, right: other } : { left: other, right: first });
    }
    case 'limited': {
      const breaths = breathPlaces(breathing, rep, set.reps, { repM, lengthM: poolM, strokeLengthM }).length;
      const left = sequence % 2 === 0 ? Math.ceil(breaths / 2) : Math.floor(breaths / 2);
      return { left, right: breaths - left };
    }
  }
}

/** Seconds between two beeps at a stroke rate, one beep a stroke. @example beeperTempo(60) // 1 */
export function beeperTempo(strokeRateSpm: number): number {
  return Math.round(6000 / strokeRateSpm) / 100;
}

/** What a set asks of breathing, rate and looks, in numbers. */
export interface Prescription {
  /** The rate wanted, else the one that follows from speed and stroke length. */
  readonly strokeRateSpm: number;
  readonly rateIsDerived: boolean;
  readonly beeperS: number;
  readonly breathsPerMinute: number | null;
  readonly secondsBetween: number | null;
  readonly looksPerRep: number;
}

/**
 * Breathing, rate and sighting of a set in numbers. Without a wanted rate it is taken from the speed
 * of the group and its stroke length.
 */
export function prescriptionOf(set: AnySet, group: GroupPlan, pool: Pool): Prescription {
  const repM = repMetres(set, group, pool);
  const speed = repM / repSeconds(set, group, pool);
  const derived = Math.max(1, (60 * speed) / group.strokeLengthM);
  const strokeRateSpm = set.strokeRateSpm ?? derived;
  const { breathing } = set;
  const every =
    breathing.kind === 'every' || breathing.kind === 'by-length'
      ? breathing.strokes
      : breathing.kind === 'to-side'
        ? 2
        : null;
  const perMinute = every === null ? null : breathsPerMinute(strokeRateSpm, every);
  return {
    strokeRateSpm,
    rateIsDerived: set.strokeRateSpm === null,
    beeperS: beeperTempo(strokeRateSpm),
    breathsPerMinute: perMinute,
    secondsBetween: perMinute === null ? null : 60 / perMinute,
    looksPerRep: looksIn(set, repM, group.strokeLengthM),
  };
}

/** Strokes a minute of a group today at an effort, from its pace and stroke length. */
export const usualRateSpm = (group: GroupPlan, effort: number): number =>
  Math.round((60 * effortSpeed(group.v400Mps, effort, group.paceTable)) / group.strokeLengthM);

/** What a group's tests and model suggest for a set. */
export interface Suggestion {
  readonly strokeRateSpm: number;
  readonly breathing: Breathing;
  readonly sighting: Sighting | null;
  readonly why: string;
}

/** Strokes a minute that a rate target may move away from today's habit in a week. */
export const RATE_STEP_SPM = 4;

/**
 * Defaults for breathing, rate and looks: the rate nearest to today's inside the band of the stroke
 * model, at most {@link RATE_STEP_SPM} away; in crawl every third stroke, or freely when hard or for
 * beginners; outside a look at the default interval of the level, in the rhythm of the breath.
 */
export function suggestFor(set: AnySet, group: GroupPlan, pool: Pool, outside: boolean): Suggestion {
  const { strokeRateSpm: now } = prescriptionOf({ ...set, strokeRateSpm: null }, group, pool);
  const [low, high] = STROKE_MODEL[group.model].rateBandSpm;
  const wanted = Math.min(high, Math.max(low, now));
  const strokeRateSpm = Math.round(Math.min(now + RATE_STEP_SPM, Math.max(now - RATE_STEP_SPM, wanted)));
  const hard = effortParts(set).some(({ effort }) => effort > 0.9);
  const free = group.level === 'settle' || hard || set.stroke !== 'front-crawl';
  const breathing: Breathing = free ? { kind: 'free' } : { kind: 'every', strokes: 3, side: 'right' };
  const sighting = outside ? usualLook(group.level, breathing) : null;
  const name = STROKE_MODEL[group.model].name;
  return {
    strokeRateSpm,
    breathing,
    sighting,
    why: `Today about ${Math.round(now)} strokes a minute; ${name} calls for ${low} to ${high}, and a rate should move by at most ${RATE_STEP_SPM} a week.`,
  };
}
