import { createHash } from 'node:crypto';
import type { Me } from '@upwell/contract/account';
import type { EntityManager } from '@mikro-orm/postgresql';
import type { FastifyInstance, FastifyReply, FastifyRequest } from 'fastify';
import fp from 'fastify-plugin';
import type { Config } from './config';
import { asIdentity, type Database } from './database';
import { shelvesOf } from './clubShelves';
import { prepared } from './prepared';
import { BUILT_IN, inShelves, type ClubShelves } from './shelves';
import { forbidden, ProblemError } from './problem';
import { IDENTITY } from './sql';

/** Behind TLS the name itself makes browsers refuse one that another host, or an unsafe page, has set. */
export const cookieName = (secure: boolean): string => (secure ? '__Host-upwell_session' : 'upwell_session');

/** Who asks, with the squads that row-level security lets through. */
export interface SignedIn extends Me {
  readonly squadIds: readonly string[];
}

declare module 'fastify' {
  interface FastifyRequest {
    me: SignedIn | null;
    /** What the cookie of a sign-in is called here. */
    cookieName: string;
    /** The library of the club that asks. */
    shelves: ClubShelves;
  }
}

/** The hash of a session token as it is stored; the token itself lives only in the cookie. */
export function tokenHash(token: string): Buffer {
  return createHash('sha256').update(token).digest();
}

/**
 * Who may use a route. A route that does not say so is for people who are signed in, whatever its address:
 * `public` is for everybody and looks nobody up, `guest` is for everybody and knows who asks.
 */
export type Access = 'public' | 'guest' | 'signed-in' | 'coach' | 'head' | 'swimmer';

declare module 'fastify' {
  interface FastifyContextConfig {
    access?: Access;
  }
}

export const PUBLIC = { access: 'public' } as const;
export const GUEST = { access: 'guest' } as const;
export const COACH = { access: 'coach' } as const;
export const HEAD = { access: 'head' } as const;
export const SWIMMER = { access: 'swimmer' } as const;

/**
 * Finds out who asks, from the cookie, and whether they may; refuses writes that come from another site.
 * All of it before a byte of the body is read: a stranger costs nothing and learns nothing.
 */
export const identity = fp(async (app: FastifyInstance, parts: { database: Database; config: Config }) => {
  const { database, config } = parts;
  const cookie = cookieName(config.secureCookies);
  app.decorateRequest('me', null);
  app.decorateRequest('cookieName', cookie);
  app.decorateRequest('shelves');

  app.addHook('onRequest', async (request) => {
    request.shelves = BUILT_IN;
    refuseForeignWrites(request, config);
    const token = request.cookies[cookie];
    if (accessOf(request) !== 'public' && token && token.length <= 100) request.me = await lookUp(database, token);
    if (request.me) request.shelves = await shelvesOf(database, request.me.clubId, request.me.libraryVersion);
  });
  // What follows runs in the library of the club that asks; once more behind the body, whose arrival is nobody's work.
  const enter = (request: FastifyRequest, _reply: FastifyReply, done: () => void) => inShelves(request.shelves, done);
  app.addHook('onRequest', enter);
  app.addHook('preValidation', enter);
  // The last moment before the body is read. A request that is refused here has already counted against the limits.
  app.addHook('preParsing', (request, _reply, _body, done) => {
    const access = accessOf(request);
    if (access !== 'public' && access !== 'guest' && !mayUse(whoAsks(request), access)) throw forbidden();
    done();
  });
});

/** The route that was found decides, not the address, which can be written in many ways. */
function accessOf(request: FastifyRequest): Access {
  return request.is404 ? 'public' : (request.routeOptions.config.access ?? 'signed-in');
}

function mayUse(me: SignedIn, access: Access): boolean {
  if (access === 'coach') return me.role !== 'swimmer';
  if (access === 'head') return me.role === 'head';
  if (access === 'swimmer') return me.swimmerId !== null;
  return true;
}

/** For how long an answer is reused: a page asks several things at once. Milliseconds. */
const REUSED_MS = 2000;
const MOST_REUSED = 5000;
const recent = new Map<string, { readonly me: SignedIn; readonly until: number }>();

/** Forgets a sign-in at once in this process; other processes notice within {@link REUSED_MS}. */
export function forget(token: string): void {
  recent.delete(token);
}

/** Forgets every sign-in of an account at once in this process. */
export function forgetAccount(accountId: string): void {
  for (const [token, { me }] of recent) if (me.accountId === accountId) recent.delete(token);
}

/** Forgets everybody of a club at once in this process: its name, clock or units are others now. */
export function forgetClub(clubId: string): void {
  for (const [token, { me }] of recent) if (me.clubId === clubId) recent.delete(token);
}

async function lookUp(database: Database, token: string): Promise<SignedIn | null> {
  const known = recent.get(token);
  if (known && known.until > Date.now()) return known.me;
  recent.delete(token);
  const [row] = await prepared(database.em, IDENTITY, [tokenHash(token)]);
  if (!row) return null;
  const me: SignedIn = {
    accountId: row.account_id,
    clubId: row.club_id,
    role: row.role,
    swimmerId: row.swimmer_id,
    squadIds: row.squad_ids,
    name: row.name,
    clubName: row.club_name,
    timeZone: row.time_zone,
    units: row.units,
    libraryVersion: row.library_version,
  };
  if (recent.size >= MOST_REUSED) recent.clear();
  recent.set(token, { me, until: Date.now() + REUSED_MS });
  return me;
}

const READS = new Set(['GET', 'HEAD', 'OPTIONS']);

/**
 * A browser says where a write comes from; only our own pages may write. Programs send no Origin. A proxy may name
 * another host than the one people type: then `PUBLIC_URL` says which pages are ours.
 */
function refuseForeignWrites(request: FastifyRequest, { publicUrl }: Config): void {
  if (READS.has(request.method)) return;
  const { origin, host } = request.headers;
  const ours = publicUrl === null ? origin?.replace(/^https?:\/\//, '') === host : origin === publicUrl;
  if ((origin !== undefined && !ours) || request.headers['sec-fetch-site'] === 'cross-site') {
    throw new ProblemError(403, 'This request came from another site and was refused.');
  }
}

/** Who is signed in; 401 otherwise. */
export function whoAsks(request: FastifyRequest): SignedIn {
  if (!request.me) throw new ProblemError(401, 'You are signed out. Sign in again; what you entered is still here.');
  return request.me;
}

/** The swimmer who is signed in, on a route for swimmers. */
export function swimmerWhoAsks(request: FastifyRequest): SignedIn & { readonly swimmerId: string } {
  const { swimmerId, ...me } = whoAsks(request);
  if (swimmerId === null) throw forbidden();
  return { ...me, swimmerId };
}

/** Who a long request belongs to by now: its sign-in may have ended meanwhile, or see other squads. */
export function signedInStill(database: Database, request: FastifyRequest): Promise<SignedIn | null> {
  const token = request.cookies[request.cookieName];
  return token ? lookUp(database, token) : Promise.resolve(null);
}

/** Runs work in a transaction as the account that is signed in. */
export function asMe<T>(database: Database, me: SignedIn, work: (em: EntityManager) => Promise<T>): Promise<T> {
  return asIdentity(database, me, work);
}
