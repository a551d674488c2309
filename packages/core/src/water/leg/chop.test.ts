import fc from 'fast-check';
import { chop, legsOf, outsideSwimmer, placeAt, planLeg, sweepLeg, type Course, type WaterNow } from '..';
import { lookInterval } from '../../measures';

describe('chop', () => {
  it('changes nothing in calm water', () => {
    expect(chop(0, 58, 72)).toEqual({ rateSpm: 58, wander: 1, words: [] });
    expect(chop(0.1, 58, null)).toEqual({ rateSpm: 58, wander: 1, words: [] });
  });

  it('raises the rate to the quick rhythm from half a metre on, as far as was tried', () => {
    // The quick rhythm begins at 66; a tenth over 58 is 63.8.
    expect(chop(0.4, 58, 72).rateSpm).toBe(58);
    expect(chop(0.5, 58, 72).rateSpm).toBe(66);
    expect(chop(0.5, 58, 62).rateSpm).toBe(62);
    expect(chop(0.5, 58, null).rateSpm).toBe(64);
    expect(chop(0.5, 70, null).rateSpm).toBe(70);
    // A ramp that was best below the rate of today takes nothing away.
    expect(chop(0.9, 64, 60).rateSpm).toBe(64);
    expect(chop(0.5, 58, 72).words.join(' ')).toMatch(/Higher recovery.*66 strokes a minute instead of 58/);
    expect(chop(0.5, 60, 60).words.join(' ')).toMatch(/No quicker than 60/);
  });

  it('never slows anybody down, and more waves never ask for less', () => {
    const wave = fc.double({ min: 0, max: 3, noNaN: true });
    const rate = fc.integer({ min: 30, max: 110 });
    fc.assert(
      fc.property(wave, wave, rate, fc.option(rate), (low, more, own, top) => {
        const [calmer, rougher] = [chop(low, own, top), chop(low + more, own, top)];
        expect(calmer.rateSpm).toBeGreaterThanOrEqual(own);
        expect(rougher.rateSpm).toBeGreaterThanOrEqual(calmer.rateSpm);
        expect(rougher.wander).toBeGreaterThanOrEqual(calmer.wander);
        expect(rougher.words.length).toBeGreaterThanOrEqual(calmer.words.length > 0 ? 1 : 0);
      }),
    );
  });

  it.each([
    [-0.1, 58, null],
    [Number.NaN, 58, null],
    [0.3, 0, null],
    [0.3, 58, 0],
  ])('refuses what cannot be: %p m, %p, %p', (wave, rate, top) => {
    expect(() => chop(wave, rate, top)).toThrow(RangeError);
  });
});

describe('a leg in chop', () => {
  const START = { lat: 31.4, lon: -41.2 };
  const course: Course = {
    ...{ start: START, marks: [], finish: placeAt(START, 0, 500), laps: 1, areas: [] },
    landmarks: [{ id: 'n', name: 'the notch', widthM: 150, heightM: 120, fixed: true, ...placeAt(START, 1, 3000) }],
  };
  const calm: WaterNow = {
    ...{ at: new Date('2027-06-21T11:00:00Z'), currentMps: 0, currentToDeg: 0, waveHeightM: 0.1, waveFromDeg: 90 },
    ...{ hazy: false, cloudy: true, feet: false },
  };
  const racer = outsideSwimmer(
    { level: 'race', model: 'long-line', bests: [], drift: null, rateSpm: 60, topRateSpm: 74 },
    500,
  );
  const inWaves = (waveHeightM: number) => {
    const plan = planLeg(legsOf(course)[0]!, null, racer, { ...calm, waveHeightM }, course, 1);
    const swept = sweepLeg(plan.swim!, [2, 4, 6, 8, 10, 12, 14, 16, 18, 20], 300);
    const { every } = lookInterval({ cycle: 2, asGood: swept.nearOptimal, usual: 6 });
    return { plan, every, timeS: swept.results.find((r) => r.interval === every)!.meanTimeS };
  };

  it('is looked at more often, swum at a higher rate, and takes longer', () => {
    const [flat, chopped, rough] = [0.1, 0.8, 1.5].map(inWaves) as [
      ReturnType<typeof inWaves>,
      ReturnType<typeof inWaves>,
      ReturnType<typeof inWaves>,
    ];
    expect(chopped.every).toBeLessThan(flat.every);
    expect(rough.every).toBeLessThanOrEqual(chopped.every);
    expect([flat, chopped, rough].map(({ plan }) => plan.rateSpm)).toEqual([60, 66, 66]);
    expect(chopped.timeS).toBeGreaterThan(flat.timeS);
    expect(rough.timeS).toBeGreaterThan(chopped.timeS);
    expect([flat.plan.chop.words.length, chopped.plan.chop.words.length]).toEqual([0, 2]);
    // The length of a stroke is what is left of the speed at that rate.
    expect(chopped.plan.swim!.strokeLengthM).toBeCloseTo((racer.speedMps * 60) / 66, 9);
  });
});
