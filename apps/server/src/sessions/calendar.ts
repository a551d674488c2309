import type { CalendarLink, CalendarLinkSave, SessionRow } from '@upwell/contract/sessions';
import type { Me } from '@upwell/contract/account';
import { CAUSES } from '@upwell/core/review';
import type { EntityManager } from '@mikro-orm/postgresql';
import { createEvents, type DateArray, type EventAttributes } from 'ics';
import type { Database } from '../platform/database';
import { tokenHash } from '../platform/identity';
import { prepared } from '../platform/prepared';
import { notFound, ProblemError } from '../platform/problem';
import { SquadEntity } from '../swimmers/entities';
import { CalendarLinkEntity, type CalendarLinkRecord } from './entities';

/** What a calendar needs of a session. */
export interface CalendarSession extends Pick<
  SessionRow,
  'id' | 'title' | 'date' | 'startTime' | 'theme' | 'minutes' | 'groups'
> {
  readonly version: number;
}

/**
 * Sessions as iCalendar (RFC 5545). Times are those of the clock at the pool, without a zone, so that
 * every calendar shows what the clock on the wall shows.
 */
export function toCalendar(name: string, sessions: readonly CalendarSession[]): string {
  const { value, error } = createEvents(
    sessions.map((session): EventAttributes => {
      const [year, month, day] = session.date.split('-').map(Number) as [number, number, number];
      const [hour, minute] = session.startTime.split(':').map(Number) as [number, number];
      const totals = session.groups.map((g) => `${g.name}: ${Math.round(g.metres)} m`);
      return {
        uid: `${session.id}@upwell`,
        sequence: session.version,
        title: session.title,
        description: [`Theme: ${CAUSES[session.theme].name}`, ...totals].join('\n'),
        start: [year, month, day, hour, minute] satisfies DateArray,
        startInputType: 'local',
        startOutputType: 'local',
        duration: { minutes: session.minutes },
        productId: 'upwell/sessions',
        calName: name,
      };
    }),
    { productId: 'upwell/sessions', calName: name },
  );
  if (error) throw error;
  return value ?? '';
}

interface TokenRow {
  squad_name: string;
  id: string | null;
  title: string;
  date: string;
  start_time: string;
  theme: SessionRow['theme'];
  minutes: number;
  summary: SessionRow['groups'];
  version: number;
}

/** The calendar behind a secret address, as long as it is not revoked. */
export async function calendarByToken(database: Database, token: string): Promise<string> {
  const rows = await prepared<TokenRow>(database.em.fork(), 'select * from calendar_by_token(?)', [tokenHash(token)]);
  const [first] = rows;
  if (!first) throw new ProblemError(404, 'This calendar is not shared any more. Ask your coach for a new address.');
  const sessions = rows.flatMap((row): CalendarSession[] =>
    row.id === null ? [] : [{ ...row, id: row.id, startTime: row.start_time, groups: row.summary }],
  );
  return toCalendar(first.squad_name, sessions);
}

const toLink = ({ id, squadId, createdAt, revokedAt }: CalendarLinkRecord): CalendarLink => ({
  id,
  squadId,
  createdAt: createdAt.toISOString(),
  revoked: revokedAt !== null && revokedAt !== undefined,
});

export async function calendarLinks(em: EntityManager): Promise<CalendarLink[]> {
  const links = await em.find(CalendarLinkEntity, {}, { orderBy: { createdAt: 'desc' }, limit: 100 });
  return links.map(toLink);
}

/** Makes an address; the same id again is answered with what is stored. */
export async function addCalendarLink(
  em: EntityManager,
  me: Me,
  id: string,
  save: CalendarLinkSave,
): Promise<CalendarLink> {
  const known = await em.findOne(CalendarLinkEntity, { id });
  if (known) return toLink(known);
  const squad = await em.findOne(SquadEntity, { id: save.squadId });
  if (!squad) throw notFound();
  await em.insert(CalendarLinkEntity, {
    id,
    clubId: me.clubId,
    squadId: squad.id,
    tokenHash: tokenHash(save.token),
    createdBy: me.accountId,
    createdAt: new Date(),
    revokedAt: null,
  });
  return toLink(await em.findOneOrFail(CalendarLinkEntity, { id }));
}

export async function revokeCalendarLink(em: EntityManager, id: string): Promise<CalendarLink> {
  const link = await em.findOne(CalendarLinkEntity, { id });
  if (!link) throw notFound();
  link.revokedAt ??= new Date();
  await em.flush();
  return toLink(link);
}
