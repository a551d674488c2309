import { RAD } from '../units';
import { lineAngle, type FrameLine, type FramePoint, type LineKind } from './lineAngle';

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

/** From the elbow to the wrist, by which a side view is scaled, cm: a usual adult. */
export const FOREARM_CM = 26;

/** How far the second end of a line lies from the first, in widths of a frame of height 1. */
const along = ([a, b]: FrameLine, aspect: number): FramePoint => ({ x: (b.x - a.x) * aspect, y: b.y - a.y });

function lengthOf(line: FrameLine, aspect: number): number {
  const { x, y } = along(line, aspect);
  const length = Math.hypot(x, y);
  if (length === 0) throw new RangeError('Click two different places.');
  return length;
}

/**
 * The angle between two parts of a body that follow one another, degrees: 0 in one line, 90 bent at a right angle.
 *
 * @throws RangeError when both clicks of a line are at the same place
 * @example bendDeg([{ x: 0, y: 0 }, { x: 4, y: 0 }], [{ x: 4, y: 0 }, { x: 4, y: 3 }]) // 90
 */
export function bendDeg(first: FrameLine, second: FrameLine, aspect = 1): number {
  const size = lengthOf(first, aspect) * lengthOf(second, aspect);
  const [a, b] = [along(first, aspect), along(second, aspect)];
  return Math.acos(Math.min(1, Math.max(-1, (a.x * b.x + a.y * b.y) / size))) / RAD;
}

/**
 * Share of the face that is in the water, 0–1, from the side.
 *
 * @param face from the top of the head to the chin
 * @param surface two places on the water, left and right of the head
 * @throws RangeError when both clicks of a line are at the same place
 * @example shareUnder([{ x: 5, y: 2 }, { x: 5, y: 6 }], [{ x: 0, y: 5 }, { x: 9, y: 5 }]) // 0.25
 */
export function shareUnder(face: FrameLine, surface: FrameLine, aspect = 1): number {
  lengthOf(face, aspect);
  lengthOf(surface, aspect);
  const [left, right] = surface[0].x <= surface[1].x ? surface : ([surface[1], surface[0]] as const);
  // How far under the surface, times the length of that line.
  const under = ({ x, y }: FramePoint) => (y - left.y) * (right.x - left.x) - (x - left.x) * (right.y - left.y);
  const [one, other] = [under(face[0]), under(face[1])];
  if (one > 0 && other > 0) return 1;
  if (one <= 0 && other <= 0) return 0;
  return Math.max(one, other) / Math.abs(one - other);
}

/**
 * How deep the hand is under the shoulder, cm; under 0 it is above. The forearm gives the scale.
 *
 * @param reach from the shoulder to the fingertips, from the side
 * @param forearm from the elbow to the wrist of the same arm, in the same moment
 * @throws RangeError when both clicks of a line are at the same place
 * @example handDepthCm([{ x: 0, y: 0 }, { x: 1, y: 4 }], [{ x: 0, y: 2 }, { x: 0, y: 4 }]) // 52
 */
export function handDepthCm(reach: FrameLine, forearm: FrameLine, aspect = 1): number {
  lengthOf(reach, aspect);
  return (along(reach, aspect).y * FOREARM_CM) / lengthOf(forearm, aspect);
}

/** What needs a second line of the same moment: which one, and what both say. */
const PAIRED: Readonly<
  Partial<
    Record<LineKind, readonly [other: LineKind, of: (own: FrameLine, other: FrameLine, aspect: number) => number]>
  >
> = {
  'past-middle': ['roll', handPastMiddleCm],
  face: ['surface', shareUnder],
  'hand-depth': ['elbow', handDepthCm],
  shank: ['thigh', bendDeg],
  foot: ['shank', bendDeg],
  'free-angle': ['free', bendDeg],
};

/** Lines that say nothing by themselves. */
const ONLY_HELP: readonly LineKind[] = ['surface', 'thigh'];

/** The line that has to be drawn in the same moment too; null where one says it all. */
export const lineBeside = (kind: LineKind): LineKind | null => PAIRED[kind]?.[0] ?? null;

/** A line with its moment in the clip, s. */
export interface TimedLine {
  readonly kind: LineKind;
  readonly timeS: number;
  readonly line: FrameLine;
}

/** Two lines count as drawn in one moment so near in time, s. */
const SAME_MOMENT_S = 0.12;

/**
 * What the lines of one kind measure, each of them once, in the unit of {@link lineUnit}. Where two lines are needed, both
 * have to be of the same moment.
 */
export function lineValues(kind: LineKind, lines: readonly TimedLine[], aspect = 1): number[] {
  const own = ONLY_HELP.includes(kind) ? [] : lines.filter((l) => l.kind === kind);
  const pair = PAIRED[kind];
  if (!pair) return own.map(({ line }) => lineAngle(kind, line, aspect));
  const [other, of] = pair;
  const others = lines.filter((l) => l.kind === other);
  return own.flatMap(({ line, timeS }) => {
    const near = others.filter((o) => Math.abs(o.timeS - timeS) <= SAME_MOMENT_S);
    return near.length === 0 ? [] : [near.reduce((sum, o) => sum + of(line, o.line, aspect), 0) / near.length];
  });
}

/** The unit of what a line measures; a share counts from 0 to 1. */
export const lineUnit = (kind: LineKind): '°' | ' cm' | ' %' =>
  kind === 'past-middle' || kind === 'hand-depth' ? ' cm' : kind === 'face' ? ' %' : '°';
