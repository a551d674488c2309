// A meet while its times are written down; kept on the device until they are stored.
import {
  meetSwim,
  swumDistance,
  swumMetres,
  type MeetSwim,
  type ResultLine,
  type SwumPool,
} from '@upwell/core/measures';

export interface MeetDraft {
  readonly name: string;
  /** ISO date. */
  readonly on: string;
  readonly pool: SwumPool | null;
  readonly squadId: string | null;
  /** The distance that is written now, metres. */
  readonly distanceM: number;
  /** What was written, by distance and swimmer. */
  readonly written: Readonly<Record<string, Written>>;
}

interface Written {
  readonly time: string;
  readonly splits: string;
}

const NOTHING: Written = { time: '', splits: '' };

export const newMeet = (on: string, pool: SwumPool): MeetDraft => ({
  ...{ name: '', on, pool, squadId: null, distanceM: swumMetres(100, pool), written: {} },
});

/** In another pool: what is swum next is the same number in its unit. */
export const withPool = (draft: MeetDraft, pool: SwumPool | null): MeetDraft => ({
  ...draft,
  pool,
  distanceM: swumMetres(
    swumDistance({ distanceM: draft.distanceM, details: draft.pool ? { pool: draft.pool } : {} }),
    pool,
  ),
});

const keyOf = (distanceM: number, swimmerId: string): string => `${distanceM} ${swimmerId}`;

export const writtenFor = ({ written, distanceM }: MeetDraft, swimmerId: string): Written =>
  written[keyOf(distanceM, swimmerId)] ?? NOTHING;

/** With the time or the splits of a swimmer at the distance that is written now. */
export const withWritten = (draft: MeetDraft, swimmerId: string, change: Partial<Written>): MeetDraft => ({
  ...draft,
  written: {
    ...draft.written,
    [keyOf(draft.distanceM, swimmerId)]: { ...writtenFor(draft, swimmerId), ...change },
  },
});

/** What is written for a swimmer at the distance that is written now, as a result. */
export const swimOf = (draft: MeetDraft, swimmerId: string): MeetSwim =>
  meetSwim(draft, { swimmerId, distanceM: draft.distanceM, ...writtenFor(draft, swimmerId) });

/** Everything that is written: the results, and how many of them cannot be one yet. */
export function swimsOf(draft: MeetDraft): { readonly results: readonly ResultLine[]; readonly refused: number } {
  const swims = Object.entries(draft.written).map(([key, written]) => {
    const [distance, swimmerId] = key.split(' ') as [string, string];
    return meetSwim(draft, { swimmerId, distanceM: Number(distance), ...written });
  });
  return {
    results: swims.flatMap((swim) => (swim.kind === 'ready' ? [swim.result] : [])),
    refused: swims.filter(({ kind }) => kind === 'refused').length,
  };
}
