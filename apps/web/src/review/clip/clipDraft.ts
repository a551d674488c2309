/** What is being noted on a clip; kept on the device until it is saved. */
import type { ClipFields, ClipLine, ClipView } from '@upwell/contract/clips';
import {
  lineValues,
  repeatedReading,
  strokeTiming,
  type FrameLine,
  type LineKind,
  type Reading,
  type StrokeTiming,
  type Tap,
} from '@upwell/core/measures';
import { v7 } from 'uuid';
import type { StillDraft } from './makeStill';
import { NO_HISTORY, undoable, type History } from '@/state/history';

/** What is on the table; drafts of an older app have no stills. */
type Noted = Pick<ClipView, 'taps' | 'lines' | 'notes'> & { readonly stills?: readonly StillDraft[] };

export interface ClipDraft extends History<Noted>, Noted {
  readonly id: string;
  readonly writeId: string;
  readonly version: number;
  readonly title: string;
  readonly recordedOn: string;
  readonly distance: string;
}

export function newClipDraft(recordedOn: string): ClipDraft {
  return {
    id: v7(),
    writeId: v7(),
    version: 0,
    title: '',
    recordedOn,
    distance: '',
    taps: [],
    lines: [],
    notes: [],
    ...NO_HISTORY,
  };
}

export function clipDraftOf(clip: ClipView): ClipDraft {
  return {
    ...newClipDraft(clip.recordedOn),
    id: clip.id,
    version: clip.version,
    title: clip.title,
    recordedOn: clip.recordedOn,
    distance: clip.distanceM === null ? '' : String(clip.distanceM),
    taps: clip.taps,
    lines: clip.lines,
    notes: clip.notes,
  };
}

const steps = undoable<ClipDraft, Noted>(
  ({ taps, lines, notes, stills = [] }) => ({ taps, lines, notes, stills }),
  (draft, noted) => ({ ...draft, ...noted, writeId: v7() }),
);

export const { undone, redone } = steps;

/** The draft with something noted; undo brings the old state back. */
export function noted(draft: ClipDraft, change: Partial<Noted>): ClipDraft {
  const { taps, lines, notes, stills = [] } = draft;
  return steps.changed(draft, { taps, lines, notes, stills, ...change });
}

/** The draft with one more tap, in the order of time. */
export function withTap(draft: ClipDraft, tap: Tap): ClipDraft {
  const at = { ...tap, timeS: Math.round(tap.timeS * 1000) / 1000 };
  return noted(draft, { taps: [...draft.taps, at].sort((a, b) => a.timeS - b.timeS) });
}

/** The draft with entries that were found in place of those it had; other taps stay. */
export function withEntries(draft: ClipDraft, entries: readonly Pick<Tap, 'side' | 'timeS'>[]): ClipDraft {
  const found = entries.map(({ side, timeS }): Tap => ({
    ...{ kind: 'entry', side, timeS: Math.round(timeS * 1000) / 1000 },
  }));
  const others = draft.taps.filter(({ kind }) => kind !== 'entry');
  return noted(draft, { taps: [...others, ...found].sort((a, b) => a.timeS - b.timeS) });
}

export function withoutTap(draft: ClipDraft, index: number): ClipDraft {
  return noted(draft, { taps: draft.taps.filter((_, i) => i !== index) });
}

export function withLine(draft: ClipDraft, kind: LineKind, timeS: number, line: FrameLine): ClipDraft {
  return noted(draft, { lines: [...draft.lines, { id: v7(), kind, timeS, line }] });
}

/** Metres typed by the coach, or null. */
export function metresOf(text: string): number | null {
  const value = Number(text.replace(',', '.'));
  return text.trim() !== '' && Number.isFinite(value) && value > 0 && value <= 10_000 ? value : null;
}

/** The timing of the taps, or why there is none yet. */
export function timingOf(draft: ClipDraft): { readonly timing: StrokeTiming | null; readonly reason: string } {
  try {
    return { timing: strokeTiming(draft.taps, metresOf(draft.distance)), reason: '' };
  } catch (error) {
    if (error instanceof RangeError) return { timing: null, reason: error.message };
    throw error;
  }
}

export interface KindReading extends Reading {
  readonly kind: LineKind;
}

/** The readings of every kind of line that was drawn and can be read. */
export function readingsOf(lines: readonly ClipLine[], aspect: number): readonly KindReading[] {
  const kinds = [...new Set(lines.map((l) => l.kind))];
  return kinds.flatMap((kind) => {
    const values = lineValues(kind, lines, aspect);
    return values.length > 0 ? [{ kind, ...repeatedReading(values) }] : [];
  });
}

/** The draft as it is stored. */
export function clipFieldsOf(draft: ClipDraft, swimmerId: string, durationS: number, aspect: number): ClipFields {
  return {
    swimmerId,
    title: draft.title.trim() || `Clip of ${draft.recordedOn}`,
    recordedOn: draft.recordedOn,
    durationS,
    aspect,
    distanceM: metresOf(draft.distance),
    taps: draft.taps,
    lines: draft.lines,
    notes: draft.notes,
  };
}
