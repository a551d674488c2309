// Invitations into a club, and how they are taken up.
import { longDayWord } from '@upwell/core/words';
import { dayIn } from '@upwell/core/days';
import type { EntityManager } from '@mikro-orm/postgresql';
import {
  INVITATION_DAYS,
  inviteSchema,
  joinSchema,
  linkLookSchema,
  type InvitationLook,
  type InvitationMade,
  type InvitationView,
  type Invite,
  type Join,
} from '@upwell/contract/people';
import { ageYear, isChild } from '@upwell/core/swimmers';
import type { FastifyInstance } from 'fastify';
import { v7 } from 'uuid';
import { countWrong, hashPassword, oneByOne, refuseWeak, signInAs } from '../account';
import { InvitationEntity } from '../account/entities';
import { asMe, COACH, PUBLIC, tokenHash, whoAsks, type SignedIn } from '../platform/identity';
import { idParams } from '../platform/params';
import { forbidden, notFound, ProblemError } from '../platform/problem';
import { first, one } from '../platform/statement';
import { SquadEntity, SwimmerEntity } from '../swimmers/entities';
import { makeLink, originOf, refuseShut } from './link';
import type { PeopleParts } from './parts';
import { ACCEPT_INVITATION, LOOK_AT_INVITATION } from './sql';

const MINUTE_MS = 60_000;
const DAY_MS = 24 * 60 * MINUTE_MS;
/** Invitations that one account makes in an hour: a club's whole roster, and no flood of mail. */
const MOST_AN_HOUR = 300;

/** Somebody who is invited gets a link that works once; shown as text and QR code, and sent by mail where there is mail. */
export async function invitationRoutes(app: FastifyInstance, { database, config, mail }: PeopleParts): Promise<void> {
  const guesses = countWrong(app, 'wrong links', [
    { max: 20, timeWindow: 5 * MINUTE_MS, key: (request) => request.ip },
  ]);
  const made = countWrong(app, 'invitations in an hour', [
    { max: MOST_AN_HOUR, timeWindow: 60 * MINUTE_MS, key: (request) => whoAsks(request).accountId },
  ]);

  app.get('/invitations', { config: COACH, schema: { summary: 'Invitations that nobody has used yet' } }, (request) =>
    asMe(database, whoAsks(request), openInvitations),
  );

  app.post<{ Body: Invite }>(
    '/invitations',
    { config: COACH, schema: { body: inviteSchema, summary: 'Invite a coach, a head coach or a swimmer' } },
    async (request, reply): Promise<InvitationMade> => {
      const me = whoAsks(request);
      const { role, email = null, squadIds = [], swimmerId = null } = request.body;
      if (me.role !== 'head' && role !== 'swimmer') throw forbidden();
      await made.refuse(request, reply);
      await made.wrong(request);
      const { link, hash } = makeLink(originOf(config, request), 'join');
      const id = v7();
      const expiresAt = new Date(Date.now() + INVITATION_DAYS * DAY_MS);
      await asMe(database, me, async (em) => {
        await refuseStrangers(em, squadIds, swimmerId);
        await em.nativeDelete(InvitationEntity, { usedAt: null, expiresAt: { $lt: new Date() } });
        await em.insert(InvitationEntity, {
          ...{ id, clubId: me.clubId, tokenHash: hash, role, email, swimmer: swimmerId },
          ...{ squadIds: role === 'coach' ? [...squadIds] : [], madeBy: me.accountId, expiresAt },
        });
      });
      request.log.info({ account: me.accountId, invitation: id, role }, 'invited');
      const mailed = email === null ? null : await mail?.send(email, letter(me, link, expiresAt));
      void reply.code(201);
      return { id, link, expiresAt: expiresAt.toISOString(), mailed: mailed ?? null };
    },
  );

  app.delete<{ Params: { id: string } }>(
    '/invitations/:id',
    { config: COACH, schema: { params: idParams, summary: 'Take an invitation back' } },
    async (request, reply) => {
      await asMe(database, whoAsks(request), async (em) => {
        if ((await em.nativeDelete(InvitationEntity, { id: request.params.id })) === 0) throw notFound();
      });
      return reply.code(204).send();
    },
  );

  app.post<{ Body: { token: string } }>(
    '/invitations/look',
    { config: PUBLIC, schema: { body: linkLookSchema, summary: 'What an invitation is for, with its secret' } },
    async (request, reply): Promise<InvitationLook> => {
      await guesses.refuse(request, reply);
      const found = await first(database.em.fork(), LOOK_AT_INVITATION, [tokenHash(request.body.token)]);
      if (!found) {
        await guesses.wrong(request);
        throw notFound();
      }
      const { state, club_name: clubName, role, email, invited_by: invitedBy, swimmer } = found;
      const child = role === 'swimmer' && isChild(found.birth_year, ageYear());
      // What was used or is over tells no more than that.
      return state === 'open'
        ? { state, clubName, role, email, invitedBy, swimmer, child }
        : { state, clubName, role, email: null, invitedBy: '', swimmer: null, child: false };
    },
  );

  app.post<{ Body: Join }>(
    '/invitations/accept',
    { config: PUBLIC, schema: { body: joinSchema, summary: 'Come in by an invitation; sets the session cookie' } },
    async (request, reply) => {
      const { token, name, email, password } = request.body;
      await guesses.refuse(request, reply);
      const em = database.em.fork();
      const secret = tokenHash(token);
      const found = await first(em, LOOK_AT_INVITATION, [secret]);
      if (!found) await guesses.wrong(request);
      refuseShut(found?.state, 'invitation');
      refuseWeak(password, email);
      const accountId = v7();
      const passwordHash = await oneByOne(() => hashPassword(password));
      const { said, club: clubId } = await one(em, ACCEPT_INVITATION, [
        secret,
        JSON.stringify({ id: accountId, name, email, passwordHash }),
      ]);
      if (said === 'address') {
        const message = 'This address already has an account. Use another one, or sign in.';
        throw new ProblemError(422, message, { fields: [{ field: 'email', message }] });
      }
      if (said !== 'joined') refuseShut(said, 'invitation');
      request.log.info({ address: request.ip, account: accountId }, 'joined by invitation');
      const me = await signInAs({ database, config }, { accountId, clubId }, request, reply);
      return reply.code(201).send(me);
    },
  );
}

/** Invitations that nobody has used yet, the newest first. */
async function openInvitations(em: EntityManager): Promise<InvitationView[]> {
  const open = await em.find(
    InvitationEntity,
    { usedAt: null, expiresAt: { $gt: new Date() } },
    {
      fields: [
        ...(['role', 'email', 'squadIds', 'madeAt', 'expiresAt', 'madeBy.name'] as const),
        ...(['swimmer.givenName', 'swimmer.familyName'] as const),
      ],
      orderBy: { madeAt: 'desc', id: 'asc' },
      limit: 500,
    },
  );
  return open.map(({ id, role, email, squadIds, swimmer, madeBy, madeAt, expiresAt }) => ({
    ...{ id, role, email: email ?? null, squadIds, by: madeBy.name },
    swimmerId: swimmer?.id ?? null,
    swimmer: swimmer ? `${swimmer.givenName} ${swimmer.familyName}` : null,
    madeAt: madeAt.toISOString(),
    expiresAt: expiresAt.toISOString(),
  }));
}

/** Squads and a swimmer that the one who invites may see. */
async function refuseStrangers(
  em: EntityManager,
  squadIds: readonly string[],
  swimmerId: string | null,
): Promise<void> {
  const seen = await em.count(SquadEntity, { id: { $in: [...squadIds] } });
  if (seen !== squadIds.length) throw new ProblemError(400, 'One of these squads is not in your club.');
  if (swimmerId !== null && (await em.count(SwimmerEntity, { id: swimmerId })) === 0) throw notFound();
}

const letter = ({ name, clubName, timeZone }: SignedIn, link: string, expiresAt: Date) => ({
  subject: `${clubName}: your invitation to Upwell`,
  text: [
    `${name} invites you to ${clubName} on Upwell.`,
    `Open this link and choose a password. It works once, until ${longDayWord(dayIn(timeZone, expiresAt))}:`,
    link,
    `If you do not know ${name}, do nothing: nobody can join without the link.`,
  ].join('\n\n'),
});
