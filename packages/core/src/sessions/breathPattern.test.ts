import { buildSession, checkPlan, editSet, patternProblem, setsOf, type Breathing, type SwimStroke } from '.';
import { groupOf, planOf, setOf } from './testPlans';
import { CAUSES, type CauseId } from '../review';
import { readSession } from '../notation';

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

  it('are never built for another stroke, whatever the theme', () => {
    for (const theme of Object.keys(CAUSES) as CauseId[]) {
      const built = buildSession({
        kind: 'aerobic',
        theme,
        minutes: 60,
        pool: { length: 25, unit: 'm' },
        kit: ['board', 'fins', 'buoy'],
        seed: 1,
        groups: (['build', 'hold', 'race'] as const).map((level) => ({
          ...{ level, name: level, swimmers: 6, lanes: 1, v400Mps: null },
        })),
      });
      if (built.kind === 'clash') continue;
      const wrong = built.plan.groups
        .flatMap((g) => g.blocks.flatMap((b) => setsOf(b.items)))
        .filter(({ set }) => patternProblem(set.stroke, set.breathing) !== null)
        .map(({ set }) => [theme, set.stroke, set.breathing]);
      expect(wrong).toEqual([]);
    }
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

  it.each([
    ['4 x 50 breaststroke easy, breathe 3, rest 20', 'breaststroke breathes every stroke'],
    ['4 x 50 butterfly easy, breathe 3, rest 20', 'butterfly breathes every stroke, or every two'],
    ['4 x 50 backstroke easy, breathe left, rest 20', 'backstroke breathes freely'],
    ['4 x 25 breaststroke easy, breaths 0, rest 60', 'breaststroke breathes every stroke'],
    ['4 x 50 butterfly easy, breathe 2, rest 20', null],
    ['4 x 50 crawl easy, breathe 3, rest 20', null],
  ])('in text, “%s” is told: %s', (line, told) => {
    const { problems } = readSession(`# Tuesday\npool: 25 m\nMain\n${line}`);
    const about = problems.filter((p) => /belong to front crawl/.test(p.message));
    expect(about.map((p) => p.message)).toEqual(told ? [`Patterns of breathing belong to front crawl; ${told}.`] : []);
    if (told) expect(about[0]!.severity).toBe('error');
  });
});
