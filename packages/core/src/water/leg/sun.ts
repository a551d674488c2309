// Where the sun stands.
import { getPosition } from 'suncalc';
import { turned } from '../course/plane';

export interface Sun {
  /** Degrees from north, clockwise. */
  readonly bearingDeg: number;
  /** Degrees over the horizon, with refraction; negative below it. */
  readonly altitudeDeg: number;
}

/**
 * Where the sun stands.
 *
 * @param lat degrees, north positive
 * @param lon degrees, east positive
 * @param at the moment
 * @throws RangeError for a place or time that is none
 */
export function sunAt(lat: number, lon: number, at: Date): Sun {
  if (!(Math.abs(lat) <= 90 && Math.abs(lon) <= 180)) throw new RangeError('lat from −90 to 90, lon from −180 to 180');
  if (Number.isNaN(at.getTime())) throw new RangeError('time: a moment is needed');
  const { azimuth, altitude } = getPosition(at, lat, lon);
  return { bearingDeg: turned(azimuth), altitudeDeg: altitude };
}
