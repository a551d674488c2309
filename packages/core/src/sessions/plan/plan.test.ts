import fc from 'fast-check';
import {
  addItem,
  asKind,
  blockMetres,
  buildSession,
  beeperTempo,
  checkPlan,
  comparePlans,
  copyToLevels,
  describeSet,
  editRounds,
  editSet,
  findSet,
  groupClock,
  groupLengths,
  groupTotals,
  breathsInRep,
  loadPrompts,
  loadSummary,
  moveItem,
  poolTotal,
  prescriptionOf,
  proposeGroups,
  proposeThemes,
  ratingLoad,
  removeItem,
  sessionLoadLimit,
  setsOf,
  suggestFor,
  totalWord,
  whereIs,
  wrapInRounds,
  type AnySet,
  type Block,
  type GroupPlan,
  type Item,
  type SessionPlan,
  type SwimSet,
} from '..';
import { blockOf, groupOf, planOf, setOf as set } from './testPlans';

const POOL = { length: 25, unit: 'm' } as const;
const block = (change: Partial<Block> = {}): Block => blockOf(change.items ?? [set()], change);
const group = (blocks: readonly Block[]): GroupPlan => groupOf([], { blocks });

function built(): SessionPlan {
  const result = buildSession({
    kind: 'aerobic',
    theme: 'breath-too-low',
    minutes: 60,
    pool: POOL,
    kit: ['fins', 'board', 'buoy'],
    seed: 1,
    groups: (['build', 'hold', 'race'] as const).map((level) => ({ level, swimmers: 8, lanes: 2, v400Mps: null })),
  });
  if (result.kind === 'clash') throw new Error(result.clashes.map((c) => c.message).join());
  return result.plan;
}

describe('the total of a group in the unit of its pool', () => {
  const YARDS = { length: 25, unit: 'yd' } as const;
  const total = (...items: Item[]) => {
    const totals = groupTotals(groupOf(items), YARDS);
    return [poolTotal(totals, YARDS), totalWord(totals, YARDS)];
  };

  it('is exact in lengths', () => {
    expect(total(set({ reps: 25, lengths: 1 }))).toEqual([{ distance: 625, unit: 'yd', about: false }, '625 yd']);
  });

  it('is about, and still in yards, where some of it is measured by the clock', () => {
    const { kind: _, lengths: __, ...rest } = set() as SwimSet;
    const timed: Item = { ...rest, kind: 'timed', reps: 1, seconds: 600 };
    const { metres } = groupTotals(groupOf([timed]), YARDS);
    const yards = Math.round(metres / 0.9144);
    expect(total(timed)).toEqual([{ distance: yards, unit: 'yd', about: true }, `≈ ${yards} yd`]);
  });
});

describe('totals and the clock', () => {
  it('counts a drill block swum twice twice', () => {
    const twice = block({
      items: [
        {
          kind: 'rounds',
          id: 'r',
          rounds: 2,
          items: [set({ reps: 2, lengths: 2 }), set({ id: 't', reps: 1, lengths: 4 })],
        },
      ],
    });
    expect(groupTotals(group([twice]), POOL).metres).toBe(400);
  });

  it('nests rounds', () => {
    const inner = { kind: 'rounds' as const, id: 'i', rounds: 3, items: [set({ reps: 2, lengths: 1 })] };
    expect(groupLengths(group([block({ items: [{ kind: 'rounds', id: 'o', rounds: 2, items: [inner] }] })]))).toBe(12);
  });

  it('adds land, talk, swimming and rest to the second', () => {
    const land = block({ kind: 'land', id: 'l', landMinutes: 6, items: [] });
    const drill = block({
      kind: 'drills',
      id: 'd',
      items: [set({ id: 'x', reps: 2, lengths: 1, drill: 'tile-gaze-swim', effort: 0.6 })],
    });
    const clock = groupClock(group([land, block(), drill]), POOL);
    // Eight in two lanes: the last of four leaves 3 × 5 s behind the first, in drills 3 × 10 s, and is waited for.
    const main = 4 * (50 / Math.cbrt(0.8)) + 3 * 20 + 15;
    const drills = 30 + 60 + 2 * (25 / (Math.cbrt(0.6) * 0.9)) + 20 + 30;
    expect(clock.totalS).toBeCloseTo(360 + main + drills, 6);
    expect(clock.landS + clock.talkS + clock.swimS + clock.restS).toBeCloseTo(clock.totalS, 6);
  });

  it('explains a drill once, and shorter when it is known', () => {
    const d = set({ drill: 'tile-gaze-swim' });
    const rounds = block({ kind: 'drills', items: [{ kind: 'rounds', id: 'r', rounds: 3, items: [d] }] });
    expect(groupClock(group([rounds]), POOL).talkS).toBe(60);
    expect(groupClock({ ...group([rounds]), knownDrills: ['tile-gaze-swim'] }, POOL).talkS).toBe(20);
  });

  it('leaves no rest when the send-off is too short', () => {
    const short = group([block({ items: [set({ timing: { kind: 'send-off', seconds: 10 } })] })]);
    expect(groupClock({ ...short, swimmers: 2 }, POOL).restS).toBe(0);
    // Four in a lane: only the wait for the last.
    expect(groupClock(short, POOL).restS).toBe(15);
  });

  it('counts looks and breaths to both sides', () => {
    const items = [
      set({
        reps: 2,
        lengths: 4,
        sighting: { every: 8, forBreath: false },
        breathing: { kind: 'every', strokes: 3, side: 'left' },
      }),
    ];
    const totals = groupTotals(group([block({ items })]), POOL);
    expect(totals.looks).toBe(24);
    expect(totals.breaths).toEqual({ left: 33, right: 33 });
  });
});

describe('editing', () => {
  const plan = planOf([group([block()]), { ...group([block({ items: [set({ id: 'other' })] })]), id: 'h' }]);

  it('changes one set and leaves the other groups alone', () => {
    const edited = editSet(plan, 's', { reps: 6, lengths: 4 });
    expect(groupLengths(edited.groups[0]!)).toBe(24);
    expect(edited.groups[1]).toBe(plan.groups[1]);
  });

  it('changes rounds and removes sets, and rounds left empty', () => {
    const nested = {
      ...plan,
      groups: [group([block({ items: [{ kind: 'rounds', id: 'r', rounds: 2, items: [set()] }] })])],
    };
    expect(groupLengths(editRounds(nested, 'r', 5).groups[0]!)).toBe(40);
    expect(removeItem(nested, 's').groups[0]!.blocks[0]!.items).toEqual([]);
  });

  it('says at once what is broken', () => {
    expect(checkPlan(editSet(built(), 'g1-sd', { lengths: 60 })).problems.join(' ')).toMatch(
      /Build runs .* over.*apart.*Swim-down/,
    );
    const onesided = built();
    const ids = onesided.groups[1]!.blocks.flatMap((b) => setsOf(b.items))
      .filter(({ set: s }) => s.breathing.kind === 'every')
      .map(({ set: s }) => s.id);
    const left = ids.reduce(
      (p, id) => editSet(p, id, { breathing: { kind: 'every', strokes: 2, side: 'left' } }),
      onesided,
    );
    expect(checkPlan(left).problems.join(' ')).toContain('100 % of the counted breaths go to the left');
  });

  it('describes a set as on a whiteboard', () => {
    expect(describeSet(set({ drill: 'six-one-six' }), POOL)).toBe('4 × 50 six, one, six');
    // By hand: 20 letters. Where they do not fit the name goes, never the numbers; a stroke is short enough.
    expect(describeSet(set({ drill: 'six-one-six' }), POOL, 'pool', 20)).toBe('4 × 50 six, one, six');
    expect(describeSet(set({ drill: 'six-one-six' }), POOL, 'pool', 19)).toBe('4 × 50 drill');
    expect(describeSet(set({}), POOL, 'pool', 3)).toBe('4 × 50 crawl');
    expect(describeSet(set({ reps: 1, lengths: 3 }), { length: 100 / 3, unit: 'm' })).toBe('100 crawl');
  });
});

describe('what the people bring', () => {
  it('limits the load to a tenth over four weeks, once there are four', () => {
    const weekly = (load: number) => [7, 14, 21, 28].map((daysAgo) => ({ daysAgo, load }));
    expect(sessionLoadLimit(weekly(1000).slice(1))).toBeNull();
    expect(sessionLoadLimit(weekly(1000))).toBeCloseTo(1100, 9);
    expect(sessionLoadLimit([...weekly(1000), { daysAgo: 2, load: 300 }])).toBeCloseTo(800, 9);
    expect(sessionLoadLimit([...weekly(1000), { daysAgo: 2, load: 1000 }])).toBe(600);
  });

  it('makes one group per level with a pace the slower half can keep', () => {
    const attendee = (t: number, focus: 'spins' | null = null) => ({
      level: 'hold' as const,
      model: 'long-line' as const,
      bestTimes: [{ distanceM: 400, timeS: t }],
      focus,
      healthFlags: [],
    });
    const attendees = [attendee(360, 'spins'), attendee(380, 'spins'), attendee(400), attendee(420), attendee(440)];
    const [hold] = proposeGroups(attendees, {});
    expect(hold).toMatchObject({ level: 'hold', swimmers: 5, v400Mps: 400 / 420, loadLimit: null });
    expect(proposeThemes(attendees)).toEqual([{ cause: 'spins', swimmers: 2 }]);
  });
});

describe('every kind of set', () => {
  it('has totals by block, effort, stroke and drill that add up to the whole', () => {
    const anySet: fc.Arbitrary<AnySet> = fc.oneof(
      fc.record({ reps: fc.integer({ min: 1, max: 9 }), lengths: fc.integer({ min: 1, max: 12 }) }).map((c) => set(c)),
      fc.integer({ min: 30, max: 600 }).map((seconds) => asKind({ ...set(), id: 't' }, 'timed', { repS: seconds })),
      fc.constant(asKind(set({ effort: 0.6 }), 'halves', { repS: 60 })),
      fc.constant<AnySet>(set({ drill: 'side-kick', effort: 0.6 })),
    );
    fc.assert(
      fc.property(fc.array(anySet, { minLength: 1, maxLength: 6 }), fc.integer({ min: 1, max: 4 }), (sets, rounds) => {
        const items: Item[] = [{ kind: 'rounds', id: 'r', rounds, items: sets }];
        const totals = groupTotals(groupOf(items), POOL);
        const sum = (parts: Readonly<Record<string, number | undefined>>) =>
          Object.values(parts).reduce<number>((total, m) => total + (m ?? 0), 0);
        expect(sum(totals.metresByEffort)).toBeCloseTo(totals.metres, 6);
        expect(sum(totals.metresByStroke) + sum(totals.metresByDrill)).toBeCloseTo(totals.metres, 6);
        expect(blockMetres(blockOf(items), groupOf(items), POOL)).toBeCloseTo(totals.metres, 6);
        expect(totals.swimS + totals.restS + totals.talkS + totals.landS).toBeCloseTo(totals.seconds, 6);
      }),
    );
  });

  it('half easy, half all-out takes the time of its halves', () => {
    const halves: AnySet = { ...set({ reps: 1, lengths: 2, effort: 0.6 }), kind: 'halves', secondEffort: 0.9 };
    const { swimS, metresByEffort } = groupTotals(groupOf([halves]), POOL);
    expect(swimS).toBeCloseTo(25 / Math.cbrt(0.6) + 25 / Math.cbrt(0.9), 9);
    expect(metresByEffort).toEqual({ 60: 25, 90: 25 });
  });

  it('by minutes takes its minutes at any pace, and says that its metres are an estimate', () => {
    const timed: AnySet = { ...asKind(set({ reps: 2 }), 'timed', { repS: 300 }) };
    const slow = groupTotals(groupOf([timed], { v400Mps: 0.5 }), POOL);
    const fast = groupTotals(groupOf([timed]), POOL);
    expect(slow.swimS).toBe(fast.swimS);
    expect(fast.estimatedM).toBeCloseTo(600 * Math.cbrt(0.8), 9);
    expect(fast.lengths).toBe(0);
  });

  it('takes the club’s own table for the law where there is one', () => {
    const paceTable = [
      { effort: 0.6, share: 0.8 },
      { effort: 0.8, share: 0.9 },
    ];
    const swim = (effort: number) => groupTotals(groupOf([set({ reps: 1, effort })], { paceTable }), POOL).swimS;
    expect(swim(0.6)).toBeCloseTo(50 / 0.8, 9);
    expect(swim(0.7)).toBeCloseTo(50 / 0.85, 9);
    expect(swim(1)).toBeCloseTo(50 / 0.9, 9);
  });
});

describe('breathing, rate and looks', () => {
  const breaths = (change: Parameters<typeof set>[0]) => groupTotals(groupOf([set(change)]), POOL).breaths;

  it('counts each way of breathing', () => {
    const m100 = { reps: 1, lengths: 4 } as const;
    expect(breaths({ ...m100, breathing: { kind: 'every', strokes: 2, side: 'left' } })).toEqual({
      left: 50,
      right: 0,
    });
    expect(breaths({ ...m100, breathing: { kind: 'to-side', side: 'right' } })).toEqual({ left: 0, right: 50 });
    expect(breaths({ ...m100, breathing: { kind: 'by-length', strokes: 5, side: 'left' } })).toEqual({
      left: 10,
      right: 10,
    });
    expect(breaths({ reps: 3, lengths: 1, breathing: { kind: 'limited', first: 4, last: 2 } })).toEqual({
      left: 4,
      right: 5,
    });
    expect(breaths({ ...m100, breathing: { kind: 'free' } })).toEqual({ left: 0, right: 0 });
  });

  it('takes looks for breaths off the count when they are in place of one', () => {
    const sighting = { every: 10, forBreath: true };
    const { left, right } = breaths({
      reps: 1,
      lengths: 4,
      breathing: { kind: 'every', strokes: 2, side: 'left' },
      sighting,
    });
    expect(left + right).toBe(50 - 10);
  });

  it('steps limited breaths evenly from the first rep to the last', () => {
    const breathing = { kind: 'limited', first: 6, last: 3 } as const;
    expect([0, 1, 2, 3].map((rep) => breathsInRep(breathing, rep, 4))).toEqual([6, 5, 4, 3]);
  });

  it('says breaths a minute, seconds between and the beep', () => {
    const asked = set({
      strokeRateSpm: 60,
      breathing: { kind: 'every', strokes: 3, side: 'left' },
      sighting: { every: 8, forBreath: false },
    });
    expect(prescriptionOf(asked, groupOf([]), POOL)).toMatchObject({
      strokeRateSpm: 60,
      rateIsDerived: false,
      beeperS: 1,
      breathsPerMinute: 20,
      secondsBetween: 3,
      looksPerRep: 6,
    });
    expect(beeperTempo(72)).toBe(0.83);
  });

  it('suggests a rate inside the model’s band, but never far from today’s', () => {
    const here = groupOf([], { model: 'quick-rhythm' });
    const now = prescriptionOf(set(), here, POOL).strokeRateSpm;
    const { strokeRateSpm, breathing } = suggestFor(set(), here, POOL, false);
    expect(now).toBeLessThan(60);
    expect(strokeRateSpm).toBe(Math.round(now + 4));
    expect(breathing).toMatchObject({ kind: 'every', strokes: 3 });
    expect(suggestFor(set(), { ...here, level: 'settle' }, POOL, false).breathing.kind).toBe('free');
  });
});

describe('moving and copying', () => {
  const sets = ['a', 'b', 'c'].map((id) => set({ id }));
  const two = planOf([
    groupOf([], {
      blocks: [
        blockOf([sets[0]!, { kind: 'rounds', id: 'r', rounds: 2, items: [sets[1]!] }], { id: 'b1', kind: 'warm-up' }),
        blockOf([sets[2]!], { id: 'b2' }),
      ],
    }),
  ]);
  const idsIn = (plan: SessionPlan) => plan.groups.flatMap((g) => g.blocks.map((b) => b.items.map((i) => i.id)));

  it('moves a set within a block, into rounds and to another block', () => {
    expect(idsIn(moveItem(two, 'a', { holderId: 'b1', index: 2 }))).toEqual([['r', 'a'], ['c']]);
    expect(whereIs(moveItem(two, 'a', { holderId: 'r', index: 1 }), 'a')).toEqual({ holderId: 'r', index: 1 });
    expect(idsIn(moveItem(two, 'r', { holderId: 'b2', index: 0 }))).toEqual([['a'], ['r', 'c']]);
  });

  it('drops rounds that were left empty, and never puts rounds into themselves', () => {
    expect(idsIn(moveItem(two, 'b', { holderId: 'b2', index: 0 }))).toEqual([['a'], ['b', 'c']]);
    expect(moveItem(two, 'r', { holderId: 'r', index: 0 })).toBe(two);
    expect(moveItem(two, 'nobody', { holderId: 'b2', index: 0 })).toBe(two);
    expect(moveItem(two, 'a', { holderId: 'nowhere', index: 0 })).toBe(two);
  });

  it('keeps every set through any moves', () => {
    const places = fc.record({
      id: fc.constantFrom('a', 'b', 'c', 'r'),
      holderId: fc.constantFrom('b1', 'b2', 'r'),
      index: fc.integer({ min: 0, max: 3 }),
    });
    fc.assert(
      fc.property(fc.array(places, { maxLength: 8 }), (moves) => {
        const after = moves.reduce((plan, { id, holderId, index }) => moveItem(plan, id, { holderId, index }), two);
        const ids = after.groups.flatMap((g) => g.blocks.flatMap((b) => setsOf(b.items).map(({ set: s }) => s.id)));
        expect(ids.sort()).toEqual(['a', 'b', 'c']);
      }),
    );
  });

  it('adds a set and wraps one in rounds', () => {
    expect(idsIn(addItem(two, set({ id: 'new' }), { holderId: 'b2', index: 1 }))[1]).toEqual(['c', 'new']);
    const wrapped = wrapInRounds(two, 'c', 'w');
    expect(groupLengths(wrapped.groups[0]!)).toBe(groupLengths(two.groups[0]!) + 8);
  });

  it('copies a set to the other levels so that it takes about as long there', () => {
    const plan = planOf([
      groupOf([set({ id: 'mine', reps: 8, drill: 'front-scull' })]),
      groupOf([set({ id: 'x' })], { id: 'h', name: 'Race', level: 'race', v400Mps: 1.4 }),
      groupOf([set({ id: 'y' })], { id: 'i', name: 'Settle', level: 'settle' }),
    ]);
    const { plan: copied, leftOut } = copyToLevels(plan, 'mine', (id) => `${id}-copy`);
    expect(leftOut).toEqual(['Settle']);
    const copy = findSet(copied.groups[1]!.blocks[0]!.items, 'h-copy')!;
    expect(copy.reps).toBeGreaterThan(8);
    expect(copied.groups[2]).toBe(plan.groups[2]);
  });
});

describe('load', () => {
  it('says week, mean, ratio and monotony, and asks rather than judges', () => {
    const past = [0, 7, 14, 21, 28].map((daysAgo) => ({ daysAgo, load: 1000 }));
    expect(loadSummary(past)).toMatchObject({ week: 1000, fourWeekMean: 1000, ratio: 1 });
    expect(loadPrompts(loadSummary(past))).toEqual([]);
    const more = loadSummary([...past, { daysAgo: 2, load: 500 }]);
    expect(more.ratio).toBe(1.5);
    expect(loadPrompts(more)[0]).toContain('50 % more');
    const alike = loadSummary(
      Array.from({ length: 7 }, (_, daysAgo) => ({ daysAgo, load: daysAgo === 3 ? 380 : 400 })),
    );
    expect(alike.fourWeekMean).toBeNull();
    expect(loadPrompts(alike)).toEqual(['Every day is much the same. Where is the easy day?']);
  });

  it('by rating is rating times minutes', () => {
    expect(ratingLoad(6, 60)).toBe(360);
    expect(() => ratingLoad(11, 60)).toThrow(RangeError);
  });
});

describe('planned and done', () => {
  it('differ block by block', () => {
    const planned = planOf([groupOf([set({ reps: 4 })])]);
    const done = editSet(planned, 's', { reps: 3 });
    expect(comparePlans(planned, done)).toEqual([
      expect.objectContaining({
        group: 'Hold',
        plannedM: 200,
        doneM: 150,
        blocks: [{ block: 'main', plannedM: 200, doneM: 150 }],
      }),
    ]);
    expect(comparePlans(planned, planned)[0]!.blocks).toEqual([]);
    expect(comparePlans(planned, planOf([]))[0]).toMatchObject({ plannedM: 200, doneM: 0 });
  });
});
