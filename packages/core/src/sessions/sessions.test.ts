import fc from 'fast-check';
import { drillCard, KIT_IDS } from '../library';
import { CAUSE_IDS } from '../review';
import { isAtLeast, LEVEL, LEVELS } from '../swimmers';
import {
  blockLengths,
  buildSession,
  checkPlan,
  chooseDrills,
  describeSet,
  editRounds,
  editSet,
  groupClock,
  groupLengths,
  groupTotals,
  proposeGroups,
  proposeThemes,
  removeItem,
  sessionLoadLimit,
  setsOf,
  SHARE_BAND,
  type Block,
  type BuildRequest,
  type GroupPlan,
  type SessionPlan,
  type SwimSet,
} from '.';

const request = (change: Partial<BuildRequest> = {}): BuildRequest => ({
  kind: 'aerobic',
  theme: 'breath-too-low',
  minutes: 60,
  pool: { length: 25, unit: 'm' },
  kit: ['fins', 'board', 'buoy'],
  seed: 1,
  groups: (['build', 'hold', 'race'] as const).map((level) => ({ level, swimmers: 8, lanes: 2, v400Mps: null })),
  ...change,
});

function built(change: Partial<BuildRequest> = {}): SessionPlan {
  const result = buildSession(request(change));
  if (result.kind === 'clash') throw new Error(result.clashes.map((c) => c.message).join());
  return result.plan;
}

const set = (change: Partial<SwimSet> = {}): SwimSet => ({
  kind: 'swim',
  id: 's',
  reps: 4,
  lengths: 2,
  stroke: 'front-crawl',
  drill: null,
  effort: 0.8,
  breathing: { kind: 'free' },
  sighting: null,
  strokeRateSpm: null,
  timing: { kind: 'rest', seconds: 20 },
  kit: [],
  note: '',
  ...change,
});
const block = (change: Partial<Block> = {}): Block => ({
  kind: 'main',
  id: 'b',
  landMinutes: 0,
  items: [set()],
  note: '',
  ...change,
});
const group = (blocks: readonly Block[]): GroupPlan => ({
  id: 'g',
  level: 'hold',
  model: 'long-line',
  name: 'Hold',
  swimmers: 8,
  lanes: 2,
  v400Mps: 1,
  paceIsGuess: false,
  strokeLengthM: 1,
  paceTable: [],
  knownDrills: [],
  breathRecord: null,
  note: '',
  blocks,
});
const POOL = { length: 25, unit: 'm' } as const;

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
    const main = 4 * (50 / Math.cbrt(0.8)) + 3 * 20;
    const drills = 30 + 60 + 2 * (25 / (Math.cbrt(0.6) * 0.9)) + 20;
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
    expect(
      groupClock(group([block({ items: [set({ timing: { kind: 'send-off', seconds: 10 } })] })]), POOL).restS,
    ).toBe(0);
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
  const plan: SessionPlan = {
    kind: 'aerobic',
    theme: 'spins',
    place: 'pool',
    pool: POOL,
    minutes: 60,
    seed: 1,
    note: '',
    groups: [group([block()]), { ...group([block({ items: [set({ id: 'other' })] })]), id: 'h' }],
  };

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
      /Build ends .* after the hour.*apart.*Swim-down/,
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
    const comer = (t: number, focus: 'spins' | null = null) => ({
      level: 'hold' as const,
      model: 'long-line' as const,
      bestTimes: [{ distanceM: 400, timeS: t }],
      focus,
      healthFlags: [],
    });
    const comers = [comer(360, 'spins'), comer(380, 'spins'), comer(400), comer(420), comer(440)];
    const [hold] = proposeGroups(comers, {});
    expect(hold).toMatchObject({ level: 'hold', swimmers: 5, v400Mps: 400 / 420, loadLimit: null });
    expect(proposeThemes(comers)).toEqual([{ cause: 'spins', swimmers: 2 }]);
  });
});
