import { PERSON_PARTS, type Erasing, type PersonPart } from '@upwell/contract/person';
import type { EntityManager } from '@mikro-orm/postgresql';
import { prepared } from '../platform/prepared';
import { notFound } from '../platform/problem';
import { SwimmerEntity } from './entities';

/** The tables with rows of a person; `person` names them, `by` names who wrote the row. */
export const PERSON_TABLES: Readonly<
  Record<PersonPart, { readonly table: string; readonly person?: string; readonly by?: string }>
> = {
  account: { table: 'account' },
  reviews: { table: 'review', by: 'coach_id' },
  focuses: { table: 'focus' },
  tries: { table: 'focus_try' },
  clips: { table: 'clip', by: 'coach_id' },
  results: { table: 'result' },
  tests: { table: 'test_result', by: 'noted_by' },
  reps: { table: 'swim_rep' },
  signs: { table: 'deck_sign' },
  attendance: { table: 'attendance' },
  ratings: { table: 'session_rating' },
  tracks: { table: 'swum_track', by: 'noted_by' },
  racePlan: { table: 'race_plan', person: 'id' },
  outlook: { table: 'race_outlook' },
  weeks: { table: 'plan_week' },
  invitations: { table: 'invitation', by: 'made_by' },
  handoutLinks: { table: 'handout_link', by: 'created_by' },
  calendarLinks: { table: 'calendar_link', by: 'created_by' },
  looks: { table: 'access_log', by: 'account_id' },
};

/** What only the server needs, and secrets. */
const NOT_TOLD = ['club_id', 'swimmer_id', 'search_name', 'write_id', 'version', 'token_hash', 'password_hash'];
/** Rows that are read at once. */
const PAGE = 500;

interface Counted {
  readonly goes: Readonly<Record<string, number>>;
  readonly stays: { readonly deck_event: number };
}

async function ask(em: EntityManager, what: 'rows_of_person' | 'erase_person', id: string): Promise<Erasing> {
  const swimmer = await em.findOne(SwimmerEntity, { id });
  if (!swimmer) throw notFound();
  const named = await mentions(em, swimmer.id, `${swimmer.givenName} ${swimmer.familyName}`);
  const [row] = await em.execute<{ counted: Counted | null }[]>(`select ${what}(?) as counted`, [id], 'all');
  if (!row?.counted) throw notFound();
  const { goes, stays } = row.counted;
  const rows = PERSON_PARTS.map((part) => [part, goes[PERSON_TABLES[part].table] ?? 0] as const);
  return { goes: Object.fromEntries(rows) as Erasing['goes'], stays: { deckEvents: stays.deck_event }, named };
}

/** What erasing a person would take away. */
export const whatGoes = (em: EntityManager, id: string): Promise<Erasing> => ask(em, 'rows_of_person', id);

/** Erases one person everywhere, for good: what they took part in with others counts somebody without a name. */
export const erasePerson = (em: EntityManager, id: string): Promise<Erasing> => ask(em, 'erase_person', id);

/** Texts that coaches wrote freely, where a name may stand: those on a swimmer's own page go with it. */
function mentions(em: EntityManager, id: string, name: string): Promise<Erasing['named'][number][]> {
  const holds = (...columns: readonly string[]) => `strpos(lower(concat(${columns.join(', ')})), ?) > 0`;
  // Notes about others, by the swimmer on whose page they stand.
  const ofOthers = (table: string, ...columns: readonly string[]) =>
    `select 'swimmer', s.given_name || ' ' || s.family_name from ${table} t join swimmer s on s.id = t.swimmer_id
     where s.id <> ? and ${holds(...columns.map((c) => `t.${c}`))}`;
  const notes = [
    ofOthers('review', 'good'),
    ofOthers('focus', 'cue', 'said_back', 'felt'),
    ofOthers('focus_try', 'note'),
    ofOthers('clip', 'title', 'notes'),
    ofOthers('test_result', 'note'),
  ];
  const wanted = name.toLowerCase();
  return em.execute<Erasing['named'][number][]>(
    `select distinct * from (
       select 'session' as kind, title || ' ' || date as title from training_session where ${holds('title', 'plan', 'done')}
       union all select 'course', name from course where ${holds('name', 'place', 'course')}
       union all select 'import', name from result_import where ${holds('name')}
       union all select 'water', starts_at::date::text from water_day where ${holds('people', 'overruled')}
       union all ${notes.join(' union all ')}
     ) found order by 1, 2 limit 50`,
    [wanted, wanted, wanted, wanted, ...notes.flatMap(() => [id, wanted])],
    'all',
  );
}

/** Everything about one person as the text of one JSON file, piece by piece. */
export async function* personText(em: EntityManager, id: string): AsyncGenerator<string> {
  const told = `- array[${NOT_TOLD.map((c) => `'${c}'`).join(', ')}]`;
  const [head] = await em.execute<{ swimmer: object; squad: string; club: string }[]>(
    `select to_jsonb(s) ${told} as swimmer, q.name as squad, c.name as club
     from swimmer s join squad q on q.id = s.squad_id join club c on c.id = s.club_id where s.id = ?`,
    [id],
    'all',
  );
  if (!head) throw notFound();
  const about = { format: 'upwell-person', version: 1, savedAt: new Date().toISOString(), clubName: head.club };
  yield JSON.stringify({ ...about, squadName: head.squad, swimmer: camel(head.swimmer) }).slice(0, -1);
  for (const part of PERSON_PARTS) {
    const { table, person = 'swimmer_id', by } = PERSON_TABLES[part];
    const writer = by ? `|| jsonb_build_object('by', (select name from account a where a.id = t.${by}))` : '';
    const sql = `select (to_jsonb(t) ${told}) - '${by ?? ''}' ${writer} as row from ${table} t where ${person} = ?
      order by ctid offset ? limit ${PAGE}`;
    yield* rowsOf(em, part, sql, id, camel);
  }
  yield* rowsOf(
    em,
    'deckEvents',
    `select jsonb_build_object('session', t.title, 'on', t.date, 'at', to_timestamp(e.at_ms / 1000), 'fact', e.fact) as row
     from deck_event e join training_session t on t.id = e.session_id
     where e.fact::text like '%' || ? || '%' order by e.seq offset ? limit ${PAGE}`,
    id,
    alone,
  );
  yield '}\n';
}

async function* rowsOf(
  em: EntityManager,
  part: string,
  sql: string,
  id: string,
  tell: (row: object) => object,
): AsyncGenerator<string> {
  yield `,"${part}":[`;
  for (let from = 0; ; from += PAGE) {
    const rows = await prepared<{ row: object }>(em, sql, [id, from]);
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
