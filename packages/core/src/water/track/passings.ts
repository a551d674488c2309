import type { PlanePoint } from '../course/plane';
import { RefusedTrack } from './cleanTrack';
import { away, type TrackStep } from './trackPoints';

/** Points that the passing of marks is looked for among, at most. */
const COARSE = 3000;

/**
 * Where along a track each stop was passed, in order: the passing points whose squared distances add up to
 * the least.
 */
export function passings(track: readonly TrackStep[], stops: readonly PlanePoint[]): number[] {
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

/** Within this distance of the nearest point the swimmer is waiting, metres. */
const LINGER_M = 5;

/** A swimmer who waits at the start leaves at the last moment near it, and is in with the first near the finish. */
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
