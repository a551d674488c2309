import type { Stroke } from '../review';

/** Everything that shapes the figure besides the phase. Angles in degrees, lengths in statures. */
export interface FigureParameters {
  /** Trunk to the surface, legs low when larger. */
  readonly trunk: number;
  /** Eyes: 0 straight down, 90 forward. */
  readonly headPitch: number;
  readonly headLift: number;
  /** Head from side to side. */
  readonly headSwing: number;
  /** Turn of the head at the breath, 0 none, 90 to the side, more is up and back. */
  readonly headTurn: number;
  /** What changes only during the breath. */
  readonly breathLift: number;
  readonly breathPitch: number;
  readonly breathTrunk: number;
  readonly breathRoll: number;
  readonly breathScissor: number;
  /** Share of the kick that goes on during the breath. */
  readonly breathKick: number;
  readonly breathBubbles: number;
  /** How much later than wanted the face turns back, share of the cycle. */
  readonly lateTurn: number;
  /** What changes only while looking ahead. */
  readonly lookLift: number;
  readonly lookPitch: number;
  readonly lookTrunk: number;
  readonly leadArmDrop: number;
  /** Bend of the lead elbow: 0 long, 1 short. */
  readonly leadArmBend: number;
  /** Hand at entry from its own rail toward the middle, in shoulder half-widths; 1 is the middle. */
  readonly entryOffset: number;
  /** Pulling hand from its own rail toward the middle, as above. */
  readonly pullOffset: number;
  /** Depth of the pull, 1 as wanted. */
  readonly pullDepth: number;
  /** How far the elbow drops in the catch. */
  readonly elbowDrop: number;
  /** Height and width of the recovering hand, 1 as wanted. */
  readonly recoveryHeight: number;
  readonly recoveryWidth: number;
  /** Fingers: 0 loose, 1 clamped. */
  readonly fist: number;
  /** Shoulder roll to each side, and how much more to the left than to the right. */
  readonly roll: number;
  readonly rollSkew: number;
  readonly kneeBend: number;
  /** 0 pointed foot, 90 hooked. */
  readonly ankle: number;
  readonly kickDepth: number;
  /** Kicks in a cycle of both arms. */
  readonly beats: number;
  /** Legs open, each way. */
  readonly scissor: number;
  /** Hips out of line, front and top view. */
  readonly snake: number;
  /** Sag of the middle. */
  readonly sag: number;
  /** Whole body up and down. */
  readonly bob: number;
  /** Phase between the arms: 0.5 opposite, smaller waits in front. */
  readonly coordination: number;
  /** Bubbles: 0 none, 1 a steady stream. */
  readonly bubbles: number;
  /** Splash at the entry, 0–1. */
  readonly splash: number;
  /** Distance between hand entries, 1 as wanted; 0 stands still, under 0 goes backwards. */
  readonly travel: number;
  /** Side-to-side swing of the way swum, and its bend to one side. */
  readonly weave: number;
  readonly drift: number;
  /** 1 when a board is held. */
  readonly board: number;
  /** 1 on the back, where both arms lie on the water at `armsWide` degrees from the head. */
  readonly onBack: number;
  readonly armsWide: number;
  /** 1 when the hands hold the wall; 1 when another swims ahead at the side. */
  readonly atWall: number;
  readonly leader: number;
  /** Where it labours or hurts, 0–1. */
  readonly strainNeck: number;
  readonly strainShoulder: number;
  readonly strainLegs: number;
  readonly strainChest: number;
  /** Breaststroke: kick too early (share of the cycle), glide kept (1) or skipped (0), head late, elbows back. */
  readonly clash: number;
  readonly glide: number;
  readonly headDelay: number;
  readonly pullBack: number;
  readonly handsStuck: number;
  readonly breathSink: number;
  /** One foot pointed in the kick, 0–1. */
  readonly footUneven: number;
  /** Turn: crooked exit, legs open, distance to the wall missed, hands apart, surfacing early, lost direction. */
  readonly crooked: number;
  readonly legsOpen: number;
  readonly wallGap: number;
  readonly handsApart: number;
  readonly surfaceEarly: number;
  readonly lost: number;
}

export const NEUTRAL: FigureParameters = {
  trunk: 4,
  headPitch: 12,
  headLift: 0,
  headSwing: 0,
  headTurn: 72,
  breathLift: 0,
  breathPitch: 0,
  breathTrunk: 0,
  breathRoll: 0,
  breathScissor: 0,
  breathKick: 1,
  breathBubbles: 0,
  lateTurn: 0,
  lookLift: 0,
  lookPitch: 0,
  lookTrunk: 0,
  leadArmDrop: 0,
  leadArmBend: 0,
  entryOffset: 0,
  pullOffset: 0,
  pullDepth: 1,
  elbowDrop: 0,
  recoveryHeight: 1,
  recoveryWidth: 1,
  fist: 0,
  roll: 38,
  rollSkew: 0,
  kneeBend: 8,
  ankle: 4,
  kickDepth: 1,
  beats: 6,
  scissor: 0,
  snake: 0,
  sag: 0,
  bob: 0,
  coordination: 0.5,
  bubbles: 1,
  splash: 0,
  travel: 1,
  weave: 0,
  drift: 0,
  board: 0,
  onBack: 0,
  armsWide: 0,
  atWall: 0,
  leader: 0,
  strainNeck: 0,
  strainShoulder: 0,
  strainLegs: 0,
  strainChest: 0,
  clash: 0,
  glide: 1,
  headDelay: 0,
  pullBack: 0,
  handsStuck: 0,
  breathSink: 0,
  footUneven: 0,
  crooked: 0,
  legsOpen: 0,
  wallGap: 0,
  handsApart: 0,
  surfaceEarly: 0,
  lost: 0,
};

/** Where in the cycle each phase of the near arm is best seen. */
export const PHASE_AT = { entry: 0.02, catch: 0.25, pull: 0.4, exit: 0.6, breath: 0.68, recovery: 0.84 } as const;

/** The moments of each stroke by name, for stepping through it. Open water is crawl with a look ahead. */
export const MOMENTS: Readonly<Record<Stroke, readonly { readonly name: string; readonly phase: number }[]>> = {
  'front-crawl': [
    { name: 'Entry', phase: PHASE_AT.entry },
    { name: 'Catch', phase: PHASE_AT.catch },
    { name: 'Pull', phase: PHASE_AT.pull },
    { name: 'Exit', phase: PHASE_AT.exit },
    { name: 'Breath', phase: PHASE_AT.breath },
    { name: 'Air', phase: PHASE_AT.recovery },
  ],
  breaststroke: [
    { name: 'Glide', phase: 0 },
    { name: 'Pull', phase: 0.27 },
    { name: 'Breath', phase: 0.37 },
    { name: 'Hands', phase: 0.5 },
    { name: 'Kick', phase: 0.6 },
  ],
  turn: [
    { name: 'In', phase: 0.05 },
    { name: 'Over', phase: 0.36 },
    { name: 'Wall', phase: 0.58 },
    { name: 'Push', phase: 0.72 },
    { name: 'Glide', phase: 0.9 },
  ],
  'open-water': [
    { name: 'Entry', phase: PHASE_AT.entry },
    { name: 'Look', phase: 0.22 },
    { name: 'Pull', phase: PHASE_AT.pull },
    { name: 'Exit', phase: PHASE_AT.exit },
    { name: 'Breath', phase: PHASE_AT.breath },
    { name: 'Air', phase: PHASE_AT.recovery },
  ],
};
