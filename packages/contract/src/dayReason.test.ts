import { CHECK_IDS, decideDay, NEW_GROUP, type DayReadings } from '@upwell/core/water';
import { check } from './common';
import { dayReasonSchema } from './water';

describe('a reason at the door of an archive', () => {
  const refused = (reason: unknown) => check(dayReasonSchema, reason).error !== undefined;
  it.each([
    ['a check that there is not', { id: 'moon', of: {} }],
    ['a check without what it knows', { id: 'wind', of: {} }],
    ['a check with more than it knows', { id: 'fog', of: { windMps: 1 } }],
    ['a number that is none', { id: 'rain', of: { rainMm: 'much' } }],
    ['a number beyond all numbers', { id: 'rain', of: { rainMm: 1e300 } }],
    ['a reading that there is not', { missing: '__proto__' }],
    ['readings that there are not', { id: 'unknown', of: { readings: ['constructor'] } }],
    ['both at once', { id: 'fog', of: {}, missing: 'airC' }],
    ['nothing', {}],
    ['a sentence without an end', 'x'.repeat(501)],
  ])('is not %s', (_, reason) => expect(refused(reason)).toBe(true));

  it.each([
    { id: 'fog', of: {} },
    { id: 'numbers', of: { wrong: 'nobody' } },
    { id: 'numbers', of: { wrong: 'named', count: 3, swimmers: 2 } },
    { missing: 'airC' },
    { said: 'The lake was closed.' },
    'Fog: the farthest head cannot be seen.',
  ])('may be %j', (reason) => expect(refused(reason)).toBe(false));
});

describe('reasons of today', () => {
  /** The worst day there is: nearly everything stops it. */
  const worst: DayReadings = {
    ...{ waterC: 4, airC: -9, windMps: 14, windFromDeg: 180, offshoreDeg: 0, currentMps: 1.4, currentToDeg: 180 },
    ...{ waveHeightM: 2.5, rainMm72h: 60, visibility: 'fog', lightning: true, sewage: true, fouled: null },
    ...{ traffic: 'through', wildlife: true, walked: false, lightLeftMin: -20, depthM: 0.2 },
  };
  const group = { ...NEW_GROUP, swimmers: 9, children: 2, settle: 1, firstTimers: 1, watching: 1, wetsuits: false };

  it.each([null, 30, 492])('pass the door as they are made, with the farthest mark %p m out', (farthestM) => {
    const { checks } = decideDay(worst, group, farthestM);
    expect(checks.length).toBeGreaterThan(18);
    for (const { id, of } of checks) {
      expect(CHECK_IDS).toContain(id);
      expect([id, check(dayReasonSchema, { id, of }).error?.details ?? []]).toEqual([id, []]);
      // With a number left out, or one more than it knows, it is another thing.
      for (const fact of Object.keys(of)) {
        const { [fact]: _left, ...rest } = of as Readonly<Record<string, unknown>>;
        expect([id, fact, check(dayReasonSchema, { id, of: rest }).error === undefined]).toEqual([id, fact, false]);
      }
      expect(check(dayReasonSchema, { id, of: { ...of, more: 1 } }).error).toBeDefined();
    }
  });
});
