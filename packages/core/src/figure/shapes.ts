/** A point in statures: x from the head to the feet (side) or to the swimmer's left (front), y down from the surface. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

/** Parts that can be tapped. */
export const REGIONS = ['head', 'shoulders', 'front arm', 'pulling arm', 'recovering arm', 'body', 'legs'] as const;
export type Region = (typeof REGIONS)[number];

/** A tapered limb with round ends. */
export interface Limb {
  readonly region: Region;
  readonly from: Point;
  readonly to: Point;
  /** Radii at both ends, statures. */
  readonly r0: number;
  readonly r1: number;
  /** On the far side: drawn paler and first. */
  readonly far: boolean;
}

export interface HeadShape {
  readonly centre: Point;
  readonly radius: number;
  /** Where the eyes look in this view, degrees: 90 down, 180 forward (side) or left; 270 up. */
  readonly gaze: number;
  /** How much of the face is turned to the viewer, 0–1. */
  readonly facing: number;
}

export interface Figure {
  readonly limbs: readonly Limb[];
  readonly head: HeadShape;
  readonly bubbles: readonly Point[];
  /** A splash: where and how big; none when 0. */
  readonly splash: { readonly at: Point; readonly size: number };
  /** Two vertical rails at shoulder width (front view). */
  readonly rails: readonly number[];
}

const RAD = Math.PI / 180;

/** The point at a distance in a direction; 0° forward (−x), 90° down, 180° to the feet, 270° up. */
export function along(from: Point, degrees: number, length: number): Point {
  return { x: from.x - Math.cos(degrees * RAD) * length, y: from.y + Math.sin(degrees * RAD) * length };
}
