import { createHash } from 'node:crypto';
import type { Me, Role } from '@upwell/contract/account';
import type { EntityManager } from '@mikro-orm/postgresql';
import type { FastifyInstance, FastifyRequest } from 'fastify';
import fp from 'fastify-plugin';
import { asIdentity, type Database } from './database';
import { prepared } from './prepared';
import { forbidden, ProblemError } from './problem';

export const COOKIE = 'upwell_session';

/** Who asks, with the squads that row-level security lets through. */
export interface SignedIn extends Me {
  readonly squadIds: readonly string[];
}

declare module 'fastify' {
  interface FastifyRequest {
    me: SignedIn | null;
  }
}

/** The hash of a session token as it is stored; the token itself lives only in the cookie. */
export function tokenHash(token: string): Buffer {
  return createHash('sha256').update(token).digest();
}

interface IdentityRow {
  account_id: string;
  club_id: string;
  role: Role;
  swimmer_id: string | null;
  squad_ids: string[];
  name: string;
  club_name: string;
}

/** Finds out who asks, from the cookie; refuses writes that come from another site. */
export const identity = fp(async (app: FastifyInstance, { database }: { database: Database }) => {
  app.decorateRequest('me', null);

  app.addHook('onRequest', async (request) => {
    refuseForeignWrites(request);
    const token = request.cookies[COOKIE];
    if (!token || token.length > 100 || !request.url.startsWith('/api/')) return;
    request.me = await lookUp(database, token);
  });

  // Before any body is looked at: a guest learns nothing from what a check would say.
  app.addHook('onRequest', async (request) => {
    const path = request.url.split('?')[0]!;
    if (path.startsWith('/api/') && !OPEN.has(path) && !SECRET_LINKS.some((link) => path.startsWith(link)))
      requireMe(request);
  });
});

/** For how long an answer is reused: a page asks several things at once. Milliseconds. */
const REUSED_MS = 2000;
const MOST_REUSED = 5000;
const recent = new Map<string, { readonly me: SignedIn; readonly until: number }>();

/** Forgets a sign-in at once in this process; other processes notice within {@link REUSED_MS}. */
export function forget(token: string): void {
  recent.delete(token);
}

async function lookUp(database: Database, token: string): Promise<SignedIn | null> {
  const known = recent.get(token);
  if (known && known.until > Date.now()) return known.me;
  recent.delete(token);
  const sql = 'select * from sign_in_identity(?)';
  const [row] = await prepared<IdentityRow>(database.em.fork(), sql, [tokenHash(token)]);
  if (!row) return null;
  const me: SignedIn = {
    accountId: row.account_id,
    clubId: row.club_id,
    role: row.role,
    swimmerId: row.swimmer_id,
    squadIds: row.squad_ids,
    name: row.name,
    clubName: row.club_name,
  };
  if (recent.size >= MOST_REUSED) recent.clear();
  recent.set(token, { me, until: Date.now() + REUSED_MS });
  return me;
}

/** What a guest may ask. */
const OPEN = new Set([
  '/api/v1/account/sign-in',
  '/api/v1/account/sign-out',
  '/api/v1/account/me',
  '/api/v1/openapi.json',
]);

/** Pages behind a secret in the address, which is checked there. */
const SECRET_LINKS = ['/api/v1/handouts/', '/api/v1/calendars/'];

const READS = new Set(['GET', 'HEAD', 'OPTIONS']);

/** A browser says where a write comes from; only our own pages may write. Programs send no Origin. */
function refuseForeignWrites(request: FastifyRequest): void {
  if (READS.has(request.method)) return;
  const { origin, host } = request.headers;
  const foreign = origin !== undefined && origin.replace(/^https?:\/\//, '') !== host;
  if (foreign || request.headers['sec-fetch-site'] === 'cross-site') {
    throw new ProblemError(403, 'This request came from another site and was refused.');
  }
}

/** Who is signed in; 401 otherwise. */
export function requireMe(request: FastifyRequest): SignedIn {
  if (!request.me) throw new ProblemError(401, 'You are signed out. Sign in again; what you entered is still here.');
  return request.me;
}

/** A coach or head coach; 403 for a swimmer. */
export function requireCoach(request: FastifyRequest): SignedIn {
  const me = requireMe(request);
  if (me.role === 'swimmer') throw forbidden();
  return me;
}

export function requireHead(request: FastifyRequest): SignedIn {
  const me = requireMe(request);
  if (me.role !== 'head') throw forbidden();
  return me;
}

/** Runs work in a transaction as whoever is signed in. */
export function asMe<T>(database: Database, me: SignedIn, work: (em: EntityManager) => Promise<T>): Promise<T> {
  return asIdentity(database, me, work);
}
