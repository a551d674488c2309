import { LEVEL } from '../../swimmers';
import { seeded } from '../../units';
import {
  anotherSession,
  blockMetres,
  buildSession,
  groupClock,
  groupTotals,
  isSet,
  levelLoad,
  type Block,
  type BuildRequest,
  type GroupRequest,
  type Item,
  type SessionPlan,
} from '..';
import { bareGroup } from '../request/bareGroup';
import type { Candidate } from '../fill/candidate';
import { blockCandidates } from '../fill/fillBlocks';
import { FINISH_WINDOW_S, SHARE_BAND } from '../plan/shares';
import { RECIPE, SHARE_SHIFT } from '../fill/recipe';

/** What each level's session is made of, written a second time: land, drills, effort, shares of the metres. */
describe('the recipe, written a second time', () => {
  it.each([
    ['settle', 8, 2, 0.6, [0.16, 0.4, 0.34, 0.1]],
    ['build', 6, 2, 0.75, [0.16, 0.32, 0.4, 0.12]],
    ['hold', 6, 3, 0.8, [0.15, 0.26, 0.47, 0.12]],
    ['race', 6, 2, 0.8, [0.15, 0.19, 0.55, 0.11]],
  ] as const)('%s', (level, land, drills, effort, shares) => {
    const { landMinutes, drillCount, mainEffort, share } = RECIPE[level];
    expect([landMinutes, drillCount, mainEffort, Object.values(share)]).toEqual([land, drills, effort, shares]);
    expect(shares.reduce((sum, s) => sum + s, 0)).toBeCloseTo(1, 10);
  });

  it('and its bands', () => {
    expect(SHARE_BAND).toEqual({
      ...{ 'warm-up': [0.1, 0.2], drills: [0.15, 0.45], main: [0.3, 0.6], speed: [0, 0.15], 'swim-down': [0.07, 0.17] },
    });
    expect(SHARE_SHIFT).toEqual({
      aerobic: { drills: 0, speed: 0 },
      technique: { drills: 0.09, speed: 0 },
      speed: { drills: 0, speed: 0.09 },
    });
    expect(FINISH_WINDOW_S).toBe(55);
  });
});

const groupOf = (level: GroupRequest['level'], change: Partial<GroupRequest> = {}): GroupRequest => ({
  ...{ level, swimmers: 8, lanes: 2, v400Mps: null, ...change },
});
const asking = (groups: readonly GroupRequest[], change: Partial<BuildRequest> = {}): BuildRequest => ({
  ...{ kind: 'aerobic', theme: 'breath-too-low', minutes: 45, pool: { length: 25, unit: 'm' } },
  ...{ kit: ['fins', 'board', 'buoy'], seed: 7, groups, ...change },
});
const planOf = (request: BuildRequest): SessionPlan => {
  const result = buildSession(request);
  if (result.kind === 'clash') throw new Error(result.clashes.map((c) => c.message).join());
  return result.plan;
};

interface ByHand {
  readonly cost: number;
  readonly parts: readonly Candidate[];
}

/** The cheapest session of each shape, by trying every combination and pricing it as the rules say. */
function everyCombination(request: BuildRequest, index = 0, landMinutes?: number): Map<string, ByHand> {
  const group = request.groups[index]!;
  const of = blockCandidates(bareGroup(group, index), group, request);
  const share = RECIPE[group.level].share;
  const more = { aerobic: [0, 0], technique: [0.09, 0], speed: [0, 0.09] }[request.kind] as [number, number];
  const easy = { normal: 1, recovery: 0.7, taper: 0.5 }[request.week ?? 'normal'];
  const [least, most] = LEVEL[group.level].metresPerHour.map((m) => (m * request.minutes * easy) / 60) as [
    number,
    number,
  ];
  const limit = (group.loadLimit ?? levelLoad(group.level, request.minutes) * 1.1) * easy;
  const unit = request.pool.unit === 'yd' ? 0.9144 : 1;
  const time = (request.minutes - (landMinutes ?? RECIPE[group.level].landMinutes)) * 60;
  // Main parts that take as many rounds and lengths and about as long are the same to the search.
  const mains = new Map<string, Candidate>();
  for (const main of of.main) {
    const key = [main.rounds, main.lengths, Math.round(main.seconds / 4)].join();
    if (main.awkward < (mains.get(key)?.awkward ?? Infinity)) mains.set(key, main);
  }
  const sorted = [...mains.values()].sort((a, b) => a.seconds - b.seconds);
  const found = new Map<string, ByHand>();
  let number = 0;
  for (const warmUp of of['warm-up'])
    for (const drills of of.drills)
      for (const swimDown of of['swim-down'])
        for (const speed of of.speed.length > 0 ? of.speed : [null])
          for (const main of sorted) {
            const parts = [warmUp, drills, main, ...(speed ? [speed] : []), swimDown];
            const sum = (what: (c: Candidate) => number) => parts.reduce((total, part) => total + what(part), 0);
            const seconds = sum((c) => c.seconds);
            if (seconds > time || seconds < time - 55) continue;
            const lengths = sum((c) => c.lengths);
            if (group.lengths != null && lengths !== group.lengths) continue;
            const blocks: [number, [number, number], number][] = [
              [warmUp.lengths / lengths, [0.1, 0.2], share['warm-up']],
              [drills.lengths / lengths, [0.15, 0.45], share.drills + more[0]],
              [main.lengths / lengths, [0.3, 0.6], share.main - more[0] - more[1]],
              [(speed?.lengths ?? 0) / lengths, [0, 0.15], more[1]],
              [swimDown.lengths / lengths, [0.07, 0.17], share['swim-down']],
            ];
            if (blocks.some(([is, [low, high]]) => is < low - 1e-9 || is > high + 1e-9)) continue;
            const metres = lengths * request.pool.length * unit;
            const total = Math.round(lengths * request.pool.length * 1000) / 1000;
            const cost =
              2 * blocks.reduce((off, [is, , wanted]) => off + Math.abs(is - wanted), 0) +
              (group.lengths != null ? 0 : (100 * Math.max(0, least - metres, metres - most)) / most) +
              (total % 100 === 0 ? 0 : total % 50 === 0 ? 0.04 : 0.08) +
              (warmUp.awkward + drills.awkward + main.awkward + swimDown.awkward) +
              2 * Math.max(0, sum((c) => c.load) / limit - 1) +
              // The seed may prefer what is nearly as good.
              0.15 * seeded(request.seed + index * 7919, number++);
            const shape = `${drills.rounds}/${main.rounds}`;
            if (cost < (found.get(shape)?.cost ?? Infinity)) found.set(shape, { cost, parts });
          }
  return found;
}

const cheapest = (found: Map<string, ByHand>) => [...found.values()].reduce((a, b) => (b.cost < a.cost ? b : a));
/** What is swum, without the names of the sets. */
const content = (blocks: readonly Block[]): unknown => {
  const bare = ({ id: _id, ...item }: Item): unknown =>
    'items' in item ? { ...item, items: item.items.map(bare) } : item;
  return blocks.filter((b) => b.kind !== 'land').map((b) => [b.kind, b.note, b.items.map(bare)]);
};
const expectCheapest = (request: BuildRequest, landMinutes?: number) => {
  const [group] = planOf(request).groups;
  expect(content(group!.blocks)).toEqual(
    content(cheapest(everyCombination(request, 0, landMinutes)).parts.map((p) => p.block)),
  );
  return group!;
};

describe('the search finds what trying everything finds', () => {
  it.each<[string, BuildRequest]>([
    ['an aerobic evening', asking([groupOf('build')])],
    ['technique of Hold', asking([groupOf('hold')], { kind: 'technique', seed: 11 })],
    ['speed of Race', asking([groupOf('race')], { kind: 'speed', minutes: 40, seed: 3 })],
    ['a recovery week', asking([groupOf('hold')], { week: 'recovery', seed: 2 })],
    ['a taper', asking([groupOf('race')], { week: 'taper', minutes: 40 })],
    ['a little load', asking([groupOf('build', { loadLimit: 900 })], { seed: 5 })],
    ['a fast group', asking([groupOf('hold', { v400Mps: 1.4 })], { minutes: 40 })],
    ['yards', asking([groupOf('build')], { pool: { length: 25, unit: 'yd' }, seed: 4 })],
    ['a pool of 20 m', asking([groupOf('build')], { pool: { length: 20, unit: 'm' }, kind: 'technique' })],
    ['a distance asked for', asking([groupOf('build', { lengths: 48 })], { minutes: 55 })],
  ])('%s', (_, request) => {
    const group = expectCheapest(request);
    if (request.groups[0]!.lengths) expect(groupTotals(group, request.pool).metres).toBe(1200);
  });

  it('with one shape for all groups where it costs each of them little', () => {
    const request = asking([groupOf('build'), groupOf('hold')], { minutes: 40 });
    const all = [0, 1].map((i) => everyCombination(request, i));
    const shared = [...all[0]!.keys()]
      .filter((shape) => all[1]!.has(shape))
      .map((shape) => [shape, all.reduce((sum, found) => sum + found.get(shape)!.cost, 0)] as const)
      .reduce((a, b) => (b[1] < a[1] ? b : a));
    const apart = all.reduce((sum, found) => sum + cheapest(found).cost, 0);
    expect(shared[1]).toBeLessThanOrEqual(apart + 2 * 0.8);
    planOf(request).groups.forEach((group, i) =>
      expect(content(group.blocks)).toEqual(content(all[i]!.get(shared[0])!.parts.map((p) => p.block))),
    );
  });

  it('each group its own where they have no shape in common', () => {
    const mainOf = (level: 'build' | 'hold', seed: number) =>
      planOf(asking([groupOf(level)], { seed })).groups[0]!.blocks.find((b) => b.kind === 'main')!;
    const rounds = ({ items }: Block) => (items.length === 1 && 'rounds' in items[0]! ? items[0].rounds : 1);
    const first = mainOf('build', 1);
    const other = [2, 3, 4, 5, 6, 7, 8].map((seed) => mainOf('hold', seed)).find((m) => rounds(m) !== rounds(first))!;
    const request = asking([groupOf('build', { locked: [first] }), groupOf('hold', { locked: [other] })]);
    const plan = planOf(request);
    [0, 1].forEach((i) =>
      expect(content(plan.groups[i]!.blocks)).toEqual(
        content(cheapest(everyCombination(request, i)).parts.map((p) => p.block)),
      ),
    );
  });
});

describe('the frame of a session', () => {
  it('takes one to six groups', () => {
    expect(() => buildSession(asking([]))).toThrow(RangeError);
    expect(() => buildSession(asking(Array.from({ length: 7 }, () => groupOf('build'))))).toThrow(RangeError);
    expect(
      planOf(
        asking(
          Array.from({ length: 6 }, () => groupOf('settle')),
          { minutes: 45 },
        ),
      ).groups,
    ).toHaveLength(6);
  });

  it('begins on land for as long as the level needs, and ends in the last 55 s', () => {
    for (const level of ['build', 'hold', 'race'] as const) {
      const request = asking([groupOf(level)]);
      const [group] = planOf(request).groups;
      expect(group!.blocks[0]).toMatchObject({ kind: 'land', landMinutes: 6 });
      const endS = groupClock(group!, request.pool).totalS;
      expect(endS).toBeLessThanOrEqual(45 * 60 + 1e-6);
      expect(endS).toBeGreaterThanOrEqual(45 * 60 - 55 - 1e-6);
    }
  });

  it('names every block and set after its group, once', () => {
    const plan = planOf(asking([groupOf('build'), groupOf('hold')]));
    const ids = plan.groups.flatMap((group) =>
      group.blocks.flatMap((block) => {
        const of = (item: Item): string[] => (isRounds(item) ? [item.id, ...item.items.flatMap(of)] : [item.id]);
        const all = [block.id, ...block.items.flatMap(of)];
        for (const id of all) expect(id.startsWith(`${group.id}-`)).toBe(true);
        return all;
      }),
    );
    expect(new Set(ids).size).toBe(ids.length);
    expect(plan.groups.map((g) => g.id)).toEqual(['g1', 'g2']);
  });

  it('keeps a land block and a block of the water as they are', () => {
    const before = planOf(asking([groupOf('build')])).groups[0]!;
    const land: Block = { ...before.blocks[0]!, landMinutes: 9, note: 'Own words.' };
    const main = before.blocks.find((b) => b.kind === 'main')!;
    const request = asking([groupOf('build', { locked: [land, main] })], { seed: 99 });
    const group = expectCheapest(request, 9);
    expect(group.blocks[0]).toBe(land);
    expect(group.blocks.find((b) => b.kind === 'main')).toBe(main);
    expect(groupClock(group, request.pool).totalS).toBeLessThanOrEqual(45 * 60 + 1e-6);
    expect(blockMetres(main, group, request.pool)).toBe(blockMetres(main, before, request.pool));
  });

  it('never goes outside with beginners, and says so', () => {
    expect(buildSession(asking([groupOf('settle')], { place: 'open-water' })).kind).toBe('clash');
    expect(buildSession(asking([groupOf('hold')], { place: 'open-water', minutes: 60 })).kind).toBe('built');
  });
});

describe('groups and their shapes', () => {
  /** What every group costs in the best shape they share, and what each costs in its own best. */
  const shapesOf = (request: BuildRequest) => {
    const all = request.groups.map((_, i) => everyCombination(request, i));
    const shared = [...all[0]!.keys()]
      .filter((shape) => all.every((found) => found.has(shape)))
      .map((shape) => ({ shape, cost: all.reduce((sum, found) => sum + found.get(shape)!.cost, 0) }))
      .sort((a, b) => a.cost - b.cost);
    const apart = all.reduce((sum, found) => sum + cheapest(found).cost, 0);
    const own = all.map((found) => [...found].find(([, f]) => f === cheapest(found))![0]);
    return { all, shared, apart, own };
  };
  const twoGroups = (change: Partial<BuildRequest>) =>
    asking([groupOf('build'), groupOf('race')], { minutes: 40, ...change });
  const swum = (plan: SessionPlan) => plan.groups.map((group) => content(group.blocks));

  it('take one shape although another suits each of them better, where that costs them little', () => {
    const cases = [1, 2, 3, 4, 5, 6]
      .map((seed) => twoGroups({ seed }))
      .map((request) => ({ request, ...shapesOf(request) }));
    const found = cases.filter(
      ({ shared, own, apart }) =>
        shared.length > 0 && own.some((shape) => shape !== shared[0]!.shape) && shared[0]!.cost <= apart + 2 * 0.8,
    );
    expect(found.length).toBeGreaterThan(0);
    for (const { request, all, shared } of found)
      expect(swum(planOf(request))).toEqual(
        all.map((of) => content(of.get(shared[0]!.shape)!.parts.map((p) => p.block))),
      );
  });

  it('take each their own where a shape in common would cost more than 0.8 a group', () => {
    // A distance that suits one shape of theirs only makes the others dear.
    const before = planOf(twoGroups({ seed: 1 }));
    const lockOf = (i: number) => before.groups[i]!.blocks.filter((b) => b.kind === 'main');
    const requests = [1, 2, 3, 4].flatMap((seed) =>
      (
        [
          [[], lockOf(1)],
          [lockOf(0), []],
          [lockOf(0), lockOf(1)],
        ] as const
      ).map(([first, second]) =>
        twoGroups({
          seed,
          groups: [groupOf('build', { locked: [...first] }), groupOf('race', { locked: [...second], loadLimit: 400 })],
        }),
      ),
    );
    for (const request of requests) {
      const result = buildSession(request);
      if (result.kind === 'clash') continue;
      const { all, shared, apart } = shapesOf(request);
      const together = shared.length > 0 && shared[0]!.cost <= apart + 2 * 0.8;
      const expected = all.map((of) =>
        content((together ? of.get(shared[0]!.shape)! : cheapest(of)).parts.map((p) => p.block)),
      );
      expect(swum(result.plan)).toEqual(expected);
    }
  });
});

describe('what cannot be', () => {
  it('names a block that may not be kept, by its group', () => {
    const before = planOf(asking([groupOf('build')])).groups[0]!;
    const main = before.blocks.find((b) => b.kind === 'main')!;
    const beginners = groupOf('settle', { locked: [main] });
    const result = buildSession(asking([groupOf('build'), beginners]));
    expect(result).toEqual({
      kind: 'clash',
      clashes: [
        {
          group: 1,
          message: 'Settle: not yet ten metres on their own: no lengths are planned.',
          changes: ['Unlock a block.'],
        },
      ],
    });
  });

  it('says which nearby distance and time would do', () => {
    // 37 to 53 lengths fit 45 minutes of Build: 36 and 54 are one too few and one too many.
    const changesOf = (lengths: number) => {
      const result = buildSession(asking([groupOf('build', { lengths })]));
      return result.kind === 'clash' ? result.clashes.map((c) => c.changes) : result.kind;
    };
    expect(changesOf(36)).toEqual([['Swim 925 m instead.', 'Plan 40 minutes.']]);
    expect(changesOf(54)).toEqual([['Swim 1325 m instead.', 'Plan 50 minutes.']]);
    expect([changesOf(37), changesOf(53)]).toEqual(['built', 'built']);
  });

  it('names nothing that would not help', () => {
    // Nobody swims so little in so short a time, whatever is changed by a little.
    const result = buildSession(asking([groupOf('build', { lengths: 400 })], { minutes: 20 }));
    if (result.kind !== 'clash') throw new Error('was built');
    for (const change of result.clashes[0]!.changes) {
      const minutes = /^Plan (\d+) minutes/.exec(change)?.[1];
      const metres = /^Swim (\d+) m/.exec(change)?.[1];
      const again = asking([groupOf('build', { lengths: metres ? Number(metres) / 25 : 400 })], {
        minutes: minutes ? Number(minutes) : 20,
      });
      if (minutes || metres) expect([change, buildSession(again).kind]).toEqual([change, 'built']);
    }
  });

  it('explains at most forty searches’ worth, for all groups together', () => {
    const wrong = Array.from({ length: 3 }, () => groupOf('build', { lengths: 80 }));
    const result = buildSession(asking(wrong));
    if (result.kind !== 'clash') throw new Error('was built');
    // The first needs nearly all of them.
    expect(result.clashes.map((c) => [c.group, c.changes])).toEqual([
      [0, ['Swim 1250 m instead.', 'Plan 65 minutes.']],
      [1, []],
      [2, []],
    ]);
  });
});

describe('land and beginners', () => {
  it('gives another five to eight minutes to land where the usual six leave no way', () => {
    for (const [lengths, landMinutes] of [
      [37, 7],
      [38, 6],
      [53, 5],
    ] as const) {
      const request = asking([groupOf('build', { lengths })]);
      // The usual six first, then the shortest.
      expect([6, 5, 7, 8].find((m) => everyCombination(request, 0, m).size > 0)).toBe(landMinutes);
      expect(expectCheapest(request, landMinutes).blocks[0]!.landMinutes).toBe(landMinutes);
    }
  });

  it('plans beginners by the clock, with eight minutes of land and no metre', () => {
    const request = asking([groupOf('settle')]);
    const [group] = planOf(request).groups;
    expect(group!.blocks[0]).toMatchObject({ kind: 'land', landMinutes: 8 });
    expect(groupTotals(group!, request.pool).metres).toBe(0);
    expect(group!.blocks.length).toBeGreaterThan(3);
    const land: Block = { ...group!.blocks[0]!, landMinutes: 5 };
    const kept = planOf(asking([groupOf('settle', { locked: [land] })])).groups[0]!;
    expect(kept.blocks[0]).toBe(land);
    // Three minutes fewer on land are three minutes more in the water.
    const water = (blocks: readonly Block[]) => groupClock({ ...group!, blocks: blocks.slice(1) }, request.pool).totalS;
    expect(water(kept.blocks) - water(group!.blocks)).toBeCloseTo(180, 0);
  });

  it('plans beginners who have their ten metres like the others', () => {
    const able = groupOf('settle', { ladderSteps: { confidence: 20 } });
    expect(groupTotals(planOf(asking([able])).groups[0]!, { length: 25, unit: 'm' }).metres).toBeGreaterThan(0);
  });
});

describe('another session', () => {
  it('is the next seed that differs', () => {
    const request = asking([groupOf('build')]);
    const shown = planOf(request);
    const other = anotherSession(request, shown);
    expect(other.kind).toBe('built');
    const plan = (other as { plan: SessionPlan }).plan;
    expect(plan.seed).toBeGreaterThan(7);
    expect(content(plan.groups[0]!.blocks)).not.toEqual(content(shown.groups[0]!.blocks));
    for (let seed = 8; seed < plan.seed; seed++)
      expect(content(planOf({ ...request, seed }).groups[0]!.blocks)).toEqual(content(shown.groups[0]!.blocks));
  });

  it('is the same with a note after twelve tries where nothing else fits', () => {
    const first = planOf(asking([groupOf('build')])).groups[0]!;
    const request = asking([groupOf('build', { locked: first.blocks })]);
    const shown = planOf(request);
    const other = anotherSession(request, shown) as { plan: SessionPlan; notes: readonly string[] };
    expect(other.plan.groups).toEqual(shown.groups);
    expect(other.plan.seed).toBe(7 + 12);
    expect(other.notes.at(-1)).toBe('Nothing else fits these requirements.');
  });

  it('says what clashes at once', () => {
    const shown = planOf(asking([groupOf('build')]));
    expect(anotherSession(asking([groupOf('build', { lengths: 3 })]), shown).kind).toBe('clash');
  });
});
