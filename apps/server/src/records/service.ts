import type { Me } from '@upwell/contract/account';
import type {
  AttendedView,
  ClubResult,
  DeckSign,
  RecordsView,
  RepView,
  ResultsPage,
  ResultsQuery,
  TestSave,
  TestView,
} from '@upwell/contract/records';
import type { ResultSort } from '@upwell/contract/recordLimits';
import type { ResultLine } from '@upwell/core/measures';
import { RefusedTest, testOutcome } from '@upwell/core/swimtests';
import { plainName } from '@upwell/core/text';
import type { EntityManager } from '@mikro-orm/postgresql';
import { notFound, ProblemError } from '../platform/problem';
import { saveVersioned } from '../platform/saveVersioned';
import { SwimmerEntity } from '../swimmers/entities';
import { TestResultEntity, type TestResultRecord } from './entities';

/** Most rows of one kind that a swimmer's records show. */
const MOST = 2000;

/** Everything measured of one swimmer, the newest first. */
export async function recordsOf(em: EntityManager, swimmerId: string): Promise<RecordsView> {
  if ((await em.count(SwimmerEntity, { id: swimmerId })) === 0) throw notFound();
  const rows = <Row>(sql: string) => em.execute<Row[]>(`${sql} limit ${MOST}`, [swimmerId], 'all');
  const results = await rows<RecordsView['results'][number]>(
    `select id, held_on::text as "on", distance_m as "distanceM", time_s as "timeS",
       strokes_per_length as "strokesPerLength", kind
     from result where swimmer_id = ? order by held_on desc, id`,
  );
  const tests = await em.find(
    TestResultEntity,
    { swimmerId },
    { orderBy: { heldOn: 'desc', id: 'desc' }, limit: MOST },
  );
  const reps = await rows<RepView>(
    `select r.session_id as "sessionId", t.title, r.held_on::text as "on", r.rep, r.passage as "set",
       r.distance_m as "distanceM", r.time_s as "timeS", r.strokes, r.effort, r.stroke, r.drill
     from swim_rep r join training_session t on t.id = r.session_id
     where r.swimmer_id = ? order by r.held_on desc, r.at_ms`,
  );
  const signs = await rows<DeckSign>(
    `select id, sign, sighting, noted_on::text as "on" from deck_sign where swimmer_id = ? order by noted_on desc, id`,
  );
  const attended = await rows<AttendedView>(
    `select a.session_id as "sessionId", t.title, a.held_on::text as "on", a.status as "as"
     from attendance a join training_session t on t.id = a.session_id
     where a.swimmer_id = ? order by a.held_on desc, a.session_id`,
  );
  return { results, tests: tests.map(toTest), reps, signs, attended };
}

const toTest = ({ id, version, swimmerId, kind, heldOn, input, outcome, note }: TestResultRecord): TestView => ({
  id,
  version,
  swimmerId,
  kind,
  heldOn,
  input,
  outcome,
  note,
});

/** Stores a test with what it says, worked out here; a test that says nothing is refused with its reason. */
export async function saveTest(em: EntityManager, me: Me, id: string, save: TestSave): Promise<TestView> {
  const { swimmerId, heldOn, input, note } = save;
  if ((await em.count(SwimmerEntity, { id: swimmerId })) === 0)
    throw new ProblemError(404, 'This swimmer is not here, or not yours to see.');
  const fields = { clubId: me.clubId, notedBy: me.accountId, swimmerId, kind: input.kind, heldOn, input, note };
  const outcome = refusedOr(() => testOutcome(input));
  const { row } = await saveVersioned(em, TestResultEntity, id, save, { ...fields, outcome }, toTest);
  return toTest(row);
}

function refusedOr<T>(work: () => T): T {
  try {
    return work();
  } catch (error) {
    if (!(error instanceof RefusedTest)) throw error;
    throw new ProblemError(422, error.message, { fields: [{ field: 'input', message: error.message }] });
  }
}

/** Takes a test out for good; taking it out twice changes nothing. */
export async function removeTest(em: EntityManager, id: string): Promise<{ readonly removed: true }> {
  await em.nativeDelete(TestResultEntity, { id });
  return { removed: true };
}

/** Stores one result; the same id again changes nothing. */
export async function addResult(em: EntityManager, me: Me, id: string, line: ResultLine): Promise<ClubResult> {
  await em.execute(
    `insert into result (id, club_id, swimmer_id, held_on, distance_m, time_s, strokes_per_length, kind)
     select ?, ?, s.id, ?::date, ?, ?, ?, ? from swimmer s where s.id = ? on conflict (id) do nothing`,
    [id, me.clubId, line.on, line.distanceM, line.timeS, line.strokesPerLength, line.kind, line.swimmerId],
    'run',
  );
  const [row] = await em.execute<ClubResult[]>(`${RESULT_QUERY} where r.id = ?`, [id], 'all');
  if (!row) throw new ProblemError(404, 'This swimmer is not here, or not yours to see.');
  return row;
}

export async function removeResult(em: EntityManager, id: string): Promise<{ readonly removed: true }> {
  await em.execute('delete from result where id = ?', [id], 'run');
  return { removed: true };
}

const RESULT_QUERY = `select r.id, r.swimmer_id as "swimmerId", s.given_name || ' ' || s.family_name as name,
    r.held_on::text as "on", r.distance_m as "distanceM", r.time_s as "timeS",
    r.strokes_per_length as "strokesPerLength", r.kind
  from result r join swimmer s on s.id = r.swimmer_id`;

const ORDER: Readonly<Record<ResultSort, string>> = {
  on: 'r.held_on',
  name: 's.search_name',
  distance: 'r.distance_m',
  time: 'r.time_s',
  speed: 'r.distance_m / r.time_s',
};

/** Results of everybody one may see, found and sorted, a page of them. */
export async function listResults(em: EntityManager, query: ResultsQuery): Promise<ResultsPage> {
  const { sort = 'on', falling = true, offset = 0, limit = 50 } = query;
  const words = plainName(query.search ?? '').replace(/[\\%_]/g, '\\$&');
  const where = `where not s.archived and (?::text = '' or s.search_name like ?) and (?::uuid is null or s.squad_id = ?::uuid)
    and (?::text is null or r.kind = ?) and (?::double precision is null or r.distance_m = ?)`;
  const { squadId = null, kind = null, distanceM = null } = query;
  const values = [words, `%${words}%`, squadId, squadId, kind, kind, distanceM, distanceM];
  // The order is one of a fixed list, never what was sent.
  const order = `${ORDER[sort]} ${falling ? 'desc' : 'asc'}, r.held_on desc, r.id`;
  const items = await em.execute<ClubResult[]>(
    `${RESULT_QUERY} ${where} order by ${order} offset ? limit ?`,
    [...values, offset, limit],
    'all',
  );
  const [count] = await em.execute<{ total: number }[]>(
    `select count(*)::int as total from result r join swimmer s on s.id = r.swimmer_id ${where}`,
    values,
    'all',
  );
  return { items, total: count!.total };
}

/** Results of everybody one may see, for a file. */
export function resultsForFile(em: EntityManager, squadId: string | null): Promise<ClubResult[]> {
  return em.execute<ClubResult[]>(
    `${RESULT_QUERY} where not s.archived and (?::uuid is null or s.squad_id = ?::uuid) order by r.held_on, s.search_name, r.id limit 100000`,
    [squadId, squadId],
    'all',
  );
}
