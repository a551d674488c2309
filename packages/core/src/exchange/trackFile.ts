// Reads a swum track from whatever file a watch gives.
import type { Spot } from '../days/place';
import { zoneAt } from '../days/place';
import { momentOf } from '../days';
import Papa from 'papaparse';
import { asTracks, MOST_POINTS, readXmlTracks, type ReadTracks, type TrackPoint } from './gpx';
import { LARGEST_GPX } from './xml';
import { numberWord } from '../words';

const COLUMN = {
  lat: /^(lat|latitude|position_lat)$/,
  lon: /^(lon|lng|long|longitude|position_long)$/,
  time: /^(time|timestamp|date|datetime|utc)$/,
} as const;

/**
 * The tracks of a text file: GPX, TCX, or CSV with columns for latitude, longitude and time.
 *
 * @param text of the file, at most {@link LARGEST_GPX} characters
 * @returns problems instead of tracks when the file cannot be used
 * @example readTrackFile('time,lat,lon\n2026-06-01T09:00:00Z,31.4,-41.2\n2026-06-01T09:00:01Z,31.40001,-41.2').tracks[0].points.length // 2
 */
export function readTrackFile(text: string): ReadTracks {
  return text.trimStart().startsWith('<') ? readXmlTracks(text) : readTrackCsv(text);
}

function readTrackCsv(text: string): ReadTracks {
  const refuse = (message: string): ReadTracks => ({ tracks: [], problems: [message] });
  if (text.length > LARGEST_GPX) return refuse('This file is too large.');
  const [head, ...rows] = Papa.parse<string[]>(text, { skipEmptyLines: true }).data;
  const columns = (head ?? []).map((name) => name.trim().toLowerCase());
  const column = (of: keyof typeof COLUMN) => columns.findIndex((name) => COLUMN[of].test(name));
  const [lat, lon, time] = [column('lat'), column('lon'), column('time')];
  if (lat < 0 || lon < 0)
    return refuse('This is neither GPX, TCX nor a CSV with columns for latitude and longitude (lat, lon, time).');
  if (rows.length > MOST_POINTS) return refuse(`At most ${numberWord(MOST_POINTS)} points are read.`);
  const numberAt = (row: string[], i: number) => (row[i]?.trim() ? Number(row[i]) : Number.NaN);
  const points = rows.flatMap((row): TrackPoint[] => {
    const place = { lat: numberAt(row, lat), lon: numberAt(row, lon) };
    if (!(Math.abs(place.lat) <= 90 && Math.abs(place.lon) <= 180)) return [];
    return [{ ...place, timeMs: time < 0 ? null : msOf(row[time] ?? '', place) }];
  });
  return asTracks([{ name: '', points }], rows.length - points.length);
}

/** A moment as ISO 8601, by the clock of the place where it says no zone, or as seconds or milliseconds since 1970. */
function msOf(text: string, place: Spot): number | null {
  const value = /^\d+(\.\d+)?$/.test(text.trim()) ? Number(text) : momentOf(text, zoneAt(place));
  if (Number.isNaN(value)) return null;
  // Seconds until the year 5138 are smaller than milliseconds after 1973.
  return Math.round(value < 1e11 ? value * 1000 : value);
}
