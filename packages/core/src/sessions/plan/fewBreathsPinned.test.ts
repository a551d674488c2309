// Few breaths in numbers that are worked out by hand, with strokes that are not a metre and paces that change.
import {
  breathPlaces,
  breathProblems,
  breathWarnings,
  countsInWords,
  fewBreathSets,
  gentlerBreaths,
  hasFew,
  longestBreathGap,
  whereToBreathe,
  type AnySet,
  type Breathing,
  type Counted,
  type GroupPlan,
} from '..';
import { isFew, whyNotFewBreaths } from '../../safety';
import { groupOf, roundsOf, setOf } from './testPlans';

const POOL = { length: 25, unit: 'm' } as const;
const record = { lifeguard: 'Mo Bekk', rulesTold: true, minorsAgreed: false };
const counted = (first: number, last = first, per?: 'rep'): Counted => ({
  ...{ kind: 'limited', first, last },
  ...(per ? { per } : {}),
});
const every = (strokes: number): Breathing => ({ kind: 'every', strokes, side: 'right' });
/** 1.25 m/s hard and 1 m/s easy. */
const swims = (change: Partial<GroupPlan> = {}): GroupPlan =>
  groupOf([], {
    v400Mps: 1.25,
    paceTable: [
      { effort: 0.5, share: 0.8 },
      { effort: 0.8, share: 1 },
    ],
    breathRecord: record,
    ...change,
  });
const set = (change: object): AnySet => setOf({ timing: { kind: 'rest', seconds: 120 }, ...change } as never);

describe('the breaths of a rep', () => {
  const at = (counting: Counted, repM: number, strokeLengthM = 1) =>
    breathPlaces(counting, 0, 1, { repM, lengthM: 25, strokeLengthM });

  it.each<[string, number[], number[]]>([
    ['nothing is swum', at(counted(3), 0), []],
    ['half a length', at(counted(1), 12.5), [6.25]],
    // In the half length that follows there is room for half as many.
    ['a length and a half, one a length', at(counted(1), 37.5), [24]],
    ['a length and a half, two a length', at(counted(2), 37.5), [12, 24, 31.25]],
    ['a length and a half, one in all', at(counted(1, 1, 'rep'), 37.5), [24]],
    // 24 m to the turn are longer than 13.5 m after it.
    ['a length and a half, two in all', at(counted(2, 2, 'rep'), 37.5), [12, 24]],
    ['a length and a half, three in all', at(counted(3, 3, 'rep'), 37.5), [12, 24, 31.25]],
    ['strokes of half a metre', at(counted(1), 50, 0.5), [24.5, 37.5]],
    // A stroke is never longer than half of a length.
    ['strokes of 20 m', at(counted(1), 50, 20), [12.5, 37.5]],
    // One breath and two turns: before the turn in the middle of them.
    ['one in three lengths', at(counted(1, 1, 'rep'), 75), [49]],
  ])('%s', (_what, found, places) => {
    expect(found).toHaveLength(places.length);
    found.forEach((m, i) => expect(m).toBeCloseTo(places[i]!, 9));
  });
});

describe('the longest stretch without air', () => {
  const gap = (of: AnySet, change: Partial<GroupPlan> = {}) => longestBreathGap(of, swims(change), POOL);

  it.each<[string, ReturnType<typeof gap>, { strokes: number; metres: number; seconds: number }]>([
    [
      'one breath in 25 m, half a metre a stroke: 12.5 m are 25 strokes, and 10 s',
      gap(set({ lengths: 1, breathing: counted(1) }), { strokeLengthM: 0.5 }),
      { strokes: 25, metres: 12.5, seconds: 10 },
    ],
    [
      'a stroke said to be 2 m counts as 1.4 m',
      gap(set({ lengths: 1, breathing: counted(1) }), { strokeLengthM: 2 }),
      { strokes: 12.5 / 1.4, metres: 12.5, seconds: 10 },
    ],
    [
      'every seventh, 0.8 m a stroke: 5.6 m and the push-off',
      gap(set({ lengths: 4, breathing: every(7) }), { strokeLengthM: 0.8 }),
      { strokes: 7, metres: 10.6, seconds: 8.48 },
    ],
    [
      'every third with looks in its place: six, 4.8 m and the push-off',
      gap(set({ lengths: 4, breathing: every(3), sighting: { every: 8, forBreath: true } }), { strokeLengthM: 0.8 }),
      { strokes: 6, metres: 9.8, seconds: 7.84 },
    ],
    [
      'free breathing counts as every second stroke',
      gap(set({ lengths: 4, breathing: { kind: 'free' } }), { strokeLengthM: 0.8 }),
      { strokes: 2, metres: 6.6, seconds: 5.28 },
    ],
    [
      'breathing to one side too',
      gap(set({ lengths: 4, breathing: { kind: 'to-side', side: 'left' } }), { strokeLengthM: 0.8 }),
      { strokes: 2, metres: 6.6, seconds: 5.28 },
    ],
    [
      'halves of 1.25 and 1 m/s: at the slower',
      gap(set({ kind: 'halves', lengths: 1, effort: 0.8, secondEffort: 0.5, breathing: counted(0) })),
      { strokes: 25, metres: 25, seconds: 25 },
    ],
    [
      'a look for every breath makes it twice as long, and never longer than the rep',
      gap(set({ lengths: 1, breathing: counted(3), sighting: { every: 8, forBreath: true } })),
      { strokes: 12.5, metres: 12.5, seconds: 10 },
    ],
    // Nothing is swum: 30 s with two breaths are three stretches, held against a stroke a second.
    [
      'thirty seconds on the spot with two breaths',
      gap(set({ kind: 'timed', seconds: 30, reps: 1, drill: 'star-float', breathing: counted(2) })),
      { strokes: 10, metres: 0, seconds: 10 },
    ],
    [
      'on the spot the rep with the fewest breaths counts',
      gap(set({ kind: 'timed', seconds: 30, reps: 3, drill: 'star-float', breathing: counted(4, 1) })),
      { strokes: 15, metres: 0, seconds: 15 },
    ],
    [
      'on the spot a look for every breath makes it twice as long',
      gap(
        set({
          ...{ kind: 'timed', seconds: 30, reps: 3, drill: 'star-float', breathing: counted(1, 4) },
          sighting: { every: 8, forBreath: true },
        }),
      ),
      { strokes: 30, metres: 0, seconds: 30 },
    ],
  ])('%s', (_what, found, expected) => {
    expect(found.strokes).toBeCloseTo(expected.strokes, 9);
    expect(found.metres).toBeCloseTo(expected.metres, 9);
    expect(found.seconds).toBeCloseTo(expected.seconds, 9);
  });
});

describe('few breaths', () => {
  it('are more than five strokes from one to the next', () => {
    expect([4, 5, 5.1, 6].map(isFew)).toEqual([false, false, true, true]);
  });

  it('are found at every depth of a plan, and nothing else is', () => {
    const few = set({ id: 'few', lengths: 1, breathing: counted(1) });
    const deep = set({ id: 'deep', lengths: 1, breathing: every(9) });
    const plain = set({ id: 'plain', lengths: 1, breathing: every(3) });
    const group = { ...swims(), blocks: groupOf([few, plain, roundsOf(2, [roundsOf(3, [deep, plain])])]).blocks };
    expect(fewBreathSets(group, POOL).map(({ id }) => id)).toEqual(['few', 'deep']);
    expect(fewBreathSets({ ...group, blocks: groupOf([plain]).blocks }, POOL)).toEqual([]);
  });

  it('are for nobody of 16 or 17 without a record', () => {
    const person = { level: 'hold', age: 'under-18', healthFlags: [] } as const;
    expect(whyNotFewBreaths(person, null)).toMatch(/guardian and the head coach/);
  });

  it('rule nothing out where there are none', () => {
    const plain = set({ lengths: 4, breathing: every(3), timing: { kind: 'rest', seconds: 5 } });
    expect(hasFew(plain, swims(), POOL)).toBe(false);
    expect(breathProblems(plain, swims({ breathRecord: null, level: 'settle' }), 'open-water', POOL)).toEqual([]);
  });

  it.each([
    ['settle', true],
    ['build', true],
    ['hold', false],
    ['race', false],
  ] as const)('in a group of %s are refused for their level: %p', (level, refused) => {
    const said = breathProblems(set({ lengths: 1, breathing: counted(1) }), swims({ level }), 'pool', POOL);
    expect(said).toEqual(refused ? ['Few breaths are only for Hold and Race.'] : []);
  });

  it('keep to 25 s and 25 m to the last of them', () => {
    const none = set({ lengths: 1, breathing: counted(0), effort: 0.5 });
    // 25 m at 1 m/s: 25 s.
    expect(breathProblems(none, swims(), 'pool', POOL)).toEqual([]);
    expect(breathProblems(none, swims({ v400Mps: 1.249 }), 'pool', POOL).join()).toMatch(/26 s without air.*25 s/);
  });

  it('are told in full where nobody watches', () => {
    const few = set({ lengths: 1, breathing: counted(1) });
    const told = breathWarnings(few, swims({ breathRecord: { ...record, lifeguard: '  ' } }), POOL);
    expect(told).toContain('No lifeguard is named: breathe freely.');
  });
});

describe('more air', () => {
  const at = (v400Mps: number, breaths: number) =>
    gentlerBreaths(
      set({ lengths: 1, breathing: counted(breaths), effort: 0.8 }),
      swims({ v400Mps, paceTable: [{ effort: 0.8, share: 1 }] }),
      POOL,
    );

  // 25 m with 29 breaths are stretches of 25/30 m, with 30 of 25/31 m: at 0.033 m/s 25.3 and 24.4 s.
  it('is offered up to thirty breaths', () => expect(at(0.033, 29)).toEqual(counted(30)));
  // With 31 it would do: 25/32 m at 0.0315 m/s are 24.8 s. Nobody counts so many.
  it('is not offered beyond', () => expect(at(0.0315, 29)).toBeNull());
  it('is not offered where thirty are written already', () => expect(at(0.033, 30)).toBeNull());
  it('is not offered where no breaths are counted', () =>
    expect(gentlerBreaths(set({ lengths: 4, breathing: every(9) }), swims(), POOL)).toBeNull());
  it('keeps the steps', () =>
    expect(gentlerBreaths(set({ reps: 2, lengths: 2, breathing: counted(1, 0, 'rep') }), swims(), POOL)).toEqual(
      counted(3, 2, 'rep'),
    ));
});

describe('in words', () => {
  it.each<[Counted, number, string]>([
    [counted(5, 2, 'rep'), 4, '5, 4, 3, 2 breaths a rep'],
    [counted(3), 4, '3 breaths a length'],
    [counted(1), 4, '1 breath a length'],
    [counted(1, 0, 'rep'), 1, '1 breath a rep'],
    [counted(4, 1), 1, '4 breaths a length'],
    [counted(2, 1), 2, '2, 1 breaths a length'],
    [counted(13, 2), 12, '13, 12, 11, 10, 9, 8, 7, 6, 5, 4, 3, 2 breaths a length'],
    [counted(13, 1), 13, '13, 12, 11, 10, 9, 8, 7, 6, 5, 4, 3, 2 … breaths a length'],
  ])('%p over %i reps: %s', (counting, reps, words) => expect(countsInWords(counting, reps)).toBe(words));

  const where = (change: object) => whereToBreathe(set(change), swims(), POOL);
  it.each<[string, string[], string[]]>([
    [
      'none',
      where({ lengths: 1, reps: 2, breathing: counted(0) }),
      ['A full breath before the push, the next one at the wall.'],
    ],
    ['two in a length', where({ lengths: 1, reps: 2, breathing: counted(2) }), ['Breathe at about 8, 17 m.']],
    [
      'two in each of two lengths',
      where({ lengths: 2, reps: 1, breathing: counted(2) }),
      ['Breathe at about 12, 24 (before the turn), 33, 42 m.'],
    ],
    [
      'one in each of three lengths',
      where({ lengths: 3, reps: 1, breathing: counted(1) }),
      ['Breathe at about 24 (before the turn), 49 (before the turn), 63 m.'],
    ],
    // A rep ends at a wall too, and there is no turn.
    [
      'a metre before the end of the rep',
      where({ lengths: 1, reps: 1, breathing: counted(24) }).map((line) => line.slice(-13)),
      ['22, 23, 24 m.'],
    ],
    [
      'steps, each of them once',
      where({ lengths: 1, reps: 4, breathing: counted(2, 1) }),
      ['2 a length: breathe at about 8, 17 m.', '1 a length: breathe at about 13 m.'],
    ],
    [
      'steps over the rep',
      where({ lengths: 2, reps: 2, breathing: counted(2, 1, 'rep') }),
      ['2 a rep: breathe at about 24 (before the turn), 38 m.', '1 a rep: breathe at about 24 (before the turn) m.'],
    ],
  ])('where to breathe: %s', (_what, found, lines) => expect(found).toEqual(lines));
});
