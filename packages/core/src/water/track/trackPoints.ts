import type { PlanePoint } from '../course/plane';

/** A moment of a swim on the flat map. */
export interface TrackStep extends PlanePoint {
  /** Milliseconds since 1970. */
  readonly timeMs: number;
}

export const away = (a: PlanePoint, b: PlanePoint) => Math.hypot(a.x - b.x, a.y - b.y);

export const rms = (values: readonly number[]) =>
  Math.sqrt(values.reduce((sum, v) => sum + v * v, 0) / Math.max(1, values.length));
export const mean = (values: readonly number[]) => values.reduce((sum, v) => sum + v, 0) / Math.max(1, values.length);
