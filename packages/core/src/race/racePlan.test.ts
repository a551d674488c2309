import fc from 'fast-check';
import {
  assumed,
  chosenTrials,
  noOutlookWords,
  raceOutlook,
  racePlan,
  raceReadiness,
  type RaceChoices,
  type RaceFacts,
} from '.';
import { weekOf } from '../days';

const TODAY = '2027-01-06';
const day = (inDays: number) => new Date(Date.parse(TODAY) + inDays * 86_400_000).toISOString().slice(0, 10);
const facts = (change: Partial<RaceFacts> = {}): RaceFacts => ({
  event: 'Quill Crossing',
  raceOn: day(84),
  distanceM: 3200,
  place: 'open-water',
  targetS: 3600,
  level: 'hold',
  birthYear: 1990,
  breathes: 'both',
  trials: [
    { distanceM: 200, timeS: 180 },
    { distanceM: 400, timeS: 380 },
  ],
  trialsOn: day(-3),
  rampSpm: null,
  extra: null,
  past: [5500, 5500, 5500, 5500],
  week: { sessions: 2, minutes: 60 },
  needs: ['breath-too-low'],
  ladderSteps: {},
  outside: 0,
  rehearsed: false,
  ...change,
});
const gapOf = (f: RaceFacts, choices: RaceChoices = {}) => {
  const outlook = raceOutlook(f, choices, TODAY);
  if (outlook.kind !== 'gap') throw new Error(noOutlookWords(outlook.reason));
  return outlook;
};

describe('the outlook', () => {
  it('adds up to the gap, whatever the coach assumes', () => {
    const share = fc.double({ min: 0, max: 0.4, noNaN: true });
    fc.assert(
      fc.property(
        share,
        share,
        share,
        fc.integer({ min: 0, max: 120 }),
        (extraToday, extraThen, feetThen, lostTodayS) => {
          const { gap } = gapOf(facts(), { extraToday, extraThen, feetThen, lostTodayS, lostThenS: 0 });
          const sum = Object.values(gap.parts).reduce((a, b) => a + b, 0);
          expect(sum).toBeCloseTo(gap.gapS, 6);
        },
      ),
    );
  });

  it('asks in critical speed and rate what it asks in speed', () => {
    // 400 m in 380 s after 200 m in 180 s: CS 1 m/s, D′ 20 m; the target without extra metres, feet or stops.
    const plain = { extraToday: 0, extraThen: 0, feetThen: 0, lostTodayS: 0, lostThenS: 0, rateSpm: 60 };
    const { gap, criticalSpeed, rateBand } = gapOf(facts({ distanceM: 1500, targetS: 1480 / 1.05 }), plain);
    expect(criticalSpeed!.todayMps).toBeCloseTo(1, 9);
    // 1480 s ÷ 1.05: speed and critical speed have to grow by 5 %.
    expect(criticalSpeed!.neededMps).toBeCloseTo(1.05, 9);
    expect(gap.strokeLengthM).toBeCloseTo(1500 / 1480, 6);
    expect(rateBand[0]).toBe(60);
    expect(rateBand[1]).toBeCloseTo(60 * 1.05, 6);
  });

  it('is honest where nothing can be said', () => {
    const why = (f: Partial<RaceFacts>, choices: RaceChoices = {}) => {
      const outlook = raceOutlook(facts(f), choices, TODAY);
      return outlook.kind === 'none' ? noOutlookWords(outlook.reason) : outlook.gap.verdict;
    };
    expect(why({ raceOn: day(-1) })).toContain('is over');
    expect(why({ targetS: null })).toContain('No target time');
    // An eight-year-old has no chance to be told of 10 km; in the pool, or grown up, it is a matter of the swimming.
    const child = { birthYear: Number(day(84).slice(0, 4)) - 8, distanceM: 10_000 };
    expect(why({ ...child, targetS: null })).toContain('Under 12 not beyond 1 km');
    expect(why({ ...child, distanceM: 1000 }, { courseM: 1001 })).toContain('Under 12 not beyond 1 km');
    expect(why({ ...child, place: 'pool' })).not.toContain('Under 12');
    expect(why({ birthYear: null, distanceM: 5001 })).toContain('The birth year is not known');
    expect(why({ trials: [] })).toContain('there is no prediction');
    expect(why({ targetS: 700 })).toMatch(/^The target needs .* m\/s over 3200 m: faster than anyone swims\.$/);
    // Two metres a second over 10 km: nobody, although over 50 m somebody does.
    expect(why({ distanceM: 10_000, targetS: 5000 })).toContain('faster than anyone swims');
    // Two days for an hour's swim.
    expect(why({ targetS: 48 * 3600 })).toMatch(/^The target is far slower than today’s time of 1:0\d:\d\d: choose/);
    expect(why({}, { currentMps: -1.5 })).toContain('cannot be swum');
    expect(why({ targetS: 30 }, { lostThenS: 40 })).toContain('shorter than the time lost');
    expect(why({ raceOn: TODAY })).toBe('not-yet');
  });

  it('counts no more growth than that of a year, however far the race is', () => {
    const far = (raceOn: string) => gapOf(facts({ raceOn, targetS: 2400 }));
    // 2,400 s over 3.2 km ask two thirds more speed: nothing that waiting until 2099 brings.
    expect(far('2099-06-01').gap.verdict).toBe('not-yet');
    expect(far('2099-06-01').gap.reason).toMatchObject({ why: 'not-yet', weeks: 52 });
    expect(far('2099-06-01').gap.chance).toBe(far(day(52 * 7)).gap.chance);
  });

  it('says where each number comes from', () => {
    expect(assumed(facts(), {}).from).toMatchObject({ extra: 'guess', growth: 'guess', rate: 'guess' });
    const known = facts({ extra: { share: 0.04, on: day(-9) }, rampSpm: 62 });
    expect(assumed(known, { growthLow: 0.01 }).from).toMatchObject({
      extra: 'record',
      rate: 'record',
      growth: 'coach',
    });
    expect(assumed(known, {}).today.extraShare).toBe(0.04);
    expect(assumed(known, { extraToday: 0.2 }).today.extraShare).toBe(0.2);
    // In a pool nobody swims farther than the race, and nobody drafts.
    expect(assumed(facts({ place: 'pool' }), {}).today).toEqual({ extraShare: 0, feetShare: 0, lostS: 0 });
  });

  it('rests on swims that fit together', () => {
    const late = [
      { distanceM: 400, timeS: 381 },
      { distanceM: 200, timeS: 182 },
      { distanceM: 400, timeS: 379 },
      { distanceM: 50, timeS: 36 },
    ];
    expect(chosenTrials(late, [])).toEqual([
      { distanceM: 200, timeS: 182 },
      { distanceM: 400, timeS: 379 },
    ]);
    // A slow 200 makes the line impossible: the best times, if they fit.
    const tired = [
      { distanceM: 200, timeS: 210 },
      { distanceM: 400, timeS: 379 },
    ];
    expect(chosenTrials(tired, late.slice(0, 2)).map((t) => t.timeS)).toEqual([182, 381]);
    expect(chosenTrials(tired, [])).toEqual([{ distanceM: 400, timeS: 379 }]);
  });
});

describe('the weeks of a swimmer', () => {
  it('say what cannot be', () => {
    const problems = (f: Partial<RaceFacts>, choices: RaceChoices = {}) =>
      racePlan(facts(f), choices, TODAY).problems.join(' ');
    const reach = (f: Partial<RaceFacts>) => racePlan(facts(f), {}, TODAY).reach;
    expect(reach({ level: 'settle', distanceM: 10_000, trials: [] })).toMatch(
      /^These weeks make ready for about \d+ m of 10 km: /,
    );
    expect(problems({ level: 'settle', distanceM: 400, trials: [] })).toContain('A first goal of 200 m');
    expect(problems({ raceOn: day(-2) })).toContain('over');
    expect(problems({ raceOn: day(1) })).toContain('this week');
    const two = { otherRaces: [{ event: 'Lantern Mile', date: day(77) }] };
    expect(problems({}, two)).toContain('Lantern Mile is 7 days before Quill Crossing: one taper for both');
    const after = { otherRaces: [{ event: 'Lantern Mile', date: day(91) }] };
    expect(problems({}, after)).toContain('7 days after');
    expect(problems({ birthYear: Number(day(84).slice(0, 4)) - 15, distanceM: 5001 })).toContain(
      'Under 16 not beyond 5 km',
    );
    // Two hours a week hold no 7.9 km; four do, from 6.4 km.
    expect(reach({})).toMatch(/of 3\.2 km: the fullest has .* of 7\.9 km, .* 2 sessions of 60 min/);
    const able = { week: { sessions: 4, minutes: 60 }, past: [8000, 8000, 8000, 8000] };
    expect([problems(able), reach(able)]).toEqual(['', undefined]);
  });

  it('are empty where a swimmer is away, and nothing is made up later', () => {
    const monday = weekOf(day(21));
    const whole = racePlan(facts(), {}, TODAY).weeks;
    const ill = racePlan(facts(), { away: { [monday]: 'ill' } }, TODAY).weeks;
    const at = ill.findIndex((w) => w.monday === monday);
    expect(ill[at]).toMatchObject({ load: 0, test: false, step: null });
    expect(ill[at]!.notes).toEqual([{ note: 'ill' }]);
    const total = (weeks: typeof ill) => weeks.reduce((sum, w) => sum + w.load, 0);
    expect(total(ill)).toBeLessThan(total(whole) - whole[at]!.load * 0.9);
    expect(ill[at + 1]!.load).toBeLessThan(whole[at + 1]!.load);
  });

  it('bring beginners outside step by step, and leave out those who were there', () => {
    const steps = (f: Partial<RaceFacts>) => racePlan(facts(f), {}, TODAY).weeks.flatMap((w) => w.step ?? []);
    expect(steps({ level: 'build' })).toHaveLength(8);
    expect(steps({ level: 'build', ladderSteps: { 'pool-to-open-water': 6 } })).toHaveLength(2);
    expect(steps({ level: 'race' })).toEqual([]);
    expect(steps({ level: 'build', place: 'pool' })).toEqual([]);
  });
});

describe('the list before a race', () => {
  it('takes what the ladders, the records and the coach know', () => {
    const state = (f: Partial<RaceFacts>, choices: RaceChoices = {}) =>
      Object.fromEntries(raceReadiness(facts(f), choices, TODAY).map((i) => [i.id, i.state]));
    expect(state({})).toMatchObject({ 'both-sides': 'done', sighting: 'unknown', cold: 'missing', course: 'unknown' });
    expect(state({ ladderSteps: { sighting: 1 }, rehearsed: true, outside: 7 })).toMatchObject({
      sighting: 'missing',
      course: 'done',
      cold: 'done',
    });
    expect(state({ ladderSteps: { sighting: 1 } }, { marks: { sighting: true } }).sighting).toBe('done');
    expect(state({}, { wetsuit: true, waterC: 22 })).toMatchObject({ wetsuit: 'unknown' });
    expect(state({}, { waterC: 22 })).not.toHaveProperty('cold');
    // 3.2 km at 400 m in 380 s is under the hour and a half from which on one feeds; two tracks of 2.7 km are long swims.
    expect(state({})).toMatchObject({ 'long-swims': 'unknown' });
    expect(state({})).not.toHaveProperty('feeds');
    expect(state({ swumM: [3000, 2800] })).toMatchObject({ 'long-swims': 'done' });
    expect(state({ distanceM: 10_000 }, { marks: { fed: true, longSwims: false } })).toMatchObject({
      'long-swims': 'missing',
      feeds: 'done',
    });
    expect(raceReadiness(facts({ place: 'pool' }), {}, TODAY)).toEqual([]);
  });
});
