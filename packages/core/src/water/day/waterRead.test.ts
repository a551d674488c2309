import fc from 'fast-check';
import { contradictionsIn, legWater, mergeRead, takenOver, valuesOf, waterHour, type Noted } from '..';

const entry = <T>(value: fc.Arbitrary<T>) => fc.record({ value, atMs: fc.integer({ min: 0, max: 5 }) });
const number = fc.option(fc.integer({ min: 0, max: 3 }), { nil: null });
const anyNoted = fc.record(
  {
    waterC: entry(number),
    waveHeightM: entry(number),
    lightning: entry(fc.option(fc.boolean(), { nil: null })),
    visibility: entry(fc.constantFrom('clear', 'hazy', 'fog', null)),
  },
  { requiredKeys: [] },
) as fc.Arbitrary<Noted>;

const FORECAST = { waveHeightM: 0.2, windFromDeg: 180, currentMps: 0.1, currentToDeg: 70 };
const at = (value: never, atMs = 1000) => ({ value, atMs });

describe('one water', () => {
  it('is the same in whatever order, and however often, the devices tell of it', () => {
    fc.assert(
      fc.property(anyNoted, anyNoted, anyNoted, (a, b, c) => {
        const once = mergeRead(mergeRead(a, b), c);
        expect(mergeRead(a, mergeRead(b, c))).toEqual(once);
        expect(mergeRead(mergeRead(c, a), b)).toEqual(once);
        expect(mergeRead(once, b)).toEqual(once);
      }),
    );
  });

  it('holds the later reading, also where it takes one back', () => {
    const first: Noted = { waterC: { value: 14, atMs: 1 }, walked: { value: true, atMs: 1 } };
    const second: Noted = { waterC: { value: null, atMs: 2 } };
    expect(mergeRead(second, first)).toEqual({ waterC: { value: null, atMs: 2 }, walked: { value: true, atMs: 1 } });
    expect(valuesOf(mergeRead(first, second))).toEqual({ walked: true });
  });

  it('is taken over to another hour without lightning and visibility, which are looked for each time', () => {
    const read = <T>(value: T) => ({ value, atMs: 7 });
    const still: Noted = { waveHeightM: read(0.9), walked: read(true), sewage: read(false) };
    expect(takenOver({ ...still, lightning: read(false), visibility: read('clear' as const) })).toEqual(still);
  });

  it('belongs to an hour of the day', () => {
    expect([0, 10.75, 23.75, 24, -1].map(waterHour)).toEqual([0, 10, 23, 23, 0]);
  });
});

describe('the water of a leg', () => {
  it('is what was read, else the forecast, else a guess; each number says which', () => {
    const noted: Noted = { waveHeightM: at(0.9 as never), visibility: at('hazy' as never, 2000) };
    const { water, from } = legWater(noted, FORECAST);
    expect(water).toEqual({
      ...{ waveHeightM: 0.9, waveFromDeg: 180, currentMps: 0.1, currentToDeg: 70, hazy: true, cloudy: false },
    });
    expect(from).toEqual({
      waveHeightM: { kind: 'read', atMs: 1000 },
      waveFromDeg: { kind: 'guess' },
      currentMps: { kind: 'forecast' },
      currentToDeg: { kind: 'forecast' },
      hazy: { kind: 'read', atMs: 2000 },
      cloudy: { kind: 'guess' },
    });
  });

  it('has waves from where the wind was read, and forgets what was taken back', () => {
    expect(legWater({ windFromDeg: at(90 as never) }, FORECAST).water.waveFromDeg).toBe(90);
    expect(legWater({ windFromDeg: at(90 as never), waveFromDeg: at(45 as never) }, FORECAST).water.waveFromDeg).toBe(
      45,
    );
    expect(legWater({ waveHeightM: at(null as never) }, FORECAST)).toMatchObject({
      water: { waveHeightM: 0.2 },
      from: { waveHeightM: { kind: 'forecast' } },
    });
  });

  it('can be tried by hand over everything, and 0 is a number', () => {
    const { water, from } = legWater({ waveHeightM: at(0.9 as never) }, FORECAST, { waveHeightM: 0, cloudy: true });
    expect([water.waveHeightM, from.waveHeightM.kind, water.cloudy, from.cloudy.kind]).toEqual([
      ...[0, 'tried', true, 'tried'],
    ]);
  });
});

describe('readings that do not go together', () => {
  const said = (read: Record<string, unknown>) =>
    contradictionsIn(Object.fromEntries(Object.entries(read).map(([f, value]) => [f, { value, atMs: 1 }])) as Noted);

  it.each([
    [{ waveHeightM: 0.9, windMps: 0 }, /^Waves of 0.9 m and no wind/],
    [{ visibility: 'fog', windMps: 9 }, /^Fog and 9/],
    [{ waterC: 30, airC: 5 }, /mistyped/],
    [{ visibility: 'fog', cloudy: false }, /haze/],
  ])('are named: %j', (read, words) => expect(said(read)).toEqual([expect.stringMatching(words)]));

  it.each([
    [{}],
    [{ waveHeightM: 0.9 }],
    [{ waveHeightM: 0.4, windMps: 0 }],
    [{ waveHeightM: 0.9, windMps: 5 }],
    [{ visibility: 'fog', windMps: 2 }],
    [{ waterC: 8, airC: 24 }],
    [{ waveHeightM: 0.9, windMps: null }],
  ])('are not suspected in %j', (read) => expect(said(read)).toEqual([]));
});
