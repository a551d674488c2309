import { RAD } from '../units';
import type { FigureParameters } from './parameters';
import { along, type Bone, type BodySide, type Point3, type Skeleton } from './shapes';

/** Segment lengths as shares of stature (after Drillis & Contini 1964). */
export const UPPER_ARM = 0.186;
export const FOREARM = 0.146;
export const HAND = 0.095;
export const TRUNK = 0.29;
export const THIGH = 0.245;
export const SHANK = 0.246;
export const FOOT = 0.12;
export const HEAD_RADIUS = 0.062;
/** Half the shoulder width and half the hip width. */
export const HALF_SHOULDER = 0.115;
export const HALF_HIP = 0.05;

export const signOf = (side: BodySide): -1 | 0 | 1 => (side === 'left' ? 1 : side === 'right' ? -1 : 0);

/** A point beside a middle point, turned about the long axis; a positive roll takes the left side down. */
export function beside(middle: Point3, side: BodySide, half: number, rollDeg: number): Point3 {
  const s = signOf(side);
  return {
    x: middle.x,
    y: middle.y + s * half * Math.sin(rollDeg * RAD),
    z: middle.z + s * half * Math.cos(rollDeg * RAD),
  };
}

/** Trunk and shoulders between the four joints. */
export function trunkBones(
  shoulders: Readonly<Record<'left' | 'right', Point3>>,
  hips: Readonly<Record<'left' | 'right', Point3>>,
  sag: number,
): Bone[] {
  const chest = middle(shoulders.left, shoulders.right);
  const seat = middle(hips.left, hips.right);
  const centre = middle(chest, seat);
  const belly = { ...centre, y: centre.y + sag };
  const bone = (side: BodySide, from: Point3, to: Point3, r0: number, r1: number): Bone => ({
    region: 'body',
    side,
    from,
    to,
    r0,
    r1,
  });
  const flank = (side: 'left' | 'right') => {
    const inner = mix(chest, shoulders[side], 0.55);
    const waist = mix(belly, { ...belly, z: belly.z + signOf(side) * HALF_SHOULDER }, 0.4);
    return [bone(side, inner, waist, 0.05, 0.048), bone(side, waist, hips[side], 0.048, 0.05)];
  };
  return [
    ...flank('right'),
    bone('middle', chest, belly, 0.056, 0.054),
    bone('middle', belly, seat, 0.054, 0.052),
    ...flank('left'),
    { region: 'shoulders', side: 'middle', from: shoulders.right, to: shoulders.left, r0: 0.043, r1: 0.043 },
  ];
}

/** An arm with an open hand through its joints. */
export function armBones(
  region: Bone['region'],
  side: BodySide,
  [shoulder, elbow, wrist, tip]: readonly [Point3, Point3, Point3, Point3],
): Bone[] {
  return [
    { region, side, from: shoulder, to: elbow, r0: 0.034, r1: 0.026 },
    { region, side, from: elbow, to: wrist, r0: 0.026, r1: 0.018 },
    { region, side, from: wrist, to: tip, r0: 0.019, r1: 0.011 },
  ];
}

export interface LegAngles {
  /** Direction of the thigh in the side plane. */
  readonly thigh: number;
  /** The shank turns by this from the thigh, the foot by `foot` from the shank. */
  readonly knee: number;
  readonly foot: number;
  /** Sideways share of each segment, −1 to 1, outward positive. */
  readonly out: number;
  readonly shankOut: number;
  readonly footOut: number;
}

export function legBones(side: 'left' | 'right', hip: Point3, a: LegAngles): Bone[] {
  const s = signOf(side);
  const segment = (from: Point3, degrees: number, length: number, out: number) =>
    along(from, degrees, length * Math.sqrt(1 - Math.min(0.95, out * out)), s * length * out);
  const knee = segment(hip, a.thigh, THIGH, a.out);
  const ankle = segment(knee, a.thigh + a.knee, SHANK, a.shankOut);
  const toe = segment(ankle, a.thigh + a.knee + a.foot, FOOT, a.footOut);
  const bone = (from: Point3, to: Point3, r0: number, r1: number): Bone => ({ region: 'legs', side, from, to, r0, r1 });
  return [bone(hip, knee, 0.05, 0.032), bone(knee, ankle, 0.034, 0.02), bone(ankle, toe, 0.019, 0.01)];
}

/** Where the eyes look: pitch 0 straight down, 90 forward; turn to the left about the long axis. */
export function gazeOf(pitchDeg: number, turnDeg: number, bodyDeg = 180): Point3 {
  const p = pitchDeg * RAD;
  const t = turnDeg * RAD;
  const forward = -Math.sin(p);
  const down = Math.cos(p) * Math.cos(t);
  // Turned with the body: 180 lies head first to the left, face down.
  const b = (bodyDeg - 180) * RAD;
  return {
    x: forward * Math.cos(b) + down * Math.sin(b),
    y: -forward * Math.sin(b) + down * Math.cos(b),
    z: Math.cos(p) * Math.sin(t),
  };
}

/** A stream of bubbles that rises behind the mouth. */
export function bubbleTrail(mouth: Point3, amount: number): Point3[] {
  if (mouth.y < 0.005) return [];
  return Array.from({ length: Math.round(Math.min(4, amount) * 6) }, (_, i) => ({
    x: mouth.x + 0.02 + i * 0.022,
    y: Math.max(0.012, mouth.y - i * 0.006 + (i % 2) * 0.014),
    z: mouth.z + ((i % 3) - 1) * 0.02,
  }));
}

/** Points of labour on the body, one a place. */
export function strainPoints(
  p: FigureParameters,
  at: Readonly<Record<'neck' | 'shoulder' | 'legs' | 'chest', Point3>>,
) {
  const wanted = [
    [p.strainNeck, at.neck],
    [p.strainShoulder, at.shoulder],
    [p.strainLegs, at.legs],
    [p.strainChest, at.chest],
  ] as const;
  return wanted.filter(([amount]) => amount >= 0.5).map(([, point]) => point);
}

/** The hand entries of the last strokes behind the swimmer: their spacing and how straight they run. */
export function wakeOf(p: FigureParameters): Point3[] {
  const spacing = 0.13 * Math.max(-1.5, Math.min(2, p.travel));
  if (Math.abs(spacing) < 0.02) return [];
  const start = spacing > 0 ? 0.78 : -0.5;
  return Array.from({ length: 12 }, (_, i): Point3 => {
    const back = i * spacing;
    return {
      x: start + back,
      y: 0,
      z: (i % 2 === 0 ? 1 : -1) * 0.05 + p.weave * Math.sin(i * 1.1) + p.drift * ((i * spacing) / 0.6) ** 2,
    };
  }).filter(({ x }) => x < 1.42 && x > -0.7);
}

export function middle(a: Point3, b: Point3): Point3 {
  return mix(a, b, 0.5);
}

export function mix(a: Point3, b: Point3, share: number): Point3 {
  return { x: a.x + (b.x - a.x) * share, y: a.y + (b.y - a.y) * share, z: a.z + (b.z - a.z) * share };
}

export const NOTHING_AROUND: Pick<Skeleton, 'board' | 'wallX'> = { board: null, wallX: null };
