import type { Me } from '@upwell/contract/account';
import type {
  MySession,
  MyWeek,
  LoadDue,
  RacePlanSave,
  RacePlanView,
  ReadyDue,
  SeasonPage,
  SeasonQuery,
  SeasonRow,
  SeasonSquad,
  TestDue,
} from '@upwell/contract/goal';
import { SEASON_WEEKS } from '@upwell/contract/goal';
import {
  raceOutlook,
  racePlan,
  raceReadiness,
  weekOf,
  type Outlook,
  type PlanWeek,
  type RaceChoices,
  type ReadyFacts,
  type ReadyItem,
} from '@upwell/core/goal';
import type { EntityManager } from '@mikro-orm/postgresql';
import { notFound, ProblemError } from '../platform/problem';
import { saveVersioned } from '../platform/saveVersioned';
import { openFocusesOf } from '../review';
import { loadView } from '../sessions';
import { SwimmerEntity } from '../swimmers/entities';
import { RacePlanEntity } from './entities';
import { knownOf, OUTSIDE, REHEARSED, type Known } from './facts';

const DAY_MS = 86_400_000;
const addDays = (day: string, days: number) =>
  new Date(Date.parse(`${day}T00:00:00Z`) + days * DAY_MS).toISOString().slice(0, 10);

const toView = ({ id, name, version, choices, facts }: Known): RacePlanView => ({
  swimmerId: id,
  name,
  version,
  choices,
  facts,
});

async function known(em: EntityManager, id: string, today: string): Promise<Known> {
  const [one] = await knownOf(em, [id], today);
  if (!one) throw notFound();
  return one;
}

/** What the way of a swimmer to their race is worked out from. */
export async function showRacePlan(em: EntityManager, id: string, today: string): Promise<RacePlanView> {
  return toView(await known(em, id, today));
}

/** Stores what a coach decided and works the weeks out anew. */
export async function saveRacePlan(
  em: EntityManager,
  me: Me,
  id: string,
  save: RacePlanSave,
  today: string,
): Promise<RacePlanView> {
  if ((await lockSwimmers(em, [id])).length === 0)
    throw new ProblemError(404, 'This swimmer is not here, or not yours to see.');
  await saveVersioned(em, RacePlanEntity, id, save, { clubId: me.clubId, choices: save.choices }, (row) => ({
    swimmerId: id,
    version: row.version,
    choices: row.choices,
  }));
  await planSwimmers(em, me.clubId, [id], today);
  return showRacePlan(em, id, today);
}

/** Two that plan the same swimmer at once go one after the other, in one order for everybody. */
function lockSwimmers(em: EntityManager, ids: readonly string[]): Promise<unknown[]> {
  return em.execute<unknown[]>(
    'select id from swimmer where id = any(?::uuid[]) order by id for update',
    [`{${ids.join(',')}}`],
    'all',
  );
}

/**
 * Works out the weeks and the outlook of some swimmers and stores them. Weeks that are over stay as they were
 * planned. Doing it twice changes nothing.
 */
export async function planSwimmers(
  em: EntityManager,
  clubId: string,
  ids: readonly string[],
  today: string,
): Promise<void> {
  await lockSwimmers(em, ids);
  const all = await knownOf(em, ids, today);
  const list = `{${all.map((k) => k.id).join(',')}}`;
  await em.execute(
    'delete from plan_week where swimmer_id = any(?::uuid[]) and monday >= ?::date',
    [list, weekOf(today)],
    'run',
  );
  await em.execute('delete from race_outlook where swimmer_id = any(?::uuid[])', [list], 'run');
  const plans = all.flatMap(({ id, facts, choices }) =>
    facts ? [{ id, facts, plan: racePlan(facts, choices, today), outlook: raceOutlook(facts, choices, today) }] : [],
  );
  const weeks = plans.flatMap(({ id, plan }) => plan.weeks.map((week) => ({ swimmer_id: id, ...week })));
  await em.execute(
    `insert into race_outlook (swimmer_id, club_id, event, race_on, outlook, problems, made_on)
     select x.swimmer_id, ?, x.event, x.race_on, x.outlook, x.problems, ?::date
     from jsonb_to_recordset(?::jsonb) as x (swimmer_id uuid, event text, race_on date, outlook jsonb, problems jsonb)`,
    [
      clubId,
      today,
      JSON.stringify(
        plans.map(({ id, facts, plan, outlook }) => ({
          swimmer_id: id,
          event: facts.event,
          race_on: facts.raceOn,
          outlook,
          problems: plan.problems,
        })),
      ),
    ],
    'run',
  );
  await em.execute(
    `insert into plan_week (swimmer_id, monday, club_id, phase, kind, load, theme, step, test, words)
     select x.swimmer_id, x.monday, ?, x.phase, x.kind, x.load, x.theme, x.step, x.test, x.words
     from jsonb_to_recordset(?::jsonb) as x (swimmer_id uuid, monday date, phase text, kind text, load integer,
       theme text, step text, test boolean, words jsonb)`,
    [clubId, JSON.stringify(weeks)],
    'run',
  );
}

/** Swimmers with a race on or after a day, for planning; in a fixed order. */
export async function racersOf(em: EntityManager, today: string): Promise<string[]> {
  const rows = await em.execute<{ id: string }[]>(
    `select s.id from swimmer s where not s.archived and s.goal is not null and s.goal->>'date' >= ? order by s.id limit 5000`,
    [today],
    'all',
  );
  return rows.map((r) => r.id);
}

/** The stored weeks of a swimmer from a day on; all that are stored without one. */
export async function keptWeeks(em: EntityManager, id: string, from = '1900-01-01'): Promise<PlanWeek[]> {
  if ((await em.count(SwimmerEntity, { id })) === 0) throw notFound();
  return em.execute<PlanWeek[]>(
    `select monday::text as monday, phase, kind, load, theme, step, test, words from plan_week
     where swimmer_id = ? and monday >= ?::date order by monday limit 200`,
    [id, from],
    'all',
  );
}

interface SeasonLine extends Omit<SeasonRow, 'verdict'> {
  readonly sort: string;
  readonly outlook: Outlook | null;
}

/** Races, who, phases, pool times and load of the weeks from a day on: a page of swimmers by the day of their race. */
export async function season(em: EntityManager, query: SeasonQuery): Promise<SeasonPage> {
  const from = weekOf(query.from);
  const to = addDays(from, 7 * SEASON_WEEKS);
  const limit = query.limit ?? 50;
  const squadId = query.squadId ?? null;
  const lines = await em.execute<SeasonLine[]>(
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
    [from, to, from, to, squadId, squadId, query.cursor ?? null, query.cursor ?? null, limit + 1],
    'all',
  );
  const shown = lines.slice(0, limit);
  const first = query.cursor === undefined;
  const [count] = await em.execute<{ old: number }[]>(
    `select count(*)::int as old from swimmer s left join race_outlook o on o.swimmer_id = s.id
     where not s.archived and s.goal is not null and s.goal->>'date' >= ?
       and (o.made_on is null or o.made_on < ?::date or o.race_on::text <> s.goal->>'date')`,
    [from, from],
    'all',
  );
  return {
    from,
    rows: shown.map(({ sort: _sort, outlook, ...row }) => ({
      ...row,
      verdict:
        outlook === null
          ? null
          : outlook.kind === 'gap'
            ? { verdict: outlook.gap.verdict, gapS: outlook.gap.gapS, chance: outlook.gap.chance }
            : { verdict: null, gapS: null, chance: null },
    })),
    next: lines.length > limit ? shown.at(-1)!.sort : null,
    races: first
      ? await em.execute(
          `select s.goal->>'event' as event, s.goal->>'date' as date, count(*)::int as swimmers from swimmer s
           where not s.archived and s.goal is not null and s.goal->>'date' >= ? and s.goal->>'date' < ?
             and (?::uuid is null or s.squad_id = ?::uuid)
           group by 1, 2 order by 2, 1 limit 60`,
          [from, to, squadId, squadId],
          'all',
        )
      : [],
    squads: first ? await seasonSquads(em, from, to, squadId) : [],
    old: count!.old,
  };
}

async function seasonSquads(
  em: EntityManager,
  from: string,
  to: string,
  squadId: string | null,
): Promise<SeasonSquad[]> {
  return em.execute(
    `select q.id, q.name, q.pool_times as "poolTimes",
       coalesce((select jsonb_agg(x order by x.monday) from (
         select w.monday::text as monday, sum(w.load)::int as load, count(*)::int as swimmers
         from plan_week w join swimmer s on s.id = w.swimmer_id
         where s.squad_id = q.id and not s.archived and w.monday >= ?::date and w.monday < ?::date group by w.monday) x),
         '[]') as loads
     from squad q where not q.archived and (?::uuid is null or q.id = ?::uuid) order by q.name limit 60`,
    [from, to, squadId, squadId],
    'all',
  );
}

/** Most lines of one kind on the deck's first page. */
const MOST_DUE = 12;

/** Tests that are planned for this week and not done yet. */
export function testsDue(em: EntityManager, today: string): Promise<TestDue[]> {
  const monday = weekOf(today);
  return em.execute<TestDue[]>(
    `select s.id as "swimmerId", s.given_name || ' ' || s.family_name as name, s.squad_id as "squadId",
       w.monday::text as monday
     from plan_week w join swimmer s on s.id = w.swimmer_id
     where w.monday = ?::date and w.test and not s.archived
       and not exists (select from test_result t where t.swimmer_id = s.id and t.held_on >= w.monday)
     order by s.search_name, s.id limit ${MOST_DUE}`,
    [monday],
    'all',
  );
}

/** Races outside so near that something of the list may be due, days. */
const NEAR_DAYS = 36;
/** Shown a week ahead. */
const AHEAD_DAYS = 7;

interface NearRow extends Omit<ReadyFacts, 'place' | 'raceOn'> {
  readonly id: string;
  readonly name: string;
  readonly squadId: string;
  readonly event: string;
  readonly raceOn: string;
  readonly choices: RaceChoices | null;
}

/** Who lacks something before a race outside that is due within the week, or late. */
export async function readyDue(em: EntityManager, today: string): Promise<ReadyDue[]> {
  const near = await em.execute<NearRow[]>(
    `select s.id, s.given_name || ' ' || s.family_name as name, s.squad_id as "squadId", s.goal->>'event' as event,
       s.goal->>'date' as "raceOn", s.breathing_side as breathes, s.ladder_steps as "ladderSteps", p.choices,
       ${OUTSIDE} as outside, ${REHEARSED} as rehearsed
     from swimmer s left join race_plan p on p.id = s.id
     where not s.archived and s.goal->>'place' = 'open-water' and s.goal->>'date' >= ? and s.goal->>'date' <= ?
     order by s.goal->>'date', s.id limit 60`,
    [today, addDays(today, NEAR_DAYS)],
    'all',
  );
  const due = near.flatMap(({ id, name, squadId, event, choices, ...facts }) => {
    const missing = raceReadiness({ ...facts, place: 'open-water' }, choices ?? {}, today).filter(
      (item) => item.state !== 'done' && item.by <= addDays(today, AHEAD_DAYS),
    );
    return missing.length > 0 ? [{ swimmerId: id, name, squadId, event, raceOn: facts.raceOn, missing }] : [];
  });
  return due.sort((a, b) => a.missing[0]!.by.localeCompare(b.missing[0]!.by)).slice(0, MOST_DUE);
}

/** Which squads and levels have a load that asks for a talk. */
export async function loadsDue(em: EntityManager, today: string): Promise<LoadDue[]> {
  const { groups } = await loadView(em, today);
  return groups
    .flatMap(({ id, name, squadId, prompts }) => (prompts[0] ? [{ id, name, squadId, prompt: prompts[0] }] : []))
    .slice(0, MOST_DUE);
}

interface MyRow extends Omit<MySession, 'metres'> {
  readonly groups: readonly { readonly level: string; readonly metres: number }[];
}

/** A swimmer's own week: sessions, the one focus, the weeks to the race, what is missing. */
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
