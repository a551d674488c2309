import fc from 'fast-check';
import { addDays } from '../days';
import {
  asNoted,
  clockWord,
  counted,
  dayWord,
  languageWord,
  listWord,
  longDayWord,
  momentWord,
  monthWord,
  numberWord,
  percent,
  percentMore,
  plural,
  shortDayWord,
  startTimeWord,
  startWord,
  placeMomentWord,
  timesWord,
  weekdayWord,
  zoneNote,
  zoneWord,
} from '.';

describe('numbers', () => {
  it.each<[number, number, string]>([
    [1575, 0, '1,575'],
    [12_345_678, 0, '12,345,678'],
    [0.5, 0, '1'],
    [1.005, 1, '1.0'],
    [-0.5, 2, '−0.50'],
    // Never less than nothing.
    [-0.004, 2, '0.00'],
    [-0, 0, '0'],
  ])('%d with %d decimals is %s', (value, decimals, text) => expect(numberWord(value, decimals)).toBe(text));

  it('shows as many decimals as asked, whatever the number', () => {
    fc.assert(
      fc.property(fc.double({ min: -1e6, max: 1e6, noNaN: true }), fc.integer({ min: 1, max: 4 }), (value, decimals) =>
        expect(numberWord(value, decimals)).toMatch(new RegExp(`^−?\\d{1,3}(,\\d{3})*\\.\\d{${decimals}}$`)),
      ),
    );
  });

  it('are shares as percentages, changes with their sign', () => {
    expect([percent(0.034, 1), percent(1), percent(0.005)]).toEqual(['3.4 %', '100 %', '1 %']);
    expect([asNoted(-5.1), asNoted(0.25)]).toEqual(['−5.1', '0.25']);
    expect([percentMore(0.034, 1), percentMore(-0.034, 1), percentMore(0)]).toEqual(['+3.4 %', '−3.4 %', '+0 %']);
  });
});

it('a language is called by its name', () => {
  expect(['de', 'pl', 'en'].map(languageWord)).toEqual(['German', 'Polish', 'English']);
});

describe('plurals', () => {
  it.each<[number, string]>([
    [0, '0 results'],
    [1, '1 result'],
    [2, '2 results'],
    [21, '21 results'],
    [1200, '1,200 results'],
  ])('%d: %s', (n, text) => expect(counted(n, 'result')).toBe(text));

  it('take the form they are given', () => {
    expect([counted(1, 'try', 'tries'), counted(3, 'try', 'tries')]).toEqual(['1 try', '3 tries']);
    expect([plural(1, 'is', 'are'), plural(0, 'is', 'are')]).toEqual(['is', 'are']);
    expect([1, 2, 3].map(timesWord)).toEqual(['once', 'twice', '3 times']);
  });
});

it('things stand in a row with an and', () => {
  expect([
    listWord([]),
    listWord(['boats']),
    listWord(['boats', 'waves']),
    listWord(['boats', 'the wind', 'waves']),
  ]).toEqual(['', 'boats', 'boats and waves', 'boats, the wind and waves']);
});

it('days and moments', () => {
  expect(dayWord('2026-11-24')).toBe('Tue 24 Nov');
  expect(longDayWord('2026-11-24')).toBe('Tuesday 24 November 2026');
  expect(shortDayWord('2026-02-01')).toBe('1 Feb');
  expect(monthWord('2026-02-01')).toBe('Feb');
  expect([1, 2, 3, 4, 5, 6, 7].map(weekdayWord)).toEqual(['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']);
});

describe('the clock at a place', () => {
  it('shows its own time, whatever the clock of the reader shows', () => {
    expect(momentWord('2026-11-27T23:05:00Z', 'Pacific/Auckland')).toBe('28 Nov 2026, 12:05');
    expect(momentWord('2026-07-01T23:05:00Z', 'Europe/Lisbon')).toBe('2 Jul 2026, 00:05');
    expect(clockWord(Date.parse('2026-11-27T23:05:00Z'), 'America/St_Johns')).toBe('19:35');
    expect(placeMomentWord('2026-11-27T23:05:00Z', 'Europe/Athens')).toBe('28 Nov 2026, 01:05 Athens time');
  });

  it.each([
    ['Europe/Lisbon', 'Lisbon time'],
    ['America/Argentina/Buenos_Aires', 'Buenos Aires time'],
    ['UTC', 'UTC'],
    ['Etc/GMT-12', 'UTC+12'],
    ['Etc/GMT+3', 'UTC−3'],
  ])('%s is %s', (zone, word) => expect(zoneWord(zone)).toBe(word));

  it('is named only to a reader whose clock shows another time then', () => {
    expect(zoneNote('Europe/Athens', '2026-11-27T10:00:00Z', 'Europe/Lisbon')).toBe('Athens time');
    expect(zoneNote('Europe/Athens', '2026-11-27T10:00:00Z', 'Europe/Helsinki')).toBe('');
    // The same clock in winter, another one in summer.
    expect(zoneNote('Europe/London', '2026-01-27T10:00:00Z', 'UTC')).toBe('');
    expect(zoneNote('Europe/London', '2026-07-27T10:00:00Z', 'UTC')).toBe('London time');
  });

  it('tells when a session begins, and whose clock it is where that is not the reader’s', () => {
    const evening = { date: '2026-11-24', startTime: '19:00', timeZone: 'Europe/Athens' };
    expect(startWord(evening, 'Europe/Lisbon')).toBe('Tue 24 Nov 19:00 Athens time');
    expect(startWord(evening, 'Europe/Helsinki')).toBe('Tue 24 Nov 19:00');
    expect(startTimeWord(evening, 'UTC')).toBe('19:00 Athens time');
  });
});

describe('days, written with what was made before', () => {
  const plain = (day: string, options: Intl.DateTimeFormatOptions) =>
    new Date(`${day}T12:00:00`).toLocaleDateString('en-GB', options).replace(',', '');

  it('are those of the calendar where the reader is, on every day', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 80_000 }), (n) => {
        const day = addDays('1930-01-01', n);
        expect(dayWord(day)).toBe(plain(day, { weekday: 'short', day: 'numeric', month: 'short' }));
        expect(shortDayWord(day)).toBe(plain(day, { day: 'numeric', month: 'short' }));
        expect(monthWord(day)).toBe(plain(day, { month: 'short' }));
      }),
    );
  });

  it('say of what is no day that it is none', () => {
    expect(dayWord('31/12')).toBe('Invalid Date');
    expect(momentWord('soon', 'UTC')).toBe('Invalid Date');
    expect(clockWord('soon', 'UTC')).toBe('Invalid Date');
  });

  it('of one zone are not those of another', () => {
    const at = '2026-07-27T10:05:00Z';
    expect(['Europe/Lisbon', 'Asia/Kathmandu', 'Europe/Lisbon'].map((zone) => clockWord(at, zone))).toEqual([
      '11:05',
      '15:50',
      '11:05',
    ]);
    expect(['Etc/GMT-12', 'Etc/GMT+3', 'Etc/GMT-12'].map(zoneWord)).toEqual(['UTC+12', 'UTC\u22123', 'UTC+12']);
  });
});
