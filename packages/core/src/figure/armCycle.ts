import { keyed } from './shapes';

/** Angles of one arm, degrees: 0 forward, 90 down, 180 to the feet, 270 up. */
export interface ArmAngles {
  readonly upper: number;
  readonly fore: number;
  readonly hand: number;
  /** Share of the upper arm's length that a side view shows; the rest goes outward. */
  readonly seen: number;
}

/** Key positions of the crawl arm over one cycle: [phase, upper, fore, hand, seen]. */
const KEYS: readonly (readonly [number, number, number, number, number])[] = [
  [0.0, -4, 12, 14, 1.0],
  [0.12, 4, 5, 6, 1.0],
  [0.25, 16, 58, 70, 0.95],
  [0.38, 62, 104, 100, 0.9],
  [0.5, 118, 142, 132, 0.95],
  [0.6, 166, 170, 158, 1.0],
  [0.66, 196, 176, 172, 0.95],
  [0.76, 240, 118, 120, 0.62],
  [0.86, 292, 62, 58, 0.62],
  [0.94, 334, 28, 24, 0.85],
];

/**
 * The crawl arm at a phase of its cycle, smoothly between key positions along the shorter turn.
 *
 * @param phase any number; whole numbers are the entry of the hand
 */
export function crawlArm(phase: number): ArmAngles {
  const [upper, fore, hand, seen] = keyed(KEYS, phase) as [number, number, number, number];
  return { upper, fore, hand, seen };
}

/** What an arm is doing at a phase. */
export function armRole(phase: number): 'front arm' | 'pulling arm' | 'recovering arm' {
  const p = phase - Math.floor(phase);
  if (p < 0.22) return 'front arm';
  return p < 0.64 ? 'pulling arm' : 'recovering arm';
}
