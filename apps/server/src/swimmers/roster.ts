// Swimmers from a list: looked at first, taken in at once, taken out again.
import type { EntityManager } from '@mikro-orm/postgresql';
import type { Me } from '@upwell/contract/account';
import type {
  RosterAsk,
  RosterCommit,
  RosterDone,
  RosterImport,
  RosterPreview,
  RosterView,
} from '@upwell/contract/roster';
import type { ReadRoster, RosterLine } from '@upwell/core/exchange';
import { defaultModel, type LevelId } from '@upwell/core/swimmers';
import { plainName } from '@upwell/core/text';
import { v7 } from 'uuid';
import { notFound, ProblemError } from '../platform/problem';
import type { RunWork } from '../work';

interface Known {
  id: string;
  name: string;
  search: string;
  birth_year: number | null;
  squad: string;
}

/** Who is here under the names of a list, and which squads. */
async function whatIsHere(em: EntityManager, lines: readonly RosterLine[]) {
  const names = [...new Set(lines.map((l) => plainName(`${l.given} ${l.family}`)))];
  const people = await em.execute<Known[]>(
    `select s.id, s.given_name || ' ' || s.family_name as name, s.search_name as search, s.birth_year, q.name as squad
     from swimmer s join squad q on q.id = s.squad_id
     where s.search_name in (select jsonb_array_elements_text(?::jsonb)) order by s.archived, s.id`,
    [JSON.stringify(names)],
    'all',
  );
  const squads = await em.execute<{ id: string; name: string }[]>(
    'select id, name from squad where not archived order by name, id',
    [],
    'all',
  );
  return { people, squads };
}

/** Reads a list and says of each line how it meets what is here; keeps it until it is stored, for a day at most. */
export async function previewRoster(em: EntityManager, run: RunWork, me: Me, ask: RosterAsk): Promise<RosterPreview> {
  const { id = v7(), name = '', squad: squadOfAll = '', level = 'settle', mapping = null } = ask;
  const from = ask.rows ? { rows: ask.rows } : { text: ask.text ?? '' };
  const read: ReadRoster = await run('read-roster', { ...from, mapping, year: new Date().getFullYear() });
  const { people, squads } = await whatIsHere(em, read.lines);
  const byName = new Map(squads.map((squad) => [plainName(squad.name), squad.name]));
  const made = new Map<string, string>();
  const lines = read.lines.map((line): RosterView => {
    const said = line.squad || squadOfAll;
    const there = byName.get(plainName(said));
    const newSquad = there === undefined && said !== '' && me.role === 'head';
    const problems = [...line.problems];
    if (said !== '' && there === undefined && me.role !== 'head')
      problems.push(`“${said}” is not one of your squads. The head coach adds squads.`);
    // Written in two ways it is still one squad.
    const squad = there ?? made.get(plainName(said)) ?? said;
    if (newSquad && problems.length === 0) made.set(plainName(said), squad);
    const search = plainName(`${line.given} ${line.family}`);
    const same = people.find(
      (p) =>
        p.search === search && (p.birth_year === null || line.birthYear === null || p.birth_year === line.birthYear),
    );
    const existing = same ? { id: same.id, name: same.name, squad: same.squad } : null;
    return {
      ...line,
      problems,
      squad,
      newSquad,
      level: line.level ?? level,
      levelOfAll: line.level === null,
      existing,
    };
  });
  await em.execute(
    `delete from roster_import where stored_at is null and created_at < now() - interval '1 day'`,
    [],
    'run',
  );
  await em.execute(
    `update roster_import set lines = '[]' where lines <> '[]' and stored_at < now() - interval '1 day'`,
    [],
    'run',
  );
  const { affectedRows } = await em.execute<{ affectedRows: number }>(
    `insert into roster_import (id, club_id, account_id, name, lines) values (?, ?, ?, ?, ?::jsonb)
     on conflict (id) do update set lines = excluded.lines, name = excluded.name
       where roster_import.stored_at is null and roster_import.account_id = excluded.account_id`,
    [id, me.clubId, me.accountId, name || 'A list', JSON.stringify(lines)],
    'run',
  );
  if (affectedRows === 0) throw new ProblemError(409, 'This list was stored already. Open it again to bring in more.');
  const { lines: _lines, ...head } = read;
  return { ...head, id, rows: lines, newSquads: [...made.values()] };
}

const IMPORTS = `select i.id, i.name, a.name as by, i.swimmers, i.squads, i.stored_at as "storedAt",
    i.undone_at as "undoneAt", i.removed from roster_import i join account a on a.id = i.account_id
  where i.stored_at is not null`;

/** Lists that were stored, the newest first: one's own, or for the head coach those of the club. */
export const listRosters = (em: EntityManager): Promise<RosterImport[]> =>
  em.execute<RosterImport[]>(`${IMPORTS} order by i.stored_at desc, i.id limit 20`, [], 'all');

interface Taken {
  readonly id: string;
  readonly squad: string;
  readonly given: string;
  readonly family: string;
  readonly search: string;
  readonly level: LevelId;
  readonly birthYear: number | null;
  readonly model: string;
  readonly bestTimes: RosterLine['bestTimes'];
  readonly email: string | null;
}

/**
 * Stores a list that was looked at: squads, then swimmers, all or none. The same again, at the same time or later, is
 * answered with what was stored the first time.
 */
export async function commitRoster(
  em: EntityManager,
  me: Me,
  { id, without = [], also = [] }: RosterCommit,
): Promise<Omit<RosterDone, 'mail'>> {
  const [asked] = await em.execute<{ stored: boolean; lines: RosterView[] }[]>(
    'select stored_at is not null as stored, lines from roster_import where id = ? for update',
    [id],
    'all',
  );
  if (!asked) throw new ProblemError(404, 'This list is not here any more. Open the file again.');
  if (!asked.stored) await store(em, me, id, asked.lines, new Set(without), new Set(also));
  const [done] = await em.execute<(RosterImport & { lines: { id: string; email: string | null }[] })[]>(
    `${IMPORTS.replace('i.removed', 'i.removed, i.lines')} and i.id = ?`,
    [id],
    'all',
  );
  const { lines, ...shown } = done!;
  const addresses = lines.flatMap(({ id: swimmerId, email }) => (email ? [{ swimmerId, email }] : []));
  return { ...shown, addresses };
}

async function store(
  em: EntityManager,
  me: Me,
  id: string,
  lines: readonly RosterView[],
  without: ReadonlySet<number>,
  also: ReadonlySet<number>,
): Promise<void> {
  const coming = lines.filter(
    (l) =>
      l.problems.length === 0 &&
      l.squad !== '' &&
      !without.has(l.line) &&
      ((l.existing === null && l.sameAs === null) || also.has(l.line)),
  );
  if (coming.length === 0) throw new ProblemError(422, 'No line of this list comes in. Nothing was stored.');
  // As they are now: somebody may have added a squad since the look.
  const { squads } = await whatIsHere(em, []);
  const ids = new Map(squads.map((s) => [plainName(s.name), s.id]));
  const fresh: { id: string; name: string; write: string }[] = [];
  for (const { squad } of coming) {
    if (ids.has(plainName(squad))) continue;
    if (me.role !== 'head')
      throw new ProblemError(422, `The squad “${squad}” is not there any more. Nothing was stored.`);
    const made = { id: v7(), name: squad, write: v7() };
    ids.set(plainName(squad), made.id);
    fresh.push(made);
  }
  const taken = coming.map((l): Taken => ({
    ...{ id: v7(), squad: ids.get(plainName(l.squad))!, given: l.given, family: l.family },
    ...{ search: plainName(`${l.given} ${l.family}`), level: l.level, birthYear: l.birthYear, email: l.email },
    model: defaultModel({ level: l.level, place: null, goalDistanceM: null, catchLadderPassed: false }),
    bestTimes: l.bestTimes,
  }));
  await em.execute(
    `insert into squad (id, club_id, name, roster_id, write_id)
     select x.id, ?, x.name, ?, x.write from jsonb_to_recordset(?::jsonb) as x (id uuid, name text, write uuid)`,
    [me.clubId, id, JSON.stringify(fresh)],
    'run',
  );
  await em.execute(
    `insert into swimmer (id, club_id, squad_id, given_name, family_name, search_name, level, birth_year, stroke_model,
       breathing_side, best_times, roster_id, write_id)
     select x.id, ?, x.squad, x.given, x.family, x.search, x.level, x."birthYear", x.model, 'right', x."bestTimes", ?,
       gen_random_uuid()
     from jsonb_to_recordset(?::jsonb) as x (id uuid, squad uuid, given text, family text, search text, level text,
       "birthYear" integer, model text, "bestTimes" jsonb)`,
    [me.clubId, id, JSON.stringify(taken)],
    'run',
  );
  const kept = taken.map(({ id: swimmer, email }) => ({ id: swimmer, email }));
  await em.execute(
    'update roster_import set stored_at = now(), swimmers = ?, squads = ?, lines = ?::jsonb where id = ?',
    [taken.length, fresh.length, JSON.stringify(kept), id],
    'run',
  );
}

/** Takes back the swimmers of a list that nobody has worked with since; undoing twice changes nothing. */
export async function undoRoster(em: EntityManager, id: string): Promise<RosterImport> {
  const find = () => em.execute<RosterImport[]>(`${IMPORTS} and i.id = ?`, [id], 'all');
  const [before] = await find();
  if (!before) throw notFound();
  if (before.undoneAt === null) await em.execute('select undo_roster(?)', [id], 'run');
  return (await find())[0]!;
}
