// What happens to a clip that a swimmer sends in.
import {
  MOST_PIECES,
  SENT_PIECE,
  type SentAnswer,
  type SentAsk,
  type SentClip,
  type SentDone,
} from '@upwell/contract/sent';
import type { EntityManager } from '@mikro-orm/postgresql';
import type { SignedIn } from '../platform/identity';
import { notFound, ProblemError } from '../platform/problem';
import { all, first, one, run } from '../platform/statement';
import { mayClip } from '../review';
import * as sql from './sql';

/** Clips that were asked for, sent and answered; those whose time is over go. */
export async function sentClips(em: EntityManager): Promise<readonly SentClip[]> {
  await run(em, sql.SWEEP_SENT);
  return all(em, sql.SENT_CLIPS);
}

export async function sentClip(em: EntityManager, id: string): Promise<SentClip> {
  const clip = await first(em, sql.SENT_BY_ID, [id]);
  if (!clip) throw notFound();
  return clip;
}

/** Asks a swimmer for a clip; the same id again is answered with what is stored. */
export async function askForClip(em: EntityManager, me: SignedIn, id: string, ask: SentAsk): Promise<SentClip> {
  await mayClip(em, ask.swimmerId);
  await run(em, sql.ASK, [id, me.clubId, ask.swimmerId, me.accountId, ask.wish, ask.view]);
  return sentClip(em, id);
}

/** Stores a piece of a clip that was asked for and is not sent yet. */
export async function putPiece(em: EntityManager, me: SignedIn, id: string, n: number, data: Buffer): Promise<void> {
  const clip = await sentClip(em, id);
  await mayClip(em, clip.swimmerId);
  if (clip.sentAt) throw new ProblemError(409, 'This clip is sent already.');
  if (n >= MOST_PIECES || data.length === 0 || data.length > SENT_PIECE)
    throw new ProblemError(413, 'A clip is at most 60 s and 60 MB.');
  await run(em, sql.PUT_PIECE, [id, me.clubId, n, data]);
}

/** Says that all pieces are there. */
export async function doneSending(em: EntityManager, id: string, done: SentDone): Promise<SentClip> {
  const clip = await sentClip(em, id);
  await mayClip(em, clip.swimmerId);
  if (clip.sentAt) return clip;
  await run(em, sql.DROP_REST, [id, done.pieces]);
  const { pieces, bytes, head } = await one(em, sql.PIECES, [id, id, done.pieces]);
  if (pieces !== done.pieces)
    throw new ProblemError(409, `${pieces} of ${done.pieces} pieces are here. Send it again.`);
  if (!head || !isFilm(head, done.type)) throw new ProblemError(422, 'This is not a video in MP4 or WebM.');
  await run(em, sql.SENT_DONE, [done.type, done.seconds, bytes, id]);
  return sentClip(em, id);
}

/** Whether bytes begin as a film of a type does. */
function isFilm(head: Buffer, type: SentDone['type']): boolean {
  return type === 'video/webm'
    ? head.subarray(0, 4).equals(Buffer.from('1a45dfa3', 'hex'))
    : head.subarray(4, 8).toString('latin1') === 'ftyp';
}

/** One piece of a film; null behind the last. */
export async function pieceOf(em: EntityManager, id: string, n: number): Promise<Buffer | null> {
  return (await first(em, sql.PIECE, [id, n]))?.data ?? null;
}

/** The coach's answer; said again it takes the place of the one before. */
export async function answerClip(em: EntityManager, id: string, { words, voice }: SentAnswer): Promise<SentClip> {
  const clip = await sentClip(em, id);
  if (!clip.sentAt) throw new ProblemError(409, 'This clip has not come in yet.');
  await run(em, sql.ANSWER, [words, voice ? Buffer.from(voice.data, 'base64') : null, voice?.type ?? null, id]);
  return sentClip(em, id);
}

/** The spoken part of an answer. */
export async function voiceOf(em: EntityManager, id: string) {
  const row = await first(em, sql.VOICE, [id]);
  if (!row?.voice || !row.type) throw notFound();
  return { swimmerId: row.swimmerId, voice: row.voice, type: row.type };
}

export async function removeSent(em: EntityManager, id: string): Promise<void> {
  if ((await run(em, sql.REMOVE_SENT, [id])) === 0) throw notFound();
}

/** Deletes what a swimmer has sent who may not be filmed any more. */
export async function noSentClips(em: EntityManager, swimmerId: string): Promise<void> {
  await run(em, sql.NO_SENT, [swimmerId]);
}
