/**
 * Notes every look of a coach at a child's data, with what was looked at, before it is shown: a route cannot forget
 * it. The people in an answer are found by their ids; an answer without ids says so with {@link shows}.
 */
import { LOOKS, type LooksPage, type LooksQuery } from '@upwell/contract/looks';
import { ageYear, isChild } from '@upwell/core/swimmers';
import type { EntityManager } from '@mikro-orm/postgresql';
import type { FastifyInstance, FastifyReply, FastifyRequest } from 'fastify';
import fp from 'fastify-plugin';
import type { Database } from '../platform/database';
import { asMe, type SignedIn } from '../platform/identity';
import { all, run } from '../platform/statement';
import { SwimmerEntity } from './entities';
import { LOOKS_AT, NOTE_LOOKS } from './sql';

declare module 'fastify' {
  interface FastifyRequest {
    /** Swimmers that the answer is about, where its text does not name them by their id. */
    shown?: Set<string>;
  }
  interface FastifyContextConfig {
    /** The log itself is not a look. */
    noLook?: true;
  }
}

/** The same page within this time is the same look. */
const ONE_LOOK_MS = 60 * 60_000;
const MOST_REMEMBERED = 100_000;
const UUID = /^[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;

export const looks = fp(async (app: FastifyInstance, { database }: { database: Database }) => {
  /** What was noted lately: for everybody and each page, the ids on it and until when that counts as the same look. */
  const noted = new Map<string, Map<string, number>>();
  let remembered = 0;
  app.decorateRequest('shown');
  app.addHook('onSend', (request, reply, payload, done) => {
    const { me } = request;
    if (!me || me.role === 'swimmer' || request.is404 || request.routeOptions.config.noLook) return done();
    const what = routeOf(request);
    const now = Date.now();
    const page = `${me.accountId} ${what}`;
    const seen = noted.get(page) ?? new Map<string, number>();
    const fresh = new Set<string>();
    for (const id of named(request, reply, payload)) if ((seen.get(id) ?? 0) < now && UUID.test(id)) fresh.add(id);
    if (fresh.size === 0) return done();
    asMe(database, me, (em) => note(em, me, what, [...fresh])).then(() => {
      remembered += fresh.size;
      if (remembered > MOST_REMEMBERED) {
        noted.clear();
        remembered = 0;
      }
      for (const id of fresh) seen.set(id, now + ONE_LOOK_MS);
      noted.set(page, seen);
      done();
    }, done);
  });
});

/** Says that an answer is about these swimmers. */
export function shows(request: FastifyRequest, swimmerIds: readonly string[]): void {
  request.shown ??= new Set();
  for (const id of swimmerIds) request.shown.add(id);
}

/** Every text that an answer holds where an id could stand: of swimmers, and of much else. */
function* named(request: FastifyRequest, reply: FastifyReply, payload: unknown): Generator<string> {
  yield* request.shown ?? [];
  if (typeof payload !== 'string') return;
  yield* idsIn(payload);
  const { id } = request.params as { id?: string };
  // What is asked for may not be named in the answer again.
  if (id && reply.statusCode < 400) yield id;
}

/**
 * Every place in a text with the four dashes of an id. From dash to dash: five times as fast as one expression over the
 * whole of a long answer.
 */
function* idsIn(text: string): Generator<string> {
  for (let at = text.indexOf('-'); at >= 0; at = text.indexOf('-', at + 1)) {
    if (text[at + 5] !== '-' || text[at + 10] !== '-' || text[at + 15] !== '-') continue;
    yield text.slice(at - 8, at + 28);
  }
}

const routeOf = ({ method, routeOptions }: FastifyRequest): string =>
  `${method === 'HEAD' ? 'GET' : method} ${(routeOptions.url ?? '').replace('/api/v1', '')}`;

async function note(em: EntityManager, me: SignedIn, what: string, ids: readonly string[]): Promise<void> {
  const swimmers = await em.find(
    SwimmerEntity,
    { id: { $in: [...ids] } },
    { fields: ['id', 'birthYear'], disableIdentityMap: true },
  );
  const year = ageYear();
  const children = swimmers.filter((s) => isChild(s.birthYear ?? null, year)).map((s) => s.id);
  if (children.length === 0) return;
  await run(em, NOTE_LOOKS, [
    me.clubId,
    me.accountId,
    what,
    `{${children.join(',')}}`,
    me.accountId,
    what,
    `${ONE_LOOK_MS} milliseconds`,
  ]);
}

/** Who looked at what of a child, the newest first. */
export async function listLooks(em: EntityManager, { swimmerId, before, limit = 50 }: LooksQuery): Promise<LooksPage> {
  const [of, from] = [swimmerId ?? null, before ?? null];
  const rows = await all(em, LOOKS_AT, [of, of, from, from, limit + 1]);
  const items = rows.slice(0, limit).map((row) => ({
    id: Number(row.id),
    at: row.at,
    by: row.by,
    swimmerId: row.swimmer_id,
    swimmer: row.swimmer,
    what: LOOKS[row.what] ?? row.what,
  }));
  return { items, next: rows.length > limit ? items.at(-1)!.id : null };
}
