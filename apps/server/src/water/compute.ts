import {
  crossingSchema,
  draftingSchema,
  sideSchema,
  sightingSchema,
  simulateLegSchema,
  sunSchema,
  type CrossingBody,
  type SideBody,
  type SightingBody,
  type SimulateLegBody,
  type SunBody,
} from '@upwell/contract/water';
import {
  breathingSide,
  crossing,
  draftingLimit,
  ImpossibleCrossing,
  sightingInterval,
  sunAt,
} from '@upwell/core/water';
import { RAD } from '@upwell/core/units';
import type { FastifyInstance } from 'fastify';
import type { Schema } from 'joi';
import { ProblemError } from '../platform/problem';
import { workFor } from '../work';

/** The calculators of open water, for programs. No side effects. */
export async function waterCompute(app: FastifyInstance): Promise<void> {
  const answer = <Body>(path: string, body: Schema, summary: string, compute: (body: Body) => unknown): void => {
    app.post(path, { schema: { body, summary } }, (request) => compute(request.body as Body));
  };

  answer('/sighting-interval', sightingSchema, 'How often to look, by the closed form', (body: SightingBody) =>
    sightingInterval({
      biasRad: body.biasDegPerStroke * RAD,
      sdRad: body.sdDegPerStroke * RAD,
      lookCostS: body.lookCostS,
      strokesPerS: body.strokesPerSecond,
    }),
  );

  app.post<{ Body: SimulateLegBody }>(
    '/simulate-leg',
    { schema: { body: simulateLegSchema, summary: 'A leg swum many times, by the interval of looking' } },
    (request) => workFor(request)('simulate-leg', request.body),
  );

  answer('/crossing', crossingSchema, 'Heading to hold and speed over ground in a current', (body: CrossingBody) => {
    try {
      return crossing(body.swimMps, body.crossMps, body.alongMps);
    } catch (error) {
      if (error instanceof ImpossibleCrossing) throw new ProblemError(422, error.message);
      throw error;
    }
  });

  answer('/drafting-limit', draftingSchema, 'How far off the line feet still pay', (body: { gain: number }) => ({
    angleDeg: draftingLimit(body.gain),
  }));

  answer('/sun', sunSchema, 'Where the sun stands', (body: SunBody) => sunAt(body.lat, body.lon, new Date(body.time)));

  answer('/breathing-side', sideSchema, 'The side to breathe to on a leg', (body: SideBody) => breathingSide(body));
}
