import { checkPlan, editSet, patternProblem, setsOf, type Breathing, type SwimStroke } from '..';
import { groupOf, planOf, setOf } from './testPlans';

const every = (strokes: number): Breathing => ({ kind: 'every', strokes, side: 'right' });
const COUNTED: readonly Breathing[] = [
  { kind: 'to-side', side: 'left' },
  { kind: 'by-length', strokes: 3, side: 'left' },
  { kind: 'limited', first: 4, last: 2 },
  { kind: 'limited', first: 0, last: 0 },
];

describe('patterns of breathing', () => {
  // By hand: breaststroke every stroke, butterfly one or two, backstroke and an open choice freely.
  it.each([
    ['front-crawl', [1, 2, 3, 5, 20]],
    ['breaststroke', [1]],
    ['butterfly', [1, 2]],
    ['backstroke', []],
    ['choice', []],
  ] as const)('of %s may be every %p strokes', (stroke, may) => {
    for (const strokes of [1, 2, 3, 4, 5, 20])
      expect([strokes, patternProblem(stroke, every(strokes)) === null]).toEqual([
        strokes,
        stroke === 'front-crawl' || (may as readonly number[]).includes(strokes),
      ]);
    for (const counted of COUNTED)
      expect([counted, patternProblem(stroke, counted) === null]).toEqual([counted, stroke === 'front-crawl']);
    expect(patternProblem(stroke, { kind: 'free' })).toBeNull();
  });

  it('go when a set becomes another stroke, and stay where they fit', () => {
    const plan = planOf([groupOf([setOf()])]);
    const [first] = plan.groups[0]!.blocks.flatMap((b) => setsOf(b.items));
    const id = first!.set.id;
    const as = (stroke: SwimStroke, breathing: Breathing) => {
      const crawl = editSet(plan, id, { stroke: 'front-crawl', breathing });
      const edited = editSet(crawl, id, { stroke });
      return edited.groups[0]!.blocks.flatMap((b) => setsOf(b.items))[0]!.set.breathing;
    };
    expect(as('breaststroke', every(3))).toEqual({ kind: 'free' });
    expect(as('butterfly', every(2))).toEqual(every(2));
    expect(as('front-crawl', every(3))).toEqual(every(3));
    // What a coach asks for in the same breath is theirs, and is told.
    const asked = editSet(plan, id, { stroke: 'breaststroke', breathing: every(3) });
    expect(checkPlan(asked).blocked.join(' ')).toContain('breaststroke breathes every stroke');
  });
});
