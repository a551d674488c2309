// The pictures of a video made small and grey, for what finds strokes in them.
import { FIND_SIZE, type Frames } from '@upwell/core/find/shapes';

/** A clip is looked at this far, seconds. */
export const MOST_S = 60;
/** Played faster than it was filmed; faster still, pictures would be left out. */
const PLAYED_AT = 2;

export class UnreadableVideo extends Error {}

/**
 * Plays a video unseen and takes down each of its pictures.
 *
 * @param onProgress share done, 0–1
 * @param signal ends it
 * @throws UnreadableVideo where the browser cannot play or tell its pictures; AbortError when it was ended
 */
export function readFrames(address: string, onProgress: (share: number) => void, signal: AbortSignal): Promise<Frames> {
  const { width, height } = FIND_SIZE;
  const video = document.createElement('video');
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  const context = canvas.getContext('2d', { willReadFrequently: true });
  const timesS: number[] = [];
  const pictures: Uint8Array[] = [];
  return new Promise<Frames>((resolve, reject) => {
    const end = () => {
      video.pause();
      video.removeAttribute('src');
      video.load();
    };
    const finish = () => {
      const grey = new Uint8Array(pictures.length * width * height);
      pictures.forEach((picture, i) => grey.set(picture, i * width * height));
      end();
      resolve({ width, height, timesS, grey });
    };
    const fail = () => {
      end();
      reject(new UnreadableVideo('This video cannot be looked at here.'));
    };
    signal.addEventListener('abort', () => {
      end();
      reject(new DOMException('Stopped.', 'AbortError'));
    });
    const onFrame = (_now: number, { mediaTime }: { readonly mediaTime: number }) => {
      if (signal.aborted || !context) return;
      if (mediaTime > (timesS.at(-1) ?? -1)) {
        context.drawImage(video, 0, 0, width, height);
        pictures.push(greyOf(context.getImageData(0, 0, width, height).data));
        timesS.push(mediaTime);
        onProgress(Math.min(1, mediaTime / Math.min(MOST_S, video.duration)));
      }
      if (mediaTime >= MOST_S) finish();
      else video.requestVideoFrameCallback(onFrame);
    };
    video.muted = true;
    video.playsInline = true;
    video.addEventListener('error', () => {
      if (!signal.aborted && video.hasAttribute('src')) fail();
    });
    video.addEventListener('ended', finish);
    if (!context || !('requestVideoFrameCallback' in video)) return fail();
    video.src = address;
    video.playbackRate = PLAYED_AT;
    video.requestVideoFrameCallback(onFrame);
    video.play().catch(() => {
      if (!signal.aborted) fail();
    });
  });
}

/** Brightness of each point, as eyes weigh the colours. */
function greyOf(colours: Uint8ClampedArray): Uint8Array {
  const grey = new Uint8Array(colours.length / 4);
  for (let i = 0; i < grey.length; i++)
    grey[i] = 0.299 * colours[4 * i]! + 0.587 * colours[4 * i + 1]! + 0.114 * colours[4 * i + 2]!;
  return grey;
}
