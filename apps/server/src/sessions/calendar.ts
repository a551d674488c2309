import { dayWord, zoneWord } from '@upwell/core/words';
import { addDays, momentIn } from '@upwell/core/days';
import { placeWord } from '@upwell/core/sessions';
import { zoneAt } from '@upwell/core/days/place';
import type { CalendarLink, CalendarLinkSave } from '@upwell/contract/sessions';
import type { Me } from '@upwell/contract/account';
import { causeCard } from '@upwell/core/review';
import { summaryWord } from '@upwell/core/units';
import type { LevelId } from '@upwell/core/swimmers';
import type { EntityManager } from '@mikro-orm/postgresql';
import { TZDate } from '@date-fns/tz';
import ical, { ICalCalendarMethod } from 'ical-generator';
import { tzlib_get_ical_block } from 'timezones-ical-library';
import type { Database } from '../platform/database';
import { tokenHash } from '../platform/identity';
import { prepared } from '../platform/prepared';
import { notFound, ProblemError } from '../platform/problem';
import { SquadEntity, SwimmerEntity } from '../swimmers/entities';
import { CalendarLinkEntity, type CalendarLinkRecord } from './entities';
import type { CalendarDays, CalendarSession } from './calendarParts';
import { CALENDAR_BY_TOKEN } from './sql';

/** UTC needs no time zone of its own in a file. */
const GREENWICH = ['UTC', 'Etc/UTC'];

/** The rules of a zone, for readers that do not know it by its name. */
const zoneRules = (zone: string): string => [tzlib_get_ical_block(zone)].flat()[0] ?? '';

/**
 * Sessions as iCalendar (RFC 5545): by the clock of the pool or the course, whose zone and rules stand in the file, with
 * the place. An entry keeps its id when its title, day or hour changes.
 *
 * @param level whose metres are shown; null shows those of every group
 */
export function toCalendar(
  name: string,
  sessions: readonly CalendarSession[],
  { races, tests }: CalendarDays = { races: [], tests: [] },
  level: LevelId | null = null,
): string {
  const calendar = ical({ name, prodId: { company: 'upwell', product: 'sessions', language: 'EN' } });
  calendar.method(ICalCalendarMethod.PUBLISH);
  calendar.timezone({ name: null, generator: zoneRules });
  const wholeDays = (id: string, summary: string, start: string, days: number) =>
    calendar.createEvent({ id, summary, start, end: addDays(start, days), allDay: true });
  for (const session of sessions) {
    const { date, startTime, timeZone, at } = session;
    const start = momentIn(timeZone, date, startTime);
    const own = session.groups.filter((g) => level === null || g.level === level);
    const zone = GREENWICH.includes(timeZone) ? null : timeZone;
    calendar.createEvent({
      id: `${session.id}@upwell`,
      sequence: session.version,
      summary: session.title,
      description: [
        `${dayWord(date)} ${startTime}, ${zoneWord(timeZone)}`,
        `Theme: ${causeCard(session.theme).name}`,
        ...own.map((g) => `${g.name}: ${summaryWord(g)}`),
      ].join('\n'),
      start: new TZDate(start, timeZone),
      end: new TZDate(start + session.minutes * 60_000, timeZone),
      timezone: zone,
      location: at.spot ? { title: at.name, geo: at.spot } : at.name,
    });
  }
  for (const { id, event, date } of races) wholeDays(`race-${id}@upwell`, event, date, 1);
  for (const monday of tests) wholeDays(`test-${monday}@upwell`, 'Week of a test', monday, 7);
  return calendar.toString();
}

/** The calendar behind a secret address, as long as it is not revoked. */
export async function calendarByToken(database: Database, token: string): Promise<string> {
  const [row] = await prepared(database.em.fork(), CALENDAR_BY_TOKEN, [tokenHash(token)]);
  if (!row) throw new ProblemError(404, 'This calendar is no longer shared. Ask your coach for a new address.');
  const sessions = row.sessions.map(({ spot, course, pool, place, ...session }) => ({
    ...session,
    timeZone: spot ? zoneAt(spot) : row.time_zone,
    at: { name: course ?? placeWord({ pool, place }), spot },
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
