import fc from 'fast-check';
import { feedTimes } from '.';

const minutes = (swimMin: number) => feedTimes(swimMin * 60).map((s) => s / 60);

describe('feeds of a long swim', () => {
  it('begin after three quarters of an hour, come every half hour and leave the end free', () => {
    expect(minutes(90)).toEqual([]);
    expect(minutes(91)).toEqual([45]);
    expect(minutes(95)).toEqual([45, 75]);
    expect(minutes(100)).toEqual([45, 75]);
    expect(minutes(180)).toEqual([45, 75, 105, 135]);
    expect(minutes(190)).toEqual([45, 75, 105, 135, 165]);
  });

  it('never stand in the last twenty minutes, and only in swims over ninety', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 100_000, noNaN: true }), (swimS) => {
        const times = feedTimes(swimS);
        expect(times.length > 0).toBe(swimS > 5400);
        for (const [i, at] of times.entries()) {
          expect(at).toBe(2700 + i * 1800);
          expect(at).toBeLessThanOrEqual(swimS - 1200);
        }
      }),
    );
  });
});
