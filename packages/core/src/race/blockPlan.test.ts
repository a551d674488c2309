import fc from 'fast-check';
import { CAUSE_IDS, CAUSES } from '../review';
import { levelLoad } from '../sessions';
import { NOTHING_NEW_DAYS } from '../swimmers';
import { blockPlan, weekLimit, type PlanQuestion, type WeekLock } from '.';

const MONDAY = '2027-01-04';
const DAY = 86_400_000;
const daysFrom = (iso: string, days: number) =>
  new Date(Date.parse(`${iso}T00:00:00Z`) + days * DAY).toISOString().slice(0, 10);
const usual = levelLoad('hold', 60) * 3;
const question = (change: Partial<PlanQuestion> = {}): PlanQuestion => ({
  from: MONDAY,
  raceOn: daysFrom(MONDAY, 15 * 7 + 5),
  past: [usual, usual, usual, usual],
  level: 'hold',
  sessionsPerWeek: 3,
  minutesPerSession: 60,
  needs: ['breath-too-low', 'holds-breath'],
  steps: [],
  ...change,
});
const anyQuestion = fc
  .record({
    days: fc.integer({ min: 0, max: 26 * 7 }),
    past: fc.array(fc.double({ min: 0, max: 2 * usual, noNaN: true }), { maxLength: 6 }),
    needs: fc.uniqueArray(fc.constantFrom(...CAUSE_IDS), { maxLength: 5 }),
    steps: fc.array(fc.nat({ max: 7 }), { maxLength: 8 }),
    riseLimit: fc.constantFrom(0.05, 0.1, 0.15),
    others: fc.array(fc.integer({ min: 0, max: 180 }), { maxLength: 2 }),
  })
  .map(({ days, others, ...rest }) =>
    question({ ...rest, raceOn: daysFrom(MONDAY, days), otherRaces: others.map((d) => daysFrom(MONDAY, d)) }),
  );

describe('the weeks to a race', () => {
  it('keep every promise, whatever is asked', () => {
    fc.assert(
      fc.property(anyQuestion, (q) => {
        const { weeks } = blockPlan(q);
        // No gap: Monday after Monday, the last one holds the race.
        weeks.forEach((w, i) => expect(w.monday).toBe(daysFrom(q.from, 7 * i)));
        expect(q.raceOn >= weeks.at(-1)!.monday && q.raceOn < daysFrom(weeks.at(-1)!.monday, 7)).toBe(true);
        const loads = [...q.past];
        let row = 0;
        weeks.forEach((w, i) => {
          expect(w.load).toBeLessThanOrEqual(weekLimit(loads, usual, q.riseLimit) + 1);
          expect(w.load).toBeGreaterThan(0);
          loads.push(w.load);
          row = w.kind === 'normal' ? row + 1 : 0;
          expect(row).toBeLessThanOrEqual(3);
          expect(w.kind === 'taper').toBe(w.phase === 'taper');
          // The end of the week lies within the last ten days: nothing that was not worked on before.
          const left = (Date.parse(q.raceOn) - Date.parse(w.monday)) / DAY - 6;
          if (left < NOTHING_NEW_DAYS && i > 0) expect(weeks.slice(0, i).map((b) => b.theme)).toContain(w.theme);
          if (w.test) expect((Date.parse(q.raceOn) - Date.parse(w.monday)) / DAY).toBeGreaterThan(NOTHING_NEW_DAYS + 6);
        });
        const taper = weeks.filter((w) => w.kind === 'taper');
        expect(taper.length).toBeGreaterThanOrEqual(1);
        expect(taper.length).toBeLessThanOrEqual(2);
        const before = weeks.filter((w) => w.kind === 'normal').at(-1);
        if (before) for (const w of taper) expect(w.load).toBeLessThanOrEqual(before.load * 0.6 + 1);
        const steps = weeks.flatMap((w) => (w.step === null ? [] : [w.step]));
        expect(steps).toEqual(q.steps.slice(0, steps.length));
      }),
      { numRuns: 150 },
    );
  });

  it('rise by the limit, rest every fourth week, and end rested', () => {
    const { weeks, problems } = blockPlan(question());
    expect(problems).toEqual([]);
    expect(weeks).toHaveLength(16);
    const normal = weeks.filter((w) => w.kind === 'normal').map((w) => w.load);
    expect(Math.max(...normal)).toBeGreaterThan(usual * 1.1);
    expect(weeks.filter((w) => w.kind === 'recovery').length).toBeGreaterThanOrEqual(3);
    // Sixteen weeks of work are worth a fortnight of taper; the lightest week is the last.
    expect(weeks.slice(-2).map((w) => w.kind)).toEqual(['taper', 'taper']);
    expect(Math.min(...weeks.map((w) => w.load))).toBe(weeks.at(-1)!.load);
    expect(weeks.filter((w) => w.test).length).toBeGreaterThanOrEqual(3);
  });

  it('work upstream first, whatever was named first', () => {
    const of = (stage: string) => CAUSE_IDS.find((id) => CAUSES[id].stage === stage)!;
    const [calm, pull] = [of('calm'), of('catch and pull')];
    const { weeks } = blockPlan(question({ needs: [pull, calm] }));
    expect(weeks.slice(0, 4).map((w) => w.theme)).toEqual([calm, calm, pull, pull]);
  });

  it('do not chase what an illness took', () => {
    const well = blockPlan(question());
    const ill = blockPlan(question({ past: [usual, usual, 0, 0] }));
    expect(ill.weeks[0]!.load).toBeLessThan(well.weeks[0]!.load * 0.6);
    ill.weeks.forEach((w, i) => expect(w.load).toBeLessThanOrEqual(well.weeks[i]!.load + 1));
    const sum = (plan: typeof well) => plan.weeks.reduce((total, w) => total + w.load, 0);
    expect(sum(ill)).toBeLessThan(sum(well));
  });

  it('keep whatever is locked and every absence, and obey the limits around them', () => {
    const change = fc.record({
      week: fc.integer({ min: 0, max: 25 }),
      load: fc.option(fc.integer({ min: 0, max: 20_000 }), { nil: undefined }),
      kind: fc.option(fc.constantFrom('normal', 'recovery', 'taper' as const), { nil: undefined }),
      theme: fc.option(fc.constantFrom(...CAUSE_IDS), { nil: undefined }),
      away: fc.constantFrom('ill', 'away', undefined),
    });
    fc.assert(
      fc.property(anyQuestion, fc.array(change, { maxLength: 5 }), (q, changes) => {
        const at = (week: number) => daysFrom(MONDAY, 7 * week);
        const given = <T>(entries: [string, T | undefined][]) =>
          Object.fromEntries(entries.filter((e): e is [string, T] => e[1] !== undefined));
        const locks = given(
          changes.map(({ week, load, kind, theme }) => [
            at(week),
            Object.fromEntries(Object.entries({ load, kind, theme }).filter(([, v]) => v !== undefined)) as WeekLock,
          ]),
        );
        const away = given(changes.map((c) => [at(c.week), c.away]));
        const { weeks } = blockPlan({ ...q, locks, away });
        const loads = [...q.past];
        for (const week of weeks) {
          const lock = locks[week.monday];
          if (away[week.monday]) expect(week).toMatchObject({ load: 0, kind: 'recovery', test: false, step: null });
          else {
            if (lock?.load !== undefined) expect(week.load).toBe(lock.load);
            else expect(week.load).toBeLessThanOrEqual(weekLimit(loads, usual, q.riseLimit) + 1);
            if (lock?.kind) expect(week.kind).toBe(lock.kind);
          }
          if (lock?.theme) expect(week.theme).toBe(lock.theme);
          loads.push(week.load);
        }
      }),
    );
  });

  it('keep what the coach locks, and say when it is too much', () => {
    const third = daysFrom(MONDAY, 14);
    const locks = { [third]: { kind: 'recovery', load: usual * 1.8, theme: 'breath-too-low' } } as const;
    const { weeks, problems } = blockPlan(question({ locks }));
    expect(weeks[2]).toMatchObject({ kind: 'recovery', load: Math.round(usual * 1.8), theme: 'breath-too-low' });
    expect(problems.join(' ')).toMatch(/locked, \d+ % above/);
  });

  it('pass the steps to open water a fortnight before, or say which are missing', () => {
    const steps = [0, 1, 2];
    const { weeks } = blockPlan(question({ steps }));
    const last = weeks.findLastIndex((w) => w.step !== null);
    expect((Date.parse(question().raceOn) - Date.parse(weeks[last]!.monday)) / DAY).toBeGreaterThanOrEqual(14);
    const soon = blockPlan(question({ steps, raceOn: daysFrom(MONDAY, 20) }));
    expect(soon.problems.join(' ')).toMatch(
      /no week left for (a step|\d steps) of the ladder to open water, the first: /,
    );
  });

  it('answer honestly for a race that is over, this week, or far away', () => {
    expect(blockPlan(question({ raceOn: daysFrom(MONDAY, -3) }))).toEqual({
      weeks: [],
      problems: ['The race is over: choose the next one.'],
    });
    const now = blockPlan(question({ raceOn: daysFrom(MONDAY, 1) }));
    expect(now.weeks).toHaveLength(1);
    expect(now.weeks[0]).toMatchObject({ kind: 'taper', test: false });
    expect(now.problems[0]).toMatch(/this week/);
    expect(blockPlan(question({ raceOn: daysFrom(MONDAY, 400) })).problems[0]).toMatch(/weeks away/);
    expect(() => blockPlan(question({ from: '2027-01-05' }))).toThrow(/Monday/);
  });

  it('swim another race out of a lighter week', () => {
    const other = daysFrom(MONDAY, 40);
    const { weeks } = blockPlan(question({ otherRaces: [other] }));
    expect(weeks[5]).toMatchObject({ kind: 'recovery' });
    expect(weeks[5]!.notes).toEqual([{ note: 'other-race', on: other }]);
  });

  it('begin again after illness from what was swum, never from what was planned', () => {
    // By hand, the rise limit 10 %: four of 4,000 allow 4,400; swum half as much, half as much.
    expect(weekLimit([4000, 4000, 4000, 4000], 6000)).toBeCloseTo(4400, 6);
    expect(weekLimit([2000, 2000, 2000, 2000], 6000)).toBeCloseTo(2200, 6);
    // Four weeks ill: half of the fullest week before; eight: a quarter of the level's.
    expect(weekLimit([4000, 4000, 4000, 4000, 0, 0, 0, 0], 6000)).toBe(2000);
    expect(weekLimit([0, 0, 0, 0, 0, 0, 0, 0], 6000)).toBe(1500);
    // Nothing on record: the level's usual week and a tenth.
    expect(weekLimit([], 6000)).toBeCloseTo(6600, 6);
  });
});
