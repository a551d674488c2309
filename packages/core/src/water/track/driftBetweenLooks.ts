import type { Drift } from '../../measures';
import { RAD } from '../../units';
import { turnBetween, type PlanePoint } from '../course/plane';
import type { Gap } from './cleanTrack';

import { away, mean, type TrackStep } from './trackPoints';

/** How the swimmer looked and stroked, as the coach knows it. */
export interface TrackHabits {
  /** Strokes between looks. */
  readonly every: number;
  readonly rateSpm: number;
  /** Flow of the water, m/s, and where it goes; a current across looks like drift. */
  readonly currentMps: number;
  readonly currentToDeg: number;
}

/** Near marks the line bends for other reasons than drift, metres. */
const NEAR_MARK_M = 20;
/** Ends of a stretch are the mean of so much on either side, milliseconds. */
const END_MS = 2000;
/** Fewer stretches between looks say nothing, number. */
const LEAST_STRETCHES = 12;

/**
 * How the line drifts between looks. From look to look the heading runs off by `b` a stroke, so that over `N`
 * strokes it lies `b(N+1)/2` off the way to the mark on average, wherever the stretch begins; the stretches
 * scatter by `σ²(N+1)(2N+1)/(8N)`, of which the receiver's own noise is taken away.
 */
export function driftBetweenLooks(
  raw: readonly TrackStep[],
  gaps: readonly Gap[],
  at: readonly number[],
  stops: readonly PlanePoint[],
  { every, rateSpm, currentMps, currentToDeg }: TrackHabits,
): { readonly drift: Drift | null; readonly why: string | null } {
  const stretchMs = (every * 60_000) / rateSpm;
  const to = currentToDeg * RAD;
  const flow = { x: currentMps * Math.sin(to), y: currentMps * Math.cos(to) };
  const noise2 = receiverVariance(raw);
  const turns: number[] = [];
  const ownNoise: number[] = [];
  for (let k = 0; k + 1 < stops.length; k++) {
    const mark = stops[k + 1]!;
    const begun = raw[at[k]!]!;
    let end = at[k]!;
    for (let i = at[k]!; ;) {
      while (end <= at[k + 1]! && raw[end]!.timeMs < raw[i]!.timeMs + stretchMs) end++;
      if (end > at[k + 1]!) break;
      const [a, b] = [endOf(raw, i), endOf(raw, end)];
      const [startMs, endMs] = [raw[i]!.timeMs, raw[end]!.timeMs];
      i = end;
      if (away(a, begun) < NEAR_MARK_M || away(b, mark) < NEAR_MARK_M) continue;
      if (gaps.some((g) => g.atMs < endMs && g.atMs + g.seconds * 1000 > startMs)) continue;
      const seconds = (endMs - startMs) / 1000;
      // Through the water, not over ground.
      const [dx, dy] = [b.x - a.x - flow.x * seconds, b.y - a.y - flow.y * seconds];
      const swum = Math.hypot(dx, dy);
      if (swum < 1) continue;
      const heading = Math.atan2(dx, dy) / RAD;
      const aimed = Math.atan2(mark.x - a.x, mark.y - a.y) / RAD;
      turns.push(turnBetween(aimed, heading) * RAD);
      ownNoise.push((noise2 / a.of + noise2 / b.of) / swum ** 2);
    }
  }
  const n = turns.length;
  if (n < LEAST_STRETCHES)
    return {
      drift: null,
      why: `${n} stretches between looks are too few to tell a drift; ${LEAST_STRETCHES} are needed.`,
    };
  const off = mean(turns);
  const scatter = turns.reduce((sum, t) => sum + (t - off) ** 2, 0) / (n - 1);
  const receiver = mean(ownNoise);
  const own = scatter - receiver;
  if (own < scatter / 4)
    return {
      drift: null,
      why: 'The error of the receiver is larger than the drift of the swimmer: the track is too rough to tell.',
    };
  const spread = ((every + 1) * (2 * every + 1)) / (8 * every);
  const perStroke = 2 / (every + 1);
  // Neighbouring stretches share an interval between looks, which widens the mean's interval by 4/3.
  const half = 1.96 * Math.sqrt(((own * 4) / 3 + receiver) / n) * perStroke;
  const sd = (variance: number) => Math.sqrt(Math.max(0, variance) / spread);
  // χ² by Wilson & Hilferty for the scatter.
  const chi = (z: number) => (1 - 2 / (9 * (n - 1)) + z * Math.sqrt(2 / (9 * (n - 1)))) ** 3;
  return {
    drift: {
      biasRadPerStroke: off * perStroke,
      biasLow: off * perStroke - half,
      biasHigh: off * perStroke + half,
      sdRadPerStroke: sd(own),
      sdLow: sd(scatter / chi(1.96) - receiver),
      sdHigh: sd(scatter / chi(-1.96) - receiver),
      tries: n,
    },
    why: null,
  };
}

/** The place around a moment, and from how many points it was taken. */
function endOf(raw: readonly TrackStep[], i: number): PlanePoint & { readonly of: number } {
  const near: TrackStep[] = [raw[i]!];
  for (let d = 1; ; d++) {
    const [before, after] = [raw[i - d], raw[i + d]];
    // In pairs, so that the mean stays at the moment.
    if (!before || !after || raw[i]!.timeMs - before.timeMs > END_MS || after.timeMs - raw[i]!.timeMs > END_MS) break;
    near.push(before, after);
  }
  return { x: mean(near.map((p) => p.x)), y: mean(near.map((p) => p.y)), of: near.length };
}

/** Variance of the receiver along one axis, square metres, from how points leave the line of their neighbours. */
function receiverVariance(raw: readonly TrackStep[]): number {
  const bends: number[] = [];
  for (let i = 1; i + 1 < raw.length; i++) {
    const [a, b, c] = [raw[i - 1]!, raw[i]!, raw[i + 1]!];
    if (Math.abs(b.timeMs - a.timeMs - (c.timeMs - b.timeMs)) > 200 || c.timeMs - a.timeMs > 5000) continue;
    bends.push(((a.x - 2 * b.x + c.x) ** 2 + (a.y - 2 * b.y + c.y) ** 2) / 12);
  }
  return mean(bends);
}
