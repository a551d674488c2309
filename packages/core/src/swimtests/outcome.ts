import { ladderCard, type LadderId } from '../library';
import {
  criticalSpeed,
  drift,
  type Drift,
  lengthMetrics,
  type LengthMetrics,
  rateRamp,
  type RateRamp,
  type TimedLength,
  type Trial,
  UnusableTrials,
} from '../measures';
import { formatTime, RAD } from '../units';
import { SWIM_TEST, type SwimTestKind } from './cards';
import { counted, numberWord, plural } from '../words';

/** One rep of a rate ramp as it is taken at the wall. */
export interface RampEntry {
  readonly timeS: number;
  /** Hand entries in one length. */
  readonly strokes: number;
}

/** What is taken down for each test. */
export type TestInput =
  | { readonly kind: 'critical-speed'; readonly trials: readonly Trial[] }
  | {
      readonly kind: 'rate-ramp';
      /** Metres of one length, and of a rep. */
      readonly lengthM: number;
      readonly repM: number;
      readonly pushOffM: number;
      readonly pushOffS: number;
      readonly reps: readonly RampEntry[];
    }
  | { readonly kind: 'clean-length'; readonly lengths: readonly TimedLength[] }
  | {
      readonly kind: 'closed-eyes';
      readonly strokes: number;
      readonly strokeLengthM: number;
      /** Metres off the line, right positive. */
      readonly offM: readonly number[];
    }
  | { readonly kind: 'glide'; readonly metres: readonly number[] }
  | { readonly kind: 'tumble'; readonly timesS: readonly number[] }
  | {
      readonly kind: 'ladder-step';
      readonly ladder: LadderId;
      /** From 0. */
      readonly step: number;
      readonly tries: number;
      readonly passed: number;
    };

/** What a test says. */
export interface TestOutcome {
  readonly value: number;
  /** Standard error of the value; null when it was measured once only. */
  readonly error: number | null;
  /** The number and what else matters, in words. */
  readonly words: string;
  /** How it was worked out and what was put in. */
  readonly method: string;
  readonly ramp?: RateRamp;
  readonly drift?: Drift;
  readonly lengths?: readonly LengthMetrics[];
}

/** What is stored of an outcome: its numbers. Words are made of the input again where they are shown. */
export type KeptOutcome = Omit<TestOutcome, 'words' | 'method' | 'ramp'> & {
  readonly ramp?: Omit<RateRamp, 'reason'>;
};

/** Why a test says nothing, in words for the coach. */
export class RefusedTest extends RangeError {}

/**
 * What a test says, with its uncertainty.
 *
 * @throws RefusedTest when the numbers allow no answer: too few tries, times that contradict each other,
 *   a curve that is none
 * @example testOutcome({ kind: 'tumble', timesS: [9.1, 9.3, 9.2] }).value // 9.2
 */
export function testOutcome(input: TestInput): TestOutcome {
  try {
    return outcomeOf(input);
  } catch (error) {
    if (error instanceof RefusedTest) throw error;
    if (error instanceof UnusableTrials || error instanceof RangeError) throw new RefusedTest(error.message);
    throw error;
  }
}

/**
 * The numbers of an outcome, without a sentence.
 *
 * @example keptOutcome(testOutcome({ kind: 'tumble', timesS: [9.2] })) // { value: 9.2, error: null }
 */
export function keptOutcome({ words: _words, method: _method, ramp, ...numbers }: TestOutcome): KeptOutcome {
  if (!ramp) return numbers;
  const { reason: _reason, ...shape } = ramp;
  return { ...numbers, ramp: shape };
}

/**
 * What a stored test says, in today's words. One that would be refused today keeps its numbers, and its words say why.
 *
 * @example shownOutcome({ kind: 'tumble', timesS: [9.2] }, { value: 9.2, error: null }).method // 'Mean of 1 turn.'
 */
export function shownOutcome(input: TestInput, { ramp, ...numbers }: KeptOutcome): TestOutcome {
  try {
    return testOutcome(input);
  } catch (error) {
    if (!(error instanceof RefusedTest)) throw error;
    const { message } = error;
    return { ...numbers, ...(ramp && { ramp: { ...ramp, reason: message } }), words: message, method: '' };
  }
}

function outcomeOf(input: TestInput): TestOutcome {
  switch (input.kind) {
    case 'critical-speed': {
      const cs = criticalSpeed(input.trials);
      return {
        value: cs.criticalSpeedMps,
        error: cs.standardErrorMps,
        words: `${formatTime(cs.paceSPer100m, 1)} per 100 m; ${numberWord(cs.dPrimeM)} m in reserve`,
        method: `Line d = CS·t + D′ through ${input.trials.length} swims (Wakayoshi et al. 1992). ${
          cs.standardErrorMps === null
            ? 'Two swims fit exactly: a third would show how reliable it is.'
            : `Standard error ${numberWord(cs.standardErrorMps, 3)} m/s.`
        }`,
      };
    }
    case 'rate-ramp': {
      const ramp = rateRamp(rampReps(input));
      if (ramp.verdict === 'unclear') throw new RefusedTest(ramp.reason);
      const value = ramp.bestRateSpm ?? ramp.distanceRateSpm!;
      return {
        value,
        error: ramp.lowSpm === null ? null : (ramp.highSpm! - ramp.lowSpm) / 3.29,
        words: ramp.reason,
        method: `Parabola through ${input.reps.length} reps, R² ${numberWord(ramp.rSquared, 2)} (shape after Craig & Pendergast 1979)${
          ramp.lowSpm === null ? '' : `; 90 % interval ${numberWord(ramp.lowSpm)}–${numberWord(ramp.highSpm!)}`
        }.`,
        ramp,
      };
    }
    case 'clean-length': {
      if (input.lengths.length === 0) throw new RefusedTest('At least one length is needed.');
      const lengths = input.lengths.map(lengthMetrics);
      const value = mean(lengths.map((l) => l.speedMps));
      const strokeLength = mean(lengths.map((l) => l.strokeLengthM));
      const rate = mean(lengths.map((l) => l.strokeRateSpm));
      return {
        value,
        error: standardError(lengths.map((l) => l.speedMps)),
        words: `${numberWord(strokeLength, 2)} m a stroke at ${numberWord(rate)} a minute`,
        method: `(L − p) ÷ (t − tp) over ${counted(lengths.length, 'length')}${lengths.length === 1 ? ', one test only' : ''}; index per stroke ${numberWord(mean(lengths.map((l) => l.strokeIndex)), 2)}.`,
        lengths,
      };
    }
    case 'closed-eyes': {
      const found = drift(input.offM, input.strokes, input.strokeLengthM);
      const value = found.biasRadPerStroke / RAD;
      const side = value < 0 ? 'left' : 'right';
      return {
        value,
        error: (found.biasHigh - found.biasLow) / 2 / 1.96 / RAD,
        words: `${numberWord(Math.abs(value), 1)}° a stroke to the ${side}, ${numberWord(found.sdRadPerStroke / RAD, 1)}° at random`,
        method: `mean = SL·b·N²/2, variance = SL²·σ²·N³/3 over ${found.tries} tries of ${input.strokes} strokes. 95 %: bias ${numberWord(found.biasLow / RAD, 1)}° to ${numberWord(found.biasHigh / RAD, 1)}°, random ${numberWord(found.sdLow / RAD, 1)}° to ${numberWord(found.sdHigh / RAD, 1)}°.`,
        drift: found,
      };
    }
    case 'glide':
      return repeated(input.metres, 'm', 'try', 'tries', 25);
    case 'tumble':
      return repeated(input.timesS, 's', 'turn', 'turns', 60);
    case 'ladder-step': {
      const ladder = ladderCard(input.ladder);
      const step = ladder.steps[input.step];
      if (!step) throw new RefusedTest('This ladder has no such step.');
      if (!(input.tries > 0)) throw new RefusedTest('Count at least one try.');
      if (input.passed > input.tries) throw new RefusedTest('More tries reached the mark than were made.');
      const passed = input.tries >= step.tries && input.passed === input.tries;
      return {
        value: input.passed,
        error: null,
        words: passed
          ? `Reached: ${step.pass}`
          : input.tries < step.tries && input.passed === input.tries
            ? `${numberWord(step.tries - input.tries)} more ${plural(step.tries - input.tries, 'try', 'tries')} like these`
            : `Not yet: ${step.pass}`,
        method: `${ladder.name}, step ${input.step + 1}: ${input.passed} of ${input.tries} tries; ${step.tries} are needed.`,
      };
    }
  }
}

/** A rep of a ramp is as many whole lengths as come nearest to this, metres. */
const RAMP_REP_M = 50;

/**
 * The rep of a rate ramp in a pool, metres: whole lengths, about fifty metres of them.
 *
 * @param lengthM metres of one length
 * @example rampRepM(25) // 50
 * @example rampRepM(22.86) // 45.72, two lengths of 25 yards
 */
export function rampRepM(lengthM: number): number {
  return Math.max(1, Math.round(RAMP_REP_M / lengthM)) * lengthM;
}

/** The reps of a ramp as rates and clean speeds; both are of the swum part, without the push-offs. */
export function rampReps(input: TestInput & { kind: 'rate-ramp' }) {
  const lengths = input.repM / input.lengthM;
  return input.reps.map(({ timeS, strokes }) => {
    const { speedMps, strokeRateSpm } = lengthMetrics({
      lengthM: input.lengthM,
      pushOffM: input.pushOffM,
      pushOffS: input.pushOffS,
      timeS: timeS / lengths,
      strokes,
    });
    return { speedMps, strokeRateSpm };
  });
}

/** Whether the step of a ladder is passed, so that the next may be tried. */
export function stepPassed(input: TestInput & { kind: 'ladder-step' }): boolean {
  const step = ladderCard(input.ladder).steps[input.step];
  return step !== undefined && input.tries >= step.tries && input.passed === input.tries;
}

function repeated(values: readonly number[], unit: string, one: string, many: string, most: number): TestOutcome {
  if (values.length === 0) throw new RefusedTest(`At least one ${one} is needed.`);
  if (values.some((v) => !(v > 0 && v <= most)))
    throw new RefusedTest(`Each ${one} lies between 0 and ${most} ${unit}.`);
  const error = standardError(values);
  return {
    value: mean(values),
    error,
    words:
      error === null
        ? `One ${one} only: two more tell how well it repeats.`
        : `${numberWord(Math.min(...values), 2)} to ${numberWord(Math.max(...values), 2)} ${unit}`,
    method: `Mean of ${counted(values.length, one, many)}.`,
  };
}

const mean = (values: readonly number[]): number => values.reduce((sum, v) => sum + v, 0) / values.length;

function standardError(values: readonly number[]): number | null {
  if (values.length < 2) return null;
  const m = mean(values);
  return Math.sqrt(values.reduce((sum, v) => sum + (v - m) ** 2, 0) / (values.length - 1) / values.length);
}

export interface TestChange {
  /** Now minus before. */
  readonly change: number;
  /** Smaller ones are within what the test itself wavers; null when no test was repeated enough to know. */
  readonly smallest: number | null;
  readonly verdict: 'better' | 'worse' | 'no real change' | 'different' | 'cannot tell';
}

/**
 * A test beside the one before: a change counts from twice the standard error of measurement, which is
 * taken from the repeats inside both tests.
 */
export function compareTests(
  kind: SwimTestKind,
  now: Pick<TestOutcome, 'value' | 'error'>,
  before: Pick<TestOutcome, 'value' | 'error'>,
): TestChange {
  const { better } = SWIM_TEST[kind];
  const [a, b] = better === 'smaller' ? [Math.abs(now.value), Math.abs(before.value)] : [now.value, before.value];
  const change = a - b;
  const errors = [now.error, before.error].filter((e): e is number => e !== null);
  if (errors.length === 0)
    return { change, smallest: null, verdict: kind === 'ladder-step' ? byWay(change, better) : 'cannot tell' };
  const smallest = 2 * Math.sqrt(errors.reduce((sum, e) => sum + e * e, 0) / errors.length);
  if (Math.abs(change) < smallest) return { change, smallest, verdict: 'no real change' };
  return { change, smallest, verdict: byWay(change, better) };
}

function byWay(change: number, better: 'higher' | 'lower' | 'smaller' | 'none'): TestChange['verdict'] {
  if (change === 0) return 'no real change';
  if (better === 'none') return 'different';
  return change > 0 === (better === 'higher') ? 'better' : 'worse';
}

/** The value of a test as it is shown. @example testValue('tumble', 9.2) // '9.20 s' */
export function testValue(kind: SwimTestKind, value: number): string {
  const { unit, decimals } = SWIM_TEST[kind];
  return `${numberWord(value, decimals)}${unit ? ` ${unit}` : ''}`;
}
