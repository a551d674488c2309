import {
  addBlock,
  addLevel,
  blockWord,
  checkPlan,
  editBlock,
  groupClock,
  levelLike,
  MOST_BLOCKS,
  MOST_LEVELS,
  moveBlock,
  newBlock,
  newLevel,
  removeBlock,
  removeLevel,
  setForLevel,
  type SessionPlan,
} from '..';
import { blockOf, groupOf, planOf, roundsOf, setOf } from './testPlans';

const ids = () => {
  let n = 0;
  return () => `new-${++n}`;
};
const kinds = (plan: SessionPlan) => plan.groups[0]!.blocks.map(({ kind }) => kind);

describe('blocks by hand', () => {
  const plan = planOf([
    groupOf([], { blocks: [blockOf([], { kind: 'warm-up', id: 'w' }), blockOf([], { kind: 'main', id: 'm' })] }),
  ]);

  it('go where their kind belongs', () => {
    const all = (['swim-down', 'land', 'speed', 'drills', 'main'] as const).reduce(
      (now, kind) => addBlock(now, 'g', newBlock(`${kind}-new`, kind)),
      plan,
    );
    expect(kinds(all)).toEqual(['land', 'warm-up', 'drills', 'main', 'main', 'speed', 'swim-down']);
    expect(all.groups[0]!.blocks.map(({ id }) => id)[4]).toBe('main-new');
  });

  it('begin with minutes on land, and empty in the water', () => {
    expect(newBlock('x', 'land')).toEqual({ kind: 'land', id: 'x', landMinutes: 6, items: [], note: '' });
    expect(newBlock('x', 'main').landMinutes).toBe(0);
  });

  it('end at twelve', () => {
    let now: SessionPlan = plan;
    for (let i = 0; i < 20; i++) now = addBlock(now, 'g', newBlock(`b${i}`, 'main'));
    expect(now.groups[0]!.blocks).toHaveLength(12);
    expect(MOST_BLOCKS).toBe(12);
  });

  it('change places with their neighbour, and stay at the ends', () => {
    expect(kinds(moveBlock(plan, 'm', -1))).toEqual(['main', 'warm-up']);
    expect(kinds(moveBlock(plan, 'w', -1))).toEqual(['warm-up', 'main']);
    expect(kinds(moveBlock(plan, 'm', 1))).toEqual(['warm-up', 'main']);
    expect(moveBlock(plan, 'nowhere', 1)).toBe(plan);
  });

  it('go with what is in them', () => {
    expect(kinds(removeBlock(plan, 'w'))).toEqual(['main']);
  });

  it('take a name, and give it back', () => {
    const named = editBlock(plan, 'm', { name: 'Pre-set' });
    expect(blockWord(named.groups[0]!.blocks[1]!)).toBe('Pre-set');
    const plain = editBlock(named, 'm', { name: '' }).groups[0]!.blocks[1]!;
    expect(plain).not.toHaveProperty('name');
    expect(blockWord(plain)).toBe('Main');
  });

  it('of one kind share the metres of their kind', () => {
    const swum = (items: number) => [setOf({ id: `s${items}`, reps: items, lengths: 4 })];
    const two = planOf([
      groupOf([], {
        blocks: [
          blockOf(swum(2), { kind: 'warm-up', id: 'w' }),
          blockOf(swum(4), { kind: 'drills', id: 'd' }),
          blockOf(swum(3), { kind: 'main', id: 'm1' }),
          blockOf(swum(3), { kind: 'main', id: 'm2' }),
          blockOf(swum(2), { kind: 'swim-down', id: 'z' }),
        ],
      }),
    ]);
    // 600 of 1,400 m are 43 %, inside 30 to 60 %; each of them alone is 21 %.
    expect(checkPlan(two, []).problems.filter((p) => p.includes('Main'))).toEqual([]);
  });
});

describe('levels by hand', () => {
  const hold = groupOf([setOf({ reps: 8 })]);

  it('begin with the parts of a session, at their usual pace', () => {
    const race = newLevel('race', 'g2', ids());
    expect(race.blocks.map(({ kind }) => kind)).toEqual(['land', 'warm-up', 'drills', 'main', 'swim-down']);
    expect(new Set(race.blocks.map(({ id }) => id)).size).toBe(5);
    expect(race.paceIsGuess).toBe(true);
    expect(race.name).toBe('Race');
  });

  it('are six at most and one at least', () => {
    let plan = planOf([hold]);
    for (let i = 0; i < 9; i++) plan = addLevel(plan, { ...hold, id: `g${i}` });
    expect(plan.groups).toHaveLength(6);
    expect(MOST_LEVELS).toBe(6);
    const one = plan.groups.reduce((now, { id }) => removeLevel(now, id), plan);
    expect(one.groups).toHaveLength(1);
  });

  it('take the sets of another in about its time: 8 at 1 m/s are 6 at 0.7 m/s', () => {
    const slow = groupOf([], { id: 'g2', v400Mps: 0.7 });
    const { group, leftOut } = levelLike(planOf([hold]), hold, slow, ids());
    const [set] = group.blocks[0]!.items;
    // 50 m at 80 % of the power: about 54 s and 20 s rest against 77 s and 20 s: 8 × 74 / 97 = 6.1.
    expect(set).toMatchObject({ reps: 6, lengths: 2, id: 'new-2' });
    expect(leftOut).toEqual([]);
    const [a, b] = [hold, group].map((g) => groupClock(g, planOf([]).pool).totalS) as [number, number];
    expect(Math.abs(a - b)).toBeLessThan(60);
  });

  it('keep rounds and pauses, and say which drills are above them', () => {
    const drill = setOf({ id: 'd', drill: 'breath-height-swim' });
    const from = groupOf([
      roundsOf(3, [setOf({ id: 'a' }), { kind: 'pause', id: 'p', seconds: 60, note: 'drink' }]),
      roundsOf(2, [drill]),
    ]);
    const { group, leftOut } = levelLike(planOf([from]), from, groupOf([], { id: 'g2', level: 'settle' }), ids());
    expect(group.blocks[0]!.items).toHaveLength(1);
    expect(group.blocks[0]!.items[0]).toMatchObject({ kind: 'rounds', rounds: 3, items: [{}, { note: 'drink' }] });
    expect(leftOut).toEqual([drill]);
  });

  it('leave a set with at least one rep', () => {
    const slow = groupOf([], { v400Mps: 0.1 });
    expect(setForLevel(setOf({ reps: 1 }), hold, slow, planOf([]))!.reps).toBe(1);
    expect(setForLevel(setOf({ reps: 200 }), slow, hold, planOf([]))!.reps).toBe(200);
  });
});
