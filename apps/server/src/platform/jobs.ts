import PgBoss from 'pg-boss';
import { APP_ROLE, type Config } from './config';
import type { Database } from './database';

/** Work in the background: each queue's name and what it carries. */
export interface Queues {
  readonly 'plan-club': { readonly jobId: string; readonly clubId: string; readonly today: string } & {
    readonly squadIds: readonly string[];
    readonly role: string;
    readonly accountId: string;
  };
  readonly 'plan-night': Record<string, never>;
}
export type Queue = keyof Queues;

const QUEUES: readonly Queue[] = ['plan-club', 'plan-night'];
const SCHEMA = 'pgboss';
/** A worker that died is noticed after this, and its job is taken up again. */
const EXPIRE_S = 300;

/** Brings the queue's own tables up to date, as their owner, and lets the app's role work with them. */
export async function prepareJobs(owner: Database, config: Config): Promise<void> {
  // With its clock on: the clock has a queue of its own, which only an owner can make.
  const boss = new PgBoss({ connectionString: config.ownerUrl, supervise: false, max: 2 });
  await boss.start();
  for (const name of QUEUES) {
    const options = { name, retryLimit: 2, retryDelay: 2, expireInSeconds: EXPIRE_S };
    if (await boss.getQueue(name)) await boss.updateQueue(name, options);
    else await boss.createQueue(name, options);
  }
  // Every hour: somewhere it is night.
  await boss.schedule('plan-night', '10 * * * *');
  await boss.stop({ graceful: false });
  await owner.em.fork().execute(`
    grant usage on schema ${SCHEMA} to ${APP_ROLE};
    grant select, insert, update, delete on all tables in schema ${SCHEMA} to ${APP_ROLE};
    grant execute on all functions in schema ${SCHEMA} to ${APP_ROLE}`);
}

export interface Jobs {
  add<Q extends Queue>(queue: Q, data: Queues[Q]): Promise<void>;
  stop(): Promise<void>;
}

export type Work = { readonly [Q in Queue]: (data: Queues[Q], jobs: Jobs) => Promise<void> };

/** Takes up work from the queues, in this process; several processes may share them. */
export async function startJobs(config: Config, work: Work): Promise<Jobs> {
  const boss = new PgBoss({ connectionString: config.appUrl, migrate: false, max: 3 });
  boss.on('error', (error) => console.error(`Background work: ${error.message}`));
  await boss.start();
  const jobs: Jobs = {
    async add(queue, data) {
      await boss.send(queue, data);
    },
    async stop() {
      await boss.stop({ graceful: true, timeout: 5000 });
    },
  };
  const take = <Q extends Queue>(queue: Q) =>
    boss.work<Queues[Q]>(queue, { pollingIntervalSeconds: 0.5 }, async ([job]) => {
      if (job) await work[queue](job.data, jobs);
    });
  for (const queue of QUEUES) await take(queue);
  return jobs;
}
