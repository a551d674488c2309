import fc from 'fast-check';
import { meetSwim, swimWorth, type Meet, type ResultLine, type SwimDetails } from '.';

const SHORT = { length: 25, unit: 'm' } as const;
const MEET: Meet = { name: ' Lantern Cup ', on: '2026-11-28', pool: SHORT };
const entry = (time: string, splits = '', distanceM = 400) => ({ swimmerId: 'a', distanceM, time, splits });

describe('a swim of a meet', () => {
  it('is a result with all that was written', () => {
    expect(meetSwim(MEET, entry('5:52', '1:24 1:29 1:30 1:29'))).toEqual({
      kind: 'ready',
      result: {
        ...{ swimmerId: 'a', on: '2026-11-28', distanceM: 400, timeS: 352, strokesPerLength: null, kind: 'trial' },
        details: { pool: SHORT, splitsS: [84, 173, 263], meet: 'Lantern Cup' },
      },
    });
    const bare = meetSwim({ name: '', on: '2026-11-28', pool: null }, entry('5:52,3'));
    expect(bare).toMatchObject({ kind: 'ready', result: { timeS: 352.3, details: {} } });
  });

  it.each([
    [entry(''), 'empty', ''],
    [entry(' ', ' '), 'empty', ''],
    [entry('', '1:24'), 'refused', 'without a time'],
    [entry('soon'), 'refused', 'A time like'],
    [entry('0'), 'refused', 'A time like'],
    [entry('1:00'), 'refused', 'faster than anybody'],
    [entry('5:52', 'x'), 'refused', 'Splits are times'],
    [entry('5:52', '2:00 1:00'), 'refused', 'each is later'],
    [entry('5:52', '1:10 2:20 3:30 4:40'), 'refused', 'no wall'],
  ])('%j is %s', (written, kind, why) => {
    const swim = meetSwim(MEET, written);
    expect(swim.kind).toBe(kind);
    if (swim.kind === 'refused') expect(swim.why).toContain(why);
  });

  it('never fails, whatever is typed', () => {
    fc.assert(
      fc.property(fc.string(), fc.string(), (time, splits) => {
        const swim = meetSwim(MEET, entry(time, splits));
        expect(['empty', 'refused', 'ready']).toContain(swim.kind);
      }),
    );
  });
});

describe('what it is worth', () => {
  const swim = (timeS: number, on: string, details: SwimDetails = { pool: SHORT }): ResultLine => ({
    ...{ swimmerId: 'a', on, distanceM: 400, timeS, strokesPerLength: null, kind: 'trial', details },
  });
  const squad = { name: 'Race squad', distanceM: 400, pool: null, timeS: 345 };
  const team = { name: 'Team', distanceM: 400, pool: { length: 50, unit: 'm' } as const, timeS: 345 };
  const before = [swim(350, '2026-10-01'), swim(346.2, '2026-11-01'), swim(349, '2026-11-02', {})];

  it.each([
    [swim(344.9, '2026-11-28'), 1.3, ['Race squad']],
    [swim(345, '2026-11-28'), 1.2, ['Race squad']],
    [swim(347, '2026-11-28'), -0.8, []],
    // Another pool: no best there yet, and a standard of its own.
    [swim(344, '2026-11-28', { pool: { length: 50, unit: 'm' } }), null, ['Race squad', 'Team']],
    [swim(348.5, '2026-11-28', {}), 0.5, []],
    [{ ...swim(300, '2026-11-28', {}), kind: 'track' as const }, null, []],
  ])('%j', (now, gainS, reached) => {
    const worth = swimWorth(now, before, [squad, team], '2026-11-29');
    expect([worth.gainS, worth.reached.map(({ name }) => name)]).toEqual([gainS, reached]);
  });

  it('is reached once', () => {
    const again = [...before, swim(344, '2026-11-20')];
    expect(swimWorth(swim(343, '2026-11-28'), again, [squad], '2026-11-29')).toEqual({ gainS: 1, reached: [] });
    expect(swimWorth(swim(343, '2026-11-28'), [], [squad], '2026-11-29')).toEqual({ gainS: null, reached: [squad] });
  });
});
