/** Races, who, phases, pool times and load of the weeks from a day on: a page of swimmers by the day of their race. */
import { SEASON_WEEKS, type SeasonPage, type SeasonQuery } from '@upwell/contract/race';
import type { EntityManager } from '@mikro-orm/postgresql';
import { addDays, weekOf } from '@upwell/core/days';
import { all, first } from '../platform/statement';
import { OLD_OUTLOOKS, RACES, SEASON_LINES, SEASON_SQUADS } from './sql';

export async function season(em: EntityManager, query: SeasonQuery): Promise<SeasonPage> {
  const from = weekOf(query.from);
  const to = addDays(from, 7 * SEASON_WEEKS);
  const limit = query.limit ?? 50;
  const squadId = query.squadId ?? null;
  const cursor = query.cursor ?? null;
  const lines = await all(em, SEASON_LINES, [from, to, from, to, squadId, squadId, cursor, cursor, limit + 1]);
  const shown = lines.slice(0, limit);
  const begins = query.cursor === undefined;
  const between = [from, to, squadId, squadId];
  const count = await first(em, OLD_OUTLOOKS, [from, from]);
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
    races: begins ? await all(em, RACES, between) : [],
    squads: begins ? await all(em, SEASON_SQUADS, between) : [],
    old: count!.old,
  };
}

/** All pages of a season as one. */
export async function seasonWhole(em: EntityManager, query: SeasonQuery): Promise<SeasonPage> {
  const begin = await season(em, { ...query, limit: 100 });
  const rows = [...begin.rows];
  for (let cursor = begin.next; cursor !== null;) {
    const page = await season(em, { ...query, limit: 100, cursor });
    rows.push(...page.rows);
    cursor = page.next;
  }
  return { ...begin, rows, next: null };
}
