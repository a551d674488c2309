import { ProblemError } from '../platform/problem';

/** Sign-ins that may wait for their turn. */
const MOST_WAITING = 30;
let waiting = 0;
let lastCheck: Promise<unknown> = Promise.resolve();

/** Passwords are checked one at a time: each keeps a whole core busy, and the others have to answer meanwhile. */
export async function oneByOne<T>(work: () => Promise<T>): Promise<T> {
  if (waiting >= MOST_WAITING)
    throw new ProblemError(429, 'Many people are signing in right now. Try again in a moment.');
  waiting++;
  const mine = lastCheck.then(work, work);
  lastCheck = mine.catch(() => undefined);
  try {
    return await mine;
  } finally {
    waiting--;
  }
}
