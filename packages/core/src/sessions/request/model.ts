import type { DrillId, KitId, LadderId } from '../../library';
import type { PacePoint } from '../../measures';
import type { CauseId } from '../../review';
import type { HealthFlag, LevelId, StrokeModelId } from '../../swimmers';
import type { Pool } from '../../units';
import type { WeekKind } from '../load/loadLimit';
import type { Block, SessionKind, SessionPlace, SessionPlan, StrokeShares } from '../plan/model';

/** What the builder knows of one group. */
export interface GroupRequest {
  readonly level: LevelId;
  readonly name?: string;
  readonly swimmers: number;
  readonly lanes: number;
  /** The group's own speed over about 400 m; null takes the level's default and says so. */
  readonly v400Mps: number | null;
  readonly strokeLengthM?: number | null;
  /** Stroke model of most of the group. */
  readonly model?: StrokeModelId;
  readonly knownDrills?: readonly DrillId[];
  /** Open focuses in the group, one entry per swimmer. */
  readonly focuses?: readonly CauseId[];
  readonly healthFlags?: readonly HealthFlag[];
  /** Pool lengths the group should swim exactly; null leaves it to the level's band. */
  readonly lengths?: number | null;
  /** Steps passed on each ladder by the least advanced of the group; a drill further up is not planned. */
  readonly ladderSteps?: Readonly<Partial<Record<LadderId, number>>>;
  /** The club's own pace table; empty takes the effort law. */
  readonly paceTable?: readonly PacePoint[];
  /** Speed in other strokes as a share of crawl, from own times. */
  readonly strokeShares?: StrokeShares;
  /** Blocks that stay as they are while the rest is solved again. */
  readonly locked?: readonly Block[];
  /** Highest load (metres × effort factor) that keeps the week within the club's rise limit. */
  readonly loadLimit?: number | null;
}

export interface BuildRequest {
  readonly kind: SessionKind;
  readonly theme: CauseId;
  readonly minutes: number;
  /** Pool when left out. */
  readonly place?: SessionPlace;
  /** The pool; in open water the loop, with its metres as the length. */
  readonly pool: Pool;
  /** A recovery or taper week asks for less. */
  readonly week?: WeekKind;
  readonly kit: readonly KitId[];
  /** Whether the hour is filled even where that is more than the week's limit; without it the session ends earlier. */
  readonly fillHour?: boolean;
  readonly seed: number;
  /** One to six groups that finish together. */
  readonly groups: readonly GroupRequest[];
}

/** Demands that cannot all be met for one group, and the smallest changes that would help. */
export interface Clash {
  readonly group: number;
  readonly message: string;
  readonly changes: readonly string[];
}

export type BuildResult =
  | {
      readonly kind: 'built';
      readonly plan: SessionPlan;
      readonly notes: readonly string[];
      /** The shape of the main part that most groups swim. */
      readonly shape: string;
      /** Minutes before the hour at which it ends, to keep the load of the week; 0 when the hour is filled. */
      readonly earlierMin: number;
    }
  | { readonly kind: 'clash'; readonly clashes: readonly Clash[] };
