import fc from 'fast-check';
import {
  breathPlaces,
  breathProblems,
  breathWarnings,
  checkPlan,
  countsInWords,
  editGroup,
  editSet,
  freelyIn,
  gentlerBreaths,
  groupClock,
  hasFew,
  longestBreathGap,
  peopleOf,
  whereToBreathe,
  type AnySet,
  type Breathing,
  type GroupPerson,
  type GroupPlan,
} from '..';
import { HEALTH_FLAGS } from '../../swimmers';
import { groupOf, planOf, roundsOf, setOf } from './testPlans';

const POOL = { length: 25, unit: 'm' } as const;
const LONG = { length: 50, unit: 'm' } as const;
const counted = (first: number, last = first, per?: 'rep'): Breathing => ({
  kind: 'limited',
  first,
  last,
  ...(per ? { per } : {}),
});
const every = (strokes: number): Breathing => ({ kind: 'every', strokes, side: 'right' });
const record = { lifeguard: 'Mo Bekk', rulesTold: true, minorsAgreed: false };
// A metre a stroke and 1.25 m/s at every effort, so that every gap can be worked out in the head.
const quick = (sets: readonly AnySet[], change: Partial<GroupPlan> = {}): GroupPlan =>
  groupOf(sets, {
    strokeLengthM: 1,
    v400Mps: 1.25,
    paceTable: [{ effort: 0.5, share: 1 }],
    breathRecord: record,
    ...change,
  });
const rested = (change: Partial<AnySet> & { lengths?: number }, seconds = 120): AnySet =>
  setOf({ timing: { kind: 'rest', seconds }, ...change } as never);
const problems = (
  set: AnySet,
  change: Partial<GroupPlan> = {},
  place: 'pool' | 'open-water' = 'pool',
  pool: typeof POOL | typeof LONG = POOL,
) => breathProblems(set, quick([set], change), place, pool);

describe('where the breaths fall', () => {
  const over = { repM: 50, lengthM: 25, strokeLengthM: 1 };
  const places = (breaths: number, per?: 'rep', repM = 50) =>
    breathPlaces(counted(breaths, breaths, per) as never, 0, 1, { ...over, repM });

  it('before the turn rather than after it, worked out by hand', () => {
    expect(places(1, 'rep')).toEqual([24]);
    expect(places(2, 'rep')).toEqual([24, 37.5]);
    expect(places(3, 'rep')).toEqual([12, 24, 37.5]);
    expect(places(4, 'rep')).toEqual([12, 24, 25 + 25 / 3, 25 + 50 / 3]);
    expect(places(1)).toEqual([24, 37.5]);
    expect(places(3, undefined, 25)).toEqual([6.25, 12.5, 18.75]);
    expect(places(0)).toEqual([]);
  });

  it('never lets a turn into the middle of the longest gap, and keeps the count', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 30 }),
        fc.integer({ min: 1, max: 8 }),
        fc.constantFrom(undefined, 'rep' as const),
        (breaths, lengths, per) => {
          const at = places(breaths, per, lengths * 25);
          expect(at).toHaveLength(per === 'rep' ? breaths : breaths * lengths);
          expect([...at].sort((a, b) => a - b)).toEqual(at);
          if (per === 'rep' && breaths < lengths) return;
          const ends = [0, ...at, lengths * 25];
          const gaps = ends.slice(1).map((end, i) => ({ from: ends[i]!, to: end }));
          const longest = Math.max(...gaps.map((g) => g.to - g.from));
          for (const { from, to } of gaps.filter((g) => g.to - g.from > longest - 1e-9)) {
            const turns = Array.from({ length: lengths - 1 }, (_, i) => (i + 1) * 25);
            expect(turns.filter((turn) => turn > from + 1.001 && turn < to - 1.001)).toEqual([]);
          }
        },
      ),
    );
  });
});

describe('the longest stretch without air', () => {
  const gap = (set: AnySet, pool: typeof POOL | typeof LONG = POOL) => longestBreathGap(set, quick([set]), pool);

  it.each([
    // The whole rep, turns included: nothing ends at a wall that is only a turn.
    ['100 without a breath', rested({ lengths: 4, breathing: counted(0) }), 100, 100],
    ['50 without a breath', rested({ lengths: 2, breathing: counted(0) }), 50, 50],
    ['25 without a breath', rested({ lengths: 1, breathing: counted(0) }), 25, 25],
    ['one breath in a 50', rested({ lengths: 2, breathing: counted(1, 1, 'rep') }), 26, 26],
    ['two breaths in a 50', rested({ lengths: 2, breathing: counted(2, 2, 'rep') }), 24, 24],
    // Strokes, and the push-off in which none is taken.
    ['every seventh', rested({ lengths: 4, breathing: every(7) }), 7, 12],
    ['looks in place of breaths', rested({ breathing: every(3), sighting: { every: 8, forBreath: true } }), 6, 11],
    ['a fall from four to none', rested({ reps: 5, lengths: 1, breathing: counted(4, 0) }), 25, 25],
  ])('%s', (_name, set, strokes, metres) => {
    const { seconds, ...found } = gap(set);
    expect(found).toEqual({ strokes, metres });
    expect(seconds).toBeCloseTo(metres / 1.25, 6);
  });

  it('counts seconds at the pace of the person who swims, and of a drill', () => {
    const set = rested({ lengths: 1, breathing: counted(0) });
    expect(longestBreathGap(set, { ...quick([]), v400Mps: 0.9 }, POOL).seconds).toBeCloseTo(27.78, 2);
    const slow = rested({ lengths: 1, breathing: counted(0), drill: 'six-one-six' });
    expect(gap(slow).seconds).toBeCloseTo(25 / (1.25 * 0.6), 6);
  });

  it('is few over five strokes, however the breaths are given', () => {
    const few = (breathing: Breathing, lengths = 1) => hasFew(rested({ lengths, breathing }), quick([]), POOL);
    expect([few(every(5)), few(every(6))]).toEqual([false, true]);
    // Seven breaths a length are not few; four in the last length are 5 strokes apart, and 6 before a turn.
    expect([few(counted(7)), few(counted(4)), few(counted(4), 2), few(counted(3))]).toEqual([false, false, true, true]);
    expect(few({ kind: 'free' })).toBe(false);
  });
});

describe('a set with few breaths', () => {
  const twentyFive = rested({ lengths: 1, breathing: counted(1) });

  it('is let through with everything on record', () => expect(problems(twentyFive)).toEqual([]));

  it.each<[string, string[], RegExp]>([
    ['100s without a breath', problems(rested({ lengths: 4, breathing: counted(0) })), /100 m without air.*25 m/],
    ['50s without a breath', problems(rested({ lengths: 2, breathing: counted(0) })), /50 m without air/],
    ['one breath in a 50', problems(rested({ lengths: 2, breathing: counted(1, 1, 'rep') })), /26 m without air/],
    [
      'a 50 m length with one breath',
      problems(rested({ lengths: 1, breathing: counted(0) }), {}, 'pool', LONG),
      /50 m without air/,
    ],
    [
      'a slow 25 without a breath',
      problems(rested({ lengths: 1, breathing: counted(0) }), { v400Mps: 0.9 }),
      /28 s without air.*25 s/,
    ],
    ['every twentieth', problems(rested({ lengths: 4, breathing: every(21) })), /26 m without air/],
    ['beginners', problems(twentyFive, { level: 'build' }), /only for Hold and Race/],
    ['outdoors', problems(twentyFive, {}, 'open-water'), /never planned outdoors/],
    ['no lifeguard', problems(twentyFive, { breathRecord: { ...record, lifeguard: ' ' } }), /lifeguard/],
    ['rules not told', problems(twentyFive, { breathRecord: null }), /Never alone/],
    ['29 s of rest', problems(rested({ lengths: 1, breathing: counted(1) }, 29)), /at least 30 s of rest/],
    ['one rep without rest', problems(rested({ reps: 1, lengths: 1, breathing: counted(1) }, 0)), /30 s of rest/],
    // 50 m at 1.25 m/s take 40 s.
    [
      'less rest than the rep took',
      problems(rested({ lengths: 2, breathing: counted(2, 2, 'rep') }, 39)),
      /at least 40 s of rest/,
    ],
    [
      'a send-off that leaves too little',
      problems(rested({ lengths: 2, breathing: counted(2, 2, 'rep'), timing: { kind: 'send-off', seconds: 79 } })),
      /40 s of rest/,
    ],
  ])('is refused: %s', (_name, found, said) => expect(found.join(' ')).toMatch(said));

  it('may rest exactly as long as the rep took', () => {
    expect(problems(rested({ lengths: 2, breathing: counted(2, 2, 'rep') }, 40))).toEqual([]);
    const left = rested({ lengths: 2, breathing: counted(2, 2, 'rep'), timing: { kind: 'send-off', seconds: 80 } });
    expect(problems(left)).toEqual([]);
  });

  it('4, 3, 2, 1 in a 50 is refused for its last one, and 5, 4, 3, 2 is offered', () => {
    const steps = rested({ reps: 4, lengths: 2, breathing: counted(4, 1, 'rep') });
    expect(problems(steps).join()).toContain('26 m without air');
    expect(problems(steps).join()).toContain('5, 4, 3, 2 breaths a rep would do.');
    const better = gentlerBreaths(steps, quick([]), POOL);
    expect(better).toEqual({ kind: 'limited', first: 5, last: 2, per: 'rep' });
    expect(problems({ ...steps, breathing: better! })).toEqual([]);
    expect(countsInWords({ kind: 'limited', first: 1, last: 1 }, 4)).toBe('1 breath a length');
  });

  it('is refused at every depth of rounds, and the clock gives its rest after every rep', () => {
    const short = rested({ id: 'short', reps: 1, lengths: 1, breathing: counted(1) }, 5);
    const deep = quick([roundsOf(2, [roundsOf(2, [short])])] as never);
    expect(checkPlan(planOf([deep])).blocked.join()).toContain('30 s of rest');

    // 25 m in 20 s, rest 60: after the first set of a round as well, though the next one only rests 10.
    const few = rested({ id: 'few', reps: 1, lengths: 1, breathing: counted(1) }, 60);
    const easy = rested({ id: 'easy', reps: 1, lengths: 1 }, 10);
    const clock = groupClock(quick([roundsOf(3, [few, easy])] as never), POOL);
    // Rests: 60 after each of three, from the last one home; between the first two the usual pause would be 30. The last
    // of four is 15 s behind, six times; the 10 s after two of the others have gone by until then.
    expect(clock.totalS).toBeCloseTo(6 * 20 + 3 * 60 + 6 * 15, 6);
    // Alone in the lane: 10 after two of the others.
    const alone = groupClock({ ...quick([roundsOf(3, [few, easy])] as never), swimmers: 1 }, POOL);
    expect(alone.totalS).toBeCloseTo(6 * 20 + 3 * 60 + 2 * 10, 6);
  });

  it('never leaves anybody without air for longer than it says, whatever is written', () => {
    const sets = fc.record({
      reps: fc.integer({ min: 1, max: 6 }),
      lengths: fc.constantFrom(0.5, 1, 1.5, 2, 3, 4),
      seconds: fc.integer({ min: 0, max: 240 }),
      speed: fc.double({ min: 0.6, max: 1.8, noNaN: true }),
      strokeLengthM: fc.double({ min: 0.4, max: 1.6, noNaN: true }),
      first: fc.integer({ min: 0, max: 9 }),
      last: fc.integer({ min: 0, max: 9 }),
      per: fc.constantFrom(undefined, 'rep' as const),
    });
    fc.assert(
      fc.property(sets, ({ reps, lengths, seconds, speed, strokeLengthM, first, last, per }) => {
        const set = rested({ reps, lengths, breathing: counted(first, last, per) }, seconds);
        const group = quick([set], { v400Mps: speed, strokeLengthM });
        if (!hasFew(set, group, POOL) || breathProblems(set, group, 'pool', POOL).length > 0) return;
        const repM = lengths * 25;
        for (let rep = 0; rep < reps; rep++) {
          const at = breathPlaces(set.breathing as never, rep, reps, { repM, lengthM: 25, strokeLengthM });
          const ends = [0, ...at, repM];
          const longest = Math.max(...ends.slice(1).map((end, i) => end - ends[i]!));
          expect(longest).toBeLessThanOrEqual(25 + 1e-6);
          expect(longest / speed).toBeLessThanOrEqual(25 + 1e-6);
        }
        expect(seconds).toBeGreaterThanOrEqual(Math.max(30, repM / speed) - 1e-6);
      }),
      { numRuns: 400 },
    );
  });
});

describe('who breathes freely', () => {
  const set = rested({ lengths: 1, breathing: counted(1) });
  const adult: GroupPerson = { id: 'a', name: 'Ada', level: 'hold', v400Mps: 1.25, age: 'adult', healthFlags: [] };
  const why = (change: Partial<GroupPerson>, leftOut: readonly string[] = [], minorsAgreed = false) =>
    freelyIn(
      set,
      quick([set], { breathRecord: { ...record, minorsAgreed } }),
      POOL,
      [{ ...adult, ...change }],
      leftOut,
    )[0]?.why ?? null;

  it('asks about each person: age, level, health, own pace', () => {
    expect(why({})).toBeNull();
    expect(why({ level: 'race' })).toBeNull();
    expect(why({ age: 'under-16' })).toMatch(/under 16/);
    expect(why({ level: 'build' })).toMatch(/Hold and Race/);
    expect(why({ level: 'settle' })).toMatch(/Hold and Race/);
    expect(why({ age: 'under-18' })).toMatch(/guardian and the head coach/);
    expect(why({ age: 'under-18' }, [], true)).toBeNull();
    // Nothing that is agreed lets somebody under 16 in.
    expect(why({ age: 'under-16' }, [], true)).toMatch(/under 16/);
    expect(why({}, ['a'])).toBe('left out by the coach');
    // 25 m with one breath in the middle at 0.4 m/s: 31 s.
    expect(why({ v400Mps: 0.4 })).toMatch(/32 s without air/);
  });

  it.each(HEALTH_FLAGS)('%s', (flag) => {
    const ruledOut = ['heart', 'asthma', 'epilepsy', 'diabetes', 'pregnancy', 'panic', 'faint'].includes(flag);
    expect(why({ healthFlags: [flag] })).toBe(ruledOut ? flag : null);
  });

  it('names them when a plan is checked, and keeps nothing that nobody may swim', () => {
    const child: GroupPerson = { ...adult, id: 'c', name: 'Cleo', age: 'under-16' };
    const plan = planOf([quick([set])]);
    const check = checkPlan(plan, [[adult, child]]);
    expect(check.blocked).toEqual([]);
    expect(check.freely).toEqual([[{ id: 'c', name: 'Cleo', why: 'under 16, or of unknown age' }]]);
    expect(checkPlan(plan, [[child]]).blocked.join()).toContain('nobody here may swim it with few breaths (Cleo');
    expect(checkPlan(plan, [[adult]], ['a']).blocked.join()).toContain('left out by the coach');
    // The level of a group says nothing of the people in it.
    const settlers = planOf([quick([set], { level: 'race' })]);
    const [settler] = [{ ...adult, level: 'settle' as const, confidence: 10 }];
    expect(checkPlan(settlers, [[settler]]).blocked.join()).toContain('only for Hold and Race');
  });

  it('puts people where they would swim: without a group of their level in the first, beginners in none', () => {
    const plan = planOf([quick([], { id: 'r', level: 'race' }), quick([], { id: 'h', level: 'hold' })]);
    const [build, settle] = (['build', 'settle'] as const).map((level) => ({ ...adult, id: level, level }));
    expect(peopleOf(plan, [adult, build!, settle!]).map((here) => here.map((p) => p.id))).toEqual([['build'], ['a']]);
  });
});

describe('what stands beside it', () => {
  const set = rested({ reps: 3, lengths: 2, breathing: counted(4, 2, 'rep') });

  it('is the warning, the rules, who watches and where to breathe', () => {
    const lines = breathWarnings(set, quick([set]), POOL);
    expect(lines.join(' ')).toContain('can faint under water without warning');
    expect(lines.join(' ')).toContain(
      'Never alone. No fast breathing beforehand. Come up at the first urge to breathe.',
    );
    expect(lines.join(' ')).toContain('Lifeguard: Mo Bekk.');
    expect(lines).toContain('2 a rep: breathe at about 24 (before the turn), 38 m.');
    expect(breathWarnings(rested({ breathing: every(3) }), quick([]), POOL)).toEqual([]);
    expect(whereToBreathe(rested({ breathing: every(7) }), quick([]), POOL)).toEqual([]);
  });

  it('says so when no lifeguard is named', () =>
    expect(breathWarnings(set, quick([set], { breathRecord: null }), POOL).join()).toContain('breathe freely'));
});

describe('through the check of a whole plan', () => {
  it.each([
    ['Hold your breath to the flags', true],
    ['no breath off the wall', true],
    ['last 25 without a breath', true],
    ['on one breath', true],
    ['Hypoxic', true],
    ["Don't hold your breath", false],
    ['Never holding the breath.', false],
    ['no breath holding', true],
    ['breathe out slowly', false],
    ['', false],
  ])('tells when a note asks for it: %p', (note, asks) => {
    const plan = planOf([quick([rested({ lengths: 4, note })])]);
    expect(checkPlan(plan).problems.join().includes('a note asks for few breaths')).toBe(asks);
  });

  it('is not talked away by a stroke that nobody has', () => {
    const set = rested({ lengths: 1, breathing: counted(2) });
    expect(hasFew(set, { ...quick([]), strokeLengthM: 3 }, POOL)).toBe(true);
  });

  it('is blocked until everything is on record, and free again when the breaths are', () => {
    const set = rested({ id: 's', lengths: 1, breathing: counted(1) });
    const plan = planOf([quick([set], { breathRecord: null })]);
    expect(checkPlan(plan).blocked.join()).toContain('lifeguard');
    expect(checkPlan(editGroup(plan, plan.groups[0]!.id, { breathRecord: record })).blocked).toEqual([]);
    expect(checkPlan(editSet(plan, 's', { breathing: { kind: 'free' } })).blocked).toEqual([]);
  });
});
