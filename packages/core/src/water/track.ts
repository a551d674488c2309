import type { TrackPoint } from '../exchange';
import type { Drift } from '../measures';
import { RAD } from '../units';
import { legsOf, planeOf, type Course, type Leg } from './course';
import { bearingTo, toStretch, turnBetween, type Place, type PlanePoint } from './plane';

/** A moment of a swim on the flat map. */
export interface TrackStep extends PlanePoint {
  /** Milliseconds since 1970. */
  readonly timeMs: number;
}

export interface Gap {
  readonly atMs: number;
  readonly seconds: number;
}

export interface CleanTrack {
  /** In the order of time, half a second apart at least. */
  readonly points: readonly (Place & { readonly timeMs: number })[];
  /** Points that were left out: without a time, out of order, or where nobody swims to in the time. */
  readonly leftOut: number;
  /** Where the receiver was silent. */
  readonly gaps: readonly Gap[];
}

/** A track cannot be used; the message says why, in a sentence for the coach. */
export class RefusedTrack extends Error {}

/** Farther than its usual error and anybody's speed the receiver jumped: metres, and m/s. */
const JUMP_M = 20;
const JUMP_MPS = 3;
/** So many points in a row that agree with each other are believed after a jump. */
const BELIEVED = 8;
const GAP_S = 15;
/** Points nearer in time say nothing more of a swimmer; many devices write one a stroke or a second. */
const LEAST_STEP_MS = 500;
/** Fewer points than this are no track. */
const LEAST_POINTS = 20;
/** Points that are kept of a track: of a longer one every second, third, … */
export const MOST_TRACK_POINTS = 6000;

/**
 * A track without what cannot be: points without time or out of order, and jumps of the receiver.
 *
 * @throws RefusedTrack when too little is left, or no times are in the file
 */
export function cleanTrack(raw: readonly TrackPoint[]): CleanTrack {
  const points: (Place & { timeMs: number })[] = [];
  let leftOut = 0;
  /** Points after a jump, while it is not known which side of it is right. */
  let doubted: (Place & { timeMs: number })[] = [];
  const fits = (a: Place & { timeMs: number }, b: Place & { timeMs: number }) =>
    bearingTo(a, b).distanceM <= JUMP_M + JUMP_MPS * ((b.timeMs - a.timeMs) / 1000);
  for (const { lat, lon, timeMs } of raw) {
    if (timeMs === null) {
      leftOut++;
      continue;
    }
    const point = { lat, lon, timeMs };
    const last = points.at(-1);
    const newest = doubted.at(-1) ?? last;
    if (newest && timeMs <= newest.timeMs) {
      leftOut++;
      continue;
    }
    if (newest && timeMs - newest.timeMs < LEAST_STEP_MS) continue;
    if (!last || fits(last, point)) {
      points.push(point);
      leftOut += doubted.length;
      doubted = [];
    } else if (doubted.length > 0 && !fits(doubted.at(-1)!, point)) {
      leftOut += doubted.length;
      doubted = [point];
    } else {
      doubted.push(point);
      if (doubted.length < BELIEVED) continue;
      // The receiver has found the place at last: what came before the jump was the error when it was short.
      if (points.length < BELIEVED) leftOut += points.splice(0).length;
      points.push(...doubted);
      doubted = [];
    }
  }
  leftOut += doubted.length;
  if (raw.length > 0 && raw.every((p) => p.timeMs === null))
    throw new RefusedTrack('This track has no times: how fast and in which order it was swum cannot be told.');
  if (points.length < LEAST_POINTS)
    throw new RefusedTrack(`Only ${points.length} points of this track can be used; ${LEAST_POINTS} are needed.`);
  const every = Math.ceil(points.length / MOST_TRACK_POINTS);
  const kept = points.filter((_, i) => i % every === 0);
  const gaps = points.slice(1).flatMap((p, i) => {
    const seconds = (p.timeMs - points[i]!.timeMs) / 1000;
    return seconds > GAP_S ? [{ atMs: points[i]!.timeMs, seconds }] : [];
  });
  return { points: kept, leftOut, gaps };
}

export interface LegSwum {
  readonly leg: Leg;
  readonly timeS: number;
  /** Metres over ground. */
  readonly swumM: number;
  /** Beside the line of the leg, metres; right positive: mean, root mean square, and the farthest. */
  readonly meanOffM: number;
  readonly zigzagM: number;
  readonly farthestOffM: number;
  /** How near the mark at the end was passed, metres. */
  readonly passedM: number;
}

export interface MeasuredTrack {
  readonly legs: readonly LegSwum[];
  readonly timeS: number;
  readonly swumM: number;
  readonly courseM: number;
  /** Start of the swim, milliseconds since 1970. */
  readonly startMs: number;
  /** The line as it was swum, smoothed, from start to finish. */
  readonly line: readonly TrackStep[];
  /** Null when it cannot be told; `driftWhy` says why. */
  readonly drift: Drift | null;
  readonly driftWhy: string | null;
  /** What the coach should know of the track. */
  readonly words: readonly string[];
}

/** How the swimmer looked and stroked, as the coach knows it. */
export interface TrackHabits {
  /** Strokes between looks. */
  readonly every: number;
  readonly rateSpm: number;
  /** Flow of the water, m/s, and where it goes; a current across looks like drift. */
  readonly currentMps: number;
  readonly currentToDeg: number;
}

/** The receiver's noise is averaged over so much on either side, milliseconds. */
const SMOOTH_MS = 3000;
/** Metres are added up in steps of this, so that noise is not swum, milliseconds. */
const STEP_MS = 8000;
/** A mark that is passed farther off than this was not swum round, metres. */
const MISSED_M = 60;
/** A course farther off than this is another one, metres. */
const ELSEWHERE_M = 1000;
/** Points that the passing of marks is looked for among, at most. */
const COARSE = 3000;

const rms = (values: readonly number[]) =>
  Math.sqrt(values.reduce((sum, v) => sum + v * v, 0) / Math.max(1, values.length));
const mean = (values: readonly number[]) => values.reduce((sum, v) => sum + v, 0) / Math.max(1, values.length);
const away = (a: PlanePoint, b: PlanePoint) => Math.hypot(a.x - b.x, a.y - b.y);

/**
 * A swim laid over the course: time, metres and line of each leg, and how the swimmer drifts between looks.
 *
 * @throws RefusedTrack when it was swum elsewhere or not along this course
 */
export function measureTrack(track: CleanTrack, course: Course, habits: TrackHabits): MeasuredTrack {
  const plane = planeOf(course);
  const legs = legsOf(course);
  const raw = track.points.map((p): TrackStep => ({ ...plane.toPlane(p), timeMs: p.timeMs }));
  const stops = [legs[0]!.from, ...legs.map((l) => l.to)];
  const flat = stops.map((s) => plane.toPlane(s));
  const nearest = raw.reduce(
    (least, p) => Math.min(least, ...flat.slice(1).map((to, i) => toStretch(p, flat[i]!, to))),
    Infinity,
  );
  if (nearest > ELSEWHERE_M) {
    const far = nearest < 10_000 ? `${(nearest / 1000).toFixed(1)} km` : `${Math.round(nearest / 1000)} km`;
    throw new RefusedTrack(`This track stays ${far} from the course: it was swum somewhere else.`);
  }
  const smooth = smoothed(raw);
  const at = passings(smooth, flat);
  const passed = at.map((i, k) => away(smooth[i]!, flat[k]!));
  const missed = stops.filter((_, k) => passed[k]! > MISSED_M);
  if (missed.length * 2 > stops.length)
    throw new RefusedTrack('This track does not follow the course: most of its marks were not passed.');
  const steps = legs.map((leg, k) =>
    legSwum(leg, smooth.slice(at[k], at[k + 1]! + 1), flat[k]!, flat[k + 1]!, passed[k + 1]!),
  );
  const line = smooth.slice(at[0], at.at(-1)! + 1);
  const { drift, why } = driftBetweenLooks(raw, track.gaps, at, flat, habits);
  const gapS = track.gaps.reduce((sum, g) => sum + g.seconds, 0);
  const total = (of: (l: LegSwum) => number) => steps.reduce((sum, l) => sum + of(l), 0);
  return {
    legs: steps,
    timeS: total((l) => l.timeS),
    swumM: total((l) => l.swumM),
    courseM: total((l) => l.leg.lengthM),
    startMs: line[0]!.timeMs,
    line,
    drift,
    driftWhy: why,
    words: [
      ...missed.map((s) => `${s.name} was passed ${Math.round(passed[stops.indexOf(s)]!)} m off.`),
      ...(track.leftOut > 0 ? [`${track.leftOut} points were left out as errors of the receiver.`] : []),
      ...(gapS > 0
        ? [`The receiver was silent for ${Math.round(gapS)} s in all; the way there is taken as straight.`]
        : []),
    ],
  };
}

/** Each point as the mean of those around it, within the same stretch without gaps. */
function smoothed(raw: readonly TrackStep[]): TrackStep[] {
  let [low, high] = [0, 0];
  return raw.map((p, i) => {
    while (raw[low]!.timeMs < p.timeMs - SMOOTH_MS) low++;
    while (high + 1 < raw.length && raw[high + 1]!.timeMs <= p.timeMs + SMOOTH_MS) high++;
    // As many on either side, or the mean would lag or lead.
    const half = Math.min(i - low, high - i);
    const near = raw.slice(i - half, i + half + 1);
    return { x: mean(near.map((q) => q.x)), y: mean(near.map((q) => q.y)), timeMs: p.timeMs };
  });
}

/**
 * Where along a track each stop was passed, in order: the passing points whose squared distances add up to
 * the least.
 */
function passings(track: readonly TrackStep[], stops: readonly PlanePoint[]): number[] {
  const stride = Math.max(1, Math.ceil(track.length / COARSE));
  const coarse = track.filter((_, i) => i % stride === 0);
  const n = coarse.length;
  if (n < stops.length) throw new RefusedTrack('This track is too short for the course.');
  let cost = new Float64Array(n);
  const from: Int32Array[] = [];
  stops.forEach((stop, k) => {
    const next = new Float64Array(n).fill(Infinity);
    const came = new Int32Array(n).fill(-1);
    let [least, where] = [k === 0 ? 0 : Infinity, -1];
    for (let i = k; i < n; i++) {
      if (k > 0 && cost[i - 1]! < least) [least, where] = [cost[i - 1]!, i - 1];
      next[i] = least + away(coarse[i]!, stop) ** 2;
      came[i] = where;
    }
    cost = next;
    from.push(came);
  });
  const at: number[] = [];
  let i = cost.reduce((best, c, j) => (c < cost[best]! ? j : best), 0);
  for (let k = stops.length - 1; k >= 0; k--) {
    at.unshift(i * stride);
    i = from[k]![i]!;
  }
  // To the very point, between the neighbours on the coarse track.
  const fine = at.map((a, k) => {
    const [low, high] = [Math.max(0, a - stride + 1), Math.min(track.length - 1, a + stride - 1)];
    let best = a;
    for (let j = low; j <= high; j++) if (away(track[j]!, stops[k]!) < away(track[best]!, stops[k]!)) best = j;
    return best;
  });
  return lingering(track, stops, fine);
}

/** Within this of the nearest moment somebody waits, metres. */
const LINGER_M = 5;

/** Whoever waits at the start leaves with the last moment near it, and is in with the first near the finish. */
function lingering(track: readonly TrackStep[], stops: readonly PlanePoint[], at: readonly number[]): number[] {
  const off = (i: number, k: number) => away(track[i]!, stops[k]!);
  const near = (i: number, k: number) => off(i, k) <= off(at[k]!, k) + LINGER_M;
  const end = stops.length - 1;
  let [first, last] = [at[0]!, at[end]!];
  while (first + 1 < at[1]! && near(first + 1, 0)) first++;
  while (last - 1 > at[end - 1]! && near(last - 1, end)) last--;
  // From the edge of what counts as near to where it was nearest on this side.
  while (first > at[0]! && off(first - 1, 0) < off(first, 0)) first--;
  while (last < at[end]! && off(last + 1, end) < off(last, end)) last++;
  return [first, ...at.slice(1, -1), last];
}

function legSwum(leg: Leg, points: readonly TrackStep[], from: PlanePoint, to: PlanePoint, passedM: number): LegSwum {
  let swumM = 0;
  let last = points[0]!;
  points.forEach((p, i) => {
    if (p.timeMs - last.timeMs < STEP_MS && i < points.length - 1) return;
    swumM += away(last, p);
    last = p;
  });
  const length = Math.max(1, away(from, to));
  const [ux, uy] = [(to.x - from.x) / length, (to.y - from.y) / length];
  const off = points.map((p) => (p.x - from.x) * uy - (p.y - from.y) * ux);
  return {
    leg,
    timeS: (points.at(-1)!.timeMs - points[0]!.timeMs) / 1000,
    swumM,
    meanOffM: mean(off),
    zigzagM: rms(off.map((o) => o - mean(off))),
    farthestOffM: off.reduce((far, o) => (Math.abs(o) > Math.abs(far) ? o : far), 0),
    passedM,
  };
}

/** Near marks the line bends for other reasons than drift, metres. */
const NEAR_MARK_M = 20;
/** Ends of a stretch are the mean of so much on either side, milliseconds. */
const END_MS = 2000;
/** Fewer stretches between looks say nothing, number. */
const LEAST_STRETCHES = 12;

/**
 * How the line drifts between looks. From look to look the heading runs off by `b` a stroke, so that over `N`
 * strokes it lies `b(N+1)/2` off the way to the mark in the mean, wherever the stretch begins; the stretches
 * scatter by `σ²(N+1)(2N+1)/(8N)`, of which the receiver's own noise is taken away.
 */
function driftBetweenLooks(
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
    return { drift: null, why: 'The receiver errs more than the swimmer drifts: the track is too rough to tell.' };
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
