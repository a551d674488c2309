// What the weeks cannot reach, and which distance or date they can.
import { addDays, weekOf } from '../days';
import { levelLoad, USUAL_FACTOR } from '../sessions';
import { counted, distanceWord, longDayWord } from '../words';
import {
  fullestWeekLoad,
  fullestWeekM,
  hasLongSwims,
  longestFor,
  longSwims,
  raceForSwimM,
  raceForWeekM,
} from './longRace';
import { MOST_WEEKS, type PlanQuestion, TAPER_SHARE } from './planModel';
import { type Loads, loadsOf, mostOfSessions, SESSION_CEILING } from './weekLoads';

/** The weeks come near enough to what is asked. */
const NEAR = 0.95;
/** Weeks that are looked ahead for a date, beyond those of a plan. */
const FARTHEST_WEEKS = 3 * MOST_WEEKS;

/** Fullest week and longest swim of some weeks. */
interface Reached {
  readonly load: number;
  readonly swimM: number;
}

const worksIn = (q: PlanQuestion, kinds: Loads['kinds'], mondays: readonly string[]): boolean[] =>
  kinds.map((kind, i) => kind === 'normal' && !q.away?.[mondays[i]!]);

/** The long swims of the weeks. */
export const longSwimsOf = (q: PlanQuestion, kinds: Loads['kinds'], mondays: readonly string[]): (number | null)[] =>
  q.race ? longSwims(q.race, worksIn(q, kinds, mondays)) : mondays.map(() => null);

function reached(
  q: PlanQuestion,
  { kinds, loads }: Pick<Loads, 'kinds' | 'loads'>,
  mondays: readonly string[],
): Reached {
  return {
    load: Math.max(0, ...loads),
    swimM: Math.max(q.race!.longestM, ...longSwimsOf(q, kinds, mondays).map((m) => m ?? 0)),
  };
}

/** Whether it is what the race asks, or nearly. */
const isEnough = (q: PlanQuestion, { load, swimM }: Reached): boolean =>
  load >= NEAR * fullestWeekLoad(q.race!.distanceM) && swimM >= NEAR * longestFor(q.race!);

/**
 * How far the weeks make ready, where that is less than the race: with the sessions and the date that reach it. Null when
 * they reach it.
 *
 * @example 'These weeks make ready for about 2.1 km of 3.2 km: … Ready for 3.2 km from about 6 March 2027.'
 */
export function reachWords(
  q: PlanQuestion,
  plan: Pick<Loads, 'kinds' | 'loads'>,
  mondays: readonly string[],
): string | null {
  const { race } = q;
  if (!race || !hasLongSwims(race)) return null;
  const now = reached(q, plan, mondays);
  if (isEnough(q, now)) return null;
  const week = now.load / USUAL_FACTOR;
  const farM = Math.min(raceForWeekM(week), raceForSwimM(now.swimM));
  // More than the sessions hold is no matter of time.
  const asked = fullestWeekLoad(race.distanceM);
  const sessions = Math.ceil((NEAR * asked) / (levelLoad(q.level, q.minutesPerSession) * SESSION_CEILING));
  const more = NEAR * asked > mostOfSessions(q);
  const day = more ? firstDay({ ...q, sessionsPerWeek: sessions }) : firstDay(q);
  const far = distanceWord(race.distanceM);
  const said = [
    `These weeks make ready for about ${distanceWord(farM)} of ${far}: the fullest has ${distanceWord(week)} of ${distanceWord(fullestWeekM(race.distanceM))}, the longest swim ${distanceWord(now.swimM)} of ${distanceWord(longestFor(race))}.`,
    ...(more
      ? [
          `${counted(q.sessionsPerWeek, 'session')} of ${q.minutesPerSession} min a week do not hold more: at least ${sessions}, or longer ones.`,
        ]
      : []),
    day
      ? `Ready for ${far} from about ${longDayWord(day)}${more ? ' with them' : ''}.`
      : `No date within three years reaches ${far}: choose a shorter race.`,
  ];
  return said.join(' ');
}

/** The first Saturday with weeks enough before it; null when three years are too few. */
function firstDay(q: PlanQuestion): string | null {
  const free: PlanQuestion = { ...q, otherRaces: [], locks: {}, away: {} };
  const enough = (count: number): boolean => {
    const mondays = Array.from({ length: count }, (_, i) => addDays(q.from, 7 * i));
    return isEnough(free, reached(free, loadsOf(free, mondays, TAPER_SHARE[2], 0), mondays));
  };
  if (!enough(FARTHEST_WEEKS)) return null;
  let [few, many] = [0, FARTHEST_WEEKS];
  while (many - few > 1) {
    const middle = (few + many) >> 1;
    if (enough(middle)) many = middle;
    else few = middle;
  }
  return addDays(weekOf(addDays(q.from, 7 * (many - 1))), 5);
}
