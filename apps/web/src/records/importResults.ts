import { CHUNK_ROWS } from '@upwell/contract/recordLimits';
import type { Problem } from '@upwell/contract/common';
import type { ResultLine } from '@upwell/core/records';
import { v7 } from 'uuid';

/** Pieces on their way at a time. */
const AT_ONCE = 3;

/** Why an import ended without storing anything. */
export class ImportFailed extends Error {}

async function ask(method: string, path: string, body: unknown, signal?: AbortSignal): Promise<unknown> {
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
    throw new ImportFailed('No connection to the server. Nothing was stored; try again when the network is back.');
  }
  if (response.ok) return response.json();
  const problem = (await response.json().catch(() => ({}))) as Partial<Problem>;
  throw new ImportFailed(problem.detail ?? 'The server did not take this file. Nothing was stored.');
}

/**
 * Sends results in pieces and stores them all at once at the end, or none of them.
 *
 * @param onProgress share that has arrived, 0–1
 * @param signal ends it; what has arrived is forgotten
 * @returns how many were stored
 * @throws ImportFailed with a sentence for the coach; AbortError when it was ended
 */
export async function importResults(
  results: readonly ResultLine[],
  onProgress: (share: number) => void,
  signal: AbortSignal,
): Promise<number> {
  const id = v7();
  try {
    const chunks = Math.ceil(results.length / CHUNK_ROWS);
    let [next, arrived] = [0, 0];
    const sendOn = async () => {
      while (next < chunks) {
        const chunk = next++;
        const rows = results.slice(chunk * CHUNK_ROWS, (chunk + 1) * CHUNK_ROWS);
        await ask('PUT', `/imports/${id}/${chunk}`, { rows }, signal);
        onProgress((++arrived / chunks) * 0.9);
      }
    };
    // While the server checks one piece the next is on its way.
    await Promise.all(Array.from({ length: AT_ONCE }, sendOn));
    signal.throwIfAborted();
    // From here on it is one step that cannot be stopped half-way.
    const { stored } = (await ask('POST', `/imports/${id}/commit`, { rows: results.length })) as { stored: number };
    onProgress(1);
    return stored;
  } catch (error) {
    await ask('DELETE', `/imports/${id}`, null).catch(() => {
      // The server sweeps what was left lying within a day.
    });
    throw error;
  }
}
