// The water of a place at an hour: one record that the decision, the legs, the card and the swim-out all read.
import type { DayReadings } from './model';
import type { DayWeather } from '../forecast/simulatedWeather';
import type { WaterNow } from '../leg/legPlan';
import { numberWord } from '../../words';

/** What can be read at the water. Null takes a reading back. */
export interface WaterRead extends Omit<
  DayReadings,
  'offshoreDeg' | 'lightLeftMin' | 'depthM' | 'windFromDeg' | 'currentToDeg'
> {
  readonly windFromDeg: number | null;
  readonly currentToDeg: number | null;
  readonly waveFromDeg: number | null;
  /** Thick cloud: no glare. */
  readonly cloudy: boolean | null;
}
export type ReadField = keyof WaterRead;

/** Each reading with the moment it was made, milliseconds since 1970. */
export type Noted = { readonly [F in ReadField]?: { readonly value: WaterRead[F]; readonly atMs: number } };

type Entry = { readonly value: WaterRead[ReadField]; readonly atMs: number };

/** Whether one of two readings of the same thing holds: the later; of two at the same moment always the same one. */
function holds(one: Entry, other: Entry): boolean {
  if (one.atMs !== other.atMs) return one.atMs > other.atMs;
  return JSON.stringify(one.value) >= JSON.stringify(other.value);
}

/**
 * Two records of the same hour as one: of each reading the later holds. In whatever order and how often records are put
 * together, the same comes out, so that no device has to wait for another.
 *
 * @example mergeRead({ waterC: { value: 14, atMs: 1 } }, { waterC: { value: 15, atMs: 2 } }) // { waterC: { value: 15, atMs: 2 } }
 */
export function mergeRead(one: Noted, other: Noted): Noted {
  const merged: Record<string, Entry> = { ...(one as Record<string, Entry>) };
  for (const [field, entry] of Object.entries(other) as [string, Entry][])
    if (!merged[field] || holds(entry, merged[field])) merged[field] = entry;
  return merged as Noted;
}

/** What can be otherwise within minutes: it is read for its own hour only. */
export const OF_THIS_HOUR: readonly ReadField[] = ['lightning', 'visibility'];

/**
 * Readings of one hour as they may be taken over to another: as they were read then, without what has to be looked for
 * each time.
 *
 * @example takenOver({ waterC: { value: 14, atMs: 1 }, lightning: { value: false, atMs: 1 } }) // { waterC: { value: 14, atMs: 1 } }
 */
export const takenOver = (noted: Noted): Noted =>
  Object.fromEntries(Object.entries(noted).filter(([field]) => !OF_THIS_HOUR.includes(field as ReadField))) as Noted;

/** The readings that hold, without when; what was taken back is left out. */
export function valuesOf(noted: Noted): Partial<WaterRead> {
  const kept = (Object.entries(noted) as [string, Entry][]).filter(([, { value }]) => value !== null);
  return Object.fromEntries(kept.map(([field, { value }]) => [field, value])) as Partial<WaterRead>;
}

/** The hour that a moment of the day belongs to. @example waterHour(10.75) // 10 */
export const waterHour = (hour: number): number => Math.min(23, Math.max(0, Math.floor(hour)));

/** What the legs need of the water. */
export const LEG_FIELDS = ['waveHeightM', 'waveFromDeg', 'currentMps', 'currentToDeg', 'hazy', 'cloudy'] as const;
export type LegField = (typeof LEG_FIELDS)[number];
/** The water of a leg, and where each number of it comes from. */
export type WaterOfLeg = Pick<WaterNow, LegField>;

/** Where a number comes from: tried by hand, read at a moment, forecast, or a guess because nobody knows. */
export type Source =
  | { readonly kind: 'tried' }
  | { readonly kind: 'read'; readonly atMs: number }
  | { readonly kind: 'forecast' }
  | { readonly kind: 'guess' };

export interface LegWater {
  readonly water: WaterOfLeg;
  readonly from: Readonly<Record<LegField, Source>>;
}

type Forecast = Pick<DayWeather, 'waveHeightM' | 'windFromDeg' | 'currentMps' | 'currentToDeg'>;

/**
 * The water of a leg: what is tried by hand first, then what was read, then the forecast. Waves come with the wind where
 * nobody looked; without a word the air is clear and the sun is out.
 *
 * @param tried a change that is only looked at; it is nobody's reading
 */
export function legWater(noted: Noted, forecast: Forecast, tried: Partial<WaterOfLeg> = {}): LegWater {
  const read = <F extends ReadField>(field: F) => {
    const entry = noted[field] as { value: WaterRead[F]; atMs: number } | undefined;
    return entry && entry.value !== null
      ? { value: entry.value as NonNullable<WaterRead[F]>, from: { kind: 'read', atMs: entry.atMs } as const }
      : null;
  };
  const forecastOf = (value: number) => ({ value, from: { kind: 'forecast' } as const });
  const guess = <T>(value: T) => ({ value, from: { kind: 'guess' } as const });
  const visibility = read('visibility');
  const wind = read('windFromDeg') ?? forecastOf(forecast.windFromDeg);
  const known = {
    waveHeightM: read('waveHeightM') ?? forecastOf(forecast.waveHeightM),
    waveFromDeg: read('waveFromDeg') ?? guess(wind.value),
    currentMps: read('currentMps') ?? forecastOf(forecast.currentMps),
    currentToDeg: read('currentToDeg') ?? forecastOf(forecast.currentToDeg),
    hazy: visibility ? { ...visibility, value: visibility.value !== 'clear' } : guess(false),
    cloudy: read('cloudy') ?? guess(false),
  };
  const chosen = LEG_FIELDS.map((field) => {
    const hand = tried[field];
    return [field, hand === undefined ? known[field] : { value: hand, from: { kind: 'tried' } as const }] as const;
  });
  return {
    water: Object.fromEntries(chosen.map(([field, { value }]) => [field, value])) as unknown as WaterOfLeg,
    from: Object.fromEntries(chosen.map(([field, { from }]) => [field, from])) as unknown as LegWater['from'],
  };
}

/** Waves this high need wind or a swell, metres; wind under this raises none, m/s. */
const RAISED = { waveM: 0.5, windMps: 1 } as const;
/** Fog does not hold in more wind than this, m/s. */
const FOG_WIND_MPS = 8;
/** Water and air are seldom farther apart, °C. */
const APART_C = 20;

/** What in the readings of an hour does not go together, in sentences to look again by. */
export function contradictionsIn(noted: Noted): string[] {
  const { waveHeightM, windMps, visibility, waterC, airC, cloudy } = valuesOf(noted);
  const said: string[] = [];
  if (waveHeightM != null && windMps != null && waveHeightM >= RAISED.waveM && windMps < RAISED.windMps)
    said.push(
      `Waves of ${numberWord(waveHeightM, 1)} m and no wind: a swell from far away, or one of the two is wrong. Look again.`,
    );
  if (visibility === 'fog' && windMps != null && windMps > FOG_WIND_MPS)
    said.push(`Fog and ${numberWord(windMps, 1)} m/s of wind seldom go together. Look again.`);
  if (waterC != null && airC != null && Math.abs(waterC - airC) > APART_C)
    said.push(
      `Water of ${numberWord(waterC, 1)} °C and air of ${numberWord(airC)} °C are far apart. Is one of them mistyped?`,
    );
  if (visibility === 'fog' && cloudy === false) said.push('Fog under an open sky: is it haze?');
  return said;
}
