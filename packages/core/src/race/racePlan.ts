import { ladderCard, type LadderId } from '../library';
import { farthestForAge, tooFarWords } from '../safety';
import { levelCard, type LevelId, RACE_NEAR_DAYS } from '../swimmers';
import type { Source } from './assumed';
import { blockPlan } from './blockPlan';
import { type BlockPlan, type PlanQuestion } from './planModel';
import { daysBetween, weekOf } from '../days';
import { type OtherRace, type RaceChoices, type RaceFacts, tooFarForTheAge } from './facts';
import { noOutlookWords } from './gapWords';
import { hasLongSwims, type RaceAsked } from './longRace';
import { readiness, type ReadyItem } from './readiness';
import { openWaterSteps } from './weekNotes';
import { trialsWords } from '../measures';
import { formatTime } from '../units';
import { counted, listWord } from '../words';

/** Longest distance that a level swims without a stop, metres, where no longer swim is known: our own guess. */
const REACH_M: Readonly<Record<LevelId, number>> = { settle: 50, build: 400, hold: 1500, race: 3000 };
/** Weeks in which the longest swim may double: our own rule of thumb. */
const DOUBLES_WEEKS = 6;
/** A swimmer who can cover this share of the race without stopping gets through it on the day. */
const ENOUGH = 0.75;

/** Sessions a week and minutes each, for a swimmer when nothing else is known. */
const USUAL_WEEK = { sessions: 2, minutes: 60 };
/** What can be chosen: least and most. */
export const WEEK_RANGE = { sessionsPerWeek: [1, 14], minutesPerSession: [10, 240] } as const;

/** How often and how long a swimmer swims: as the coach says, else as the squad's water allows, else as is usual. */
export function trainingWeek(
  { sessionsPerWeek, minutesPerSession }: RaceChoices,
  { week }: Pick<RaceFacts, 'week'>,
): Pick<PlanQuestion, 'sessionsPerWeek' | 'minutesPerSession'> {
  return {
    sessionsPerWeek: sessionsPerWeek ?? week?.sessions ?? USUAL_WEEK.sessions,
    minutesPerSession: minutesPerSession ?? week?.minutes ?? USUAL_WEEK.minutes,
  };
}

/** The weeks to the race as they stand today, with what does not fit said first. */
export function racePlan(facts: RaceFacts, choices: RaceChoices, today: string): BlockPlan {
  if (facts.raceOn < today) return { weeks: [], problems: [noOutlookWords({ why: 'over' })] };
  const others = (choices.otherRaces ?? []).filter((r) => r.date !== facts.raceOn || r.event !== facts.event);
  const plan = blockPlan({
    from: weekOf(today),
    raceOn: facts.raceOn,
    past: facts.past,
    level: facts.level,
    place: facts.place,
    ...trainingWeek(choices, facts),
    race: raceAsked(facts, choices),
    needs: facts.needs,
    steps: openSteps(facts),
    otherRaces: others.map((r) => r.date).filter((day) => day >= today && day <= facts.raceOn),
    ...(choices.taperWeeks ? { taperWeeks: choices.taperWeeks } : {}),
    ...(choices.locks ? { locks: choices.locks } : {}),
    ...(choices.away ? { away: choices.away } : {}),
  });
  if (plan.weeks.length === 0) return plan;
  const far = tooFarForTheAge(facts, choices);
  return {
    ...plan,
    problems: [
      ...(far ? [tooFarWords(far)] : []),
      ...contradicts(facts),
      ...tooFar(facts, choices, today),
      ...nearRaces(facts, others),
      ...plan.problems,
    ],
  };
}

/** The longest swim without a stop: as the coach says or as is on record, or else what the level usually manages, metres. */
export function longestSwum(
  { level, trials, swumM = [] }: RaceFacts,
  { longestM }: RaceChoices,
): { readonly metres: number; readonly from: Source } {
  const recorded = Math.max(0, ...trials.map((t) => t.distanceM), ...swumM.map(Math.floor));
  if (longestM !== undefined && longestM > recorded) return { metres: longestM, from: 'coach' };
  if (longestM !== undefined || recorded >= REACH_M[level]) return { metres: recorded, from: 'record' };
  return { metres: REACH_M[level], from: 'guess' };
}

/** Speed of a long swim: as in the longest trial, or else the usual one of the level. */
function longSpeedMps({ level, trials }: RaceFacts): number {
  const longest = trials.reduce<RaceFacts['trials'][number] | null>(
    (a, t) => (a && a.distanceM >= t.distanceM ? a : t),
    null,
  );
  return longest ? longest.distanceM / longest.timeS : levelCard(level).defaultV400Mps;
}

export function raceAsked(facts: RaceFacts, choices: RaceChoices): RaceAsked {
  const outside = facts.place === 'open-water';
  const { birthYear = null, raceOn } = facts;
  const mostM = outside ? farthestForAge(birthYear, Number(raceOn.slice(0, 4))) : null;
  return {
    distanceM: (outside ? choices.courseM : null) ?? facts.distanceM,
    longestM: longestSwum(facts, choices).metres,
    speedMps: longSpeedMps(facts),
    outside,
    noClock: facts.targetS === null,
    ...(mostM === null ? {} : { mostM }),
  };
}

/** Steps of the ladder to open water not passed yet; none for a pool, or for those who raced outside before. */
function openSteps({ place, ladderSteps, level, extra }: RaceFacts): number[] {
  if (place === 'pool') return [];
  const passed = ladderSteps['pool-to-open-water'];
  // No step noted: swimmers at Hold or Race, or with a track, have swum in open water before.
  if (passed === undefined && (extra !== null || level === 'hold' || level === 'race')) return [];
  return [...openWaterSteps().keys()].slice(passed ?? 0);
}

function contradicts({ contradiction, trials }: RaceFacts): string[] {
  if (!contradiction) return [];
  const rests = trials.map((t) => `${t.distanceM} m in ${formatTime(t.timeS, 1)}`);
  return [
    `${trialsWords(contradiction)}${rests.length > 0 ? ` Until then the prediction rests on ${listWord(rests)}.` : ''}`,
  ];
}

/** For short races against the clock: others are asked about in {@link blockPlan}. */
function tooFar(facts: RaceFacts, choices: RaceChoices, today: string): string[] {
  const { level, distanceM, raceOn } = facts;
  if (hasLongSwims(raceAsked(facts, choices))) return [];
  const weeks = Math.max(0, daysBetween(today, raceOn) / 7);
  const longest = longestSwum(facts, choices).metres;
  const reach = longest * 2 ** (weeks / DOUBLES_WEEKS);
  if (reach >= distanceM * ENOUGH) return [];
  const first = Math.max(100, Math.floor(reach / 100) * 100);
  return [
    `${levelCard(level).name} means: ${levelCard(level).who}. From ${longest} m without a stop, ${weeks < 1 ? 'the days left' : counted(Math.round(weeks), 'week')} reach about ${first} m, not ${distanceM} m. A first goal of ${first} m, and this race later.`,
  ];
}

function nearRaces({ raceOn, event }: RaceFacts, others: readonly OtherRace[]): string[] {
  return others.flatMap((other) => {
    const days = daysBetween(other.date, raceOn);
    if (Math.abs(days) > RACE_NEAR_DAYS) return [];
    const apart = counted(Math.abs(days), 'day');
    return [
      days >= 0
        ? `${other.event} is ${apart} before ${event}: one taper for both. It is swum for practice; the goal stays ${event}.`
        : `${other.event} is ${apart} after ${event}: no building in between, only rest and short swims. Which of the two is the goal?`,
    ];
  });
}

/** The list before a race outside; empty for a pool. */
export function raceReadiness(facts: RaceFacts, choices: RaceChoices, today: string): ReadyItem[] {
  if (facts.place === 'pool' || facts.raceOn < today) return [];
  const marks = choices.marks ?? {};
  const ladder = (id: LadderId): boolean | null => {
    const passed = facts.ladderSteps[id];
    return passed === undefined ? null : passed >= ladderCard(id).steps.length;
  };
  return readiness({
    raceOn: facts.raceOn,
    today,
    wetsuit: choices.wetsuit ?? false,
    waterC: choices.waterC ?? null,
    race: raceAsked(facts, choices),
    known: {
      breathes: facts.breathes,
      sightsWithoutStopping: marks.sighting ?? ladder('sighting'),
      groupStart: marks.groupStart ?? ladder('group'),
      coldDips: Math.max(marks.coldDips ?? 0, facts.outside),
      wetsuitTried: marks.wetsuit ?? null,
      courseRehearsed: marks.course ?? (facts.rehearsed ? true : null),
      swumM: facts.swumM ?? [],
      longSwims: marks.longSwims ?? null,
      fed: marks.fed ?? null,
      cardRead: marks.card ?? null,
    },
  });
}

/** How to swim when a ride and a run follow. */
export const SAVE_THE_LEGS = [
  'A ride and a run follow: save the legs. Short kick only at the start, at marks and to catch feet.',
  'A wetsuit carries the legs: even less kick.',
] as const;
