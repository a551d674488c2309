import { DAY_MS, dayMs, isoOf } from '../days';

/** What is known of a swimmer before a race outside; null is not known. */
export interface KnownReadiness {
  readonly breathes: 'left' | 'right' | 'both';
  readonly sightsWithoutStopping: boolean | null;
  readonly groupStart: boolean | null;
  /** Dips in water as cold as the race's. */
  readonly coldDips: number;
  readonly wetsuitTried: boolean | null;
  readonly courseRehearsed: boolean | null;
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
}

export const READY_IDS = ['both-sides', 'sighting', 'group-start', 'cold', 'wetsuit', 'course', 'card'] as const;
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
 * @example readiness({ raceOn: '2027-06-20', today: '2027-06-01', known, wetsuit: true, waterC: 16 })[0].id // 'both-sides'
 */
export function readiness({ raceOn, today, known, wetsuit, waterC }: ReadinessQuestion): ReadyItem[] {
  const stateOf = (value: boolean | null) => (value === null ? 'unknown' : value ? 'done' : 'missing');
  const cold = waterC === null || waterC < COLD_C;
  const items: readonly (readonly [ReadyId, string, ReadyItem['state']] | null)[] = [
    ['both-sides', 'breathe to both sides', stateOf(known.breathes === 'both')],
    ['sighting', 'look ahead without stopping the stroke', stateOf(known.sightsWithoutStopping)],
    ['group-start', 'start in a group', stateOf(known.groupStart)],
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
