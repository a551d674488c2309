import {
  deviceLengthsCsv,
  deviceTrackGpx,
  readGpx,
  readResults,
  trackSum,
  type ReadTrack,
  type TrackSum,
} from '@upwell/core/exchange';
import { readSession, readSessionCsv, readSessionJson, writeSession } from '@upwell/core/notation';

import { inferCauses } from '@upwell/core/review';
import { anotherSession, buildSession } from '@upwell/core/sessions';
import {
  bestOf,
  readCourseGeoJson,
  readCourseGpx,
  simulateInterval,
  trackBundle,
  type IntervalResult,
  type LegSwim,
  type ReadCourse,
  type Sweep,
} from '@upwell/core/water';
import { expose } from 'comlink';

/** A track by its sums: its points, of which there may be very many, stay here. */
function readTrack(text: string): { readonly problems: ReadTrack['problems']; readonly sum: TrackSum | null } {
  const { points, problems } = readGpx(text);
  return { problems, sum: points.length > 0 ? trackSum(points) : null };
}

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

/** A course from a file, told apart by how it begins. */
function readCourse(text: string): ReadCourse {
  return text.trimStart().startsWith('<') ? readCourseGpx(text) : readCourseGeoJson(text);
}

/** What is too heavy for the thread that draws, or too large to be loaded with the first screen. */
const work = {
  inferCauses,
  buildSession,
  anotherSession,
  readSession,
  readSessionCsv,
  readSessionJson,
  writeSession,
  readResults,
  readTrack,
  deviceLengthsCsv,
  deviceTrackGpx,
  sweep,
  stopSweep,
  trackBundle,
  readCourse,
};
export type Work = typeof work;

expose(work);
