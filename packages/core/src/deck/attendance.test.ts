import fc from 'fast-check';
import { attendanceOf, MISSED_TO_ASK, type Attended } from '.';

const at = (on: string, as: Attended['as'] = 'in') => ({ on, as });

describe('attendance over a season', () => {
  it('is counted month by month, by hand', () => {
    const season = attendanceOf(
      [
        ...[at('2026-11-24', 'absent'), at('2026-11-17', 'absent'), at('2026-11-10', 'absent'), at('2026-11-03')],
        ...[at('2026-09-29', 'out'), at('2026-09-22', 'absent')],
        // A year ago, and tomorrow: not of this season.
        ...[at('2025-11-30'), at('2026-11-30')],
      ],
      '2026-11-29',
    );
    expect(season).toEqual({
      months: [
        { month: '2026-09-01', there: 1, counted: 2 },
        { month: '2026-10-01', there: 0, counted: 0 },
        { month: '2026-11-01', there: 1, counted: 4 },
      ],
      ...{ there: 2, counted: 6, missed: 3 },
    });
    expect(season.missed).toBe(MISSED_TO_ASK);
  });

  it('goes back over the turn of the year', () => {
    expect(attendanceOf([at('2026-02-01')], '2027-01-15').months.map(({ month }) => month)).toEqual([
      ...['2026-02-01', '2026-03-01', '2026-04-01', '2026-05-01', '2026-06-01', '2026-07-01', '2026-08-01'],
      ...['2026-09-01', '2026-10-01', '2026-11-01', '2026-12-01', '2027-01-01'],
    ]);
    expect(attendanceOf([at('2026-01-31')], '2027-01-15').months).toEqual([]);
  });

  it('loses and doubles nothing', () => {
    const some = fc.array(
      fc.record({
        on: fc
          .integer({ min: 0, max: 700 })
          .map((n) => new Date(Date.UTC(2025, 0, 1) + n * 86_400_000).toISOString().slice(0, 10)),
        as: fc.constantFrom<Attended['as']>('in', 'out', 'absent'),
      }),
    );
    fc.assert(
      fc.property(some, (attended) => {
        const { months, there, counted, missed } = attendanceOf(attended, '2026-11-29');
        expect(months.reduce((sum, m) => sum + m.counted, 0)).toBe(counted);
        expect(months.reduce((sum, m) => sum + m.there, 0)).toBe(there);
        expect(there + missed).toBeLessThanOrEqual(counted);
        expect(months.length).toBeLessThanOrEqual(12);
      }),
    );
    expect(attendanceOf([], '2026-11-29')).toEqual({ months: [], there: 0, counted: 0, missed: 0 });
  });
});
