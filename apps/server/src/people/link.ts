import { randomBytes } from 'node:crypto';
import type { FastifyRequest } from 'fastify';
import type { Config } from '../platform/config';
import { tokenHash } from '../platform/identity';
import { notFound, ProblemError } from '../platform/problem';

/** Where people reach this server. @example originOf({ publicUrl: 'https://club.example' }, request) // 'https://club.example' */
export const originOf = (config: Config, request: FastifyRequest): string =>
  config.publicUrl ?? `${request.protocol}://${request.host}`;

/**
 * A link with a secret of 32 random bytes behind `#`, which browsers keep to themselves: no proxy and no log sees it.
 *
 * @returns the link, and the hash under which it is found again
 */
export function makeLink(origin: string, page: 'join' | 'reset'): { readonly link: string; readonly hash: Buffer } {
  const token = randomBytes(32).toString('base64url');
  return { link: `${origin}/${page}#${token}`, hash: tokenHash(token) };
}

/**
 * Refuses what a link does not open any more.
 *
 * @throws ProblemError 404 when nobody made it, 410 when it was used or its time is over
 */
export function refuseShut(state: string | undefined, what: string): void {
  if (state === undefined || state === 'unknown') throw notFound();
  if (state === 'used')
    throw new ProblemError(410, `This ${what} has been used. If that was you, sign in with your e-mail and password.`);
  if (state === 'over')
    throw new ProblemError(410, `This ${what} has expired. Ask for a new one; it takes your head coach a minute.`);
}
