import type { JobState, JobView } from '@upwell/contract/race';
import type { EntityManager } from '@mikro-orm/postgresql';
import { v7 } from 'uuid';
import { asIdentity, type Database, type Identity } from '../platform/database';
import type { Jobs, Queues } from '../platform/jobs';
import { notFound } from '../platform/problem';
import type { RunWork } from '../work';
import { DAY_MS, dayIn, timeIn } from '@upwell/core/days';
import { all } from '../platform/statement';
import { ClubJobEntity } from './entities';
import { planSwimmers, racersOf } from './service';
import { CLUBS_WITH_RACES } from './sql';

/** Swimmers planned in one transaction: small enough that progress is seen and a stop is heard. */
const BATCH = 20;

const WORDS: Readonly<Record<JobState, string>> = {
  waiting: 'Waiting for its turn',
  running: 'Working out the weeks',
  done: 'All weeks are worked out',
  failed: 'This did not work; nothing was lost. Try again.',
  stopped: 'Stopped; those done so far are kept',
};

const UNDER_WAY = { $in: ['waiting', 'running'] as JobState[] };
/** One that has said nothing for so long is dead, and would be in the way for ever. */
const DEAD_MS = 10 * 60_000;
const KEPT_MS = 30 * DAY_MS;

/** Puts the planning of everybody one coaches into the queue; a plan that is under way already is answered instead. */
export async function askForPlans(database: Database, jobs: Jobs, me: Identity, today: string): Promise<JobView> {
  // Another coach's plans are of other squads.
  const asker = me.accountId || null;
  const { id, fresh } = await asIdentity(database, me, async (em) => {
    const now = Date.now();
    await em.nativeUpdate(
      ClubJobEntity,
      { state: UNDER_WAY, askedAt: { $lte: new Date(now - DEAD_MS) } },
      { state: 'failed' },
    );
    const busy = await em.findOne(
      ClubJobEntity,
      { state: UNDER_WAY, askedBy: asker },
      { orderBy: { askedAt: 'desc' } },
    );
    if (busy) return { id: busy.id, fresh: false };
    await em.nativeDelete(ClubJobEntity, { askedAt: { $lt: new Date(now - KEPT_MS) } });
    const made = v7();
    const job = { id: made, clubId: me.clubId, askedBy: asker, askedAt: new Date(now) };
    await em.insert(ClubJobEntity, { ...job, state: 'waiting', done: 0, total: 0 });
    return { id: made, fresh: true };
  });
  if (fresh) {
    const { clubId, squadIds, role, accountId } = me;
    await jobs.add('plan-club', { jobId: id, clubId, squadIds, role, accountId, today });
  }
  return asIdentity(database, me, (em) => showJob(em, id));
}

export async function showJob(em: EntityManager, id: string): Promise<JobView> {
  const row = await em.findOne(ClubJobEntity, { id }, { disableIdentityMap: true });
  if (!row) throw notFound();
  const { state, done, total } = row;
  return { id, state, done, total, words: WORDS[state] };
}

/** Stops a job after the batch it is at; one that has ended stays as it is. */
export async function stopJob(em: EntityManager, id: string): Promise<JobView> {
  await em.nativeUpdate(ClubJobEntity, { id, state: UNDER_WAY }, { state: 'stopped' });
  return showJob(em, id);
}

/** Works out the weeks of everybody with a race, batch by batch; after a crash it starts from the beginning. */
export async function planClub(database: Database, work: RunWork, data: Queues['plan-club']): Promise<void> {
  const { jobId, today, ...rest } = data;
  const who: Identity = { ...rest, swimmerId: null };
  const step = (change: Partial<Pick<JobView, 'state' | 'done' | 'total'>>) =>
    asIdentity(database, who, async (em) => {
      await em.nativeUpdate(ClubJobEntity, { id: jobId, state: { $ne: 'stopped' } }, change);
      const { state } = await showJob(em, jobId);
      return state !== 'stopped';
    });
  try {
    const ids = await asIdentity(database, who, (em) => racersOf(em, today));
    if (!(await step({ state: 'running', done: 0, total: ids.length }))) return;
    for (let at = 0; at < ids.length; at += BATCH) {
      await asIdentity(database, who, (em) => planSwimmers(em, work, who.clubId, ids.slice(at, at + BATCH), today));
      if (!(await step({ done: Math.min(ids.length, at + BATCH) }))) return;
    }
    await step({ state: 'done' });
  } catch (error) {
    await step({ state: 'failed' });
    throw error;
  }
}

/** The hour of the club's clock in which its weeks are worked out: after the day's records are in. */
const NIGHT = '03:';

/** Every hour: one job for each club with races where it is the dead of night now. */
export async function planEveryClub(database: Database, jobs: Jobs, now: Date): Promise<void> {
  const clubs = await all(database.em.fork(), CLUBS_WITH_RACES);
  for (const { id: clubId, timeZone } of clubs) {
    if (!timeIn(timeZone, now).startsWith(NIGHT)) continue;
    // Nobody asked: the club's own work, which sees all of it.
    const club: Identity = { clubId, accountId: '', role: 'head', swimmerId: null, squadIds: [] };
    await askForPlans(database, jobs, club, dayIn(timeZone, now));
  }
}
