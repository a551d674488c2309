import fc from 'fast-check';
import { drift, rateRamp } from '.';
import { seeded } from '../units';

const ramp = (rates: readonly number[], speed: (rate: number) => number) =>
  rateRamp(rates.map((strokeRateSpm) => ({ strokeRateSpm, speedMps: speed(strokeRateSpm) })));
const RATES = [50, 54, 58, 62, 66, 70];

describe('the rate ramp', () => {
  it('finds the curve it was made from', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 54, max: 66, noNaN: true }),
        fc.double({ min: -0.002, max: -0.0003, noNaN: true }),
        (top, c) => {
          const found = ramp(RATES, (r) => 1.3 + c * (r - top) ** 2);
          expect(found.verdict).toBe('peak');
          expect(found.bestRateSpm).toBeCloseTo(top, 6);
          expect(found.c).toBeCloseTo(c, 9);
          expect(found.rSquared).toBeCloseTo(1, 9);
          expect(found.lowSpm!).toBeLessThanOrEqual(found.bestRateSpm!);
          expect(found.highSpm!).toBeGreaterThanOrEqual(found.bestRateSpm!);
        },
      ),
    );
  });

  it('gives an interval that widens with noise, the same for the same seed', () => {
    const noisy = (sd: number) => ramp(RATES, (r) => 1.2 - 0.0008 * (r - 60) ** 2 + sd * (seeded(3, r) - 0.5));
    const width = (f: ReturnType<typeof noisy>) => f.highSpm! - f.lowSpm!;
    expect(width(noisy(0.06))).toBeGreaterThan(width(noisy(0.01)));
    expect(noisy(0.03)).toEqual(noisy(0.03));
  });

  it('proposes for distance the slowest tested rate that keeps 97 % of the speed', () => {
    // 1.2 − 0.001·(r − 63)²: 1.2·0.97 = 1.164, so 0.036 under, 6 strokes away from 63: 58.
    expect(ramp(RATES, (r) => 1.2 - 0.001 * (r - 63) ** 2).distanceRateSpm).toBe(58);
  });

  it.each([
    ['still-rising', (r: number) => 0.8 + 0.006 * r - 0.00001 * r * r],
    ['test-lower', (r: number) => 1.4 - 0.004 * r - 0.00001 * r * r],
    ['still-rising', (r: number) => 0.5 + 0.0001 * (r - 30) ** 2],
    ['unclear', (r: number) => 1 + 0.05 * (seeded(1, r) - 0.5)],
  ])('says %s and guesses no best rate', (verdict, speed) => {
    const found = ramp(RATES, speed);
    expect(found.verdict).toBe(verdict);
    expect(found.bestRateSpm).toBeNull();
    expect(found.reason.length).toBeGreaterThan(20);
  });

  it('recommends nothing from four reps, from one rate only, or from equal speeds', () => {
    expect(ramp(RATES.slice(0, 4), (r) => 1.2 - 0.001 * (r - 55) ** 2).verdict).toBe('unclear');
    expect(ramp([60, 60, 60, 60, 60], () => 1).verdict).toBe('unclear');
    expect(ramp(RATES, () => 1).verdict).toBe('unclear');
    expect(() => ramp(RATES, () => 0)).toThrow(RangeError);
  });
});

describe('closed-eyes drift', () => {
  it('gives the bias of equal tries exactly', () => {
    const found = drift([1, 1, 1, 1], 10, 1);
    expect(found.biasRadPerStroke).toBeCloseTo(0.02, 12);
    expect(found.sdRadPerStroke).toBe(0);
  });

  it('turns its sign with the side', () => {
    const y = [0.4, 0.9, -0.2, 1.1, 0.6];
    const a = drift(y, 10, 0.9);
    const b = drift(
      y.map((v) => -v),
      10,
      0.9,
    );
    expect(b.biasRadPerStroke).toBeCloseTo(-a.biasRadPerStroke, 12);
    expect(b.biasLow).toBeCloseTo(-a.biasHigh, 12);
    expect(b.sdRadPerStroke).toBeCloseTo(a.sdRadPerStroke, 12);
  });

  it('finds bias and random part of a swimmer simulated stroke by stroke', () => {
    const b = 0.02;
    const sd = 0.03;
    const N = 10;
    const gauss = (i: number) =>
      Math.sqrt(-2 * Math.log(seeded(5, 2 * i) || 1e-9)) * Math.cos(2 * Math.PI * seeded(5, 2 * i + 1));
    const tries = Array.from({ length: 400 }, (_, k) => {
      let [heading, y] = [0, 0];
      for (let i = 0; i < N; i++) {
        // Half of the turn before and half after the stroke: the formula's continuous path.
        const turn = b + sd * gauss(k * N + i);
        y += Math.sin(heading + turn / 2);
        heading += turn;
      }
      return y;
    });
    const found = drift(tries, N, 1);
    expect(found.biasRadPerStroke).toBeCloseTo(b, 2);
    expect(found.sdRadPerStroke / sd).toBeGreaterThan(0.9);
    expect(found.sdRadPerStroke / sd).toBeLessThan(1.1);
  });

  it('covers the truth about 95 times in a hundred with four tries', () => {
    let covered = 0;
    const gauss = (i: number) =>
      Math.sqrt(-2 * Math.log(seeded(9, 2 * i) || 1e-9)) * Math.cos(2 * Math.PI * seeded(9, 2 * i + 1));
    for (let k = 0; k < 400; k++) {
      const found = drift(
        [0, 1, 2, 3].map((i) => 1 + 0.5 * gauss(4 * k + i)),
        10,
        1,
      );
      if (found.biasLow <= 0.02 && 0.02 <= found.biasHigh) covered++;
    }
    expect(covered).toBeGreaterThan(365);
    expect(covered).toBeLessThan(396);
  });

  it.each([
    [[1, 1, 1], 10, 1],
    [[1, 1, 1, Number.NaN], 10, 1],
    [[1, 1, 1, 30], 10, 1],
    [[1, 1, 1, 1], 0, 1],
  ])('refuses %j', (y, n, sl) => expect(() => drift(y, n, sl)).toThrow(RangeError));
});
