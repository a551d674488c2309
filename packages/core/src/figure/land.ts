// The figure on land: standing bent forward with the arms of a stroke, or kneeling back on its heels.
import type { DrillId } from '../library';
import {
  armBones,
  beside,
  FOREARM,
  gazeOf,
  HALF_HIP,
  HALF_SHOULDER,
  HAND,
  legBones,
  NOTHING_AROUND,
  TRUNK,
  trunkBones,
  UPPER_ARM,
} from './body';
import { along, type Bone, type Point3, type Region, type Skeleton } from './shapes';

/** Where the floor lies in a picture on land, statures; the surface of water would be at 0. */
export const FLOOR = 0.42;

/** Directions of upper arm, forearm and hand, degrees: 0 forward, 90 down, 180 back, 270 up. */
type ArmDirections = readonly [upper: number, fore: number, hand: number];

/** A pose on land, seen from the left side. */
export interface LandPose {
  readonly legs: 'stand' | 'kneel';
  /** Direction from the hips to the shoulders, degrees as for arms. */
  readonly trunk: number;
  /** Eyes: 0 straight down from a body that lies, 90 forward. */
  readonly eyes: number;
  readonly left: ArmDirections;
  readonly right: ArmDirections;
}

/** Drills of the land, as they go well. */
export const LAND_POSES: Readonly<Partial<Record<DrillId, LandPose>>> = {
  'barrel-reach': { legs: 'stand', trunk: 338, eyes: 24, left: [12, 72, 80], right: [20, 80, 88] },
  'land-stroke': { legs: 'stand', trunk: 340, eyes: 40, left: [2, 4, 8], right: [150, 168, 172] },
  'land-quick-hands': { legs: 'stand', trunk: 340, eyes: 20, left: [6, 8, 12], right: [205, 120, 110] },
  'ankle-mobility': { legs: 'kneel', trunk: 286, eyes: 0, left: [96, 22, 8], right: [100, 26, 12] },
};

function arm(side: 'left' | 'right', shoulder: Point3, [upper, fore, hand]: ArmDirections): Bone[] {
  const region: Region = upper < 60 ? 'front arm' : 'recovering arm';
  const elbow = along(shoulder, upper, UPPER_ARM);
  const wrist = along(elbow, fore, FOREARM);
  const tip = along(wrist, hand, HAND);
  return armBones(region, side, [shoulder, elbow, wrist, tip]);
}

/** The feet stand on the floor, or the shins lie on it and the hips rest on the heels. */
const LEGS = {
  stand: { hipX: 0.34, hipY: FLOOR - 0.505, thigh: 84, knee: 14, foot: -94 },
  kneel: { hipX: 0.36, hipY: FLOOR - 0.054, thigh: 4, knee: 172, foot: 2 },
} as const;

/**
 * The swimmer on land in space, head to the left of a side view; nothing of water around.
 *
 * @example landSkeleton(LAND_POSES['ankle-mobility']!).bubbles // []
 */
export function landSkeleton(pose: LandPose): Skeleton {
  const { hipX, hipY, thigh, knee, foot } = LEGS[pose.legs];
  const seat: Point3 = { x: hipX, y: hipY, z: 0 };
  const chest = along(seat, pose.trunk, TRUNK);
  const shoulders = { left: beside(chest, 'left', HALF_SHOULDER, 0), right: beside(chest, 'right', HALF_SHOULDER, 0) };
  const hips = { left: beside(seat, 'left', HALF_HIP, 0), right: beside(seat, 'right', HALF_HIP, 0) };
  // One foot stands a little in front of the other; shins lie side by side.
  const leg = (side: 'left' | 'right') => {
    const step = pose.legs === 'stand' ? (side === 'left' ? 7 : -7) : 0;
    const angles = { thigh: thigh + step, knee, foot: foot - step, out: 0, shankOut: 0, footOut: 0 };
    return legBones(side, hips[side], angles);
  };
  const neck = along(chest, pose.trunk + 8, 0.1);
  return {
    bones: [
      ...arm('right', shoulders.right, pose.right),
      ...leg('right'),
      ...trunkBones(shoulders, hips, 0),
      ...leg('left'),
      ...arm('left', shoulders.left, pose.left),
    ],
    head: { centre: neck, gaze: gazeOf(pose.eyes, 0, pose.trunk - 180) },
    bubbles: [],
    splash: { at: { x: 0, y: FLOOR, z: 0 }, size: 0 },
    wake: [],
    strain: [],
    ...NOTHING_AROUND,
  };
}
