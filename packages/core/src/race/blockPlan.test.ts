import fc from 'fast-check';
import { CAUSE_IDS, CAUSES } from '../review';
import { levelLoad } from '../sessions';
import { NOTHING_NEW_DAYS } from '../swimmers';
import { runs } from '../../test/runs';
import { blockPlan, weekLimit, type PastWeek, type PlanQuestion, type WeekLock } from '.';

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
    past: fc.array(fc.oneof(fc.constant(0), fc.double({ min: 100, max: 2 * usual, noNaN: true })), { maxLength: 6 }),
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
        const before = q.past.map((load): PastWeek => ({ load }));
        let row = 0;
        weeks.forEach((w, i) => {
          expect(w.load).toBeLessThanOrEqual(weekLimit(before, usual, q.riseLimit) + 1);
          expect(w.load).toBeGreaterThan(0);
          before.push(w);
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
        const work = weeks.filter((w) => w.kind === 'normal').at(-1);
        if (work) for (const w of taper) expect(w.load).toBeLessThanOrEqual(work.load * 0.6 + 1);
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

  it('come back after any weeks away, in as many working weeks as are written, never above the rise limit', () => {
    // By hand: one week away, back in the second working week; two, in the fourth; three to eight, 50 60 72 86 100; then
    // 25 30 36 43 52 62 75 90 100.
    const workingWeeks = (away: number) => (away === 1 ? 2 : away === 2 ? 4 : away <= 8 ? 5 : 9);
    const first = (away: number) => (away === 1 ? 0.7 : away <= 2 ? 0.5 : away <= 8 ? 0.5 : 0.25);
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 20 }),
        fc.integer({ min: 0, max: 12 }),
        fc.double({ min: 0.3, max: 1.2, noNaN: true }),
        fc.boolean(),
        (away, at, share, inThePast) => {
          const swum = Array<number>(8).fill(share * usual);
          const weeksAway = Object.fromEntries(
            Array.from({ length: away }, (_, i) => [daysFrom(MONDAY, 7 * (at + i)), 'ill' as const]),
          );
          const { weeks } = blockPlan({
            ...question({ raceOn: daysFrom(MONDAY, 51 * 7) }),
            ...(inThePast ? { past: [...swum, ...Array<number>(away).fill(0)] } : { past: swum, away: weeksAway }),
          });
          const begins = inThePast ? 0 : at + away;
          // The mean of the last four normal weeks before the first one away.
          const before = [
            ...swum,
            ...weeks.slice(0, inThePast ? 0 : at).flatMap((w) => (w.kind === 'normal' ? [w.load] : [])),
          ];
          const baseline = before.slice(-4).reduce((a, b) => a + b, 0) / 4;
          const working = weeks.slice(begins).filter((w) => w.kind === 'normal');
          expect(working[0]!.load / baseline).toBeCloseTo(first(away), 2);
          const needed = workingWeeks(away);
          expect(working[needed - 1]!.load).toBeGreaterThan(baseline * 0.999 - 1);
          working.slice(0, needed).forEach((w) => expect(w.load).toBeLessThanOrEqual(baseline + 1));
          working
            .slice(1, needed)
            .forEach((w, i) =>
              expect(w.load).toBeLessThanOrEqual(Math.max(1.2, needed < 5 ? 1.5 : 0) * working[i]!.load + 2),
            );
          // And on from there, at most a tenth above the four before it.
          const all = [...before, ...working.slice(needed - 1).map((w) => w.load)];
          all.slice(before.length + 1).forEach((load, i) => {
            const four = all.slice(before.length + 1 + i - 4, before.length + 1 + i);
            expect(load).toBeLessThanOrEqual((1.1 * four.reduce((a, b) => a + b, 0)) / 4 + 3);
          });
        },
      ),
      { numRuns: runs(100, 2000) },
    );
  });

  it('know how far the race is: rise to what it asks and no further, or say what they cannot reach', () => {
    const to = (distanceM: number, change: Partial<PlanQuestion> = {}) =>
      blockPlan(
        question({
          ...{ level: 'race', sessionsPerWeek: 5, minutesPerSession: 90, raceOn: daysFrom(MONDAY, 28 * 7) },
          past: Array<number>(4).fill(12_000),
          race: { distanceM, longestM: 3000, speedMps: 1.25, outside: true },
          ...change,
        }),
      );
    const fullest = (distanceM: number) => Math.max(...to(distanceM).weeks.map((w) => w.load));
    // 12,000 of load are 9.6 km at 1.25, more than a race of 400 m asks: it stays there.
    expect(fullest(400)).toBe(12_000);
    // 10 km asks for 20 km, a load of 25,000.
    expect(fullest(10_000)).toBe(25_000);
    expect(to(10_000)).toMatchObject({ problems: [] });
    expect(to(10_000).reach).toBeUndefined();
    expect(new Set([400, 5000, 10_000, 25_000].map(fullest)).size).toBe(4);
    const longs = (distanceM: number) =>
      to(distanceM).weeks.flatMap((w) => w.notes.flatMap((n) => (n.note === 'long-swim' ? [n] : [])));
    expect(longs(400)).toEqual([]);
    // A fifth longer at most each time, until 7 km; the last two in the water of the race; over 90 minutes, 6,750 m, fed.
    const ten = longs(10_000);
    expect(ten.map((n) => n.metres).slice(0, 5)).toEqual([3600, 4300, 5100, 6200, 7000]);
    expect(Math.max(...ten.map((n) => n.metres))).toBe(7000);
    expect(ten.map((n) => n.outside)).toEqual(ten.map((_, i) => i >= ten.length - 2));
    ten.forEach((n) => expect(n.fed).toBe(n.metres > 6750));
    // 100 km: 60 km a week at most, and a sentence.
    expect(to(100_000).reach).toMatch(
      /^These weeks make ready for about [\d.]+ km of 100 km: the fullest has [\d.]+ km of 60 km, the longest swim [\d.]+ km of 31\.5 km\./,
    );
    expect(
      to(100_000, { race: { distanceM: 100_000, longestM: 3000, speedMps: 1.25, outside: true, mostM: 5000 } }).weeks
        .length,
    ).toBe(29);
    // Two sessions of an hour hold 9.6 km of load at most.
    const few = to(10_000, { sessionsPerWeek: 2, minutesPerSession: 60, past: Array<number>(4).fill(7500) });
    expect(few.reach).toMatch(
      /^These weeks make ready for .* 2 sessions of 60 min a week do not hold more: at least 4, or longer ones\. Ready for 10 km from about .* with them\.$/,
    );
    // Too soon: the date that is enough, and what is reached until then.
    const soon = to(10_000, { raceOn: daysFrom(MONDAY, 8 * 7) });
    expect(soon.reach).toMatch(
      /^These weeks make ready for about [3-6](\.\d)? km of 10 km: the fullest has 1[0-9](\.\d)? km of 20 km, the longest swim [3-6](\.\d)? km of 7 km\. Ready for 10 km from about [^.]+\.$/,
    );
    expect(soon.problems).toEqual([]);
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
        const before = q.past.map((load): PastWeek => ({ load }));
        for (const week of weeks) {
          const lock = locks[week.monday];
          if (away[week.monday]) expect(week).toMatchObject({ load: 0, kind: 'recovery', test: false, step: null });
          else {
            if (lock?.load !== undefined) expect(week.load).toBe(lock.load);
            else expect(week.load).toBeLessThanOrEqual(weekLimit(before, usual, q.riseLimit) + 1);
            if (lock?.kind) expect(week.kind).toBe(lock.kind);
          }
          if (lock?.theme) expect(week.theme).toBe(lock.theme);
          before.push(week);
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
});
