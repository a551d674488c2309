import {
  beside,
  bubbleTrail,
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
  wakeOf,
} from './body';
import { RAD } from '../units';
import type { FigureParameters } from './parameters';
import { along, bell, keyed, type Bone, type Point3, type Skeleton } from './shapes';

/** Arms over one cycle from the glide: [phase, upper arm, its outward angle, forearm, its outward angle], degrees. */
const ARMS: readonly (readonly number[])[] = [
  [0, 3, 4, 3, -8],
  [0.12, 10, 38, 14, 44],
  [0.25, 34, 58, 74, 8],
  [0.36, 66, 44, 52, -58],
  [0.46, 52, 12, 8, -40],
  [0.58, 12, 6, 4, -12],
  [0.7, 3, 4, 3, -8],
];

/** Legs over one cycle: [phase, hip bend, knee bend, thighs apart, shanks apart, feet turned out], degrees. */
const LEGS: readonly (readonly number[])[] = [
  [0, 0, 4, 3, 2, 0],
  [0.3, 2, 12, 4, 2, 0],
  [0.42, 22, 82, 14, 6, 10],
  [0.52, 38, 122, 22, 14, 38],
  [0.6, 32, 100, 30, 34, 46],
  [0.68, 16, 46, 30, 34, 30],
  [0.76, 3, 10, 12, 8, 4],
  [0.85, 0, 4, 3, 2, 0],
];

const share = (degrees: number) => Math.sin(degrees * RAD);

/**
 * The breaststroke swimmer in space at a phase of the cycle: 0 is the glide, the breath comes at 0.36,
 * the kick at 0.6.
 */
export function breaststrokeSkeleton(p: FigureParameters, phase: number): Skeleton {
  const local = phase - Math.floor(phase);
  // Without a glide the next pull begins while the legs still close.
  const armPhase = local > 0.6 && p.glide < 1 ? local + (1 - p.glide) * 0.3 : local;
  const legPhase = local + p.clash;
  const rise = bell(local, 0.37, 0.2);
  const headRise = bell(local, 0.37 + p.headDelay, 0.2);
  const trunk = p.trunk + 20 * rise;
  const chest: Point3 = {
    x: 0,
    y: 0.075 - 0.09 * rise + p.breathSink * rise - p.headLift * 0.35 + p.bob * Math.cos(2 * Math.PI * local),
    z: 0,
  };
  const seat = along(chest, 180 - trunk, TRUNK);
  const shoulders = { left: beside(chest, 'left', HALF_SHOULDER, 0), right: beside(chest, 'right', HALF_SHOULDER, 0) };
  const hips = { left: beside(seat, 'left', HALF_HIP, 0), right: beside(seat, 'right', HALF_HIP, 0) };
  const arms = { left: arm(p, 'left', shoulders.left, armPhase), right: arm(p, 'right', shoulders.right, armPhase) };
  const legs = (['right', 'left'] as const).map((side) => leg(p, side, hips[side], trunk, legPhase));

  const pitch = p.headPitch + 55 * headRise;
  const lift = p.headLift + 0.075 * headRise;
  const neck = along(chest, -2 + pitch * 0.12, 0.105);
  const centre: Point3 = { x: neck.x, y: neck.y - 0.015 - lift, z: 0 };
  const gaze = gazeOf(pitch, 0);
  return {
    bones: [...arms.right, ...legs[0]!, ...trunkBones(shoulders, hips, p.sag), ...legs[1]!, ...arms.left],
    head: { centre, gaze },
    bubbles: bubbleTrail(
      { x: centre.x + gaze.x * 0.045, y: centre.y + gaze.y * 0.045 + 0.012, z: 0 },
      p.bubbles * (1 - headRise),
    ),
    splash: { at: { ...arms.left[2]!.to, y: 0 }, size: p.splash },
    wake: wakeOf(p),
    strain: strainPoints(p, {
      neck: { x: -0.05, y: chest.y - 0.03, z: 0 },
      shoulder: shoulders.left,
      legs: legs[1]![0]!.to,
      chest: { ...chest, x: 0.08 },
    }),
    ...NOTHING_AROUND,
  };
}

function arm(p: FigureParameters, side: 'left' | 'right', shoulder: Point3, phase: number): Bone[] {
  const s = signOf(side);
  const local = phase - Math.floor(phase);
  // Hands that get stuck at the ribs come forward late.
  const late = local > 0.36 && local < 0.75 ? p.handsStuck * 0.16 * bell(local, 0.5, 0.25) : 0;
  const [upperA, upperOut, foreA, foreOut] = keyed(ARMS, local - late) as [number, number, number, number];
  const back = p.pullBack * bell(local, 0.3, 0.14);
  const upper = upperA + 62 * back + p.leadArmDrop * bell(local, 0, 0.2);
  const fore = foreA + 48 * back;
  const out = share(upperOut + 10 * back);
  const foreSide = share(foreOut);
  const elbow = along(shoulder, upper, UPPER_ARM * Math.sqrt(1 - out ** 2), s * UPPER_ARM * out);
  const wrist = along(elbow, fore, FOREARM * Math.sqrt(1 - foreSide ** 2), s * FOREARM * foreSide);
  const tip = along(wrist, fore, HAND * 0.9, s * HAND * foreSide * 0.5);
  const region =
    local > 0.08 && local < 0.34 ? 'pulling arm' : local >= 0.34 && local < 0.62 ? 'recovering arm' : 'front arm';
  return [
    { region, side, from: shoulder, to: elbow, r0: 0.034, r1: 0.026 },
    { region, side, from: elbow, to: wrist, r0: 0.026, r1: 0.018 },
    { region, side, from: wrist, to: tip, r0: 0.019, r1: 0.011 },
  ];
}

function leg(p: FigureParameters, side: 'left' | 'right', hip: Point3, trunk: number, phase: number): Bone[] {
  const [bend, knee, apart, shank, foot] = keyed(LEGS, phase) as [number, number, number, number, number];
  const uneven = side === 'left' ? p.footUneven : 0;
  return legBones(side, hip, {
    thigh: 180 - trunk - bend,
    knee,
    // Turned-out feet are hooked; a pointed one trails.
    foot: -(foot * 1.4) * (1 - uneven),
    out: share(apart),
    shankOut: share(shank) * (1 - 0.8 * uneven),
    footOut: share(foot) * (1 - uneven) + 0.02,
  });
}
