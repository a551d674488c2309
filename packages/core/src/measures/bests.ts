import { addDays } from '../days';
import type { ResultKind, ResultLine } from './result';
import { poolWord, swumWord, type SwimDetails, type SwumPool } from './swimDetails';

/** Where a best was swum: water with walls is faster than water without. */
export type BestPlace = 'pool' | 'outside';

/** A swimmer's best over a distance. */
export interface Best {
  readonly distanceM: number;
  readonly place: BestPlace;
  /** Length of the pool; null outside, and where nobody said it. */
  readonly pool: SwumPool | null;
  readonly timeS: number;
  /** ISO date of the first time it was swum. */
  readonly on: string;
  /** Seconds it is faster than the best before it; null when it is the first one swum. */
  readonly gainS: number | null;
  /** The best of the last twelve months; null when nothing was swum in them. */
  readonly year: { readonly timeS: number; readonly on: string } | null;
  /** How often the distance was swum there. */
  readonly swims: number;
  /** The pool, splits and meet of the best swim. */
  readonly details: SwimDetails;
}

type Swim = Pick<ResultLine, 'on' | 'distanceM' | 'timeS' | 'details'> & { readonly kind: ResultKind };

/**
 * What makes swims comparable: one distance in one length of pool, or outside.
 *
 * @example eventOf({ on: '2026-10-19', distanceM: 400, timeS: 352, kind: 'trial', details: { pool: { length: 25, unit: 'm' } } }) // '400 m · 25 m'
 */
export function eventOf(swim: Swim): string {
  const pool = poolOf(swim);
  return [swumWord(swim), pool ? poolWord(pool) : placeOf(swim) === 'outside' ? 'outside' : '']
    .filter(Boolean)
    .join(' · ');
}

/** Days that count as this year's. */
const YEAR_DAYS = 365;

/**
 * The bests of one swimmer, the shortest distance first; those of each length of pool and those outside apart, since every
 * turn is faster than the water between.
 *
 * @param today ISO date from which the last twelve months are counted
 * @example bestsOf([{ on: '2026-10-19', distanceM: 400, timeS: 352, kind: 'trial' }], '2026-11-29')[0].timeS // 352
 */
export function bestsOf(swims: readonly Swim[], today: string): Best[] {
  const since = addDays(today, -YEAR_DAYS);
  const groups = new Map<string, Swim[]>();
  for (const swim of swims) {
    const key = eventOf(swim);
    groups.set(key, [...(groups.get(key) ?? []), swim]);
  }
  return [...groups.values()]
    .map((group): Best => {
      const inOrder = [...group].sort((a, b) => a.on.localeCompare(b.on) || a.timeS - b.timeS);
      const best = fastest(inOrder)!;
      const before = fastest(inOrder.slice(0, inOrder.indexOf(best)));
      const year = fastest(inOrder.filter(({ on }) => on > since && on <= today));
      return {
        ...{ distanceM: best.distanceM, place: placeOf(best), pool: poolOf(best), timeS: best.timeS, on: best.on },
        gainS: before ? before.timeS - best.timeS : null,
        year: year ? { timeS: year.timeS, on: year.on } : null,
        swims: group.length,
        details: best.details ?? {},
      };
    })
    .sort(
      (a, b) =>
        a.distanceM - b.distanceM ||
        b.place.localeCompare(a.place) ||
        (a.pool?.length ?? 999) - (b.pool?.length ?? 999),
    );
}

const poolOf = (swim: Swim): SwumPool | null => (placeOf(swim) === 'pool' ? (swim.details?.pool ?? null) : null);

const placeOf = ({ kind }: Swim): BestPlace => (kind === 'track' ? 'outside' : 'pool');

/** The first of the fastest; nothing of nothing. */
const fastest = (swims: readonly Swim[]): Swim | undefined =>
  swims.reduce<Swim | undefined>((best, swim) => (best && best.timeS <= swim.timeS ? best : swim), undefined);
