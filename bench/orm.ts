// SQL by hand beside entities, for the lists of decision 13: medians in milliseconds, on one connection.
import { randomUUID } from 'node:crypto';
import { readConfig } from '../apps/server/src/platform/config';
import { connectAsOwner, migrate } from '../apps/server/src/platform/database';
import { all } from '../apps/server/src/platform/statement';
import { RESULTS_OF } from '../apps/server/src/records/sql';
import { ResultEntity, SquadEntity, SwimmerEntity } from '../apps/server/src/swimmers/entities';
import { SQUADS } from '../apps/server/src/swimmers/sql';
import { ms } from './measure';

const [SQUAD_COUNT, PER_SQUAD, RESULTS, RUNS] = [12, 20, 500, 60];

const owner = await connectAsOwner(readConfig(process.env));
await migrate(owner, readConfig(process.env));
const em = owner.em.fork();
const [club, swimmer] = [randomUUID(), randomUUID()];
await em.execute(`insert into club (id, name) values (?, 'Bench')`, [club]);
await em.execute(
  `insert into squad (id, club_id, name, write_id)
   select gen_random_uuid(), ?, 'Squad ' || i, gen_random_uuid() from generate_series(1, ${SQUAD_COUNT}) i`,
  [club],
);
await em.execute(
  `insert into swimmer (id, club_id, squad_id, given_name, family_name, search_name, level, stroke_model, breathing_side, write_id)
   select case when i = 1 and q.name = 'Squad 1' then ?::uuid else gen_random_uuid() end, q.club_id, q.id, 'Given', 'Family',
     'given family', 'hold', 'long-line', 'both', gen_random_uuid()
   from squad q, generate_series(1, ${PER_SQUAD}) i where q.club_id = ?`,
  [swimmer, club],
);
await em.execute(
  `insert into result (id, club_id, swimmer_id, held_on, distance_m, time_s, kind)
   select gen_random_uuid(), ?, ?, date '2026-01-01' + i, 100, 90 + i % 7, 'trial' from generate_series(1, ${RESULTS}) i`,
  [club, swimmer],
);
await em.execute('analyze');

/** The median of how long something takes that waits for the database. */
async function median(work: () => Promise<unknown>): Promise<number> {
  for (let i = 0; i < 10; i++) await work();
  const times: number[] = [];
  for (let i = 0; i < RUNS; i++) {
    const start = performance.now();
    await work();
    times.push(performance.now() - start);
  }
  return times.sort((a, b) => a - b)[Math.floor(RUNS / 2)]!;
}

async function compare(what: string, sql: () => Promise<unknown>, entities: () => Promise<unknown>): Promise<void> {
  const [bySql, byEntities] = [await median(sql), await median(entities)];
  console.log(`${what}: SQL ${ms(bySql)}, entities ${ms(byEntities)}, ${(byEntities / bySql).toFixed(1)} times`);
}

const fork = () => owner.em.fork();
await compare(
  `${SQUAD_COUNT} squads with how many swim in each`,
  () => all(fork(), SQUADS),
  async () => {
    const asked = fork();
    const squads = await asked.find(SquadEntity, { clubId: club }, { orderBy: { archived: 'asc', name: 'asc' } });
    await Promise.all(squads.map((q) => asked.count(SwimmerEntity, { squadId: q.id, archived: false })));
  },
);
await compare(
  `${RESULTS} results of a swimmer`,
  () => all(fork(), RESULTS_OF, [swimmer]),
  () => fork().find(ResultEntity, { swimmerId: swimmer }, { orderBy: { heldOn: 'desc', id: 'asc' } }),
);
await compare(
  'one swimmer',
  () => fork().execute('select * from swimmer where id = ?', [swimmer]),
  () => fork().findOne(SwimmerEntity, { id: swimmer }),
);
await owner.close();
