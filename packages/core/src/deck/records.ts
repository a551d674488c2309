import type { DrillId } from '../library';
import type { SwimStroke } from '../sessions';
import type { RunState } from './model';

/** One timed rep as it goes into a swimmer's records. */
export interface RepRecord {
  readonly swimmer: string;
  readonly passage: string;
  readonly rep: number;
  readonly distanceM: number;
  readonly timeS: number;
  /** Hand entries in one length. */
  readonly strokes: number | null;
  readonly effort: number;
  readonly stroke: SwimStroke;
  readonly drill: DrillId | null;
  readonly atMs: number;
}

/** Every timed rep of a run, in the order in which they were swum. */
export function repRecords(state: RunState): RepRecord[] {
  const passages = new Map(state.lanes.flatMap((lane) => lane.passages.map((p) => [`${lane.id} ${p.id}`, p] as const)));
  return state.reps.flatMap((rep): RepRecord[] => {
    const passage = passages.get(`${rep.lane} ${rep.passage}`);
    if (!passage?.set) return [];
    const { effort, stroke, drill } = passage.set;
    const { swimmer, timeS, strokes, atMs } = rep;
    return [
      {
        swimmer,
        passage: rep.passage,
        rep: rep.rep,
        distanceM: passage.repM,
        timeS,
        strokes,
        effort,
        stroke,
        drill,
        atMs,
      },
    ];
  });
}
