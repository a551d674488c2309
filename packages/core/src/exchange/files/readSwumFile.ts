// The tracks in a file of a watch or a phone.
import FitParser from 'fit-file-parser';
import { momentOf } from '../../days';
import { counted, numberWord } from '../../words';
import { asTracks, MOST_POINTS, type ReadTracks, type TrackPoint } from '../gpx';
import { FIT_MARK } from '../shapes';
import { textOf } from '../../text';
import { readTrackFile } from '../trackFile';
import { LARGEST_GPX } from '../xml';

/** Length of what FIT files begin with, bytes. */
const HEADERS = [12, 14];

const refuse = (message: string): ReadTracks => ({ tracks: [], problems: [message] });

/**
 * The tracks in a file: FIT, TCX, GPX, or CSV with columns for latitude, longitude and time.
 *
 * @param bytes of the file
 * @returns problems instead of tracks when the file cannot be used: too large, cut off, swum in a pool
 */
export async function readSwumFile(bytes: Uint8Array): Promise<ReadTracks> {
  if (bytes.length > LARGEST_GPX) return refuse('This file is too large.');
  if (FIT_MARK.every((byte, i) => bytes[8 + i] === byte)) return readFit(bytes);
  return readTrackFile(textOf(bytes));
}

async function readFit(bytes: Uint8Array): Promise<ReadTracks> {
  const header = bytes[0]!;
  const long = header + new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength).getUint32(4, true);
  if (!HEADERS.includes(header))
    return refuse('This FIT file does not begin as one should. Copy it from the watch again.');
  if (long > bytes.length)
    return refuse(
      `This FIT file is cut off: ${numberWord(bytes.length)} of ${numberWord(long)} bytes are there. Copy it from the watch again.`,
    );
  let records: readonly unknown[];
  let sessions: readonly unknown[];
  try {
    // A copy of its own: the parser takes whole buffers.
    const parsed = await new FitParser({ force: true, mode: 'list' }).parseAsync(bytes.slice().buffer);
    records = parsed.records ?? [];
    sessions = parsed.sessions ?? [];
  } catch (error) {
    return refuse(`This FIT file cannot be read: ${String(error instanceof Error ? error.message : error)}.`);
  }
  if (records.length > MOST_POINTS) return refuse(`At most ${numberWord(MOST_POINTS)} points are read.`);
  const points = records.flatMap((record): TrackPoint[] => {
    const { position_lat: lat, position_long: lon, timestamp } = record as Record<string, unknown>;
    if (typeof lat !== 'number' || typeof lon !== 'number') return [];
    if (!(Math.abs(lat) <= 90 && Math.abs(lon) <= 180)) return [];
    const timeMs = momentMs(timestamp);
    return [{ lat, lon, timeMs: Number.isNaN(timeMs) ? null : timeMs }];
  });
  if (points.length === 0 && records.length > 0)
    return refuse(`${counted(records.length, 'reading')} without a place: was this swum in a pool?`);
  return asTracks(bySession(points, sessions), records.length - points.length);
}

const momentMs = (value: unknown): number =>
  value instanceof Date ? value.getTime() : typeof value === 'string' ? momentOf(value, 'UTC') : Number.NaN;

/** Points by the part of the outing they were swum in; one track where the watch knows of no parts. */
function bySession(points: readonly TrackPoint[], sessions: readonly unknown[]) {
  const parts = sessions
    .map((session) => {
      const { start_time, sport, sub_sport } = session as Record<string, unknown>;
      const words = [sport, sub_sport].filter((word) => typeof word === 'string' && word !== 'generic');
      return { fromMs: momentMs(start_time), name: words.join(', ').replaceAll('_', ' ') };
    })
    .filter(({ fromMs }) => !Number.isNaN(fromMs))
    .sort((a, b) => a.fromMs - b.fromMs);
  if (parts.length < 2) return [{ name: parts[0]?.name ?? '', points }];
  return parts.map(({ name, fromMs }, i) => ({
    name,
    points: points.filter(
      ({ timeMs }) =>
        timeMs !== null && (i === 0 || timeMs >= fromMs) && (i === parts.length - 1 || timeMs < parts[i + 1]!.fromMs),
    ),
  }));
}
