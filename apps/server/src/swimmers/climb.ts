// Taps at ladders, from the pool side.
import type { SwimmerPage } from '@upwell/contract/swimmers';
import { type Climb, type LadderMark, marked, unmarked } from '@upwell/core/library';
import type { EntityManager } from '@mikro-orm/postgresql';
import { lockSwimmers } from '../platform/lock';
import { notFound } from '../platform/problem';
import { run } from '../platform/statement';
import { SwimmerEntity } from './entities';
import { showSwimmer } from './service';
import { KEEP_TAPS } from './sql';

/** What a tap, or taking one back, leads to. */
export interface Climbed {
  readonly page: SwimmerPage;
  /** A step was passed or gone back: what is planned may change. */
  readonly moved: boolean;
}

/** Records one tap; the same id again, and a tap for a step that is not at hand, changes nothing. */
export const markLadder = (em: EntityManager, id: string, mark: LadderMark): Promise<Climbed> =>
  climb(em, id, (now) => marked(now, mark));

/** Takes the newest tap of a ladder back; taking it back twice changes nothing. */
export const takeBackMark = (em: EntityManager, id: string, markId: string): Promise<Climbed> =>
  climb(em, id, (now) => unmarked(now, markId));

async function climb(em: EntityManager, id: string, step: (now: Climb) => Climb): Promise<Climbed> {
  // Two devices at one ladder go one after the other.
  if ((await lockSwimmers(em, [id])).length === 0) throw notFound();
  const record = await em.findOneOrFail(SwimmerEntity, { id });
  const { ladderSteps, ladderLog } = record;
  const now = { ladderSteps, ladderLog };
  const next = step(now);
  const ladders = new Set([...Object.keys(ladderSteps), ...Object.keys(next.ladderSteps)]) as Set<
    keyof typeof ladderSteps
  >;
  const moved = [...ladders].some((ladder) => (ladderSteps[ladder] ?? 0) !== (next.ladderSteps[ladder] ?? 0));
  // A try is no change of the record that somebody may be editing; a step passed is.
  if (moved) {
    em.assign(record, next);
    await em.flush();
  } else if (next !== now) {
    await run(em, KEEP_TAPS, [JSON.stringify(next.ladderLog), id]);
    em.clear();
  }
  return { page: await showSwimmer(em, id), moved };
}
