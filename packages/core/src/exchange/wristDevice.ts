import Papa from 'papaparse';
import { seededNormal as noise } from '../units';

/** A simulated swimmer who wears the stand-in for a wrist device. */
export interface WornBy {
  readonly seed: number;
  /** Start of the swim, milliseconds since 1970. */
  readonly startMs: number;
  readonly speedMps: number;
  readonly strokeLengthM: number;
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
