import { type Drift, FEET_GAIN, raceTime, type Trial } from '../../measures';
import { levelCard, type LevelId, STROKE_MODEL, type StrokeModelId } from '../../swimmers';
import { type AimPoint, aimPoints } from './aim';
import { RAD } from '../../units';
import type { Course } from '../course/model';
import type { Leg } from '../course/legs';
import { turnBetween } from '../course/plane';
import { CALM_M, chop, type Chop } from './chop';
import { mixedUp } from './mixedUp';
import { breathingSide, type SideAdvice } from './sides';
import { crossing, type Crossing, ImpossibleCrossing } from './crossing';
import { type Sun, sunAt } from './sun';
import { type BestInterval, sightingInterval } from './sighting';
import type { LegSwim } from './swim';

/** What is taken for a swimmer without a test, by level; said to be a guess wherever it is shown. */
export const LEVEL_OUTSIDE: Readonly<
  Record<LevelId, { readonly biasDeg: number; readonly sdDeg: number; readonly lookCostS: number }>
> = {
  settle: { biasDeg: 3, sdDeg: 4, lookCostS: 0.6 },
  build: { biasDeg: 2, sdDeg: 3, lookCostS: 0.4 },
  hold: { biasDeg: 1, sdDeg: 2, lookCostS: 0.3 },
  race: { biasDeg: 0.5, sdDeg: 2, lookCostS: 0.25 },
};

/** A swimmer as the water sees them. */
export interface OutsideSwimmer {
  /** Through the water, over the whole course, m/s. */
  readonly speedMps: number;
  readonly strokeLengthM: number;
  readonly rateSpm: number;
  /** The fastest rate of a ramp that still paid; null without one. */
  readonly topRateSpm: number | null;
  readonly biasRad: number;
  readonly sdRad: number;
  readonly lookCostS: number;
  /** The drift is the level's: neither test nor track. */
  readonly driftGuessed: boolean;
  /** What is not known and was guessed, in words. */
  readonly guesses: readonly string[];
}

export interface KnownOfSwimmer {
  readonly level: LevelId;
  readonly model: StrokeModelId;
  /** All-out swims. */
  readonly bests: readonly Trial[];
  /** From the last closed-eyes test or a track; null without one. */
  readonly drift: Drift | null;
  /** Strokes a minute for distance from a rate ramp; null without one. */
  readonly rateSpm: number | null;
  /** The fastest rate of that ramp that still paid; null or left out without one. */
  readonly topRateSpm?: number | null;
}

/**
 * Speed, rate, stroke length and drift over a course, from what is known; what is not is the level's guess.
 *
 * @param courseM metres of the whole course
 */
export function outsideSwimmer(known: KnownOfSwimmer, courseM: number): OutsideSwimmer {
  const guesses: string[] = [];
  const usual = LEVEL_OUTSIDE[known.level];
  let speedMps = levelCard(known.level).defaultV400Mps * 0.93;
  if (known.bests.length > 0) speedMps = courseM / raceTime(known.bests, courseM).timeS;
  else guesses.push('speed: usual for the level, no time is known');
  const [low, high] = STROKE_MODEL[known.model].rateBandSpm;
  const rateSpm = known.rateSpm ?? Math.round((low + high) / 2);
  if (known.rateSpm === null) guesses.push('rate: the middle of the stroke model’s band, no rate ramp was swum');
  if (!known.drift) guesses.push('drift: usual for the level, no closed-eyes test was made and no track kept');
  return {
    speedMps,
    rateSpm,
    topRateSpm: known.topRateSpm ?? null,
    strokeLengthM: (speedMps * 60) / rateSpm,
    biasRad: known.drift?.biasRadPerStroke ?? usual.biasDeg * RAD,
    sdRad: known.drift?.sdRadPerStroke ?? usual.sdDeg * RAD,
    lookCostS: usual.lookCostS,
    driftGuessed: !known.drift,
    guesses,
  };
}

/** The water at the planned time. */
export interface WaterNow {
  readonly at: Date;
  readonly currentMps: number;
  /** Where the current goes, degrees. */
  readonly currentToDeg: number;
  readonly waveHeightM: number;
  /** Where the waves come from, degrees. */
  readonly waveFromDeg: number;
  readonly hazy: boolean;
  /** Under thick cloud there is no glare. */
  readonly cloudy: boolean;
  /** Drafting: a little faster, and the mark is harder to see. */
  readonly feet: boolean;
  /** The side on which most others swim. */
  readonly others?: 'left' | 'right' | null;
}

/** The flow along and across (to the right of) a leg, m/s. */
export function flowOn(
  bearingDeg: number,
  { currentMps, currentToDeg }: Pick<WaterNow, 'currentMps' | 'currentToDeg'>,
) {
  const turn = turnBetween(bearingDeg, currentToDeg) * RAD;
  return { along: currentMps * Math.cos(turn), across: currentMps * Math.sin(turn) };
}

/** An aim point that looks this high is seen over most waves, degrees. */
const HIGH_DEG = 1.5;

/**
 * The chance that a look shows the aim: waves hide small and low things first, haze takes a fifth, and so do feet.
 *
 * @param aimHeightDeg how high the aim looks; 0 for the bare mark
 */
export function seeProbability(water: Pick<WaterNow, 'waveHeightM' | 'hazy' | 'feet'>, aimHeightDeg: number): number {
  const hidden = Math.min(0.65, Math.max(0, water.waveHeightM - CALM_M) * 1.6);
  const size = 1 - 0.6 * Math.min(1, aimHeightDeg / HIGH_DEG);
  return Math.max(0.2, (1 - hidden * size) * (water.hazy ? 0.8 : 1) * (water.feet ? 0.8 : 1));
}

export interface LegPlan {
  readonly leg: Leg;
  readonly sun: Sun | null;
  readonly aims: readonly AimPoint[];
  readonly side: SideAdvice;
  /** The compass heading to hold against the current; null when there is none. */
  readonly holdDeg: number | null;
  readonly crossing: Crossing | null;
  /** Why the leg cannot be swum; null when it can. */
  readonly impossible: string | null;
  /** What to simulate; null when the leg cannot be swum. */
  readonly swim: LegSwim | null;
  readonly closed: BestInterval;
  /** Proposed strokes a minute in this water. */
  readonly rateSpm: number;
  readonly chop: Chop;
  /** What could be taken for the mark; null where nothing could. */
  readonly mixedUp: string | null;
}

/** Radius within which a mark counts as reached: a stroke past it, a body wide, metres. */
const TURN_RADIUS_M = 3;

/**
 * Everything a swimmer needs to know of one leg before getting in.
 *
 * @param next the leg after it, for the side of the turn; null for the last
 * @param course what stands in and around the water
 * @param seed of the simulation
 */
export function planLeg(
  leg: Leg,
  next: Leg | null,
  swimmer: OutsideSwimmer,
  water: WaterNow,
  course: Pick<Course, 'landmarks' | 'marks' | 'finish'>,
  seed: number,
): LegPlan {
  const sun = sunAt(leg.from.lat, leg.from.lon, water.at);
  const seen = water.cloudy || sun.altitudeDeg <= 0 ? null : sun;
  const aims = aimPoints(leg.from, leg.to, course.landmarks, seen, !leg.abeam);
  const turn = next ? turnBetween(leg.bearingDeg, next.bearingDeg) : 0;
  const side = breathingSide({
    legBearingDeg: leg.bearingDeg,
    sun: seen,
    waveFromDeg: water.waveHeightM > 0 ? water.waveFromDeg : null,
    waveHeightM: water.waveHeightM,
    nextTurn: next && Math.abs(turn) > 10 ? (turn > 0 ? 'right' : 'left') : null,
    others: water.others ?? null,
  });
  const flow = flowOn(leg.bearingDeg, water);
  const speedMps = swimmer.speedMps * (water.feet ? 1 + FEET_GAIN : 1);
  let held: Crossing | null = null;
  let impossible: string | null = null;
  try {
    held = crossing(speedMps, flow.across, flow.along);
  } catch (error) {
    if (!(error instanceof ImpossibleCrossing)) throw error;
    impossible = error.message;
  }
  const waves = chop(water.waveHeightM, swimmer.rateSpm, swimmer.topRateSpm);
  const sdRad = swimmer.sdRad * waves.wander;
  const wander = { ...swimmer, sdRad, strokesPerS: waves.rateSpm / 60 };
  return {
    leg,
    sun: seen,
    aims,
    side,
    holdDeg:
      held && water.currentMps > 0 ? (leg.bearingDeg - Math.sign(flow.across) * held.headingDeg + 360) % 360 : null,
    crossing: held,
    impossible,
    swim:
      impossible === null
        ? {
            distanceM: leg.lengthM,
            strokeLengthM: (speedMps * 60) / waves.rateSpm,
            speedMps,
            biasRad: swimmer.biasRad,
            sdRad,
            aimSdRad: (0.5 + 4 * water.waveHeightM) * RAD,
            lookCostS: swimmer.lookCostS,
            seeProbability: seeProbability(water, aims[0]?.heightDeg ?? 0),
            turnRadiusM: Math.min(TURN_RADIUS_M, leg.lengthM / 3),
            current: flow,
            holdUp: true,
            afterTurn: leg.from.name !== 'Start',
            seed,
          }
        : null,
    closed: sightingInterval(wander),
    rateSpm: waves.rateSpm,
    chop: waves,
    // Where no buoy lies none can be taken for it.
    mixedUp: leg.abeam ? null : mixedUp(leg, course),
  };
}
