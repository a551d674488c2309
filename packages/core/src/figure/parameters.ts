/** What shapes the drawn swimmer. Neutral values are a good, ordinary crawl. Angles in degrees. */
export interface FigureParameters {
  /** Trunk to the surface: legs low when large. */
  readonly trunk: number;
  /** 0 looks straight down, 90 straight ahead. */
  readonly headPitch: number;
  /** Turn about the long axis at the breath; 0 face down, 90 to the side. */
  readonly headTurn: number;
  /** Head above its resting place, share of stature. */
  readonly headLift: number;
  /** Sideways swing of the head, front view, share of stature. */
  readonly headSwing: number;
  /** Lead arm below its wanted line. */
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
  /** Shoulder roll to each side. */
  readonly roll: number;
  readonly kneeBend: number;
  /** 0 pointed foot, 90 hooked. */
  readonly ankle: number;
  readonly kickDepth: number;
  /** Legs open, each way. */
  readonly scissor: number;
  /** Hips out of line, front and top view, share of stature. */
  readonly snake: number;
  /** Sag of the middle, share of stature. */
  readonly sag: number;
  /** Phase between the arms: 0.5 opposite, smaller waits in front. */
  readonly coordination: number;
  /** Bubbles: 0 none, 1 a steady stream. */
  readonly bubbles: number;
  /** Splash at the entry, 0–1. */
  readonly splash: number;
}

export const NEUTRAL: FigureParameters = {
  trunk: 4,
  headPitch: 12,
  headTurn: 0,
  headLift: 0,
  headSwing: 0,
  leadArmDrop: 0,
  leadArmBend: 0,
  entryOffset: 0,
  pullOffset: 0,
  pullDepth: 1,
  elbowDrop: 0,
  recoveryHeight: 1,
  recoveryWidth: 1,
  roll: 38,
  kneeBend: 8,
  ankle: 4,
  kickDepth: 1,
  scissor: 0,
  snake: 0,
  sag: 0,
  coordination: 0.5,
  bubbles: 1,
  splash: 0,
};

/** Where in the cycle each phase of the near arm is best seen. */
export const PHASE_AT = { entry: 0.02, catch: 0.25, pull: 0.4, exit: 0.62, recovery: 0.84, breath: 0.62 } as const;
