import { CAUSE_IDS } from '../review';
import { dueSoon, GROWTH, growthAround, needsFrom, READY_DAYS, weeklyLoads, type ReadyItem } from '.';

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
