// What stands on a hand-out, and who may open it by a link.
import type { Me } from '@upwell/contract/account';
import type { HandoutLink, HandoutLinkSave } from '@upwell/contract/handout';
import { handout, type Handout } from '@upwell/core/handout';
import type { EntityManager } from '@mikro-orm/postgresql';
import type { Database } from '../platform/database';
import { tokenHash } from '../platform/identity';
import { shelvesOf } from '../platform/clubShelves';
import { prepared } from '../platform/prepared';
import { inShelves } from '../platform/shelves';
import { notFound, ProblemError } from '../platform/problem';
import { FocusEntity } from '../review/entities';
import { HandoutLinkEntity, type HandoutLinkRecord } from './entities';
import { first, type RowOf } from '../platform/statement';
import { PAGE, PAGE_BY_TOKEN } from './sql';

type Row = Omit<RowOf<typeof PAGE_BY_TOKEN>, 'club_id'>;

const toHandout = ({ given_name, relook_on, ...row }: Row): Handout =>
  handout({ ...row, givenName: given_name, relookOn: relook_on });

export interface HandoutOf {
  readonly page: Handout;
  readonly swimmerId: string;
}

/** The page for the swimmer of a focus, for anyone who may see the swimmer. */
export async function handoutOf(em: EntityManager, focusId: string): Promise<HandoutOf> {
  const row = await first(em, PAGE, [focusId]);
  if (!row) throw notFound();
  const { swimmer_id: swimmerId, ...rest } = row;
  return { page: toHandout(rest), swimmerId };
}

/** The page behind a secret link, as long as the link is not revoked. */
export async function handoutByToken(database: Database, token: string): Promise<Handout> {
  const [row] = await prepared(database.em.fork(), PAGE_BY_TOKEN, [tokenHash(token), tokenHash(token)]);
  if (!row) throw new ProblemError(404, 'This page is no longer shared. Ask your coach for a new link.');
  const { club_id: clubId, ...page } = row;
  return inShelves(await shelvesOf(database, clubId), () => toHandout(page));
}

const toLink = ({ id, focusId, createdAt, revokedAt }: HandoutLinkRecord): HandoutLink => ({
  id,
  focusId,
  createdAt: createdAt.toISOString(),
  revoked: revokedAt !== null && revokedAt !== undefined,
});

export async function linksOf(em: EntityManager, focusId: string): Promise<HandoutLink[]> {
  const links = await em.find(HandoutLinkEntity, { focusId }, { orderBy: { createdAt: 'desc' }, limit: 50 });
  return links.map(toLink);
}

/** Makes a link; the same id again is answered with what is stored. */
export async function addLink(em: EntityManager, me: Me, id: string, save: HandoutLinkSave): Promise<HandoutLink> {
  const known = await em.findOne(HandoutLinkEntity, { id });
  if (known) return toLink(known);
  const focus = await em.findOne(FocusEntity, { id: save.focusId });
  if (!focus) throw notFound();
  await em.insert(HandoutLinkEntity, {
    id,
    clubId: me.clubId,
    swimmerId: focus.swimmerId,
    focusId: focus.id,
    tokenHash: tokenHash(save.token),
    createdBy: me.accountId,
    createdAt: new Date(),
    revokedAt: null,
  });
  return toLink(await em.findOneOrFail(HandoutLinkEntity, { id }));
}

export async function revokeLink(em: EntityManager, id: string): Promise<HandoutLink> {
  const link = await em.findOne(HandoutLinkEntity, { id });
  if (!link) throw notFound();
  link.revokedAt ??= new Date();
  await em.flush();
  return toLink(link);
}
