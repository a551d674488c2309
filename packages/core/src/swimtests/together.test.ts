import fc from 'fast-check';
import { parseTime } from '../units';
import { APART_S, testOutcome, TOGETHER_M, togetherResult, touchTime } from '.';

describe('a time trial of a whole squad', () => {
  it('has its distances and its gaps', () => {
    expect(TOGETHER_M).toEqual([400, 200]);
    expect(APART_S).toEqual([0, 5, 10]);
  });

  it.each([
    // The fourth left 30 s after the first: 372.3 − 30 = 342.3 s.
    [0, 372_300, 3, 10, '5:42.3'],
    [1000, 353_000, 0, 10, '5:52.0'],
    [1000, 353_000, 7, 0, '5:52.0'],
    [0, 59_960, 0, 0, '1:00.0'],
    [0, 29_000, 3, 10, null],
    [0, 30_000, 3, 10, null],
  ])('started at %d, touched at %d as number %d with %d s between: %s', (start, at, place, apart, time) =>
    expect(touchTime(start, at, place, apart)).toBe(time),
  );

  it('tells what was swum to a tenth, in any order of leaving', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 30 }),
        fc.constantFrom(...APART_S),
        fc.integer({ min: 200, max: 36_000 }),
        (place, apart, tenths) => {
          const time = touchTime(5000, 5000 + place * apart * 1000 + tenths * 100, place, apart);
          expect(Math.round(parseTime(time!)! * 10)).toBe(tenths);
        },
      ),
    );
  });

  it('says what one swimmer’s times say', () => {
    const result = togetherResult({ 400: '5:52', 200: '2:45' });
    const trials = [
      { distanceM: 400, timeS: 352 },
      { distanceM: 200, timeS: 165 },
    ];
    expect(result).toEqual({
      ...{ kind: 'ready', input: { kind: 'critical-speed', trials } },
      outcome: testOutcome({ kind: 'critical-speed', trials }),
    });
    // (400 − 200) m in (352 − 165) s.
    expect(result.kind === 'ready' && result.outcome.value).toBeCloseTo(200 / 187, 6);
  });

  it.each([
    [{}, 'empty', ''],
    [{ 400: '  ' }, 'empty', ''],
    [{ 400: 'six' }, 'refused', '“six” is not a time.'],
    [{ 400: '2:40', 200: '2:45' }, 'refused', ''],
  ])('%j is %s', (times, kind, why) => {
    const result = togetherResult(times);
    expect(result.kind).toBe(kind);
    if (result.kind === 'refused' && why !== '') expect(result.why).toBe(why);
  });
});
