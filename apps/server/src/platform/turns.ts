// Long work of the thread that answers requests, done a piece at a time.
import { setImmediate } from 'node:timers/promises';

/** What is made piece by piece; everybody else has a turn between two pieces. */
export async function* inTurns<T>(pieces: Iterable<T>): AsyncGenerator<T> {
  for (const piece of pieces) {
    yield piece;
    await setImmediate();
  }
}
