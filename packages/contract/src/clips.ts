// Clips that were looked at, and the stills of them, on the wire.
import { LARGEST_STILL, LONGEST_SENTENCE, LONGEST_STILL, MOST_STILLS } from './limits';
import type { ClipNote } from '@upwell/core/formats';
import { LINE_KINDS, NOTE_LIMITS, type FrameLine, type LineKind, type Tap } from '@upwell/core/measures';
import { Joi } from './joi';
import { isoDate, line, oneOf, saved, uuid, type Saved } from './common';

export { LARGEST_STILL, LONGEST_SENTENCE, LONGEST_STILL, MOST_STILLS } from './limits';

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
  /** How many stills of it are in the hand-out. */
  readonly stills: number;
}

/** A picture of a clip with its lines, and a sentence: all that ever leaves the device of a clip. */
export interface ClipStill {
  readonly timeS: number;
  readonly sentence: string;
  readonly width: number;
  readonly height: number;
  /** JPEG in base64. */
  readonly image: string;
}

/** Stills that leave the device, with the consent to it. */
export interface StillsSave {
  readonly stills: readonly ClipStill[];
  /** Whether the swimmer, or the guardian of a child, agreed that these stills leave the device. */
  readonly agreed: true;
}

const pixels = () => Joi.number().integer().min(16).max(LARGEST_STILL).required();
export const stillsSaveSchema = Joi.object<StillsSave>({
  stills: Joi.array()
    .items(
      Joi.object({
        timeS: time(),
        sentence: line(LONGEST_SENTENCE).required(),
        width: pixels(),
        height: pixels(),
        image: Joi.string().base64().max(LONGEST_STILL).required(),
      }),
    )
    .min(1)
    .max(MOST_STILLS)
    .required(),
  agreed: Joi.valid(true).required().messages({
    'any.only': 'Ask first: stills leave this device only when the swimmer, or the guardian of a child, agrees.',
  }),
});

/** The stills of a clip, and since when it is agreed that they leave the device. */
export interface ClipStills {
  readonly agreedAt: string | null;
  readonly stills: readonly ClipStill[];
}

/** A still with the day of its clip. */
export interface DatedStill extends ClipStill {
  readonly on: string;
}

/** The first and the last still of a swimmer, side by side; null where there are no two clips with stills. */
export interface ThenAndNow {
  readonly then: DatedStill | null;
  readonly now: DatedStill | null;
}
