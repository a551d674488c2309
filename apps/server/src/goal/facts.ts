import type { RaceGoal } from '@upwell/contract/swimmers';
import {
  chosenTrials,
  extraShare,
  needsFrom,
  PAST_WEEKS,
  TRIAL_DAYS,
  waterWeek,
  weeklyLoads,
  type RaceChoices,
  type RaceFacts,
} from '@upwell/core/goal';
import { weekOf } from '@upwell/core/days';
import type { LadderId } from '@upwell/core/library';
import type { Trial } from '@upwell/core/measures';
import type { CauseId } from '@upwell/core/review';
import type { LevelId } from '@upwell/core/swimmers';
import type { EntityManager } from '@mikro-orm/postgresql';

/** Everything the weeks of one swimmer are worked out from. */
export interface Known {
  readonly id: string;
  readonly name: string;
  readonly givenName: string;
  readonly squadId: string;
  /** Null without a goal. */
  readonly facts: RaceFacts | null;
  readonly choices: RaceChoices;
  readonly version: number;
}

/** Of a swimmer `s` with the plan `p`: sessions outside that they were in the water for, and whether they swam its course. */
export const OUTSIDE = `(select count(*)::int from attendance a join training_session t on t.id = a.session_id
  where a.swimmer_id = s.id and a.status in ('in', 'out') and t.plan->>'place' = 'open-water')`;
export const REHEARSED = `exists (select from swum_track t where t.swimmer_id = s.id
  and t.course_id::text = p.choices->>'courseId')`;

interface Row {
  id: string;
  name: string;
  given_name: string;
  squad_id: string;
  level: LevelId;
  birth_year: number | null;
  breathes: RaceFacts['breathes'];
  goal: RaceGoal | null;
  best_times: readonly Trial[];
  ladder_steps: Partial<Record<LadderId, number>>;
  pool_times: readonly { minutes: number }[];
  choices: RaceChoices | null;
  version: number | null;
  trials: readonly (Trial & { on: string })[] | null;
  tested: readonly { on: string; trials: readonly Trial[] }[] | null;
  ramp: string | null;
  swum: { on: string; swumM: number; courseM: number } | null;
  rehearsed: boolean;
  focus: CauseId | null;
  ranking: readonly { cause: CauseId; probability: number }[] | null;
  outside: number;
  past: readonly { monday: string; load: number }[] | null;
}

/**
 * What is known of some swimmers and their races on a day, in one question for all of them.
 *
 * @param ids swimmers; those one may not see are left out
 */
export async function knownOf(em: EntityManager, ids: readonly string[], today: string): Promise<Known[]> {
  const monday = weekOf(today);
  const rows = await em.execute<Row[]>(
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
       ${REHEARSED} as rehearsed,
       (select f.cause from focus f where f.swimmer_id = s.id and f.closed_at is null order by f.since desc limit 1) as focus,
       (select r.ranking from review r where r.swimmer_id = s.id order by r.looked_at desc limit 1) as ranking,
       ${OUTSIDE} as outside,
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
    [today, today, today, today, monday, monday, `{${ids.join(',')}}`],
    'all',
  );
  return rows.map((row) => ({
    id: row.id,
    name: row.name,
    givenName: row.given_name,
    squadId: row.squad_id,
    choices: row.choices ?? {},
    version: row.version ?? 0,
    facts: row.goal ? toFacts(row, row.goal, monday) : null,
  }));
}

function toFacts(row: Row, goal: RaceGoal, monday: string): RaceFacts {
  const recent = [
    ...(row.trials ?? []),
    ...(row.tested ?? []).flatMap(({ on, trials }) => trials.map((t) => ({ ...t, on }))),
  ];
  const trials = chosenTrials(recent, row.best_times);
  const used = recent.filter((r) => trials.some((t) => t.distanceM === r.distanceM && t.timeS === r.timeS));
  return {
    event: goal.event,
    raceOn: goal.date,
    distanceM: goal.distanceM,
    birthYear: row.birth_year,
    place: goal.place,
    targetS: goal.targetTimeS,
    level: row.level,
    breathes: row.breathes,
    trials: trials.map(({ distanceM, timeS }) => ({ distanceM, timeS })),
    trialsOn:
      used
        .map((r) => r.on)
        .sort()
        .at(-1) ?? null,
    rampSpm: Math.round(Number(row.ramp ?? 0)) || null,
    extra: row.swum ? { share: extraShare(row.swum.swumM, row.swum.courseM), on: row.swum.on } : null,
    past: weeklyLoads(row.past ?? [], monday),
    week: waterWeek(row.pool_times),
    needs: needsFrom(row.focus, row.ranking ?? []),
    ladderSteps: row.ladder_steps,
    outside: row.outside,
    rehearsed: row.rehearsed,
  };
}
