import type { LoadRow, LoadView, SessionRow } from '@upwell/contract/sessions';
import { loadPrompts, loadSummary, ratingLoad, type PastLoad } from '@upwell/core/sessions';
import { LEVEL, type LevelId } from '@upwell/core/swimmers';
import type { EntityManager } from '@mikro-orm/postgresql';

/** Eight weeks: what the pictures show. */
const MEMORY_DAYS = 56;

interface PastRow {
  days_ago: number;
  squad_ids: string[];
  summary: SessionRow['groups'];
}

interface SwimmerRow {
  id: string;
  name: string;
  level: LevelId;
  squad_id: string;
  squad_name: string;
}

type Past = PastLoad & { readonly felt: number | null };

/**
 * Load per swimmer and per squad and level up to a day: as swum where that was noted, else as planned.
 * A swimmer has the load of every session of the squad at their level.
 */
export async function loadView(em: EntityManager, date: string): Promise<LoadView> {
  const sessions = await em.execute<PastRow[]>(
    `select ?::date - date as days_ago, squad_ids, coalesce(done_summary, summary) as summary from training_session
     where not template and date <= ?::date and date > ?::date - ${MEMORY_DAYS} order by date desc limit 1000`,
    [date, date, date],
    'all',
  );
  const swimmers = await em.execute<SwimmerRow[]>(
    `select s.id, s.given_name || ' ' || s.family_name as name, s.level, s.squad_id, q.name as squad_name
     from swimmer s join squad q on q.id = s.squad_id
     where not s.archived order by s.family_name, s.given_name, s.id limit 500`,
    [],
    'all',
  );
  const said = await em.execute<{ swimmer_id: string; ratings: [value: number, minutes: number][] }[]>(
    `select r.swimmer_id, json_agg(json_build_array(r.value, t.minutes)) as ratings
     from session_rating r join training_session t on t.id = r.session_id
     where t.date <= ?::date and t.date > ?::date - 7 group by 1 limit 500`,
    [date, date],
    'all',
  );
  const past = new Map<string, Past[]>();
  for (const { days_ago: daysAgo, squad_ids, summary } of sessions) {
    for (const squad of squad_ids) {
      for (const { level, load, felt } of summary) {
        const key = `${squad} ${level}`;
        past.set(key, [...(past.get(key) ?? []), { daysAgo, load, felt: felt ?? null }]);
      }
    }
  }
  const rowOf = (id: string, name: string, { level, squad_id, squad_name }: SwimmerRow): LoadRow => {
    const own = said.find((r) => r.swimmer_id === id);
    const mine = past.get(`${squad_id} ${level}`) ?? [];
    const summary = loadSummary(mine);
    const felt = mine.filter((p) => p.daysAgo < 7 && p.felt !== null);
    return {
      id,
      name,
      level,
      squadId: squad_id,
      squadName: squad_name,
      summary,
      prompts: loadPrompts(summary),
      // What the swimmer said counts before what was asked of the group.
      feltWeek: own
        ? own.ratings.reduce((sum, [value, minutes]) => sum + ratingLoad(value, minutes), 0)
        : felt.length > 0
          ? felt.reduce((sum, p) => sum + (p.felt ?? 0), 0)
          : null,
    };
  };
  const groups = new Map(swimmers.map((s) => [`${s.squad_id} ${s.level}`, s]));
  return {
    date,
    swimmers: swimmers.map((s) => rowOf(s.id, s.name, s)),
    groups: [...groups].map(([key, s]) => rowOf(key, `${s.squad_name}, ${LEVEL[s.level].name}`, s)),
  };
}
