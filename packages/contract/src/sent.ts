// Clips that swimmers send to their coach, on being asked, and what the coach answers.
import { LONGEST_SENT_S, MOST_PIECES } from './limits';
import { Joi } from './joi';
import { line, oneOf, uuid } from './common';

export { LARGEST_SENT, LONGEST_SENT_S, LONGEST_VOICE_S, MOST_PIECES, SENT_DAYS, SENT_PIECE } from './limits';

export const SENT_TYPES = ['video/webm', 'video/mp4'] as const;
export const SENT_VIEWS = ['side', 'front', 'above', 'under'] as const;
/** Letters in base64 of the longest spoken note: 60 s at 32 kbit/s stay below. */
const LONGEST_VOICE = 400_000;

/** What a coach asks for. */
export interface SentAsk {
  readonly swimmerId: string;
  /** What is to be seen. */
  readonly wish: string;
  readonly view: (typeof SENT_VIEWS)[number];
}

export const sentAskSchema = Joi.object<SentAsk>({
  swimmerId: uuid().required(),
  wish: line(160).required(),
  view: oneOf(SENT_VIEWS).required(),
});

/** Said once all pieces are there. */
export interface SentDone {
  readonly type: (typeof SENT_TYPES)[number];
  readonly seconds: number;
  readonly pieces: number;
}

export const sentDoneSchema = Joi.object<SentDone>({
  type: oneOf(SENT_TYPES).required(),
  seconds: Joi.number()
    .greater(0)
    .max(LONGEST_SENT_S + 1)
    .required(),
  pieces: Joi.number().integer().min(1).max(MOST_PIECES).required(),
});

/** What the coach says to it; the hand-out of the focus goes with it. */
export interface SentAnswer {
  readonly words: string;
  readonly voice: { readonly type: string; readonly data: string } | null;
}

export const sentAnswerSchema = Joi.object<SentAnswer>({
  words: line(600).required(),
  voice: Joi.object({
    type: Joi.string()
      .pattern(/^audio\/[a-z0-9.+-]{2,20}(;codecs=[a-z0-9.]{2,20})?$/)
      .required(),
    data: Joi.string().base64().min(4).max(LONGEST_VOICE).required(),
  })
    .allow(null)
    .required(),
});

/** A clip that was asked for, with how far it is. */
export interface SentClip {
  readonly id: string;
  readonly swimmerId: string;
  readonly swimmerName: string;
  readonly wish: string;
  readonly view: SentAsk['view'];
  /** Who asked; empty for swimmers. */
  readonly askedBy: string;
  readonly askedAt: string;
  readonly type: SentDone['type'] | null;
  readonly seconds: number | null;
  readonly bytes: number | null;
  readonly sentAt: string | null;
  readonly answeredAt: string | null;
  readonly words: string;
  readonly voice: boolean;
  /** Pieces that are there: what is sent again after a broken connection begins behind them. */
  readonly pieces: number;
}
