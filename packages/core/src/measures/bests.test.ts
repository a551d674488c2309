import fc from 'fast-check';
import { bestsOf, type ResultKind } from '.';

const swim = (on: string, distanceM: number, timeS: number, kind: ResultKind = 'trial') => ({
  on,
  distanceM,
  timeS,
  kind,
});

describe('the bests of a swimmer', () => {
  it('are by distance and place, with the day, the gain and the year', () => {
    const swims = [
      swim('2024-05-01', 400, 340),
      swim('2025-02-01', 400, 352.5),
      swim('2026-10-19', 400, 349.1),
      swim('2026-11-02', 400, 351),
      swim('2026-11-03', 400, 380, 'track'),
      swim('2026-01-10', 100, 75),
      swim('2026-02-10', 100, 73.5),
      swim('2026-03-10', 100, 73.5),
    ];
    expect(bestsOf(swims, '2026-11-29')).toEqual([
      {
        ...{
          distanceM: 100,
          place: 'pool',
          pool: null,
          timeS: 73.5,
          on: '2026-02-10',
          gainS: 1.5,
          swims: 3,
          details: {},
        },
        year: { timeS: 73.5, on: '2026-02-10' },
      },
      {
        ...{
          distanceM: 400,
          place: 'pool',
          pool: null,
          timeS: 340,
          on: '2024-05-01',
          gainS: null,
          swims: 4,
          details: {},
        },
        year: { timeS: 349.1, on: '2026-10-19' },
      },
      {
        ...{
          distanceM: 400,
          place: 'outside',
          pool: null,
          timeS: 380,
          on: '2026-11-03',
          gainS: null,
          swims: 1,
          details: {},
        },
        year: { timeS: 380, on: '2026-11-03' },
      },
    ]);
  });

  it.each([
    // A day more than a year ago, and a day less.
    ['2025-11-29', null],
    ['2025-11-30', 80],
    ['2026-11-29', 80],
    // What stands in the future is nobody's year.
    ['2026-11-30', null],
  ])('of %s in the year to 29 November 2026: %p', (on, timeS) => {
    const [best] = bestsOf([swim(on, 100, 80)], '2026-11-29');
    expect(best!.year?.timeS ?? null).toBe(timeS);
    expect(best!.timeS).toBe(80);
  });

  it('are never slower than anything swum, and gains are real', () => {
    const any = fc.record({
      on: fc
        .integer({ min: 0, max: 900 })
        .map((n) => new Date(Date.UTC(2025, 0, 1) + n * 86_400_000).toISOString().slice(0, 10)),
      distanceM: fc.constantFrom(50, 100, 400),
      timeS: fc.integer({ min: 300, max: 900 }).map((n) => n / 10),
      kind: fc.constantFrom<ResultKind>('trial', 'training', 'track'),
    });
    fc.assert(
      fc.property(fc.array(any, { maxLength: 30 }), (swims) => {
        const bests = bestsOf(swims, '2026-11-29');
        expect(bests.reduce((sum, b) => sum + b.swims, 0)).toBe(swims.length);
        for (const b of bests) {
          const same = swims.filter(
            (s) => s.distanceM === b.distanceM && (s.kind === 'track') === (b.place === 'outside'),
          );
          expect(b.timeS).toBe(Math.min(...same.map((s) => s.timeS)));
          expect(same.some((s) => s.on === b.on && s.timeS === b.timeS)).toBe(true);
          if (b.gainS !== null) expect(b.gainS).toBeGreaterThan(0);
          if (b.year) expect(b.year.timeS).toBeGreaterThanOrEqual(b.timeS);
        }
      }),
    );
    expect(bestsOf([], '2026-11-29')).toEqual([]);
  });
});
