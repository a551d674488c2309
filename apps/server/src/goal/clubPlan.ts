import type { JobState, JobView } from '@upwell/contract/goal';
import type { EntityManager } from '@mikro-orm/postgresql';
import { v7 } from 'uuid';
import { asIdentity, type Database, type Identity } from '../platform/database';
import type { Jobs, Queues } from '../platform/jobs';
import { notFound } from '../platform/problem';
import type { RunWork } from '../work';
import { planSwimmers, racersOf } from './service';

/** Swimmers planned in one transaction: small enough that progress is seen and a stop is heard. */
const BATCH = 20;

const WORDS: Readonly<Record<JobState, string>> = {
  waiting: 'Waiting for its turn',
  running: 'Working out the weeks',
  done: 'All weeks are worked out',
  failed: 'This did not work; nothing was lost. Try again.',
  stopped: 'Stopped; those done so far are kept',
};

interface Row {
  id: string;
  state: JobState;
  done: number;
  total: number;
}
const COLUMNS = 'id, state, done, total';
const toView = (row: Row): JobView => ({ ...row, words: WORDS[row.state] });

/** Puts the planning of everybody one coaches into the queue; a plan that is under way already is answered instead. */
export async function askForPlans(database: Database, jobs: Jobs, me: Identity, today: string): Promise<JobView> {
  // Another coach's plans are of other squads.
  const asker = me.accountId || null;
  const { id, fresh } = await asIdentity(database, me, async (em) => {
    // One that has said nothing for so long is dead, and would be in the way for ever.
    await em.execute(
      `update club_job set state = 'failed' where state in ('waiting', 'running') and asked_at <= now() - interval '10 minutes'`,
      [],
      'run',
    );
    const [busy] = await em.execute<Row[]>(
      `select ${COLUMNS} from club_job where state in ('waiting', 'running')
         and asked_by is not distinct from ?::uuid
       order by asked_at desc limit 1`,
      [asker],
      'all',
    );
    if (busy) return { id: busy.id, fresh: false };
    await em.execute(`delete from club_job where asked_at < now() - interval '30 days'`, [], 'run');
    const made = v7();
    await em.execute(
      `insert into club_job (id, club_id, asked_by, state) values (?, ?, ?, 'waiting')`,
      [made, me.clubId, asker],
      'run',
    );
    return { id: made, fresh: true };
  });
  if (fresh) {
    const { clubId, squadIds, role, accountId } = me;
    await jobs.add('plan-club', { jobId: id, clubId, squadIds, role, accountId, today });
  }
  return asIdentity(database, me, (em) => showJob(em, id));
}

export async function showJob(em: EntityManager, id: string): Promise<JobView> {
  const [row] = await em.execute<Row[]>(`select ${COLUMNS} from club_job where id = ?`, [id], 'all');
  if (!row) throw notFound();
  return toView(row);
}

/** Stops a job after the batch it is at; one that has ended stays as it is. */
export async function stopJob(em: EntityManager, id: string): Promise<JobView> {
  await em.execute(
    `update club_job set state = 'stopped' where id = ? and state in ('waiting', 'running')`,
    [id],
    'run',
  );
  return showJob(em, id);
}

/** Works out the weeks of everybody with a race, batch by batch; taken up again after a crash it begins anew. */
export async function planClub(database: Database, work: RunWork, data: Queues['plan-club']): Promise<void> {
  const { jobId, today, ...rest } = data;
  const who: Identity = { ...rest, swimmerId: null };
  const step = (change: string, values: readonly unknown[]) =>
    asIdentity(database, who, async (em) => {
      await em.execute(`update club_job set ${change} where id = ? and state <> 'stopped'`, [...values, jobId], 'run');
      const { state } = await showJob(em, jobId);
      return state !== 'stopped';
    });
  try {
    const ids = await asIdentity(database, who, (em) => racersOf(em, today));
    if (!(await step(`state = 'running', done = 0, total = ?`, [ids.length]))) return;
    for (let at = 0; at < ids.length; at += BATCH) {
      await asIdentity(database, who, (em) => planSwimmers(em, work, who.clubId, ids.slice(at, at + BATCH), today));
      if (!(await step('done = ?', [Math.min(ids.length, at + BATCH)]))) return;
    }
    await step(`state = 'done'`, []);
  } catch (error) {
    await step(`state = 'failed'`, []);
    throw error;
  }
}

/** Every night: one job for each club with races. */
export async function planEveryClub(database: Database, jobs: Jobs, now: Date): Promise<void> {
  const today = now.toISOString().slice(0, 10);
  const clubs = await database.em.fork().execute<{ id: string }[]>('select id from clubs_with_races()', [], 'all');
  for (const { id: clubId } of clubs) {
    // Nobody asked: the club's own work, which sees all of it.
    const club: Identity = { clubId, accountId: '', role: 'head', swimmerId: null, squadIds: [] };
    await askForPlans(database, jobs, club, today);
  }
}
