import { getTimes } from 'suncalc';
import type { TrackPoint, WornBy } from '../exchange';
import { RAD, seeded, seededNormal } from '../units';
import { legsOf, planeOf, type Course } from './course';
import type { Place, PlanePoint } from './plane';

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

/** A span of time, milliseconds since 1970. */
export interface Span {
  readonly fromMs: number;
  readonly toMs: number;
}

/** So far ahead a window is looked for: two tides. */
const AHEAD_MS = 26 * HOUR_MS;
const STEP_MS = 5 * 60_000;

/**
 * When there is enough water: the span around a high water in which the tide stays at or over a level,
 * the one a moment lies in or else the next.
 *
 * @param leastM over the mean level, metres
 * @returns null when the tide does not come so high within two tides; open-ended spans are cut at two tides
 */
export function waterWindow(atMs: number, leastM: number): Span | null {
  const enough = (t: number) => tideAt(t) >= leastM;
  let from = atMs;
  if (enough(from)) while (from > atMs - AHEAD_MS && enough(from - STEP_MS)) from -= STEP_MS;
  else while (from < atMs + AHEAD_MS && !enough(from)) from += STEP_MS;
  if (!enough(from)) return null;
  let to = from;
  while (to < atMs + AHEAD_MS && enough(to + STEP_MS)) to += STEP_MS;
  return { fromMs: from, toMs: to };
}

/** The nearest slack water: where the tide turns, before or after a moment. */
export function nearestSlack(atMs: number): number {
  for (let off = 0; off < 8 * HOUR_MS; off += STEP_MS)
    for (const t of [atMs - off, atMs + off]) if (riseAt(t) * riseAt(t + STEP_MS) <= 0) return t;
  return atMs;
}

/** Lowest tide between two moments, metres over the mean level. */
export function lowestTide({ fromMs, toMs }: Span): number {
  let least = Math.min(tideAt(fromMs), tideAt(toMs));
  for (let t = fromMs; t < toMs; t += STEP_MS) least = Math.min(least, tideAt(t));
  return least;
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

/** How a simulated swimmer swims outside, and what their receiver makes of it. */
export interface Outing {
  /** Turn a stroke between looks: mean and random, radians; right positive. */
  readonly biasRad: number;
  readonly sdRad: number;
  /** Strokes between looks. */
  readonly lookEvery: number;
  /** Error of the receiver, metres. */
  readonly receiverSdM: number;
  /** Share of points that are missing, one by one. */
  readonly dropOuts: number;
  /** The receiver is silent for so many seconds in the middle of the swim, and jumps after it. */
  readonly silentS: number;
  /** Flow of the water, and where it goes. */
  readonly currentMps: number;
  readonly currentToDeg: number;
}

/** Within this of a mark one stroke leads to it, metres. */
const REACHED_M = 2;
/** How far the receiver jumps after a silence, metres. */
const JUMP_M = 80;

/**
 * The track of a swim round a course: stroke by stroke off the line and back to it at every look, seen by a
 * receiver that errs, drops out and jumps, a point a second. Same seed, same track.
 */
export function simulatedTrack(worn: WornBy, outing: Outing, course: Course): TrackPoint[] {
  const plane = planeOf(course);
  const strokeS = worn.strokeLengthM / worn.speedMps;
  const points: TrackPoint[] = [];
  const carriedM = outing.currentMps * strokeS;
  const flow = {
    x: carriedM * Math.sin(outing.currentToDeg * RAD),
    y: carriedM * Math.cos(outing.currentToDeg * RAD),
  };
  let here: PlanePoint = plane.toPlane(course.start);
  let [n, heading, last] = [0, 0, -1];
  const silentFrom = outing.silentS > 0 ? Math.round(lengthS(course, worn.speedMps) / 2) : Infinity;
  for (const { to } of legsOf(course)) {
    const mark = plane.toPlane(to);
    for (let k = 0; (mark.x !== here.x || mark.y !== here.y) && n < 200_000; k++, n++) {
      if (k % outing.lookEvery === 0) heading = Math.atan2(mark.x - here.x, mark.y - here.y);
      heading += outing.biasRad + outing.sdRad * seededNormal(worn.seed, n);
      // The last stroke ends at the mark: near it everybody sees it.
      here =
        Math.hypot(mark.x - here.x, mark.y - here.y) <= REACHED_M
          ? mark
          : {
              x: here.x + worn.strokeLengthM * Math.sin(heading) + flow.x,
              y: here.y + worn.strokeLengthM * Math.cos(heading) + flow.y,
            };
      const t = (n + 1) * strokeS;
      const second = Math.floor(t);
      const silent = second >= silentFrom && second < silentFrom + outing.silentS;
      if (second === last || silent || seeded(worn.seed + 1, n) < outing.dropOuts) continue;
      last = second;
      const jump = second >= silentFrom + outing.silentS && second < silentFrom + outing.silentS + 2 ? JUMP_M : 0;
      points.push({
        ...plane.toPlace({
          x: here.x + jump + outing.receiverSdM * seededNormal(worn.seed + 2, n),
          y: here.y + outing.receiverSdM * seededNormal(worn.seed + 3, n),
        }),
        timeMs: worn.startMs + Math.round(t * 1000),
      });
    }
  }
  return points;
}

const lengthS = (course: Course, speedMps: number) =>
  legsOf(course).reduce((sum, leg) => sum + leg.lengthM, 0) / speedMps;
