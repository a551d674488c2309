// A mirror that shows what the camera saw some seconds ago. Nothing is stored: what is older than a minute is gone.
import { CANNOT_WRITE, NoCamera, writtenType } from './camera';

export const MIRROR_DELAYS = [5, 10, 15, 20, 30, 45, 60] as const;

/** Seconds behind the longest delay that are still held. */
const HELD_S = 65;
/** Smaller steps than this are caught up with by playing a little faster or slower, seconds. */
const JUMP_S = 0.25;
const PIECE_MS = 200;
const LOOK_MS = 200;
const BITS_PER_SECOND = 2_500_000;

export interface Mirror {
  readonly setDelay: (seconds: number) => void;
  readonly stop: () => void;
}

interface MirrorTold {
  /** Seconds until the first picture is old enough; 0 once the mirror shows. */
  readonly onWait: (seconds: number) => void;
  readonly onProblem: (why: string) => void;
}

/**
 * Shows a stream with a delay in a video element.
 *
 * @param delayS seconds between what happens and when it is shown
 * @throws NoCamera where the browser cannot write what it plays
 */
export function startMirror(
  stream: MediaStream,
  video: HTMLVideoElement,
  delayS: number,
  { onWait, onProblem }: MirrorTold,
): Mirror {
  const type = writtenType((of) => typeof MediaSource !== 'undefined' && MediaSource.isTypeSupported(of));
  if (type === null) throw new NoCamera(CANNOT_WRITE);
  let delay = delayS;
  let startedMs: number | null = null;
  let ended = false;
  const media = new MediaSource();
  const address = URL.createObjectURL(media);
  const pieces: ArrayBuffer[] = [];
  let buffer: SourceBuffer | null = null;
  const options: MediaRecorderOptions & { readonly videoKeyFrameIntervalDuration: number } = {
    ...{ mimeType: type, videoBitsPerSecond: BITS_PER_SECOND },
    // A jump begins at a whole picture: one a second is enough.
    videoKeyFrameIntervalDuration: 1000,
  };
  const recorder = new MediaRecorder(stream, options);

  /** Seconds of the recording that should be on the screen. */
  const wanted = () => (startedMs === null ? -delay : (performance.now() - startedMs) / 1000 - delay);
  /** Puts in the next piece, or takes out what nobody asks for any more: one at a time. */
  const tidy = () => {
    if (!buffer || buffer.updating || media.readyState !== 'open') return;
    const { buffered } = buffer;
    const old = wanted() + delay - HELD_S;
    if (buffered.length > 0 && buffered.start(0) < old - 5) buffer.remove(0, old);
    else {
      const next = pieces.shift();
      if (next) buffer.appendBuffer(next);
    }
  };
  const stop = () => {
    if (ended) return;
    ended = true;
    clearInterval(timer);
    if (recorder.state !== 'inactive') recorder.stop();
    video.pause();
    video.removeAttribute('src');
    video.load();
    URL.revokeObjectURL(address);
  };
  const fail = (why: string) => {
    stop();
    onProblem(why);
  };
  const timer = setInterval(() => {
    tidy();
    const at = wanted();
    onWait(Math.max(0, Math.ceil(-at)));
    const { buffered } = video;
    if (at < 0 || buffered.length === 0) return void video.pause();
    // Behind what is held it shows the oldest there is.
    const target = Math.max(at, buffered.start(0));
    if (target > buffered.end(buffered.length - 1)) return;
    const off = video.currentTime - target;
    if (Math.abs(off) > JUMP_S) video.currentTime = target;
    else video.playbackRate = 1 - off;
    if (video.paused) void video.play().catch(() => {});
  }, LOOK_MS);

  media.addEventListener('sourceopen', () => {
    buffer = media.addSourceBuffer(type);
    buffer.addEventListener('updateend', tidy);
    buffer.addEventListener('error', () => fail('The mirror cannot show this camera.'));
  });
  recorder.addEventListener('start', () => (startedMs = performance.now()));
  recorder.addEventListener('dataavailable', ({ data }) => {
    void data.arrayBuffer().then((piece) => {
      if (piece.byteLength > 0 && !ended) pieces.push(piece);
      tidy();
    });
  });
  for (const track of stream.getVideoTracks())
    track.addEventListener('ended', () => {
      if (!ended) fail('The camera was taken away.');
    });
  video.src = address;
  recorder.start(PIECE_MS);
  return { setDelay: (seconds) => (delay = seconds), stop };
}
