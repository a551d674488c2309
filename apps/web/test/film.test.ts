import { CANNOT_WRITE, closeCamera, NoCamera, openCamera, writtenType } from '@/film/camera';
import { addPiece, deleteFilms, filmOf, films, noteLookedAt, onFilms, pictures, type NewFilm } from '@/film/filmStore';
import { LONGEST_FILM_S, record } from '@/film/record';
import { bytesWord, roomSeconds } from '@/film/words';
import { openFor } from '@/offline/db';

const piece = (size: number) => new Blob(['x'.repeat(size)]);
const film = (id: string, more: Partial<NewFilm> = {}): NewFilm => ({
  ...{ id, swimmerId: 'ada', name: 'Ada Lindqvale', view: 'side', at: `2026-11-30T18:0${id}:00.000Z` },
  ...{ type: 'video/webm', ...more },
});

let account = 0;
beforeEach(() => openFor(`coach-${++account}`));

describe('films on this device', () => {
  it('grow piece by piece, and are there after the tab is gone', async () => {
    await addPiece(film('2'), piece(300), 1);
    await addPiece(film('2'), piece(200), 2.1);
    await addPiece(film('1'), piece(50), 0.9);
    expect((await films()).map(({ id, seconds, bytes, pieces }) => [id, seconds, bytes, pieces])).toEqual([
      ['1', 0.9, 50, 1],
      ['2', 2.1, 500, 2],
    ]);
    // What is in them is seen in a browser, by the journey that films.
    expect((await pictures((await filmOf('2'))!)).size).toBeGreaterThan(0);
  });

  it('are looked at, once, and go with all their pieces', async () => {
    const changed = jest.fn();
    const stop = onFilms(changed);
    await addPiece(film('1'), piece(10), 1);
    await addPiece(film('2'), piece(10), 1);
    await noteLookedAt('1', '2026-11-30T19:00:00.000Z');
    // What is not there is not made by looking at it.
    await noteLookedAt('9', '2026-11-30T19:00:00.000Z');
    expect((await films()).map((f) => f.lookedAt)).toEqual(['2026-11-30T19:00:00.000Z', null]);
    await deleteFilms(['1']);
    expect((await films()).map((f) => f.id)).toEqual(['2']);
    expect((await pictures({ ...film('1'), pieces: 1 } as never)).size).toBe(0);
    expect(changed.mock.calls.length).toBeGreaterThanOrEqual(5);
    stop();
  });

  it('belong to the account that made them', async () => {
    await addPiece(film('1'), piece(10), 1);
    openFor(`coach-${++account}`);
    expect(await films()).toEqual([]);
    openFor(`coach-${account - 1}`);
    expect(await films()).toHaveLength(1);
  });

  it('say their size and the room in words', () => {
    expect([bytesWord(900), bytesWord(1_250_000), bytesWord(34_000_000), bytesWord(4_100_000_000)]).toEqual([
      ...['0.1 MB', '1.3 MB', '34 MB', '4.1 GB'],
    ]);
    // 4 Mbit/s: half a megabyte a second.
    expect([roomSeconds(0), roomSeconds(10_000_000), roomSeconds(300_000_000)]).toEqual([0, 20, 600]);
  });
});

/** A camera and a recorder that do what a test says. */
class FakeRecorder extends EventTarget {
  static isTypeSupported = (type: string) => type.startsWith('video/webm');
  static made: FakeRecorder[] = [];
  state: 'inactive' | 'recording' = 'inactive';
  constructor(
    readonly stream: unknown,
    readonly options: { readonly mimeType: string },
  ) {
    super();
    FakeRecorder.made.push(this);
  }
  start() {
    this.state = 'recording';
  }
  give(size: number) {
    this.dispatchEvent(Object.assign(new Event('dataavailable'), { data: piece(size) }));
  }
  stop() {
    this.state = 'inactive';
    this.give(5);
    this.dispatchEvent(new Event('stop'));
  }
}
const track = () => Object.assign(new EventTarget(), { stop: jest.fn() });
const camera = (...tracks: ReturnType<typeof track>[]) =>
  ({ getTracks: () => tracks, getVideoTracks: () => tracks }) as unknown as MediaStream;

describe('filming', () => {
  const before = { recorder: global.MediaRecorder, navigator: globalThis.navigator };
  const device = (mediaDevices: unknown) =>
    Object.defineProperty(globalThis, 'navigator', { value: { mediaDevices }, configurable: true });
  let clock: jest.SpyInstance;
  let nowMs = 0;
  beforeEach(() => {
    FakeRecorder.made = [];
    nowMs = 0;
    global.MediaRecorder = FakeRecorder as never;
    clock = jest.spyOn(performance, 'now').mockImplementation(() => nowMs);
  });
  afterEach(() => {
    clock.mockRestore();
    global.MediaRecorder = before.recorder;
    Object.defineProperty(globalThis, 'navigator', { value: before.navigator, configurable: true });
  });
  const begin = (stream = camera(track())) => {
    const [onSeconds, onEnd] = [jest.fn(), jest.fn()];
    const { type: _type, ...fields } = film('1');
    const recording = record(stream, fields, { onSeconds, onEnd });
    return { recording, onSeconds, onEnd, recorder: FakeRecorder.made[0]! };
  };

  it('keeps what the camera gave, with the seconds it took', async () => {
    const { recording, recorder, onSeconds } = begin();
    expect(recorder.options.mimeType).toBe('video/webm;codecs=vp8');
    nowMs = 1000;
    recorder.give(100);
    nowMs = 2000;
    recorder.give(100);
    nowMs = 2500;
    const kept = await recording.stop();
    expect(kept).toMatchObject({ seconds: 2.5, bytes: 205, pieces: 3, type: 'video/webm;codecs=vp8' });
    expect(onSeconds.mock.calls.flat()).toEqual([1, 2, 2.5]);
  });

  it('keeps nothing of a slip of the finger', async () => {
    const { recording } = begin();
    nowMs = 300;
    expect(await recording.stop()).toBeNull();
    expect(await films()).toEqual([]);
  });

  it('ends by itself after ten minutes', async () => {
    const { recorder, onEnd, recording } = begin();
    expect(LONGEST_FILM_S).toBe(600);
    nowMs = 599_000;
    recorder.give(10);
    expect(onEnd).not.toHaveBeenCalled();
    nowMs = 600_000;
    recorder.give(10);
    expect(onEnd).toHaveBeenCalledWith('A film ends after 10 minutes. It is kept.');
    expect((await recording.stop())?.seconds).toBe(600);
  });

  it('keeps what there is when the camera is taken away', async () => {
    const lens = track();
    const { recorder, onEnd, recording } = begin(camera(lens));
    nowMs = 3000;
    recorder.give(10);
    lens.dispatchEvent(new Event('ended'));
    expect(onEnd).toHaveBeenCalledWith('The camera was taken away. What was filmed until then is kept.');
    expect((await recording.stop())?.bytes).toBe(15);
  });

  it('says that the device is full, and keeps what was stored before', async () => {
    const { recorder, onEnd, recording } = begin();
    nowMs = 1000;
    recorder.give(10);
    await new Promise((resolve) => setTimeout(resolve, 20));
    const full = jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('No room.', 'QuotaExceededError');
    });
    nowMs = 2000;
    recorder.give(10);
    await new Promise((resolve) => setTimeout(resolve, 20));
    full.mockRestore();
    expect(onEnd).toHaveBeenCalledTimes(1);
    expect(onEnd.mock.calls[0]![0]).toMatch(/no room left/);
    expect(await recording.stop()).toMatchObject({ seconds: 1, bytes: 10, pieces: 1 });
  });

  it('says that a browser cannot write a video', () => {
    FakeRecorder.isTypeSupported = () => false;
    expect(writtenType()).toBeNull();
    expect(() => begin()).toThrow(new NoCamera(CANNOT_WRITE));
    FakeRecorder.isTypeSupported = (type) => type.startsWith('video/webm');
    // What it writes but does not play back is of no use to a mirror.
    expect(writtenType((type) => type.includes('vp9'))).toBe('video/webm;codecs=vp9');
    global.MediaRecorder = undefined as never;
    expect(writtenType()).toBeNull();
  });

  it.each([
    ['NotAllowedError', /was refused/],
    ['NotFoundError', /no camera on this device/],
    ['NotReadableError', /Another app is using the camera/],
    ['StrangeError', /did not start: oh/],
  ])('says why there is no camera: %s', async (name, why) => {
    const getUserMedia = jest.fn().mockRejectedValue(new DOMException('oh', name));
    device({ getUserMedia });
    await expect(openCamera()).rejects.toThrow(why);
    // Sound is never asked for.
    expect(getUserMedia.mock.calls[0][0].audio).toBe(false);
  });

  it('needs a secure address, and shuts the lens', async () => {
    device(undefined);
    await expect(openCamera()).rejects.toThrow(/secure address/);
    const lens = track();
    closeCamera(camera(lens));
    expect(lens.stop).toHaveBeenCalled();
  });
});
