import { isDeepStrictEqual } from 'node:util';
import type { Me } from '@upwell/contract/account';
import type {
  ClubResult,
  RecordsView,
  ResultSave,
  ResultsPage,
  ResultsQuery,
  TestSave,
  TestView,
} from '@upwell/contract/records';
import type { ResultLine } from '@upwell/core/measures';
import { keptOutcome, RefusedTest, shownOutcome, testOutcome } from '@upwell/core/swimtests';
import { plainName } from '@upwell/core/text';
import type { EntityManager } from '@mikro-orm/postgresql';
import { notFound, ProblemError } from '../platform/problem';
import { saveVersioned } from '../platform/saveVersioned';
import { all, first, one, run } from '../platform/statement';
import { clubRule } from '../swimmers';
import { ResultEntity, SwimmerEntity } from '../swimmers/entities';
import { TestResultEntity, type TestResultRecord } from './entities';
import {
  ADD_RESULT,
  CHANGE_RESULT,
  ATTENDED_BY,
  MOST,
  READ_IN_ORDER,
  REPS_OF,
  RESULT_BY_ID,
  RESULT_COUNT,
  RESULT_PAGE,
  RESULT_PAGE_READ,
  RESULTS_FOR_FILE,
  RESULTS_OF,
  SIGNS_OF,
} from './sql';

/** Everything measured of one swimmer, the newest first. */
export async function recordsOf(em: EntityManager, swimmerId: string): Promise<RecordsView> {
  if ((await em.count(SwimmerEntity, { id: swimmerId })) === 0) throw notFound();
  const tests = await em.find(
    TestResultEntity,
    { swimmerId },
    { orderBy: { heldOn: 'desc', id: 'desc' }, limit: MOST },
  );
  return {
    results: await all(em, RESULTS_OF, [swimmerId]),
    tests: tests.map(toTest),
    reps: await all(em, REPS_OF, [swimmerId]),
    signs: await all(em, SIGNS_OF, [swimmerId]),
    attended: await all(em, ATTENDED_BY, [swimmerId]),
    standards: (await clubRule(em, 'standards')) ?? [],
  };
}

const toTest = ({ id, version, swimmerId, kind, heldOn, input, outcome, note }: TestResultRecord): TestView => ({
  id,
  version,
  swimmerId,
  kind,
  heldOn,
  input,
  outcome: shownOutcome(input, outcome),
  note,
});

/** Stores a test with what it says, worked out here; a test that says nothing is refused with its reason. */
export async function saveTest(em: EntityManager, me: Me, id: string, save: TestSave): Promise<TestView> {
  const { swimmerId, heldOn, input, note } = save;
  if ((await em.count(SwimmerEntity, { id: swimmerId })) === 0)
    throw new ProblemError(404, 'This swimmer is not here, or not yours to see.');
  const fields = { clubId: me.clubId, notedBy: me.accountId, swimmerId, kind: input.kind, heldOn, input, note };
  const outcome = refusedOr(() => keptOutcome(testOutcome(input)));
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

/**
 * Stores one result; the same id again changes nothing. With what it was it is corrected: once, however often it is asked,
 * and not over what somebody else made of it.
 */
export async function saveResult(em: EntityManager, me: Me, id: string, save: ResultSave): Promise<ClubResult> {
  const { was, ...line } = save;
  const { swimmerId } = line;
  if (was) await run(em, CHANGE_RESULT, [...valuesOf(line), id, swimmerId, ...valuesOf(was)]);
  else await run(em, ADD_RESULT, [id, me.clubId, ...valuesOf(line), swimmerId]);
  const row = await first(em, RESULT_BY_ID, [id]);
  if (!row)
    throw new ProblemError(
      404,
      was ? 'This result is no longer here.' : 'This swimmer is not here, or not yours to see.',
    );
  if (was && !isSame(row, line))
    throw new ProblemError(409, 'This result was changed elsewhere in the meantime.', { current: row });
  return row;
}

const valuesOf = ({ on, distanceM, timeS, strokesPerLength, kind, details }: Omit<ResultLine, 'swimmerId'>) => [
  ...[on, distanceM, timeS, strokesPerLength, kind],
  details ? JSON.stringify(details) : null,
];

/** Whether a result is stored as it was sent; details that were not sent are left as they are. */
const isSame = (stored: ResultLine, sent: ResultLine): boolean =>
  stored.swimmerId === sent.swimmerId &&
  stored.on === sent.on &&
  stored.distanceM === sent.distanceM &&
  stored.timeS === sent.timeS &&
  stored.strokesPerLength === sent.strokesPerLength &&
  stored.kind === sent.kind &&
  (sent.details === undefined || isDeepStrictEqual(stored.details, sent.details));

export async function removeResult(em: EntityManager, id: string): Promise<{ readonly removed: true }> {
  await em.nativeDelete(ResultEntity, { id });
  return { removed: true };
}

/** A page of the results that one may see, filtered and sorted. */
export async function listResults(em: EntityManager, query: ResultsQuery): Promise<ResultsPage> {
  const { sort = 'on', falling = true, offset = 0, limit = 50 } = query;
  const words = plainName(query.search ?? '').replace(/[\\%_]/g, '\\$&');
  const { squadId = null, kind = null, distanceM = null } = query;
  const pattern = `%${words}%`;
  const values = [words, pattern, pattern, squadId, squadId, kind, kind, distanceM, distanceM];
  // By day, and by time over one distance, there is an index: a page of it costs the same in any club.
  const inOrder = words === '' && (sort === 'on' || (sort === 'time' && distanceM !== null));
  if (inOrder) await all(em, READ_IN_ORDER);
  const items = await all(em, (inOrder ? RESULT_PAGE_READ : RESULT_PAGE)[sort][falling ? 'falling' : 'rising'], [
    ...values,
    offset,
    limit,
  ]);
  return { items, total: (await one(em, RESULT_COUNT, values)).total };
}

/** All results that one may see, for a file. */
export const resultsForFile = (em: EntityManager, squadId: string | null): Promise<ClubResult[]> =>
  all(em, RESULTS_FOR_FILE, [squadId, squadId]);
