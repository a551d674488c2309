// Reads the tracks of a GPX file, large ones too, and says what is wrong with it.
import { momentOf } from '../days';
import { SaxesParser } from 'saxes';
import { cleanText, cutText } from '../text';
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

/** A track by its name. */
export interface NamedTrack {
  readonly name: string;
  readonly points: readonly TrackPoint[];
}

/** The tracks of a file that have at least two points, in its order. */
export interface ReadTracks {
  readonly tracks: readonly NamedTrack[];
  readonly problems: readonly string[];
}

const NO_TRACK = 'There is no track with two points in this file.';
/** Elements that hold a track, and where its name is written; by the root of the file. */
const HOLDS: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  gpx: { trk: 'name' },
  TrainingCenterDatabase: { Activity: 'Id', Course: 'Name' },
};

/**
 * The tracks of a GPX (1.0 or 1.1) or TCX file, read as a stream: half a million points take about three seconds.
 *
 * @returns problems instead of tracks when the file cannot be used; single bad points are left out and counted
 */
export function readXmlTracks(text: string): ReadTracks {
  const refuse = (message: string): ReadTracks => ({ tracks: [], problems: [message] });
  if (text.length > LARGEST_GPX) return refuse('This file is too large.');
  const tracks: { name: string; points: TrackPoint[] }[] = [];
  let [bad, count] = [0, 0];
  let point: { lat: string; lon: string; time: string } | null = null;
  const open: string[] = [];
  const parser = new SaxesParser();
  const local = (name: string) => name.slice(name.indexOf(':') + 1);
  parser.on('doctype', () => {
    throw new RefusedFile('This file declares entities and is not read.');
  });
  parser.on('error', (error) => {
    throw new RefusedFile(`Line ${parser.line}: this is not valid XML. ${error.message.replace(/^[\d:]+ /, '')}`);
  });
  parser.on('opentag', ({ name, attributes }) => {
    const tag = local(name);
    if (open.length === 0 && !HOLDS[tag]) throw new RefusedFile('This is not a GPX or TCX file.');
    open.push(tag);
    if (HOLDS[open[0]!]![tag]) tracks.push({ name: '', points: [] });
    // A course beside the track has points too, but no trkpt.
    else if (tag === 'trkpt') point = { lat: attributes.lat ?? '', lon: attributes.lon ?? '', time: '' };
    else if (tag === 'Trackpoint') point = { lat: '', lon: '', time: '' };
  });
  parser.on('text', (part) => {
    const tag = open.at(-1) ?? '';
    if (point) {
      if (/^time$/i.test(tag)) point.time += part;
      else if (tag === 'LatitudeDegrees') point.lat += part;
      else if (tag === 'LongitudeDegrees') point.lon += part;
      return;
    }
    const held = HOLDS[open[0] ?? '']?.[open.at(-2) ?? ''];
    if (held === tag && tracks.length > 0) tracks.at(-1)!.name += part;
  });
  parser.on('closetag', ({ name }) => {
    open.pop();
    const tag = local(name);
    if ((tag !== 'trkpt' && tag !== 'Trackpoint') || !point) return;
    const { time } = point;
    const [lat, lon] = [numberOf(point.lat), numberOf(point.lon)];
    point = null;
    if (!(Math.abs(lat) <= 90 && Math.abs(lon) <= 180) || tracks.length === 0) {
      bad++;
      return;
    }
    // These files tell times in UTC, also where a device forgot to say so.
    const timeMs = time ? momentOf(time.trim(), 'UTC') : Number.NaN;
    tracks.at(-1)!.points.push({ lat, lon, timeMs: Number.isNaN(timeMs) ? null : timeMs });
    if (++count > MOST_POINTS) throw new RefusedFile(`At most ${numberWord(MOST_POINTS)} points are read.`);
  });
  try {
    parser.write(text).close();
  } catch (error) {
    if (error instanceof RefusedFile) return refuse(error.message);
    throw error;
  }
  return asTracks(tracks, bad);
}

/** Tracks that can be used, with what was left out of them. */
export function asTracks(all: readonly NamedTrack[], bad: number): ReadTracks {
  const tracks = all
    .filter(({ points }) => points.length >= 2)
    .map(({ name, points }) => ({ name: cutText(cleanText(name).trim(), 60).trim(), points }));
  if (tracks.length === 0) return { tracks, problems: [NO_TRACK] };
  return { tracks, problems: bad > 0 ? [`${bad} points without a place were left out.`] : [] };
}

/** The points of the first track of a GPX or TCX file. */
export function readGpx(text: string): ReadTrack {
  const { tracks, problems } = readXmlTracks(text);
  return { points: tracks[0]?.points ?? [], problems };
}

/** Ends the reading of a file with what is wrong with it. */
class RefusedFile extends Error {}

const numberOf = (text: string | undefined) => (text?.trim() ? Number(text) : Number.NaN);

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
