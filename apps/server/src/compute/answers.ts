import type { LaneCheckBody, SessionTextBody } from '@upwell/contract/compute';
import type { BuildBody } from '@upwell/contract/sessions';
import { readSession } from '@upwell/core/notation';
import { buildSession, groupTotals, proposeLane, simulateLane } from '@upwell/core/sessions';
import { lengthsToMetres, type Pool } from '@upwell/core/units';

/** A session for up to six groups, with the totals of each; or why there is none. */
export function buildAnswer(body: BuildBody) {
  const { poolLengthM, poolLengthYd, loopM, standingDepth, edge, ...request } = body;
  const pool: Pool = {
    ...poolOf({ poolLengthM: poolLengthM ?? loopM, poolLengthYd }),
    ...(standingDepth === undefined ? {} : { standingDepth }),
    ...(edge === undefined ? {} : { edge }),
  };
  // What is asked for decides the place, so that a loop is never taken for a pool.
  const place = loopM === undefined ? 'pool' : 'open-water';
  const built = buildSession({ ...request, place, pool });
  if (built.kind === 'clash') return { groups: [], clashes: built.clashes };
  return {
    plan: built.plan,
    notes: built.notes,
    clashes: [],
    groups: built.plan.groups.map((session) => {
      const totals = groupTotals(session, pool);
      return { session, totals, totalM: totals.metres, minutes: totals.seconds / 60 };
    }),
  };
}

/** Who is caught in a lane, and the smallest change after which no one is. */
export function laneAnswer({ swimmers, ...lane }: LaneCheckBody) {
  return { catches: simulateLane(swimmers, lane), proposal: proposeLane(swimmers, lane) };
}

/** A session read from its text, with its totals and what cannot be read. */
export function textAnswer(body: SessionTextBody) {
  const { document, blocks, problems } = readSession(body.text, poolOf(body));
  const { plan } = document;
  const groups = plan.groups.map((group) => ({ name: group.name, totalM: groupTotals(group, plan.pool).metres }));
  return {
    session: document,
    // Of the first group; the others stand beside it.
    totalM: groups[0]?.totalM ?? 0,
    groups,
    blocks: blocks.map(({ group, name, total, stated }) => ({
      group,
      name,
      totalM: inMetres(plan.pool, total),
      stated,
    })),
    problems,
  };
}

/** The pool that a request names; 25 m when it names none. */
function poolOf({
  poolLengthM,
  poolLengthYd,
}: {
  readonly poolLengthM?: number | undefined;
  readonly poolLengthYd?: number | undefined;
}): Pool {
  return poolLengthYd === undefined ? { length: poolLengthM ?? 25, unit: 'm' } : { length: poolLengthYd, unit: 'yd' };
}

const inMetres = (pool: Pool, distance: number): number => lengthsToMetres(pool, distance / pool.length);
