import { clashWords, squadClashes, squadWeekWords, type SquadRace } from '.';

// A Sunday.
const CROSSING: SquadRace = { event: 'Quill Crossing', date: '2027-06-20', swimmers: 2 };
const SUNDAYS = [{ weekday: 7, startTime: '07:00' }];
const week = (change: object = {}) => ({ working: 0, tapering: 0, races: [] as SquadRace[], ...change });

describe('the weeks of a squad', () => {
  it('clash where some taper while others work, and only there', () => {
    const clash = { clash: 'taper-and-work', tapering: 2, working: 3 };
    expect(squadClashes(week({ tapering: 2, working: 3 }), [], 5)).toEqual([clash]);
    expect(squadClashes(week({ tapering: 5 }), [], 5)).toEqual([]);
    expect(squadClashes(week({ working: 5 }), [], 5)).toEqual([]);
    expect(squadClashes(week({ tapering: 2, working: 3 }), [], 5).map(clashWords)).toEqual([
      'Some rest while others work: two groups in the session, the shorter one for those who race.',
    ]);
  });

  it('clash where a race is on a day of the squad’s water and not everyone races', () => {
    const clash = { clash: 'race-on-pool-day', race: CROSSING, startTime: '07:00', of: 6 };
    expect(squadClashes(week({ races: [CROSSING] }), SUNDAYS, 6)).toEqual([clash]);
    expect(squadClashes(week({ races: [CROSSING] }), [{ weekday: 6, startTime: '07:00' }], 6)).toEqual([]);
    expect(squadClashes(week({ races: [CROSSING] }), SUNDAYS, 2)).toEqual([]);
    expect(squadClashes(week({ races: [CROSSING], tapering: 2, working: 4 }), SUNDAYS, 6).map((c) => c.clash)).toEqual([
      'race-on-pool-day',
      'taper-and-work',
    ]);
    expect(clashWords({ clash: 'race-on-pool-day', race: CROSSING, startTime: '07:00', of: 6 })).toBe(
      'Quill Crossing is on Sun 20 Jun: 2 of 6 are missing at 07:00.',
    );
  });

  it('are said in a few words', () => {
    const words = { monday: '2027-06-14', swimmers: 6 };
    expect(squadWeekWords({ ...words, working: 3, lighter: 1, tapering: 2, races: [CROSSING] })).toBe(
      '3 work, 1 lighter, 2 taper; Quill Crossing (2 swimmers)',
    );
    expect(squadWeekWords({ ...words, working: 1, lighter: 0, tapering: 1, races: [] })).toBe('1 works, 1 tapers');
    expect(squadWeekWords({ ...words, working: 0, lighter: 0, tapering: 0, races: [] })).toBe('no plans');
  });
});
