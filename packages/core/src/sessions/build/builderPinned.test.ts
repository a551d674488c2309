import { LEVEL } from '../../swimmers';
import { seeded } from '../../units';
import {
  anotherSession,
  blockMetres,
  buildSession,
  groupClock,
  groupTotals,
  isRounds,
  levelLoad,
  type Block,
  type BuildRequest,
  type BuildResult,
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

// One in each lane: nobody waits for the last.
const groupOf = (level: GroupRequest['level'], change: Partial<GroupRequest> = {}): GroupRequest => ({
  ...{ level, swimmers: 2, lanes: 2, v400Mps: null, ...change },
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
  readonly load: number;
  readonly parts: readonly Candidate[];
}

/** What is kept of the load of a week: nothing, never more than it, or as little more as can be. */
type Kept = 'nothing' | 'hard' | 'soft';

const MOVING = { settle: [0.25, 0.45], build: [0.5, 0.65], hold: [0.6, 0.72], race: [0.65, 0.8] } as const;
const limitOf = (request: BuildRequest, index: number) => {
  const group = request.groups[index]!;
  const share = { normal: 1, recovery: 0.7, taper: 0.5 }[request.week ?? 'normal'];
  return (group.loadLimit ?? levelLoad(group.level, request.minutes) * 1.1) * share;
};

/** The cheapest session of each shape, by trying every combination and pricing it as the rules say. */
function everyCombination(
  request: BuildRequest,
  index = 0,
  landMinutes?: number,
  kept: Kept = 'nothing',
  minutes = request.minutes,
): Map<string, ByHand> {
  const group = request.groups[index]!;
  // What ends before three quarters of the time is found for six tenths of it.
  const about = minutes <= request.minutes * 0.75 ? request.minutes * 0.6 : request.minutes;
  const of = blockCandidates(bareGroup(group, index), group, { ...request, minutes: about });
  const { share } = RECIPE[group.level];
  const easy = (request.week ?? 'normal') !== 'normal';
  const [drillsMore, speedMore] = { aerobic: [0, 0], technique: [0.09, 0], speed: [0, 0.09] }[request.kind] as [
    number,
    number,
  ];
  const more = [drillsMore + (easy ? 0.06 : 0), speedMore] as const;
  const { metresPerHour, defaultV400Mps } = LEVEL[group.level];
  const pace = Math.min(1, (group.v400Mps ?? defaultV400Mps) / defaultV400Mps);
  const mayRest = easy || kept !== 'nothing';
  const least = mayRest ? 0 : (metresPerHour[0] * minutes * pace) / 60;
  const most = (metresPerHour[1] * minutes) / 60;
  const limit = limitOf(request, index);
  const unit = request.pool.unit === 'yd' ? 0.9144 : 1;
  const time = (minutes - (landMinutes ?? RECIPE[group.level].landMinutes)) * 60;
  const sorted = [...of.main].sort((a, b) => a.seconds - b.seconds);
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
            const load = sum((c) => c.load);
            if (kept === 'hard' && load > limit) continue;
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
            const moving = sum((c) => c.movingS) / (minutes * 60);
            const [low, high] = MOVING[group.level];
            const still = Math.max(0, (mayRest ? 30 : 300) * (low - moving), 300 * (moving - high));
            const cost =
              2 * blocks.reduce((off, [is, , wanted]) => off + Math.abs(is - wanted), 0) +
              (group.lengths != null ? 0 : (100 * Math.max(0, least - metres, metres - most)) / most + still) +
              (total % 100 === 0 ? 0 : total % 50 === 0 ? 0.04 : 0.08) +
              (warmUp.awkward + drills.awkward + main.awkward + swimDown.awkward) +
              (kept === 'nothing' ? 0 : 20 * Math.max(0, load / limit - 1)) +
              // The seed may prefer what is nearly as good.
              0.1 * seeded(request.seed + index * 7919, number++);
            if (cost < (found.get(main.shape)?.cost ?? Infinity)) found.set(main.shape, { cost, load, parts });
          }
  return found;
}

/** The same inside the load of the week: filling the hour, or ending five minutes earlier again and again. */
function inTime(request: BuildRequest, landMinutes?: number): Map<string, ByHand> {
  const free = everyCombination(request, 0, landMinutes);
  const heaviest = Math.max(1, ...[...free.values()].map((f) => f.load));
  const ratio = limitOf(request, 0) / heaviest;
  if (ratio >= 1) return free;
  const whole = everyCombination(request, 0, landMinutes, 'hard');
  if (whole.size > 0) return whole;
  const lightest = Math.min(...[...free.values()].map((f) => f.load));
  const likely = Math.floor((request.minutes * (limitOf(request, 0) / lightest + 0.15)) / 5) * 5;
  const first = Math.min(request.minutes - 5, likely);
  for (let minutes = first; minutes > first - 25; minutes -= 5) {
    const earlier = everyCombination(request, 0, landMinutes, 'hard', minutes);
    if (earlier.size > 0) return earlier;
  }
  throw new Error('no shorter session is light enough');
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
  expect(content(group!.blocks)).toEqual(content(cheapest(inTime(request, landMinutes)).parts.map((p) => p.block())));
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
  const twoGroups = (change: Partial<BuildRequest>) =>
    asking([groupOf('build'), groupOf('race')], { minutes: 40, ...change });
  /** What all groups cost when they swim one shape; who cannot swim it takes the own best, which costs 0.8 more. */
  const costsOf = (all: readonly Map<string, ByHand>[]) =>
    [...new Set(all.flatMap((found) => [...found.keys()]))].map((shape) => ({
      shape,
      cost: all.reduce((sum, found) => sum + (found.get(shape)?.cost ?? cheapest(found).cost + 0.8), 0),
    }));

  it('are the shape that suits all of them best, whatever each would choose alone', () => {
    let compromises = 0;
    for (const seed of [1, 2, 3, 4, 5, 6]) {
      const request = twoGroups({ seed, week: 'normal' });
      const all = request.groups.map((_, i) => everyCombination(request, i));
      const light = all.every((found, i) => [...found.values()].every((f) => f.load <= limitOf(request, i)));
      if (!light) continue;
      const best = costsOf(all).reduce((a, b) => (b.cost < a.cost ? b : a));
      const own = all.map((found) => [...found].find(([, f]) => f === cheapest(found))![0]);
      if (own.some((shape) => shape !== best.shape)) compromises++;
      planOf(request).groups.forEach((group, i) =>
        expect(content(group.blocks)).toEqual(
          content((all[i]!.get(best.shape) ?? cheapest(all[i]!)).parts.map((p) => p.block())),
        ),
      );
    }
    expect(compromises).toBeGreaterThan(0);
  });

  it('are each their own where one main part is kept', () => {
    const before = planOf(twoGroups({ seed: 1 }));
    const main = before.groups[0]!.blocks.filter((b) => b.kind === 'main');
    const request = twoGroups({ seed: 2, groups: [groupOf('build', { locked: main }), groupOf('race')] });
    const all = request.groups.map((_, i) => everyCombination(request, i));
    const plan = planOf(request);
    expect(plan.groups[0]!.blocks.find((b) => b.kind === 'main')).toBe(main[0]);
    expect(content(plan.groups[1]!.blocks)).toEqual(content(cheapest(all[1]!).parts.map((p) => p.block())));
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
    // 30 to 51 lengths fit 45 minutes of Build: 29 and 52 are one too few and one too many.
    const changesOf = (lengths: number) => {
      const result = buildSession(asking([groupOf('build', { lengths })]));
      return result.kind === 'clash' ? result.clashes.map((c) => c.changes) : result.kind;
    };
    expect(changesOf(29)).toEqual([['Swim 750 m instead.', 'Plan 40 minutes.']]);
    expect(changesOf(52)).toEqual([['Swim 1275 m instead.', 'Plan 50 minutes.']]);
    expect([changesOf(30), changesOf(51)]).toEqual(['built', 'built']);
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
      [0, ['Swim 1250 m instead.', 'Plan 75 minutes.']],
      [1, []],
      [2, []],
    ]);
  });
});

describe('land and beginners', () => {
  it('gives another five to eight minutes to land where the usual six leave no way', () => {
    for (const [lengths, landMinutes] of [
      [49, 6],
      [50, 5],
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
  it('is the next seed whose main part has another shape', () => {
    const request = asking([groupOf('build')], { minutes: 60 });
    const built = (seed: number) => buildSession({ ...request, seed }) as Extract<BuildResult, { kind: 'built' }>;
    const shown = built(7);
    const other = anotherSession(request, shown.plan) as typeof shown;
    expect(other.shape).not.toBe(shown.shape);
    expect(other.plan.seed).toBeGreaterThan(7);
    for (let seed = 8; seed < other.plan.seed; seed++) expect(built(seed).shape).toBe(shown.shape);
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
