import { repRecords, runState, type DeckEvent, type DeckFact } from '@upwell/core/deck';

/** An event as the database keeps it. */
export interface EventRow {
  readonly seq: string;
  readonly id: string;
  readonly device: string;
  readonly at_ms: number;
  readonly fact: DeckFact;
}

export const toEvent = ({ id, device, at_ms, fact }: Omit<EventRow, 'seq'>): DeckEvent => ({
  id,
  device,
  atMs: at_ms,
  ...fact,
});

/** Everything that follows from the events of a run, each part as the JSON that is stored. */
export interface RunRecords {
  readonly reps: string;
  readonly signs: string;
  readonly attendance: string;
  /** Better, same, worse for a focus that still stand, and the ids of those that were taken back. */
  readonly verdicts: string;
  readonly takenBack: readonly string[];
}

/**
 * Works out reps, signs, attendance and verdicts of a run.
 *
 * @param events all its events as the JSON of their rows: a run has thousands, and only this thread reads them
 */
export function runRecords(events: string): RunRecords {
  const all = (JSON.parse(events) as Omit<EventRow, 'seq'>[]).map(toEvent);
  const state = runState(all);
  const stand = new Set(state.verdicts.map((v) => v.event));
  return {
    reps: JSON.stringify(
      repRecords(state).map(({ swimmer, distanceM, timeS, atMs, ...rep }) => ({
        swimmer_id: swimmer,
        distance_m: distanceM,
        time_s: timeS,
        at_ms: atMs,
        ...rep,
      })),
    ),
    signs: JSON.stringify(
      state.signs.map(({ event, swimmer, sign, sighting }) => ({ id: event, swimmer_id: swimmer, sign, sighting })),
    ),
    attendance: JSON.stringify(
      Object.entries(state.present).map(([swimmer_id, { as, inMs, outMs }]) => ({
        swimmer_id,
        status: as,
        in_ms: inMs,
        out_ms: outMs,
      })),
    ),
    verdicts: JSON.stringify(
      state.verdicts.map((v) => ({
        id: v.event,
        focus_id: v.focusId,
        drill: v.drill,
        verdict: v.verdict,
        at_ms: v.atMs,
      })),
    ),
    takenBack: all.filter((e) => e.kind === 'verdict' && !stand.has(e.id)).map((e) => e.id),
  };
}
