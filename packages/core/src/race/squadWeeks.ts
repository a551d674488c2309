// Where the races of different people pull one squad apart: who rests while others work, and who is missing.
import { weekdayOf } from '../days';
import { counted, dayWord, listWord, plural } from '../words';

/** A race of some of a squad. */
export interface SquadRace {
  readonly event: string;
  /** ISO date. */
  readonly date: string;
  readonly swimmers: number;
}

/** One week of a squad, from the plans of those who have one. */
export interface SquadWeek {
  readonly monday: string;
  /** Of all together, metres × effort. */
  readonly load: number;
  readonly swimmers: number;
  readonly working: number;
  readonly lighter: number;
  readonly tapering: number;
  readonly races: readonly SquadRace[];
}

/** What does not fit in a week of a squad. */
export type SquadClash =
  /** Some taper or race while others have a week of work: they share the water. */
  | { readonly clash: 'taper-and-work'; readonly tapering: number; readonly working: number }
  /** A race on a day of the squad's own water. */
  | { readonly clash: 'race-on-pool-day'; readonly race: SquadRace; readonly startTime: string; readonly of: number };

/**
 * What does not fit in a week, the race on a day of pool time first.
 *
 * @param of swimmers of the squad
 * @example squadClashes({ …, working: 3, tapering: 2 }, [], 5) // [{ clash: 'taper-and-work', tapering: 2, working: 3 }]
 */
export function squadClashes(
  { working, tapering, races }: Pick<SquadWeek, 'working' | 'tapering' | 'races'>,
  poolTimes: readonly { readonly weekday: number; readonly startTime: string }[],
  of: number,
): SquadClash[] {
  const missing = races.flatMap((race): SquadClash[] =>
    poolTimes
      // Where everybody races, nobody is left for the session.
      .filter(({ weekday }) => weekday === weekdayOf(race.date) && race.swimmers < of)
      .map(({ startTime }) => ({ clash: 'race-on-pool-day', race, startTime, of })),
  );
  return [
    ...missing,
    ...(tapering > 0 && working > 0 ? [{ clash: 'taper-and-work', tapering, working } as const] : []),
  ];
}

/**
 * What to do about a clash, beside {@link squadWeekWords}, which has the counts.
 *
 * @example 'Quill Crossing is on Sun 20 Jun: 2 of 6 are missing at 07:00.'
 */
export function clashWords(clash: SquadClash): string {
  if (clash.clash === 'taper-and-work')
    return 'Some rest while others work: two groups in the session, the shorter one for those who race.';
  const { race, startTime, of } = clash;
  return `${race.event} is on ${dayWord(race.date)}: ${race.swimmers} of ${of} are missing at ${startTime}.`;
}

/** A week in a few words. @example '3 work, 2 taper; Quill Crossing' */
export function squadWeekWords({ working, lighter, tapering, races }: Omit<SquadWeek, 'load'>): string {
  const some = (n: number, word: string) => (n > 0 ? [`${n} ${word}`] : []);
  const kinds = [
    ...some(working, plural(working, 'works', 'work')),
    ...some(lighter, 'lighter'),
    ...some(tapering, plural(tapering, 'tapers', 'taper')),
  ].join(', ');
  const raced = listWord(races.map(({ event, swimmers }) => `${event} (${counted(swimmers, 'swimmer')})`));
  return [kinds, raced].filter((part) => part !== '').join('; ') || 'no plans';
}
