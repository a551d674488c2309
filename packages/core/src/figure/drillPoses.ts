// How a drill looks when it goes well: what is other than in the whole stroke, at which moment, from where.
import type { DrillId } from '../library';
import type { Stroke } from '../review';
import type { FigureParameters } from './parameters';
import type { FigureSide } from './shapes';

export interface DrillPose {
  readonly stroke: Stroke;
  readonly view: FigureSide;
  readonly phase: number;
  readonly change: Partial<FigureParameters>;
}

const pose =
  (stroke: Stroke, view: FigureSide) =>
  (phase: number, change: Partial<FigureParameters> = {}): DrillPose => ({ stroke, view, phase, change });
const side = pose('front-crawl', 'side');
const front = pose('front-crawl', 'front');
const top = pose('front-crawl', 'top');
const breastSide = pose('breaststroke', 'side');
const breastTop = pose('breaststroke', 'top');
const turnSide = pose('turn', 'side');
const turnTop = pose('turn', 'top');
const outside = pose('open-water', 'side');
const outsideTop = pose('open-water', 'top');

const ENTRY = 0.03;
const GLIDE = 0.12;
const LOOK = 0.22;
const PULL = 0.4;
const BREATH = 0.66;
const RECOVERY = 0.84;

/** Drills with a pose of their own; the others show the whole stroke where the fault that they answer would be seen. */
export const DRILL_POSES: Readonly<Partial<Record<DrillId, DrillPose>>> = {
  'chest-lean': side(GLIDE, { trunk: 0, headPitch: 4 }),
  'tile-gaze-swim': side(GLIDE, { headPitch: 0 }),
  'float-board-breathing': side(BREATH, { board: 1 }),
  'cheek-down-breathing': front(BREATH, { headTurn: 66 }),
  'exhale-pause-sip': side(0.38, { bubbles: 1.8 }),
  'hum-out-swim': side(PULL, { bubbles: 1.5 }),
  'bob-ladder': side(GLIDE, { trunk: 62, bubbles: 1.8, headPitch: 20, kickDepth: 0.3 }),
  'half-breath-swim': side(BREATH, { headTurn: 58 }),
  'side-kick': front(GLIDE, { roll: 84, headTurn: 80 }),
  'six-one-six': front(0.5, { roll: 78 }),
  'six-three-six': front(0.25, { roll: 70 }),
  'front-scull': side(0.08, { coordination: 0.06, leadArmDrop: 10, kickDepth: 0.3 }),
  'mid-scull': side(0.3, { coordination: 0.06, kickDepth: 0.3 }),
  'back-scull': side(GLIDE, { onBack: 1, armsWide: 172, trunk: 1, headPitch: 0, kickDepth: 0.2, roll: 0 }),
  'back-kick': breastTop(0.6, { onBack: 1, armsWide: 168, headPitch: 0, travel: 0 }),
  'star-float': top(GLIDE, { onBack: 1, armsWide: 45, headPitch: 0, roll: 0, scissor: 30, kickDepth: 0, travel: 0 }),
  'doggy-paddle': side(PULL, { headPitch: 40, recoveryHeight: 0, pullDepth: 0.9 }),
  'catch-up': side(0.08, { coordination: 0.1 }),
  'fingertip-drag': side(RECOVERY, { recoveryHeight: 0.5 }),
  'high-recovery': side(RECOVERY, { recoveryHeight: 1.35 }),
  'slice-and-reach': side(ENTRY, { splash: 0 }),
  'two-rail-swim': front(ENTRY),
  'two-rail-pull': front(PULL),
  'width-trial': front(ENTRY, { entryOffset: -0.5 }),
  'deep-reach-pull': side(0.3, { pullDepth: 1.25 }),
  'spin-up': top(GLIDE, { travel: 0.75 }),
  'every-three-swim': top(BREATH),
  'streamline-glide': top(GLIDE, { coordination: 0, roll: 0, kickDepth: 0.15 }),
  'float-and-glide': side(GLIDE, { coordination: 0, trunk: 1, headPitch: 0, kickDepth: 0.1 }),
  'hip-kick-ladder': side(0.3, { board: 1, kneeBend: 6, kickDepth: 1.2 }),
  'quick-kick': side(0.3, { board: 1, beats: 8, kickDepth: 0.8 }),
  'two-beat-timing': side(0.3, { beats: 2 }),
  'still-head-swim': front(0.25, { headSwing: 0 }),
  'breath-height-swim': side(BREATH, { headTurn: 64, breathLift: 0.008 }),
  'low-eyes-sighting': outside(LOOK, { lookPitch: 42, lookLift: 0.025 }),
  'head-up-ten': outside(LOOK, { headPitch: 66, headLift: 0.06 }),
  'counted-looks': outside(LOOK, { lookPitch: 48, lookLift: 0.03 }),
  'pull-kick-glide': breastSide(0.88),
  'kick-and-stay-long': breastTop(0.88),
  'mini-pull': breastTop(0.28, { pullBack: -0.4 }),
  'breathe-down': breastSide(0.37),
  'head-and-hands': breastSide(0.5),
  'outsweep-breath': breastTop(0.28),
  'wall-whip-kick': breastTop(0.6, { atWall: 1, travel: 0 }),
  'tumble-ladder': turnSide(0.4),
  'open-turn-ladder': turnTop(0.58),
  'quick-hand-return': side(0.6),
  'quick-rhythm-swim': top(RECOVERY, { travel: 0.9 }),
  'relaxed-hand-swim': front(RECOVERY, { recoveryHeight: 0.85 }),
  'weak-side-warm-up': front(BREATH),
  'belly-in-kick': side(0.3, { board: 1, trunk: 0 }),
  'count-down-50s': top(ENTRY, { travel: 1.2 }),
  'buoy-turn': outsideTop(LOOK, { drift: 0.5, roll: 60 }),
  'name-the-aim': outside(LOOK, { lookPitch: 58, lookLift: 0.045 }),
  'ten-blind-strokes': top(PULL, { drift: 0.4 }),
  'wall-tries': side(0, {
    ...{ atWall: 1, roll: 0, coordination: 0, kickDepth: 0.1, bubbles: 0 },
    ...{ trunk: 80, bob: -0.14, headLift: 0.06, headPitch: 84, leadArmDrop: 16 },
  }),
  following: top(GLIDE, { leader: 1, travel: 0 }),
  'wall-breathing': side(GLIDE, {
    atWall: 1,
    roll: 0,
    trunk: 50,
    coordination: 0,
    headPitch: 8,
    bubbles: 1.8,
    kickDepth: 0.2,
  }),
  'walking-stroke': side(PULL, { trunk: 62, headPitch: 30, kickDepth: 0.9, beats: 2 }),
  'wall-kick': side(GLIDE, { atWall: 1, roll: 0, coordination: 0, leadArmDrop: -6, kickDepth: 1.1, headPitch: 30 }),
  'stand-from-float': side(GLIDE, { trunk: 40, coordination: 0, leadArmDrop: 42, headPitch: 42, kickDepth: 0.2 }),
  'flutter-arms': breastTop(0.4, { kickDepth: 0.4 }),
};
