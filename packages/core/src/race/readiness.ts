import { DAY_MS, dayMs, isoOf } from '../days';
import { FED_FROM_S, FEED_EVERY_S } from '../safety';
import { distanceWord } from '../words';
import { IN_RACE_WATER, LONG_FROM_M, LONGEST_RISE, longestFor, type RaceAsked } from './longRace';

/** What is known of a swimmer before a race outside; null is not known. */
export interface KnownReadiness {
  readonly breathes: 'left' | 'right' | 'both';
  readonly sightsWithoutStopping: boolean | null;
  readonly groupStart: boolean | null;
  /** Dips in water as cold as the race's. */
  readonly coldDips: number;
  readonly wetsuitTried: boolean | null;
  readonly courseRehearsed: boolean | null;
  /** Metres of each swim outside that is on record, of the last months. */
  readonly swumM: readonly number[];
  /** The coach has seen the long swims. */
  readonly longSwims: boolean | null;
  /** Fed in training as in the race. */
  readonly fed: boolean | null;
  readonly cardRead: boolean | null;
}

export interface ReadinessQuestion {
  /** Day of the race and today, ISO dates. */
  readonly raceOn: string;
  readonly today: string;
  readonly known: KnownReadiness;
  readonly wetsuit: boolean;
  /** Temperature expected, °C; null when not known. */
  readonly waterC: number | null;
  /** How far, and how fast the swimmer covers it. */
  readonly race: RaceAsked;
}

export const READY_IDS = [
  'both-sides',
  'sighting',
  'group-start',
  'long-swims',
  'feeds',
  'cold',
  'wetsuit',
  'course',
  'card',
] as const;
export type ReadyId = (typeof READY_IDS)[number];

export interface ReadyItem {
  readonly id: ReadyId;
  readonly text: string;
  readonly state: 'done' | 'missing' | 'unknown';
  /** Day by which it should be there, ISO date. */
  readonly by: string;
  /** That day is past and it is not there. */
  readonly late: boolean;
}

/** Days before the race by which each should be there: skills need weeks, the card two days. */
const BEFORE_DAYS: Readonly<Record<ReadyId, number>> = {
  'both-sides': 28,
  sighting: 21,
  'group-start': 14,
  'long-swims': 14,
  feeds: 14,
  cold: 10,
  wetsuit: 10,
  course: 7,
  card: 2,
};
/** What is due is shown a week ahead. */
const AHEAD_DAYS = 7;
/** A race farther away than this has nothing due yet, days. */
export const READY_DAYS = Math.max(...Object.values(BEFORE_DAYS)) + AHEAD_DAYS;
/** Dips after which the cold-water gasp fades. */
const DIPS = 6;
/** Water under this asks for the dips, °C. */
const COLD_C = 18;

/**
 * What a swimmer should have before a race outside, in the order in which it is due.
 *
 * Nobody starts in a group where the goal is the distance alone. A race of {@link LONG_FROM_M} or more asks for two long swims, each at least the last but one of the weeks before it; one
 * that takes longer than {@link FED_FROM_S} asks to have fed in them.
 *
 * @example readiness({ raceOn: '2027-06-20', today: '2027-06-01', known, wetsuit: true, waterC: 16, race })[0].id // 'both-sides'
 */
export function readiness({ raceOn, today, known, wetsuit, waterC, race }: ReadinessQuestion): ReadyItem[] {
  const stateOf = (value: boolean | null) => (value === null ? 'unknown' : value ? 'done' : 'missing');
  const cold = waterC === null || waterC < COLD_C;
  const longM = Math.ceil(longestFor(race) / LONGEST_RISE / 100) * 100;
  const longs = known.swumM.filter((metres) => metres >= longM).length;
  const items: readonly (readonly [ReadyId, string, ReadyItem['state']] | null)[] = [
    ['both-sides', 'breathe to both sides', stateOf(known.breathes === 'both')],
    ['sighting', 'look ahead without stopping the stroke', stateOf(known.sightsWithoutStopping)],
    race.noClock ? null : ['group-start', 'start in a group', stateOf(known.groupStart)],
    race.distanceM >= LONG_FROM_M
      ? [
          'long-swims',
          `swim ${distanceWord(longM)} or more twice in water like that of the race (${Math.min(IN_RACE_WATER, longs)} on record)`,
          longs >= IN_RACE_WATER ? 'done' : stateOf(known.longSwims),
        ]
      : null,
    race.distanceM / race.speedMps > FED_FROM_S
      ? ['feeds', `feed in a long swim as in the race, every ${FEED_EVERY_S / 60} min`, stateOf(known.fed)]
      : null,
    cold
      ? [
          'cold',
          `go into cold water six times (${Math.min(DIPS, known.coldDips)} so far)`,
          stateOf(known.coldDips >= DIPS),
        ]
      : null,
    wetsuit ? ['wetsuit', 'swim in the race wetsuit', stateOf(known.wetsuitTried)] : null,
    ['course', 'swim the course, or walk it with the map', stateOf(known.courseRehearsed)],
    ['card', 'know the race card by heart', stateOf(known.cardRead)],
  ];
  return items.flatMap((item) => {
    if (!item) return [];
    const [id, text, state] = item;
    const by = isoOf(dayMs(raceOn) - BEFORE_DAYS[id] * DAY_MS);
    return [{ id, text, state, by, late: state !== 'done' && by < today }];
  });
}

/** What is not there and late or due within a week. */
export function dueSoon(items: readonly ReadyItem[], today: string): ReadyItem[] {
  const until = isoOf(dayMs(today) + AHEAD_DAYS * DAY_MS);
  return items.filter((item) => item.state !== 'done' && item.by <= until);
}
