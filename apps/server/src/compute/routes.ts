import {
  breathingSchema,
  causesSchema,
  criticalSpeedSchema,
  effortPaceSchema,
  lengthMetricsSchema,
  loadSchema,
  laneCheckSchema,
  raceTimeSchema,
  rateRampSchema,
  sessionTextSchema,
  type BreathingBody,
  type CausesBody,
  type LaneCheckBody,
  type SessionTextBody,
} from '@upwell/contract/compute';
import { buildBodySchema, type BuildBody } from '@upwell/contract/sessions';
import {
  breathsPerMinute,
  breathsPerSide,
  criticalSpeed,
  effortSpeed,
  lengthMetrics,
  raceTime,
  rateRamp,
  trainingLoad,
  type RampRep,
  type TimedLength,
  type Trial,
} from '@upwell/core/measures';
import { readSession } from '@upwell/core/notation';
import { lengthsToMetres, paceSPer100, type Pool } from '@upwell/core/units';
import { inferCauses } from '@upwell/core/review';
import { buildSession, groupTotals, proposeLane, simulateLane } from '@upwell/core/sessions';
import type { FastifyInstance } from 'fastify';
import type { Schema } from 'joi';

/** Every calculation of core, for programs. No side effects. */
export async function computeRoutes(app: FastifyInstance): Promise<void> {
  const answer = <Body>(path: string, body: Schema, summary: string, compute: (body: Body) => unknown): void => {
    app.post(path, { schema: { body, summary } }, (request) => compute(request.body as Body));
  };

  answer('/length-metrics', lengthMetricsSchema, 'Speed, stroke length and rate of one length', (body: TimedLength) =>
    lengthMetrics(body),
  );

  answer(
    '/critical-speed',
    criticalSpeedSchema,
    'Critical speed and D′ from all-out swims',
    (body: { trials: Trial[] }) => criticalSpeed(body.trials),
  );

  answer(
    '/rate-ramp',
    rateRampSchema,
    'The fastest stroke rate from reps at rising rates',
    (body: { reps: RampRep[] }) => rateRamp(body.reps),
  );

  answer(
    '/race-time',
    raceTimeSchema,
    'Time to expect over a distance',
    (body: { trials: Trial[]; distanceM: number }) => raceTime(body.trials, body.distanceM),
  );

  answer(
    '/effort-pace',
    effortPaceSchema,
    'Speed and pace at an effort',
    (body: { v400Mps: number; effort: number }) => {
      const speedMps = effortSpeed(body.v400Mps, body.effort);
      return { speedMps, paceSPer100m: paceSPer100(speedMps) };
    },
  );

  answer('/breathing', breathingSchema, 'Breaths per minute and per side', (body: BreathingBody) => {
    const perMinute = breathsPerMinute(body.strokeRateSpm, body.every);
    return {
      breathsPerMinute: perMinute,
      secondsBetween: 60 / perMinute,
      ...breathsPerSide(body.every, body.distanceM, body.strokeLengthM, body.startSide),
    };
  });

  answer('/causes', causesSchema, 'Likely causes of the signs seen', (body: CausesBody) =>
    inferCauses({ ...body, signs: body.signs }),
  );

  answer('/load', loadSchema, 'Metres × effort factor', (body: { sets: { distanceM: number; effort: number }[] }) => ({
    load: trainingLoad(body.sets),
  }));

  answer(
    '/build-session',
    buildBodySchema,
    'A session for up to six groups that finish together',
    (body: BuildBody) => {
      const { poolLengthM, poolLengthYd, loopM, ...request } = body;
      const pool = poolOf({ poolLengthM: poolLengthM ?? loopM, poolLengthYd });
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
    },
  );

  answer('/lane-check', laneCheckSchema, 'Who is caught in a lane, and what to change', (body: LaneCheckBody) => {
    const { swimmers, ...lane } = body;
    return { catches: simulateLane(swimmers, lane), proposal: proposeLane(swimmers, lane) };
  });

  answer('/session-text', sessionTextSchema, 'A session read from its text', (body: SessionTextBody) => {
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
  });
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
