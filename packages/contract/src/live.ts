// What one device hears of the others that have the same session open: server-sent events of `/sessions/:id/live`.
import { uuid } from './common';
import { Joi } from './joi';

/** Each kind of event with its data, which is JSON. Nothing of the session itself: that is asked for as always. */
export interface LiveEvents {
  /** The session was stored: ask for it when this is another version. Null when it was taken out. */
  readonly session: { readonly version: number | null };
  /** Something was noted while it is run: ask for what came after the last that is known. */
  readonly run: Record<string, never>;
  /** Who has it open, each device once; said again whenever that changes. */
  readonly here: readonly Here[];
}

/** A device that has a session open, and whose it is. */
export interface Here {
  readonly device: string;
  readonly name: string;
}

/** The same at one moment, for those who do not ask for a stream. */
export interface LiveNow {
  readonly version: number;
  readonly here: readonly Here[];
}

export const liveQuerySchema = Joi.object<{ device: string }>({ device: uuid().required() });
