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
import { expose } from 'comlink';

/** A track by its sums: its points, of which there may be very many, stay here. */
function readTrack(text: string): { readonly problems: ReadTrack['problems']; readonly sum: TrackSum | null } {
  const { points, problems } = readGpx(text);
  return { problems, sum: points.length > 0 ? trackSum(points) : null };
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
};
export type Work = typeof work;

expose(work);
