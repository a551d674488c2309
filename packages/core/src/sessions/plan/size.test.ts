import fc from 'fast-check';
import { isSet } from '..';
import { checkPlan } from './checkPlan';
import { groupClock, groupSlots } from './clock';
import { lengthsToMetres } from '../../units';
import type { Item } from './model';
import { breathsOf } from './prescription';
import { repMetres } from './setMeasure';
import { MOST_PASSAGES, MOST_REPS, sizeOf, sizeProblem } from './size';
import { blockOf, groupOf, planOf, setOf, roundsOf } from './testPlans';
import { groupTotals } from './totals';

const POOL = { length: 25, unit: 'm' } as const;
/** Rounds in rounds, `deep` levels of them. */
const nested = (deep: number, rounds: number, inside: readonly Item[]): Item[] =>
  deep === 0 ? [...inside] : [roundsOf(rounds, nested(deep - 1, rounds, inside))];

describe('the size of a plan', () => {
  it('has limits that stand here a second time', () => {
    // A lane on deck runs through at most 500 sets in a row; an hour of 25 m repetitions has about 120.
    expect([MOST_PASSAGES, MOST_REPS]).toEqual([500, 5000]);
  });

  it('multiplies rounds out without swimming them', () => {
    expect(sizeOf([setOf({ reps: 4 }), roundsOf(3, [setOf({ reps: 2 }), setOf({ reps: 1 })])])).toEqual({
      depth: 1,
      passages: 7,
      reps: 4 + 3 * 3,
    });
    expect(sizeOf(nested(4, 50, [setOf({ reps: 1 })])).passages).toBe(50 ** 4);
  });

  it('accepts four levels of rounds and not a fifth, however small', () => {
    expect(sizeProblem([blockOf(nested(4, 1, [setOf()]))])).toBeNull();
    expect(sizeProblem([blockOf(nested(5, 1, [setOf()]))])).toContain('up to 4 deep');
    expect(sizeProblem([blockOf(nested(3000, 1, [setOf()]))])).toContain('up to 4 deep');
  });

  it('accepts exactly as many sets and repetitions as there may be, over all blocks together', () => {
    const half = blockOf([
      roundsOf(
        50,
        [1, 2, 3, 4, 5].map(() => setOf({ reps: 1 })),
      ),
    ]);
    expect(sizeProblem([half, half])).toBeNull();
    expect(sizeProblem([half, half, blockOf([setOf({ reps: 1 })])])).toContain('501 sets');
    const reps = (n: number) => blockOf([roundsOf(25, [setOf({ reps: n })])]);
    expect(sizeProblem([reps(200)])).toBeNull();
    expect(sizeProblem([reps(200), blockOf([setOf({ reps: 1 })])])).toContain('5,001 repetitions');
  });
});

describe('a plan that is larger', () => {
  const monster = nested(4, 50, [setOf({ reps: 200 })]);

  it('is measured at once and refused', () => {
    // Walked, this would be 1.25 billion repetitions.
    expect(groupTotals(groupOf(monster), POOL).metres).toBe(50 ** 4 * 200 * 50);
    expect(checkPlan(planOf([groupOf(monster)])).blocked[0]).toContain('sets in a row');
    expect(() => groupSlots(groupOf(monster), POOL)).toThrow(RangeError);
  });
});

describe('clock and totals without walking every repetition', () => {
  const item: fc.Arbitrary<Item> = fc.letrec<{ item: Item; set: Item }>((tie) => ({
    set: fc
      .record({
        reps: fc.integer({ min: 1, max: 5 }),
        lengths: fc.constantFrom(1, 2, 3),
        drill: fc.constantFrom(null, 'side-kick' as const, 'front-scull' as const),
        breathing: fc.constantFrom(
          { kind: 'free' } as const,
          { kind: 'every', strokes: 3, side: 'right' } as const,
          { kind: 'by-length', strokes: 2, side: 'left' } as const,
          { kind: 'limited', first: 5, last: 1 } as const,
        ),
        timing: fc.constantFrom({ kind: 'rest', seconds: 20 } as const, { kind: 'send-off', seconds: 70 } as const),
      })
      .map((change) => setOf(change) as Item),
    item: fc.oneof(
      { depthSize: 'small', withCrossShrink: true },
      tie('set'),
      fc
        .record({
          rounds: fc.integer({ min: 1, max: 4 }),
          items: fc.array(tie('item'), { minLength: 1, maxLength: 3 }),
        })
        .map(({ rounds, items }) => roundsOf(rounds, items) as Item),
    ),
  })).item;

  it('gives what walking gives', () => {
    fc.assert(
      fc.property(fc.array(item, { minLength: 1, maxLength: 4 }), (items) => {
        const group = groupOf(items, { knownDrills: ['side-kick'] });
        fc.pre(sizeProblem(group.blocks) === null);
        const [slots] = groupSlots(group, POOL) as [ReturnType<typeof groupSlots>[number]];
        const clock = groupClock(group, POOL);
        expect(clock.totalS).toBeCloseTo(slots.at(-1)!.endS, 6);
        const sum = (key: 'swimS' | 'restS' | 'talkS') => slots.reduce((s, slot) => s + slot[key], 0);
        for (const key of ['swimS', 'restS', 'talkS'] as const) expect(clock[key]).toBeCloseTo(sum(key), 6);
      }),
    );
  });

  it('counts the breaths that walking counts, set after set', () => {
    fc.assert(
      fc.property(fc.array(item, { minLength: 1, maxLength: 4 }), (items) => {
        const group = groupOf(items);
        const walked = { left: 0, right: 0 };
        let before = 0;
        // Sets in the order they are written, each with all its passages: as the totals count them.
        const walk = (list: readonly Item[], times: number): void => {
          for (const one of list) {
            if (one.kind === 'rounds') {
              walk(one.items, times * one.rounds);
              continue;
            }
            if (!isSet(one)) continue;
            for (let rep = 0; rep < one.reps * times; rep++, before++) {
              const metres = lengthsToMetres(POOL, 1);
              const taken = breathsOf(one, repMetres(one, group, POOL), metres, 1, before, rep % one.reps);
              walked.left += taken.left;
              walked.right += taken.right;
            }
          }
        };
        walk(items, 1);
        expect(groupTotals(group, POOL).breaths).toEqual(walked);
      }),
    );
  });
});
