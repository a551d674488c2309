import type { PlanePoint } from '@upwell/core/water';

/** What the map shows: its middle in metres, and pixels a metre. */
export interface MapView {
  readonly x: number;
  readonly y: number;
  readonly scale: number;
}

export interface Size {
  readonly width: number;
  readonly height: number;
}

/** Nearest and farthest, pixels a metre. */
const SCALE = { min: 0.002, max: 20 } as const;
/** Room for names, the north arrow and the buttons at the edges, pixels. */
const EDGE = { x: 116, y: 84 } as const;

/** Metres that are seen at least, and before there are any marks: as far as a first course may go. */
const LEAST_M = 40;
export const EMPTY_M = 600;

/** What the signs at the top cover with their edges, and the arrow to the north in the corner, pixels. */
export const SIGN_ROOM = { width: 196, height: 96, north: 44 } as const;

/**
 * The view that holds all points.
 *
 * @param leastM metres that are seen at least
 * @param top pixels that are left free at the top, besides the edge
 */
export function fitted(points: readonly PlanePoint[], { width, height }: Size, leastM = LEAST_M, top = 0): MapView {
  const [xs, ys] = [points.map((p) => p.x), points.map((p) => p.y)];
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const room = (of: number, edge: number) => Math.max(of / 2, of - edge);
  const scale = Math.min(
    room(width, EDGE.x) / Math.max(leastM, x1 - x0),
    room(height - top, EDGE.y) / Math.max(leastM, y1 - y0),
  );
  const seen = clamp(scale);
  return { x: (x0 + x1) / 2, y: (y0 + y1) / 2 + top / 2 / seen, scale: seen };
}

const clamp = (scale: number) => Math.min(SCALE.max, Math.max(SCALE.min, scale));

/** The view that holds all points, and the side at which the signs cover none of them: further down where they would at both. */
export function besideSigns(
  points: readonly PlanePoint[],
  size: Size,
  leastM?: number,
): { readonly view: MapView; readonly side: 'left' | 'right' } {
  const view = fitted(points, size, leastM);
  const high = points.map((p) => toScreen(p, view, size)).filter(({ y }) => y < SIGN_ROOM.height);
  if (high.every(({ x }) => x > SIGN_ROOM.width)) return { view, side: 'left' };
  if (high.every(({ x }) => x < size.width - SIGN_ROOM.north - SIGN_ROOM.width)) return { view, side: 'right' };
  return { view: fitted(points, size, leastM, SIGN_ROOM.height - EDGE.y / 2), side: 'left' };
}

/** Pixels of a point; north is up. */
export const toScreen = (p: PlanePoint, view: MapView, size: Size): PlanePoint => ({
  x: size.width / 2 + (p.x - view.x) * view.scale,
  y: size.height / 2 - (p.y - view.y) * view.scale,
});

export const toGround = (p: PlanePoint, view: MapView, size: Size): PlanePoint => ({
  x: view.x + (p.x - size.width / 2) / view.scale,
  y: view.y - (p.y - size.height / 2) / view.scale,
});

/** Nearer or farther, keeping what lies under a pixel where it is. */
export function zoomed(view: MapView, by: number, at: PlanePoint, size: Size): MapView {
  const scale = clamp(view.scale * by);
  const under = toGround(at, view, size);
  return {
    x: under.x - (at.x - size.width / 2) / scale,
    y: under.y + (at.y - size.height / 2) / scale,
    scale,
  };
}

export const moved = (view: MapView, dx: number, dy: number): MapView => ({
  ...view,
  x: view.x - dx / view.scale,
  y: view.y + dy / view.scale,
});

/** A round length for the scale bar: 1, 2 or 5 times a power of ten, at most that many pixels. */
export function barLength(scale: number, mostPx: number): number {
  const most = mostPx / scale;
  const ten = 10 ** Math.floor(Math.log10(most));
  return [5, 2, 1].map((n) => n * ten).find((n) => n <= most) ?? ten;
}
