import fc from 'fast-check';
import { distanceGoal, racePlan, raceOutlook, raceReadiness, type RaceChoices, type RaceFacts } from '.';
import { addDays, daysBetween, weekOf } from '../days';

const TODAY = '2027-01-06';
const facts = (change: Partial<RaceFacts> = {}): RaceFacts => ({
  ...{ event: 'First 400 m without a stop', raceOn: addDays(TODAY, 84), distanceM: 400, place: 'pool', targetS: null },
  ...{ level: 'build', birthYear: 1979, breathes: 'right', trials: [], trialsOn: null, rampSpm: null, extra: null },
  ...{ past: [1200, 1200, 1200, 1200], week: { sessions: 2, minutes: 60 }, needs: [], ladderSteps: {} },
  ...{ outside: 0, rehearsed: false },
  ...change,
});
const goal = (change: Partial<RaceFacts> = {}, choices: RaceChoices = {}) =>
  distanceGoal(facts(change), choices, racePlan(facts(change), choices, TODAY));

describe('a goal without a clock', () => {
  it('is stepped up to by a fifth every second week of work, and says when it is there', () => {
    // 200 × 1.2 = 240, 288, 345.6, then 400; said in whole 50 m: 200, which is no step, 250, 300, 400.
    const { steps, ...answer } = goal({}, { longestM: 200 });
    expect(steps.map((s) => s.metres)).toEqual([250, 300, 400]);
    expect(answer).toMatchObject({ todayM: 200, from: 'coach', goalM: 400, verdict: 'in-time' });
    expect(answer.reachedIn).toBe(steps.at(-1)!.monday);
    for (const [i, { monday }] of steps.entries())
      if (i > 0) expect(daysBetween(steps[i - 1]!.monday, monday)).toBeGreaterThanOrEqual(14);
  });

  it('says where today’s distance is from, and that it is there', () => {
    // The level's guess: 400 m at Build, so that this goal needs no step.
    expect(goal()).toEqual({ todayM: 400, from: 'guess', goalM: 400, steps: [], reachedIn: null, verdict: 'there' });
    expect(goal({ distanceM: 1000, trials: [{ distanceM: 800, timeS: 900 }] })).toMatchObject({
      ...{ todayM: 800, from: 'record', goalM: 1000, verdict: 'in-time' },
    });
    // What is on record counts for more than a smaller number of the coach.
    expect(goal({ trials: [{ distanceM: 200, timeS: 240 }] }, { longestM: 100 })).toMatchObject({
      ...{ todayM: 200, from: 'record' },
    });
  });

  it('is short where the weeks are too few, with the day that reaches it', () => {
    const near = { distanceM: 1000, raceOn: addDays(TODAY, 21) };
    expect(goal(near)).toMatchObject({ verdict: 'short', reachedIn: null });
    expect(racePlan(facts(near), {}, TODAY).reach).toMatch(/of 1 km.*Ready for 1 km from about /);
    // Against the clock the same kilometre is answered as before, without long swims.
    const timed = racePlan(facts({ ...near, targetS: 1400 }), {}, TODAY);
    expect(timed.reach).toBeUndefined();
    expect(timed.weeks.flatMap((w) => w.notes).some((n) => n.note === 'long-swim')).toBe(false);
  });

  it('is too early to plan a lifetime ahead', () => {
    const far = { raceOn: '2099-06-01', distanceM: 1000 };
    expect(goal(far)).toMatchObject({ verdict: 'too-early', steps: [], reachedIn: null });
    expect(racePlan(facts(far), {}, TODAY).problems[0]).toMatch(/weeks away: plan it from 52 on\.$/);
  });

  it('has no outlook in seconds, and asks nobody to start in a group', () => {
    expect(raceOutlook(facts(), {}, TODAY)).toEqual({ kind: 'none', reason: { why: 'no-target' } });
    const ids = (targetS: number | null) =>
      raceReadiness(facts({ place: 'open-water', targetS }), {}, TODAY).map((i) => i.id);
    expect(ids(null)).not.toContain('group-start');
    expect(ids(900)).toContain('group-start');
  });

  it('never asks a step longer than a fifth over what was swum, nor beyond the goal', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 25, max: 3000 }),
        fc.integer({ min: 100, max: 5000 }),
        fc.integer({ min: 7, max: 360 }),
        (longestM, distanceM, days) => {
          const { steps, goalM, todayM } = goal({ distanceM, raceOn: addDays(TODAY, days) }, { longestM });
          for (const { monday, metres } of steps) {
            const fortnights = Math.floor(daysBetween(weekOf(TODAY), monday) / 14);
            expect(metres).toBeLessThanOrEqual(todayM * 1.2 ** (fortnights + 1) + 1e-6);
            expect(metres).toBeLessThanOrEqual(goalM);
          }
        },
      ),
      { numRuns: 60 },
    );
  });
});
