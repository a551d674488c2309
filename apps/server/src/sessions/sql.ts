// What sessions ask the database beyond single rows: lists, who comes, and the load of past weeks.
import type { Spot } from '@upwell/core/days/place';
import type { SessionRow } from '@upwell/contract/sessions';
import type { LadderId } from '@upwell/core/library';
import type { CauseId } from '@upwell/core/review';
import {
  BASELINE_LOOKS_BACK,
  type Attendee,
  type BreathingSide,
  type SessionPlan,
  type WeekKind,
} from '@upwell/core/sessions';
import type { LevelId } from '@upwell/core/swimmers';
import { bool, int, json, orNull, rows, text, textOf, uuid, uuids } from '../platform/statement';
import type { CalendarDays, StoredCalendarSession } from './calendarParts';

/** Weeks of records that shape a new session, and that the pictures of load show, in days. */
const SHAPING_DAYS = 42;
const SHOWN_DAYS = 56;

/** Where the course of a session begins, whose clock its time is of. */
const SPOT = `(select c.course->'start' from course c where c.id = course_id)`;

/** Sessions of a span of days: templates or not, from, to, words, words as a pattern, themes, squad twice, limit. */
export const SESSIONS = rows(
  {
    id: uuid,
    title: text,
    date: text,
    start_time: text,
    spot: orNull(json<Spot>()),
    theme: textOf<SessionRow['theme']>(),
    minutes: int,
    squad_ids: uuids,
    template: bool,
    series_id: orNull(uuid),
    done: bool,
    summary: json<SessionRow['groups']>(),
  },
  `select id, title, date::text as date, start_time, ${SPOT} as spot, theme, minutes, squad_ids, template, series_id,
     done is not null as done, coalesce(done_summary, summary) as summary
   from training_session
   where template = ? and date >= coalesce(?::date, '-infinity') and date <= coalesce(?::date, 'infinity')
     and (?::text = '' or plain_text(title) like ? or theme = any(?::text[]))
     and (?::uuid is null or ?::uuid = any(squad_ids))
   order by date desc, start_time desc, id limit ?`,
);

/** Past sessions that shape a new one of some squads, of all when none are named: day and squads, each twice. */
export const SHAPING = rows(
  { plan: json<SessionPlan>() },
  `select plan from training_session
   where not template and date < ?::date and date >= ?::date - ${SHAPING_DAYS}
     and (cardinality(?::uuid[]) = 0 or squad_ids && ?::uuid[]) order by date desc limit 100`,
);

/** Loads of the weeks that a week is held against: day three times, squads twice. */
export const LOADS = rows(
  { days_ago: int, squad_ids: uuids, summary: json<SessionRow['groups']>() },
  `select ?::date - date as days_ago, squad_ids, coalesce(done_summary, summary) as summary from training_session
   where not template and date < ?::date and date >= ?::date - ${(BASELINE_LOOKS_BACK + 1) * 7}
     and (cardinality(?::uuid[]) = 0 or squad_ids && ?::uuid[]) order by date desc limit 400`,
);

/** Swimmers of some squads, of all when none are named, with what they bring to a day: day twice, squads twice. */
export const ATTENDEES = rows(
  {
    id: uuid,
    name: text,
    level: textOf<LevelId>(),
    model: textOf<NonNullable<Attendee['model']>>(),
    best_times: json<Attendee['bestTimes']>(),
    stroke_times: json<NonNullable<Attendee['strokeTimes']>>(),
    breathing_side: textOf<BreathingSide>(),
    health_flags: json<NonNullable<Attendee['healthFlags']>>(),
    ladder_steps: json<Partial<Record<LadderId, number>>>(),
    birth_year: orNull(int),
    rate: orNull(int),
    focus: orNull(textOf<CauseId>()),
    plan: orNull(json<{ readonly theme: CauseId; readonly kind: WeekKind }>()),
    race_in: orNull(int),
  },
  `select s.id, s.given_name || ' ' || s.family_name as name, s.level, s.stroke_model as model, s.best_times, s.stroke_times,
     s.breathing_side, s.health_flags, s.ladder_steps, s.birth_year,
     (select round((t.outcome->'ramp'->>'distanceRateSpm')::numeric)::int from test_result t
      where t.swimmer_id = s.id and t.kind = 'rate-ramp' order by t.held_on desc, t.id desc limit 1) as rate,
     (select f.cause from focus f where f.swimmer_id = s.id and f.closed_at is null order by f.since desc limit 1) as focus,
     (select jsonb_build_object('theme', w.theme, 'kind', w.kind) from plan_week w
      where w.swimmer_id = s.id and w.monday = date_trunc('week', ?::date)::date) as plan,
     (s.goal->>'date')::date - ?::date as race_in
   from swimmer s where not s.archived and (cardinality(?::uuid[]) = 0 or s.squad_id = any(?::uuid[]) or s.id = any(?::uuid[]))
   order by s.family_name, s.given_name, s.id limit 500`,
);

/** Sessions of the last weeks with their load: day three times. */
export const PAST = rows(
  { days_ago: int, squad_ids: uuids, summary: json<SessionRow['groups']>() },
  `select ?::date - date as days_ago, squad_ids, coalesce(done_summary, summary) as summary from training_session
   where not template and date <= ?::date and date > ?::date - ${SHOWN_DAYS} order by date desc limit 1000`,
);

/** Everybody who trains, with their squad. */
export const TRAINING = rows(
  { id: uuid, name: text, level: textOf<LevelId>(), squad_id: uuid, squad_name: text },
  `select s.id, s.given_name || ' ' || s.family_name as name, s.level, s.squad_id, q.name as squad_name
   from swimmer s join squad q on q.id = s.squad_id
   where not s.archived order by s.family_name, s.given_name, s.id limit 500`,
);

/** What swimmers said of the sessions of a week: day twice. */
export const RATINGS = rows(
  { swimmer_id: uuid, ratings: json<readonly (readonly [value: number, minutes: number])[]>() },
  `select r.swimmer_id, json_agg(json_build_array(r.value, t.minutes)) as ratings
   from session_rating r join training_session t on t.id = r.session_id
   where t.date <= ?::date and t.date > ?::date - 7 group by 1 limit 500`,
);

/** What is on a shared calendar, by the hash of its secret. */
export const CALENDAR_BY_TOKEN = rows(
  {
    ...{ name: text, level: orNull(textOf<LevelId>()), time_zone: text },
    sessions: json<readonly StoredCalendarSession[]>(),
    races: json<CalendarDays['races']>(),
    tests: json<CalendarDays['tests']>(),
  },
  'select * from calendar_by_token(?)',
);
