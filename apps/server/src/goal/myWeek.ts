/** A swimmer's own week: sessions, the one focus, the weeks to the race, what is missing. */
import type { Me } from '@upwell/contract/account';
import type { MySession, MyWeek } from '@upwell/contract/goal';
import { raceReadiness, type Outlook, type ReadyItem } from '@upwell/core/goal';
import type { EntityManager } from '@mikro-orm/postgresql';
import { notFound } from '../platform/problem';
import { openFocusesOf } from '../review';
import { SwimmerEntity } from '../swimmers/entities';
import { addDays, weekOf } from '@upwell/core/days';
import { keptWeeks, known } from './service';

interface MyRow extends Omit<MySession, 'metres'> {
  readonly groups: readonly { readonly level: string; readonly metres: number }[];
}

export async function myWeek(em: EntityManager, id: string, today: string): Promise<MyWeek> {
  const one = await known(em, id, today);
  const monday = weekOf(today);
  const record = await em.findOneOrFail(SwimmerEntity, { id });
  const sessions = await em.execute<MyRow[]>(
    `select t.id, t.title, t.date::text as date, t.start_time as "startTime", t.minutes, t.theme,
       coalesce(t.done_summary, t.summary) as groups, r.value as rating
     from training_session t left join session_rating r on r.session_id = t.id and r.swimmer_id = ?
     where not t.template and ?::uuid = any(t.squad_ids) and t.date < ?::date
       and (t.date >= ?::date or (t.date >= ?::date and r.value is null))
     order by t.date, t.start_time limit 40`,
    [id, one.squadId, addDays(monday, 7), monday, addDays(monday, -7)],
    'all',
  );
  const weeks = await keptWeeks(em, id, monday);
  const [stored] = await em.execute<{ outlook: Outlook }[]>(
    'select outlook from race_outlook where swimmer_id = ? and race_on::text = ?',
    [id, one.facts?.raceOn ?? ''],
    'all',
  );
  const [focus] = await openFocusesOf(em, [id]);
  const ready: ReadyItem[] = one.facts ? raceReadiness(one.facts, one.choices, today) : [];
  return {
    swimmerId: id,
    givenName: one.givenName,
    sessions: sessions.map(({ groups, ...session }) => ({
      ...session,
      metres: groups.find((g) => g.level === record.level)?.metres ?? null,
    })),
    focus: focus ?? null,
    race:
      one.facts && one.facts.raceOn >= today
        ? {
            event: one.facts.event,
            raceOn: one.facts.raceOn,
            distanceM: one.facts.distanceM,
            targetS: one.facts.targetS,
            courseId: one.choices.courseId ?? null,
            outlook: stored?.outlook ?? null,
          }
        : null,
    weeks,
    ready,
  };
}

/** How a session felt to whoever swam it; said again it replaces what was said before. */
export async function rateSession(
  em: EntityManager,
  me: Me,
  sessionId: string,
  value: number,
): Promise<{ readonly sessionId: string; readonly value: number }> {
  const [session] = await em.execute<{ id: string }[]>(
    'select id from training_session where id = ? and not template and date <= current_date + 1',
    [sessionId],
    'all',
  );
  if (!session) throw notFound();
  await em.execute(
    `insert into session_rating (session_id, swimmer_id, club_id, value) values (?, ?, ?, ?)
     on conflict (session_id, swimmer_id) do update set value = excluded.value, rated_at = now()`,
    [sessionId, me.swimmerId, me.clubId, value],
    'run',
  );
  return { sessionId, value };
}
