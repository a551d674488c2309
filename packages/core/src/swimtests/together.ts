// A time trial that many swim at once: who left when, and what each of them swam.
import { formatTime, parseTime } from '../units';
import { RefusedTest, testOutcome, type TestInput, type TestOutcome } from './outcome';

/** All-out distances of a test for a squad, metres, the longer one first: the shorter follows after a good rest. */
export const TOGETHER_M = [400, 200] as const;
export type TogetherM = (typeof TOGETHER_M)[number];

/** Seconds between two swimmers leaving; 0 is a start of all at once. */
export const APART_S = [0, 5, 10] as const;

/** What was written down for one swimmer, as text, by distance. */
export type TogetherTimes = Readonly<Partial<Record<TogetherM, string>>>;

/**
 * The time of a swimmer who touches now, as text.
 *
 * @param startMs when the first left; @param atMs of the touch
 * @param place in the order of leaving, from 0
 * @returns null before that swimmer has left
 * @example touchTime(0, 372_300, 3, 10) // '5:42.3'
 */
export function touchTime(startMs: number, atMs: number, place: number, apartS: number): string | null {
  const seconds = (atMs - startMs) / 1000 - place * apartS;
  return seconds > 0 ? formatTime(seconds, 1) : null;
}

/** What the times of one swimmer say: nothing yet, why they say nothing, or the test to store. */
export type TogetherResult =
  | { readonly kind: 'empty' }
  | { readonly kind: 'refused'; readonly why: string }
  | { readonly kind: 'ready'; readonly input: TestInput; readonly outcome: TestOutcome };

/**
 * What the times of one swimmer say.
 *
 * @example togetherResult({ 400: '5:52', 200: '2:45' }).kind // 'ready'
 */
export function togetherResult(times: TogetherTimes): TogetherResult {
  const written = TOGETHER_M.filter((metres) => (times[metres] ?? '').trim() !== '');
  if (written.length === 0) return { kind: 'empty' };
  const wrong = written.find((metres) => parseTime(times[metres]!) === null);
  if (wrong !== undefined) return { kind: 'refused', why: `“${times[wrong]!}” is not a time.` };
  const input: TestInput = {
    kind: 'critical-speed',
    trials: written.map((distanceM) => ({ distanceM, timeS: parseTime(times[distanceM]!)! })),
  };
  try {
    return { kind: 'ready', input, outcome: testOutcome(input) };
  } catch (error) {
    if (error instanceof RefusedTest) return { kind: 'refused', why: error.message };
    throw error;
  }
}
