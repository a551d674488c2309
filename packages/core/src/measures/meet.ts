// The swims of a meet as they are written down at the pool, and what each of them is worth.
import { parseTime } from '../units';
import { bestsOf, type Best } from './bests';
import { FASTEST_MPS } from './criticalSpeed';
import type { ResultLine } from './result';
import { samePool, standingsOf, type Standard } from './standards';
import { readSplits, splitsProblem, type SwimDetails, type SwumPool } from './swimDetails';

/** What was written for one swim. */
export interface MeetEntry {
  readonly swimmerId: string;
  readonly distanceM: number;
  /** As it was typed: a time like 5:52.3. */
  readonly time: string;
  /** Times with spaces between them; may be empty. */
  readonly splits: string;
}

/** Where and when all of them were swum. */
export interface Meet {
  readonly name: string;
  /** ISO date. */
  readonly on: string;
  readonly pool: SwumPool | null;
}

/** What became of what was written: nothing yet, a result, or why it cannot be one. */
export type MeetSwim =
  | { readonly kind: 'empty' }
  | { readonly kind: 'refused'; readonly why: string }
  | { readonly kind: 'ready'; readonly result: ResultLine };

/**
 * One swim of a meet as a result.
 *
 * @example meetSwim({ name: 'Lantern Cup', on: '2026-11-28', pool: null }, { swimmerId: 'a', distanceM: 400, time: '5:52', splits: '' }).kind // 'ready'
 */
export function meetSwim({ name, on, pool }: Meet, { swimmerId, distanceM, time, splits }: MeetEntry): MeetSwim {
  const refused = (why: string): MeetSwim => ({ kind: 'refused', why });
  if (time.trim() === '') return splits.trim() === '' ? { kind: 'empty' } : refused('Splits without a time.');
  const timeS = parseTime(time);
  if (timeS === null || timeS <= 0) return refused('A time like 5:52.3, please.');
  if (distanceM / timeS > FASTEST_MPS) return refused('This is faster than anybody swims.');
  const splitsS = readSplits(splits, timeS);
  if (splitsS === null) return refused('Splits are times with spaces between them, like 1:24 2:53 4:23.');
  const details: SwimDetails = {
    ...(pool ? { pool } : {}),
    ...(splitsS.length > 0 ? { splitsS } : {}),
    ...(name.trim() ? { meet: name.trim() } : {}),
  };
  const wrong = splitsProblem({ distanceM, timeS, details });
  if (wrong) return refused(wrong);
  return {
    kind: 'ready',
    result: { swimmerId, on, distanceM, timeS, strokesPerLength: null, kind: 'trial', details },
  };
}

/** What a new swim means beside those before it. */
export interface SwimWorth {
  /** Seconds faster than the best of this distance in this pool; below 0 it is slower, null where there was none. */
  readonly gainS: number | null;
  /** Standards that it reaches and that nothing before it did. */
  readonly reached: readonly Standard[];
}

/**
 * What a swim gains on the best before it, and which standards it reaches for the first time.
 *
 * @param before other swims of the same person
 * @param today ISO date
 * @example swimWorth({ swimmerId: 'a', on: '2026-11-28', distanceM: 400, timeS: 345, strokesPerLength: null, kind: 'trial' }, [], [], '2026-11-29') // { gainS: null, reached: [] }
 */
export function swimWorth(
  swim: ResultLine,
  before: readonly Omit<ResultLine, 'swimmerId'>[],
  standards: readonly Standard[],
  today: string,
): SwimWorth {
  const own = bestsOf([swim], today)[0]!;
  const earlier = bestsOf(before, today);
  const best = earlier.find(
    ({ distanceM, place, pool }) => distanceM === own.distanceM && place === own.place && samePool(pool, own.pool),
  );
  const reaches = (bests: readonly Best[], standard: Standard) => standingsOf(bests, [standard])[0]!.shortS === 0;
  return {
    gainS: best ? Math.round((best.timeS - swim.timeS) * 100) / 100 : null,
    reached: standards.filter((standard) => reaches([own], standard) && !reaches(earlier, standard)),
  };
}
