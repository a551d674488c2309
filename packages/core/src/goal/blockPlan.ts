import { CAUSE_IDS, CAUSES, STAGES, type CauseId } from '../review';
import { levelLoad, WEEK_SHARE, WEEKLY_RISE, type WeekKind } from '../sessions';
import { NOTHING_NEW_DAYS, RACE_NEAR_DAYS, type LevelId } from '../swimmers';
import { DAY_MS, dayMs, isoOf, weekdayOf } from '../days';

export const PHASES = ['learn', 'build', 'sharpen', 'taper'] as const;
export type Phase = (typeof PHASES)[number];

/** Weeks a taper can have, and what each of them keeps of the last week of work: volume falls by 40 to 60 %, effort stays. */
const TAPER_SHARE = { 1: [WEEK_SHARE.taper], 2: [0.6, 0.4] } as const;
export type TaperWeeks = keyof typeof TAPER_SHARE;
export const TAPER_WEEKS = Object.keys(TAPER_SHARE).map(Number) as readonly TaperWeeks[];

/** How deep a phase reaches, as an effort: for pictures of the weeks. */
const PHASE_EFFORT: Readonly<Record<Phase, number>> = { learn: 0.68, build: 0.78, sharpen: 0.95, taper: 0.62 };
const LIGHT_EFFORT = 0.55;

/** The effort by which a week is drawn: deeper from learning to sharpening, light in a lighter week. */
export const weekEffort = ({ kind, phase }: Pick<PlanWeek, 'kind' | 'phase'>): number =>
  kind === 'recovery' ? LIGHT_EFFORT : PHASE_EFFORT[phase];

/** By how much a coach moves the load of a week at a time: a twentieth, half a rise. */
export const loadStep = (load: number): number => Math.max(50, Math.round(load * 0.05));

/** What a coach holds fast in a week. */
export interface WeekLock {
  readonly kind?: WeekKind;
  readonly load?: number;
  readonly theme?: CauseId;
}

export interface PlanQuestion {
  /** Monday of the first week, ISO date. */
  readonly from: string;
  /** Day of the race, ISO date. */
  readonly raceOn: string;
  /** Loads of the weeks before, the oldest first; as they were swum, not as they were planned. */
  readonly past: readonly number[];
  readonly level: LevelId;
  /** Outside there are skills of its own; the pool when left out. */
  readonly place?: 'pool' | 'open-water';
  readonly sessionsPerWeek: number;
  readonly minutesPerSession: number;
  /** Share a week may rise over the mean of the four before it. */
  readonly riseLimit?: number;
  /** Causes this swimmer needs, the most wanted first. */
  readonly needs: readonly CauseId[];
  /** Steps of the ladder to open water that are not passed yet, in order; none for a race in a pool. */
  readonly steps: readonly string[];
  /** Weeks of taper; solved when left out. */
  readonly taperWeeks?: TaperWeeks;
  /** Other races on the way, ISO dates. */
  readonly otherRaces?: readonly string[];
  /** By the Monday of the week. */
  readonly locks?: Readonly<Record<string, WeekLock>>;
  /** Weeks in which nothing is swum, by their Monday; what is missed is not made up for. */
  readonly away?: Readonly<Record<string, Absence>>;
}

export const ABSENCES = ['ill', 'away'] as const;
export type Absence = (typeof ABSENCES)[number];

export interface PlanWeek {
  readonly monday: string;
  readonly phase: Phase;
  readonly kind: WeekKind;
  /** Metres × effort factor. */
  readonly load: number;
  readonly theme: CauseId;
  /** Step of the ladder to open water that is passed this week; null when none is. */
  readonly step: string | null;
  /** Critical speed and drift are measured again. */
  readonly test: boolean;
  readonly words: readonly string[];
}

export interface BlockPlan {
  readonly weeks: readonly PlanWeek[];
  /** What could not be done, and why. */
  readonly problems: readonly string[];
}

/** Longest plan, weeks. */
export const MOST_WEEKS = 52;
/** Weeks in a row before one of recovery. */
const ROW = 3;
/** Weeks a theme is kept: long enough to change a stroke. */
const THEME_WEEKS = 2;
/** Of the swimmer's own fullest week of late: who was ill begins here again, not where the plan would be. */
const FLOOR_SHARE = 0.5;
/** Of the level's usual week: who was long away begins here. */
const LEAST_SHARE = 0.25;
/** Weeks that count as late. */
const OWN_WEEKS = 8;
/** Of the level's usual week, at most. */
const CEILING_SHARE = 1.6;
/** Weeks between two tests, at least. */
const TEST_EVERY = 4;

const mean = (values: readonly number[]) => values.reduce((sum, v) => sum + v, 0) / values.length;

/**
 * The weeks to a race: load within the rise limit, recovery, taper, tests, themes and steps of the ladder.
 *
 * Loads rise as far as the limit lets them; where recovery falls and how long the taper is, is tried out, and the
 * plan with the most training in it that ends rested is taken. Missed weeks lower what follows: the plan is made
 * from what was swum, and lost metres are not chased. Same question, same plan.
 *
 * @throws RangeError when the first week is no Monday
 */
export function blockPlan(q: PlanQuestion): BlockPlan {
  const first = dayMs(q.from);
  if (weekdayOf(q.from) !== 1) throw new RangeError('from: a Monday');
  const count = Math.floor((dayMs(q.raceOn) - first) / DAY_MS / 7) + 1;
  if (count < 1) return { weeks: [], problems: ['The race is over: choose the next one.'] };
  if (count > MOST_WEEKS)
    return { weeks: [], problems: [`The race is ${count} weeks away: plan it from ${MOST_WEEKS} on.`] };
  const mondays = Array.from({ length: count }, (_, i) => isoOf(first + i * 7 * DAY_MS));
  // A choice kept from when other tapers were offered is solved again.
  const chosen = TAPER_WEEKS.find((weeks) => weeks === q.taperWeeks);
  const tapers = chosen ? [chosen] : TAPER_WEEKS;
  let best: { loads: Loads; worth: number } | null = null;
  for (const taper of tapers)
    for (let offset = 0; offset <= ROW; offset++) {
      // With fewer weeks left than the taper has, all of them are taper.
      const shares = taper <= count ? TAPER_SHARE[taper] : mondays.map(() => WEEK_SHARE.taper);
      const loads = loadsOf(q, mondays, shares, offset);
      if (!best || loads.worth > best.worth + 1e-9) best = { loads, worth: loads.worth };
    }
  const { kinds, loads, problems } = best!.loads;
  const tests = testWeeks(q, kinds, mondays);
  const themes = themesOf(q, mondays);
  const { steps, missing } = stepsOf(q, mondays, kinds);
  const build = kinds.filter((k) => k !== 'taper').length;
  return {
    weeks: mondays.map((monday, i) => ({
      monday,
      phase: kinds[i] === 'taper' ? 'taper' : i < build * 0.4 ? 'learn' : i < build * 0.75 ? 'build' : 'sharpen',
      kind: kinds[i]!,
      load: Math.round(loads[i]!),
      theme: themes[i]!,
      step: steps[i]!,
      test: tests[i]!,
      words: wordsOf(q, monday, kinds[i]!, i === count - 1),
    })),
    problems: [
      ...(count === 1 ? ['The race is this week: nothing is built any more, only rest and what is known.'] : []),
      ...problems,
      ...(missing.length > 0
        ? [
            `Before the race there is no week left for ${missing.length === 1 ? 'a step' : `${missing.length} steps`} of the ladder to open water, the first: ${missing[0]} A later race, or more than one step a week with the coach.`,
          ]
        : []),
    ],
  };
}

interface Loads {
  readonly kinds: readonly WeekKind[];
  readonly loads: readonly number[];
  readonly problems: readonly string[];
  readonly worth: number;
}

const usualWeek = ({ level, minutesPerSession, sessionsPerWeek }: PlanQuestion) =>
  levelLoad(level, minutesPerSession) * sessionsPerWeek;

/** The most a week may have, from the four before it. */
export function weekLimit(before: readonly number[], usual: number, riseLimit = WEEKLY_RISE): number {
  const four = before.slice(-4);
  // Before there are records of four weeks the level's usual week stands for those that are missing.
  const whole = [...Array.from({ length: 4 - four.length }, () => usual), ...four];
  const own = Math.max(0, ...before.slice(-OWN_WEEKS));
  const floor = Math.max(own * FLOOR_SHARE, usual * LEAST_SHARE);
  return Math.min(usual * CEILING_SHARE, Math.max(floor, mean(whole) * (1 + riseLimit)));
}

function loadsOf(q: PlanQuestion, mondays: readonly string[], shares: readonly number[], offset: number): Loads {
  const taper = shares.length;
  const usual = usualWeek(q);
  const kinds: WeekKind[] = [];
  const loads: number[] = [];
  const problems: string[] = [];
  let row = offset;
  let beforeTaper = 0;
  let worth = 0;
  mondays.forEach((monday, i) => {
    const lock = q.locks?.[monday];
    const left = mondays.length - i;
    const limit = weekLimit([...q.past, ...loads], usual, q.riseLimit);
    const other = q.otherRaces?.some((day) => day >= monday && dayMs(day) < dayMs(monday) + 7 * DAY_MS) ?? false;
    const away = q.away?.[monday] !== undefined;
    const kind: WeekKind = away
      ? 'recovery'
      : (lock?.kind ?? (left <= taper ? 'taper' : other || row >= ROW ? 'recovery' : 'normal'));
    const planned =
      kind === 'taper'
        ? (beforeTaper || limit) * shares[Math.max(0, taper - left)]!
        : kind === 'recovery'
          ? limit * WEEK_SHARE.recovery
          : limit;
    const load = away ? 0 : (lock?.load ?? Math.min(planned, limit));
    if (!away && lock?.load !== undefined && lock.load > limit * 1.005)
      problems.push(
        `Week of ${monday}: ${Math.round(lock.load)} is held fast, ${Math.round((lock.load / limit - 1) * 100)} % over what the weeks before allow.`,
      );
    row = kind === 'normal' ? row + 1 : 0;
    if (kind === 'normal') beforeTaper = load;
    // Rest just before the taper is wasted.
    worth += load;
    if (kind === 'recovery' && left === taper + 1) worth -= usual * 0.6;
    kinds.push(kind);
    loads.push(load);
  });
  // A fortnight of rest pays only after weeks of work.
  if (taper === 2) worth += mondays.length >= 8 ? usual * 0.8 : -usual * 0.5;
  return { kinds, loads, problems, worth };
}

/** Rested weeks, so far apart that a change can be seen, and none in the last ten days. */
function testWeeks({ raceOn, away }: PlanQuestion, kinds: readonly WeekKind[], mondays: readonly string[]): boolean[] {
  let last = -TEST_EVERY;
  return kinds.map((kind, i) => {
    if (away?.[mondays[i]!]) return false;
    const near = dayMs(raceOn) - dayMs(mondays[i]!) < (NOTHING_NEW_DAYS + 7) * DAY_MS;
    const due = (kind === 'recovery' || i === 0) && i - last >= TEST_EVERY && !near;
    if (due) last = i;
    return due;
  });
}

/** Upstream first: what the swimmer needs, then the other stages of a stroke. */
function themesOf(q: PlanQuestion, mondays: readonly string[]): CauseId[] {
  const stage = (id: CauseId) => STAGES.indexOf(CAUSES[id].stage);
  const fits = CAUSE_IDS.filter(
    (id) =>
      CAUSES[id].strokes[0] === 'front-crawl' || (q.place === 'open-water' && CAUSES[id].stage === 'open-water skills'),
  );
  const wanted = [...new Set(q.needs)];
  // Where nothing is needed, what most can be done about; being at ease in the water is for those who begin.
  const most = (ids: readonly CauseId[]) =>
    [...ids].sort((a, b) => CAUSES[b].answers.length - CAUSES[a].answers.length).slice(0, 1);
  const stages = STAGES.filter((s) => s !== 'calm' || q.level === 'settle');
  const others = stages
    .flatMap((s) => most(fits.filter((id) => CAUSES[id].stage === s)))
    .filter((id) => !wanted.some((need) => stage(need) === stage(id)));
  // Needs come before the others of their reach: first all that is needed upstream to downstream, then the rest.
  const queue = [...wanted.sort((a, b) => stage(a) - stage(b)), ...others];
  const themes: CauseId[] = [];
  let trained = 0;
  mondays.forEach((monday) => {
    const lock = q.locks?.[monday]?.theme;
    const late = dayMs(q.raceOn) - (dayMs(monday) + 6 * DAY_MS) < NOTHING_NEW_DAYS * DAY_MS;
    const next = queue[Math.floor(trained / THEME_WEEKS) % queue.length]!;
    if (!q.away?.[monday]) trained++;
    // Near the race only what is known: what was worked on longest ago among the needs, else the last theme.
    const known = themes.find((id) => wanted.includes(id)) ?? themes.at(-1) ?? queue[0]!;
    themes.push(lock ?? (late ? known : next));
  });
  return themes;
}

/** A step a week, as late as lets all of them be passed a fortnight before the race; recovery weeks count too. */
function stepsOf(q: PlanQuestion, mondays: readonly string[], kinds: readonly WeekKind[]) {
  const usable = mondays.flatMap((monday, i) =>
    kinds[i] !== 'taper' && !q.away?.[monday] && dayMs(q.raceOn) - dayMs(monday) >= RACE_NEAR_DAYS * DAY_MS ? [i] : [],
  );
  const steps: (string | null)[] = mondays.map(() => null);
  const gap = Math.max(1, Math.floor(usable.length / Math.max(1, q.steps.length)));
  const missing: string[] = [];
  q.steps.forEach((step, k) => {
    const week = usable[k * gap];
    if (week === undefined) missing.push(step);
    else steps[week] = step;
  });
  return { steps, missing };
}

function wordsOf(q: PlanQuestion, monday: string, kind: WeekKind, race: boolean): string[] {
  const others = (q.otherRaces ?? []).filter((day) => day >= monday && dayMs(day) < dayMs(monday) + 7 * DAY_MS);
  const away = q.away?.[monday];
  if (away) return [`${away === 'ill' ? 'Ill' : 'Away'}: nothing is swum, and nothing is made up for.`];
  return [
    ...(race ? ['Race week: what is known, short and sharp.'] : []),
    ...others.map((day) => `Another race on ${day}: swum out of training.`),
    ...(kind === 'taper' && !race ? ['Metres down, effort stays, nothing new.'] : []),
    ...(kind === 'recovery' && others.length === 0 ? ['A lighter week: technique, and a test while rested.'] : []),
  ];
}
