// What lies between two passages of a lane: how long, what is explained, what is put on and taken off.
import type { DrillId, KitId } from '../library';
import type { LaneState, SwumRep } from './model';

export interface Break {
  /** As planned: a pause, the time between two sets, talk. */
  readonly seconds: number;
  /** A drill that is swum for the first time tonight. */
  readonly explain: DrillId | null;
  /** Kit that is taken for what comes. */
  readonly on: readonly KitId[];
  /** Kit of the passage before that is put away. */
  readonly off: readonly KitId[];
}

/**
 * The break before the passage at a place of a lane; null before the first and behind the last.
 *
 * @example breakBefore(lane, 3) // { seconds: 120, explain: 'front-scull', on: ['fins'], off: [] }
 */
export function breakBefore({ passages }: Pick<LaneState, 'passages'>, index: number): Break | null {
  const [before, next] = [passages[index - 1], passages[index]];
  if (!before || !next) return null;
  const [had, has] = [before.set?.kit ?? [], next.set?.kit ?? []];
  const drill = next.set?.drill ?? null;
  const known = passages.slice(0, index).some(({ set }) => set?.drill === drill);
  return {
    seconds: next.beforeS,
    explain: drill && !known ? drill : null,
    on: has.filter((kit) => !had.includes(kit)),
    off: had.filter((kit) => !has.includes(kit)),
  };
}

/**
 * Seconds of the break that are left once everybody is in; less than none when it has lasted longer. Null while somebody
 * is on the way, and where nothing was timed.
 */
export function breakLeftS(lane: LaneState, reps: readonly SwumRep[], nowMs: number): number | null {
  const passage = lane.passages[lane.index];
  const coming = breakBefore(lane, lane.index + 1);
  if (!passage || !coming) return null;
  const last = reps.filter((rep) => rep.passage === passage.id && rep.rep === passage.reps);
  const home = new Set(last.map(({ swimmer }) => swimmer));
  if (last.length === 0 || passage.order.some((id) => !home.has(id))) return null;
  const inMs = Math.max(...last.map(({ atMs }) => atMs));
  return coming.seconds - (nowMs - inMs) / 1000;
}
