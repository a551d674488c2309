import fc from 'fast-check';
import { lowestTide, nearestSlack, nextHighWater, simulatedWeather, tideAt, waterWindow } from '..';

const BAY = { lat: 31.4, lon: -41.2 };
const HOUR = 3_600_000;
const moment = fc.integer({ min: Date.UTC(2024, 0, 1), max: Date.UTC(2030, 0, 1) });

describe('the stand-in for tides and weather', () => {
  it('says the same of the same moment, and something else with another seed', () => {
    const at = new Date('2027-06-21T10:30:00Z');
    expect(simulatedWeather(3)(BAY, at)).toEqual(simulatedWeather(3)(BAY, at));
    const days = Array.from({ length: 10 }, (_, i) => new Date(at.getTime() + i * 24 * HOUR));
    const winds = (seed: number) => days.map((d) => simulatedWeather(seed)(BAY, d).windMps);
    expect(winds(3)).not.toEqual(winds(4));
  });

  it('has high water about every twelve and a half hours, and it is the highest around', () => {
    fc.assert(
      fc.property(moment, (ms) => {
        const high = nextHighWater(ms);
        const next = nextHighWater(high + HOUR);
        expect((next - high) / HOUR).toBeGreaterThan(11);
        expect((next - high) / HOUR).toBeLessThan(14);
        expect(tideAt(high)).toBeGreaterThanOrEqual(tideAt(high - HOUR / 2));
        expect(tideAt(high)).toBeGreaterThanOrEqual(tideAt(high + HOUR / 2));
      }),
      { numRuns: 40 },
    );
  });

  it('has enough water within the window and too little outside it', () => {
    fc.assert(
      fc.property(moment, fc.double({ min: -0.4, max: 0.5, noNaN: true }), (ms, least) => {
        const span = waterWindow(ms, least);
        if (span === null) {
          // So high it does not come for two tides.
          const within = Array.from({ length: 26 * 12 }, (_, i) => tideAt(ms + (i * HOUR) / 12));
          return expect(Math.max(...within)).toBeLessThan(least);
        }
        expect(lowestTide(span)).toBeGreaterThanOrEqual(least - 1e-9);
        // A span that is longer than two tides either way is cut there.
        if (span.fromMs > ms - 26 * HOUR) expect(tideAt(span.fromMs - HOUR / 6)).toBeLessThan(least + 0.05);
        if (span.toMs < ms + 26 * HOUR) expect(tideAt(span.toMs + HOUR / 6)).toBeLessThan(least + 0.05);
        expect(span.toMs).toBeGreaterThanOrEqual(ms);
      }),
      { numRuns: 40 },
    );
    expect(waterWindow(0, 5)).toBeNull();
    expect(waterWindow(0, -5)!.toMs).toBeGreaterThan(24 * HOUR);
  });

  it('hardly runs at slack water, which is never far', () => {
    fc.assert(
      fc.property(moment, (ms) => {
        const slack = nearestSlack(ms);
        expect(Math.abs(slack - ms)).toBeLessThanOrEqual(4.5 * HOUR);
        expect(simulatedWeather(1)(BAY, new Date(slack)).currentMps).toBeLessThanOrEqual(0.03);
      }),
      { numRuns: 40 },
    );
  });

  it('runs hardly at high water and stays within what a bay has', () => {
    fc.assert(
      fc.property(moment, fc.integer({ min: 0, max: 99 }), (ms, seed) => {
        const w = simulatedWeather(seed)(BAY, new Date(ms));
        expect(w.currentMps).toBeLessThan(0.4);
        expect(simulatedWeather(seed)(BAY, new Date(w.highWaterMs)).currentMps).toBeLessThanOrEqual(0.02);
        expect(w.waterC).toBeGreaterThan(5);
        expect(w.waterC).toBeLessThan(23);
        expect(w.rainMm72h).toBeGreaterThanOrEqual(0);
        expect(w.sunriseMs!).toBeLessThan(w.sunsetMs!);
      }),
      { numRuns: 80 },
    );
  });

  it('is warm in late summer, on the other half of the earth half a year later', () => {
    const water = (lat: number, day: string) => simulatedWeather(1)({ lat, lon: 0 }, new Date(day)).waterC;
    expect(water(40, '2027-08-14T12:00:00Z')).toBeGreaterThan(water(40, '2027-02-14T12:00:00Z') + 8);
    expect(water(-40, '2027-02-14T12:00:00Z')).toBeGreaterThan(water(-40, '2027-08-14T12:00:00Z') + 8);
  });

  it('knows no sunset where there is none', () => {
    expect(simulatedWeather(1)({ lat: 80, lon: 0 }, new Date('2027-06-21T12:00:00Z')).sunsetMs).toBeNull();
  });
});
