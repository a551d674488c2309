import {
  breathingSchema,
  causesSchema,
  criticalSpeedSchema,
  effortPaceSchema,
  lengthMetricsSchema,
  loadSchema,
  raceTimeSchema,
  type BreathingBody,
  type CausesBody,
} from '@upwell/contract/compute';
import { buildBodySchema, type BuildBody } from '@upwell/contract/sessions';
import {
  breathsPerMinute,
  breathsPerSide,
  criticalSpeed,
  effortSpeed,
  lengthMetrics,
  raceTime,
  trainingLoad,
  type TimedLength,
  type Trial,
} from '@upwell/core/measures';
import { paceSPer100 } from '@upwell/core/units';
import { inferCauses } from '@upwell/core/review';
import { buildSession, groupTotals } from '@upwell/core/sessions';
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
      const { poolLengthM, poolLengthYd, place: _place, ...request } = body;
      const pool =
        poolLengthYd === undefined
          ? { length: poolLengthM!, unit: 'm' as const }
          : { length: poolLengthYd, unit: 'yd' as const };
      const built = buildSession({ ...request, pool });
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
}
