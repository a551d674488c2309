import { CHUNK_CHARACTERS, CHUNK_ROWS } from '@upwell/contract/recordLimits';
import type { Problem } from '@upwell/contract/common';
import type { CommitBody, ImportCheck, ImportState, ImportView } from '@upwell/contract/records';
import type { ResultLine } from '@upwell/core/measures';
import { fact, setFact } from '@/offline';

/** Pieces on their way at a time. */
const AT_ONCE = 3;

/** Why an import ended; nothing of it was stored. */
export class ImportFailed extends Error {}

/** Signed out on the way: says nothing about what was sent before. */
class SignedOut extends ImportFailed {}

/** No answer came: what the server did with it is not known. */
class NoAnswer extends Error {}

/** Answers of a server that is busy, starting or in trouble: they say nothing about what was sent. */
const undecided = (status: number) => status >= 500 || status === 408 || status === 429;

async function ask<T>(method: string, path: string, body: unknown, signal?: AbortSignal): Promise<T> {
  let response: Response;
  try {
    response = await fetch(
      new Request(`/api/v1${path}`, {
        method,
        credentials: 'same-origin',
        ...(body === null ? {} : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
        ...(signal ? { signal } : {}),
      }),
    );
  } catch (error) {
    if (signal?.aborted) throw error;
    throw new NoAnswer();
  }
  if (response.ok) return (await response.json()) as T;
  if (undecided(response.status)) throw new NoAnswer();
  const problem = (await response.json().catch(() => ({}))) as Partial<Problem>;
  const Failed = response.status === 401 ? SignedOut : ImportFailed;
  throw new Failed(problem.detail ?? 'The server did not take this file. Nothing was stored.');
}

/** A file of results on its way in. It has one id until it is known what became of it. */
export interface ImportJob {
  readonly id: string;
  readonly name: string;
  readonly results: readonly ResultLine[];
}

/** Rows for one request each: swims with many splits are long. @internal */
export function piecesOf(results: readonly ResultLine[]): ResultLine[][] {
  const pieces: ResultLine[][] = [];
  let room = 0;
  for (const row of results) {
    const characters = JSON.stringify(row).length;
    if (pieces.length === 0 || pieces.at(-1)!.length === CHUNK_ROWS || characters > room) {
      pieces.push([]);
      room = CHUNK_CHARACTERS;
    }
    pieces.at(-1)!.push(row);
    room -= characters;
  }
  return pieces;
}

/**
 * Sends results in pieces, which stores nothing yet, and asks which of them are here already.
 *
 * @param onProgress share that has arrived, 0–1
 * @param signal ends it; what has arrived is forgotten
 * @throws ImportFailed with a sentence for the coach; AbortError when it was ended
 */
export async function sendResults(
  { id, results }: ImportJob,
  onProgress: (share: number) => void,
  signal: AbortSignal,
): Promise<ImportCheck> {
  try {
    const pieces = piecesOf(results);
    let [next, arrived] = [0, 0];
    const sendOn = async () => {
      while (next < pieces.length) {
        const chunk = next++;
        await ask('PUT', `/imports/${id}/${chunk}`, { rows: pieces[chunk] }, signal);
        onProgress((++arrived / pieces.length) * 0.9);
      }
    };
    // While the server checks one piece the next is on its way.
    await Promise.all(Array.from({ length: AT_ONCE }, sendOn));
    const check = await ask<ImportCheck>('POST', `/imports/${id}/check`, null, signal);
    onProgress(1);
    return check;
  } catch (error) {
    await forgetRows(id);
    if (!(error instanceof NoAnswer)) throw error;
    throw new ImportFailed('No answer from the server. Nothing was stored; try again when the network is back.');
  }
}

/** Lets the server forget rows that were sent and not stored. */
export async function forgetRows(id: string): Promise<void> {
  await ask('DELETE', `/imports/${id}`, null).catch(() => {
    // The server sweeps what was left lying within a day.
  });
}

/** An import that was asked to be stored and not heard of since; it outlives the page. */
export interface PendingImport extends CommitBody {
  readonly id: string;
}
const PENDING = 'import';

export const pendingImport = () => fact<PendingImport | null>(PENDING);

/** Seconds between two questions, longer each time. */
const ASK_AGAIN_S = [2, 3, 5, 10];

/**
 * Stores all rows that were sent, in one step. When no answer comes it asks again with the same id until there
 * is one: the server stores an import once, however often it is asked.
 *
 * @param onAsking called when it is not known whether it arrived
 * @param signal ends the asking; the next visit of the page goes on with it
 * @throws ImportFailed with a sentence for the coach; AbortError when it was ended
 */
export async function storeResults(
  pending: PendingImport,
  onAsking: () => void,
  signal: AbortSignal,
): Promise<ImportView> {
  const { id, ...body } = pending;
  // Should the page be closed, the next one knows what to ask for.
  await setFact(PENDING, pending);
  for (let tries = 0; ; tries++) {
    try {
      const done = await ask<ImportView>('POST', `/imports/${id}/commit`, body, signal);
      await setFact(PENDING, null);
      return done;
    } catch (error) {
      if (!(error instanceof NoAnswer || error instanceof SignedOut)) {
        // Refused, which is an answer: it is not stored.
        if (error instanceof ImportFailed) await setFact(PENDING, null);
        throw error;
      }
      onAsking();
      await pause(ASK_AGAIN_S[Math.min(tries, ASK_AGAIN_S.length - 1)]! * 1000, signal);
    }
  }
}

/** What became of an import; undefined while the server does not answer. */
export async function whatBecameOf(id: string): Promise<ImportView | null | undefined> {
  const state = await ask<ImportState>('GET', `/imports/${id}`, null).catch(() => undefined);
  return state?.done;
}

/** Lets an import go that was not heard of. */
export async function forgetPending(): Promise<void> {
  await setFact(PENDING, null);
}

function pause(ms: number, signal: AbortSignal): Promise<void> {
  return new Promise((resolve, reject) => {
    const timer = setTimeout(resolve, ms);
    signal.addEventListener(
      'abort',
      () => {
        clearTimeout(timer);
        reject(signal.reason as Error);
      },
      { once: true },
    );
  });
}
