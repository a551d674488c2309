// What is asked about everything of one person: what erasing would take, where the name stands, and the rows for a file.
import { PERSON_PARTS, type Erasing, type PersonPart } from '@upwell/contract/person';
import { json, orNull, rows, text, textOf, type Statement } from '../platform/statement';

/** The tables with rows of a person; `person` names them, `by` names who wrote the row. */
export const PERSON_TABLES: Readonly<
  Record<PersonPart, { readonly table: string; readonly person?: string; readonly by?: string }>
> = {
  account: { table: 'account' },
  reviews: { table: 'review', by: 'coach_id' },
  focuses: { table: 'focus' },
  tries: { table: 'focus_try' },
  clips: { table: 'clip', by: 'coach_id' },
  sentClips: { table: 'sent_clip', by: 'asked_by' },
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

/** How many rows of each table go with a person, and how many stay without the name. */
interface Counted {
  readonly goes: Readonly<Record<string, number>>;
  readonly stays: { readonly deck_event: number };
}
export const ROWS_OF_PERSON = rows({ counted: orNull(json<Counted>()) }, 'select rows_of_person(?) as counted');
export const ERASE_PERSON = rows({ counted: orNull(json<Counted>()) }, 'select erase_person(?) as counted');

const holds = (...columns: readonly string[]) => `strpos(lower(concat(${columns.join(', ')})), ?) > 0`;
/** Notes about others, by the swimmer on whose page they stand. */
const ofOthers = (table: string, ...texts: readonly string[]) =>
  `select 'swimmer', s.given_name || ' ' || s.family_name from ${table} t join swimmer s on s.id = t.swimmer_id
   where s.id <> ? and ${holds(...texts)}`;
const NOTES = [
  ofOthers('review', 't.good', 't.noted'),
  ofOthers('focus', 't.cue', 't.said_back', 't.felt'),
  ofOthers('focus_try', 't.note'),
  // Of stills what is said: the letters of a picture mean nothing.
  ofOthers('clip', 't.title', 't.notes', "jsonb_path_query_array(t.stills, '$[*].sentence')"),
  ofOthers('test_result', 't.note'),
  ofOthers('result', "t.details->>'meet'"),
];

/** Texts that coaches wrote freely where a name stands: those on a swimmer's own page go with it. Water days by their second. */
export const MENTIONS = rows(
  { kind: textOf<Erasing['named'][number]['kind']>(), title: text },
  `select distinct * from (
     select 'session' as kind, title || ' ' || date as title from training_session where ${holds('title', 'plan', 'done')}
     union all select 'course', name from course where ${holds('name', 'place', 'course')}
     union all select 'import', name from result_import where ${holds('name')}
     union all select 'water', extract(epoch from starts_at)::bigint::text from water_day where ${holds('people', 'overruled')}
     union all ${NOTES.join(' union all ')}
   ) found order by 1, 2 limit 50`,
);
/** What {@link MENTIONS} takes. */
export const mentionsOf = (id: string, name: string): string[] => {
  const wanted = name.toLowerCase();
  return [wanted, wanted, wanted, wanted, ...NOTES.flatMap(() => [id, wanted])];
};

/** What only the server needs, and secrets. */
const NOT_TOLD = ['club_id', 'swimmer_id', 'search_name', 'write_id', 'version', 'token_hash', 'password_hash'];
const TOLD = `- array[${NOT_TOLD.map((c) => `'${c}'`).join(', ')}]`;

/** The swimmer's own row. */
export const PERSON_HEAD = rows(
  { swimmer: json<object>(), squad: text, club: text },
  `select to_jsonb(s) ${TOLD} as swimmer, q.name as squad, c.name as club
   from swimmer s join squad q on q.id = s.squad_id join club c on c.id = s.club_id where s.id = ?`,
);

/** Rows that are read at once. */
export const PAGE = 500;

function page(part: PersonPart) {
  const { table, person = 'swimmer_id', by } = PERSON_TABLES[part];
  const writer = by ? `|| jsonb_build_object('by', (select name from account a where a.id = t.${by}))` : '';
  return rows(
    { row: json<object>() },
    `select (to_jsonb(t) ${TOLD}) - '${by ?? ''}' ${writer} as row from ${table} t where ${person} = ?
     order by ctid offset ? limit ${PAGE}`,
  );
}
/** A page of the rows of a part: person, how many to leave out. */
export const PERSON_PAGES = Object.fromEntries(PERSON_PARTS.map((part) => [part, page(part)])) as Readonly<
  Record<PersonPart, Statement<{ readonly row: object }>>
>;

/** A page of the events on deck that name a person: person, how many to leave out. */
export const DECK_PAGE = rows(
  { row: json<object>() },
  `select jsonb_build_object('session', t.title, 'on', t.date, 'at', to_timestamp(e.at_ms / 1000), 'fact', e.fact) as row
   from deck_event e join training_session t on t.id = e.session_id
   where e.fact::text like '%' || ? || '%' order by e.seq offset ? limit ${PAGE}`,
);
