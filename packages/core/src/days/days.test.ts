import fc from 'fast-check';
import { addDays, DAY_MS, daysBetween, dayMs, isoOf, weekdayOf, weekOf } from '.';

describe('calendar days', () => {
  it('are counted over months, leap days and years', () => {
    expect(DAY_MS).toBe(24 * 60 * 60 * 1000);
    expect(addDays('2028-02-28', 1)).toBe('2028-02-29');
    expect(addDays('2027-02-28', 1)).toBe('2027-03-01');
    expect(addDays('2027-01-01', -1)).toBe('2026-12-31');
    expect(daysBetween('2026-12-31', '2028-01-01')).toBe(366);
    expect(daysBetween('2027-03-01', '2027-02-27')).toBe(-2);
  });

  it('know their weekday and their week, which begins on a Monday', () => {
    expect(weekdayOf('2027-01-04')).toBe(1);
    expect(weekdayOf('2027-01-10')).toBe(7);
    expect(weekOf('2027-01-04')).toBe('2027-01-04');
    expect(weekOf('2027-01-10')).toBe('2027-01-04');
    expect(weekOf('2027-01-11')).toBe('2027-01-11');
  });

  it('come back from wherever they are moved to', () => {
    const day = fc.integer({ min: dayMs('1950-01-01') / DAY_MS, max: dayMs('2100-01-01') / DAY_MS });
    fc.assert(
      fc.property(day, fc.integer({ min: -4000, max: 4000 }), (n, by) => {
        const from = isoOf(n * DAY_MS);
        expect(addDays(addDays(from, by), -by)).toBe(from);
        expect(daysBetween(from, addDays(from, by))).toBe(by);
        expect(daysBetween(weekOf(from), from)).toBe(weekdayOf(from) - 1);
      }),
    );
  });
});
