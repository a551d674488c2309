// The load of every swimmer, squad and level over the last weeks.
import type { LoadRow, LoadView } from '@upwell/contract/sessions';
import { loadPrompts, loadSummary, type PastLoad, ratingLoad } from '@upwell/core/sessions';
import { levelCard } from '@upwell/core/swimmers';
import type { EntityManager } from '@mikro-orm/postgresql';
import { all, type RowOf } from '../platform/statement';
import { PAST, RATINGS, TRAINING } from './sql';

type SwimmerRow = RowOf<typeof TRAINING>;
type Past = PastLoad & { readonly felt: number | null };

/**
 * Load per swimmer and per squad and level up to a day: as swum where that was noted, else as planned.
 * A swimmer has the load of every session of the squad at their level.
 */
export async function loadView(em: EntityManager, date: string): Promise<LoadView> {
  const sessions = await all(em, PAST, [date, date, date]);
  const swimmers = await all(em, TRAINING);
  const said = await all(em, RATINGS, [date, date]);
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
    groups: [...groups].map(([key, s]) => rowOf(key, `${s.squad_name}, ${levelCard(s.level).name}`, s)),
  };
}
