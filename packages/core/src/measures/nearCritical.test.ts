import { isNearCritical, NEAR_CRITICAL_FROM_M } from '.';

it('is everything outside, and from 800 m on in a pool', () => {
  expect(NEAR_CRITICAL_FROM_M).toBe(800);
  expect(isNearCritical({ place: 'pool', distanceM: 799 })).toBe(false);
  expect(isNearCritical({ place: 'pool', distanceM: 800 })).toBe(true);
  expect(isNearCritical({ place: 'open-water', distanceM: 100 })).toBe(true);
});
