import { randomBytes } from 'node:crypto';
import { verify } from '@node-rs/argon2';
import { signInSchema, type Me, type SignIn } from '@upwell/contract/account';
import { WATER_RULES } from '@upwell/core/safety';
import { clubRulesSaveSchema, type ClubRules, type ClubRulesSave, type ClubRulesView } from '@upwell/contract/club';
import { KIT_IDS } from '@upwell/core/library';
import type { FastifyInstance } from 'fastify';
import { v7 } from 'uuid';
import type { Config } from '../platform/config';
import { asIdentity, type Database } from '../platform/database';
import { asMe, COACH, cookieName, forget, GUEST, HEAD, PUBLIC, tokenHash, whoAsks } from '../platform/identity';
import { ProblemError } from '../platform/problem';
import { saveVersioned } from '../platform/saveVersioned';
import { ClubEntity, type Club } from '../swimmers/entities';
import { AccountEntity, SignInSessionEntity } from './entities';
import { DUMMY_HASH } from './password';
import { countTries } from './tries';

/** A sign-in lasts this long, seconds. */
const LASTS_S = 30 * 24 * 3600;

interface Found {
  id: string;
  club_id: string;
  password_hash: string;
}

/** The rules with what is usual where the club decided nothing. */
const rulesOf = ({ version, settings }: Pick<Club, 'version' | 'settings'>): ClubRulesView => {
  const { kit = KIT_IDS, laneCapacity = null, paceTable = [], water = WATER_RULES } = settings as Partial<ClubRules>;
  return { kit, laneCapacity, paceTable, water, version };
};

/** Sign-ins that may wait for their turn. */
const MOST_WAITING = 30;
let waiting = 0;
let lastCheck: Promise<unknown> = Promise.resolve();

/** Passwords are checked one at a time: each keeps a whole core busy, and the others have to answer meanwhile. */
async function oneByOne<T>(work: () => Promise<T>): Promise<T> {
  if (waiting >= MOST_WAITING)
    throw new ProblemError(429, 'Many people are signing in right now. Try again in a moment.');
  waiting++;
  const mine = lastCheck.then(work, work);
  lastCheck = mine.catch(() => undefined);
  try {
    return await mine;
  } finally {
    waiting--;
  }
}

export async function accountRoutes(
  app: FastifyInstance,
  { database, config }: { database: Database; config: Config },
): Promise<void> {
  const tries = countTries(app, config);
  const cookie = cookieName(config.secureCookies);

  app.post<{ Body: SignIn }>(
    '/sign-in',
    {
      schema: { body: signInSchema, summary: 'Sign in; sets the session cookie' },
      config: PUBLIC,
    },
    async (request, reply): Promise<Me> => {
      const { email, password } = request.body;
      const [found] = await database.em.fork().execute<Found[]>('select * from sign_in_account(?)', [email], 'all');
      // The same work for an unknown address, so that the time does not tell which addresses exist.
      const right = await oneByOne(async () => {
        await tries.refuse(request, reply);
        const same = await verify(found?.password_hash ?? DUMMY_HASH, password);
        if (!found || !same) await tries.wrong(request);
        return same;
      });
      if (!found || !right) {
        request.log.warn({ address: request.ip, account: found?.id ?? null }, 'a sign-in failed');
        throw new ProblemError(401, 'E-mail or password is not right.');
      }

      const token = randomBytes(32).toString('base64url');
      const who = { accountId: found.id, clubId: found.club_id, role: 'none', swimmerId: null, squadIds: [] };
      const me = await asIdentity(database, who, async (em) => {
        await em.execute('delete from sign_in_session where expires_at < now()');
        await em.insert(SignInSessionEntity, {
          tokenHash: tokenHash(token),
          accountId: found.id,
          clubId: found.club_id,
          expiresAt: new Date(Date.now() + LASTS_S * 1000),
        });
        const account = await em.findOneOrFail(AccountEntity, found.id);
        const [club] = await em.execute<{ name: string }[]>('select name from club', [], 'all');
        return {
          accountId: account.id,
          name: account.name,
          role: account.role,
          clubId: account.clubId,
          clubName: club!.name,
          swimmerId: account.swimmerId ?? null,
        };
      });
      request.log.info({ address: request.ip, account: found.id }, 'signed in');
      void reply.setCookie(cookie, token, {
        path: '/',
        httpOnly: true,
        sameSite: 'lax',
        secure: config.secureCookies,
        maxAge: LASTS_S,
      });
      tries.right(request, reply);
      return me;
    },
  );

  app.post('/sign-out', { config: GUEST, schema: { summary: 'End this session' } }, async (request, reply) => {
    const token = request.cookies[cookie];
    if (request.me && token) {
      forget(token);
      await asMe(database, request.me, (em) => em.nativeDelete(SignInSessionEntity, { tokenHash: tokenHash(token) }));
    }
    return reply.clearCookie(cookie, { path: '/', secure: config.secureCookies }).code(204).send();
  });

  app.get('/club', { config: COACH, schema: { summary: 'What the club decides for itself' } }, (request) =>
    asMe(database, whoAsks(request), async (em) =>
      rulesOf(await em.findOneOrFail(ClubEntity, whoAsks(request).clubId)),
    ),
  );

  app.put<{ Body: ClubRulesSave }>(
    '/club',
    {
      config: HEAD,
      schema: { body: clubRulesSaveSchema, summary: 'Change what the club decides for itself (head coach)' },
    },
    (request) => {
      const { clubId } = whoAsks(request);
      const { version, writeId = v7(), ...rules } = request.body;
      return asMe(database, whoAsks(request), async (em) => {
        const save = { writeId, version: version ?? (await em.findOneOrFail(ClubEntity, clubId)).version };
        // What this app does not know of stays as it is.
        const merged = (before: Club | null) => ({ settings: { ...before?.settings, ...rules } });
        const { row } = await saveVersioned(em, ClubEntity, clubId, save, merged, rulesOf);
        return rulesOf(row);
      });
    },
  );

  // Not a refusal: asking is how a page finds out whether to show the sign-in.
  app.get('/me', { config: GUEST, schema: { summary: 'Who is signed in, or null' } }, (request, reply) => {
    const { squadIds: _, ...me } = request.me ?? { squadIds: [] };
    return reply.type('application/json').send(JSON.stringify(request.me ? me : null));
  });
}
