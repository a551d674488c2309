import type { DrillId } from '../library';
import type { Outcome, SignId, Sighting } from '../review';
import type { AnySet, BlockKind } from '../sessions';

/** One passage of a lane through a set, or its minutes on land. */
export interface Passage {
  readonly id: string;
  readonly block: BlockKind;
  /** What the coach calls the block; left out where its kind says enough. */
  readonly blockName?: string;
  /** Null on land. */
  readonly set: AnySet | null;
  /** Which time through the rounds, from 1; null outside rounds. */
  readonly round: { readonly pass: number; readonly of: number } | null;
  readonly reps: number;
  /** Metres of one rep; 0 where it is measured in minutes. */
  readonly repM: number;
  /** Minutes on land or a timed set: seconds that are counted down; null where swimmers are timed at the wall. */
  readonly countdownS: number | null;
  /** Seconds from one send-off to the next; null for a single rep. */
  readonly sendOffS: number | null;
  readonly gapS: number;
  /** Talk and change before it, seconds. */
  readonly beforeS: number;
  /** Seconds to expect for one rep, by swimmer. */
  readonly expectedS: Readonly<Record<string, number>>;
  /** Left out where breaths are not few. */
  readonly fewBreaths?: FewBreathsOnDeck;
}

/** A passage with few breaths, as it was settled before the run began. */
export interface FewBreathsOnDeck {
  /** The warning, the rules, who watches, where to breathe. */
  readonly warnings: readonly string[];
  /** Who swims it as written; everyone else in the water breathes freely. */
  readonly may: readonly string[];
  /** Rest after every rep, the last one too, seconds. */
  readonly restS: number;
}

export interface DeckLane {
  readonly id: string;
  readonly groupId: string;
  /** As it stands at the pool side. */
  readonly number: number;
  /** In leaving order. */
  readonly swimmers: readonly string[];
  readonly passages: readonly Passage[];
}

export interface DeckSwimmer {
  readonly id: string;
  readonly name: string;
}

/** What a run begins with: kept with its first event, so that a later change of the plan does not change what was swum. */
export interface RunSetup {
  readonly title: string;
  readonly minutes: number;
  readonly swimmers: readonly DeckSwimmer[];
  readonly lanes: readonly DeckLane[];
}

export const ATTENDANCE = ['in', 'out', 'absent'] as const;
export type Attendance = (typeof ATTENDANCE)[number];

interface Noted {
  /** Made on the device; the same event sent twice counts once. */
  readonly id: string;
  /** Deck clock, milliseconds since 1970. */
  readonly atMs: number;
  /** Which device noted it. */
  readonly device: string;
}

/** Something that happened on deck. Events are only ever added: a mistake is taken back by another event. */
export type DeckEvent = Noted & DeckFact;

export type DeckFact =
  | { readonly kind: 'begin'; readonly setup: RunSetup }
  /** The first of the lane leaves for the passage at `index`. */
  | { readonly kind: 'go'; readonly lane: string; readonly index: number }
  /** A hand on the wall. `rep` only when it was put in afterwards. */
  | {
      readonly kind: 'wall';
      readonly lane: string;
      readonly swimmer: string;
      readonly passage?: string;
      readonly rep?: number;
    }
  /** Takes an event back. */
  | { readonly kind: 'void'; readonly of: string }
  /** Two taps at the wall were each other's. */
  | { readonly kind: 'swap'; readonly a: string; readonly b: string }
  | {
      readonly kind: 'strokes';
      readonly swimmer: string;
      readonly passage: string;
      readonly rep: number;
      /** Hand entries in one length. */
      readonly count: number;
    }
  | { readonly kind: 'skip'; readonly lane: string; readonly index: number }
  /** The passage at `index` is swum once more, right after. */
  | { readonly kind: 'again'; readonly lane: string; readonly index: number; readonly passage: string }
  | { readonly kind: 'reps'; readonly lane: string; readonly passage: string; readonly reps: number }
  | { readonly kind: 'hold'; readonly lane: string }
  | { readonly kind: 'resume'; readonly lane: string }
  | { readonly kind: 'move'; readonly swimmer: string; readonly lane: string; readonly place: number }
  | { readonly kind: 'attend'; readonly swimmer: string; readonly as: Attendance }
  | { readonly kind: 'sign'; readonly swimmer: string; readonly sign: SignId; readonly sighting: Sighting }
  | {
      readonly kind: 'verdict';
      readonly swimmer: string;
      readonly focusId: string;
      readonly drill: DrillId;
      readonly verdict: Outcome;
    }
  | { readonly kind: 'rating'; readonly group: string; readonly value: number }
  | { readonly kind: 'end' };

/** One swum rep of one swimmer. */
export interface SwumRep {
  readonly swimmer: string;
  readonly lane: string;
  readonly passage: string;
  /** From 1. */
  readonly rep: number;
  readonly leftMs: number;
  readonly atMs: number;
  readonly timeS: number;
  readonly strokes: number | null;
  /** The tap at the wall. */
  readonly event: string;
  /** The send-off and the tap came from different devices, whose clocks may differ. */
  readonly twoClocks: boolean;
}

/** A tap that counts for nothing, and why. */
export interface IgnoredTap {
  readonly event: string;
  readonly swimmer: string;
  readonly why: 'double' | 'too early' | 'not in this lane' | 'nothing to time';
}

export interface PassageState extends Passage {
  /** When the first left; null before. */
  readonly goMs: number | null;
  readonly goDevice: string | null;
  readonly skipped: boolean;
  /** Who swims it, in leaving order, as it was at the send-off. */
  readonly order: readonly string[];
  /** Times the lane was held while it was swum. */
  readonly holds: readonly { readonly fromMs: number; readonly toMs: number | null }[];
}

export interface LaneState {
  readonly id: string;
  readonly groupId: string;
  readonly number: number;
  readonly swimmers: readonly string[];
  readonly passages: readonly PassageState[];
  /** The passage being swum or up next; the number of passages when all is done. */
  readonly index: number;
  readonly held: boolean;
}

export interface SignNoted {
  readonly event: string;
  readonly swimmer: string;
  readonly sign: SignId;
  readonly sighting: Sighting;
  readonly atMs: number;
}

export interface VerdictNoted {
  readonly event: string;
  readonly swimmer: string;
  readonly focusId: string;
  readonly drill: DrillId;
  readonly verdict: Outcome;
  readonly atMs: number;
}

export interface Present {
  readonly as: Attendance;
  readonly inMs: number | null;
  readonly outMs: number | null;
}

/** Where a run stands, worked out from its events. */
export interface RunState {
  readonly setup: RunSetup | null;
  readonly beganMs: number | null;
  readonly endedMs: number | null;
  readonly lanes: readonly LaneState[];
  readonly reps: readonly SwumRep[];
  readonly ignored: readonly IgnoredTap[];
  readonly present: Readonly<Record<string, Present>>;
  readonly signs: readonly SignNoted[];
  readonly verdicts: readonly VerdictNoted[];
  readonly ratings: Readonly<Record<string, number>>;
  /** The last event that can be taken back, or null. */
  readonly lastId: string | null;
}
