// Sets with what is usual filled in.
import type { DrillId, KitId } from '../../library';
import { lengthsToMetres } from '../../units';
import type { AnySet, Breathing, Item, Sighting, SwimSet, SwimStroke, Timing } from '../plan/model';
import { effortParts, EASY, repSeconds, slowestMps } from '../plan/setMeasure';
import type { Context } from './candidate';
import { FULL_REST, REST_OF_SWIM, REST_PER_100 } from './recipe';

export const FREE: Breathing = { kind: 'free' };
export const EVERY_THREE: Breathing = { kind: 'every', strokes: 3, side: 'right' };
/** Every second stroke, the sides changing from length to length: a rhythm that every fourth and eighth look fits. */
export const EVERY_TWO: Breathing = { kind: 'by-length', strokes: 2, side: 'right' };

export interface SwimOptions {
  readonly stroke?: SwimStroke;
  readonly drill?: DrillId;
  readonly effort?: number;
  readonly rest?: number;
  readonly timing?: Timing;
  readonly breathing?: Breathing;
  readonly kit?: readonly KitId[];
  readonly note?: string;
  readonly sighting?: Sighting | null;
  readonly rate?: number | null;
}

/** A set with what is usual filled in. */
export function swim(id: string, reps: number, lengths: number, o: SwimOptions): SwimSet {
  return {
    kind: 'swim',
    id,
    reps,
    lengths,
    stroke: o.stroke ?? 'front-crawl',
    drill: o.drill ?? null,
    effort: o.effort ?? EASY,
    breathing: o.breathing ?? FREE,
    sighting: o.sighting ?? null,
    strokeRateSpm: o.rate ?? null,
    timing: o.timing ?? { kind: 'rest', seconds: o.rest ?? 0 },
    kit: o.kit ?? [],
    note: o.note ?? '',
  };
}

export function inRounds(id: string, rounds: number, items: readonly Item[]): readonly Item[] {
  return rounds === 1 ? items : [{ kind: 'rounds', id, rounds, items }];
}

/** Who swims it, and where. */
type Swum = Pick<Context, 'groupPlan' | 'pool'>;

/** Rest after strong reps, over 85 %, seconds. */
export const STRONG_REST_S = 30;
const STRONG_FROM = 0.87;

/**
 * A set with its rest: 10 to 20 s for each 100 m, by `more` from the least to the most of them, never more than half of
 * the swim; on the clock, in steps of 5 s, where the level swims on send-offs.
 */
export function rested<S extends AnySet>(set: S, more: number, sendOffs: boolean, { groupPlan, pool }: Swum): S {
  if (set.kind === 'timed') return set;
  const metres = lengthsToMetres(pool, set.lengths);
  const meanS = repSeconds(set, groupPlan, pool);
  const slowestS = metres / slowestMps(set, groupPlan, pool);
  const strong = effortParts(set).every(({ effort }) => effort >= STRONG_FROM);
  const [least, most] = REST_PER_100.map((s) => Math.max(5, (s * metres) / 100)) as [number, number];
  const wanted = Math.min(strong ? STRONG_REST_S : least + (most - least) * more, meanS * REST_OF_SWIM);
  if (!sendOffs) return { ...set, timing: { kind: 'rest', seconds: Math.max(5, Math.round(wanted / 5) * 5) } };
  // From the slowest rep, so that nobody leaves late; downward when the step would be more rest than half the swim.
  const up = Math.ceil((slowestS + wanted) / 5 - 1e-9) * 5;
  const tooLong = up - meanS > Math.max(strong ? STRONG_REST_S : most, 5) + (slowestS - meanS) && up - 5 > slowestS;
  return { ...set, timing: { kind: 'send-off', seconds: tooLong ? up - 5 : up } };
}

/** An all-out set with full rest: the next rep is as fast as the last. */
export function fullRest(set: SwimSet, { groupPlan, pool }: Swum): SwimSet {
  const { timesSwim, stepS, within } = FULL_REST;
  const wanted = Math.ceil((repSeconds(set, groupPlan, pool) * timesSwim) / stepS) * stepS;
  return { ...set, timing: { kind: 'rest', seconds: Math.min(within[1], Math.max(within[0], wanted)) } };
}

/** Rest after a steady swim outside: 15 to 20 s for each 100 m, in steps of 5 s, from 10 to 60 s. */
export function usualRest(repM: number): number {
  return Math.min(60, Math.max(10, Math.round((repM * 0.175) / 5) * 5));
}
