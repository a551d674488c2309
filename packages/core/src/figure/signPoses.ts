import type { SignId } from '../review';
import { NEUTRAL, type FigureParameters } from './parameters';
import type { FigureSide } from './shapes';

/** How a sign shows on the figure: what changes, when in the cycle and from where it is seen best. */
export interface SignPose {
  readonly phase: number;
  readonly view: FigureSide;
  readonly change: Partial<FigureParameters>;
}

const pose =
  (view: FigureSide) =>
  (phase: number, change: Partial<FigureParameters>): SignPose => ({ phase, view, change });
const side = pose('side');
const front = pose('front');
const top = pose('top');

/** The left arm leaves at the breath; the right arm then leads. */
const BREATH = 0.66;
const GLIDE = 0.12;
const ENTRY = 0.03;
const PULL = 0.4;
const RECOVERY = 0.84;
const LOOK = 0.22;
/** Breaststroke: pull, breath, hands forward, kick. */
const B_PULL = 0.28;
const B_BREATH = 0.37;
const B_FORWARD = 0.5;
const B_KICK = 0.6;
/** Turn: tumbling, feet at the wall, gliding. */
const T_OVER = 0.4;
const T_WALL = 0.58;
const T_GLIDE = 0.86;

/** Every sign as a pose. A small change to the wanted stroke; severity scales it. */
export const SIGN_POSES: Readonly<Record<SignId, SignPose>> = {
  'face-stays-out': side(GLIDE, { headPitch: 80, headLift: 0.07, trunk: 16, breathLift: 0 }),
  'grips-float': side(GLIDE, { board: 1, strainShoulder: 1, headPitch: 45, trunk: 12 }),
  'vertical-body': side(GLIDE, { trunk: 46, headPitch: 65, headLift: 0.04 }),
  'breath-rushed': side(BREATH, { breathLift: 0.03, strainNeck: 1, headTurn: 95 }),
  'no-bubbles': side(0.38, { bubbles: 0 }),
  'one-gasp': side(BREATH, { bubbles: 0, breathBubbles: 1.2 }),
  'tired-early': side(0.5, { strainChest: 1, trunk: 8 }),
  gasps: side(BREATH, { breathLift: 0.035, headTurn: 100, strainChest: 1 }),
  'sinks-after-exhale': side(GLIDE, { bob: 0.05, trunk: 9 }),
  'neck-strains': side(BREATH, { breathPitch: 40, strainNeck: 1 }),
  'eyes-ahead': side(GLIDE, { headPitch: 62 }),
  'legs-low': side(GLIDE, { trunk: 15 }),
  'bow-wave': side(GLIDE, { headPitch: 48, splash: 0.4 }),
  'chin-rises': side(BREATH, { breathPitch: 50, breathLift: 0.03 }),
  'legs-drop-at-breath': side(BREATH, { breathTrunk: 11 }),
  'whole-face-out': front(BREATH, { headTurn: 95, breathLift: 0.07 }),
  'mouth-barely-clears': side(BREATH, { headTurn: 52, breathLift: -0.025 }),
  'face-up-and-back': front(BREATH, { headTurn: 135, breathRoll: 14 }),
  'swallows-water': side(BREATH, { headTurn: 60, breathLift: -0.035, breathBubbles: 0.6 }),
  'shoulders-stack': front(BREATH, { breathRoll: 38 }),
  'lead-arm-drops': side(BREATH, { leadArmDrop: 42 }),
  'head-still-turned': front(RECOVERY, { lateTurn: 0.14 }),
  'lead-arm-gone': side(BREATH, { coordination: 0.68 }),
  'rhythm-limps': top(RECOVERY, { coordination: 0.38, weave: 0.05, rollSkew: 12 }),
  'bubbles-at-mouth': side(BREATH, { breathBubbles: 1.6 }),
  'one-side-only': top(BREATH, { rollSkew: 10, drift: 0.14, headTurn: 85 }),
  'roll-unequal': front(BREATH, { rollSkew: 22 }),
  veers: top(GLIDE, { drift: 0.34 }),
  'side-ache': top(RECOVERY, { strainShoulder: 1 }),
  'hips-low-eyes-down': side(GLIDE, { trunk: 13, headPitch: 0 }),
  'kicks-to-stay-flat': side(GLIDE, { kickDepth: 1.8, kneeBend: 20 }),
  'hips-snake': top(0.25, { snake: 0.07 }),
  'belly-hangs': side(GLIDE, { sag: 0.045 }),
  'legs-scissor': top(BREATH, { breathScissor: 22 }),
  'straight-arm-press': side(0.22, { leadArmDrop: 34, elbowDrop: 30 }),
  'head-swings': front(0.25, { headSwing: 0.06 }),
  'head-bobs': side(0, { bob: 0.035, headLift: 0.02 }),
  'enters-past-middle': front(ENTRY, { entryOffset: 1.35 }),
  zigzags: top(GLIDE, { weave: 0.16 }),
  'pulls-under-body': front(PULL, { pullOffset: 1.6 }),
  'hand-laid-flat': side(0.97, { splash: 0.5, leadArmDrop: -9 }),
  'splash-entry': side(0.0, { splash: 1 }),
  'bubbles-on-hand': side(0.18, { splash: 0.4, bubbles: 1.8 }),
  'arm-short': side(0.04, { leadArmBend: 0.75 }),
  'long-in-air': side(0.8, { recoveryHeight: 1.3 }),
  'stalls-over-shoulder': side(0.86, { recoveryHeight: 1.2, coordination: 0.36 }),
  'rate-low': top(GLIDE, { travel: 1.55 }),
  'hand-high-wide': front(RECOVERY, { recoveryHeight: 1.5, recoveryWidth: 1.7 }),
  'shoulders-tense': front(RECOVERY, { headLift: -0.02, strainShoulder: 1, roll: 24 }),
  'fingers-clamped': side(0.9, { fist: 1 }),
  'body-rocks': front(RECOVERY, { roll: 60, snake: 0.05 }),
  'hand-turns-back-at-once': side(0.08, { leadArmBend: 0.5, leadArmDrop: 18 }),
  'body-compressed': top(GLIDE, { leadArmBend: 0.8, roll: 18 }),
  'elbow-leads': side(0.29, { elbowDrop: 60 }),
  'hand-slips': side(0.36, { elbowDrop: 42, pullDepth: 0.75 }),
  'count-high': top(GLIDE, { travel: 0.62 }),
  'sweeps-shallow': side(PULL, { pullDepth: 0.45 }),
  'spills-sideways': front(PULL, { pullDepth: 0.7, pullOffset: -1.1 }),
  'exits-before-hip': side(0.56, { pullDepth: 0.6, recoveryHeight: 0.85 }),
  'length-collapses': top(GLIDE, { travel: 0.42, leadArmBend: 0.4 }),
  'shoulders-flat': front(BREATH, { roll: 8 }),
  'recovery-wide-low': front(RECOVERY, { roll: 12, recoveryWidth: 1.8, recoveryHeight: 0.6 }),
  'hands-meet-and-stop': side(0.08, { coordination: 0.1 }),
  'speed-surges': top(GLIDE, { bob: 0.02, coordination: 0.2, travel: 1.3 }),
  'rate-high': top(GLIDE, { travel: 0.5 }),
  'kick-slow': side(0.3, { beats: 3, kickDepth: 1.7 }),
  'curves-on-side': top(BREATH, { sag: 0.03, snake: 0.05 }),
  'knees-break-line': side(0.3, { kneeBend: 46 }),
  'feet-out': side(0.5, { kneeBend: 40, trunk: 1 }),
  'board-goes-nowhere': top(GLIDE, { board: 1, travel: 0, kneeBend: 34 }),
  'feet-hooked': side(0.3, { ankle: 78 }),
  'board-goes-backwards': top(GLIDE, { board: 1, travel: -0.6, ankle: 60 }),
  'no-froth': side(0.3, { kickDepth: 0.35, trunk: 9 }),
  'feet-deep': side(0.3, { kickDepth: 2.4 }),
  'kick-stops-at-breath': side(BREATH, { breathKick: 0, breathTrunk: 5 }),
  'six-beats-breathless': side(0.5, { beats: 8, kickDepth: 1.5, strainChest: 1 }),
  'legs-gone': side(0.5, { strainLegs: 1, kickDepth: 0.4, trunk: 9 }),
  'arms-open-while-kicking': top(B_PULL, { clash: 0.33 }),
  'no-glide': side(0.88, { glide: 0 }),
  'bobs-on-spot': side(0, { bob: 0.05, travel: 0.3 }),
  'many-strokes': top(0, { travel: 0.45, glide: 0.4 }),
  'head-after-hands': side(B_FORWARD, { headDelay: 0.13 }),
  'sinks-at-breath': side(B_BREATH, { breathSink: 0.1 }),
  'elbows-past-shoulders': top(B_PULL, { pullBack: 1 }),
  'hands-stuck': side(B_FORWARD, { handsStuck: 1 }),
  'foot-uneven': top(B_KICK, { footUneven: 1 }),
  'drifts-in-breaststroke': top(0, { drift: 0.3 }),
  'comes-out-crooked': top(T_GLIDE, { crooked: 1 }),
  'legs-open-in-turn': top(T_OVER, { legsOpen: 1 }),
  'feet-miss-wall': side(T_WALL, { wallGap: 0.3 }),
  'hands-apart': top(T_GLIDE, { handsApart: 1 }),
  'surfaces-early': side(T_GLIDE, { surfaceEarly: 1 }),
  'lost-in-turn': side(0.5, { lost: 1 }),
  'turns-deep': side(T_GLIDE, { surfaceEarly: -1 }),
  'water-up-the-nose': side(0.5, { lost: 0.45, bubbles: 0 }),
  'pauses-before-turn': side(0.32, { wallGap: 0.16 }),
  'hips-drop-at-look': side(LOOK, { lookPitch: 70, lookLift: 0.075, lookTrunk: 10 }),
  'stroke-stops-at-look': side(LOOK, { lookPitch: 60, lookLift: 0.05, coordination: 0.06 }),
  'mouth-forward': front(LOOK, { lookPitch: 80, lookLift: 0.09 }),
  'swims-extra': top(GLIDE, { weave: 0.1, travel: 0.85, drift: 0.12 }),
  'neck-tired': side(LOOK, { lookPitch: 55, lookLift: 0.03, strainNeck: 1 }),
  'slow-but-straight': top(LOOK, { travel: 0.75, lookPitch: 40, lookLift: 0.03 }),
  'loses-mark': side(LOOK, { lookPitch: 85, lookLift: 0.1 }),
  'follows-off-line': top(GLIDE, { drift: -0.3, weave: 0.04 }),
  'always-same-side': top(GLIDE, { drift: 0.42 }),
  'wrong-after-turn': top(GLIDE, { drift: -0.42 }),
  'stalls-when-bumped': top(RECOVERY, { travel: 1.4, coordination: 0.15, weave: 0.08 }),
  'straight-arm-catches': front(RECOVERY, { recoveryHeight: 0.7, recoveryWidth: 1.6, splash: 0.7 }),
  'catches-waves': side(RECOVERY, { recoveryHeight: 0.55, splash: 0.8 }),
};

/**
 * The parameters with all the signs seen laid over each other; the strongest change of each part wins.
 *
 * @param severity how strongly each sign shows, 0 to 1; 1 when not given
 */
export function posedBy(signs: readonly SignId[], severity: (sign: SignId) => number = () => 1): FigureParameters {
  const posed: Record<string, number> = { ...NEUTRAL };
  for (const sign of signs) {
    const share = severity(sign);
    for (const [key, full] of Object.entries(SIGN_POSES[sign].change)) {
      const neutral = NEUTRAL[key as keyof FigureParameters];
      const value = neutral + (full - neutral) * share;
      if (Math.abs(value - neutral) > Math.abs(posed[key]! - neutral)) posed[key] = value;
    }
  }
  return posed as unknown as FigureParameters;
}
