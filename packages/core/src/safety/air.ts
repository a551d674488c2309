/** Air limits at the water, °C; defaults that err low. */
export const AIR_C = {
  /** Under this, warm shelter and clothes at the exit are required. */
  shelter: 5,
  /** The same for what it feels like in the wind. */
  feltShelter: 0,
  /** Below this no one goes in. */
  stop: -5,
  /** Over this: shade, drink, shorter. */
  hot: 30,
} as const;

/** Slowest wind, in km/h, and warmest air, in °C, for which the felt temperature is defined. */
const WIND_CHILL = { kmh: 4.8, airC: 10 } as const;

/**
 * What the air feels like in the wind, °C: the wind chill used by North American weather services since 2001. In
 * still or warm air it is the air itself.
 *
 * @param airC temperature of the air, °C
 * @param windMps wind at about 10 m height, m/s
 * @example Math.round(feltC(2, 8)) // -4
 */
export function feltC(airC: number, windMps: number): number {
  const kmh = windMps * 3.6;
  if (kmh < WIND_CHILL.kmh || airC > WIND_CHILL.airC) return airC;
  const wind = kmh ** 0.16;
  return 13.12 + 0.6215 * airC - 11.37 * wind + 0.3965 * airC * wind;
}
