import { RAD } from '../units';

/** A point in statures: x toward the feet, y down from the surface, z to the swimmer's left. */
export interface Point3 {
  readonly x: number;
  readonly y: number;
  readonly z: number;
}

/** A point of a picture, statures. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

/** Parts that can be tapped. */
export const REGIONS = ['head', 'shoulders', 'front arm', 'pulling arm', 'recovering arm', 'body', 'legs'] as const;
export type Region = (typeof REGIONS)[number];

export const VIEWS = ['side', 'front', 'top'] as const;
export type FigureSide = (typeof VIEWS)[number];

export type BodySide = 'left' | 'right' | 'middle';

/** A tapered bone with round ends, in space. */
export interface Bone {
  readonly region: Region;
  readonly side: BodySide;
  readonly from: Point3;
  readonly to: Point3;
  /** Radii at both ends, statures. */
  readonly r0: number;
  readonly r1: number;
  /** True of a second swimmer: drawn paler and first, and not counted by what measures the first. */
  readonly another?: true;
}

/** The swimmer in space at one moment. */
export interface Skeleton {
  readonly bones: readonly Bone[];
  readonly head: { readonly centre: Point3; readonly gaze: Point3 };
  readonly bubbles: readonly Point3[];
  readonly splash: { readonly at: Point3; readonly size: number };
  /** Hand entries of the last strokes, seen from above. */
  readonly wake: readonly Point3[];
  /** Where something hurts or labours. */
  readonly strain: readonly Point3[];
  /** A kick board held in front. */
  readonly board: Point3 | null;
  /** The wall of the pool across the way, x; none when null. */
  readonly wallX: number | null;
}

/** A limb as one view shows it. */
export interface Limb {
  readonly region: Region;
  readonly from: Point;
  readonly to: Point;
  readonly r0: number;
  readonly r1: number;
  /** On the far side or deep under: drawn paler and first. */
  readonly far: boolean;
}

export interface HeadShape {
  readonly centre: Point;
  readonly radius: number;
  /** Where the face points in the picture, each −1 to 1. */
  readonly face: Point;
  /** How far the face is turned to the viewer: 1 full face, −1 the back of the head. */
  readonly facing: number;
}

/** The swimmer as one view shows it. */
export interface Figure {
  readonly view: FigureSide;
  readonly limbs: readonly Limb[];
  readonly head: HeadShape;
  readonly bubbles: readonly Point[];
  readonly splash: { readonly at: Point; readonly size: number };
  /** Lines at shoulder width that the hands should keep to: x (front view) or y (top view). */
  readonly rails: readonly number[];
  readonly wake: readonly Point[];
  readonly strain: readonly Point[];
  readonly board: Point | null;
  readonly wallX: number | null;
}

/** The point at a distance in a direction of the side plane; 0° forward (−x), 90° down, 180° to the feet, 270° up. */
export function along(from: Point3, degrees: number, length: number, lateral = 0): Point3 {
  return {
    x: from.x - Math.cos(degrees * RAD) * length,
    y: from.y + Math.sin(degrees * RAD) * length,
    z: from.z + lateral,
  };
}

/** A smooth bump of height 1 around a phase of a cycle, 0 from `width` away on. */
export function bell(phase: number, centre: number, width: number): number {
  const away = Math.abs(((((phase - centre) % 1) + 1.5) % 1) - 0.5);
  return away > width ? 0 : Math.cos((away / width) * (Math.PI / 2)) ** 2;
}

/** Smooth step from 0 at `from` to 1 at `to`. */
export function ease(value: number, from: number, to: number): number {
  const share = Math.min(1, Math.max(0, (value - from) / (to - from)));
  return share * share * (3 - 2 * share);
}

/** A value between key rows of a repeating table, along the shorter turn for columns that are angles. */
export function keyed(keys: readonly (readonly number[])[], phase: number): number[] {
  const p = phase - Math.floor(phase);
  let i = keys.length - 1;
  while (i > 0 && keys[i]![0]! > p) i--;
  const a = keys[i]!;
  const b = keys[(i + 1) % keys.length]!;
  const span = (b[0]! - a[0]! + 1) % 1 || 1;
  const share = ease((p - a[0]! + 1) % 1, 0, span);
  return a.slice(1).map((from, k) => from + (((b[k + 1]! - from + 540) % 360) - 180) * share);
}
