// Filming: what the camera shows is stored piece by piece while it is filmed.
import { CANNOT_WRITE, NoCamera, writtenType } from './camera';
import { addPiece, deleteFilms, filmOf, type Film, type NewFilm } from './filmStore';

/** Bits a second: a hand and its splash stay sharp at 1280 × 720. */
export const BITS_PER_SECOND = 4_000_000;
/** The longest film, seconds: nobody looks at more, and a camera that was forgotten stops. */
export const LONGEST_FILM_S = 600;
/** Seconds that are lost at most when a tab is killed. */
const PIECE_MS = 1000;

export interface Recording {
  /** Ends it; the film, or null when there is nothing in it. */
  readonly stop: () => Promise<Film | null>;
}

interface Told {
  /** Seconds filmed so far. */
  readonly onSeconds: (seconds: number) => void;
  /** It ended by itself, with the reason; what was filmed before is kept. */
  readonly onEnd: (why: string) => void;
}

/**
 * Films until it is stopped, the camera is taken away, the room is full or {@link LONGEST_FILM_S} are over.
 *
 * @throws NoCamera where the browser cannot write a video
 */
export function record(stream: MediaStream, film: Omit<NewFilm, 'type'>, { onSeconds, onEnd }: Told): Recording {
  const type = writtenType();
  if (type === null) throw new NoCamera(CANNOT_WRITE);
  let recorder: MediaRecorder;
  try {
    recorder = new MediaRecorder(stream, { mimeType: type, videoBitsPerSecond: BITS_PER_SECOND });
  } catch {
    throw new NoCamera(CANNOT_WRITE);
  }
  const whole: NewFilm = { ...film, type };
  const from = performance.now();
  let written = Promise.resolve();
  let full = false;
  const end = (why: string) => {
    if (recorder.state !== 'inactive') recorder.stop();
    onEnd(why);
  };
  recorder.addEventListener('dataavailable', ({ data }) => {
    const seconds = (performance.now() - from) / 1000;
    onSeconds(seconds);
    if (data.size > 0 && !full)
      written = written
        .then(() => addPiece(whole, data, seconds))
        .catch((error: unknown) => {
          full = true;
          end(
            (error as Error).name === 'QuotaExceededError'
              ? 'This device has no room left: filming ended. What was filmed until then is kept.'
              : `Filming ended, because it could not be stored: ${(error as Error).message}`,
          );
        });
    if (seconds >= LONGEST_FILM_S && recorder.state === 'recording')
      end(`A film ends after ${LONGEST_FILM_S / 60} minutes. It is kept.`);
  });
  recorder.addEventListener('error', () => end('The camera stopped. What was filmed until then is kept.'));
  for (const track of stream.getVideoTracks())
    track.addEventListener('ended', () => end('The camera was taken away. What was filmed until then is kept.'));
  recorder.start(PIECE_MS);
  return {
    stop: async () => {
      if (recorder.state !== 'inactive')
        await new Promise<void>((resolve) => {
          recorder.addEventListener('stop', () => resolve(), { once: true });
          recorder.stop();
        });
      await written;
      const kept = await filmOf(film.id);
      if (!kept || kept.seconds >= SHORTEST_FILM_S) return kept ?? null;
      await deleteFilms([film.id]);
      return null;
    },
  };
}

/** Less is a slip of the finger. */
export const SHORTEST_FILM_S = 0.5;
