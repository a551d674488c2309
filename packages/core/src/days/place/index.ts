import lookUp from '@photostructure/tz-lookup';

/** A point on the Earth, degrees. */
export interface Spot {
  readonly lat: number;
  readonly lon: number;
}

/**
 * The time zone of a place, from its coordinates; far out at sea the nautical zone of its longitude. Its table is large
 * (73 kB): for the server and the worker, not for the first screen.
 *
 * @throws Error where a coordinate is out of bounds
 * @example zoneAt({ lat: 38.7, lon: -9.4 }) // 'Europe/Lisbon'
 */
export const zoneAt = ({ lat, lon }: Spot): string => lookUp(lat, lon);
