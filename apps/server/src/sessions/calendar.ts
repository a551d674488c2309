import { dayWord, zoneWord } from '@upwell/core/words';
import { dayIn, momentIn, timeIn } from '@upwell/core/days';
import { zoneAt } from '@upwell/core/days/place';
import type { CalendarLink, CalendarLinkSave } from '@upwell/contract/sessions';
import type { Me } from '@upwell/contract/account';
import { causeCard } from '@upwell/core/review';
import { summaryWord } from '@upwell/core/units';
import type { LevelId } from '@upwell/core/swimmers';
import type { EntityManager } from '@mikro-orm/postgresql';
import { createEvents, type DateArray, type EventAttributes } from 'ics';
import type { Database } from '../platform/database';
import { tokenHash } from '../platform/identity';
import { prepared } from '../platform/prepared';
import { notFound, ProblemError } from '../platform/problem';
import { SquadEntity, SwimmerEntity } from '../swimmers/entities';
import { CalendarLinkEntity, type CalendarLinkRecord } from './entities';
import type { CalendarDays, CalendarSession } from './calendarParts';
import { CALENDAR_BY_TOKEN } from './sql';

/**
 * Sessions as iCalendar (RFC 5545). Times are moments, told in UTC, which every calendar turns into its reader's own clock;
 * the words say what the clock at the pool or the course shows.
 *
 * @param level whose metres are shown; null shows those of every group
 */
export function toCalendar(
  name: string,
  sessions: readonly CalendarSession[],
  { races, tests }: CalendarDays = { races: [], tests: [] },
  level: LevelId | null = null,
): string {
  const about = { productId: 'upwell/sessions', calName: name };
  const dayOf = (iso: string) => iso.split('-').map(Number) as [number, number, number];
  const wholeDay = (uid: string, title: string, date: string, days: number): EventAttributes => ({
    ...about,
    uid,
    title,
    start: dayOf(date) satisfies DateArray,
    duration: { days },
  });
  const { value, error } = createEvents(
    [
      ...sessions.map((session): EventAttributes => {
        const { date, startTime, timeZone } = session;
        const at = momentIn(timeZone, date, startTime);
        const [hour, minute] = timeIn('UTC', at).split(':').map(Number) as [number, number];
        const own = session.groups.filter((g) => level === null || g.level === level);
        const totals = own.map((g) => `${g.name}: ${summaryWord(g)}`);
        return {
          ...about,
          uid: `${session.id}@upwell`,
          sequence: session.version,
          title: session.title,
          description: [
            `${dayWord(date)} ${startTime}, ${zoneWord(timeZone)}`,
            `Theme: ${causeCard(session.theme).name}`,
            ...totals,
          ].join('\n'),
          start: [...dayOf(dayIn('UTC', at)), hour, minute] satisfies DateArray,
          startInputType: 'utc',
          startOutputType: 'utc',
          duration: { minutes: session.minutes },
        };
      }),
      ...races.map(({ event, date }) => wholeDay(`${date}-${encodeURIComponent(event)}@upwell`, event, date, 1)),
      ...tests.map((monday) => wholeDay(`test-${monday}@upwell`, 'Week of a test', monday, 7)),
    ],
    about,
  );
  if (error) throw error;
  return value ?? '';
}

/** The calendar behind a secret address, as long as it is not revoked. */
export async function calendarByToken(database: Database, token: string): Promise<string> {
  const [row] = await prepared(database.em.fork(), CALENDAR_BY_TOKEN, [tokenHash(token)]);
  if (!row) throw new ProblemError(404, 'This calendar is no longer shared. Ask your coach for a new address.');
  const sessions = row.sessions.map(({ spot, ...session }) => ({
    ...session,
    timeZone: spot ? zoneAt(spot) : row.time_zone,
  }));
  return toCalendar(row.name, sessions, row, row.level);
}

const toLink = ({ id, squadId, swimmerId, createdAt, revokedAt }: CalendarLinkRecord): CalendarLink => ({
  id,
  squadId,
  swimmerId: swimmerId ?? null,
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
  const swimmer = save.swimmerId ? await em.findOne(SwimmerEntity, { id: save.swimmerId }) : null;
  const squadId = save.swimmerId ? swimmer?.squadId : save.squadId;
  const squad = squadId ? await em.findOne(SquadEntity, { id: squadId }) : null;
  if (!squad) throw notFound();
  await em.insert(CalendarLinkEntity, {
    id,
    clubId: me.clubId,
    squadId: squad.id,
    swimmerId: swimmer?.id ?? null,
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
