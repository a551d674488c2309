import { CAUSE_IDS } from '../review';
import {
  dueSoon,
  extraShare,
  GROWTH,
  growthAround,
  needsFrom,
  PAST_WEEKS,
  READY_DAYS,
  TRIAL_DAYS,
  trainingWeek,
  waterWeek,
  WEEK_RANGE,
  weeklyLoads,
  type ReadyItem,
} from '.';

describe('the usual week, written a second time', () => {
  it('is as the coach says, else as the squad has water, else two sessions of an hour', () => {
    const squad = { week: { sessions: 3, minutes: 75 } };
    expect(trainingWeek({ sessionsPerWeek: 4, minutesPerSession: 50 }, squad)).toEqual({
      sessionsPerWeek: 4,
      minutesPerSession: 50,
    });
    expect(trainingWeek({}, squad)).toEqual({ sessionsPerWeek: 3, minutesPerSession: 75 });
    expect(trainingWeek({}, { week: null })).toEqual({ sessionsPerWeek: 2, minutesPerSession: 60 });
    expect(WEEK_RANGE).toEqual({ sessionsPerWeek: [1, 14], minutesPerSession: [10, 240] });
  });

  it('of a squad is the mean of its hours', () => {
    expect(waterWeek([{ minutes: 60 }, { minutes: 90 }])).toEqual({ sessions: 2, minutes: 75 });
    expect(waterWeek([])).toBeNull();
  });

  it('a track says how much further than the course, between none and twice', () => {
    expect(extraShare(1650, 1500)).toBeCloseTo(0.1, 10);
    expect(extraShare(1400, 1500)).toBe(0);
    expect(extraShare(4000, 1500)).toBe(1);
    expect([TRIAL_DAYS, PAST_WEEKS]).toEqual([180, 26]);
  });
});

describe('what is known of a swimmer', () => {
  it('needs the focus first, then what was likely, four at most', () => {
    const ranking = CAUSE_IDS.slice(0, 6).map((cause, i) => ({ cause, probability: 0.9 - i * 0.12 }));
    expect(needsFrom('spins', ranking)).toEqual(['spins', ...CAUSE_IDS.slice(0, 3)]);
    expect(needsFrom(CAUSE_IDS[0]!, ranking)).toEqual(CAUSE_IDS.slice(0, 4));
    expect(needsFrom(null, [{ cause: 'spins', probability: 0.29 }])).toEqual([]);
  });
  it('counts a week without any session as nothing swum, and none before the first', () => {
    const weeks = [
      { monday: '2027-01-18', load: 300 },
      { monday: '2027-01-04', load: 100 },
    ];
    expect(weeklyLoads(weeks, '2027-02-01')).toEqual([100, 0, 300, 0]);
    expect(weeklyLoads([], '2027-02-01')).toEqual([]);
    expect(weeklyLoads(weeks, '2027-01-04')).toEqual([]);
  });
  it('grows around a middle as far as the usual guesses', () => {
    for (const { low, high } of Object.values(GROWTH)) {
      const around = growthAround((low + high) / 2);
      expect(around.low).toBeCloseTo(low, 12);
      expect(around.high).toBeCloseTo(high, 12);
    }
  });
  it('tells what is late or due within a week', () => {
    const item = (state: ReadyItem['state'], by: string): ReadyItem => ({
      id: 'card',
      text: '',
      state,
      by,
      late: false,
    });
    const items = [item('missing', '2027-01-01'), item('unknown', '2027-01-13'), item('missing', '2027-01-14')];
    expect(dueSoon([...items, item('done', '2027-01-01')], '2027-01-06')).toEqual(items.slice(0, 2));
    expect(READY_DAYS).toBe(35);
  });
});
