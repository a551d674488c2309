/** One video element: play, step by frame, loop, and the time of the frame on the screen. */
import { useCallback, useRef, useState } from 'react';

export interface VideoState {
  readonly ready: boolean;
  readonly playing: boolean;
  readonly timeS: number;
  readonly durationS: number;
  readonly aspect: number;
  /** Seconds of one frame: measured while playing, 1/25 until then. */
  readonly frameS: number;
  readonly error: string | null;
}

export interface Video {
  readonly state: VideoState;
  readonly attach: (element: HTMLVideoElement | null) => void;
  readonly toggle: () => void;
  readonly pause: () => void;
  readonly seek: (timeS: number) => void;
  readonly step: (frames: number) => void;
  readonly setRate: (rate: number) => void;
  readonly setLoop: (loop: readonly [number, number] | null) => void;
  /** The moment that is on the screen right now, seconds. */
  readonly now: () => number;
}

const UNPLAYABLE =
  'This video cannot be played here. Most phones can save clips as MP4 (H.264) or WebM: choose such a file.';
const DEFAULT_FRAME_S = 1 / 25;
/** `HTMLMediaElement.HAVE_CURRENT_DATA`. */
const HAS_FRAME = 2;
const START: VideoState = {
  ready: false,
  playing: false,
  timeS: 0,
  durationS: 0,
  aspect: 16 / 9,
  frameS: DEFAULT_FRAME_S,
  error: null,
};

export function useVideo(source: string | null): Video {
  const element = useRef<HTMLVideoElement | null>(null);
  const loop = useRef<readonly [number, number] | null>(null);
  const [kept, setKept] = useState({ source, state: START });
  // Another source starts afresh.
  const state = kept.source === source ? kept.state : START;
  const setState = useCallback(
    (change: (so: VideoState) => VideoState) =>
      setKept((so) => ({ source, state: change(so.source === source ? so.state : START) })),
    [source],
  );

  const attach = useCallback(
    (video: HTMLVideoElement | null) => {
      if (element.current === video) return;
      element.current = video;
      if (!video) return;
      const update = (change: Partial<VideoState>) => setState((so) => ({ ...so, ...change }));
      const opened = () => {
        const playable = Number.isFinite(video.duration) && video.duration > 0 && video.videoWidth > 0;
        update(
          playable
            ? { ready: true, error: null, durationS: video.duration, aspect: video.videoWidth / video.videoHeight }
            : { ready: false, error: UNPLAYABLE },
        );
      };
      // What a browser has just filmed does not say how long it is: that is learnt at its end.
      let unmeasured = false;
      const loaded = () => {
        unmeasured = video.duration === Infinity;
        if (unmeasured) video.currentTime = Number.MAX_SAFE_INTEGER;
        else opened();
      };
      const failed = () => update({ ready: false, error: UNPLAYABLE });
      video.addEventListener('loadeddata', loaded);
      video.addEventListener('durationchange', () => {
        if (!unmeasured || !Number.isFinite(video.duration)) return;
        unmeasured = false;
        video.currentTime = 0;
        opened();
      });
      video.addEventListener('error', failed);
      video.addEventListener('play', () => update({ playing: true }));
      video.addEventListener('pause', () => update({ playing: false }));
      video.addEventListener('seeked', () => update({ timeS: video.currentTime }));
      video.addEventListener('timeupdate', () => {
        const [from, to] = loop.current ?? [0, Infinity];
        if (!video.paused && video.currentTime >= to) video.currentTime = from;
        update({ timeS: video.currentTime });
      });
      // Frames are timed as they are shown; the shortest gap seen is the length of one.
      let last: number | null = null;
      let shortest = Infinity;
      const onFrame = (_now: number, { mediaTime }: { mediaTime: number }) => {
        const gap = last === null ? 0 : mediaTime - last;
        if (!video.paused && gap > 0.004 && gap < 0.2 && gap < shortest - 1e-4) {
          shortest = gap;
          update({ frameS: gap });
        }
        last = mediaTime;
        if (element.current === video) video.requestVideoFrameCallback(onFrame);
      };
      if ('requestVideoFrameCallback' in video) video.requestVideoFrameCallback(onFrame);
      // A page that is drawn in pieces shows its video after making it: what it loaded meanwhile is not told again.
      if (video.readyState >= HAS_FRAME) loaded();
      else if (video.error) failed();
    },
    [setState],
  );

  const seek = useCallback((timeS: number) => {
    const video = element.current;
    if (video) video.currentTime = Math.max(0, Math.min(video.duration || 0, timeS));
  }, []);

  return {
    state,
    attach,
    seek,
    toggle: () => {
      const video = element.current;
      if (!video) return;
      if (!video.paused) video.pause();
      else void video.play().catch(() => setState((so) => ({ ...so, error: UNPLAYABLE })));
    },
    pause: () => element.current?.pause(),
    step: (frames) => {
      const video = element.current;
      if (!video) return;
      video.pause();
      // To the middle of the frame, so that rounding never shows the one before.
      const frame = Math.floor(video.currentTime / state.frameS + 1e-6) + frames;
      seek((frame + 0.5) * state.frameS);
    },
    setRate: (rate) => {
      if (element.current) element.current.playbackRate = rate;
    },
    setLoop: (between) => {
      loop.current = between;
    },
    now: () => element.current?.currentTime ?? 0,
  };
}
