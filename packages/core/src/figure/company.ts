// What is around a swimmer in some drills: another one in front at the side, the wall that the hands hold.
import { HEAD_RADIUS } from './body';
import type { Bone, Point3, Skeleton } from './shapes';

/** Where the one who leads swims from the one who follows: ahead to the hip, and clear of the arms; statures. */
const AHEAD = 0.46;
const CLEAR = 0.42;

const moved = ({ x, y, z }: Point3, dx: number, dz: number): Point3 => ({ x: x + dx, y, z: z + dz });

/**
 * A swimmer at the hip of another, who swims the same stroke ahead: drawn paler, since the picture is about the one
 * behind. Both are moved so that the picture holds them.
 */
export function behindLeader(skeleton: Skeleton): Skeleton {
  const { bones, head, bubbles, splash, wake, strain, board } = skeleton;
  const shift = (at: Point3) => moved(at, AHEAD, CLEAR / 2);
  const ahead = (at: Point3) => moved(at, 0, -CLEAR / 2);
  const skull: Bone = {
    region: 'head',
    side: 'middle',
    from: head.centre,
    to: head.centre,
    r0: HEAD_RADIUS,
    r1: HEAD_RADIUS,
  };
  return {
    ...skeleton,
    bones: [
      ...[...bones, skull].map((bone): Bone => ({
        ...bone,
        from: ahead(bone.from),
        to: ahead(bone.to),
        another: true,
      })),
      ...bones.map((bone): Bone => ({ ...bone, from: shift(bone.from), to: shift(bone.to) })),
    ],
    head: { ...head, centre: shift(head.centre) },
    bubbles: bubbles.map(shift),
    splash: { ...splash, at: shift(splash.at) },
    wake: wake.map(shift),
    strain: strain.map(shift),
    board: board && shift(board),
  };
}

/** A swimmer whose hands are on the wall: it stands where they reach farthest. */
export function atWall(skeleton: Skeleton): Skeleton {
  const reach = skeleton.bones.map(({ to, r1 }) => to.x - r1);
  return { ...skeleton, wallX: Math.min(...reach) };
}
