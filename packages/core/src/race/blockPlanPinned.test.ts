import { dayWord } from '../words';
import { addDays } from '../days';
import { CAUSE_IDS, CAUSES, STAGES, type CauseId } from '../review';
import { levelLoad, type WeekKind } from '../sessions';
import { blockPlan, weekNoteWords, type PlanQuestion } from '.';

const MONDAY = '2027-01-04';
const usual = levelLoad('hold', 60) * 3;
const week = (n: number) => addDays(MONDAY, 7 * n);
/** A plan of a number of weeks; the race is on the Saturday of the last one. */
const asking = (weeks: number, change: Partial<PlanQuestion> = {}): PlanQuestion => ({
  ...{ from: MONDAY, raceOn: addDays(week(weeks - 1), 5), past: [usual, usual, usual, usual], level: 'hold' },
  ...{ sessionsPerWeek: 3, minutesPerSession: 60, needs: [], steps: [], ...change },
});
const kindsOf = (q: PlanQuestion) => blockPlan(q).weeks.map((w) => w.kind);

/** All ways to lay lighter weeks and the taper, each with what it is worth, by the rules as a coach would say them. */
function byHand(q: PlanQuestion, count: number): { kinds: WeekKind[]; loads: number[] } {
  const ways: { kinds: WeekKind[]; loads: number[]; worth: number }[] = [];
  const shares = { 1: [0.5], 2: [0.6, 0.4] };
  for (const taper of [1, 2] as const)
    for (let done = 0; done <= 3; done++) {
      const weeksOfTaper = Math.min(taper, count) as 1 | 2;
      const kinds: WeekKind[] = [];
      const loads: number[] = [];
      let [inARow, lastWork, worth] = [done, 0, 0];
      let wasted = false;
      for (let i = 0; i < count; i++) {
        const left = count - i;
        // A tenth over the mean of the last four normal weeks, with the usual week for those that are missing.
        const normal = [...q.past, ...loads.filter((_, k) => kinds[k] === 'normal')].slice(-4);
        const sum = normal.reduce((a, b) => a + b, 0) + (4 - normal.length) * usual;
        const limit = Math.min(1.6 * usual, (1.1 * sum) / 4);
        const race = q.otherRaces?.some((day) => day >= week(i) && day < week(i + 1));
        const kind = left <= weeksOfTaper ? 'taper' : race || inARow >= 3 ? 'recovery' : 'normal';
        const work = lastWork > 0 ? lastWork : limit;
        const planned = {
          normal: limit,
          recovery: limit * 0.7,
          taper: work * shares[weeksOfTaper][weeksOfTaper - left]!,
        };
        const load = Math.min(limit, planned[kind]);
        worth += load;
        inARow = kind === 'normal' ? inARow + 1 : 0;
        if (kind === 'normal') lastWork = load;
        // Rest just before the taper is wasted.
        if (kind === 'recovery' && left === weeksOfTaper + 1) wasted = true;
        kinds.push(kind);
        loads.push(load);
      }
      const fullest = Math.max(usual, ...loads);
      if (wasted) worth -= 0.6 * fullest;
      // A fortnight of rest pays from eight weeks on.
      if (weeksOfTaper === 2) worth += count >= 8 ? 0.8 * fullest : -0.5 * fullest;
      ways.push({ kinds, loads, worth });
    }
  return ways.reduce((best, way) => (way.worth > best.worth + 1e-9 ? way : best));
}

describe('the weeks that are worth most, by trying every way', () => {
  const cases: [string, number, Partial<PlanQuestion>][] = [
    ...[1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 13, 16, 20, 26].map((n): [string, number, Partial<PlanQuestion>] => [
      `${n} weeks`,
      n,
      {},
    ]),
    ['after little', 12, { past: [0.4 * usual, 0.5 * usual, 0.6 * usual, 0.6 * usual] }],
    ['after nothing', 9, { past: [] }],
    ['after much', 7, { past: [1.5 * usual, 1.6 * usual, 1.6 * usual, 1.6 * usual] }],
    ['with a race on a Monday', 10, { otherRaces: [week(3)] }],
    ['with a race on a Sunday', 10, { otherRaces: [addDays(week(3), 6)] }],
    ['with a race just before the taper', 11, { otherRaces: [addDays(week(7), 2), addDays(week(8), 6)] }],
    ['with two races', 14, { otherRaces: [addDays(week(2), 5), addDays(week(7), 5)] }],
  ];

  it.each(cases)('%s', (_, count, change) => {
    const q = asking(count, change);
    const best = byHand(q, count);
    const { weeks } = blockPlan(q);
    expect(weeks.map((w) => w.kind)).toEqual(best.kinds);
    expect(weeks.map((w) => w.load)).toEqual(best.loads.map(Math.round));
  });
});

describe('the edges of a plan', () => {
  it('is planned for 52 weeks at most, and begins on a Monday', () => {
    expect(blockPlan(asking(52)).weeks).toHaveLength(52);
    expect(blockPlan(asking(53))).toEqual({ weeks: [], problems: ['The race is 53 weeks away: plan it from 52 on.'] });
    expect(blockPlan({ ...asking(5), raceOn: addDays(MONDAY, -1) }).problems).toEqual([
      'The race is over: choose the next one.',
    ]);
    expect(() => blockPlan({ ...asking(5), from: addDays(MONDAY, 1) })).toThrow(RangeError);
    expect(blockPlan(asking(1)).problems[0]).toContain('The race is this week');
    expect(blockPlan(asking(2)).problems).toEqual([]);
  });

  it('learns to two fifths and builds to three quarters of the weeks before the taper', () => {
    const phases = (count: number) => blockPlan(asking(count, { taperWeeks: 2 })).weeks.map((w) => w.phase);
    const names = (learn: number, build: number, sharpen: number) => [
      ...Array<string>(learn).fill('learn'),
      ...Array<string>(build).fill('build'),
      ...Array<string>(sharpen).fill('sharpen'),
      ...['taper', 'taper'],
    ];
    // Ten weeks of work: four and seven and a half; eight: three and a fifth and six.
    expect(phases(12)).toEqual(names(4, 4, 2));
    expect(phases(10)).toEqual(names(4, 2, 2));
  });

  it('says what each week is for', () => {
    const { weeks } = blockPlan(
      asking(10, { taperWeeks: 2, otherRaces: [week(4)], away: { [week(1)]: 'ill', [week(5)]: 'away' } }),
    );
    const lighter = weeks.findIndex((w, i) => w.kind === 'recovery' && i !== 1 && i !== 4 && i !== 5);
    const words = weeks.map((w) => w.notes.map(weekNoteWords).join(' '));
    expect(words[0]).toBe('');
    expect(words[1]).toBe('Ill: no swimming, and nothing is made up later.');
    expect(words[5]).toBe('Away: no swimming, and nothing is made up later.');
    expect(words[4]).toBe(`Another race on ${dayWord(week(4))}: raced without a taper.`);
    expect(words[8]).toBe('Fewer metres, same effort, nothing new.');
    expect(words[9]).toBe('Race week: familiar work, short and sharp.');
    if (lighter > 0) expect(words[lighter]).toBe('A lighter week: technique, and a test while rested.');
    const plain = blockPlan(asking(9)).weeks;
    const rest = plain.find((w) => w.kind === 'recovery')!;
    expect(rest.notes).toEqual([{ note: 'lighter' }]);
  });

  it('a load held over the limit by more than half a percent is said, with how much', () => {
    const limit = 1.1 * usual;
    const said = (load: number) => blockPlan(asking(8, { locks: { [MONDAY]: { load } } })).problems;
    expect(said(limit * 1.005)).toEqual([]);
    expect(said(limit * 1.006)).toEqual([
      `Week of ${dayWord(MONDAY)}: ${Math.round(limit * 1.006)} is locked, 1 % above what the weeks before it allow.`,
    ]);
    expect(said(limit * 1.25)[0]).toContain(' 25 % above');
    // A week without swimming is no reason for a warning.
    const away = { [MONDAY]: 'ill' } as const;
    expect(blockPlan(asking(8, { away, locks: { [MONDAY]: { load: 9 * usual } } })).problems).toEqual([]);
    expect(blockPlan(asking(8, { locks: { [MONDAY]: { kind: 'recovery' } } })).problems).toEqual([]);
  });
});

describe('tests and steps', () => {
  it('a test falls into the first and then into lighter weeks, over ten days before the race', () => {
    const q = asking(20);
    const { weeks } = blockPlan(q);
    const tests = weeks.flatMap((w, i) => (w.test ? [i] : []));
    expect(tests[0]).toBe(0);
    const lighter = weeks.flatMap((w, i) => (w.kind === 'recovery' ? [i] : []));
    let last = 0;
    const due = lighter.filter((i) => i - last >= 4 && (last = i));
    expect(tests).toEqual([0, ...due]);
    // The week has to end ten days before the race: it begins seventeen before.
    const locks = { [week(1)]: { kind: 'recovery' } } as const;
    const testIn = (days: number) =>
      blockPlan({ ...asking(4, { locks, away: { [MONDAY]: 'ill' } }), raceOn: addDays(week(1), days) }).weeks[1]!.test;
    expect([testIn(16), testIn(17)]).toEqual([false, true]);
  });

  it('steps of the ladder are spread over the weeks before the last fortnight, the first at once', () => {
    const steps = (names: number[], change: Partial<PlanQuestion> = {}, count = 12) =>
      blockPlan(asking(count, { steps: names, ...change })).weeks.map((w) => w.step);
    // Twelve weeks end on a Saturday: ten Mondays lie 14 days or more before it, two to each of five steps.
    expect(steps([3, 4, 5, 6, 7])).toEqual([3, null, 4, null, 5, null, 6, null, 7, null, null, null]);
    expect(steps([0])[0]).toBe(0);
    // A week away passes no step.
    expect(steps([0, 1], { away: { [MONDAY]: 'ill' } })[0]).toBeNull();
    // Exactly a fortnight is enough, a day less is not.
    const short = (days: number) =>
      blockPlan({ ...asking(3, { steps: [6], taperWeeks: 1 }), raceOn: addDays(MONDAY, days) });
    expect([short(14).weeks[0]!.step, short(13).weeks[0]!.step]).toEqual([6, null]);
    expect(short(13).problems.at(-1)).toBe(
      'Before the race there is no week left for a step of the ladder to open water, the first: In a group. A later race, or more than one step a week with the coach.',
    );
    const two = blockPlan({ ...asking(3, { steps: [6, 7], taperWeeks: 1 }), raceOn: addDays(MONDAY, 13) });
    expect(two.problems.at(-1)).toContain('for 2 steps of the ladder to open water, the first: In a group.');
  });
});

describe('themes', () => {
  const stageOf = (id: CauseId) => STAGES.indexOf(CAUSES[id].stage);
  /** The cause of each stage for which most can be done, of crawl, or of open water where that is swum. */
  const ofEachStage = (place: 'pool' | 'open-water', calm: boolean) =>
    STAGES.filter((stage) => calm || stage !== 'calm').flatMap((stage) => {
      const causes = CAUSE_IDS.filter(
        (id) =>
          CAUSES[id].stage === stage &&
          (CAUSES[id].strokes[0] === 'front-crawl' || (place === 'open-water' && stage === 'open-water skills')),
      );
      const most = Math.max(...causes.map((id) => CAUSES[id].answers.length));
      return causes.filter((id) => CAUSES[id].answers.length === most).slice(0, 1);
    });
  const themesOf = (q: PlanQuestion) => blockPlan(q).weeks.map((w) => w.theme);
  const LONG = 30;

  it.each([
    ['pool', 'hold'],
    ['open-water', 'hold'],
    ['pool', 'settle'],
    ['open-water', 'build'],
  ] as const)('in %s at %s go through the stages, two weeks each', (place, level) => {
    const queue = ofEachStage(place, level === 'settle');
    const themes = themesOf(asking(LONG, { place, level }));
    // The last week, and the one that ends in the last ten days, bring nothing new.
    for (let i = 0; i < LONG - 2; i++) expect(themes[i]).toBe(queue[Math.floor(i / 2) % queue.length]);
  });

  it('needs come first, upstream before downstream, and their stages are not worked on twice', () => {
    const needs: CauseId[] = ['dropped-elbow', 'breath-too-low'];
    const sorted = [...needs].sort((a, b) => stageOf(a) - stageOf(b));
    const others = ofEachStage('pool', false).filter((id) => !needs.some((need) => stageOf(need) === stageOf(id)));
    const queue = [...sorted, ...others];
    const themes = themesOf(asking(LONG, { needs: [...needs, ...needs] }));
    for (let i = 0; i < LONG - 2; i++) expect(themes[i]).toBe(queue[Math.floor(i / 2) % queue.length]);
    // Near the race what was worked on first among the needs.
    expect(themes.slice(-2)).toEqual([sorted[0], sorted[0]]);
  });

  it('a week away is not worked on, and a locked theme stays', () => {
    const themes = themesOf(asking(8, { needs: ['breath-too-low', 'dropped-elbow'], away: { [week(1)]: 'ill' } }));
    expect(themes[0]).toBe(themes[2]);
    expect(themes[3]).not.toBe(themes[2]);
    const locks = { [week(7)]: { theme: 'knee-kick' } } as const;
    expect(themesOf(asking(8, { locks }))[7]).toBe('knee-kick');
  });

  it('is nothing new when the week ends in the last ten days: nine days and a day', () => {
    // Two weeks of each theme: with the third week new, unless it ends within ten days of the race.
    const third = (days: number) =>
      themesOf({ ...asking(5), raceOn: addDays(addDays(week(2), 6), days) })[2] !== themesOf(asking(5))[0];
    expect([third(9), third(10)]).toEqual([false, true]);
  });
});

it('the plan of a race this week is all taper', () => expect(kindsOf(asking(1))).toEqual(['taper']));
