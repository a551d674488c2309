import fc from 'fast-check';
import {
  addBlock,
  addItem,
  addLevel,
  copyOf,
  editBlock,
  editGroup,
  editPause,
  editRounds,
  editSet,
  mergePlans,
  mergeTonight,
  moveItem,
  newBlock,
  newLevel,
  removeBlock,
  removeItem,
  removeLevel,
  roundsAround,
  type Item,
  type SessionPlan,
} from '..';
import { runs } from '../../../test/runs';
import { blockOf, groupOf, planOf, roundsOf, setOf } from '../plan/testPlans';

const base = planOf([
  groupOf([], {
    blocks: [
      blockOf([setOf({ id: 'a' }), setOf({ id: 'b', lengths: 4 })], { id: 'warm', kind: 'warm-up' }),
      blockOf([roundsOf(2, [setOf({ id: 'c' }), setOf({ id: 'd' })]), setOf({ id: 'e' })], { id: 'main' }),
    ],
  }),
  groupOf([setOf({ id: 'f' })], { id: 'g2', name: 'Race', blocks: [blockOf([setOf({ id: 'f' })], { id: 'race' })] }),
]);
const order = (plan: SessionPlan): string[] =>
  plan.groups.flatMap((g) => g.blocks.flatMap((b) => [`[${b.id}`, ...ids(b.items)]));
const ids = (items: readonly Item[]): string[] =>
  items.flatMap((item) => (item.kind === 'rounds' ? [item.id, ...ids(item.items)] : [item.id]));
const merged = (mine: SessionPlan, theirs: SessionPlan) => mergePlans({ base, mine, theirs });
const reps = (plan: SessionPlan, id: string) =>
  JSON.stringify(plan).match(new RegExp(`"id":"${id}","reps":(\\d+)`))?.[1];

describe('a plan that two coaches changed', () => {
  it('holds what each of them changed in different sets, and in one set', () => {
    const mine = editSet(base, 'a', { reps: 6 });
    const { plan, clashes } = merged(mine, editSet(editSet(base, 'e', { reps: 9 }), 'a', { note: 'tall' }));
    expect([reps(plan, 'a'), reps(plan, 'e'), JSON.stringify(plan).includes('"note":"tall"')]).toEqual([
      '6',
      '9',
      true,
    ]);
    expect(clashes).toEqual([]);
  });

  it('has a set once that both moved, where it was put here, and says so', () => {
    const mine = moveItem(base, 'e', { holderId: 'warm', index: 0 });
    const theirs = moveItem(base, 'e', { holderId: 'race', index: 1 });
    const { plan, clashes } = merged(mine, theirs);
    expect(order(plan)).toEqual(['[warm', 'e', 'a', 'b', '[main', 'r', 'c', 'd', '[race', 'f']);
    expect(clashes).toEqual(['4 × 50 crawl']);
  });

  it('has both moves where each moved another set', () => {
    const mine = moveItem(base, 'b', { holderId: 'main', index: 9 });
    const theirs = moveItem(base, 'c', { holderId: 'warm', index: 0 });
    expect(order(merged(mine, theirs).plan)).toEqual(['[warm', 'c', 'a', '[main', 'r', 'd', 'e', 'b', '[race', 'f']);
  });

  it('keeps what one changed and the other took out, and says so', () => {
    const { plan, clashes } = merged(editSet(base, 'a', { reps: 7 }), removeItem(base, 'a'));
    expect(reps(plan, 'a')).toBe('7');
    expect(clashes).toEqual(['7 × 50 crawl']);
  });

  it('lets go of what one took out and the other left alone', () => {
    expect(order(merged(removeItem(base, 'a'), removeItem(base, 'd')).plan)).not.toEqual(expect.arrayContaining(['a']));
    expect(order(merged(base, removeBlock(base, 'main')).plan)).toEqual(['[warm', 'a', 'b', '[race', 'f']);
  });

  it('keeps a block that one took out and the other put a set into', () => {
    const mine = addItem(base, setOf({ id: 'new' }), { holderId: 'main', index: 0 });
    const { plan, clashes } = merged(mine, removeBlock(base, 'main'));
    expect(order(plan)).toContain('new');
    expect(clashes).toEqual(['Hold, Main']);
  });

  it('has the sets that both added, side by side', () => {
    const add = (id: string) => addItem(base, setOf({ id }), { holderId: 'warm', index: 1 });
    expect(order(merged(add('x'), add('y')).plan).slice(0, 5)).toEqual(['[warm', 'a', 'x', 'y', 'b']);
  });

  it('has levels and blocks that either added, without those that either took out', () => {
    const race = newLevel('race', 'g3', () => 'n');
    const { plan } = merged(addLevel(base, race), addBlock(removeLevel(base, 'g2'), 'g', newBlock('sp', 'speed')));
    expect(plan.groups.map(({ id }) => id)).toEqual(['g', 'g3']);
    expect(plan.groups[0]!.blocks.map(({ id }) => id)).toEqual(['warm', 'main', 'sp']);
  });

  it('counts what was done here where both said another number', () => {
    const { plan, clashes } = merged(editSet(base, 'a', { reps: 6 }), editSet(base, 'a', { reps: 8 }));
    expect(reps(plan, 'a')).toBe('6');
    expect(clashes).toEqual(['6 × 50 crawl']);
  });

  it('loses nothing where two rounds were put into each other', () => {
    const two = planOf([
      groupOf([], {
        blocks: [
          blockOf([
            { ...roundsOf(2, [setOf({ id: 'a' })]), id: 'r1' },
            { ...roundsOf(2, [setOf({ id: 'b' })]), id: 'r2' },
          ]),
        ],
      }),
    ]);
    const mine = moveItem(two, 'r1', { holderId: 'r2', index: 0 });
    const theirs = moveItem(two, 'r2', { holderId: 'r1', index: 0 });
    const { plan, clashes } = mergePlans({ base: two, mine, theirs });
    expect(plan).toEqual(mine);
    expect(clashes).toEqual(['where the sets stand']);
  });
});

/** One change of a plan, made of small numbers, so that both coaches often meet at the same thing. */
const change = fc.tuple(
  fc.constantFrom('edit', 'move', 'remove', 'add', 'round', 'rounds', 'block', 'pause', 'name'),
  fc.nat(6),
  fc.nat(6),
);
type Change = readonly [kind: string, which: number, where: number];
const SETS = ['a', 'b', 'c', 'd', 'e', 'f', 'r'];
const HOLDERS = ['warm', 'main', 'race', 'r', 'warm', 'main', 'race'];

function changed(plan: SessionPlan, [kind, which, where]: Change, side: string, n: number): SessionPlan {
  const [id, holderId] = [SETS[which]!, HOLDERS[where]!];
  if (kind === 'edit') return editSet(plan, id, { reps: where + 5 });
  if (kind === 'move') return moveItem(plan, id, { holderId, index: where });
  if (kind === 'remove') return removeItem(plan, id);
  if (kind === 'add') return addItem(plan, setOf({ id: `${side}${n}` }), { holderId, index: which });
  if (kind === 'round') return roundsAround(plan, new Set([id, SETS[where]!]), `${side}r${n}`);
  if (kind === 'rounds') return editRounds(plan, 'r', where + 1);
  if (kind === 'block')
    return where < 3 ? removeBlock(plan, holderId) : editBlock(plan, holderId, { name: `${side} set` });
  if (kind === 'pause') {
    const put = addItem(plan, { kind: 'pause', id: `${side}p${n}`, seconds: 60, note: '' }, { holderId, index: which });
    return editPause(put, `${side}p${n}`, 30);
  }
  return editGroup(plan, 'g', { name: `${side} name` });
}

const sets = (plan: SessionPlan) => order(plan).filter((id) => !id.startsWith('['));
const all = (list: readonly Change[], side: string) =>
  list.reduce((now, one, n) => changed(now, one, side, n), base as SessionPlan);

describe('whatever two coaches do at the same time', () => {
  it('nothing is doubled, nothing that either put in or changed is lost, and who did nothing changes nothing', () => {
    fc.assert(
      fc.property(fc.array(change, { maxLength: 5 }), fc.array(change, { maxLength: 5 }), (a, b) => {
        const [mine, theirs] = [all(a, 'm'), all(b, 't')];
        const { plan, clashes } = merged(mine, theirs);
        const found = sets(plan);
        expect(new Set(found).size).toBe(found.length);
        if (clashes[0] !== 'where the sets stand')
          for (const [side, other] of [
            [mine, theirs],
            [theirs, mine],
          ] as const)
            // What a side added is there, but for a place that the other side took away with all that stood in it.
            for (const id of sets(side).filter((one) => !sets(base).includes(one) && !/r\d$/.test(one)))
              expect([id, found.includes(id) || sets(other).length < sets(base).length]).toEqual([id, true]);
        expect(merged(base, theirs).plan).toEqual(theirs);
        expect(merged(mine, base).plan).toEqual(mine);
        expect(merged(mine, mine)).toEqual({ plan: mine, clashes: [] });
      }),
      { numRuns: runs(300, 5000) },
    );
  });

  it('copies with ids of their own stay apart', () => {
    const twice = addItem(
      base,
      copyOf(setOf({ id: 'a' }), () => 'copy'),
      { holderId: 'warm', index: 1 },
    );
    expect(order(merged(twice, editSet(base, 'a', { reps: 2 })).plan)).toContain('copy');
  });
});

describe('who comes tonight, settled by two', () => {
  const tonight = (away: string[], guests: string[], places: Record<string, { group: string; lane: number }>) => ({
    away,
    guests,
    places,
  });
  const lane = (n: number) => ({ group: 'g', lane: n });

  it('is each swimmer by themselves', () => {
    const clash = jest.fn();
    const merged = mergeTonight(
      {
        base: tonight(['ada', 'bo'], [], { cy: lane(1), dee: lane(1) }),
        mine: tonight(['ada'], ['gus'], { cy: lane(2), dee: lane(1) }),
        theirs: tonight(['ada', 'bo', 'eve'], ['hal'], { cy: lane(1) }),
      },
      clash,
    );
    expect(merged).toEqual(tonight(['ada', 'eve'], ['hal', 'gus'], { cy: lane(2) }));
    expect(clash).not.toHaveBeenCalled();
  });

  it('counts the own lane where both put somebody elsewhere', () => {
    const clash = jest.fn();
    const { places } = mergeTonight(
      { base: tonight([], [], {}), mine: tonight([], [], { cy: lane(2) }), theirs: tonight([], [], { cy: lane(3) }) },
      clash,
    );
    expect(places).toEqual({ cy: lane(2) });
    expect(clash).toHaveBeenCalledTimes(1);
  });
});
