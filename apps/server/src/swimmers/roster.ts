// Swimmers from a list: looked at first, taken in at once, taken out again.
import { yearIn } from '@upwell/core/days';
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
import { all, first, one, run } from '../platform/statement';
import type { RunWork } from '../work';
import { SquadEntity } from './entities';
import {
  ADD_SQUADS,
  ADD_SWIMMERS,
  KEEP_ROSTER,
  ROSTER_BY_ID,
  ROSTER_DONE,
  ROSTER_TO_STORE,
  ROSTERS,
  SAME_NAMES,
  STORE_ROSTER,
  SWEEP_LINES,
  SWEEP_ROSTERS,
  UNDO_ROSTER,
} from './sql';

/** Who is here under the names of a list, and which squads. */
async function whatIsHere(em: EntityManager, lines: readonly RosterLine[]) {
  const names = [...new Set(lines.map((l) => plainName(`${l.given} ${l.family}`)))];
  const people = await all(em, SAME_NAMES, [JSON.stringify(names)]);
  const squads = await em.find(SquadEntity, { archived: false }, { orderBy: { name: 'asc', id: 'asc' } });
  return { people, squads };
}

/** Reads a list and says of each line how it meets what is here; keeps it until it is stored, for a day at most. */
export async function previewRoster(em: EntityManager, work: RunWork, me: Me, ask: RosterAsk): Promise<RosterPreview> {
  const { id = v7(), name = '', squad: squadOfAll = '', level = 'settle', mapping = null } = ask;
  const from = ask.rows ? { rows: ask.rows } : { text: ask.text ?? '' };
  const { timeZone, units } = me;
  const read: ReadRoster = await work('read-roster', { ...from, mapping, year: yearIn(timeZone, Date.now()), units });
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
  await run(em, SWEEP_ROSTERS);
  await run(em, SWEEP_LINES);
  const kept = await run(em, KEEP_ROSTER, [id, me.clubId, me.accountId, name || 'A list', JSON.stringify(lines)]);
  if (kept === 0) throw new ProblemError(409, 'This list was already stored. Open it again to import more.');
  const { lines: _lines, ...head } = read;
  return { ...head, id, rows: lines, newSquads: [...made.values()] };
}

/** Lists that were stored, the newest first: one's own, or for the head coach those of the club. */
export const listRosters = (em: EntityManager): Promise<RosterImport[]> => all(em, ROSTERS);

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
  const asked = await first(em, ROSTER_TO_STORE, [id]);
  if (!asked) throw new ProblemError(404, 'This list is no longer here. Open the file again.');
  if (!asked.stored) await store(em, me, id, asked.lines, new Set(without), new Set(also));
  const { lines, ...shown } = await one(em, ROSTER_DONE, [id]);
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
  if (coming.length === 0) throw new ProblemError(422, 'No line of this list can be imported. Nothing was stored.');
  // As they are now: a squad may have been added since the list was checked.
  const { squads } = await whatIsHere(em, []);
  const ids = new Map(squads.map((s) => [plainName(s.name), s.id]));
  const fresh: { id: string; name: string; write: string }[] = [];
  for (const { squad } of coming) {
    if (ids.has(plainName(squad))) continue;
    if (me.role !== 'head') throw new ProblemError(422, `The squad “${squad}” is no longer there. Nothing was stored.`);
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
  await run(em, ADD_SQUADS, [me.clubId, id, JSON.stringify(fresh)]);
  await run(em, ADD_SWIMMERS, [me.clubId, id, JSON.stringify(taken)]);
  const kept = taken.map(({ id: swimmer, email }) => ({ id: swimmer, email }));
  await run(em, STORE_ROSTER, [taken.length, fresh.length, JSON.stringify(kept), id]);
}

/** Takes back the swimmers of a list that have not been worked with since; undoing twice changes nothing. */
export async function undoRoster(em: EntityManager, id: string): Promise<RosterImport> {
  const before = await first(em, ROSTER_BY_ID, [id]);
  if (!before) throw notFound();
  if (before.undoneAt === null) await run(em, UNDO_ROSTER, [id]);
  return one(em, ROSTER_BY_ID, [id]);
}
