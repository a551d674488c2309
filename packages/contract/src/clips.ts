import type { ClipNote } from '@upwell/core/formats';
import { LINE_KINDS, NOTE_LIMITS, type FrameLine, type LineKind, type Tap } from '@upwell/core/measures';
import { Joi } from './joi';
import { isoDate, line, oneOf, saved, uuid, type Saved } from './common';

/** A line drawn on a frame; the same kind drawn again is a repeated reading. Points are shares of the frame. */
export interface ClipLine {
  readonly id: string;
  readonly kind: LineKind;
  readonly timeS: number;
  readonly line: FrameLine;
}

/** What is kept of a clip: times, lines and notes. The video itself stays on the coach's device. */
export interface ClipFields {
  readonly swimmerId: string;
  readonly title: string;
  readonly recordedOn: string;
  readonly durationS: number;
  /** Width of a frame divided by its height. */
  readonly aspect: number;
  /** Metres between the first and the last hand entry, when known. */
  readonly distanceM: number | null;
  readonly taps: readonly Tap[];
  readonly lines: readonly ClipLine[];
  readonly notes: readonly ClipNote[];
}

export type ClipSave = ClipFields & Saved;

/** Ten minutes at three strokes a second with every kind of tap stay below. */
export const MOST_TAPS = 8000;
const LONGEST_S = 3600;

const time = () => Joi.number().min(0).max(LONGEST_S).required();
const point = Joi.object({
  x: Joi.number().min(-1).max(2).required(),
  y: Joi.number().min(-1).max(2).required(),
}).required();

export const clipSaveSchema = Joi.object<ClipSave>({
  swimmerId: uuid().required(),
  title: line(80).required(),
  recordedOn: isoDate().required(),
  durationS: Joi.number().greater(0).max(LONGEST_S).required(),
  aspect: Joi.number().min(0.1).max(10).required(),
  distanceM: Joi.number().greater(0).max(10_000).allow(null).required(),
  taps: Joi.array()
    .items(
      Joi.object({
        kind: oneOf(['entry', 'catch', 'exit', 'breath']).required(),
        side: oneOf(['left', 'right']).required(),
        timeS: time(),
      }),
    )
    .max(MOST_TAPS)
    .required(),
  lines: Joi.array()
    .items(
      Joi.object({
        id: uuid().required(),
        kind: oneOf(LINE_KINDS).required(),
        timeS: time(),
        line: Joi.array().ordered(point, point).length(2).required(),
      }),
    )
    .max(300)
    .required(),
  notes: Joi.array()
    .items(Joi.object({ startS: time(), endS: time(), text: Joi.string().trim().max(NOTE_LIMITS.letters).required() }))
    .max(NOTE_LIMITS.notes)
    .required(),
  ...saved,
});

export interface ClipView extends ClipFields {
  readonly id: string;
  readonly version: number;
}

/** One line of a swimmer's list of clips. */
export interface ClipRow {
  readonly id: string;
  readonly title: string;
  readonly recordedOn: string;
  readonly strokes: number;
}
