// Marks that can be taken for each other.
import type { Course } from '../course/model';
import type { Leg } from '../course/legs';
import { bearingTo, turnBetween } from '../course/plane';

/** Marks closer in direction than this look like one place, degrees. */
const SAME_WAY_DEG = 10;
/** One mark is like another up to this many times as far. */
const LIKE_TIMES = 2;
/** Closer than this to the next mark it is the same place, metres. */
const SAME_PLACE_M = 15;

/**
 * A warning where another buoy or the finish could be taken for the one at the end of a leg; null where none could.
 *
 * @example mixedUp(leg, course) // 'Mark 3 stands in nearly the same direction and nearer: not the first buoy you see, the second.'
 */
export function mixedUp(leg: Leg, { marks, finish }: Pick<Course, 'marks' | 'finish'>): string | null {
  const like = [
    ...marks.filter((m) => m.abeam === undefined).map((m) => ({ ...m, name: `Mark ${m.name}` })),
    { ...finish, name: 'The finish' },
  ].flatMap((place) => {
    if (bearingTo(place, leg.to).distanceM < SAME_PLACE_M || bearingTo(place, leg.from).distanceM < SAME_PLACE_M)
      return [];
    const { distanceM, bearingDeg } = bearingTo(leg.from, place);
    const offDeg = turnBetween(leg.bearingDeg, bearingDeg);
    const times = distanceM / leg.lengthM;
    const near = Math.abs(offDeg) <= SAME_WAY_DEG && times <= LIKE_TIMES && times >= 1 / LIKE_TIMES;
    return near ? [{ name: place.name, offDeg, times }] : [];
  });
  const worst = like.sort((a, b) => Math.abs(a.offDeg) - Math.abs(b.offDeg))[0];
  if (!worst) return null;
  const nearer = like.filter(({ times }) => times < 0.95).length;
  const where = `${worst.name} stands in nearly the same direction`;
  if (worst.times < 0.95)
    return `${where} and nearer: not the first buoy you see, ${nearer === 1 ? 'the second' : `number ${nearer + 1}`}.`;
  if (worst.times > 1.05) return `${where}, farther away: stop at the first buoy, not at the one behind it.`;
  return `${where}, as far away: take the buoy on the ${worst.offDeg > 0 ? 'left' : 'right'}.`;
}
