import { Piscina, type PiscinaTask, type TaskQueue } from 'piscina';

/** On a task: who asked for it. */
export interface Asked {
  readonly owner: string;
}

const ownerOf = (task: PiscinaTask): string =>
  (task[Piscina.queueOptionsSymbol as keyof PiscinaTask] as unknown as Asked | null)?.owner ?? '';

/**
 * A queue in which everybody who waits has their turn: after one person's task comes the next person's, however
 * many the first one has put in.
 */
export class FairQueue implements TaskQueue {
  private readonly waiting = new Map<string, PiscinaTask[]>();
  size = 0;

  push(task: PiscinaTask): void {
    const owner = ownerOf(task);
    const own = this.waiting.get(owner);
    if (own) own.push(task);
    else this.waiting.set(owner, [task]);
    this.size++;
  }

  shift(): PiscinaTask | null {
    const [next] = this.waiting;
    if (!next) return null;
    const [owner, tasks] = next;
    const task = tasks.shift()!;
    this.size--;
    // To the end of the row, behind everybody else who waits.
    this.waiting.delete(owner);
    if (tasks.length > 0) this.waiting.set(owner, tasks);
    return task;
  }

  remove(task: PiscinaTask): void {
    const owner = ownerOf(task);
    const tasks = this.waiting.get(owner);
    const at = tasks?.indexOf(task) ?? -1;
    if (!tasks || at < 0) return;
    tasks.splice(at, 1);
    this.size--;
    if (tasks.length === 0) this.waiting.delete(owner);
  }
}
