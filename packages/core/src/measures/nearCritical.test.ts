import { criticalSpeed, isNearCritical, NEAR_CRITICAL_FROM_M } from '.';

it('is everything outside, and from 800 m on in a pool', () => {
  expect(NEAR_CRITICAL_FROM_M).toBe(800);
  expect(isNearCritical({ place: 'pool', distanceM: 799 })).toBe(false);
  expect(isNearCritical({ place: 'pool', distanceM: 800 })).toBe(true);
  expect(isNearCritical({ place: 'open-water', distanceM: 100 })).toBe(true);
});

describe('trials that contradict each other', () => {
  const trial = (distanceM: number, timeS: number) => ({ distanceM, timeS });

  it('are told whatever order they were entered in, the longer one first', () => {
    const refused = () => criticalSpeed([trial(400, 150), trial(200, 165), trial(100, 70)]);
    expect(refused).toThrow('400 m is not slower than 200 m: check these two times.');
    expect(() => criticalSpeed([trial(400, 165), trial(200, 165)])).toThrow('400 m is not slower than 200 m');
  });

  it('are not the same distance swum twice', () => {
    const { criticalSpeedMps } = criticalSpeed([trial(400, 352), trial(200, 165), trial(200, 165)]);
    // (400 − 200) / (352 − 165)
    expect(criticalSpeedMps).toBeCloseTo(200 / 187, 10);
    expect(() => criticalSpeed([trial(200, 165), trial(200, 166)])).toThrow('two different distances');
  });

  it('name the shortest where it was not all-out; a line through nothing is one', () => {
    expect(() => criticalSpeed([trial(400, 390), trial(200, 200)])).toThrow('The 200 m was probably not all-out');
    expect(criticalSpeed([trial(400, 400), trial(200, 200)]).dPrimeM).toBe(0);
  });
});
