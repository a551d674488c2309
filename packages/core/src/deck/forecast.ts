import { departureMs, expectedSeconds } from './evaluate';
import type { LaneState, PassageState, RunState, SwumRep } from './model';

/** Seconds one passage takes a lane from its first send-off to the last hand on the wall. */
export function passageSeconds(passage: PassageState, reps = passage.reps, swimmers = Infinity): number {
  if (passage.countdownS !== null) return passage.countdownS;
  if (reps === 0) return 0;
  const times = Object.values(passage.expectedS);
  const slowest = times.length > 0 ? Math.max(...times) : 60;
  const behind = Math.max(0, Math.min(swimmers, Math.max(1, times.length)) - 1) * passage.gapS;
  return (reps - 1) * (passage.sendOffS ?? 0) + behind + slowest;
}

/**
 * When a lane will be out, deck clock in milliseconds: the passage being swum by its send-offs, then
 * everything to come with its talk.
 */
export function finishMs(lane: LaneState, nowMs: number, cuts: Readonly<Record<string, number>> = {}): number {
  let at = nowMs;
  lane.passages.slice(lane.index).forEach((passage, i) => {
    if (passage.skipped) return;
    const reps = cuts[passage.id] ?? passage.reps;
    const lasts = passageSeconds(passage, reps, lane.swimmers.length) * 1000;
    if (i === 0 && passage.goMs !== null) {
      const held = heldMs(passage, nowMs);
      at = Math.max(nowMs, passage.goMs + held + lasts);
    } else if (reps > 0) at += passage.beforeS * 1000 + lasts;
  });
  return at;
}

/** Milliseconds a passage was held so far. */
const heldMs = (passage: PassageState, nowMs: number): number =>
  passage.holds.reduce((sum, h) => sum + ((h.toMs ?? nowMs) - h.fromMs), 0);

export interface Cut {
  readonly lane: string;
  readonly passage: string;
  readonly from: number;
  readonly to: number;
}

/**
 * Which reps to leave out so that every lane is out in time: the fewest, taken one by one from the
 * passage of the main part or of speed that has most left; drills only after those, the swim-down never.
 *
 * Reps that have begun stay. With nothing left to take, the lane is late all the same.
 *
 * @param endMs when everyone should be out, deck clock
 */
export function cutsToFinish(state: RunState, nowMs: number, endMs: number): Cut[] {
  return state.lanes.flatMap((lane) => {
    const cuts: Record<string, number> = {};
    const open = lane.passages.slice(lane.index).filter((p) => p.countdownS === null && !p.skipped);
    const least = (p: PassageState) => repsBegun(p, nowMs);
    for (const kinds of [
      ['main', 'speed'],
      ['warm-up', 'drills'],
    ]) {
      while (finishMs(lane, nowMs, cuts) > endMs) {
        const [longest] = open
          .filter((p) => kinds.includes(p.block) && (cuts[p.id] ?? p.reps) > least(p))
          // Of equal ones the last: what was begun keeps its shape.
          .reverse()
          .sort((a, b) => left(b, cuts) - left(a, cuts));
        if (!longest) break;
        cuts[longest.id] = (cuts[longest.id] ?? longest.reps) - 1;
      }
    }
    return Object.entries(cuts).map(([passage, to]) => ({
      lane: lane.id,
      passage,
      from: open.find((p) => p.id === passage)!.reps,
      to,
    }));
  });
}

const left = (passage: PassageState, cuts: Readonly<Record<string, number>>): number =>
  passageSeconds(passage, cuts[passage.id] ?? passage.reps);

/** How many reps of a passage the first of the lane has left for. */
export function repsBegun(passage: PassageState, nowMs: number): number {
  const first = passage.order[0];
  if (passage.goMs === null || first === undefined) return 0;
  let begun = 0;
  for (let rep = 1; rep <= passage.reps; rep++) {
    const left = departureMs(passage, first, rep);
    if (left !== null && left <= nowMs) begun = rep;
  }
  return begun;
}

/** What a lane does right now. */
export type LaneNow =
  | { readonly kind: 'ready'; readonly passage: PassageState }
  | { readonly kind: 'held'; readonly passage: PassageState }
  /** `nextS` seconds until `swimmer` leaves for `rep`. */
  | {
      readonly kind: 'send-off';
      readonly passage: PassageState;
      readonly swimmer: string;
      readonly rep: number;
      readonly nextS: number;
    }
  | { readonly kind: 'countdown'; readonly passage: PassageState; readonly leftS: number }
  /** Everybody has left for the last time; `waiting` are still on their way. */
  | { readonly kind: 'coming-in'; readonly passage: PassageState; readonly waiting: readonly string[] }
  | { readonly kind: 'done' };

export function laneNow(lane: LaneState, reps: readonly SwumRep[], nowMs: number): LaneNow {
  const passage = lane.passages[lane.index];
  if (!passage) return { kind: 'done' };
  if (passage.goMs === null) return { kind: 'ready', passage };
  if (lane.held) return { kind: 'held', passage };
  if (passage.countdownS !== null) {
    const held = heldMs(passage, nowMs);
    return { kind: 'countdown', passage, leftS: passage.countdownS - (nowMs - passage.goMs - held) / 1000 };
  }
  let next: { swimmer: string; rep: number; at: number } | null = null;
  for (const swimmer of passage.order) {
    for (let rep = 1; rep <= passage.reps; rep++) {
      const at = departureMs(passage, swimmer, rep);
      if (at !== null && at > nowMs) {
        if (!next || at < next.at) next = { swimmer, rep, at };
        break;
      }
    }
  }
  if (next) return { kind: 'send-off', passage, swimmer: next.swimmer, rep: next.rep, nextS: (next.at - nowMs) / 1000 };
  const home = new Set(reps.filter((r) => r.passage === passage.id && r.rep === passage.reps).map((r) => r.swimmer));
  return { kind: 'coming-in', passage, waiting: passage.order.filter((id) => !home.has(id)) };
}

/** The rep a swimmer is on or has just ended. */
export function repNow(passage: PassageState, swimmer: string, nowMs: number): number {
  let rep = 0;
  for (let r = 1; r <= passage.reps; r++) {
    const at = departureMs(passage, swimmer, r);
    if (at !== null && at <= nowMs) rep = r;
  }
  return rep;
}

/** Somebody who should have been at the wall by now. */
export interface Overdue {
  readonly swimmer: string;
  readonly lane: string;
  readonly rep: number;
  /** Seconds past the time expected. */
  readonly lateS: number;
}

/** How many times the expected time, and how many seconds at least, before a swimmer counts as missing. */
export const OVERDUE_SHARE = 1;
export const OVERDUE_LEAST_S = 30;

/**
 * Swimmers who have not reached the wall although others in the lane have in the same rep: look for them.
 * Nobody is missed where no wall is tapped.
 */
export function overdue(state: RunState, nowMs: number): Overdue[] {
  return state.lanes.flatMap((lane) => {
    const passage = lane.passages[lane.index];
    if (!passage || passage.goMs === null || passage.countdownS !== null || lane.held) return [];
    const here = state.reps.filter((r) => r.passage === passage.id);
    return passage.order.flatMap((swimmer): Overdue[] => {
      if (state.present[swimmer]?.as === 'out' || state.present[swimmer]?.as === 'absent') return [];
      const rep = repNow(passage, swimmer, nowMs);
      if (rep === 0 || here.some((r) => r.swimmer === swimmer && r.rep >= rep)) return [];
      if (!here.some((r) => r.rep >= rep)) return [];
      const expected = expectedSeconds(passage, swimmer);
      const lateS = (nowMs - departureMs(passage, swimmer, rep)!) / 1000 - expected;
      return lateS > Math.max(OVERDUE_LEAST_S, OVERDUE_SHARE * expected)
        ? [{ swimmer, lane: lane.id, rep, lateS }]
        : [];
    });
  });
}

export interface HeadCount {
  readonly expected: number;
  readonly inWater: readonly string[];
  readonly out: readonly string[];
  readonly absent: readonly string[];
  /** Nobody has said yet where they are. */
  readonly unknown: readonly string[];
}

/** Who is in the water, out, absent, and not counted yet. */
export function headCount(state: RunState): HeadCount {
  const ids = state.setup?.swimmers.map((s) => s.id) ?? [];
  const are = (as: string) => ids.filter((id) => state.present[id]?.as === as);
  return {
    expected: ids.length,
    inWater: are('in'),
    out: are('out'),
    absent: are('absent'),
    unknown: ids.filter((id) => !state.present[id]),
  };
}
