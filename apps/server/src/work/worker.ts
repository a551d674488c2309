// The thread that does heavy work.
import { ProblemError } from '../platform/problemError';
import { inShelves, keptShelves, type ClubShelves } from '../platform/shelves';
import type { Outcome } from './outcome';
import { TASKS, type TaskName } from './tasks';

interface Job {
  readonly task: TaskName;
  readonly input: never;
  readonly started: Int32Array;
  readonly shelves: ClubShelves;
}

/** Runs one task in a thread of its own. */
export default async function work({ task, input, started, shelves }: Job): Promise<Outcome<unknown>> {
  Atomics.store(started, 0, 1);
  try {
    return { value: await inShelves(keptShelves(shelves), () => TASKS[task](input)) };
  } catch (error) {
    if (!(error instanceof ProblemError)) throw error;
    return { problem: { status: error.status, detail: error.message, extra: error.extra } };
  }
}
