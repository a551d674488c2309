import type { HealthFlag, LevelId, StrokeModelId } from '../swimmers';
import type { KitId } from './kit';

export type DrillPlace = 'land' | 'wall' | 'shallow' | 'pool' | 'open-water';

/** One way to practise one thing. */
export interface Drill {
  readonly name: string;
  /** Which cause it answers, or which skill it trains, and why it carries over. */
  readonly purpose: string;
  /** The skill, for drills that train one rather than cure a cause. */
  readonly trains?: string;
  readonly steps: readonly string[];
  readonly feel: string;
  readonly mistakes: readonly string[];
  readonly cue: string;
  readonly kit: readonly KitId[];
  readonly place: DrillPlace;
  /** The lowest level that does it. */
  readonly from: LevelId;
  readonly contradicts: readonly StrokeModelId[];
  readonly view: 'side' | 'front' | 'above' | 'under water';
  /** A typical dose: tries and metres each; null metres when it is not counted in metres. */
  readonly dose: { readonly tries: number; readonly distanceM: number | null };
  /** Speed as a share of the swimmer's easy swimming; null when no distance is covered. */
  readonly factor: number | null;
  readonly cautions: readonly string[];
  /** Health flags with which it is left out. */
  readonly notWith: readonly HealthFlag[];
}
