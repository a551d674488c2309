import type { SignId } from '../review';
import { NEUTRAL, type FigureParameters } from './parameters';

/** How a sign shows on the figure: what changes, and when in the cycle it is seen best. */
export interface SignPose {
  readonly phase: number;
  readonly change: Partial<FigureParameters>;
}

const at = (phase: number, change: Partial<FigureParameters>): SignPose => ({ phase, change });

/** The near arm breathes at the end of its push; the far arm then leads. */
const BREATH = 0.62;
const GLIDE = 0.12;

/** Signs that the side and front views can show. The others are told in words. */
export const SIGN_POSES: Readonly<Partial<Record<SignId, SignPose>>> = {
  'face-stays-out': at(GLIDE, { headPitch: 85, headLift: 0.07, trunk: 16 }),
  'vertical-body': at(GLIDE, { trunk: 48, headPitch: 70, headLift: 0.05 }),
  'breath-rushed': at(BREATH, { headTurn: 70, headLift: 0.02, bubbles: 0.3 }),
  'no-bubbles': at(0.38, { bubbles: 0 }),
  'one-gasp': at(BREATH, { headTurn: 80, bubbles: 0 }),
  gasps: at(BREATH, { headTurn: 90, headLift: 0.03, bubbles: 0 }),
  'sinks-after-exhale': at(GLIDE, { trunk: 9, headLift: -0.05 }),
  'neck-strains': at(BREATH, { headTurn: 60, headPitch: 45 }),
  'eyes-ahead': at(GLIDE, { headPitch: 62 }),
  'legs-low': at(GLIDE, { trunk: 15 }),
  'bow-wave': at(GLIDE, { headPitch: 50, splash: 0.4 }),
  'chin-rises': at(BREATH, { headPitch: 60, headTurn: 40, headLift: 0.03 }),
  'legs-drop-at-breath': at(BREATH, { trunk: 14, headTurn: 80 }),
  'whole-face-out': at(BREATH, { headTurn: 100, headLift: 0.07 }),
  'mouth-barely-clears': at(BREATH, { headTurn: 62, headLift: -0.02 }),
  'face-up-and-back': at(BREATH, { headTurn: 125, roll: 58 }),
  'swallows-water': at(BREATH, { headTurn: 68, headLift: -0.025 }),
  'shoulders-stack': at(BREATH, { roll: 72 }),
  'lead-arm-drops': at(BREATH, { leadArmDrop: 42, headTurn: 80 }),
  'head-still-turned': at(0.84, { headTurn: 85 }),
  'lead-arm-gone': at(BREATH, { coordination: 0.68, headTurn: 85 }),
  'bubbles-at-mouth': at(BREATH, { headTurn: 80, bubbles: 2 }),
  'roll-unequal': at(BREATH, { roll: 60 }),
  'hips-low-eyes-down': at(GLIDE, { trunk: 13, headPitch: 0 }),
  'kicks-to-stay-flat': at(GLIDE, { kickDepth: 1.7, kneeBend: 18 }),
  'hips-snake': at(0.25, { snake: 0.07 }),
  'belly-hangs': at(GLIDE, { sag: 0.045 }),
  'legs-scissor': at(BREATH, { scissor: 18 }),
  'straight-arm-press': at(0.25, { leadArmDrop: 26, elbowDrop: 35 }),
  'head-swings': at(0.25, { headSwing: 0.05 }),
  'head-bobs': at(0.25, { headLift: 0.045 }),
  'enters-past-middle': at(0.02, { entryOffset: 1.35 }),
  'pulls-under-body': at(0.42, { pullOffset: 1.5 }),
  'hand-laid-flat': at(0.0, { splash: 0.6, leadArmDrop: -7 }),
  'splash-entry': at(0.0, { splash: 1 }),
  'bubbles-on-hand': at(0.2, { splash: 0.5, bubbles: 1.4 }),
  'arm-short': at(0.04, { leadArmBend: 0.7 }),
  'long-in-air': at(0.8, { recoveryHeight: 1.25 }),
  'stalls-over-shoulder': at(0.86, { recoveryHeight: 1.2, coordination: 0.42 }),
  'hand-high-wide': at(0.84, { recoveryHeight: 1.5, recoveryWidth: 1.6 }),
  'shoulders-tense': at(0.84, { headLift: -0.02, recoveryHeight: 1.15, roll: 24 }),
  'body-rocks': at(0.84, { roll: 55, snake: 0.04 }),
  'hand-turns-back-at-once': at(0.06, { leadArmBend: 0.55, leadArmDrop: 14 }),
  'body-compressed': at(GLIDE, { leadArmBend: 0.5, roll: 26 }),
  'elbow-leads': at(0.28, { elbowDrop: 55 }),
  'hand-slips': at(0.36, { elbowDrop: 40, pullDepth: 0.8 }),
  'sweeps-shallow': at(0.4, { pullDepth: 0.5 }),
  'spills-sideways': at(0.4, { pullDepth: 0.65, pullOffset: -0.8 }),
  'exits-before-hip': at(0.56, { pullDepth: 0.7, recoveryHeight: 0.85 }),
  'shoulders-flat': at(BREATH, { roll: 10 }),
  'recovery-wide-low': at(0.84, { roll: 12, recoveryWidth: 1.7, recoveryHeight: 0.6 }),
  'hands-meet-and-stop': at(0.06, { coordination: 0.08 }),
  'knees-break-line': at(0.3, { kneeBend: 42 }),
  'feet-out': at(0.5, { kneeBend: 34, trunk: 2 }),
  'feet-hooked': at(0.3, { ankle: 75 }),
  'feet-deep': at(0.3, { kickDepth: 2.4 }),
  'no-froth': at(0.3, { kickDepth: 0.3, trunk: 7 }),
  'kick-stops-at-breath': at(BREATH, { kickDepth: 0, trunk: 8, headTurn: 80 }),
  'hips-drop-at-look': at(0.2, { headPitch: 80, headLift: 0.06, trunk: 13 }),
  'mouth-forward': at(0.2, { headPitch: 85, headLift: 0.08 }),
};

/** The parameters with all the signs seen laid over each other; the strongest change of each part wins. */
export function posedBy(signs: readonly SignId[]): FigureParameters {
  const posed: Record<string, number> = { ...NEUTRAL };
  for (const sign of signs) {
    for (const [key, value] of Object.entries(SIGN_POSES[sign]?.change ?? {})) {
      const neutral = NEUTRAL[key as keyof FigureParameters];
      if (Math.abs(value - neutral) > Math.abs(posed[key]! - neutral)) posed[key] = value;
    }
  }
  return posed as unknown as FigureParameters;
}
