import { RAD } from '../units';

/** A point of a video frame, pixels or shares of the frame alike: x to the right, y down. */
export interface FramePoint {
  readonly x: number;
  readonly y: number;
}

/** A line drawn on a frame, from its first to its second click. */
export type FrameLine = readonly [FramePoint, FramePoint];

/** What a clip holds: notes, and letters of each. */
export const NOTE_LIMITS = { notes: 300, letters: 500 } as const;

/** What a line on a frame measures. */
export const LINE_KINDS = [
  ...['trunk', 'lead-arm', 'elbow', 'entry', 'head-turn', 'roll', 'past-middle'],
  ...['surface', 'face', 'hand-depth', 'thigh', 'shank', 'foot', 'free', 'free-angle'],
] as const;
export type LineKind = (typeof LINE_KINDS)[number];

/**
 * The angle that a line measures, degrees.
 *
 * - trunk (shoulder to hip): hip under the shoulder is positive
 * - lead arm (shoulder to hand): hand under the shoulder is positive
 * - elbow (elbow to wrist): wrist under the elbow is positive
 * - entry (wrist to fingertips): fingertips under the wrist is positive, a flat hand is 0
 * - head turn (crown to chin, from the front): 0 looking down, 90 to the side, more is up and back
 * - roll (one shoulder to the other, from the front): 0 flat, 90 stacked
 * - any other: its second end under the first is positive
 *
 * @param aspect width of the frame divided by its height, for points given as shares of the frame
 * @throws RangeError when both clicks are at the same place
 * @example lineAngle('trunk', [{ x: 0, y: 0 }, { x: 10, y: 2 }]) // 11.3
 */
export function lineAngle(kind: LineKind, [a, b]: FrameLine, aspect = 1): number {
  const dx = (b.x - a.x) * aspect;
  const dy = b.y - a.y;
  if (Math.hypot(dx, dy) === 0) throw new RangeError('Click two different places.');
  const degrees = (y: number, x: number) => Math.atan2(y, x) / RAD;
  if (kind === 'head-turn') return degrees(Math.abs(dx), dy);
  if (kind === 'roll') return degrees(Math.abs(dy), Math.abs(dx));
  return degrees(dy, Math.abs(dx));
}

/** A reading in the unit of its line. */
export interface Reading {
  readonly mean: number;
  /** Standard deviation of repeated readings: the error of one reading. Null with a single one. */
  readonly error: number | null;
  readonly readings: number;
}

/** Repeated readings of the same thing as their mean and reading error. @throws RangeError without any */
export function repeatedReading(values: readonly number[]): Reading {
  if (values.length === 0) throw new RangeError('Draw the line at least once.');
  const mean = values.reduce((sum, v) => sum + v, 0) / values.length;
  const error =
    values.length < 2 ? null : Math.sqrt(values.reduce((sum, v) => sum + (v - mean) ** 2, 0) / (values.length - 1));
  return { mean, error, readings: values.length };
}
