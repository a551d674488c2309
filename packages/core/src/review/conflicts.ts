import type { SignId } from './catalogue';
import type { SignsSeen } from './evidence';

/** Two signs that one swimmer hardly shows at the same time, and what to do about it. */
export interface Conflict {
  readonly signs: readonly [SignId, SignId];
  readonly reason: string;
}

const CANNOT_BOTH: readonly Conflict[] = [
  {
    signs: ['shoulders-stack', 'shoulders-flat'],
    reason: 'Roll too large and too small at once: say which side, or look from the front again.',
  },
  { signs: ['rate-low', 'rate-high'], reason: 'A rate is above the band or below it: count ten strokes again.' },
  {
    signs: ['eyes-ahead', 'hips-low-eyes-down'],
    reason: 'Eyes ahead and eyes down: watch the gaze between two breaths.',
  },
  {
    signs: ['long-in-air', 'hands-meet-and-stop'],
    reason: 'The pause is above the water or in front: time one cycle.',
  },
  { signs: ['feet-out', 'feet-deep'], reason: 'Feet out of the water and far below: watch one kick from the side.' },
  {
    signs: ['no-glide', 'hands-meet-and-stop'],
    reason: 'No glide and a stop in front do not go together: look at one stroke.',
  },
  {
    signs: ['mouth-barely-clears', 'whole-face-out'],
    reason: 'Too little and too much face at the breath: does one side differ from the other?',
  },
  {
    signs: ['length-collapses', 'rate-low'],
    reason: 'Strokes collapse at a high rate, not at a low one: count again.',
  },
  { signs: ['swims-extra', 'slow-but-straight'], reason: 'Extra metres and a straight line: look at the track again.' },
  { signs: ['hand-high-wide', 'recovery-wide-low'], reason: 'The recovery is high or low: watch one arm at a time.' },
];

/** The signs that one sign contradicts. */
export const contradicted = (sign: SignId): readonly SignId[] =>
  CANNOT_BOTH.flatMap(({ signs: [a, b] }) => (a === sign ? [b] : b === sign ? [a] : []));

/** Pairs among the signs seen that contradict each other. Both stay in; the coach decides. */
export function conflictsAmong(signs: SignsSeen): Conflict[] {
  const there = (id: SignId) => signs[id] === 'often' || signs[id] === 'sometimes';
  return CANNOT_BOTH.filter(({ signs: [a, b] }) => there(a) && there(b));
}
