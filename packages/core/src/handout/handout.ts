import { bestView, type FigureSide, PHASE_AT, SIGN_POSES } from '../figure';
import { doseWord, drillCard, type DrillId, KIT } from '../library';
import {
  causeCard,
  type CauseId,
  ifNoHelp,
  linksOf,
  signCard,
  type SignId,
  type SignsSeen,
  type Stroke,
} from '../review';

/** What the swimmer takes home: one page, one thing. */
export interface Handout {
  readonly givenName: string;
  readonly good: string;
  readonly focus: string;
  readonly why: string;
  readonly cue: string;
  readonly seen: readonly string[];
  readonly drill: {
    readonly name: string;
    readonly steps: readonly string[];
    readonly feel: string;
    readonly mistakes: readonly string[];
    /** Tries and distance, as in “4 × 50 m”. */
    readonly dose: string;
    /** What to do when it does not help. */
    readonly ifNoHelp: string;
  };
  readonly kit: readonly string[];
  readonly cautions: readonly string[];
  readonly relookOn: string;
  /** The figure: the signs it shows, from where, and three moments of the cycle. */
  readonly figure: {
    readonly stroke: Stroke;
    readonly signs: readonly SignId[];
    readonly view: FigureSide;
    readonly phases: readonly [number, number, number];
  };
  /** Pictures of the swimmer with what was drawn on them, and the day they are of. */
  readonly stills: readonly HandoutStill[];
}

/** A picture on a hand-out. */
export interface HandoutStill {
  readonly on: string;
  readonly sentence: string;
  readonly width: number;
  readonly height: number;
  /** JPEG in base64. */
  readonly image: string;
}

export interface HandoutInput {
  readonly givenName: string;
  readonly stroke: Stroke;
  readonly signs: SignsSeen;
  readonly good: string;
  readonly cause: CauseId;
  readonly drill: DrillId;
  readonly cue: string;
  readonly tries: number;
  readonly relookOn: string;
  readonly stills?: readonly HandoutStill[];
}

/** The page for the swimmer, out of a review and its focus. Health notes and other swimmers are never on it. */
export function handout(input: HandoutInput): Handout {
  const drill = drillCard(input.drill);
  const cause = causeCard(input.cause);
  const all = (Object.keys(input.signs) as SignId[]).filter((id) => input.signs[id] !== 'absent');
  // One thing to work on: of many faults only those that go with it.
  const own = all.filter((id) => id in linksOf(input.cause));
  const seen = own.length > 0 ? own : all;
  const view = bestView(seen);
  const shown = seen.find((id) => SIGN_POSES[id].view === view);
  const moment = shown ? SIGN_POSES[shown].phase : PHASE_AT.catch;
  const turned = (by: number) => (moment + by + 1) % 1;
  return {
    givenName: input.givenName,
    good: input.good,
    focus: cause.name,
    why: cause.costs,
    cue: input.cue,
    seen: seen.map((id) => signCard(id).seen),
    drill: {
      name: drill.name,
      steps: drill.steps,
      feel: drill.feel,
      mistakes: drill.mistakes,
      dose: doseWord(drill.dose, input.tries),
      ifNoHelp: ifNoHelp(input.cause, input.drill),
    },
    kit: drill.kit.map((id) => KIT[id]),
    cautions: drill.cautions,
    relookOn: input.relookOn,
    stills: input.stills ?? [],
    figure: {
      stroke: input.stroke,
      signs: seen,
      view,
      // A turn runs once; the stroke is shown before, at and after the moment.
      phases: input.stroke === 'turn' ? [0.2, 0.58, 0.86] : [turned(-0.25), moment, turned(0.3)],
    },
  };
}
