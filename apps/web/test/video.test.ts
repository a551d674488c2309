import { act, renderHook } from '@testing-library/react-native';
import { useVideo } from '@/review/clip/useVideo';

/** A video as far as the table asks it; it tells what it does only to those who listen by then. */
class FakeVideo extends EventTarget {
  paused = true;
  currentTime = 0;
  videoWidth = 320;
  videoHeight = 160;
  duration = NaN;
  readyState = 0;
  error: unknown = null;
  pause() {
    this.paused = true;
  }
  says(name: string, now: Partial<FakeVideo> = {}) {
    Object.assign(this, now);
    this.dispatchEvent(new Event(name));
  }
}

function attached(video: FakeVideo) {
  const { result } = renderHook(() => useVideo('blob:film'));
  act(() => result.current.attach(video as unknown as HTMLVideoElement));
  return result;
}
const LOADED = { readyState: 4, duration: 12 };

describe('the video on the table', () => {
  it('is ready once it has loaded, before it is attached as well as after', () => {
    const after = new FakeVideo();
    const told = attached(after);
    expect(told.current.state).toMatchObject({ ready: false, error: null });
    act(() => after.says('loadeddata', LOADED));
    const before = new FakeVideo();
    before.says('loadeddata', LOADED);
    for (const { current } of [told, attached(before)])
      expect(current.state).toMatchObject({ ready: true, durationS: 12, aspect: 2, error: null });
  });

  it('learns at its end how long a film is that does not say so', () => {
    const film = new FakeVideo();
    film.says('loadeddata', { readyState: 4, duration: Infinity });
    const told = attached(film);
    expect([told.current.state.ready, film.currentTime]).toEqual([false, Number.MAX_SAFE_INTEGER]);
    act(() => film.says('durationchange', { duration: 4.44 }));
    expect(told.current.state).toMatchObject({ ready: true, durationS: 4.44 });
    expect(film.currentTime).toBe(0);
  });

  it('says that it cannot be played, also when that was known before', () => {
    const after = new FakeVideo();
    const told = attached(after);
    act(() => after.says('error'));
    const before = new FakeVideo();
    before.says('error', { error: { code: 4 } });
    for (const { current } of [told, attached(before)]) {
      expect(current.state.ready).toBe(false);
      expect(current.state.error).toMatch(/^This video cannot be played here\./);
    }
    const noPictures = new FakeVideo();
    noPictures.says('loadeddata', { ...LOADED, videoWidth: 0 });
    expect(attached(noPictures).current.state.error).toMatch(/^This video cannot be played here\./);
  });

  it('steps to the middle of the frame, and back no further than its beginning', () => {
    const film = new FakeVideo();
    film.says('loadeddata', LOADED);
    const told = attached(film);
    act(() => told.current.step(1));
    expect(film.currentTime).toBeCloseTo(0.06);
    act(() => told.current.step(-5));
    expect(film.currentTime).toBe(0);
    act(() => told.current.seek(99));
    expect(film.currentTime).toBe(12);
  });
});
