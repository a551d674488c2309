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
  bestOf,
  breathingSide,
  crossing,
  draftingLimit,
  ImpossibleCrossing,
  sightingInterval,
  simulateInterval,
  sunAt,
  type IntervalResult,
} from '@upwell/core/water';
import type { FastifyInstance } from 'fastify';
import type { Schema } from 'joi';
import { setImmediate as breathe } from 'node:timers/promises';
import { ProblemError } from '../platform/problem';

const RAD = Math.PI / 180;
/** Most strokes of one request: about a second of this machine. */
const MOST_STROKES = 60e6;

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

  answer('/simulate-leg', simulateLegSchema, 'A leg swum many times, by the interval of looking', simulate);

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

async function simulate(body: SimulateLegBody) {
  const strokes = (body.distanceM / body.strokeLengthM) * body.tracks * body.intervals.length;
  if (strokes > MOST_STROKES) {
    const message = `This is about ${Math.round(strokes / 1e6)} million strokes; one request takes ${MOST_STROKES / 1e6}. Ask for fewer tracks or intervals.`;
    throw new ProblemError(422, message, { fields: [{ field: 'tracks', message }] });
  }
  const leg = {
    distanceM: body.distanceM,
    strokeLengthM: body.strokeLengthM,
    speedMps: body.speedMps,
    biasRad: body.biasDegPerStroke * RAD,
    sdRad: body.sdDegPerStroke * RAD,
    aimSdRad: body.aimSdDeg * RAD,
    lookCostS: body.lookCostS,
    seeProbability: body.seeProbability,
    turnRadiusM: body.turnRadiusM,
    current: body.currentMps,
    seed: body.seed,
  };
  const results: IntervalResult[] = [];
  for (const interval of [...body.intervals].sort((a, b) => a - b)) {
    // Other requests are answered in between.
    await breathe();
    try {
      results.push(simulateInterval(leg, interval, body.tracks));
    } catch (error) {
      if (error instanceof RangeError) throw new ProblemError(422, error.message);
      throw error;
    }
  }
  return bestOf(results);
}
