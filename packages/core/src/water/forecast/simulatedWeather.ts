import { getTimes } from 'suncalc';
import { seeded } from '../../units';
import type { Place } from '../course/plane';
import { DAY_MS, EPOCH, HOUR_MS, nextHighWater, riseAt, tideAt } from './tide';

/** Where the demo's water lies: an invented bay, far out in the ocean of the map. */
export const DEMO_BAY = { lat: 31.4, lon: -41.2 } as const;

/** What a service of tides and weather would say of a place at a moment. */
export interface DayWeather {
  readonly waterC: number;
  readonly airC: number;
  readonly windMps: number;
  readonly windFromDeg: number;
  readonly waveHeightM: number;
  readonly rainMm72h: number;
  /** Over the mean level, metres. */
  readonly tideM: number;
  readonly currentMps: number;
  readonly currentToDeg: number;
  /** Next high water, milliseconds since 1970. */
  readonly highWaterMs: number;
  /** Null where the sun does not rise or set that day. */
  readonly sunriseMs: number | null;
  readonly sunsetMs: number | null;
}

/** A real service has this shape; the stand-in below ships in its place. */
export type WeatherProvider = (place: Place, at: Date) => DayWeather;
/** The stream follows the fall of the tide: metres a second for each metre an hour. */
const STREAM = 0.55;
/** Where the flood goes, degrees. */
const FLOOD_TO = 70;

const round = (value: number, to: number) => Math.round(value / to) * to;

/**
 * The stand-in for tides and weather: a tide of harmonic constituents, water and air by the time of the year
 * and of the day, wind and rain by chance from a seed. Same place, same moment, same answer.
 *
 * @param seed another weather
 */
export function simulatedWeather(seed: number): WeatherProvider {
  return (place, at) => {
    const ms = at.getTime();
    const day = Math.floor(ms / DAY_MS);
    const chance = (n: number, of = day) => seeded(seed + n * 7919, of);
    const south = place.lat < 0 ? 182.6 : 0;
    const season = Math.cos(((day - EPOCH / DAY_MS - 225 + south) / 365.25) * 2 * Math.PI);
    const hour = (ms % DAY_MS) / HOUR_MS + place.lon / 15;
    const warm = Math.cos(((hour - 15) / 24) * 2 * Math.PI);
    // Warm in late summer; the air swings more than the water.
    const waterC = 13.5 + 6 * season + 1.2 * (chance(1, Math.floor(day / 5)) - 0.5);
    const airC = waterC + 3 * season + 4 * warm + 5 * (chance(2) - 0.5);
    const windMps = 1 + 7 * chance(3, Math.floor(ms / (6 * HOUR_MS))) ** 2 + 1.5 * Math.max(0, warm);
    const windFromDeg = 360 * chance(4, Math.floor(day / 2));
    const rain = (ago: number) => Math.max(0, chance(5, day - ago) - 0.72) * 60;
    const rise = riseAt(ms);
    const sun = getTimes(at, place.lat, place.lon);
    return {
      waterC: round(waterC, 0.5),
      airC: round(airC, 1),
      windMps: round(windMps, 0.5),
      windFromDeg: round(windFromDeg, 15) % 360,
      waveHeightM: round(0.012 * windMps ** 2, 0.1),
      rainMm72h: round(rain(0) + rain(1) + rain(2), 1),
      tideM: tideAt(ms),
      currentMps: round(Math.abs(rise) * STREAM, 0.01),
      currentToDeg: rise >= 0 ? FLOOD_TO : (FLOOD_TO + 180) % 360,
      highWaterMs: nextHighWater(ms),
      sunriseMs: sun.sunrise?.getTime() ?? null,
      sunsetMs: sun.sunset?.getTime() ?? null,
    };
  };
}
