// A clip on its way to the coach: kept on the device until the server has all of it.
import type { Problem } from '@upwell/contract/common';
import { SENT_PIECE, type SentClip, type SentDone } from '@upwell/contract/sent';
import { addPiece, deleteFilms, filmOf, noteThere, pictures, type Film } from '../filmStore';

/** Why a clip did not arrive; it is still on the device. */
export class NotSent extends Error {
  /** @param again whether it goes on by itself when the network is back */
  constructor(
    message: string,
    readonly again: boolean,
  ) {
    super(message);
  }
}

const NO_LINE = 'No connection to the server. The clip is kept on this device and goes on when the network is back.';

/** Keeps a film for a clip that was asked for, in the place of one that was chosen before. */
export async function keepToSend(
  { id, swimmerId, swimmerName, view }: SentClip,
  { film, type, seconds }: { readonly film: Blob; readonly type: SentDone['type']; readonly seconds: number },
): Promise<Film> {
  await deleteFilms([id]);
  await addPiece({ id, swimmerId, name: swimmerName, view, at: new Date().toISOString(), type }, film, seconds);
  return (await filmOf(id))!;
}

/**
 * Sends a kept film piece by piece, from where it was broken off, and lets it go when the server has all of it.
 *
 * @param onShare receives the share that is there, 0–1
 * @throws NotSent with a sentence for the swimmer; AbortError when it was ended
 */
export async function sendKept(kept: Film, onShare: (share: number) => void, signal: AbortSignal): Promise<void> {
  const { id, type, seconds } = kept;
  const film = await pictures(kept);
  const pieces = Math.ceil(film.size / SENT_PIECE);
  for (let n = kept.there ?? 0; n < pieces; n++) {
    onShare(n / pieces);
    const piece = film.slice(n * SENT_PIECE, (n + 1) * SENT_PIECE);
    await put('PUT', `${id}/pieces/${n}`, piece, 'application/octet-stream', signal);
    await noteThere(id, n + 1);
  }
  onShare(1);
  const done: SentDone = { type: type as SentDone['type'], seconds, pieces };
  try {
    await put('POST', `${id}/sent`, JSON.stringify(done), 'application/json', signal);
  } catch (error) {
    // The server has other pieces than this device thinks: the next time all of them are sent.
    if (error instanceof NotSent && !error.again) await noteThere(id, 0);
    throw error;
  }
  await deleteFilms([id]);
}

async function put(method: string, path: string, body: BodyInit, type: string, signal: AbortSignal): Promise<void> {
  let response: Response;
  try {
    response = await fetch(
      new Request(`/api/v1/sent-clips/${path}`, {
        ...{ method, body, signal, credentials: 'same-origin', headers: { 'content-type': type } },
      }),
    );
  } catch (error) {
    if (signal.aborted) throw error;
    throw new NotSent(NO_LINE, true);
  }
  if (response.ok) return;
  const { status } = response;
  if (status >= 500 || status === 408 || status === 429) throw new NotSent(NO_LINE, true);
  const problem = (await response.json().catch(() => ({}))) as Partial<Problem>;
  throw new NotSent(problem.detail ?? 'The server did not take this clip.', false);
}
