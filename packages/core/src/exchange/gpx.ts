// Reads the tracks of a GPX file, large ones too, and says what is wrong with it.
import { dayIn, momentOf } from '../days';
import { zoneAt } from '../days/place';
import Geodesic from 'geographiclib-geodesic';
import { SaxesParser } from 'saxes';
import { numberWord } from '../words';
import { LARGEST_GPX } from './xml';

export interface TrackPoint {
  /** Degrees, WGS 84. */
  readonly lat: number;
  readonly lon: number;
  /** Milliseconds since 1970; null where the file says nothing. */
  readonly timeMs: number | null;
}

export interface ReadTrack {
  readonly points: readonly TrackPoint[];
  readonly problems: readonly string[];
}

/** Most points of a track that are read. */
export const MOST_POINTS = 500_000;

/**
 * The points of the first track of a GPX 1.1 file, read as a stream: half a million take about three seconds.
 *
 * @returns problems instead of points when the file cannot be used; single bad points are left out and counted
 */
export function readGpx(text: string): ReadTrack {
  const refuse = (message: string): ReadTrack => ({ points: [], problems: [message] });
  if (text.length > LARGEST_GPX) return refuse('This file is too large.');
  const points: TrackPoint[] = [];
  let [bad, tracks] = [0, 0];
  let point: { lat: number; lon: number; time: string } | null = null;
  let inTime = false;
  const parser = new SaxesParser();
  const local = (name: string) => name.slice(name.indexOf(':') + 1);
  parser.on('doctype', () => {
    throw new RefusedFile('This file declares entities and is not read.');
  });
  parser.on('error', (error) => {
    throw new RefusedFile(`Line ${parser.line}: this is not valid XML. ${error.message.replace(/^[\d:]+ /, '')}`);
  });
  let rootSeen = false;
  parser.on('opentag', ({ name, attributes }) => {
    const tag = local(name);
    if (!rootSeen && tag !== 'gpx') throw new RefusedFile('This is not a GPX file.');
    rootSeen = true;
    if (tag === 'trk') tracks++;
    else if (tag === 'trkpt' && tracks === 1)
      point = { lat: numberOf(attributes.lat), lon: numberOf(attributes.lon), time: '' };
    else if (tag === 'time') inTime = true;
  });
  parser.on('text', (part) => {
    if (inTime && point) point.time += part;
  });
  parser.on('closetag', ({ name }) => {
    const tag = local(name);
    if (tag === 'time') inTime = false;
    if (tag !== 'trkpt' || !point) return;
    const { lat, lon, time } = point;
    point = null;
    if (!(Math.abs(lat) <= 90 && Math.abs(lon) <= 180)) {
      bad++;
      return;
    }
    // GPX tells times in UTC, also where a device forgot to say so.
    const timeMs = time ? momentOf(time, 'UTC') : Number.NaN;
    points.push({ lat, lon, timeMs: Number.isNaN(timeMs) ? null : timeMs });
    if (points.length > MOST_POINTS) throw new RefusedFile(`At most ${numberWord(MOST_POINTS)} points are read.`);
  });
  try {
    parser.write(text).close();
  } catch (error) {
    if (error instanceof RefusedFile) return refuse(error.message);
    throw error;
  }
  if (points.length < 2) return refuse('There is no track with two points in this file.');
  return { points, problems: bad > 0 ? [`${bad} points without a place were left out.`] : [] };
}

/** Ends the reading of a file with what is wrong with it. */
class RefusedFile extends Error {}

const numberOf = (text: string | undefined) => (text?.trim() ? Number(text) : Number.NaN);

export interface TrackSum {
  readonly distanceM: number;
  /** Null when the points have no times. */
  readonly timeS: number | null;
  /** The day of the first point, by the clock of where it is; null without times. */
  readonly on: string | null;
}

/** Length along a track (geodesic, Karney 2013) and the time from its first to its last point. */
export function trackSum(points: readonly TrackPoint[]): TrackSum {
  let distanceM = 0;
  for (let i = 1; i < points.length; i++) {
    const a = points[i - 1]!;
    const b = points[i]!;
    distanceM += Geodesic.Geodesic.WGS84.Inverse(a.lat, a.lon, b.lat, b.lon, Geodesic.Geodesic.DISTANCE).s12 ?? 0;
  }
  const first = points[0]?.timeMs ?? null;
  const last = points.at(-1)?.timeMs ?? null;
  const timed = first !== null && last !== null && last > first;
  return {
    distanceM,
    timeS: timed ? (last - first) / 1000 : null,
    on: first === null ? null : dayIn(zoneAt(points[0]!), first),
  };
}

/** A track as GPX 1.1. */
export function writeGpx(name: string, points: readonly TrackPoint[]): string {
  const body = points
    .map(
      ({ lat, lon, timeMs }) =>
        `<trkpt lat="${lat.toFixed(7)}" lon="${lon.toFixed(7)}">${timeMs === null ? '' : `<time>${new Date(timeMs).toISOString()}</time>`}</trkpt>`,
    )
    .join('\n');
  const safe = name.replace(/[<>&"']/g, ' ');
  return `<?xml version="1.0" encoding="UTF-8"?>
<gpx version="1.1" creator="Upwell" xmlns="http://www.topografix.com/GPX/1/1">
<trk><name>${safe}</name><trkseg>
${body}
</trkseg></trk>
</gpx>
`;
}
