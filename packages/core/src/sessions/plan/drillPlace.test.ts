import { DRILL_IDS, drillCard, KIT_IDS, STEPS_TO_TEN_METRES, type DrillId } from '../../library';
import { CAUSE_IDS, CAUSES } from '../../review';
import { LEVELS, type LevelId } from '../../swimmers';
import type { Pool } from '../../units';
import {
  buildSession,
  byTheClock,
  cautionsOf,
  checkPlan,
  drillProblem,
  proposeGroups,
  repMetres,
  SESSION_KINDS,
  setsOf,
  withDrill,
  withinDose,
  type AnySet,
  type BlockKind,
  type BuildRequest,
  type GroupPerson,
  type SessionPlan,
} from '..';
import { groupOf, planOf, setOf } from './testPlans';
import { runs } from '../../../test/runs';

const POOL: Pool = { length: 25, unit: 'm' };

/** Doses and places, written a second time: where, and the most of one try. */
const BY_HAND: readonly [DrillId, places: string, most: string][] = [
  ['chest-lean', 'shallow', '10 s'],
  ['bob-ladder', 'shallow', 'spot'],
  ['star-float', 'shallow open-water', 'spot'],
  ['streamline-glide', 'wall', 'spot'],
  ['tumble-ladder', 'wall', 'spot'],
  ['front-scull', 'pool', '25 m'],
  ['mid-scull', 'pool', '25 m'],
  ['back-scull', 'pool', '25 m'],
  ['doggy-paddle', 'pool', '50 m'],
  ['side-kick', 'pool', '50 m'],
  ['six-one-six', 'pool', '50 m'],
  ['six-three-six', 'pool', '50 m'],
  ['width-trial', 'pool', '25 m'],
  ['ten-blind-strokes', 'pool', 'spot'],
  ['count-down-50s', 'pool', '50 m'],
  ['ankle-mobility', 'land', '30 s'],
  ['barrel-reach', 'land', '30 s'],
];

it.each(BY_HAND)('%s: %s, %s at most', (id, places, most) => {
  const { places: where, dose } = drillCard(id);
  expect(where.join(' ')).toBe(places);
  expect(dose.kind === 'distance' ? `${dose.mostM} m` : dose.kind === 'seconds' ? `${dose.seconds} s` : 'spot').toBe(
    most,
  );
});

const problem = (
  set: Partial<AnySet> & { seconds?: number; lengths?: number },
  block: BlockKind = 'drills',
  pool: Pool = POOL,
  place: 'pool' | 'open-water' = 'pool',
) => drillProblem(setOf(set as never), groupOf([]), { block, pool, place });
const timed = (drill: DrillId, seconds: number) => ({ kind: 'timed', drill, seconds }) as never;

describe('a drill that is written somewhere', () => {
  it.each<[string, string | null, RegExp]>([
    ['chest lean as 25s', problem({ drill: 'chest-lean', lengths: 1 }), /counted in seconds/],
    ['chest lean for 11 s', problem(timed('chest-lean', 11)), /10 s is the most/],
    ['blind strokes as a length', problem({ drill: 'ten-blind-strokes', lengths: 1 }), /on the spot/],
    ['the bob ladder as lengths', problem({ drill: 'bob-ladder', lengths: 1 }), /on the spot/],
    ['100 m of scull', problem({ drill: 'front-scull', lengths: 4 }), /25 m is the most/],
    ['50 m of mid scull', problem({ drill: 'mid-scull', lengths: 2 }), /25 m is the most/],
    ['75 m of side kick', problem({ drill: 'side-kick', lengths: 3 }), /50 m is the most/],
    ['a count-down 25', problem({ drill: 'count-down-50s', lengths: 1 }), /whole 50s only/],
    ['the tumble ladder on land', problem(timed('tumble-ladder', 60), 'land'), /in the water, not on land/],
    ['a glide on land', problem(timed('streamline-glide', 60), 'land'), /not on land/],
    ['the bob ladder on land', problem(timed('bob-ladder', 60), 'land'), /not on land/],
    ['swimming on land', problem({ lengths: 4 }, 'land'), /not work on land/],
    ['ankles in the water', problem(timed('ankle-mobility', 30)), /on land, not in the water/],
    ['scull outside', problem(timed('front-scull', 30), 'drills', POOL, 'open-water'), /not for open water/],
    [
      'chest lean without standing depth',
      problem(timed('chest-lean', 10), 'drills', { ...POOL, standingDepth: false }),
      /needs standing depth/,
    ],
    [
      'tumbling at a raised edge',
      problem(timed('tumble-ladder', 60), 'drills', { ...POOL, edge: 'raised' }),
      /hurts heels/,
    ],
  ])('is refused: %s', (_name, found, said) => expect(found).toMatch(said));

  it('is let through as its card says', () => {
    expect(problem(timed('chest-lean', 10))).toBeNull();
    expect(problem(timed('bob-ladder', 60))).toBeNull();
    expect(problem({ drill: 'front-scull', lengths: 1 })).toBeNull();
    expect(problem({ drill: 'count-down-50s', lengths: 2 })).toBeNull();
    expect(problem(timed('barrel-reach', 30), 'land')).toBeNull();
    expect(problem(timed('star-float', 60), 'drills', POOL, 'open-water')).toBeNull();
  });

  it('counts by the time too, where it is written in seconds', () => {
    // Easy is 1 m/s here, and scull 0.3 of it: 25 m take 83 s, and a fiftieth more is let through.
    const scull = (seconds: number) =>
      drillProblem(
        setOf(timed('front-scull', seconds)),
        groupOf([], { v400Mps: 1, paceTable: [{ effort: 0.6, share: 1 }] }),
        { block: 'drills', pool: POOL, place: 'pool' },
      );
    expect([30, 84].map(scull)).toEqual([null, null]);
    expect(scull(86)).toMatch(/25 m is the most for one try/);
    expect(problem(timed('count-down-50s', 30))).toMatch(/whole 50s only/);
  });

  it('fits the pool that there is', () => {
    const yards: Pool = { length: 25, unit: 'yd' };
    const long: Pool = { length: 50, unit: 'm' };
    const odd: Pool = { length: 100 / 3, unit: 'm' };
    const countDown = (lengths: number, pool: Pool) => problem({ drill: 'count-down-50s', lengths }, 'drills', pool);
    expect([countDown(2, yards), countDown(1, long)]).toEqual([null, null]);
    expect(countDown(1, odd)).toMatch(/whole 50s only/);
    expect(countDown(2, odd)).toMatch(/50 m is the most/);
    // As far as it may go, then easily to the wall: one length of a long pool, two of a short one, never over 100 m.
    const scull = (lengths: number, length: number) => withinDose('front-scull', lengths, { length, unit: 'm' });
    expect([scull(1, 25), scull(1, 50), scull(2, 20), scull(1, 60)]).toEqual([true, true, true, true]);
    expect([scull(2, 25), scull(2, 50), scull(3, 20), scull(2, 60)]).toEqual([false, false, false, false]);
    expect(withinDose('bob-ladder', 1, POOL)).toBe(false);
    expect(withinDose('chest-lean', 1, POOL)).toBe(false);
  });

  it('asks for depth and edge only where they matter', () => {
    const shallow: Pool = { ...POOL, standingDepth: false };
    expect(problem(timed('star-float', 60), 'drills', shallow)).toMatch(/needs standing depth/);
    expect(problem(timed('star-float', 60), 'drills', { ...POOL, standingDepth: true })).toBeNull();
    expect(problem({ drill: 'front-scull', lengths: 1 }, 'drills', { ...shallow, edge: 'raised' })).toBeNull();
    expect(problem(timed('tumble-ladder', 60), 'drills', { ...POOL, edge: 'level' })).toBeNull();
  });

  it('keeps a plan from being stored, and stands with its caution', () => {
    const set = setOf({ drill: 'chest-lean', lengths: 2 });
    expect(checkPlan(planOf([groupOf([set])])).blocked.join()).toContain('counted in seconds');
    expect(cautionsOf(set, groupOf([set]), POOL)).toEqual(['Standing depth only. Stand up at the first wish for air.']);
  });
});

describe('a drill taken into a set by hand', () => {
  it('comes in the dose of its card, and is never refused', () => {
    for (const pool of [POOL, { length: 50, unit: 'm' }, { length: 100 / 3, unit: 'm' }] as const) {
      for (const drill of DRILL_IDS.filter((id) => !drillCard(id).places.includes('land'))) {
        // No 50 fits into 33⅓ m.
        if (drill === 'count-down-50s' && pool.length % 25 !== 0) continue;
        const set = withDrill(setOf({ lengths: 4, effort: 0.8 }), drill, groupOf([]), pool);
        const stands = { block: 'drills', place: 'pool', pool } as const;
        expect([drill, drillProblem(set, groupOf([]), stands)]).toEqual([drill, null]);
        expect(set).toMatchObject({ id: 's', drill, kit: drillCard(drill).kit });
      }
    }
    expect(withDrill(setOf({ lengths: 4 }), 'front-scull', groupOf([]), POOL)).toMatchObject({ reps: 4, lengths: 1 });
    expect(withDrill(setOf(), 'chest-lean', groupOf([]), POOL)).toMatchObject({ kind: 'timed', reps: 6, seconds: 10 });
  });
});

const requestFor = (theme: BuildRequest['theme'], change: Partial<BuildRequest>): BuildRequest => ({
  kind: 'aerobic',
  theme,
  minutes: 60,
  pool: POOL,
  kit: KIT_IDS,
  seed: 1,
  groups: LEVELS.map((level) => ({
    level,
    swimmers: 6,
    lanes: 1,
    v400Mps: null,
    ...(level === 'settle' ? { ladderSteps: { confidence: STEPS_TO_TEN_METRES } } : {}),
  })),
  ...change,
});

/** Every set of a plan with the block it stands in. */
const standing = (plan: SessionPlan) =>
  plan.groups.flatMap((group) =>
    group.blocks.flatMap((block) => setsOf(block.items).map(({ set }) => ({ set, block, group }))),
  );

describe('every drill in every answer of the builder', () => {
  const used = new Set<DrillId>();
  const POOLS: readonly Pool[] = [
    POOL,
    { length: 50, unit: 'm' },
    { length: 25, unit: 'yd' },
    { length: 100 / 3, unit: 'm' },
    { ...POOL, standingDepth: false, edge: 'raised' },
  ];

  it.each(CAUSE_IDS)('%s', (theme) => {
    const nth = CAUSE_IDS.indexOf(theme);
    SESSION_KINDS.forEach((kind, k) => {
      // In turn, so that every kind and every pool is built also in the quick run.
      if (k !== nth % SESSION_KINDS.length && runs(1, SESSION_KINDS.length) === 1) return;
      const pool = POOLS[(nth + k) % POOLS.length]!;
      // In a long pool, and without standing depth, beginners are another matter, looked at below.
      const groups = requestFor(theme, {}).groups.filter((g) => g.level !== 'settle' || pool === POOL);
      const result = buildSession(requestFor(theme, { kind, pool, seed: k + 1, groups }));
      if (result.kind === 'clash') throw new Error(result.clashes.map((c) => c.message).join(' '));
      expect(checkPlan(result.plan).blocked).toEqual([]);
      for (const { set, block, group } of standing(result.plan)) {
        if (!set.drill) continue;
        used.add(set.drill);
        const { places, dose, cautions, levelEdge } = drillCard(set.drill);
        expect([set.drill, block.kind]).toEqual([set.drill, places.includes('land') ? 'land' : 'drills']);
        if (dose.kind === 'distance') {
          // What is over the most of a card is swum easily to the wall, and that is said.
          if (!set.note.includes('then easily to the wall'))
            expect(repMetres(set, group, pool)).toBeLessThanOrEqual(dose.mostM * 1.02);
          else expect(set.note).toBe(`${dose.mostM} m of it, then easily to the wall.`);
          if (dose.whole && set.kind === 'swim') expect(set.lengths * pool.length).toBeCloseTo(dose.whole, 6);
        } else expect(set.kind).toBe('timed');
        if (dose.kind === 'seconds' && set.kind === 'timed') expect(set.seconds).toBeLessThanOrEqual(dose.seconds);
        if (pool.standingDepth === false) expect(places).not.toEqual(['shallow']);
        if (pool.edge === 'raised') expect(levelEdge).toBeUndefined();
        expect(cautionsOf(set, group, pool)).toEqual(expect.arrayContaining([...cautions]));
      }
      // The land block names land drills only.
      for (const { blocks } of result.plan.groups)
        for (const id of DRILL_IDS)
          if (blocks[0]!.note.includes(drillCard(id).name)) expect(drillCard(id).places).toContain('land');
    });
  });

  it('was about most of what answers a fault', () => {
    const answers = new Set(CAUSE_IDS.flatMap((id) => CAUSES[id].answers as readonly DrillId[]));
    const water = [...answers].filter((id) => !drillCard(id).places.includes('land'));
    expect(water.filter((id) => used.has(id)).length).toBeGreaterThan(water.length * 0.7);
    for (const id of ['bob-ladder', 'tumble-ladder', 'streamline-glide', 'chest-lean', 'front-scull'] as const)
      expect([id, used.has(id)]).toEqual([id, true]);
  });
});

describe('cues', () => {
  it.each(['side-roll', 'wall-distance'] as const)(
    'of %s talk of no somersault to people who do not tumble',
    (theme) => {
      const result = buildSession(requestFor(theme, {}));
      if (result.kind === 'clash') throw new Error(result.clashes[0]!.message);
      for (const { set, group } of standing(result.plan)) {
        const somersault = /straight over|then roll/.test(set.note);
        if (somersault) expect(['hold', 'race']).toContain(group.level);
      }
      const before = buildSession(
        requestFor(theme, {
          groups: [{ level: 'race', swimmers: 4, lanes: 1, v400Mps: null, ladderSteps: { tumble: 1 } }],
        }),
      );
      if (before.kind === 'clash') throw new Error(before.clashes[0]!.message);
      expect(standing(before.plan).some(({ set }) => /straight over|then roll/.test(set.note))).toBe(false);
    },
  );
});

describe('loops', () => {
  it('outside are whole: half of one is no set, no matter who writes it', () => {
    const loop = { place: 'open-water', pool: { length: 1600, unit: 'm' } } as const;
    for (const lengths of [0.5, 1.5]) {
      const plan = planOf([groupOf([setOf({ lengths })])], loop);
      expect(checkPlan(plan).blocked.join()).toContain('half a loop');
    }
    expect(checkPlan(planOf([groupOf([setOf({ lengths: 2 })])], loop)).blocked).toEqual([]);
    const built = buildSession(
      requestFor('sights-high', {
        ...loop,
        minutes: 90,
        pool: { length: 815, unit: 'm' },
        groups: requestFor('unease', {}).groups.slice(1),
      }),
    );
    if (built.kind === 'clash') throw new Error(built.clashes[0]!.message);
    for (const { set } of standing(built.plan))
      if (set.kind === 'swim') expect(Number.isInteger(set.lengths)).toBe(true);
  });
});

describe('beginners', () => {
  const settle = (confidence?: number, change: Partial<BuildRequest> = {}) =>
    buildSession(
      requestFor('unease', {
        groups: [
          {
            level: 'settle',
            swimmers: 4,
            lanes: 1,
            v400Mps: null,
            ...(confidence === undefined ? {} : { ladderSteps: { confidence } }),
          },
        ],
        ...change,
      }),
    );
  const planned = (...asked: Parameters<typeof settle>): SessionPlan => {
    const result = settle(...asked);
    if (result.kind === 'clash') throw new Error(result.clashes[0]!.message);
    return result.plan;
  };

  it.each([undefined, 0, 1, 4, 5, 9])('with %p steps of confidence swim no length', (confidence) => {
    for (const theme of ['unease', 'holds-breath', 'no-chest-press', 'crosses-midline', 'stiff-ankles'] as const) {
      const plan = planned(confidence, { theme });
      expect(checkPlan(plan)).toMatchObject({ blocked: [], problems: [] });
      for (const { set, group } of standing(plan)) {
        expect(set.kind).toBe('timed');
        expect(repMetres(set, group, plan.pool)).toBe(0);
        expect(drillCard(set.drill!).places).toContain('shallow');
        expect(cautionsOf(set, group, plan.pool).join(' ')).toMatch(/[Ss]tanding depth/);
      }
      const [finish] = checkPlan(plan).finishes;
      expect(finish!.endS).toBeLessThanOrEqual(3600);
      expect(finish!.endS).toBeGreaterThan(3600 - 60);
    }
  });

  it('work on the next step, with the last ones they passed around it', () => {
    const notes = standing(planned(4)).map(({ set }) => set.note);
    expect(notes.join(' ')).toContain('Two hands on the wall, feet down, bubbles for five seconds.');
    expect(notes.join(' ')).not.toContain('Stand up from a float');
    expect(notes.join(' ')).toContain('Bob ten times');
  });

  it('swim 25s once ten metres on their own are passed, but never in a long pool', () => {
    const swims = (plan: SessionPlan) => standing(plan).some(({ set }) => set.kind === 'swim');
    expect(swims(planned(10))).toBe(true);
    const long = planned(10, { pool: { length: 50, unit: 'm' } });
    expect(swims(long)).toBe(false);
    expect([
      byTheClock({ level: 'settle', ladderSteps: { confidence: 10 } }, POOL),
      byTheClock({ level: 'build' }, POOL),
    ]).toEqual([false, false]);
    const half = planOf([groupOf([setOf({ lengths: 0.5 })], { level: 'settle' })], { pool: { length: 50, unit: 'm' } });
    expect(checkPlan(half).blocked.join()).toContain('swimmers who cannot yet swim 50 m');
  });

  it('are a clash without standing depth, or with a distance asked for', () => {
    expect(settle(4, { pool: { ...POOL, standingDepth: false } })).toMatchObject({
      kind: 'clash',
      clashes: [{ message: expect.stringContaining('standing depth') }],
    });
    const [group] = requestFor('unease', {}).groups;
    const asked = { ...group!, ladderSteps: { confidence: 4 }, lengths: 20 };
    expect(settle(4, { groups: [asked] })).toMatchObject({
      kind: 'clash',
      clashes: [{ changes: ['Leave the distance to the level.'] }],
    });
    // A block with lengths that was locked is not kept either.
    const swum = planned(10).groups[0]!.blocks.filter((b) => b.kind === 'main');
    expect(settle(4, { groups: [{ ...group!, ladderSteps: { confidence: 4 }, locked: swum }] }).kind).toBe('clash');
  });

  it('finish with the others', () => {
    const groups = (['settle', 'build', 'hold', 'race'] as const).map((level) => ({
      level,
      swimmers: 5,
      lanes: 1,
      v400Mps: null,
    }));
    const result = buildSession(requestFor('breath-too-low', { groups }));
    if (result.kind === 'clash') throw new Error(result.clashes[0]!.message);
    expect(checkPlan(result.plan).spreadS).toBeLessThanOrEqual(60);
    expect(result.notes.join(' ')).toContain('Settle: timed tries in standing depth');
    expect(result.notes.join(' ')).toContain('check first that this pool has standing depth');
  });

  it('are told by name when somebody plans lengths for them, at whatever level the group is called', () => {
    const bea: GroupPerson = {
      ...{ id: 'b', name: 'Bea', level: 'settle', v400Mps: 0.5, age: 'adult', healthFlags: [], confidence: 4 },
    };
    for (const level of ['settle', 'race'] as readonly LevelId[]) {
      const plan = planOf([groupOf([setOf({ lengths: 1 })], { level })]);
      expect(checkPlan(plan, [[bea]]).blocked.join()).toContain('Bea not yet past “ten metres on their own”');
      expect(checkPlan(plan, [[{ ...bea, confidence: 10 }]]).blocked).toEqual([]);
    }
    const outside = planOf([groupOf([setOf()])], { place: 'open-water', pool: { length: 400, unit: 'm' } });
    expect(checkPlan(outside, [[{ ...bea, confidence: 11 }]]).blocked.join()).toContain('never planned in open water');
  });

  it('are planned by the least confident of them', () => {
    const attendee = (confidence?: number) => ({
      ...{ level: 'settle', model: 'long-line', bestTimes: [], focus: null, healthFlags: [] },
      ...(confidence === undefined ? {} : { ladderSteps: { confidence } }),
    });
    const steps = (all: readonly object[]) => proposeGroups(all as never, {})[0]!.ladderSteps!.confidence;
    expect(steps([attendee(10), attendee(4)])).toBe(4);
    expect(steps([attendee(10), attendee()])).toBe(0);
  });
});
