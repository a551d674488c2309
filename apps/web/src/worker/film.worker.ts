/** Reads the pictures of a film, finds strokes in them, and makes a film ready to be sent: away from the page. */
import { findStrokes } from '@upwell/core/find';
import { FIND_SIZE, MOST_S, type FoundStrokes, type Frames } from '@upwell/core/find/shapes';
import { expose } from 'comlink';
import { BlobSource, Input, MATROSKA, MP4, QTFF, UnsupportedInputFormatError, VideoSampleSink, WEBM } from 'mediabunny';
import { lengthOfFilm, prepareFilm } from './prepareFilm';

/** Share of the work that is reading the pictures. */
const READING = 0.8;

export type FoundInFilm = FoundStrokes | { readonly found: false; readonly why: 'unreadable' | 'stopped' };

let turn = 0;

/**
 * Looks for strokes in a film.
 *
 * @param fromS where to begin, seconds; at most {@link MOST_S} are looked at
 * @param report receives the share that is done, 0–1
 */
async function find(
  film: Blob,
  view: 'side' | 'front',
  fromS: number,
  report: (share: number) => void,
): Promise<FoundInFilm> {
  const mine = ++turn;
  const frames = await framesOf(film, fromS, (share) => {
    report(share * READING);
    return mine === turn;
  });
  if (mine !== turn) return { found: false, why: 'stopped' };
  if (frames === null) return { found: false, why: 'unreadable' };
  return findStrokes(frames, view, (share) => report(READING + share * (1 - READING)));
}

let end = () => {};

/** Ends the search that is under way. */
function stop(): void {
  turn++;
}

const prepare = (film: Blob, fromS: number, report: (share: number) => void) =>
  prepareFilm(film, fromS, (stopIt) => (end = stopIt), report);

/** Ends the preparing that is under way. */
const stopPreparing = () => end();

/** Its pictures, small and grey; null where they cannot be read. */
async function framesOf(film: Blob, fromS: number, goesOn: (share: number) => boolean): Promise<Frames | null> {
  const { width, height } = FIND_SIZE;
  const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true });
  const input = new Input({ source: new BlobSource(film), formats: [WEBM, MATROSKA, MP4, QTFF] });
  try {
    const track = await input.getPrimaryVideoTrack();
    if (!context || !track || !(await track.canDecode())) return null;
    const toS = Math.min(fromS + MOST_S, await track.computeDuration());
    const timesS: number[] = [];
    const pictures: Uint8Array[] = [];
    for await (const sample of new VideoSampleSink(track).samples(fromS, toS)) {
      const at = sample.timestamp;
      // An upright picture would be drawn out to a giant: of it the middle is taken.
      const upright = sample.displayHeight * width > sample.displayWidth * height;
      sample.drawWithFit(context, { fit: upright ? 'cover' : 'fill' });
      sample.close();
      if (!goesOn(Math.min(1, (at - fromS) / (toS - fromS)))) break;
      if (at <= (timesS.at(-1) ?? -1)) continue;
      timesS.push(at);
      pictures.push(greyOf(context.getImageData(0, 0, width, height).data));
    }
    const grey = new Uint8Array(pictures.length * width * height);
    pictures.forEach((picture, i) => grey.set(picture, i * width * height));
    return { width, height, timesS, grey };
  } catch (error) {
    if (error instanceof UnsupportedInputFormatError || (error as Error).name === 'EncodingError') return null;
    throw error;
  } finally {
    input.dispose();
  }
}

/** Brightness of each point, as eyes weigh the colours. */
function greyOf(colours: Uint8ClampedArray): Uint8Array {
  const grey = new Uint8Array(colours.length / 4);
  for (let i = 0; i < grey.length; i++)
    grey[i] = 0.299 * colours[4 * i]! + 0.587 * colours[4 * i + 1]! + 0.114 * colours[4 * i + 2]!;
  return grey;
}

const work = { find, stop, length: lengthOfFilm, prepare, stopPreparing };
export type FilmWork = typeof work;
expose(work);
