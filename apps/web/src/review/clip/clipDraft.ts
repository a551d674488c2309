import type { ClipFields, ClipLine, ClipView } from '@upwell/contract/clips';
import type { ClipNote } from '@upwell/core/formats';
import {
  lineAngle,
  repeatedReading,
  strokeTiming,
  type FrameLine,
  type LineKind,
  type Reading,
  type StrokeTiming,
  type Tap,
} from '@upwell/core/measures';
import { v7 } from 'uuid';
import { dayOf } from '@/ui/dates';

/** What is being noted on a clip; kept on the device until it is saved. */
export interface ClipDraft {
  readonly id: string;
  readonly writeId: string;
  readonly version: number;
  readonly title: string;
  readonly recordedOn: string;
  readonly distance: string;
  readonly taps: readonly Tap[];
  readonly lines: readonly ClipLine[];
  readonly notes: readonly ClipNote[];
  /** Earlier states, for undo. */
  readonly past: readonly Pick<ClipDraft, 'taps' | 'lines' | 'notes'>[];
}

export function newClipDraft(): ClipDraft {
  return {
    id: v7(),
    writeId: v7(),
    version: 0,
    title: '',
    recordedOn: dayOf(new Date()),
    distance: '',
    taps: [],
    lines: [],
    notes: [],
    past: [],
  };
}

export function clipDraftOf(clip: ClipView): ClipDraft {
  return {
    ...newClipDraft(),
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

type Noted = Pick<ClipDraft, 'taps' | 'lines' | 'notes'>;

/** The draft with something noted; undo brings the old state back. */
export function noted(draft: ClipDraft, change: Partial<Noted>): ClipDraft {
  const { taps, lines, notes } = draft;
  return { ...draft, ...change, writeId: v7(), past: [...draft.past, { taps, lines, notes }].slice(-60) };
}

export function undoneNote(draft: ClipDraft): ClipDraft {
  const last = draft.past[draft.past.length - 1];
  return last ? { ...draft, ...last, writeId: v7(), past: draft.past.slice(0, -1) } : draft;
}

/** The draft with one more tap, in the order of time. */
export function withTap(draft: ClipDraft, tap: Tap): ClipDraft {
  const at = { ...tap, timeS: Math.round(tap.timeS * 1000) / 1000 };
  return noted(draft, { taps: [...draft.taps, at].sort((a, b) => a.timeS - b.timeS) });
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

/** The readings of every kind of line that was drawn. */
export function readingsOf(
  lines: readonly ClipLine[],
  aspect: number,
): readonly (Reading & { readonly kind: LineKind })[] {
  const kinds = [...new Set(lines.map((l) => l.kind))];
  return kinds.map((kind) => ({
    kind,
    ...repeatedReading(lines.filter((l) => l.kind === kind).map((l) => lineAngle(kind, l.line, aspect))),
  }));
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
