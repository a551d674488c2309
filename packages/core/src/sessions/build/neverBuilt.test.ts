import { blockOf, roundsOf, setOf } from '../plan/testPlans';
import { buildSession, checkPlan, patternProblem, setsOf } from '..';
import { CAUSES, type CauseId } from '../../review';

describe('the builder', () => {
  it('never gives a pattern of breathing to another stroke, whatever the theme', () => {
    for (const theme of Object.keys(CAUSES) as CauseId[]) {
      const built = buildSession({
        kind: 'aerobic',
        theme,
        minutes: 60,
        pool: { length: 25, unit: 'm' },
        kit: ['board', 'fins', 'buoy'],
        seed: 1,
        groups: (['build', 'hold', 'race'] as const).map((level) => ({
          ...{ level, name: level, swimmers: 6, lanes: 1, v400Mps: null },
        })),
      });
      if (built.kind === 'clash') continue;
      const wrong = built.plan.groups
        .flatMap((g) => g.blocks.flatMap((b) => setsOf(b.items)))
        .filter(({ set }) => patternProblem(set.stroke, set.breathing) !== null)
        .map(({ set }) => [theme, set.stroke, set.breathing]);
      expect(wrong).toEqual([]);
    }
  });

  it('gives no try outside that is farther than the card of its drill allows', () => {
    // A fast group swims the 25 m of a spin-up in under half a minute.
    for (const loopM of [100, 200, 400]) {
      const built = buildSession({
        kind: 'aerobic',
        theme: 'slow-recovery',
        minutes: 35,
        place: 'open-water',
        pool: { length: loopM, unit: 'm' },
        kit: [],
        seed: 141597,
        groups: [{ level: 'race', swimmers: 1, lanes: 1, v400Mps: 1.4 }],
      });
      if (built.kind === 'clash') throw new Error(built.clashes[0]!.message);
      expect(checkPlan(built.plan).blocked).toEqual([]);
      const tries = built.plan.groups.flatMap((g) => g.blocks.flatMap((b) => setsOf(b.items)));
      const spinUps = tries.flatMap(({ set }) =>
        set.drill === 'spin-up' && set.kind === 'timed' ? [set.seconds] : [],
      );
      for (const seconds of spinUps) expect(seconds).toBeLessThan(30);
    }
  });

  it('does not build around a locked block that is too large', () => {
    const large = [1, 2, 3].reduce((items) => [roundsOf(50, items)], [roundsOf(50, [setOf({ reps: 200 })])]);
    const group = { level: 'hold', swimmers: 8, lanes: 2, v400Mps: 1, locked: [blockOf(large)] } as never;
    const built = buildSession({
      kind: 'aerobic',
      theme: 'spins',
      minutes: 60,
      pool: { length: 25, unit: 'm' },
      kit: [],
      week: 'normal',
      seed: 1,
      groups: [group],
    } as never);
    expect(built.kind).toBe('clash');
    expect(built.kind === 'clash' && built.clashes[0]!.message).toContain('sets in a row');
  });
});
