import {
  beside,
  FOREARM,
  gazeOf,
  HALF_HIP,
  HALF_SHOULDER,
  HAND,
  legBones,
  NOTHING_AROUND,
  signOf,
  strainPoints,
  TRUNK,
  trunkBones,
  UPPER_ARM,
} from './body';
import type { FigureParameters } from './parameters';
import { along, ease, type Bone, type Point3, type Skeleton } from './shapes';

/**
 * A tumble turn from the last stroke to the glide:
 * [phase, direction of the trunk, hip bend, knee bend, arms (0 overhead, 180 by the hips), chest x, chest y].
 */
const KEYS: readonly (readonly number[])[] = [
  [0, 182, 2, 6, 178, 0.1, 0.07],
  [0.18, 212, 62, 22, 178, -0.02, 0.16],
  [0.34, 272, 122, 112, 172, -0.04, 0.27],
  [0.48, 340, 112, 118, 120, 0.06, 0.31],
  [0.58, 356, 84, 96, 20, 0.14, 0.32],
  [0.7, 358, 22, 30, 4, 0.36, 0.27],
  [0.82, 360, 2, 4, 2, 0.52, 0.21],
  [1, 360, 0, 3, 2, 0.62, 0.15],
];

/** Where the wall stands: the feet of a good turn touch it at {@link FEET_ON_WALL}. */
export const WALL_X = -0.42;
export const FEET_ON_WALL = 0.58;

function keysAt(phase: number): readonly number[] {
  const p = Math.min(1, Math.max(0, phase - Math.floor(phase)));
  let i = KEYS.length - 1;
  while (i > 0 && KEYS[i]![0]! > p) i--;
  const a = KEYS[i]!;
  const b = KEYS[Math.min(i + 1, KEYS.length - 1)]!;
  const share = b === a ? 0 : ease(p, a[0]!, b[0]!);
  return a.slice(1).map((from, k) => from + (b[k + 1]! - from) * share);
}

/** The swimmer in a tumble turn; it runs once, so phase 0.999 is the end of the glide. */
export function turnSkeleton(p: FigureParameters, phase: number): Skeleton {
  const local = phase - Math.floor(phase);
  const [dir, hip, knee, armDir, x, y] = keysAt(local) as [number, number, number, number, number, number];
  const tumbling = ease(local, 0.2, 0.45);
  const pushing = ease(local, 0.6, 0.9);
  const body = dir - 34 * p.lost * tumbling;
  const aside = 0.2 * p.crooked;
  const chest: Point3 = {
    x: x + p.wallGap * ease(local, 0.15, 0.4),
    y: y - p.surfaceEarly * 0.12 * pushing,
    z: aside * pushing,
  };
  const roll = 60 * p.crooked * tumbling;
  const seat = along(chest, body, TRUNK, -aside * tumbling * 0.7);
  const shoulders = {
    left: beside(chest, 'left', HALF_SHOULDER, roll),
    right: beside(chest, 'right', HALF_SHOULDER, roll),
  };
  const hips = { left: beside(seat, 'left', HALF_HIP, roll), right: beside(seat, 'right', HALF_HIP, roll) };
  const arm = (side: 'left' | 'right'): Bone[] => {
    const s = signOf(side);
    const overhead = 1 - ease(armDir, 0, 90);
    const inward = overhead * (-0.045 + 0.13 * p.handsApart);
    const along0 = body + 180 - armDir * 0.98;
    const elbow = along(shoulders[side], along0 + 6 * p.handsApart * s, UPPER_ARM, s * inward);
    const wrist = along(elbow, along0, FOREARM, s * inward * 0.7);
    const tip = along(wrist, along0, HAND, s * inward * 0.4);
    const region = overhead > 0.5 ? 'front arm' : 'pulling arm';
    return [
      { region, side, from: shoulders[side], to: elbow, r0: 0.034, r1: 0.026 },
      { region, side, from: elbow, to: wrist, r0: 0.026, r1: 0.018 },
      { region, side, from: wrist, to: tip, r0: 0.019, r1: 0.011 },
    ];
  };
  const leg = (side: 'left' | 'right') =>
    legBones(side, hips[side], {
      thigh: body - hip,
      knee,
      foot: -8 - 60 * (ease(local, 0.45, 0.55) - ease(local, 0.62, 0.72)),
      out: 0.5 * p.legsOpen * tumbling,
      shankOut: 0.45 * p.legsOpen * tumbling,
      footOut: 0,
    });
  // Chin in through the tumble, long neck at the push.
  const chin = 40 * (ease(local, 0.1, 0.3) - ease(local, 0.6, 0.75)) - 45 * p.handsApart * pushing;
  const neck = along(chest, body + 180 + chin * 0.6, 0.115);
  return {
    bones: [...arm('right'), ...leg('right'), ...trunkBones(shoulders, hips, 0), ...leg('left'), ...arm('left')],
    head: { centre: neck, gaze: gazeOf(-chin * 0.5, 0, body) },
    bubbles: Array.from({ length: Math.round(4 * Math.min(3, p.bubbles + 2 * p.lost) * tumbling) }, (_, i) => ({
      x: neck.x + 0.02 * Math.sin(i * 2.4),
      y: Math.max(0.01, neck.y - 0.03 - i * 0.018),
      z: 0.03 * Math.cos(i * 2.4),
    })),
    splash: { at: { ...hips.left, y: 0 }, size: p.splash },
    wake: [],
    strain: strainPoints(p, { neck, shoulder: shoulders.left, legs: seat, chest }),
    ...NOTHING_AROUND,
    wallX: WALL_X,
  };
}
