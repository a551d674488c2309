import fc from 'fast-check';
import {
  flowOn,
  legsOf,
  outsideSwimmer,
  placeAt,
  planLeg,
  seeProbability,
  type Course,
  type KnownOfSwimmer,
  type WaterNow,
} from '..';

const START = { lat: 31.4, lon: -41.2 };
const course: Course = {
  start: START,
  marks: [
    { id: '1', name: '1', turn: 'right', ...placeAt(START, 0, 400) },
    { id: '2', name: '2', turn: 'right', ...placeAt(placeAt(START, 0, 400), 90, 300) },
  ],
  finish: placeAt(START, 90, 10),
  laps: 1,
  areas: [],
  landmarks: [{ id: 'n', name: 'the notch', widthM: 150, heightM: 120, fixed: true, ...placeAt(START, 1, 3000) }],
};
const [first, second] = legsOf(course);
const calm: WaterNow = {
  at: new Date('2027-06-21T11:00:00Z'),
  currentMps: 0,
  currentToDeg: 0,
  waveHeightM: 0,
  waveFromDeg: 0,
  hazy: false,
  cloudy: true,
  feet: false,
};
const known: KnownOfSwimmer = {
  level: 'hold',
  model: 'long-line',
  bests: [
    { distanceM: 200, timeS: 181.4 },
    { distanceM: 400, timeS: 384 },
  ],
  drift: null,
  rateSpm: null,
};
const swimmer = outsideSwimmer(known, 1100);
const plan = (change: Partial<WaterNow> = {}) => planLeg(first!, second!, swimmer, { ...calm, ...change }, course, 1);

describe('a swimmer outside', () => {
  it('keeps the others in sight where nothing stronger speaks against it', () => {
    expect(plan({ others: 'left' }).side).toMatchObject({ side: 'left' });
    expect(plan({ others: 'left' }).side.reasons.join(' ')).toMatch(/others are on the left/);
    // Chop from the left is stronger than the company there.
    expect(plan({ others: 'left', waveHeightM: 0.5, waveFromDeg: 270 }).side.side).toBe('right');
  });

  it('has the speed that the times predict, and says what is guessed', () => {
    // CS 200/202.6 = 0.9872 m/s, D′ 20.92 m: 1100 m in 1093 s.
    expect(swimmer.speedMps).toBeCloseTo(1100 / ((1100 - 20.92) / 0.98717), 3);
    expect(swimmer.rateSpm).toBe(58);
    expect(swimmer.strokeLengthM).toBeCloseTo((swimmer.speedMps * 60) / 58, 9);
    expect([swimmer.guesses.length, swimmer.driftGuessed]).toEqual([2, true]);
    expect(outsideSwimmer({ ...known, bests: [] }, 1100).guesses).toHaveLength(3);
  });

  it('takes the drift and the rate of the tests', () => {
    const drift = {
      biasRadPerStroke: 0.03,
      biasLow: 0,
      biasHigh: 1,
      sdRadPerStroke: 0.05,
      sdLow: 0,
      sdHigh: 1,
      tries: 4,
    };
    expect(outsideSwimmer({ ...known, drift, rateSpm: 64 }, 1100)).toMatchObject({
      ...{ biasRad: 0.03, sdRad: 0.05, rateSpm: 64, guesses: [], driftGuessed: false },
    });
  });
});

describe('the plan of a leg', () => {
  it('aims at the notch, with nothing to hold against in still water', () => {
    const { aims, holdDeg, impossible, side, swim } = plan();
    expect(aims[0]!.landmark.id).toBe('n');
    expect([holdDeg, impossible]).toEqual([null, null]);
    expect(side.side).toBe('right');
    expect(swim).toMatchObject({ seeProbability: 1, afterTurn: false });
  });

  it('holds up-current: to the left of a leg when it is pushed right', () => {
    const { holdDeg, crossing, swim } = plan({ currentMps: 0.25, currentToDeg: 90 });
    expect(swim!.current.across).toBeCloseTo(0.25, 9);
    expect(holdDeg).toBeCloseTo(360 - crossing!.headingDeg, 6);
  });

  it('says when the water is as fast as the swimmer', () => {
    const { impossible, swim } = plan({ currentMps: 1.2, currentToDeg: 90 });
    expect(impossible).toContain('cannot be swum');
    expect(swim).toBeNull();
  });

  it('adds the flow up to what it is, whatever the leg', () => {
    const deg = fc.double({ min: 0, max: 360, noNaN: true });
    fc.assert(
      fc.property(deg, deg, fc.double({ min: 0, max: 2, noNaN: true }), (bearing, to, speed) => {
        const { along, across } = flowOn(bearing, { currentMps: speed, currentToDeg: to });
        expect(Math.hypot(along, across)).toBeCloseTo(speed, 9);
      }),
    );
  });

  it('sees less the higher the waves, more with a higher aim, and never nothing', () => {
    const height = fc.double({ min: 0, max: 3, noNaN: true });
    fc.assert(
      fc.property(height, height, height, (wave, more, aim) => {
        const see = (waveHeightM: number, deg: number) =>
          seeProbability({ waveHeightM, hazy: false, feet: false }, deg);
        expect(see(wave + more, aim)).toBeLessThanOrEqual(see(wave, aim));
        expect(see(wave, aim + more)).toBeGreaterThanOrEqual(see(wave, aim));
        expect(see(wave, aim)).toBeGreaterThanOrEqual(0.2);
        expect(see(wave, aim)).toBeLessThanOrEqual(1);
      }),
    );
    expect(seeProbability({ waveHeightM: 0.4, hazy: true, feet: true }, 0)).toBeCloseTo(0.52 * 0.64, 9);
  });
});
