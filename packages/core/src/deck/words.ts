// What is swum on the deck, in the few words that fit beside a lane.
import { whatWord } from '../sessions';
import { formatTime, METRES_PER_YARD, type Pool } from '../units';
import type { Cut } from './forecast';
import type { LaneState, Passage, RunState } from './model';

/** A passage in a few words. @example '4 × 50 crawl' */
export function passageWord(passage: Passage, pool: Pool): string {
  const { set } = passage;
  if (!set) return `${Math.round((passage.countdownS ?? 0) / 60)} min on land`;
  const length = set.kind === 'timed' ? formatTime(set.seconds) : distanceOf(passage, pool);
  return `${passage.reps > 1 ? `${passage.reps} × ` : ''}${length} ${whatWord(set)}`;
}

function distanceOf(passage: Passage, pool: Pool): string {
  return String(Math.round(passage.repM / (pool.unit === 'yd' ? METRES_PER_YARD : 1)));
}

/** What is left out in one lane, the same in several rounds said once. @example ['8 × 75 crawl → 6 ×, in 2 rounds'] */
export function cutsIn(lane: LaneState, cuts: readonly Cut[], pool: Pool): string[] {
  const times = new Map<string, number>();
  for (const cut of cuts.filter((c) => c.lane === lane.id)) {
    const passage = lane.passages.find((p) => p.id === cut.passage)!;
    const words = `${passageWord(passage, pool)} → ${cut.to === 0 ? 'leave out' : `${cut.to} ×`}`;
    times.set(words, (times.get(words) ?? 0) + 1);
  }
  return [...times].map(([words, n]) => (n === 1 ? words : `${words}, in ${n} rounds`));
}

/** Cuts in words, lane by lane. @example ['Lane 1: 8 × 75 crawl → 6 ×'] */
export const cutWords = ({ lanes }: RunState, cuts: readonly Cut[], pool: Pool): string[] =>
  lanes.flatMap((lane) => cutsIn(lane, cuts, pool).map((words) => `Lane ${lane.number}: ${words}`));
