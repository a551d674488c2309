// Everything of one person: as a file, and what erasing takes away.
import type { Me } from '@upwell/contract/account';
import { dayIn } from '@upwell/core/days';
import { PERSON_PARTS, type Erasing } from '@upwell/contract/person';
import type { EntityManager } from '@mikro-orm/postgresql';
import { prepared } from '../platform/prepared';
import { notFound } from '../platform/problem';
import { all, first, one } from '../platform/statement';
import { SwimmerEntity } from './entities';
import {
  DECK_PAGE,
  ERASE_PERSON,
  MENTIONS,
  mentionsOf,
  PAGE,
  PERSON_HEAD,
  PERSON_PAGES,
  PERSON_TABLES,
  ROWS_OF_PERSON,
} from './personSql';

async function ask(em: EntityManager, { timeZone }: Me, counts: typeof ROWS_OF_PERSON, id: string): Promise<Erasing> {
  const swimmer = await em.findOne(SwimmerEntity, { id });
  if (!swimmer) throw notFound();
  const found = await all(em, MENTIONS, mentionsOf(swimmer.id, `${swimmer.givenName} ${swimmer.familyName}`));
  const named = found.map(({ kind, title }) => ({
    kind,
    title: kind === 'water' ? dayIn(timeZone, Number(title) * 1000) : title,
  }));
  const { counted } = await one(em, counts, [id]);
  if (!counted) throw notFound();
  const { goes, stays } = counted;
  const rows = PERSON_PARTS.map((part) => [part, goes[PERSON_TABLES[part].table] ?? 0] as const);
  return { goes: Object.fromEntries(rows) as Erasing['goes'], stays: { deckEvents: stays.deck_event }, named };
}

/** What erasing a person would take away. */
export const whatGoes = (em: EntityManager, me: Me, id: string): Promise<Erasing> => ask(em, me, ROWS_OF_PERSON, id);

/** Erases one person everywhere, for good: what they took part in with others keeps a swimmer without a name. */
export const erasePerson = (em: EntityManager, me: Me, id: string): Promise<Erasing> => ask(em, me, ERASE_PERSON, id);

/** Everything about one person as the text of one JSON file, piece by piece. */
export async function* personText(em: EntityManager, id: string): AsyncGenerator<string> {
  const head = await first(em, PERSON_HEAD, [id]);
  if (!head) throw notFound();
  const about = { format: 'upwell-person', version: 1, savedAt: new Date().toISOString(), clubName: head.club };
  yield JSON.stringify({ ...about, squadName: head.squad, swimmer: camel(head.swimmer) }).slice(0, -1);
  for (const part of PERSON_PARTS) yield* rowsOf(em, part, PERSON_PAGES[part], id, camel);
  yield* rowsOf(em, 'deckEvents', DECK_PAGE, id, alone);
  yield '}\n';
}

async function* rowsOf(
  em: EntityManager,
  part: string,
  page: typeof DECK_PAGE,
  id: string,
  tell: (row: object) => object,
): AsyncGenerator<string> {
  yield `,"${part}":[`;
  for (let from = 0; ; from += PAGE) {
    const rows = await prepared(em, page, [id, from]);
    if (rows.length > 0) yield (from > 0 ? ',' : '') + rows.map(({ row }) => JSON.stringify(tell(row))).join(',');
    if (rows.length < PAGE) break;
  }
  yield ']';
}

const camel = (row: object): object =>
  Object.fromEntries(
    Object.entries(row).map(([key, value]) => [key.replace(/_([a-z])/g, (_, l: string) => l.toUpperCase()), value]),
  );

/** A note on deck without the others in it. */
function alone(row: object): object {
  const { fact, ...where } = row as { fact: { kind: string } };
  return { ...where, fact: fact.kind === 'begin' || fact.kind === 'swap' ? { kind: fact.kind } : fact };
}
