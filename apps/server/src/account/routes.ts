// Sign in, sign out, the own account, and the rules of the club.
import { verify } from '@node-rs/argon2';
import {
  passwordChangeSchema,
  signInSchema,
  type Me,
  type PasswordChange,
  type SignIn,
  type SignInView,
} from '@upwell/contract/account';
import { clubRulesSaveSchema, type ClubRulesSave } from '@upwell/contract/club';
import type { FastifyInstance } from 'fastify';
import { v7 } from 'uuid';
import type { Config } from '../platform/config';
import type { Database } from '../platform/database';
import {
  asMe,
  COACH,
  cookieName,
  forget,
  forgetClub,
  GUEST,
  HEAD,
  PUBLIC,
  tokenHash,
  whoAsks,
} from '../platform/identity';
import { idParams } from '../platform/params';
import { notFound, ProblemError } from '../platform/problem';
import { saveVersioned } from '../platform/saveVersioned';
import { all, first, one, run } from '../platform/statement';
import { rulesOf } from '../swimmers';
import { ClubEntity, type Club } from '../swimmers/entities';
import { AccountEntity, SignInSessionEntity } from './entities';
import { oneByOne } from './oneByOne';
import { DUMMY_HASH, hashPassword, refuseWeak } from './password';
import { signInAs } from './signingIn';
import { ACCOUNT_OF, CHANGE_PASSWORD, OWN_HASH, SIGN_INS } from './sql';
import { countTries, countWrong } from './tries';

export async function accountRoutes(
  app: FastifyInstance,
  { database, config }: { database: Database; config: Config },
): Promise<void> {
  const tries = countTries(app, config);
  const ownTries = countWrong(app, 'wrong passwords', [
    { max: 10, timeWindow: 5 * 60_000, key: (request) => whoAsks(request).accountId },
  ]);
  const cookie = cookieName(config.secureCookies);

  app.post<{ Body: SignIn }>(
    '/sign-in',
    {
      schema: { body: signInSchema, summary: 'Sign in; sets the session cookie' },
      config: PUBLIC,
    },
    async (request, reply): Promise<Me> => {
      const { email, password } = request.body;
      const found = await first(database.em.fork(), ACCOUNT_OF, [email]);
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

      const me = await signInAs({ database, config }, { accountId: found.id, clubId: found.club_id }, request, reply);
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

  app.post<{ Body: PasswordChange }>(
    '/password',
    { schema: { body: passwordChangeSchema, summary: 'Change the password; every other sign-in ends' } },
    async (request, reply) => {
      const me = whoAsks(request);
      const { email, hash } = await asMe(database, me, async (em) => {
        const { hash } = await one(em, OWN_HASH);
        return { email: (await em.findOneOrFail(AccountEntity, me.accountId)).email, hash };
      });
      const right = await oneByOne(async () => {
        await ownTries.refuse(request, reply);
        const same = await verify(hash, request.body.old);
        if (!same) await ownTries.wrong(request);
        return same;
      });
      if (!right) throw new ProblemError(422, 'The old password is not right.');
      refuseWeak(request.body.new, email);
      const changed = await oneByOne(() => hashPassword(request.body.new));
      await asMe(database, me, (em) => run(em, CHANGE_PASSWORD, [changed, tokenHash(request.cookies[cookie] ?? '')]));
      request.log.info({ account: me.accountId }, 'password changed');
      return reply.code(204).send();
    },
  );

  app.get('/sign-ins', { schema: { summary: 'Devices on which this account is signed in' } }, (request) => {
    const here = tokenHash(request.cookies[cookie] ?? '');
    return asMe(database, whoAsks(request), (em): Promise<SignInView[]> => all(em, SIGN_INS, [here, here]));
  });

  app.delete<{ Params: { id: string } }>(
    '/sign-ins/:id',
    { schema: { params: idParams, summary: 'End one sign-in of this account' } },
    async (request, reply) => {
      await asMe(database, whoAsks(request), async (em) => {
        const ended = await em.nativeDelete(SignInSessionEntity, { id: request.params.id });
        if (ended === 0) throw notFound();
      });
      return reply.code(204).send();
    },
  );

  app.delete('/sign-ins', { schema: { summary: 'End all other sign-ins of this account' } }, async (request, reply) => {
    await asMe(database, whoAsks(request), (em) =>
      em.nativeDelete(SignInSessionEntity, { tokenHash: { $ne: tokenHash(request.cookies[cookie] ?? '') } }),
    );
    return reply.code(204).send();
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
    async (request) => {
      const { clubId } = whoAsks(request);
      const { version, writeId = v7(), name, ...rules } = request.body;
      const saved = await asMe(database, whoAsks(request), async (em) => {
        const save = { writeId, version: version ?? (await em.findOneOrFail(ClubEntity, clubId)).version };
        // What this app does not know of stays as it is.
        const merged = (before: Club | null) => ({
          ...(name === undefined ? {} : { name }),
          settings: { ...before?.settings, ...rules },
        });
        const { row } = await saveVersioned(em, ClubEntity, clubId, save, merged, rulesOf);
        return rulesOf(row);
      });
      // Its clock is everybody's from the next request on.
      forgetClub(clubId);
      return saved;
    },
  );

  // Not a refusal: asking is how a page finds out whether to show the sign-in.
  app.get('/me', { config: GUEST, schema: { summary: 'Who is signed in, or null' } }, (request, reply) => {
    const { squadIds: _, ...me } = request.me ?? { squadIds: [] };
    return reply.type('application/json').send(JSON.stringify(request.me ? me : null));
  });
}
