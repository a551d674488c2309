import type { Side } from './breathing';
import { numberWord } from '../words';

/** One tap on the clip: which hand did what, when. */
export interface Tap {
  readonly kind: 'entry' | 'catch' | 'exit' | 'breath';
  readonly side: Side;
  /** Seconds from the start of the clip. */
  readonly timeS: number;
}

/** Why taps cannot be used as they are, at the tap where it shows. */
export interface TapProblem {
  readonly index: number;
  readonly message: string;
}

/** What hand entries and the other taps say about the rhythm. */
export interface StrokeTiming {
  readonly strokes: number;
  /** Strokes a minute; a stroke is one hand entry. */
  readonly strokeRateSpm: number;
  /** Metres a stroke, when the distance between first and last entry is given. */
  readonly strokeLengthM: number | null;
  readonly speedMps: number | null;
  /** (mean gap after a left entry − after a right entry) ÷ mean gap. */
  readonly asymmetry: number | null;
  /** Standard deviation of the gaps ÷ their mean. */
  readonly variability: number | null;
  /** Change of the rate over the clip, strokes a minute per minute. */
  readonly trendSpmPerMin: number | null;
  /** Shares of one arm's cycle in front, pulling and in the air; null without catch and exit taps. */
  readonly shares: { readonly front: number; readonly pull: number; readonly air: number } | null;
  /** Index of coordination (Chollet et al. 2000), share of the cycle: negative waits, positive overlaps. */
  readonly coordination: number | null;
  readonly breaths: { readonly left: number; readonly right: number };
  readonly problems: readonly TapProblem[];
}

/**
 * Rate, balance and timing from taps on a clip.
 *
 * Taps are used in the order of time. Hand entries of the same side in a row mean that one was missed:
 * said, and the gap between them takes no part in balance and variability.
 *
 * @param distanceM metres swum between the first and the last entry, when known
 * @throws RangeError with fewer than three hand entries
 */
export function strokeTiming(taps: readonly Tap[], distanceM: number | null = null): StrokeTiming {
  const problems: TapProblem[] = [];
  taps.forEach((tap, i) => {
    if (!(tap.timeS >= 0)) problems.push({ index: i, message: 'This tap has no time.' });
    else if (i > 0 && tap.timeS < taps[i - 1]!.timeS)
      problems.push({ index: i, message: `This tap is at ${numberWord(tap.timeS, 2)} s, before the one above it.` });
  });
  const sorted = taps.filter((tap) => tap.timeS >= 0).sort((a, b) => a.timeS - b.timeS);
  const entries = sorted.filter((tap) => tap.kind === 'entry');
  if (entries.length < 3) throw new RangeError('Tap at least three hand entries.');
  const first = entries[0]!;
  const last = entries[entries.length - 1]!;
  const spanS = last.timeS - first.timeS;
  if (!(spanS > 0)) throw new RangeError('The hand entries are all at the same time.');

  const gaps: { side: Side; lengthS: number; at: number }[] = [];
  for (let i = 1; i < entries.length; i++) {
    const [a, b] = [entries[i - 1]!, entries[i]!];
    if (a.side === b.side)
      problems.push({
        index: taps.indexOf(b),
        message: `Two ${b.side} entries in a row: one between them was missed.`,
      });
    else gaps.push({ side: a.side, lengthS: b.timeS - a.timeS, at: (a.timeS + b.timeS) / 2 });
  }
  const missed = entries.length - 1 - gaps.length;
  const strokes = entries.length - 1 + missed;
  const strokeRateSpm = (60 * strokes) / spanS;
  const meanGap = mean(gaps.map((g) => g.lengthS));
  const left = mean(gaps.filter((g) => g.side === 'left').map((g) => g.lengthS));
  const right = mean(gaps.filter((g) => g.side === 'right').map((g) => g.lengthS));
  const breathTaps = sorted.filter((tap) => tap.kind === 'breath');
  return {
    strokes,
    strokeRateSpm,
    strokeLengthM: distanceM === null ? null : distanceM / strokes,
    speedMps: distanceM === null ? null : distanceM / spanS,
    asymmetry: left === null || right === null ? null : (left - right) / meanGap!,
    variability: gaps.length < 3 ? null : deviation(gaps.map((g) => g.lengthS)) / meanGap!,
    trendSpmPerMin: gaps.length < 4 ? null : slope(gaps.map((g) => [g.at / 60, 60 / g.lengthS])),
    shares: armShares(sorted),
    coordination: coordinationIndex(sorted),
    breaths: {
      left: breathTaps.filter((tap) => tap.side === 'left').length,
      right: breathTaps.filter((tap) => tap.side === 'right').length,
    },
    problems,
  };
}

/** The next tap of a kind and side after a time, within one long cycle. */
function next(taps: readonly Tap[], kind: Tap['kind'], side: Side, afterS: number): number | null {
  return taps.find((tap) => tap.kind === kind && tap.side === side && tap.timeS > afterS)?.timeS ?? null;
}

function armShares(taps: readonly Tap[]): StrokeTiming['shares'] {
  const found = taps
    .filter((tap) => tap.kind === 'entry')
    .flatMap(({ side, timeS }) => {
      const again = next(taps, 'entry', side, timeS);
      const caught = next(taps, 'catch', side, timeS);
      const out = next(taps, 'exit', side, timeS);
      if (again === null || caught === null || out === null || !(caught < out && out < again)) return [];
      const cycle = again - timeS;
      return [[(caught - timeS) / cycle, (out - caught) / cycle, (again - out) / cycle] as const];
    });
  if (found.length === 0) return null;
  return {
    front: mean(found.map(([front]) => front))!,
    pull: mean(found.map(([, pull]) => pull))!,
    air: mean(found.map(([, , air]) => air))!,
  };
}

/**
 * Lag between the end of one arm's push and the start of the other's pull, as a share of the cycle:
 * `(exit − catch of the other arm) ÷ cycle`, the mean over both arms.
 */
function coordinationIndex(taps: readonly Tap[]): number | null {
  const lags = taps
    .filter((tap) => tap.kind === 'exit')
    .flatMap(({ side, timeS }) => {
      const other = side === 'left' ? 'right' : 'left';
      const starts = taps.filter((tap) => tap.kind === 'catch' && tap.side === other);
      const entries = taps.filter((tap) => tap.kind === 'entry' && tap.side === side);
      const before = entries.filter((tap) => tap.timeS < timeS).at(-1);
      const after = entries.find((tap) => tap.timeS > timeS);
      if (!before || !after || starts.length === 0) return [];
      const cycle = after.timeS - before.timeS;
      const nearest = starts.reduce((best, tap) =>
        Math.abs(tap.timeS - timeS) < Math.abs(best.timeS - timeS) ? tap : best,
      );
      return Math.abs(nearest.timeS - timeS) < cycle / 2 ? [(timeS - nearest.timeS) / cycle] : [];
    });
  return lags.length === 0 ? null : mean(lags);
}

function mean(values: readonly number[]): number | null {
  return values.length === 0 ? null : values.reduce((sum, v) => sum + v, 0) / values.length;
}

function deviation(values: readonly number[]): number {
  const m = mean(values)!;
  return Math.sqrt(values.reduce((sum, v) => sum + (v - m) ** 2, 0) / (values.length - 1));
}

function slope(points: readonly (readonly [number, number])[]): number {
  const mx = mean(points.map(([x]) => x))!;
  const my = mean(points.map(([, y]) => y))!;
  const spread = points.reduce((sum, [x]) => sum + (x - mx) ** 2, 0);
  return points.reduce((sum, [x, y]) => sum + (x - mx) * (y - my), 0) / spread;
}
