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
} from '@upwell/contract/compute';
import { buildBodySchema } from '@upwell/contract/sessions';
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
import { paceSPer100 } from '@upwell/core/units';
import type { FastifyInstance } from 'fastify';
import type { Schema } from 'joi';
import { workFor } from '../work';

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

  app.post<{ Body: CausesBody }>(
    '/causes',
    { schema: { body: causesSchema, summary: 'Likely causes of the signs seen' } },
    (request) => workFor(request)('infer-causes', request.body),
  );

  answer('/load', loadSchema, 'Metres × effort factor', (body: { sets: { distanceM: number; effort: number }[] }) => ({
    load: trainingLoad(body.sets),
  }));

  // These take their time, so they are worked out in a thread of their own.
  const workOut = (name: 'build-session' | 'lane-check' | 'session-text', body: Schema, summary: string): void => {
    app.post(`/${name}`, { schema: { body, summary } }, (request) => workFor(request)(name, request.body as never));
  };
  workOut('build-session', buildBodySchema, 'A session for up to six groups that finish together');
  workOut('lane-check', laneCheckSchema, 'Who is caught in a lane, and what to change');
  workOut('session-text', sessionTextSchema, 'A session read from its text');
}
