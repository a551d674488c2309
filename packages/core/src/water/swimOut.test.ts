import { buildSession, groupTotals } from '../sessions';
import { groupOfPlan, swimOutLines } from '.';

const built = buildSession({
  ...{ kind: 'aerobic', theme: 'holds-breath', minutes: 60, place: 'open-water', pool: { length: 450, unit: 'm' } },
  ...{ kit: ['tow-float'], seed: 1 },
  groups: (['build', 'hold', 'race'] as const).map((level, i) => ({
    ...{ level, name: level, swimmers: 3 + i, lanes: 1, v400Mps: 0.85 + 0.15 * i },
  })),
});
if (built.kind === 'clash') throw new Error(JSON.stringify(built.clashes));
const { plan } = built;

describe('a swim-out for several levels', () => {
  it('has a line for each level, with loops, metres and minutes in the water', () => {
    const lines = swimOutLines(plan);
    expect(lines.map((l) => [l.name, l.swimmers])).toEqual([
      ['build', 3],
      ['hold', 4],
      ['race', 5],
    ]);
    plan.groups.forEach((g, i) => expect(lines[i]!.metres).toBe(Math.round(groupTotals(g, plan.pool).metres)));
    for (const { loops, minutes } of lines) {
      expect(loops).toBeGreaterThan(0);
      expect((loops * 2) % 1).toBe(0);
      expect(minutes).toBeLessThanOrEqual(60);
      expect(minutes).toBeGreaterThan(30);
    }
  });

  it('tells the decision how many go in, how slow the slowest is and for how long', () => {
    const group = groupOfPlan(plan);
    expect(group).toMatchObject({ swimmers: 12, settle: 0, slowestMps: 0.85 });
    expect(group.minutes).toBe(Math.max(...swimOutLines(plan).map((l) => l.minutes)));
  });
});
