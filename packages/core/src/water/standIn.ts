import { getTimes } from 'suncalc';
import { seeded } from '../units';
import type { Place } from './plane';

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

/** Harmonic constituents: speed in degrees an hour, amplitude in metres, phase in degrees. */
const TIDE = [
  { speed: 28.9841042, metres: 0.62, phase: 40 }, // M2, the moon twice a day
  { speed: 30, metres: 0.21, phase: 75 }, // S2, the sun twice a day
  { speed: 28.4397295, metres: 0.12, phase: 20 }, // N2, the moon's distance
  { speed: 15.0410686, metres: 0.08, phase: 130 }, // K1, once a day
  { speed: 13.9430356, metres: 0.06, phase: 310 }, // O1, once a day
] as const;

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
const RAD = Math.PI / 180;
const EPOCH = Date.UTC(2026, 0, 1);
/** The stream follows the fall of the tide: metres a second for each metre an hour. */
const STREAM = 0.55;
/** Where the flood goes, degrees. */
const FLOOD_TO = 70;

/**
 * Height of the simulated tide over its mean level, a sum of harmonic constituents.
 *
 * @returns metres
 */
export function tideAt(atMs: number): number {
  const hours = (atMs - EPOCH) / HOUR_MS;
  return TIDE.reduce((sum, t) => sum + t.metres * Math.cos((t.speed * hours - t.phase) * RAD), 0);
}

/** Rise of the tide, metres an hour. */
function riseAt(atMs: number): number {
  const hours = (atMs - EPOCH) / HOUR_MS;
  return TIDE.reduce((sum, t) => sum - t.metres * t.speed * RAD * Math.sin((t.speed * hours - t.phase) * RAD), 0);
}

/** The next high water after a moment, to the minute. */
export function nextHighWater(atMs: number): number {
  const step = 60_000;
  for (let t = atMs; t < atMs + 16 * HOUR_MS; t += step) if (riseAt(t) > 0 && riseAt(t + step) <= 0) return t;
  return atMs;
}

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
