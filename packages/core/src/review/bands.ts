import type { LineKind, StrokeTiming } from '../measures';
import { STROKE_MODEL, type StrokeModelId } from '../swimmers';
import { own } from '../own';
import type { SignId } from './catalogue';
import type { SignsSeen } from './evidence';
import type { Sighting } from './types';
import { percent } from '../words';

/** What can be measured on a clip or over a length. Angles in degrees, shares 0–1, rates in strokes a minute. */
export interface Measured {
  /** Trunk to the horizontal. */
  readonly trunkDeg?: number;
  readonly rollDeg?: number;
  /** Head turn from looking down, during the breath. */
  readonly headTurnDeg?: number;
  /** Lead arm under the horizontal during the breath. */
  readonly leadArmDeg?: number;
  /** Wrist under the elbow at the catch; 0 is level, under 0 the elbow leads. */
  readonly elbowDeg?: number;
  /** Hand to the horizontal at entry: 0 flat, more is slicing in. */
  readonly entryDeg?: number;
  /** Hand past the middle at entry, cm; under 0 on its own side. */
  readonly pastMiddleCm?: number;
  /** Share of the face in the water, during the breath. */
  readonly faceShare?: number;
  /** Hand under the shoulder in the pull, cm. */
  readonly handDepthCm?: number;
  /** Between thigh and shank: 0 straight. */
  readonly kneeDeg?: number;
  /** Between shank and foot: 0 pointed, 90 hooked. */
  readonly ankleDeg?: number;
  /** Share of the cycle that the arm is in the air. */
  readonly airShare?: number;
  /** (mean left gap − mean right gap) ÷ mean gap. */
  readonly asymmetry?: number;
  /** Index of coordination, share of the cycle. */
  readonly coordination?: number;
  readonly strokeRateSpm?: number;
  /** Share of the breaths that go to the more used side. */
  readonly oneSideShare?: number;
}

export type MeasureId = keyof Measured;

/** A sign with the two values from which it counts as seen sometimes and often. */
export interface Band {
  readonly sign: SignId;
  readonly measure: MeasureId;
  /** Whether the sign shows above or below the limits. */
  readonly when: 'above' | 'below';
  readonly sometimes: number;
  readonly often: number;
  /** The unit as it is written behind the value. */
  readonly unit: '°' | ' cm' | ' %' | '/min';
}

const above = (sign: SignId, measure: MeasureId, sometimes: number, often: number, unit: Band['unit'] = '°'): Band => ({
  sign,
  measure,
  when: 'above',
  sometimes,
  often,
  unit,
});
const below = (sign: SignId, measure: MeasureId, sometimes: number, often: number, unit: Band['unit'] = '°'): Band => ({
  ...above(sign, measure, sometimes, often, unit),
  when: 'below',
});

/** The bands of every model but for what {@link OTHER_BANDS} says. */
const BANDS: readonly Band[] = [
  above('legs-low', 'trunkDeg', 8, 12),
  above('shoulders-stack', 'rollDeg', 55, 65),
  below('shoulders-flat', 'rollDeg', 30, 22),
  above('face-up-and-back', 'headTurnDeg', 95, 110),
  above('lead-arm-drops', 'leadArmDeg', 25, 40),
  below('elbow-leads', 'elbowDeg', 2, -3),
  below('hand-laid-flat', 'entryDeg', 20, 10),
  above('enters-past-middle', 'pastMiddleCm', 0, 5, ' cm'),
  below('whole-face-out', 'faceShare', 0.25, 0.1, ' %'),
  below('sweeps-shallow', 'handDepthCm', 35, 25, ' cm'),
  above('knees-break-line', 'kneeDeg', 45, 60),
  above('feet-hooked', 'ankleDeg', 40, 60),
  above('long-in-air', 'airShare', 0.35, 0.4, ' %'),
  above('rhythm-limps', 'asymmetry', 0.08, 0.15, ' %'),
  below('hands-meet-and-stop', 'coordination', -0.15, -0.22, ' %'),
  above('one-side-only', 'oneSideShare', 0.8, 0.95, ' %'),
];

/** Where a model wants something else: the limits of the sign under it. */
const OTHER_BANDS: Readonly<Record<StrokeModelId, Readonly<Partial<Record<SignId, readonly [number, number]>>>>> = {
  'long-line': { 'hands-meet-and-stop': [-0.22, -0.3] },
  'quick-rhythm': { 'lead-arm-drops': [40, 55] },
  'roll-and-press': { 'shoulders-stack': [65, 75] },
};

/** How far outside the model's rate band counts as sometimes and as often, strokes a minute. */
const RATE_MARGIN = [2, 5] as const;

/** What a club says of one sign's band: from where it counts as seen sometimes and often, by stroke model. */
export type BandEntry = Readonly<Partial<Record<StrokeModelId, readonly [sometimes: number, often: number]>>>;

/**
 * The bands that turn measures into signs under a stroke model, as the club has them.
 *
 * @example bandsOf('roll-and-press').find((b) => b.sign === 'shoulders-stack')?.often // 75
 */
export function bandsOf(model: StrokeModelId): Band[] {
  return builtInBands(model).map((band) => {
    const [sometimes, often] = own<BandEntry>('bands', band.sign)?.[model] ?? [band.sometimes, band.often];
    return { ...band, sometimes, often };
  });
}

/** The bands of a model as they come with the app. */
export function builtInBands(model: StrokeModelId): Band[] {
  const [low, high] = STROKE_MODEL[model].rateBandSpm;
  const [some, often] = RATE_MARGIN;
  return [
    ...BANDS.map((band) => {
      const other = OTHER_BANDS[model][band.sign];
      return other ? { ...band, sometimes: other[0], often: other[1] } : band;
    }),
    below('rate-low', 'strokeRateSpm', low - some, low - often, '/min'),
    above('rate-high', 'strokeRateSpm', high + some, high + often, '/min'),
  ];
}

/** What one band says of a value: the sign is there often, sometimes, or not. */
export function sightingIn(band: Band, value: number): Sighting {
  // Asymmetry has a sign, left longer or right longer; its size is what limps.
  const size = band.measure === 'asymmetry' ? Math.abs(value) : value;
  const beyond = (limit: number) => (band.when === 'above' ? size > limit : size < limit);
  return beyond(band.often) ? 'often' : beyond(band.sometimes) ? 'sometimes' : 'absent';
}

/** The signs that measured values show, or show not to be there. Only what was measured is answered. */
export function signsFromMeasures(measured: Measured, model: StrokeModelId): SignsSeen {
  const seen: Partial<Record<SignId, Sighting>> = {};
  for (const band of bandsOf(model)) {
    const value = measured[band.measure];
    if (value !== undefined && Number.isFinite(value)) seen[band.sign] = sightingIn(band, value);
  }
  return seen;
}

/** A measured value with its unit, as it is read out. @example measuredWord('airShare', 0.412) // '41 %' */
export function measuredWord(measure: MeasureId, value: number): string {
  const unit = bandsOf('long-line').find((band) => band.measure === measure)!.unit;
  return unit === ' %' ? percent(value) : `${Math.round(value)}${unit}`;
}

/** The measure that a line on a frame gives. */
const MEASURE_OF_LINE: Readonly<Partial<Record<LineKind, MeasureId>>> = {
  trunk: 'trunkDeg',
  roll: 'rollDeg',
  'head-turn': 'headTurnDeg',
  'lead-arm': 'leadArmDeg',
  elbow: 'elbowDeg',
  entry: 'entryDeg',
  'past-middle': 'pastMiddleCm',
  face: 'faceShare',
  'hand-depth': 'handDepthCm',
  shank: 'kneeDeg',
  foot: 'ankleDeg',
};

/** Breaths below which their share to one side says nothing. */
const FEWEST_BREATHS = 4;

/**
 * What a clip measures, out of its timing and its lines.
 *
 * @param timing from the taps; null without enough of them
 * @param lines mean reading per kind of line, in its own unit; free lines measure nothing that has a name
 */
export function measuredOnClip(
  timing: StrokeTiming | null,
  lines: Readonly<Partial<Record<LineKind, number>>>,
): Measured {
  const measured: Partial<Record<MeasureId, number>> = {};
  for (const kind of Object.keys(lines) as LineKind[]) {
    const measure = MEASURE_OF_LINE[kind];
    if (measure) measured[measure] = lines[kind]!;
  }
  if (!timing) return measured;
  measured.strokeRateSpm = timing.strokeRateSpm;
  if (timing.asymmetry !== null) measured.asymmetry = timing.asymmetry;
  if (timing.shares) measured.airShare = timing.shares.air;
  if (timing.coordination !== null) measured.coordination = timing.coordination;
  const { left, right } = timing.breaths;
  if (left + right >= FEWEST_BREATHS) measured.oneSideShare = Math.max(left, right) / (left + right);
  return measured;
}
