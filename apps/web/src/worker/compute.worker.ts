import { deviceLengthsCsv, readResults, writeGpx, type WornBy } from '@upwell/core/exchange';
import { readSession, readSessionCsv, readSessionJson, readSets, writeSession } from '@upwell/core/notation';

import { NOTHING_OWN, readOwnFrom, type OwnShelves } from '@upwell/core/own';
import { inferCauses } from '@upwell/core/review';
import { anotherSession, buildSession } from '@upwell/core/sessions';
import {
  bestOf,
  cleanTrack,
  DEMO_BAY,
  measureTrack,
  placeAt,
  plannedConcerns,
  raceCard,
  RefusedTrack,
  simulatedTrack,
  simulateInterval,
  swumSum,
  trackBundle,
  type CleanTrack,
  type Course,
  type IntervalResult,
  type LegSwim,
  type MeasuredTrack,
  type Outing,
  type Sweep,
  type SwumSum,
  type TrackHabits,
} from '@upwell/core/water';
import { listText, readSwumFile } from '@upwell/core/exchange/files';
import { readPlaces } from '@upwell/core/water/files';
import { readLibraryFile } from '@upwell/contract/library';
import type { KeptPoint } from '@upwell/contract/water';
import { expose } from 'comlink';

/** Swims for the first answer, and for the final one. */
const FIRST_TRACKS = 40;
const TRACKS = 2000;

let sweepTurn = 0;

/**
 * Sweeps the intervals of a leg twice: roughly at once, then with all swims. A newer sweep, or a stop, ends it.
 *
 * @param report receives each better answer and the share that is done
 * @returns the final answer; null when it was ended
 */
async function sweep(
  leg: LegSwim,
  intervals: readonly number[],
  report: (answer: Sweep, share: number) => void,
): Promise<Sweep | null> {
  const turn = ++sweepTurn;
  const rough = intervals.map((interval) => simulateInterval(leg, interval, FIRST_TRACKS));
  report(bestOf(rough), 0);
  const fine: IntervalResult[] = [];
  for (const [i, interval] of intervals.entries()) {
    // A message of the page, such as a stop, is read here.
    await new Promise((resolve) => setTimeout(resolve, 0));
    if (turn !== sweepTurn) return null;
    fine.push(simulateInterval(leg, interval, TRACKS));
    report(bestOf([...fine, ...rough.slice(i + 1)]), (i + 1) / intervals.length);
  }
  return bestOf(fine);
}

function stopSweep(): void {
  sweepTurn++;
}

/** An answer, or a sentence that says why there is none. */
export type OrRefused<T> = { readonly ok: T } | { readonly refused: string };

function orRefused<T>(work: () => T): OrRefused<T> {
  try {
    return { ok: work() };
  } catch (error) {
    if (!(error instanceof RefusedTrack)) throw error;
    return { refused: error.message };
  }
}

/** A swum track of a file: what the file calls it, how far it goes, and itself without what cannot be. */
export interface SwumTrack {
  readonly name: string;
  /** Of its first point; null without times. */
  readonly startMs: number | null;
  readonly track: OrRefused<CleanTrack>;
  /** What it amounts to by itself, without a course. */
  readonly sum: OrRefused<SwumSum>;
}

/** The swum tracks of a file. */
async function readSwum(file: Uint8Array): Promise<OrRefused<readonly SwumTrack[]>> {
  const { tracks, problems } = await readSwumFile(file);
  if (tracks.length === 0) return { refused: problems[0] ?? 'There is nothing to read in this file.' };
  return {
    ok: tracks.map(({ name, points }) => {
      const track = orRefused(() => cleanTrack(points));
      const sum = 'ok' in track ? orRefused(() => swumSum(track.ok)) : track;
      return { name, startMs: points[0]!.timeMs, track, sum };
    }),
  };
}

/** A kept track as GPX. */
const keptTrackGpx = (name: string, points: readonly KeptPoint[]): string =>
  writeGpx(
    name,
    points.map(([lat, lon, timeMs]) => ({ lat, lon, timeMs })),
  );

/** A swum track, just read or as it is kept, laid over its course. */
const measureSwum = (
  track: CleanTrack | readonly KeptPoint[],
  course: Course,
  habits: TrackHabits,
): OrRefused<MeasuredTrack> =>
  orRefused(() => {
    const clean = 'points' in track ? track : cleanTrack(track.map(([lat, lon, timeMs]) => ({ lat, lon, timeMs })));
    return measureTrack(clean, course, habits);
  });

/** The file of a device that somebody wore round a course. */
const deviceTrackGpx = (worn: WornBy, outing: Outing, course: Course): string =>
  writeGpx('Swim outside', simulatedTrack(worn, outing, course));

/** What the device of the demo has on it: one straight leg in the bay. */
function deviceStraightGpx(worn: WornBy, outing: Outing, distanceM: number): string {
  const finish = placeAt(DEMO_BAY, 70, distanceM);
  return deviceTrackGpx(worn, outing, { start: DEMO_BAY, marks: [], finish, laps: 1, areas: [], landmarks: [] });
}

let shelves = NOTHING_OWN;
readOwnFrom(() => shelves);

/** From here on everything is worked out in the library of this club. */
function setLibrary(own: OwnShelves): void {
  shelves = own;
}

/** What is too heavy for the thread that draws, or too large to be loaded with the first screen. */
const work = {
  inferCauses,
  readLibraryFile,
  buildSession,
  anotherSession,
  readSession,
  readSets,
  readSessionCsv,
  readSessionJson,
  writeSession,
  readResults,
  deviceLengthsCsv,
  deviceTrackGpx,
  deviceStraightGpx,
  readSwum,
  listText,
  keptTrackGpx,
  measureSwum,
  plannedConcerns,
  raceCard,
  sweep,
  stopSweep,
  trackBundle,
  readPlaces,
  setLibrary,
};
export type Work = typeof work;

expose(work);
