import { LONGEST_LEG_M, TURN_SIDES } from '@upwell/core/water';
import { Joi } from '../joi';
import { moment, oneOf } from '../common';
import { number, spot } from './course';

// The calculators.

const degrees = () => number.min(-90).max(90);
const mps = () => number.greater(0).max(3);

export interface SightingBody {
  readonly biasDegPerStroke: number;
  readonly sdDegPerStroke: number;
  readonly lookCostS: number;
  readonly strokesPerSecond: number;
}
const wander = {
  biasDegPerStroke: degrees().required(),
  sdDegPerStroke: number.min(0).max(90).required(),
  lookCostS: number.min(0).max(60).required(),
};
export const sightingSchema = Joi.object<SightingBody>({
  ...wander,
  strokesPerSecond: number.greater(0).max(4).required(),
});

export interface SimulateLegBody extends Omit<SightingBody, 'strokesPerSecond'> {
  readonly distanceM: number;
  readonly strokeLengthM: number;
  readonly speedMps: number;
  readonly aimSdDeg: number;
  readonly seeProbability: number;
  readonly turnRadiusM: number;
  readonly currentMps: { readonly along: number; readonly across: number };
  readonly intervals: readonly number[];
  readonly tracks: number;
  readonly seed: number;
}
export const simulateLegSchema = Joi.object<SimulateLegBody>({
  distanceM: number.greater(0).max(LONGEST_LEG_M).required(),
  strokeLengthM: number.min(0.1).max(5).required(),
  speedMps: mps().required(),
  ...wander,
  aimSdDeg: number.min(0).max(90).default(0),
  seeProbability: number.min(0.05).max(1).default(1),
  turnRadiusM: number.min(0.5).max(100).default(3),
  currentMps: Joi.object({ along: number.min(-3).max(3).required(), across: number.min(-3).max(3).required() }).default(
    {
      along: 0,
      across: 0,
    },
  ),
  intervals: Joi.array().items(number.integer().min(1).max(60)).min(1).max(60).unique().required(),
  tracks: number.integer().min(1).max(20_000).required(),
  seed: number
    .integer()
    .min(-(2 ** 31))
    .max(2 ** 31 - 1)
    .required(),
});

export interface CrossingBody {
  readonly swimMps: number;
  readonly crossMps: number;
  readonly alongMps: number;
}
export const crossingSchema = Joi.object<CrossingBody>({
  swimMps: mps().required(),
  crossMps: number.min(-10).max(10).required(),
  alongMps: number.min(-10).max(10).default(0),
});

export const draftingSchema = Joi.object<{ gain: number }>({ gain: number.min(0).max(1).required() });

export interface SunBody {
  readonly lat: number;
  readonly lon: number;
  readonly time: string;
}
export const sunSchema = Joi.object<SunBody>({ ...spot, time: moment().required() });

export interface SideBody {
  readonly legBearingDeg: number;
  readonly sun: { readonly bearingDeg: number; readonly altitudeDeg: number } | null;
  readonly waveFromDeg: number | null;
  readonly waveHeightM: number;
  readonly nextTurn: 'left' | 'right' | null;
}
export const compass = () => number.min(-360).max(720);
export const sideSchema = Joi.object<SideBody>({
  legBearingDeg: compass().required(),
  sun: Joi.object({ bearingDeg: compass().required(), altitudeDeg: degrees().required() }).allow(null).default(null),
  waveFromDeg: compass().allow(null).default(null),
  waveHeightM: number.min(0).max(30).default(0),
  nextTurn: oneOf(TURN_SIDES).allow(null).default(null),
});
