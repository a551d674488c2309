import {
  breathCycle,
  checkPlan,
  DEFAULT_LOOK,
  editSet,
  findSet,
  fittingLook,
  lookFor,
  lookProblem,
  suggestFor,
  usualLook,
  type Breathing,
} from '..';
import { ladderCard } from '../../library';
import { lookInterval, wholeCycles } from '../../measures';
import { LEVELS } from '../../swimmers';
import { groupOf, planOf, setOf } from './testPlans';

const every = (strokes: number): Breathing => ({ kind: 'every', strokes, side: 'right' });
const POOL = { length: 25, unit: 'm' } as const;

describe('looks in the rhythm of the breath', () => {
  it.each([
    [2, [4, 6, 8]],
    [3, [6, 9, 12]],
    [4, [4, 8, 12]],
  ] as const)('breathing every %d, a look every %j', (strokes, fits) => {
    for (const n of fits) expect(lookProblem(every(strokes), { every: n, forBreath: false })).toBeNull();
    for (const n of [5, 7, 11]) {
      const problem = lookProblem(every(strokes), { every: n, forBreath: false });
      expect(problem).toContain(`look every`);
      // Both offers are whole cycles, one on each side.
      const [down, up] = /look every (\d+) or (\d+)\./.exec(problem!)!.slice(1).map(Number) as [number, number];
      expect([down % strokes, up % strokes, down < n, up > n]).toEqual([0, 0, true, true]);
    }
  });

  it('never lies closer than four strokes', () => {
    for (let cycle = 1; cycle <= 6; cycle++)
      for (let wanted = 1; wanted <= 20; wanted++) {
        const n = wholeCycles(cycle, wanted);
        expect(n % cycle).toBe(0);
        expect(n).toBeGreaterThanOrEqual(4);
      }
  });

  it('shows more and fewer looks side by side: every 4 and every 8, or every 6 and every 9', () => {
    const two: Breathing = { kind: 'by-length', strokes: 2, side: 'right' };
    expect([lookFor(two, 'often').every, lookFor(two, 'seldom').every]).toEqual([4, 8]);
    expect([lookFor(every(3), 'often').every, lookFor(every(3), 'seldom').every]).toEqual([6, 9]);
    // The ladder of sighting practises the same two.
    const steps = ladderCard('sighting')
      .steps.map((step) => step.what)
      .join(' ');
    expect(steps).toMatch(/every eighth stroke/i);
    expect(steps).toMatch(/every fourth stroke/i);
  });

  it('follows when the breathing is changed by hand, and is named when a text has it otherwise', () => {
    const set = setOf({ breathing: every(2), sighting: { every: 8, forBreath: false } });
    const plan = editSet(planOf([groupOf([set])]), 's', { breathing: every(3) });
    expect(findSet(plan.groups[0]!.blocks[0]!.items, 's')!.sighting).toEqual({ every: 9, forBreath: false });
    const odd = planOf([groupOf([setOf({ breathing: every(3), sighting: { every: 8, forBreath: false } })])]);
    expect(checkPlan(odd).problems.some((p) => p.includes('look every 6 or 9'))).toBe(true);
  });

  it('takes a breath as it is said', () => {
    expect(breathCycle({ kind: 'free' })).toBe(1);
    expect(breathCycle({ kind: 'to-side', side: 'left' })).toBe(2);
    expect(breathCycle({ kind: 'limited', first: 2, last: 2 })).toBe(1);
    expect(fittingLook({ kind: 'free' }, 7)).toBe(7);
  });
});

describe('how often to look, from one function', () => {
  it('is usual for the level until more is known, and says so', () => {
    expect(DEFAULT_LOOK).toEqual({ settle: 8, build: 8, hold: 8, race: 6 });
    expect(lookInterval({ cycle: 2, asGood: null, usual: 8 })).toEqual({ every: 8, isDefault: true });
    for (const level of LEVELS) {
      const group = groupOf([setOf()], { level });
      const { sighting, breathing } = suggestFor(setOf(), group, POOL, true);
      expect(sighting).toEqual(usualLook(level, breathing));
    }
  });

  it.each([
    // As good, breath, answer: the most frequent of those as good, in whole cycles, from 4 to 12.
    [[9, 20], 2, 10],
    [[2, 7], 2, 4],
    [[6, 12], 3, 6],
    [[15, 20], 2, 12],
    [[15, 20], 3, 12],
    [[5, 30], 3, 6],
  ] as const)('with %j as good and a breath every %d it is every %d', (asGood, cycle, expected) =>
    expect(lookInterval({ cycle, asGood, usual: 8 })).toEqual({ every: expected, isDefault: false }),
  );

  it('needs a breath to count by', () => {
    expect(() => lookInterval({ cycle: 0, asGood: null, usual: 8 })).toThrow(RangeError);
  });
});
