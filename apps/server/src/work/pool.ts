import { availableParallelism } from 'node:os';
import { Piscina } from 'piscina';
import { ProblemError } from '../platform/problemError';
import { BUILT_IN, shelvesNow, type ClubShelves } from '../platform/shelves';
import { FairQueue, type Asked } from './fairQueue';
import type { Outcome } from './outcome';
import { QUICK, type TaskName, type Tasks } from './tasks';

/**
 * Longest that one may wait for an answer, queue included, milliseconds: a client gives up after twenty seconds, and
 * waits five minutes for an archive.
 */
const LONGEST_MS = { quick: 15_000, slow: 15_000, archive: 280_000 };
/** Tasks of one person that wait or run at once: saves that a device repeats, and computations. */
const MOST_OF_ONE = { quick: 24, slow: 8, archive: 1 };
/** Tasks of everybody that wait at once. */
const MOST_WAITING = 200;
/** What one thread may hold, megabytes; an archive is read whole. */
const MEMORY_MB = { quick: 512, slow: 512, archive: 3072 };
type Kind = keyof typeof MEMORY_MB;

/** Who asks for work, so that everybody has their turn, and until when the answer is wanted. */
export interface Asker {
  readonly owner: string;
  readonly signal?: AbortSignal;
  /** The library it is worked out in; the one that counts now where nothing is said. */
  readonly shelves?: ClubShelves;
}

type InputOf<N extends TaskName> = Parameters<Tasks[N]>[0];
type AnswerOf<N extends TaskName> = Awaited<ReturnType<Tasks[N]>>;

/** Has a task done and answers what it came to. @throws ProblemError what the task refuses, or that there is too much to do */
export type RunWork = <N extends TaskName>(task: N, input: InputOf<N>) => Promise<AnswerOf<N>>;

/** Does heavy work away from the thread that answers requests. */
export interface Work {
  run<N extends TaskName>(task: N, input: InputOf<N>, asker: Asker): Promise<AnswerOf<N>>;
  stop(): Promise<void>;
}

function threads(filename: string, kind: Kind, least: number, most = least): Piscina {
  const pool = new Piscina({
    filename,
    minThreads: least,
    maxThreads: most,
    idleTimeout: Infinity,
    taskQueue: new FairQueue(),
    maxQueue: MOST_WAITING,
    // Answering comes first: on a busy machine the work is done with what is left.
    niceIncrement: 10,
    resourceLimits: { maxOldGenerationSizeMb: MEMORY_MB[kind] },
  });
  // A thread that died with a task in hand fails that task; the pool starts another thread.
  pool.on('error', (error: Error) => console.error(`A thread for heavy work ended: ${error.message}`));
  return pool;
}

/**
 * Starts the threads and waits until they can work.
 *
 * @param built the worker where the server was built; otherwise it is made now, which needs the build tools
 */
export async function startWork(built: string | null = null): Promise<Work> {
  const file = built ?? (await (await import('./bundle')).bundleWorker());
  const pools: Readonly<Record<Kind, Piscina>> = {
    quick: threads(file, 'quick', 1),
    slow: threads(file, 'slow', Math.max(1, availableParallelism() - 1)),
    // Seldom, and then long: started when it is wanted.
    archive: threads(file, 'archive', 0, 1),
  };
  const ofOne = new Map<string, number>();
  const run: Work['run'] = async (task, input, { owner, signal, shelves = shelvesNow() }) => {
    const kind: Kind = task === 'read-archive' ? 'archive' : QUICK.includes(task) ? 'quick' : 'slow';
    const key = `${kind} ${owner}`;
    const own = ofOne.get(key) ?? 0;
    if (own >= MOST_OF_ONE[kind])
      throw new ProblemError(429, 'You have asked for a lot at once. Wait for the answers and try again.');
    ofOne.set(key, own + 1);
    // Set by the worker when it takes the task up: it tells waiting from working.
    const started = new Int32Array(new SharedArrayBuffer(4));
    const late = AbortSignal.timeout(LONGEST_MS[kind]);
    const asked: Asked = { owner };
    try {
      const outcome = (await pools[kind].run(
        { task, input, started, shelves, [Piscina.queueOptionsSymbol]: asked },
        { signal: signal ? AbortSignal.any([signal, late]) : late },
      )) as Outcome<never>;
      if (outcome.problem)
        throw new ProblemError(outcome.problem.status, outcome.problem.detail, outcome.problem.extra);
      return outcome.value as never;
    } catch (error) {
      throw asProblem(error, late.aborted, started[0] === 1);
    } finally {
      const left = ofOne.get(key)! - 1;
      if (left > 0) ofOne.set(key, left);
      else ofOne.delete(key);
    }
  };
  // However long the machine takes to start them.
  const warmUp = async (kind: Kind, task: TaskName, input: unknown): Promise<void> => {
    const started = new Int32Array(new SharedArrayBuffer(4));
    const { problem } = (await pools[kind].run({ task, input, started, shelves: BUILT_IN })) as Outcome<never>;
    if (problem) throw new Error(problem.detail);
  };
  await Promise.all([
    warmUp('quick', 'infer-causes', { stroke: 'front-crawl', model: 'long-line', level: 'hold', signs: {} }),
    warmUp('slow', 'session-text', { text: '4 x 50 crawl easy' }),
  ]);
  return {
    run,
    async stop() {
      await Promise.all(Object.values(pools).map((pool) => pool.destroy()));
    },
  };
}

const BUSY = 'The server has a lot to work out right now. Try again in a moment.';
const TOO_MUCH = 'This takes too long to work out. Ask for less at once.';

function asProblem(error: unknown, late: boolean, started: boolean): unknown {
  const { name, code, message } = error as { name?: string; code?: string; message?: string };
  if (name === 'AbortError') return late && started ? new ProblemError(422, TOO_MUCH) : new ProblemError(429, BUSY);
  if (code === 'ERR_WORKER_OUT_OF_MEMORY') return new ProblemError(422, TOO_MUCH);
  if (message === 'Task queue is at limit') return new ProblemError(429, BUSY);
  return error;
}
