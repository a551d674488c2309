import Papa from 'papaparse';
import Geodesic from 'geographiclib-geodesic';
import { seeded } from '../units';
import { writeGpx, type TrackPoint } from './gpx';

/** A simulated swimmer who wears the stand-in for a wrist device. */
export interface WornBy {
  readonly seed: number;
  /** Start of the swim, milliseconds since 1970. */
  readonly startMs: number;
  readonly speedMps: number;
  readonly strokeLengthM: number;
}

/** Roughly normal, mean 0, standard deviation 1. */
function noise(seed: number, index: number): number {
  const u = Math.max(1e-9, seeded(seed, 2 * index));
  return Math.sqrt(-2 * Math.log(u)) * Math.cos(2 * Math.PI * seeded(seed, 2 * index + 1));
}

const PUSH_OFF_M = 5;

/**
 * The file of a swim in the pool: one row a length, as the device would hand it over.
 *
 * Speed sags by a few percent towards the end, strokes rise with it, and each length wavers a little.
 *
 * @example deviceLengthsCsv({ seed: 1, startMs: 0, speedMps: 1, strokeLengthM: 1 }, 25, 16).split('\n')[0] // 'date,length,distance_m,time_s,strokes,kind'
 */
export function deviceLengthsCsv(worn: WornBy, poolM: number, lengths: number): string {
  let atMs = worn.startMs;
  const data = Array.from({ length: lengths }, (_, i) => {
    const tired = 1 - 0.04 * (i / Math.max(1, lengths - 1));
    const timeS = poolM / (worn.speedMps * tired * (1 + 0.012 * noise(worn.seed, i)));
    const strokes = Math.max(
      1,
      Math.round((poolM - PUSH_OFF_M) / (worn.strokeLengthM * tired) + 0.4 * noise(worn.seed, i + 5000)),
    );
    const row = [new Date(atMs).toISOString(), i + 1, poolM, timeS.toFixed(1), strokes, 'training'];
    atMs += timeS * 1000;
    return row;
  });
  return Papa.unparse(
    { fields: ['date', 'length', 'distance_m', 'time_s', 'strokes', 'kind'], data },
    { newline: '\n' },
  );
}

/** Where the demo's water lies: an invented bay, far out in the ocean of the map. */
export const DEMO_BAY = { lat: 31.4, lon: -41.2 } as const;

export interface Outing {
  /** Bearing of the leg, degrees. */
  readonly bearingDeg: number;
  readonly distanceM: number;
  /** Turn a stroke between looks: mean and random, radians. */
  readonly biasRad: number;
  readonly sdRad: number;
  readonly lookEvery: number;
  /** Error of the receiver, metres. */
  readonly receiverSdM: number;
  /** Share of points that are missing. */
  readonly dropOuts: number;
}

/**
 * The track of a swim outside: stroke by stroke off the line and back to it at every look, seen by a
 * receiver that errs and drops out, a point a second.
 */
export function deviceTrackGpx(
  worn: WornBy,
  outing: Outing,
  from: { readonly lat: number; readonly lon: number } = DEMO_BAY,
): string {
  const points: TrackPoint[] = [];
  const bearing = (outing.bearingDeg * Math.PI) / 180;
  const strokeS = worn.strokeLengthM / worn.speedMps;
  let [along, aside, heading, t, last] = [0, 0, 0, 0, -1];
  for (let n = 0; along < outing.distanceM && n < 200_000; n++) {
    // A look turns the swimmer back onto the mark at the end of the leg.
    if (n % outing.lookEvery === 0) heading = Math.atan2(-aside, outing.distanceM - along);
    heading += outing.biasRad + outing.sdRad * noise(worn.seed, n);
    along += worn.strokeLengthM * Math.cos(heading);
    aside += worn.strokeLengthM * Math.sin(heading);
    t += strokeS;
    const second = Math.floor(t);
    if (second === last || seeded(worn.seed + 1, n) < outing.dropOuts) continue;
    last = second;
    const x = along + outing.receiverSdM * noise(worn.seed + 2, n);
    const y = aside + outing.receiverSdM * noise(worn.seed + 3, n);
    const distance = Math.hypot(x, y);
    const at = Geodesic.Geodesic.WGS84.Direct(
      from.lat,
      from.lon,
      ((bearing + Math.atan2(y, x)) * 180) / Math.PI,
      distance,
    );
    points.push({ lat: at.lat2!, lon: at.lon2!, timeMs: worn.startMs + Math.round(t * 1000) });
  }
  return writeGpx('Swim outside', points);
}
