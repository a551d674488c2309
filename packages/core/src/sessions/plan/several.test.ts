import fc from 'fast-check';
import {
  chosenItems,
  duplicateItems,
  moveItems,
  removeItems,
  scaledSet,
  scaleItems,
  setsOf,
  type AnySet,
  type Item,
  type SessionPlan,
} from '..';
import { runs } from '../../../test/runs';
import { blockOf, groupOf, planOf, roundsOf, setOf } from './testPlans';

const ids = () => {
  let n = 0;
  return () => `new-${++n}`;
};
const plan = planOf([
  groupOf([], {
    blocks: [
      blockOf([setOf({ id: 'a' }), roundsOf(3, [setOf({ id: 'b' }), setOf({ id: 'c' })])], { id: 'main' }),
      blockOf([setOf({ id: 'd', reps: 8 })], { id: 'down', kind: 'swim-down' }),
    ],
  }),
]);
const order = (now: SessionPlan): string[] =>
  now.groups[0]!.blocks.flatMap((block) => [`[${block.id}`, ...block.items.flatMap(idsOf)]);
const idsOf = (item: Item): string[] => (item.kind === 'rounds' ? [item.id, ...item.items.flatMap(idsOf)] : [item.id]);
const some = (...chosen: string[]) => new Set(chosen);

describe('several sets at once', () => {
  it('are taken in the order they are swum, and what lies in chosen rounds once', () => {
    expect(chosenItems(plan, some('d', 'c', 'r', 'gone')).map(({ id }) => id)).toEqual(['r', 'd']);
  });

  it('move behind one another to another block', () => {
    expect(order(moveItems(plan, some('c', 'a'), { holderId: 'down' }))).toEqual([
      ...['[main', 'r', 'b'],
      ...['[down', 'd', 'a', 'c'],
    ]);
  });

  it('move out of rounds, which go when they are empty; never into themselves', () => {
    expect(order(moveItems(plan, some('b', 'c'), { holderId: 'main' }))).toEqual([
      '[main',
      'a',
      'b',
      'c',
      '[down',
      'd',
    ]);
    expect(moveItems(plan, some('r'), { holderId: 'r' })).toBe(plan);
    expect(moveItems(plan, some('a'), { holderId: 'nowhere' })).toBe(plan);
  });

  it('are repeated behind the last of them, with ids of their own all the way down', () => {
    const twice = duplicateItems(plan, some('a', 'r', 'd'), ids());
    expect(order(twice)).toEqual([
      ...['[main', 'a', 'r', 'b', 'c', 'new-1', 'new-2', 'new-3', 'new-4'],
      ...['[down', 'd', 'new-5'],
    ]);
    const all = order(twice);
    expect(new Set(all).size).toBe(all.length);
  });

  it('are taken away with their rounds', () => {
    expect(order(removeItems(plan, some('b', 'c', 'd')))).toEqual(['[main', 'a', '[down']);
  });

  it('are scaled, the sets in chosen rounds too', () => {
    const reps = (now: SessionPlan) => now.groups[0]!.blocks.flatMap((b) => setsOf(b.items)).map(({ set }) => set.reps);
    expect(reps(scaleItems(plan, some('r', 'd'), 0.5))).toEqual([4, 2, 2, 4]);
    expect(scaleItems(plan, some(), 2).groups[0]).toBe(plan.groups[0]);
  });
});

describe('a set made longer or shorter', () => {
  it.each([
    ['fewer reps', setOf({ reps: 8 }), 0.75, { reps: 6, lengths: 2 }],
    ['more reps', setOf({ reps: 4 }), 1.25, { reps: 5, lengths: 2 }],
    ['one swim gets shorter and ends at home', setOf({ reps: 1, lengths: 16 }), 0.7, { reps: 1, lengths: 12 }],
    ['one swim twice', setOf({ reps: 1, lengths: 8 }), 2, { reps: 2, lengths: 8 }],
    ['two swims half again', setOf({ reps: 2, lengths: 8 }), 1.5, { reps: 3, lengths: 8 }],
    ['three halved', setOf({ reps: 3, lengths: 8 }), 0.5, { reps: 3, lengths: 4 }],
    ['never nothing', setOf({ reps: 1, lengths: 1 }), 0.1, { reps: 1, lengths: 1 }],
    ['half a length stays', setOf({ reps: 1, lengths: 0.5 }), 0.5, { reps: 1, lengths: 0.5 }],
    ['a drill keeps its distance', setOf({ reps: 3, lengths: 1, drill: 'catch-up' }), 0.5, { reps: 2, lengths: 1 }],
  ])('%s', (_, set, factor, expected) => {
    expect(scaledSet(set, factor)).toMatchObject(expected);
  });

  it('in minutes takes half-minutes', () => {
    const { lengths: _, ...fields } = setOf({ reps: 1 });
    const timed: AnySet = { ...fields, kind: 'timed', seconds: 600 };
    expect(scaledSet(timed, 0.75)).toMatchObject({ reps: 1, seconds: 450 });
    expect(scaledSet({ ...timed, reps: 4 }, 0.5)).toMatchObject({ reps: 2, seconds: 600 });
  });

  it('keeps at least two reps where each is faster', () => {
    const descend: AnySet = { ...setOf({ reps: 3 }), kind: 'descend', lastEffort: 0.9 };
    expect(scaledSet(descend, 0.3).reps).toBeGreaterThanOrEqual(2);
  });

  it('stays what it is by 1, and is never off by more than half a step', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 40 }),
        fc.integer({ min: 1, max: 40 }),
        fc.integer({ min: 25, max: 300 }),
        (reps, lengths, percent) => {
          const set = setOf({ reps, lengths });
          expect(scaledSet(set, 1)).toEqual(set);
          const factor = percent / 100;
          const scaled = scaledSet(set, factor) as typeof set;
          const off = Math.abs(scaled.reps * scaled.lengths - reps * lengths * factor);
          // Half a rep more or less; where only one rep or two lengths are left, what is missing to them.
          const least = scaled.reps === 1 || scaled.lengths <= 2 ? lengths : 0;
          expect(off).toBeLessThanOrEqual(Math.max(lengths / 2, least) + 1e-9);
          expect(lengths % 2 === 0 ? scaled.lengths % 2 : 0).toBe(0);
        },
      ),
      { numRuns: runs(200, 5000) },
    );
  });
});
