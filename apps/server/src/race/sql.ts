// What races, weeks and the season ask the database beyond single rows.
import type { Spot } from '@upwell/core/days/place';
import type { MySession, SeasonRow, SeasonSquad } from '@upwell/contract/race';
import type { PoolTime, RaceGoal } from '@upwell/contract/swimmers';
import { PAST_WEEKS, TRIAL_DAYS, type Outlook, type RaceChoices, type RaceFacts } from '@upwell/core/race';
import type { LadderId } from '@upwell/core/library';
import type { Trial } from '@upwell/core/measures';
import type { CauseId } from '@upwell/core/review';
import type { LevelId } from '@upwell/core/swimmers';
import type { PoolTotal } from '@upwell/core/units';
import { bool, float, int, json, orNull, rows, text, textOf, uuid } from '../platform/statement';

/** Most lines of one kind on the deck's first page. */
export const MOST_DUE = 12;

type LadderSteps = Partial<Record<LadderId, number>>;

/** What is known of some swimmers and their races, in one question for all of them: today five times, this Monday twice, ids. */
export const KNOWN = rows(
  {
    id: uuid,
    name: text,
    given_name: text,
    squad_id: uuid,
    level: textOf<LevelId>(),
    birth_year: orNull(int),
    breathes: textOf<RaceFacts['breathes']>(),
    goal: orNull(json<RaceGoal>()),
    best_times: json<readonly Trial[]>(),
    ladder_steps: json<LadderSteps>(),
    pool_times: json<readonly PoolTime[]>(),
    choices: orNull(json<RaceChoices>()),
    version: orNull(int),
    trials: orNull(json<readonly (Trial & { readonly on: string })[]>()),
    tested: orNull(json<readonly { readonly on: string; readonly trials: readonly Trial[] }[]>()),
    ramp: orNull(text),
    swum: orNull(json<{ readonly on: string; readonly swumM: number; readonly courseM: number }>()),
    swum_m: orNull(json<readonly number[]>()),
    rehearsed: bool,
    focus: orNull(textOf<CauseId>()),
    ranking: orNull(json<readonly { readonly cause: CauseId; readonly probability: number }[]>()),
    outside: int,
    past: orNull(json<readonly { readonly monday: string; readonly load: number }[]>()),
  },
  `select s.id, s.given_name || ' ' || s.family_name as name, s.given_name, s.squad_id, s.level, s.birth_year,
     s.breathing_side as breathes, s.goal, s.best_times, s.ladder_steps, q.pool_times, p.choices, p.version,
     (select jsonb_agg(jsonb_build_object('distanceM', r.distance_m, 'timeS', r.time_s, 'on', r.held_on::text))
      from result r where r.swimmer_id = s.id and r.kind = 'trial'
        and r.held_on > ?::date - ${TRIAL_DAYS} and r.held_on <= ?::date) as trials,
     (select jsonb_agg(jsonb_build_object('on', t.held_on::text, 'trials', t.input->'trials'))
      from test_result t where t.swimmer_id = s.id and t.kind = 'critical-speed'
        and t.held_on > ?::date - ${TRIAL_DAYS} and t.held_on <= ?::date) as tested,
     (select t.outcome->'ramp'->>'distanceRateSpm' from test_result t
      where t.swimmer_id = s.id and t.kind = 'rate-ramp' order by t.held_on desc, t.id desc limit 1) as ramp,
     (select t.summary from swum_track t where t.swimmer_id = s.id order by t.summary->>'on' desc, t.id limit 1) as swum,
     (select jsonb_agg((t.summary->>'swumM')::double precision) from swum_track t
      where t.swimmer_id = s.id and t.summary->>'on' > (?::date - ${TRIAL_DAYS})::text) as swum_m,
     exists (select from swum_track t where t.swimmer_id = s.id
       and t.course_id::text = p.choices->>'courseId') as rehearsed,
     (select f.cause from focus f where f.swimmer_id = s.id and f.closed_at is null order by f.since desc limit 1) as focus,
     (select r.ranking from review r where r.swimmer_id = s.id order by r.looked_at desc limit 1) as ranking,
     (select count(*)::int from attendance a join training_session t on t.id = a.session_id
      where a.swimmer_id = s.id and a.status in ('in', 'out') and t.plan->>'place' = 'open-water') as outside,
     (select jsonb_agg(w) from (
        select date_trunc('week', t.date)::date::text as monday,
          -- Who was not there swam nothing; where nobody counted heads everybody did.
          sum(case when not exists (select from attendance a where a.session_id = t.id)
              or exists (select from attendance a where a.session_id = t.id and a.swimmer_id = s.id and a.status in ('in', 'out'))
            then (select coalesce(max((g->>'load')::double precision), 0)
              from jsonb_array_elements(coalesce(t.done_summary, t.summary)) g where g->>'level' = s.level)
            else 0 end) as load
        from training_session t
        where not t.template and s.squad_id = any(t.squad_ids) and t.date >= ?::date - ${7 * PAST_WEEKS} and t.date < ?::date
        group by 1) w) as past
   from swimmer s join squad q on q.id = s.squad_id left join race_plan p on p.id = s.id
   where s.id = any(?::uuid[]) order by s.id`,
);

/** Tests that are planned for the week of a Monday and not done yet. */
export const TESTS_DUE = rows(
  { swimmerId: uuid, name: text, squadId: uuid, monday: text },
  `select s.id as "swimmerId", s.given_name || ' ' || s.family_name as name, s.squad_id as "squadId",
     w.monday::text as monday
   from plan_week w join swimmer s on s.id = w.swimmer_id
   where w.monday = ?::date and w.test and not s.archived
     and not exists (select from test_result t where t.swimmer_id = s.id and t.held_on >= w.monday)
   order by s.search_name, s.id limit 200`,
);

/** Who has a race outside between two days, the nearest first. */
export const RACES_NEAR = rows(
  { id: uuid },
  `select s.id from swimmer s
   where not s.archived and s.goal->>'place' = 'open-water' and s.goal->>'date' >= ? and s.goal->>'date' <= ?
   order by s.goal->>'date', s.id limit 60`,
);

/** A page of the season: from and to twice, squad twice, cursor twice, one more than shown. */
export const SEASON_LINES = rows(
  {
    id: uuid,
    name: text,
    level: textOf<LevelId>(),
    squadName: text,
    event: text,
    raceOn: text,
    outlook: orNull(json<Outlook>()),
    sort: text,
    weeks: json<SeasonRow['weeks']>(),
  },
  `select * from (
     select s.id, s.given_name || ' ' || s.family_name as name, s.level, q.name as "squadName",
       s.goal->>'event' as event, s.goal->>'date' as "raceOn", o.outlook,
       (s.goal->>'date') || ' ' || s.id as sort,
       coalesce((select jsonb_agg(jsonb_build_object('monday', w.monday::text, 'phase', w.phase, 'kind', w.kind,
           'load', w.load, 'test', w.test) order by w.monday)
         from plan_week w where w.swimmer_id = s.id and w.monday >= ?::date and w.monday < ?::date), '[]') as weeks
     from swimmer s join squad q on q.id = s.squad_id
       left join race_outlook o on o.swimmer_id = s.id and o.race_on::text = s.goal->>'date'
     where not s.archived and s.goal is not null and s.goal->>'date' >= ? and s.goal->>'date' < ?
       and (?::uuid is null or s.squad_id = ?::uuid)) x
   where ?::text is null or x.sort > ? order by x.sort limit ?`,
);

/** How many races from a day on have no outlook of that day. */
export const OLD_OUTLOOKS = rows(
  { old: int },
  `select count(*)::int as old from swimmer s left join race_outlook o on o.swimmer_id = s.id
   where not s.archived and s.goal is not null and s.goal->>'date' >= ?
     and (o.made_on is null or o.made_on < ?::date or o.race_on::text <> s.goal->>'date')`,
);

/** Races between two days, with how many swim them, of one squad or all. */
export const RACES = rows(
  { event: text, date: text, swimmers: int },
  `select s.goal->>'event' as event, s.goal->>'date' as date, count(*)::int as swimmers from swimmer s
   where not s.archived and s.goal is not null and s.goal->>'date' >= ? and s.goal->>'date' < ?
     and (?::uuid is null or s.squad_id = ?::uuid)
   group by 1, 2 order by 2, 1 limit 60`,
);

/** Squads with what the plans of their swimmers come to in each week between two days, and the races in it. */
export const SEASON_SQUADS = rows(
  {
    id: uuid,
    name: text,
    poolTimes: json<SeasonSquad['poolTimes']>(),
    swimmers: int,
    weeks: json<SeasonSquad['weeks']>(),
  },
  `select q.id, q.name, q.pool_times as "poolTimes",
     (select count(*)::int from swimmer s where s.squad_id = q.id and not s.archived) as swimmers,
     coalesce((select jsonb_agg(x order by x.monday) from (
       select w.monday::text as monday, sum(w.load)::int as load, count(*)::int as swimmers,
         count(*) filter (where w.kind = 'normal')::int as working,
         count(*) filter (where w.kind = 'recovery')::int as lighter,
         count(*) filter (where w.kind = 'taper')::int as tapering,
         coalesce((select jsonb_agg(r order by r.date, r.event) from (
           select g.goal->>'event' as event, g.goal->>'date' as date, count(*)::int as swimmers from swimmer g
           where g.squad_id = q.id and not g.archived and g.goal->>'date' >= w.monday::text
             and g.goal->>'date' <= (w.monday + 6)::text
           group by 1, 2) r), '[]') as races
       from plan_week w join swimmer s on s.id = w.swimmer_id
       where s.squad_id = q.id and not s.archived and w.monday >= ?::date and w.monday < ?::date group by w.monday) x),
       '[]') as weeks
   from squad q where not q.archived and (?::uuid is null or q.id = ?::uuid) order by q.name limit 60`,
);

/** Swimmers with a race on or after a day, in a fixed order. */
export const RACERS = rows(
  { id: uuid },
  `select s.id from swimmer s where not s.archived and s.goal is not null and s.goal->>'date' >= ? order by s.id limit 5000`,
);

/** Clubs that have races, with their clocks; asked outside of any club. */
export const CLUBS_WITH_RACES = rows(
  { id: uuid, timeZone: text },
  'select id, time_zone as "timeZone" from clubs_with_races()',
);

/** Sessions of a swimmer this week, and last week's that were not rated: swimmer, squad, next Monday, Monday, last Monday. */
export const MY_SESSIONS = rows(
  {
    id: uuid,
    title: text,
    date: text,
    startTime: text,
    spot: orNull(json<Spot>()),
    minutes: int,
    theme: textOf<MySession['theme']>(),
    groups: json<readonly { readonly level: string; readonly metres: number; readonly inPool?: PoolTotal }[]>(),
    rating: orNull(float),
  },
  `select t.id, t.title, t.date::text as date, t.start_time as "startTime", t.minutes, t.theme,
     (select c.course->'start' from course c where c.id = t.course_id) as spot,
     coalesce(t.done_summary, t.summary) as groups, r.value as rating
   from training_session t left join session_rating r on r.session_id = t.id and r.swimmer_id = ?
   where not t.template and ?::uuid = any(t.squad_ids) and t.date < ?::date
     and (t.date >= ?::date or (t.date >= ?::date and r.value is null))
   order by t.date, t.start_time limit 40`,
);
