import { randomInt } from 'node:crypto';
import { setupBeginSchema, type SetupBegin, type SetupView } from '@upwell/contract/setup';
import type { FastifyInstance } from 'fastify';
import { v7 } from 'uuid';
import type { Config } from '../platform/config';
import type { Database } from '../platform/database';
import { PUBLIC } from '../platform/identity';
import { notFound, ProblemError } from '../platform/problem';
import { one } from '../platform/statement';
import { oneByOne } from './oneByOne';
import { hashPassword, refuseWeak } from './password';
import { signInAs } from './signingIn';
import { BEGIN_CLUB, SETUP_CODE, SETUP_NEEDED } from './sql';
import { countWrong } from './tries';

/** Letters and digits that are not taken for each other. */
const SIGNS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';
const MINUTE_MS = 60_000;

/**
 * The one-time code with which the first club of a server is begun; null when there is one. Servers that share a database
 * have the same code, and it stays until it is used.
 *
 * @param owner the owner of the tables: nobody else reads codes
 * @returns like `ABCD-EFGH-JKMN`
 */
export async function setupCode(owner: Database): Promise<string | null> {
  const em = owner.em.fork();
  if (!(await one(em, SETUP_NEEDED)).needed) return null;
  const fresh = Array.from({ length: 12 }, () => SIGNS[randomInt(SIGNS.length)]).join('');
  return (await one(em, SETUP_CODE, [fresh])).code.replace(/(.{4})(?=.)/g, '$1-');
}

/** A server without a club: whether it is one, and the first club. */
export async function setupRoutes(
  app: FastifyInstance,
  { database, config }: { readonly database: Database; readonly config: Config },
): Promise<void> {
  // From everywhere together as well: there is one code, and nobody has to hurry.
  const tries = countWrong(app, 'wrong codes', [
    { max: 10, timeWindow: 5 * MINUTE_MS, key: (request) => request.ip },
    { max: 200, timeWindow: 60 * MINUTE_MS, key: () => '' },
  ]);

  app.get(
    '/setup',
    { config: PUBLIC, schema: { summary: 'Whether this server has no club yet' } },
    (): Promise<SetupView> => one(database.em.fork(), SETUP_NEEDED),
  );

  app.post<{ Body: SetupBegin }>(
    '/setup',
    { config: PUBLIC, schema: { body: setupBeginSchema, summary: 'Begin the first club with the one-time code' } },
    async (request, reply) => {
      const { code, clubName, timeZone, name, email, password } = request.body;
      const em = database.em.fork();
      if (!(await one(em, SETUP_NEEDED)).needed) throw notFound();
      await tries.refuse(request, reply);
      refuseWeak(password, email);
      const passwordHash = await oneByOne(() => hashPassword(password));
      const [clubId, accountId] = [v7(), v7()];
      const { said } = await one(em, BEGIN_CLUB, [
        code,
        JSON.stringify({ id: clubId, name: clubName, settings: { timeZone } }),
        JSON.stringify({ id: accountId, name, email, passwordHash }),
      ]);
      if (said === 'there') throw notFound();
      if (said === 'wrong code') {
        await tries.wrong(request);
        request.log.warn({ address: request.ip }, 'a wrong setup code');
        throw new ProblemError(403, 'This code is not right. The server prints it when it starts.');
      }
      request.log.info({ address: request.ip, account: accountId }, 'the club begins');
      const me = await signInAs({ database, config }, { accountId, clubId }, request, reply);
      return reply.code(201).send(me);
    },
  );
}
