import fc from 'fast-check';
import { fullestWeekM, longestSwimM, longSwims, raceForSwimM, raceForWeekM, returnShares, standing } from '.';

describe('what a distance asks of the weeks', () => {
  it('is two and a half times the race up to 3 km, 20 km for 10, 37.5 km for 25, never over 60', () => {
    // By hand: 400 m → 1 km; 5 km lies two sevenths of the way from 3 to 10 km: 7.5 + 12.5 × 2/7.
    expect(fullestWeekM(400)).toBeCloseTo(1000, 9);
    expect(fullestWeekM(3000)).toBeCloseTo(7500, 9);
    expect(fullestWeekM(5000)).toBeCloseTo(7500 + (12_500 * 2) / 7, 6);
    expect(fullestWeekM(10_000)).toBeCloseTo(20_000, 9);
    expect(fullestWeekM(25_000)).toBeCloseTo(37_500, 9);
    // Beyond on the same line, 17.5 km for 15 km: 30 km → 43.3 km; 100 km would be 125 km.
    expect(fullestWeekM(30_000)).toBeCloseTo(37_500 + (17_500 * 5) / 15, 6);
    expect(fullestWeekM(100_000)).toBe(60_000);
  });

  it('has a longest swim of the race itself up to 3 km, 7 km for 10, 15 km for 25, never over seven hours', () => {
    expect(longestSwimM(1500, 1)).toBeCloseTo(1500, 9);
    expect(longestSwimM(3000, 1)).toBeCloseTo(3000, 9);
    expect(longestSwimM(10_000, 1)).toBeCloseTo(7000, 9);
    expect(longestSwimM(25_000, 1)).toBeCloseTo(15_000, 9);
    // Seven hours at 0.5 m/s are 12.6 km.
    expect(longestSwimM(25_000, 0.5)).toBeCloseTo(12_600, 9);
  });

  it('is read backwards too', () => {
    fc.assert(
      fc.property(fc.double({ min: 100, max: 40_000, noNaN: true }), (raceM) => {
        expect(raceForWeekM(fullestWeekM(raceM))).toBeCloseTo(raceM, 4);
        expect(raceForSwimM(longestSwimM(raceM, 9))).toBeCloseTo(raceM, 4);
      }),
    );
  });

  it('steps by a fifth every second week, in whole hundreds, and never in a week of rest', () => {
    const race = { distanceM: 10_000, longestM: 3000, speedMps: 1.2, outside: true };
    // 3,000 × 1.2 = 3,600; 4,320; 5,184; 6,220.8; then 7,000.
    expect(longSwims(race, Array<boolean>(11).fill(true))).toEqual([
      ...[3600, null, 4300, null, 5100, null, 6200, null, 7000, null, 7000],
    ]);
    expect(longSwims(race, [false, true, true, false, true])).toEqual([null, 3600, null, null, 4300]);
    expect(longSwims({ ...race, mostM: 4000 }, [true, true, true])).toEqual([3600, null, 4000]);
    // Who has swum farther swims what the race asks; short races have no long swim of their own.
    expect(longSwims({ ...race, longestM: 12_000 }, [true])).toEqual([7000]);
    expect(longSwims({ ...race, distanceM: 1499 }, [true])).toEqual([null]);
  });
});

describe('the way back after weeks away', () => {
  it('is the one that is written', () => {
    expect(returnShares(0)).toEqual([]);
    expect(returnShares(1)).toEqual([0.7, 1]);
    expect(returnShares(2).map((s) => Math.round(s * 100))).toEqual([50, 67, 83, 100]);
    for (const away of [3, 5, 8])
      expect(returnShares(away).map((s) => Math.round(s * 100))).toEqual([50, 60, 72, 86, 100]);
    for (const away of [9, 30])
      expect(returnShares(away).map((s) => Math.round(s * 100))).toEqual([25, 30, 36, 43, 52, 62, 75, 90, 100]);
  });

  const weeks = (...loads: number[]) => loads.map((load) => ({ load }));
  const of = (past: Parameters<typeof standing>[0]) => {
    const { baseline, share } = standing(past, 1000);
    return [Math.round(baseline), share === null ? null : Math.round(share * 100)];
  };

  it('begins from the last four swum, normal weeks, which neither lighter weeks nor weeks away lower', () => {
    expect(of([])).toEqual([1000, null]);
    // Two weeks on record: the level's usual week stands for the other two.
    expect(of(weeks(600, 600))).toEqual([800, null]);
    expect(of(weeks(9, 800, 900, 1000, 1100))).toEqual([950, null]);
    expect(of(weeks(1000, 1000, 1000, 1000, 700, 1000))).toEqual([1000, null]);
    expect(
      of([...weeks(1000, 1000, 1000, 1000), { load: 800, kind: 'recovery' }, { load: 900, kind: 'taper' }]),
    ).toEqual([1000, null]);
    expect(of(weeks(1000, 1000, 1000, 1000, 0))).toEqual([1000, 70]);
    expect(of(weeks(1000, 1000, 1000, 1000, 0, 0))).toEqual([1000, 50]);
    expect(of(weeks(1000, 1000, 1000, 1000, ...Array<number>(9).fill(0)))).toEqual([1000, 25]);
    // Four lighter weeks in a row that nobody planned are what is swum now.
    expect(of(weeks(1000, 1000, 1000, 1000, 500, 500, 500))).toEqual([1000, null]);
    expect(of(weeks(1000, 1000, 1000, 1000, 500, 500, 500, 500))).toEqual([500, null]);
  });

  it('goes on with every working week; a lighter one puts it off, and being away again never shortens it', () => {
    const before = weeks(1000, 1000, 1000, 1000);
    expect(of([...before, ...weeks(0, 700)])).toEqual([1000, 100]);
    expect(of([...before, ...weeks(0, 700, 1000)])).toEqual([1000, null]);
    expect(of([...before, ...weeks(0, 0, 500), { load: 350, kind: 'recovery' }])).toEqual([1000, 67]);
    expect(of([...before, ...weeks(0, 0, 500, 667, 833)])).toEqual([1000, 100]);
    // Three to come, then a week away: three, not two.
    expect(of([...before, ...weeks(0, 0, 500, 0)])).toEqual([1000, 67]);
    expect(of([...before, ...weeks(0, 0, 500, 667, 833, 0)])).toEqual([1000, 70]);
    // All records are of weeks away: the longest way, from the level's usual week.
    expect(of(weeks(0, 0))).toEqual([1000, 25]);
  });
});
