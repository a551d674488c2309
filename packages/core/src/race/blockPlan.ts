import { CAUSE_IDS, causeCard, type CauseId, STAGES } from '../review';
import { WEEK_SHARE, type WeekKind } from '../sessions';
import { NOTHING_NEW_DAYS, RACE_NEAR_DAYS } from '../swimmers';
import { DAY_MS, dayMs, isoOf, weekdayOf } from '../days';
import { type BlockPlan, MOST_WEEKS, type PlanQuestion, TAPER_SHARE, TAPER_WEEKS } from './planModel';
import { type Loads, loadsOf, ROW } from './weekLoads';
import { noOutlookWords } from './gapWords';
import { FED_FROM_S } from '../safety';
import { IN_RACE_WATER } from './longRace';
import { longSwimsOf, reachWords } from './reach';
import { type LongSwimNote, openWaterStep, type WeekNote } from './weekNotes';
import { counted } from '../words';

/** Weeks a theme is kept: long enough to change a stroke. */
const THEME_WEEKS = 2;
/** Weeks between two tests, at least. */
const TEST_EVERY = 4;

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
  if (count < 1) return { weeks: [], problems: [noOutlookWords({ why: 'over' })] };
  if (count > MOST_WEEKS)
    return { weeks: [], problems: [`The race is ${counted(count, 'week')} away: plan it from ${MOST_WEEKS} on.`] };
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
  const longs = longNotes(q, kinds, mondays);
  const reach = reachWords(q, { kinds, loads }, mondays);
  return {
    weeks: mondays.map((monday, i) => ({
      monday,
      phase: kinds[i] === 'taper' ? 'taper' : i < build * 0.4 ? 'learn' : i < build * 0.75 ? 'build' : 'sharpen',
      kind: kinds[i]!,
      load: Math.round(loads[i]!),
      theme: themes[i]!,
      step: steps[i]!,
      test: tests[i]!,
      notes: [...notesOf(q, monday, kinds[i]!, i === count - 1), ...(longs[i] ? [longs[i]] : [])],
    })),
    ...(reach === null ? {} : { reach }),
    problems: [
      ...(count === 1 ? ['The race is this week: no more building, only rest and familiar work.'] : []),
      ...problems,
      ...(missing.length > 0
        ? [
            `Before the race there is no week left for ${missing.length === 1 ? 'a step' : counted(missing.length, 'step')} of the ladder to open water, the first: ${openWaterStep(missing[0]!)} A later race, or more than one step a week with the coach.`,
          ]
        : []),
    ],
  };
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
  const stage = (id: CauseId) => STAGES.indexOf(causeCard(id).stage);
  const fits = CAUSE_IDS.filter(
    (id) =>
      causeCard(id).strokes[0] === 'front-crawl' ||
      (q.place === 'open-water' && causeCard(id).stage === 'open-water skills'),
  );
  const wanted = [...new Set(q.needs)];
  // Where nothing is needed, what most can be done about; being at ease in the water is for those who begin.
  const most = (ids: readonly CauseId[]) =>
    [...ids].sort((a, b) => causeCard(b).answers.length - causeCard(a).answers.length).slice(0, 1);
  const stages = STAGES.filter((s) => s !== 'calm' || q.level === 'settle');
  const others = stages
    .flatMap((s) => most(fits.filter((id) => causeCard(id).stage === s)))
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
  const steps: (number | null)[] = mondays.map(() => null);
  const gap = Math.max(1, Math.floor(usable.length / Math.max(1, q.steps.length)));
  const missing: number[] = [];
  q.steps.forEach((step, k) => {
    const week = usable[k * gap];
    if (week === undefined) missing.push(step);
    else steps[week] = step;
  });
  return { steps, missing };
}

function notesOf(q: PlanQuestion, monday: string, kind: WeekKind, race: boolean): WeekNote[] {
  const others = (q.otherRaces ?? []).filter((day) => day >= monday && dayMs(day) < dayMs(monday) + 7 * DAY_MS);
  const away = q.away?.[monday];
  if (away) return [{ note: away }];
  return [
    ...(race ? [{ note: 'race' } as const] : []),
    ...others.map((on) => ({ note: 'other-race', on }) as const),
    ...(kind === 'taper' && !race ? [{ note: 'taper' } as const] : []),
    ...(kind === 'recovery' && others.length === 0 ? [{ note: 'lighter' } as const] : []),
  ];
}

/** The long swims as notes: the last of them in the water of the race. */
function longNotes(q: PlanQuestion, kinds: readonly WeekKind[], mondays: readonly string[]): (LongSwimNote | null)[] {
  const longs = longSwimsOf(q, kinds, mondays);
  const last = longs.flatMap((m, i) => (m === null ? [] : [i])).slice(-IN_RACE_WATER);
  return longs.map((metres, i) => {
    if (metres === null || !q.race) return null;
    const { outside, speedMps } = q.race;
    return { note: 'long-swim', metres, outside: outside && last.includes(i), fed: metres / speedMps > FED_FROM_S };
  });
}
