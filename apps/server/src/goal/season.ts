/** Races, who, phases, pool times and load of the weeks from a day on: a page of swimmers by the day of their race. */
import {
  SEASON_WEEKS,
  type SeasonPage,
  type SeasonQuery,
  type SeasonRow,
  type SeasonSquad,
} from '@upwell/contract/goal';
import type { Outlook } from '@upwell/core/goal';
import type { EntityManager } from '@mikro-orm/postgresql';
import { addDays, weekOf } from '@upwell/core/days';

interface SeasonLine extends Omit<SeasonRow, 'verdict'> {
  readonly sort: string;
  readonly outlook: Outlook | null;
}

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
