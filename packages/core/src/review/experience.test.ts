// What second looks teach: counted by hand, added up in any order, and never more than they can know.
import fc from 'fast-check';
import { NOTHING_OWN, type OwnShelves, readOwnFrom } from '../own';
import { LEVELS } from '../swimmers';
import {
  CAUSE_IDS,
  type CauseId,
  closedIn,
  drillRecords,
  drillsFor,
  type Experience,
  experienceClub,
  experienceFrom,
  FOCUS_OUTCOMES,
  inferCauses,
  isLearning,
  type JudgedFocus,
  linkExperience,
  LINKS,
  ourExperience,
  pooled,
  SIGHTINGS,
  SIGN_IDS,
  taughtBy,
} from '.';
import { DRILL_IDS } from '../library';

const have = (shelves: OwnShelves) => readOwnFrom(() => shelves);
const know = (...ours: JudgedFocus[]) => have({ experience: { ours: pooled(ours.map(taughtBy)) } });
afterEach(() => readOwnFrom(() => NOTHING_OWN));

/** A hollow back that helped, with or without the sign. */
const sagged = (seen: 'often' | 'sometimes' | 'absent', change: Partial<JudgedFocus> = {}): JudgedFocus => ({
  ...{ cause: 'soft-core', drill: 'belly-in-kick', level: 'hold', outcome: 'better' },
  signs: { 'belly-hangs': seen },
  ...change,
});
const times = (n: number, focus: JudgedFocus) => Array.from({ length: n }, () => focus);
const counts = () => linkExperience('soft-core', 'belly-hangs').counts;
const chanceOf = (cause: CauseId) =>
  inferCauses({
    stroke: 'front-crawl',
    model: 'long-line',
    level: 'hold',
    signs: { 'belly-hangs': 'often' },
  }).ranking.find((r) => r.cause === cause)!.probability;

describe('one closed focus', () => {
  it('counts each sign that was looked for, and its drill at its level', () =>
    expect(
      taughtBy(sagged('sometimes', { outcome: 'solved', signs: { 'belly-hangs': 'sometimes', gasps: 'absent' } })),
    ).toEqual({
      'soft-core': { signs: { 'belly-hangs': [1, 1], gasps: [0, 1] }, drills: { 'belly-in-kick': { hold: [1, 1] } } },
    }));

  it.each(['same', 'worse'] as const)(
    'that ended “%s” counts for its drill, and says nothing of how the cause shows',
    (outcome) =>
      expect(taughtBy(sagged('often', { outcome }))).toEqual({
        'soft-core': { signs: {}, drills: { 'belly-in-kick': { hold: [0, 1] } } },
      }),
  );
});

describe('the strength of a link', () => {
  it('is what is written until twenty focuses are closed', () => {
    expect(counts()).toBe(0.85);
    know(...times(19, sagged('absent')));
    expect(isLearning()).toBe(false);
    expect(counts()).toBe(0.85);
    know(...times(20, sagged('absent')));
    expect(isLearning()).toBe(true);
    // (10 × 0.85 + 0) ÷ (10 + 20)
    expect(counts()).toBeCloseTo(0.2833, 4);
  });

  it('counts every cause toward the twenty, and moves only what was looked for', () => {
    know(
      ...times(12, sagged('often')),
      sagged('absent'),
      ...times(7, sagged('often', { cause: 'looks-forward', drill: 'belly-in-kick', outcome: 'same' })),
    );
    // (8.5 + 12) ÷ (10 + 13)
    expect(linkExperience('soft-core', 'belly-hangs')).toEqual({
      strength: 'strong',
      seen: [12, 13],
      counts: expect.closeTo(0.8913, 4) as number,
    });
    expect(linkExperience('soft-core', 'hips-snake')).toEqual({ strength: 'some', seen: [0, 0], counts: 0.5 });
    expect(linkExperience('looks-forward', 'eyes-ahead').counts).toBe(0.85);
  });

  it('begins from what the club has written of the link', () => {
    const ours = pooled(
      times(20, sagged('often', { signs: { 'belly-hangs': 'often', gasps: 'often' } })).map(taughtBy),
    );
    have({ experience: { ours }, links: { 'soft-core': { 'belly-hangs': 'weak', gasps: 'some' } } });
    // (10 × 0.2 + 20) ÷ 30 and (10 × 0.5 + 20) ÷ 30: a sign that the club has linked since was counted all along.
    expect(counts()).toBeCloseTo(0.7333, 4);
    expect(linkExperience('soft-core', 'gasps').counts).toBeCloseTo(0.8333, 4);
  });

  it('is never certain and never nothing', () => {
    know(...times(1000, sagged('often')));
    expect(counts()).toBe(0.95);
    know(...times(1000, sagged('absent')));
    expect(counts()).toBe(0.05);
  });

  it('is refused where there is no link', () =>
    expect(() => linkExperience('soft-core', 'gasps')).toThrow('“soft-core” does not show “gasps”.'));

  it('is used in a review', () => {
    const written = chanceOf('soft-core');
    know(...times(40, sagged('absent')));
    const rarely = chanceOf('soft-core');
    know(...times(40, sagged('often')));
    const always = chanceOf('soft-core');
    expect(rarely).toBeLessThan(written);
    expect(written).toBeLessThan(always);
    // Alone on its sign: 0.06 of those who have it show it with q + 0.03 (1 − q), the others with 0.03.
    const byHand = (q: number) => {
      const there = 0.06 * (q + 0.03 * (1 - q));
      return there / (there + 0.94 * 0.03);
    };
    const only = CAUSE_IDS.filter((cause) => 'belly-hangs' in LINKS[cause]);
    expect(only).toEqual(['soft-core']);
    expect(written).toBeCloseTo(byHand(0.85), 6);
    // (8.5 + 0) ÷ 50, and 48.5 ÷ 50 held at 0.95.
    expect(rarely).toBeCloseTo(byHand(0.17), 6);
    expect(always).toBeCloseTo(byHand(0.95), 6);
  });
});

describe('the record of drills', () => {
  it('is told for one level, and moves the order of the drills there', () => {
    const answers = drillsFor('soft-core', { level: 'hold', model: 'long-line', healthFlags: [] });
    const [first, second] = answers as [JudgedFocus['drill'], JudgedFocus['drill']];
    know(
      ...times(6, sagged('often', { drill: first, outcome: 'same' })),
      ...times(6, sagged('often', { drill: second })),
      sagged('often', { drill: first, level: 'race' }),
    );
    expect(drillRecords('hold')).toEqual([
      { cause: 'soft-core', drill: first, better: 0, notBetter: 6 },
      { cause: 'soft-core', drill: second, better: 6, notBetter: 0 },
    ]);
    expect(drillRecords('race')).toEqual([{ cause: 'soft-core', drill: first, better: 1, notBetter: 0 }]);
    expect(drillRecords('settle')).toEqual([]);
    const choice = { level: 'hold', model: 'long-line', healthFlags: [], records: drillRecords('hold') } as const;
    expect(drillsFor('soft-core', choice).slice(0, 2)).toEqual([second, first]);
  });
});

describe('the experience of several clubs', () => {
  it('is named after the club, and counted together', () => {
    expect(experienceFrom('Kestrel Bay')).toBe('from Kestrel Bay');
    expect(experienceClub('from Kestrel Bay')).toBe('Kestrel Bay');
    expect(experienceClub('ours')).toBeNull();
    // A club that is called “ours” is another club.
    expect(experienceClub(experienceFrom('ours'))).toBe('ours');
    const nine = pooled(times(9, sagged('often')).map(taughtBy));
    const eleven = pooled(times(11, sagged('absent')).map(taughtBy));
    have({ experience: { ours: nine, 'from Kestrel Bay': eleven } });
    expect(isLearning()).toBe(true);
    // (8.5 + 9) ÷ (10 + 20)
    expect(counts()).toBeCloseTo(0.5833, 4);
  });
});

const focus: fc.Arbitrary<JudgedFocus> = fc.record({
  cause: fc.constantFrom(...CAUSE_IDS),
  drill: fc.constantFrom(...DRILL_IDS),
  level: fc.constantFrom(...LEVELS),
  outcome: fc.constantFrom(...FOCUS_OUTCOMES),
  signs: fc.dictionary(fc.constantFrom(...SIGN_IDS), fc.constantFrom(...SIGHTINGS), { maxKeys: 8 }),
});

describe('whatever was closed', () => {
  it('adds up the same in any order and in any parts', () =>
    fc.assert(
      fc.property(fc.array(focus, { maxLength: 30 }), fc.nat(), (all, cut) => {
        const at = cut % (all.length + 1);
        const of = (some: readonly JudgedFocus[]): Experience => pooled(some.map(taughtBy));
        expect(pooled([of(all.slice(at)), of(all.slice(0, at))])).toEqual(of(all));
        expect(closedIn(of(all))).toEqual([
          all.filter(({ outcome }) => outcome === 'better' || outcome === 'solved').length,
          all.length,
        ]);
      }),
    ));

  it('keeps every link between 0.05 and 0.95, and between what is written and what was seen', () =>
    fc.assert(
      fc.property(fc.array(focus, { minLength: 20, maxLength: 60 }), (all) => {
        know(...all);
        for (const cause of Object.keys(ourExperience()) as CauseId[])
          for (const sign of Object.keys(LINKS[cause]) as (keyof (typeof LINKS)[CauseId])[]) {
            const { strength, seen, counts } = linkExperience(cause, sign);
            const written = { strong: 0.85, some: 0.5, weak: 0.2 }[strength];
            const share = seen[1] === 0 ? written : seen[0] / seen[1];
            expect(counts).toBeGreaterThanOrEqual(Math.max(0.05, Math.min(written, share)));
            expect(counts).toBeLessThanOrEqual(Math.min(0.95, Math.max(written, share)) + 1e-12);
          }
      }),
    ));
});
