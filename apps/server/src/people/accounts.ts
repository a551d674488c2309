// The accounts of a club: their roles, who is active, and links for a new password.
import type { EntityManager } from '@mikro-orm/postgresql';
import {
  accountSaveSchema,
  linkLookSchema,
  passwordResetSchema,
  RESET_HOURS,
  type AccountSave,
  type AccountView,
  type LinkView,
  type PasswordReset,
  type ResetLook,
} from '@upwell/contract/people';
import type { FastifyInstance } from 'fastify';
import { v7 } from 'uuid';
import { countWrong, hashPassword, oneByOne, refuseWeak } from '../account';
import { AccountEntity, PasswordResetEntity, type Account } from '../account/entities';
import { asMe, forgetAccount, HEAD, PUBLIC, tokenHash, whoAsks, type SignedIn } from '../platform/identity';
import { idParams } from '../platform/params';
import { notFound, ProblemError } from '../platform/problem';
import { saveVersioned } from '../platform/saveVersioned';
import { sqlStateOf } from '../platform/sqlState';
import { all, first, one } from '../platform/statement';
import { SquadCoachEntity, SquadEntity, SwimmerEntity } from '../swimmers/entities';
import { makeLink, originOf, refuseShut } from './link';
import type { PeopleParts } from './parts';
import { ACCOUNTS, LOOK_AT_RESET, USE_RESET } from './sql';

const MINUTE_MS = 60_000;

/** Everybody who can sign in, looked after by the head coach; and new passwords by a link. */
export async function accountsRoutes(app: FastifyInstance, { database, config, mail }: PeopleParts): Promise<void> {
  const guesses = countWrong(app, 'wrong links', [
    { max: 20, timeWindow: 5 * MINUTE_MS, key: (request) => request.ip },
  ]);

  app.get('/accounts', { config: HEAD, schema: { summary: 'Everybody who can sign in (head coach)' } }, (request) =>
    asMe(database, whoAsks(request), listAccounts),
  );

  app.put<{ Params: { id: string }; Body: AccountSave }>(
    '/accounts/:id',
    {
      config: HEAD,
      schema: { params: idParams, body: accountSaveSchema, summary: 'Change a role, squads, or whether they come in' },
    },
    async (request) => {
      const saved = await asMe(database, whoAsks(request), (em) =>
        saveAccount(em, whoAsks(request), request.params.id, request.body),
      ).catch((error: unknown) => {
        if (sqlStateOf(error) !== 'UW001') throw error;
        throw new ProblemError(422, 'A club needs a head coach: make someone else head coach first.');
      });
      forgetAccount(saved.id);
      request.log.info({ account: whoAsks(request).accountId, changed: saved.id }, 'account changed');
      return saved;
    },
  );

  app.post<{ Params: { id: string } }>(
    '/accounts/:id/reset-link',
    { config: HEAD, schema: { params: idParams, summary: 'A link with which somebody chooses a new password' } },
    async (request): Promise<LinkView> => {
      const me = whoAsks(request);
      const { link, hash } = makeLink(originOf(config, request), 'reset');
      const { id } = request.params;
      const { email, expiresAt } = await asMe(database, me, async (em) => {
        const account = await em.findOne(AccountEntity, { id, disabled: false });
        if (!account) throw notFound();
        return { email: account.email, expiresAt: await keepReset(em, hash, account) };
      });
      request.log.info({ account: me.accountId, for: id }, 'a reset link was made');
      const mailed = await mail?.send(email, {
        subject: `${me.clubName}: a new password`,
        text: `${me.name} sends you this link to choose a new password on Upwell. It works once, for ${RESET_HOURS} hours:\n\n${link}`,
      });
      return { link, expiresAt, mailed: mailed ?? null };
    },
  );

  app.post<{ Body: { token: string } }>(
    '/account/reset/look',
    { config: PUBLIC, schema: { body: linkLookSchema, summary: 'Whose password a link changes, with its secret' } },
    async (request, reply): Promise<ResetLook> => {
      await guesses.refuse(request, reply);
      const found = await lookAt(request.body.token);
      if (!found) {
        await guesses.wrong(request);
        throw notFound();
      }
      return { state: found.state, name: found.state === 'open' ? found.name : '' };
    },
  );

  app.post<{ Body: PasswordReset }>(
    '/account/reset',
    { config: PUBLIC, schema: { body: passwordResetSchema, summary: 'A new password by a link; every sign-in ends' } },
    async (request, reply) => {
      const { token, password } = request.body;
      await guesses.refuse(request, reply);
      const found = await lookAt(token);
      if (!found) await guesses.wrong(request);
      refuseShut(found?.state, 'link');
      refuseWeak(password, found!.email);
      const passwordHash = await oneByOne(() => hashPassword(password));
      const { said } = await one(database.em.fork(), USE_RESET, [tokenHash(token), passwordHash]);
      if (said !== 'changed') refuseShut(said, 'link');
      request.log.info({ address: request.ip }, 'a password was reset');
      return reply.code(204).send();
    },
  );

  const lookAt = (token: string) => first(database.em.fork(), LOOK_AT_RESET, [tokenHash(token)]);
}

/** Keeps the one link for a new password that an account has, and says until when. */
export async function keepReset(
  em: EntityManager,
  hash: Buffer,
  { id, clubId }: { readonly id: string; readonly clubId: string },
): Promise<string> {
  const expiresAt = new Date(Date.now() + RESET_HOURS * 60 * MINUTE_MS);
  await em.nativeDelete(PasswordResetEntity, { accountId: id });
  await em.insert(PasswordResetEntity, { tokenHash: hash, accountId: id, clubId, expiresAt });
  return expiresAt.toISOString();
}

async function listAccounts(em: EntityManager): Promise<AccountView[]> {
  return (await all(em, ACCOUNTS)).map(({ swimmer_id, squad_ids, last_seen, ...row }) => ({
    ...row,
    swimmerId: swimmer_id,
    squadIds: squad_ids,
    lastSeen: last_seen,
  }));
}

async function saveAccount(em: EntityManager, me: SignedIn, id: string, save: AccountSave): Promise<AccountView> {
  const before = (await listAccounts(em)).find((a) => a.id === id);
  if (!before) throw notFound();
  const { role = before.role, disabled = before.disabled, squadIds = before.squadIds } = save;
  const swimmerId = role === 'swimmer' ? (save.swimmerId ?? before.swimmerId) : null;
  if (role === 'swimmer' && swimmerId === null) throw new ProblemError(400, 'Choose whose account it will be.');
  if ((await em.count(SquadEntity, { id: { $in: [...squadIds] } })) !== squadIds.length)
    throw new ProblemError(400, 'One of these squads is not in your club.');
  if (swimmerId !== null && (await em.count(SwimmerEntity, { id: swimmerId })) === 0)
    throw new ProblemError(400, 'This swimmer is not in your club.');
  const fields = { role, swimmerId, disabled };
  const versioned = { version: save.version ?? before.version, writeId: save.writeId ?? v7() };
  const show = (now: Account) => ({ ...before, version: now.version, role: now.role, disabled: now.disabled });
  const { repeated } = await saveVersioned(em, AccountEntity, id, versioned, fields, show);
  // Who left or swims coaches nobody; the database sees to that.
  if (!repeated && !disabled && role !== 'swimmer') {
    await em.nativeDelete(SquadCoachEntity, { accountId: id });
    await em.insertMany(
      SquadCoachEntity,
      squadIds.map((squadId) => ({ squadId, accountId: id, clubId: me.clubId })),
    );
  }
  return (await listAccounts(em)).find((a) => a.id === id)!;
}
