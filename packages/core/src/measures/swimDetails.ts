// What is known of a swim beside its time: the pool, the times at its walls, the meet.
import { numberWord } from '../words';
import { formatTime, lengthsOf, METRES_PER_YARD, paceSPer100, parseTime, type Pool } from '../units';
import { FASTEST_MPS } from './criticalSpeed';

/** The pool of a swim. */
export type SwumPool = Pick<Pool, 'length' | 'unit'>;

export interface SwimDetails {
  /** Left out when not known, and outside. */
  readonly pool?: SwumPool;
  /** The clock at the end of each equal part but the last, seconds, rising: three of 400 m stand at 100, 200 and 300 m. */
  readonly splitsS?: readonly number[];
  /** Where it was swum, as people call it. */
  readonly meet?: string;
}

/** Most splits of one swim: 1,500 m by the 25 has 59. */
export const MOST_SPLITS = 120;
/** A time and a sum of times that are this near are the same, seconds: each was rounded by somebody. */
const ROUNDED_S = 0.15;

interface Swum {
  readonly distanceM: number;
  readonly timeS: number;
  readonly details?: SwimDetails;
}

/** A part of a swim between two walls where the clock was read. */
export interface SwimPart {
  readonly fromM: number;
  readonly toM: number;
  readonly timeS: number;
  /** Seconds for 100 m at the speed of this part. */
  readonly per100S: number;
}

/**
 * The equal parts of a swim whose clock was read on the way; none where it was not.
 *
 * @example partsOf({ distanceM: 200, timeS: 165, details: { splitsS: [80] } })[1] // { fromM: 100, toM: 200, timeS: 85, per100S: 85 }
 */
export function partsOf({ distanceM, timeS, details }: Swum): SwimPart[] {
  const splits = details?.splitsS ?? [];
  if (splits.length === 0) return [];
  const clock = [0, ...splits, timeS];
  const partM = distanceM / (splits.length + 1);
  return clock.slice(1).map((endS, i) => ({
    ...{ fromM: i * partM, toM: (i + 1) * partM },
    timeS: endS - clock[i]!,
    per100S: paceSPer100(partM / (endS - clock[i]!)),
  }));
}

/**
 * How many seconds the second half took longer than the first; below 0 it was the faster one. Null where no split stands at
 * half way.
 *
 * @example secondHalfS({ distanceM: 400, timeS: 352, details: { splitsS: [84, 173, 263] } }) // 6
 */
export function secondHalfS({ timeS, details }: Swum): number | null {
  const splits = details?.splitsS ?? [];
  if (splits.length % 2 === 0) return null;
  return timeS - 2 * splits[(splits.length - 1) / 2]!;
}

/**
 * Why splits cannot be those of a swim, as a sentence; null when they can.
 *
 * @example splitsProblem({ distanceM: 400, timeS: 352, details: { splitsS: [90, 80] } }) // 'Splits are the clock on the way: each is later than the one before.'
 */
export function splitsProblem(swim: Swum): string | null {
  const splits = swim.details?.splitsS ?? [];
  if (splits.length === 0) return null;
  if (splits.length > MOST_SPLITS) return `At most ${MOST_SPLITS} splits of one swim.`;
  const parts = partsOf(swim);
  if (parts.some(({ timeS }) => !(timeS > 0)))
    return splits.at(-1)! >= swim.timeS
      ? `The last split is not before the end of the swim, ${formatTime(swim.timeS, 1)}.`
      : 'Splits are the clock on the way: each is later than the one before.';
  const fast = parts.find(({ fromM, toM, timeS }) => (toM - fromM) / timeS > FASTEST_MPS);
  if (fast) return `${formatTime(fast.timeS, 1)} for a part of it is faster than anybody swims.`;
  const { pool } = swim.details!;
  const part = inUnit(swim.distanceM / parts.length, pool);
  if (pool && lengthsOf(pool, part) === null)
    return `${splits.length} splits are ${Math.round(part * 10) / 10} ${pool.unit} apart, and no wall of a pool of ${poolWord(pool)} is there.`;
  return null;
}

/**
 * Splits as they are written on a list: the clock at each wall, or each part by itself; with or without the end.
 *
 * @param timeS the time of the whole swim, by which the two are told apart
 * @returns the clock in seconds at each part but the last, none of empty text; null where a word is no time
 * @example readSplits('1:24 2:53 4:23 5:52', 352) // [84, 173, 263]
 * @example readSplits('1:24 1:29 1:30 1:29', 352) // [84, 173, 263]
 */
export function readSplits(text: string, timeS: number): number[] | null {
  const times = text
    .split(/[\s;/|]+/)
    .filter(Boolean)
    .map(parseTime);
  if (times.some((time) => time === null)) return null;
  const said = (times as number[]).map(hundredths);
  const atEnd = said.length > 0 && Math.abs(said.at(-1)! - timeS) <= ROUNDED_S;
  const clock = atEnd ? said.slice(0, -1) : said;
  const sums = said.map((_, i) => hundredths(said.slice(0, i + 1).reduce((sum, part) => sum + part, 0)));
  if (said.length < 2 || Math.abs(sums.at(-1)! - timeS) > ROUNDED_S) return clock;
  // Two times may be both, like 15 and 30 of 45 s: parts that are alike are what was meant.
  const parts = [...clock, timeS].map((end, i) => end - (i === 0 ? 0 : clock[i - 1]!));
  return spread(said) < spread(parts) ? sums.slice(0, -1) : clock;
}

/** How unlike parts are; the worst where one is none. */
const spread = (parts: readonly number[]): number =>
  Math.min(...parts) > 0 ? Math.max(...parts) / Math.min(...parts) : Infinity;

/** Splits as {@link readSplits} takes them. @example splitsText([84, 173.25]) // '1:24.00 2:53.25' */
export const splitsText = (splitsS: readonly number[]): string => splitsS.map((time) => formatTime(time, 2)).join(' ');

/** A pool in a word. @example poolWord({ length: 25, unit: 'yd' }) // '25 yd' */
export const poolWord = ({ length, unit }: SwumPool): string => `${hundredths(length)} ${unit}`;

/** What lists call the usual pools. */
const COURSES: Readonly<Record<string, SwumPool>> = {
  ...{ sc: { length: 25, unit: 'm' }, scm: { length: 25, unit: 'm' } },
  ...{ lc: { length: 50, unit: 'm' }, lcm: { length: 50, unit: 'm' }, scy: { length: 25, unit: 'yd' } },
};

/**
 * A pool as it is written on a list; null where it is none.
 *
 * @param unit what a bare number is in
 * @example readPool('LCM', 'm') // { length: 50, unit: 'm' }
 * @example readPool('25y', 'm') // { length: 25, unit: 'yd' }
 */
export function readPool(text: string, unit: SwumPool['unit']): SwumPool | null {
  const course = COURSES[text.trim().toLowerCase()];
  if (course) return course;
  const match = /^(\d{1,3}(?:[.,]\d{1,3})?)\s*(m|met(?:re|er)s?|y|yds?|yards?)?\.?$/i.exec(text.trim());
  if (!match) return null;
  const length = Number(match[1]!.replace(',', '.'));
  const said = match[2]?.toLowerCase();
  // A third of a hundred is written in many ways.
  const exact = Math.abs(length - 100 / 3) < 0.05 ? 100 / 3 : length;
  return { length: exact, unit: said ? (said.startsWith('y') ? 'yd' : 'm') : unit };
}

/**
 * A distance in the unit of its pool.
 *
 * @example swumWord({ distanceM: 365.76, details: { pool: { length: 25, unit: 'yd' } } }) // '400 yd'
 */
export function swumWord({ distanceM, details }: Pick<Swum, 'distanceM' | 'details'>): string {
  const pool = details?.pool;
  const distance = swumDistance({ distanceM, details: details ?? {} });
  return `${numberWord(distance, Number.isInteger(distance) ? 0 : 1)} ${pool?.unit ?? 'm'}`;
}

/** The number of it. @example swumDistance({ distanceM: 365.76, details: { pool: { length: 25, unit: 'yd' } } }) // 400 */
export const swumDistance = ({ distanceM, details }: Pick<Swum, 'distanceM' | 'details'>): number =>
  inUnit(distanceM, details?.pool);

/** As many parts as are told in a line. */
const MOST_TOLD = 10;

/**
 * The parts of a swim in a line, and what the second half took; nothing where the clock was not read. Many parts are told by
 * several at a time.
 *
 * @example splitsWord({ distanceM: 400, timeS: 352, details: { splitsS: [84, 173, 263] } }) // 'by 100 m: 1:24.0, 1:29.0, 1:30.0, 1:29.0; second half 6.0 s slower'
 */
export function splitsWord(swim: Swum): string {
  const parts = partsOf(swim);
  const at = parts.findIndex((_, i) => parts.length % (i + 1) === 0 && parts.length / (i + 1) <= MOST_TOLD) + 1;
  if (at === 0) return '';
  const told = Array.from({ length: parts.length / at }, (_, i) =>
    parts.slice(i * at, (i + 1) * at).reduce((sum, { timeS }) => sum + timeS, 0),
  );
  const half = secondHalfS(swim);
  const slower = half === null ? 0 : Math.round(half * 10) / 10;
  const even =
    slower === 0
      ? 'both halves alike'
      : `second half ${numberWord(Math.abs(slower), 1)} s ${slower > 0 ? 'slower' : 'faster'}`;
  const by = swumWord({ distanceM: swim.distanceM / told.length, details: swim.details ?? {} });
  const times = told.length > 1 ? [`by ${by}: ${told.map((timeS) => formatTime(timeS, 1)).join(', ')}`] : [];
  return [...times, ...(half === null ? [] : [even])].join('; ');
}

/** Metres of a distance written in the unit of a pool. @example swumMetres(400, { length: 25, unit: 'yd' }) // 365.76 */
export const swumMetres = (distance: number, pool: SwumPool | null): number =>
  Math.round(distance * (pool?.unit === 'yd' ? METRES_PER_YARD : 1) * 1000) / 1000;

const inUnit = (metres: number, pool: SwumPool | undefined): number =>
  hundredths(pool?.unit === 'yd' ? metres / METRES_PER_YARD : metres);

const hundredths = (value: number): number => Math.round(value * 100) / 100;
