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
export const LINE_KINDS = ['trunk', 'lead-arm', 'elbow', 'entry', 'head-turn', 'roll', 'past-middle'] as const;
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
 *
 * @param aspect width of the frame divided by its height, for points given as shares of the frame
 * @throws RangeError when both clicks are at the same place
 * @example lineAngle('trunk', [{ x: 0, y: 0 }, { x: 10, y: 2 }]) // 11.3
 */
export function lineAngle(kind: Exclude<LineKind, 'past-middle'>, [a, b]: FrameLine, aspect = 1): number {
  const dx = (b.x - a.x) * aspect;
  const dy = b.y - a.y;
  if (Math.hypot(dx, dy) === 0) throw new RangeError('Click two different places.');
  const degrees = (y: number, x: number) => Math.atan2(y, x) / RAD;
  if (kind === 'head-turn') return degrees(Math.abs(dx), dy);
  if (kind === 'roll') return degrees(Math.abs(dy), Math.abs(dx));
  return degrees(dy, Math.abs(dx));
}

/** Width over the shoulders by which a front view is scaled, cm: a usual adult; the sign of the result needs no scale. */
export const SHOULDERS_CM = 38;

/**
 * How far the hand enters past the middle of the body, cm; under 0 it stays on its own side.
 *
 * The line over the shoulders gives the middle and the scale: it keeps its length in a front view however far the
 * body rolls.
 *
 * @param hand from the shoulder of the entering arm to its fingertips, from the front
 * @param shoulders from one shoulder to the other, in the same moment
 * @throws RangeError when both clicks of the shoulders are at the same place
 * @example handPastMiddleCm([{ x: 8, y: 0 }, { x: 11, y: 9 }], [{ x: 8, y: 0 }, { x: 12, y: 0 }]) // 9.5
 */
export function handPastMiddleCm(hand: FrameLine, [a, b]: FrameLine, aspect = 1): number {
  const width = Math.hypot((b.x - a.x) * aspect, b.y - a.y);
  if (width === 0) throw new RangeError('Click two different places.');
  const middle = (a.x + b.x) / 2;
  const own = hand[0].x < middle ? -1 : 1;
  // Nothing is not less than nothing.
  return ((middle - hand[1].x) * aspect * own * SHOULDERS_CM) / width + 0;
}

/** A line with its moment in the clip, s. */
export interface TimedLine {
  readonly kind: LineKind;
  readonly timeS: number;
  readonly line: FrameLine;
}

/** The shoulders count for a hand that enters so near in time, s. */
const SAME_MOMENT_S = 0.12;

/**
 * What the lines of one kind measure, each of them once: degrees, or cm for a hand past the middle, which needs the
 * shoulders of the same moment.
 */
export function lineValues(kind: LineKind, lines: readonly TimedLine[], aspect = 1): number[] {
  const own = lines.filter((l) => l.kind === kind);
  if (kind !== 'past-middle') return own.map(({ line }) => lineAngle(kind, line, aspect));
  const shoulders = lines.filter((l) => l.kind === 'roll');
  return own.flatMap(({ line, timeS }) => {
    const near = shoulders.filter((s) => Math.abs(s.timeS - timeS) <= SAME_MOMENT_S);
    return near.length === 0
      ? []
      : [near.reduce((sum, s) => sum + handPastMiddleCm(line, s.line, aspect), 0) / near.length];
  });
}

/** The unit of what a line measures. */
export const lineUnit = (kind: LineKind): '°' | ' cm' => (kind === 'past-middle' ? ' cm' : '°');

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
