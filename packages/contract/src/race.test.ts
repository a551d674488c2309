import { raceOutlook, racePlan, type RaceChoices, type RaceFacts, noOutlookWords } from '@upwell/core/race';
import { CAUSE_IDS } from '@upwell/core/review';
import fc from 'fast-check';
import { VALIDATION } from './common';
import { choicesSchema, racePlanSaveSchema, ratingSaveSchema, seasonQuerySchema } from './race';

const ID = '01a20bb8-5dce-719c-8bc2-8d9b01d7e695';
const refused = (value: unknown) =>
  choicesSchema.validate(value, VALIDATION).error?.details.map((d) => d.path.join('.')) ?? [];

const monday = fc
  .integer({ min: 0, max: 51 })
  .map((n) => new Date(Date.UTC(2027, 0, 4 + 7 * n)).toISOString().slice(0, 10));
const share = fc.double({ min: 0, max: 1, noNaN: true });
const choices: fc.Arbitrary<RaceChoices> = fc.record(
  {
    courseId: fc.constantFrom(ID, null),
    courseM: fc.integer({ min: 1, max: 100_000 }),
    extraToday: share,
    extraThen: share,
    feetToday: share,
    feetThen: share,
    lostTodayS: fc.integer({ min: 0, max: 3600 }),
    lostThenS: fc.integer({ min: 0, max: 3600 }),
    growthLow: fc.double({ min: 0, max: 0.1, noNaN: true }),
    growthHigh: fc.double({ min: 0, max: 0.1, noNaN: true }),
    rateSpm: fc.integer({ min: 20, max: 140 }),
    wetsuit: fc.boolean(),
    wetsuitGain: fc.double({ min: 0, max: 0.15, noNaN: true }),
    currentMps: fc.double({ min: -3, max: 3, noNaN: true }),
    waterC: fc.option(fc.integer({ min: -2, max: 40 })),
    rideFollows: fc.boolean(),
    sessionsPerWeek: fc.integer({ min: 1, max: 14 }),
    minutesPerSession: fc.integer({ min: 10, max: 240 }),
    taperWeeks: fc.constantFrom(1 as const, 2 as const),
    otherRaces: fc.array(fc.record({ event: fc.constant('Lantern Mile'), date: monday }), { maxLength: 3 }),
    locks: fc.dictionary(
      monday,
      fc.record(
        {
          kind: fc.constantFrom('normal', 'recovery', 'taper' as const),
          load: fc.integer({ min: 0, max: 1_000_000 }),
          theme: fc.constantFrom(...CAUSE_IDS),
        },
        { requiredKeys: [] },
      ),
      { maxKeys: 5 },
    ),
    away: fc.dictionary(monday, fc.constantFrom('ill', 'away' as const), { maxKeys: 5 }),
    marks: fc.record(
      { sighting: fc.boolean(), coldDips: fc.integer({ min: 0, max: 99 }), card: fc.boolean() },
      { requiredKeys: [] },
    ),
  },
  { requiredKeys: [] },
);

describe('what a coach decides about a race', () => {
  const facts: RaceFacts = {
    event: 'Quill Crossing',
    raceOn: '2027-06-20',
    distanceM: 3200,
    place: 'open-water',
    targetS: 3600,
    level: 'build',
    birthYear: 1990,
    breathes: 'left',
    trials: [
      { distanceM: 200, timeS: 180 },
      { distanceM: 400, timeS: 380 },
    ],
    trialsOn: '2027-01-02',
    rampSpm: null,
    extra: null,
    past: [4000, 0, 4000],
    week: { sessions: 2, minutes: 60 },
    needs: ['breath-too-low'],
    ladderSteps: {},
    outside: 0,
    rehearsed: false,
  };

  it('passes the door whole, and core has an answer to whatever passes', () => {
    fc.assert(
      fc.property(choices, (given) => {
        expect(refused(given)).toEqual([]);
        const outlook = raceOutlook(facts, given, '2027-01-06');
        if (outlook.kind === 'gap') {
          const sum = Object.values(outlook.gap.parts).reduce((a, b) => a + b, 0);
          expect(sum).toBeCloseTo(outlook.gap.gapS, 4);
          expect(outlook.gap.chance).toBeGreaterThanOrEqual(0);
        } else expect(noOutlookWords(outlook.reason)).toMatch(/\.$/);
        const { weeks } = racePlan(facts, given, '2027-01-06');
        expect(weeks.every((w) => Number.isFinite(w.load) && w.load >= 0)).toBe(true);
      }),
      { numRuns: 150 },
    );
  });

  it.each([
    ['more than all of it', { feetThen: 1.2 }, 'feetThen'],
    ['a day that is none', { away: { '2027-02-30': 'ill' } }, 'away.2027-02-30'],
    ['a word nobody knows', { away: { '2027-01-04': 'tired' } }, 'away.2027-01-04'],
    ['a load of nothing', { locks: { '2027-01-04': { load: 'much' } } }, 'locks.2027-01-04.load'],
    ['a theme that is none', { locks: { '2027-01-04': { theme: 'made-up' } } }, 'locks.2027-01-04.theme'],
    ['a secret of their own', { secret: 1 }, 'secret'],
    ['numbers without end', { currentMps: Infinity }, 'currentMps'],
    ['another course', { courseId: 'lake' }, 'courseId'],
  ])('refuses %s', (_what, value, field) => expect(refused(value)).toEqual([field]));

  it('refuses more weeks than there are', () => {
    const days = Array.from({ length: 81 }, (_, n) => new Date(Date.UTC(2027, 0, 4 + n)).toISOString().slice(0, 10));
    expect(refused({ away: Object.fromEntries(days.map((d) => [d, 'ill'])) })).toEqual(['away']);
  });

  it('is saved with a version and an id of its own', () => {
    const save = (value: object) => racePlanSaveSchema.validate(value, VALIDATION).error;
    expect(save({ choices: {}, version: 0, writeId: ID })).toBeUndefined();
    expect(save({ choices: {} })).toBeDefined();
    expect(save({ version: 0, writeId: ID })).toBeDefined();
  });
});

describe('the other doors', () => {
  it('take a rating from 0 to 10 and nothing else', () => {
    const value = (rating: unknown) => ratingSaveSchema.validate({ value: rating }, VALIDATION).error;
    for (const good of [0, 5, 7.5, 10]) expect(value(good)).toBeUndefined();
    for (const bad of [-1, 10.5, 'hard', null, NaN]) expect(value(bad)).toBeDefined();
  });
  it('show at most a hundred of a season at once', () => {
    const query = (value: object) => seasonQuerySchema.validate({ from: '2027-01-04', ...value }, VALIDATION);
    expect((query({}) as { value: { limit: number } }).value.limit).toBe(50);
    for (const bad of [{ limit: 101 }, { limit: 0 }, { squadId: 'x' }, { from: 'now' }, { cursor: 'x'.repeat(500) }])
      expect(query(bad).error).toBeDefined();
  });
});
