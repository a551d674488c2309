import fc from 'fast-check';
import {
  addDays,
  DAY_MS,
  dayIn,
  daysBetween,
  dayMs,
  isoOf,
  momentIn,
  momentOf,
  timeIn,
  weekdayOf,
  weekOf,
  yearEverywhere,
  yearIn,
  zoneNamed,
} from '.';
import { zoneAt } from './place';

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

describe('the clock at a place', () => {
  const evening = '2026-07-10T21:30:00Z';

  it.each([
    ['Europe/Lisbon', '2026-07-10', '22:30'],
    ['Europe/Athens', '2026-07-11', '00:30'],
    ['Pacific/Auckland', '2026-07-11', '09:30'],
    ['America/Los_Angeles', '2026-07-10', '14:30'],
    ['Asia/Kathmandu', '2026-07-11', '03:15'],
    ['UTC', '2026-07-10', '21:30'],
  ])('in %s it is %s, %s', (zone, day, time) => {
    expect([dayIn(zone, evening), timeIn(zone, Date.parse(evening))]).toEqual([day, time]);
    expect(momentIn(zone, day, time)).toBe(Date.parse(evening));
  });

  it('turns into another year when the place does', () => {
    expect(yearIn('Pacific/Auckland', '2026-12-31T18:00:00Z')).toBe(2027);
    expect(yearIn('America/Los_Angeles', '2027-01-01T05:00:00Z')).toBe(2026);
    // The last place turns twelve hours behind Greenwich; so does the zone that is furthest behind.
    for (const at of [
      '2027-01-01T11:59:59.999Z',
      '2027-01-01T12:00:00Z',
      '2027-12-31T23:59:59Z',
      '2028-01-01T00:00:00Z',
    ])
      expect(yearEverywhere(Date.parse(at))).toBe(yearIn('Etc/GMT+12', at));
  });

  it('leaves an hour out in spring and shows one twice in autumn', () => {
    // Clocks in Lisbon go from 1:00 to 2:00 on 28 March 2027, and from 2:00 to 1:00 on 31 October.
    expect(timeIn('Europe/Lisbon', momentIn('Europe/Lisbon', '2027-03-28', '01:30'))).toBe('02:30');
    expect(new Date(momentIn('Europe/Lisbon', '2027-10-31', '01:30')).toISOString()).toBe('2027-10-31T01:30:00.000Z');
    expect(new Date(momentIn('Europe/Lisbon', '2027-10-31', '00:30')).toISOString()).toBe('2027-10-30T23:30:00.000Z');
  });

  it('comes back from any moment in any zone, to the minute', () => {
    const zone = fc.constantFrom('Europe/Lisbon', 'Pacific/Auckland', 'America/St_Johns', 'Australia/Lord_Howe', 'UTC');
    const minute = fc.integer({ min: dayMs('1980-01-01') / 60_000, max: dayMs('2060-01-01') / 60_000 });
    fc.assert(
      fc.property(zone, minute, (place, at) => {
        const ms = at * 60_000;
        const [day, time] = [dayIn(place, ms), timeIn(place, ms)];
        const again = momentIn(place, day, time);
        expect([dayIn(place, again), timeIn(place, again)]).toEqual([day, time]);
        // The hour that is shown twice.
        expect(Math.abs(again - ms)).toBeLessThanOrEqual(3_600_000);
      }),
    );
  });

  it('is asked where a text does not say its zone', () => {
    expect(momentOf('2026-07-10T21:15', 'Europe/Athens')).toBe(Date.parse('2026-07-10T18:15:00Z'));
    expect(momentOf(' 2026-07-10 21:15:30.25 ', 'UTC')).toBe(Date.parse('2026-07-10T21:15:30.250Z'));
    expect(momentOf('2026-07-10T21:15:00+05:45', 'Europe/Athens')).toBe(Date.parse('2026-07-10T15:30:00Z'));
    for (const none of ['', 'yesterday', '2026-13-45T10:00', '21:15']) expect(momentOf(none, 'UTC')).toBeNaN();
  });

  it.each([
    ['europe/lisbon', 'Europe/Lisbon'],
    ['Pacific/Auckland', 'Pacific/Auckland'],
    ['UTC', 'UTC'],
    ['Mars/Olympus', null],
    ['+02:00', null],
    ['', null],
    ['Europe/Lisbon ', null],
  ])('%j is the zone %j', (name, zone) => expect(zoneNamed(name)).toBe(zone));

  it.each<[number, number, string]>([
    [38.7, -9.4, 'Europe/Lisbon'],
    [-36.8, 174.8, 'Pacific/Auckland'],
    [37.9, 23.7, 'Europe/Athens'],
    [40, -40, 'Etc/GMT+3'],
    [-90, 0, 'Antarctica/McMurdo'],
  ])('at %d, %d it is the one of %s', (lat, lon, zone) => {
    expect(zoneAt({ lat, lon })).toBe(zone);
    expect(zoneNamed(zone)).not.toBeNull();
  });

  it('is nowhere beyond the poles', () => expect(() => zoneAt({ lat: 91, lon: 0 })).toThrow('invalid coordinates'));

  it('anywhere on the Earth has a zone that clocks know', () => {
    const at = fc.record({
      lat: fc.double({ min: -90, max: 90, noNaN: true }),
      lon: fc.double({ min: -180, max: 180, noNaN: true }),
    });
    fc.assert(fc.property(at, (spot) => zoneNamed(zoneAt(spot)) !== null));
  });
});
