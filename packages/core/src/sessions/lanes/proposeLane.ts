// The smallest change after which no one in a lane is caught.
import { type LaneRep, type LaneSwimmer, simulateLane } from './catches';

export interface LaneProposal {
  readonly kind: 'keep' | 'order' | 'gap' | 'move';
  readonly order: readonly string[];
  readonly gapS: number;
  /** Who should change lanes, when nothing else helps. */
  readonly move: string | null;
  readonly reason: string;
}

/** Widest gap worth trying before a swimmer has to change lanes, seconds. */
const WIDEST_GAP_S = 20;

/** The smallest change after which no one is caught: the order, then wider gaps, then one swimmer less. */
export function proposeLane(swimmers: readonly LaneSwimmer[], lane: LaneRep): LaneProposal {
  const free = (list: readonly LaneSwimmer[], gapS: number) => simulateLane(list, { ...lane, gapS }).length === 0;
  const say = (
    kind: LaneProposal['kind'],
    list: readonly LaneSwimmer[],
    gapS: number,
    reason: string,
    move?: string,
  ) => ({
    kind,
    order: list.map((s) => s.id),
    gapS,
    move: move ?? null,
    reason,
  });
  if (free(swimmers, lane.gapS)) return say('keep', swimmers, lane.gapS, 'Nobody is caught.');
  const sorted = [...swimmers].sort((a, b) => b.speedMps - a.speedMps);
  if (free(sorted, lane.gapS)) return say('order', sorted, lane.gapS, 'Let the fastest lead.');
  for (let gapS = Math.ceil(lane.gapS) + 1; gapS <= WIDEST_GAP_S; gapS++) {
    // The last must be away before the first leaves again.
    if (gapS * (sorted.length - 1) >= lane.sendOffS) break;
    if (free(sorted, gapS)) return say('gap', sorted, gapS, `Leave ${gapS} s apart, the fastest first.`);
  }
  const one = [sorted[sorted.length - 1]!, ...sorted].find((s) =>
    free(
      sorted.filter((o) => o !== s),
      lane.gapS,
    ),
  );
  const out = one ?? sorted[sorted.length - 1]!;
  return say(
    'move',
    sorted.filter((s) => s !== out),
    lane.gapS,
    one ? 'One swimmer is better in another lane.' : 'The lane is too mixed: move the slowest, then look again.',
    out.id,
  );
}
