import { randomBytes } from 'node:crypto';
import { parse } from 'bowser';
import type { Me } from '@upwell/contract/account';
import type { EntityManager } from '@mikro-orm/postgresql';
import type { FastifyReply, FastifyRequest } from 'fastify';
import { v7 } from 'uuid';
import type { Config } from '../platform/config';
import { asIdentity, type Database } from '../platform/database';
import { cookieName, tokenHash } from '../platform/identity';
import { rulesOf } from '../swimmers';
import { ClubEntity } from '../swimmers/entities';
import { AccountEntity, SignInSessionEntity } from './entities';

/** A sign-in lasts this long at most, seconds; unused for 30 days it ends earlier, in the database. */
const LASTS_S = 180 * 24 * 3600;

/** Signs an account in on the device that asks: stores the session, sets its cookie, and says who it is. */
export async function signInAs(
  { database, config }: { readonly database: Database; readonly config: Config },
  { accountId, clubId }: { readonly accountId: string; readonly clubId: string },
  request: FastifyRequest,
  reply: FastifyReply,
): Promise<Me> {
  const token = randomBytes(32).toString('base64url');
  const who = { accountId, clubId, role: 'none', swimmerId: null, squadIds: [] };
  const me = await asIdentity(database, who, async (em) => {
    await em.nativeDelete(SignInSessionEntity, { expiresAt: { $lt: new Date() } });
    await em.insert(SignInSessionEntity, {
      tokenHash: tokenHash(token),
      id: v7(),
      accountId,
      clubId,
      expiresAt: new Date(Date.now() + LASTS_S * 1000),
      device: deviceOf(request.headers['user-agent'] ?? ''),
    });
    return whoIs(em, accountId);
  });
  request.log.info({ address: request.ip, account: accountId }, 'signed in');
  void reply.setCookie(cookieName(config.secureCookies), token, {
    path: '/',
    httpOnly: true,
    sameSite: 'lax',
    secure: config.secureCookies,
    maxAge: LASTS_S,
  });
  return me;
}

async function whoIs(em: EntityManager, accountId: string): Promise<Me> {
  const account = await em.findOneOrFail(AccountEntity, accountId);
  const club = await em.findOneOrFail(ClubEntity, account.clubId);
  const { timeZone, units } = rulesOf(club);
  return {
    accountId: account.id,
    name: account.name,
    role: account.role,
    clubId: account.clubId,
    clubName: club.name,
    timeZone,
    units,
    libraryVersion: club.libraryVersion,
    swimmerId: account.swimmerId ?? null,
  };
}

/**
 * What a person recognises a device by.
 *
 * @example deviceOf('') // 'another program'
 */
export function deviceOf(userAgent: string): string {
  if (userAgent === '') return 'another program';
  const { browser, os, platform } = parse(userAgent.slice(0, 500));
  const kind = platform.type === 'mobile' ? 'phone' : platform.type === 'tablet' ? 'tablet' : 'computer';
  const system = os.name ? `${kind} (${os.name})` : kind;
  return browser.name ? `${browser.name} on a ${system}` : 'another program';
}
