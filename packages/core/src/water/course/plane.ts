import { RAD } from '../../units';
import Geodesic from 'geographiclib-geodesic';

/** A place on the earth, degrees, WGS 84. */
export interface Place {
  readonly lat: number;
  readonly lon: number;
}

/** Metres east and north of a middle. */
export interface PlanePoint {
  readonly x: number;
  readonly y: number;
}

const { WGS84, DISTANCE, AZIMUTH, LATITUDE, LONGITUDE } = Geodesic.Geodesic;

export interface Bearing {
  readonly distanceM: number;
  /** Degrees from north, clockwise, 0–360. */
  readonly bearingDeg: number;
}

/** An angle as 0–360 degrees. */
export const turned = (deg: number): number => ((deg % 360) + 360) % 360;

/** The shorter turn from one bearing to another, −180 to 180 degrees; right positive. */
export const turnBetween = (fromDeg: number, toDeg: number): number => turned(toDeg - fromDeg + 180) - 180;

/**
 * Distance and bearing from one place to another, along the geodesic (Karney 2013).
 *
 * @example bearingTo({ lat: 0, lon: 0 }, { lat: 0, lon: 1 }) // 111 319.49 m, 90°
 */
export function bearingTo(from: Place, to: Place): Bearing {
  const line = WGS84.Inverse(from.lat, from.lon, to.lat, to.lon, DISTANCE | AZIMUTH);
  return { distanceM: line.s12 ?? 0, bearingDeg: turned(line.azi1 ?? 0) };
}

/** The place at a distance and bearing from another. */
export function placeAt(from: Place, bearingDeg: number, distanceM: number): Place {
  const line = WGS84.Direct(from.lat, from.lon, bearingDeg, distanceM, LATITUDE | LONGITUDE);
  return { lat: line.lat2 ?? from.lat, lon: line.lon2 ?? from.lon };
}

/**
 * A flat map around a middle: distances and bearings from the middle are exact, others over a few kilometres
 * as good as exact. It has no edges at the poles or the date line.
 */
export interface Plane {
  readonly middle: Place;
  toPlane(place: Place): PlanePoint;
  toPlace(point: PlanePoint): Place;
}

export function planeAround(middle: Place): Plane {
  return {
    middle,
    toPlane: (place) => {
      const { distanceM, bearingDeg } = bearingTo(middle, place);
      const angle = bearingDeg * RAD;
      return { x: distanceM * Math.sin(angle), y: distanceM * Math.cos(angle) };
    },
    toPlace: ({ x, y }) => placeAt(middle, Math.atan2(x, y) / RAD, Math.hypot(x, y)),
  };
}

/** Whether two stretches cross at a point inside both. */
export function cross(a: PlanePoint, b: PlanePoint, c: PlanePoint, d: PlanePoint): boolean {
  const side = (p: PlanePoint, q: PlanePoint, r: PlanePoint) => (q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x);
  return side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0;
}

/** Distance from a point to a stretch, metres. */
export function toStretch(p: PlanePoint, a: PlanePoint, b: PlanePoint): number {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const length2 = dx * dx + dy * dy;
  const t = length2 === 0 ? 0 : Math.min(1, Math.max(0, ((p.x - a.x) * dx + (p.y - a.y) * dy) / length2));
  return Math.hypot(p.x - a.x - t * dx, p.y - a.y - t * dy);
}
