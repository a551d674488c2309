import { act, fireEvent, screen, waitFor } from '@testing-library/react-native';
import { SENT_PIECE, type SentClip } from '@upwell/contract/sent';
import type { ReactElement } from 'react';
import * as filmStore from '@/film/filmStore';
import MySent from '@/film/sent/MySent';
import { AnswerCard } from '@/film/sent/AnswerCard';
import { AskCard } from '@/film/sent/AskCard';
import { SentList } from '@/film/sent/SentList';
import { keepToSend, NotSent, sendKept } from '@/film/sent/sending';
import { forgetUnasked } from '@/film/sent/unasked';
import { NoVoice, soundOf, speak } from '@/film/sent/voice';
import { openFor } from '@/offline/db';
import { chooseFile } from '@/ui/saveFile';
import { filmWork } from '@/worker';
import { fakeServer, ROW } from './fakeServer';
import { show } from './show';

const { addPiece, filmOf, films, noteThere } = filmStore;
jest.mock('@/ui/saveFile', () => ({ chooseFile: jest.fn() }));
Object.defineProperty(globalThis, 'navigator', { value: {}, configurable: true });
// What a browser has, and Node has not: the test tells when the line is there again.
URL.createObjectURL = () => 'blob:film';
URL.revokeObjectURL = () => undefined;
const line = new EventTarget();
Object.assign(window, {
  addEventListener: line.addEventListener.bind(line),
  removeEventListener: line.removeEventListener.bind(line),
});

let account = 0;
beforeEach(() => {
  jest.useRealTimers();
  openFor(`sent-${++account}`);
});

const CLIP: SentClip = {
  ...{ id: 'c1', swimmerId: ROW.id, swimmerName: 'Ada Lindqvale', wish: 'Three lengths', view: 'side' },
  ...{ askedBy: '', askedAt: '2026-11-28T10:00:00.000Z', type: null, seconds: null, bytes: null, sentAt: null },
  ...{ answeredAt: null, words: '', voice: false, pieces: 0 },
};
const SENT: SentClip = {
  ...CLIP,
  type: 'video/mp4',
  seconds: 41,
  bytes: 9_000_000,
  sentAt: '2026-11-29T10:00:00.000Z',
};
const ANSWERED: SentClip = { ...SENT, answeredAt: '2026-11-30T10:00:00.000Z', words: 'Press the chest.', voice: true };

/** Two pieces and a half of film, as it is kept; the store of the tests cannot keep what a Blob holds. */
const BYTES = new Blob([new Uint8Array(2.5 * SENT_PIECE)]);
jest.spyOn(filmStore, 'pictures').mockImplementation(async () => BYTES);

/** A server that takes pieces, from a number on only when it is told to. */
function server(answer: (path: string) => number | 'no line') {
  const got: string[] = [];
  global.fetch = jest.fn(async (request: Request) => {
    const path = request.url.replace(/^.*sent-clips\//, '');
    const status = answer(path);
    if (status === 'no line') throw new TypeError('Failed to fetch');
    got.push(`${request.method} ${path} ${(await request.arrayBuffer()).byteLength}`);
    return new Response(status < 300 ? null : JSON.stringify({ detail: 'Said by the server.' }), { status });
  }) as unknown as typeof fetch;
  return got;
}
const never = new AbortController().signal;

/** Shows what was asked once the films of this device are read: what is read later would change a test that has ended. */
async function showRead(ui: ReactElement) {
  show(ui);
  await act(async () => void (await films()));
}

describe('sending a clip', () => {
  const kept = () => keepToSend(CLIP, { film: BYTES, type: 'video/mp4', seconds: 41 });

  it('goes in pieces of a megabyte, and leaves the device once the server has all of it', async () => {
    const got = server(() => 204);
    const shares: number[] = [];
    await sendKept(await kept(), (share) => shares.push(share), never);
    expect(got).toEqual([
      `PUT c1/pieces/0 ${SENT_PIECE}`,
      `PUT c1/pieces/1 ${SENT_PIECE}`,
      `PUT c1/pieces/2 ${SENT_PIECE / 2}`,
      `POST c1/sent ${JSON.stringify({ type: 'video/mp4', seconds: 41, pieces: 3 }).length}`,
    ]);
    expect(shares).toEqual([0, 1 / 3, 2 / 3, 1]);
    expect(await films()).toEqual([]);
  });

  it.each([['no line' as const], [503], [429]])(
    'waits on the device after %s, and goes on behind what is there',
    async (why) => {
      server((path) => (path === 'c1/pieces/1' ? why : 204));
      await expect(sendKept(await kept(), () => {}, never)).rejects.toMatchObject({ again: true });
      const waits = (await filmOf('c1'))!;
      expect(waits.there).toBe(1);
      const got = server(() => 204);
      await sendKept(waits, () => {}, never);
      expect(got.map((line) => line.split(' ')[1])).toEqual(['c1/pieces/1', 'c1/pieces/2', 'c1/sent']);
    },
  );

  it('is refused with the words of the server, and begins again when pieces are missing there', async () => {
    server((path) => (path === 'c1/sent' ? 409 : 204));
    const refused = sendKept(await kept(), () => {}, never);
    await expect(refused).rejects.toThrow(NotSent);
    await expect(refused).rejects.toMatchObject({ again: false, message: 'Said by the server.' });
    expect((await filmOf('c1'))!.there).toBe(0);
  });

  it('is not told by a film that was chosen before: another one begins at its first piece', async () => {
    await kept();
    await noteThere('c1', 2);
    expect((await kept()).there).toBeUndefined();
    expect(await films()).toHaveLength(1);
  });

  it('ends when it is stopped', async () => {
    const stop = new AbortController();
    global.fetch = jest.fn(async () => {
      stop.abort();
      throw stop.signal.reason as Error;
    }) as unknown as typeof fetch;
    await expect(sendKept(await kept(), () => {}, stop.signal)).rejects.toMatchObject({ name: 'AbortError' });
  });
});

const work = { length: jest.fn(), prepare: jest.fn(), stopPreparing: jest.fn(async () => {}) };
beforeEach(() => {
  for (const mock of Object.values(work)) mock.mockReset();
  jest.mocked(filmWork).mockReturnValue(work as unknown as ReturnType<typeof filmWork>);
});

describe('the swimmer’s side', () => {
  it('says what is asked, what becomes of it, what was answered and when it goes', async () => {
    fakeServer({});
    await showRead(<MySent clips={[{ ...SENT, id: 'c2' }, ANSWERED, { ...CLIP, id: 'c3' }]} />);
    const heads = screen.getAllByRole('heading').map((h) => String(h.props.children));
    expect(heads).toEqual([
      'Your coach asks you for a clip',
      'Your coach about your clip',
      'Your clip is with your coach',
    ]);
    expect(screen.getByText('Press the chest.')).toBeTruthy();
    // 30 days after the answer, by hand.
    expect(screen.getByText(/It is deleted by itself on Wed 30 Dec\.$/)).toBeTruthy();
    expect(screen.getAllByText('Delete my clip')).toHaveLength(2);
    expect(screen.getByText(/sent without sound, and deleted 30 days after the answer/)).toBeTruthy();
  });

  it.each([
    [null, 3, /^The pictures of this video cannot be read here/],
    [0, 3, /^This file is empty/],
    [12, 0, /^This file is empty/],
  ])('refuses a video of %s s in %d bytes', async (seconds, size, words) => {
    fakeServer({});
    work.length.mockResolvedValue(seconds);
    jest.mocked(chooseFile).mockResolvedValue(new File(['x'.repeat(size)], 'a.mp4'));
    await showRead(<MySent clips={[CLIP]} />);
    fireEvent.press(screen.getByText('Film it, or choose a video'));
    expect(await screen.findByText(words)).toBeTruthy();
    expect(screen.queryByText('Send it')).toBeNull();
  });

  it('lets the minute of a longer film be chosen, and says why it cannot be made smaller', async () => {
    fakeServer({});
    work.length.mockResolvedValue(95);
    work.prepare.mockResolvedValue({ ok: false, why: 'cannot-write' });
    const file = new File(['xyz'], 'a.mp4');
    jest.mocked(chooseFile).mockResolvedValue(file);
    await showRead(<MySent clips={[CLIP]} />);
    fireEvent.press(screen.getByText('Film it, or choose a video'));
    expect(await screen.findByText('It is 95 s long. The 60 s from 0 s on are sent.')).toBeTruthy();
    fireEvent.press(screen.getByText('Send these 60 s'));
    expect(await screen.findByText(/^This browser cannot make this video small enough/)).toBeTruthy();
    expect(work.prepare.mock.calls[0]!.slice(0, 2)).toEqual([file, 0]);
    expect(screen.getByText('Another video')).toBeTruthy();
  });

  it.each([
    ['QuotaExceededError', /^This device has no room to keep the clip/],
    ['UnknownError', /^This video could not be made ready/],
  ])('says so when the device cannot keep it: %s', async (name, words) => {
    fakeServer({});
    work.length.mockResolvedValue(12);
    work.prepare.mockResolvedValue({ ok: true, film: BYTES, type: 'video/mp4', seconds: 12 });
    jest.mocked(chooseFile).mockResolvedValue(new File(['xyz'], 'a.mp4'));
    const full = jest.spyOn(filmStore, 'addPiece').mockRejectedValue(Object.assign(new Error('no'), { name }));
    await showRead(<MySent clips={[CLIP]} />);
    fireEvent.press(screen.getByText('Film it, or choose a video'));
    fireEvent.press(await screen.findByText('Send it'));
    expect(await screen.findByText(words)).toBeTruthy();
    expect(screen.getByText('Another video')).toBeTruthy();
    full.mockRestore();
  });

  it('says so when the video breaks what makes it ready', async () => {
    fakeServer({});
    work.length.mockResolvedValue(12);
    work.prepare.mockRejectedValue(new Error('decoder'));
    jest.mocked(chooseFile).mockResolvedValue(new File(['xyz'], 'a.mp4'));
    await showRead(<MySent clips={[CLIP]} />);
    fireEvent.press(screen.getByText('Film it, or choose a video'));
    fireEvent.press(await screen.findByText('Send it'));
    expect(await screen.findByText(/^This video could not be made ready/)).toBeTruthy();
  });

  it('goes on by itself with what waits on the device', async () => {
    await addPiece({ ...CLIP, name: 'Ada', at: CLIP.askedAt, type: 'video/mp4' }, new Blob(['x']), 41);
    const got = server(() => 204);
    await showRead(<MySent clips={[CLIP]} />);
    await waitFor(() => expect(got.at(-1)).toMatch(/^POST c1\/sent/));
    await waitFor(async () => expect(await films()).toEqual([]));
  });

  it('goes on when the line is there again', async () => {
    await addPiece({ ...CLIP, name: 'Ada', at: CLIP.askedAt, type: 'video/mp4' }, new Blob(['x']), 41);
    server(() => 'no line');
    await showRead(<MySent clips={[CLIP]} />);
    expect(await screen.findByText(/goes on when the network is back\.$/)).toBeTruthy();
    const got = server(() => 204);
    line.dispatchEvent(new Event('online'));
    await waitFor(() => expect(got.at(-1)).toMatch(/^POST c1\/sent/));
  });
});

describe('a clip that is kept and not asked for any more', () => {
  const keep = (id: string) =>
    addPiece({ ...CLIP, id, name: 'Ada', at: CLIP.askedAt, type: 'video/mp4' }, new Blob(['x']), 41);
  const here = async () => (await films()).map((film) => film.id);
  const says = (clips: readonly SentClip[] | null) => {
    const asked = jest.fn(async () => {
      if (!clips) throw new TypeError('Failed to fetch');
      return new Response(JSON.stringify(clips));
    });
    global.fetch = asked as unknown as typeof fetch;
    return asked;
  };

  it('leaves the device when the server says so', async () => {
    await keep('c1');
    await keep('c2');
    says([{ ...CLIP, id: 'c2' }]);
    await forgetUnasked([]);
    expect(await here()).toEqual(['c2']);
  });

  it('stays while the list on the page is only old, there is no line, or the server cannot say', async () => {
    await keep('c1');
    says([CLIP]);
    await forgetUnasked([]);
    says(null);
    await forgetUnasked([]);
    global.fetch = jest.fn(async () => new Response('{}', { status: 503 })) as unknown as typeof fetch;
    await forgetUnasked([]);
    expect(await here()).toEqual(['c1']);
  });

  it('asks nobody while all of it is listed', async () => {
    await keep('c1');
    const asked = says([]);
    await forgetUnasked([CLIP]);
    expect(asked).not.toHaveBeenCalled();
    expect(await here()).toEqual(['c1']);
  });
});

describe('the coach’s side', () => {
  it('lists what waits, what was asked and what was answered', async () => {
    fakeServer({ 'GET /sent-clips': () => ({ body: [SENT, { ...CLIP, id: 'c2' }, { ...ANSWERED, id: 'c3' }] }) });
    show(<SentList />);
    expect(await screen.findByText('1 clip sent in, waiting for you')).toBeTruthy();
    expect(screen.getByText(/^“Three lengths” · from the side · 41 s · 9\.0 MB · sent Sun 29 Nov$/)).toBeTruthy();
    expect(screen.getByText(/ · asked Sat 28 Nov, not sent yet$/)).toBeTruthy();
    expect(screen.getByText(/ · answered, goes by itself on Wed 30 Dec$/)).toBeTruthy();
    expect(screen.getByText('Take back')).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Look: the clip of Ada Lindqvale' })).toBeTruthy();
  });

  it('asks with words of the coach, not with none', async () => {
    const calls = fakeServer({ 'PUT /sent-clips/': ({ body }) => ({ body: { ...CLIP, ...body } }) });
    show(<AskCard swimmer={ROW} />);
    const wish = screen.getByLabelText('What you want to see');
    fireEvent.changeText(wish, '   ');
    expect(screen.getByRole('button', { name: 'Ask for it' })).toBeDisabled();
    fireEvent.changeText(wish, ' The catch ');
    fireEvent.press(screen.getByText('under water'));
    fireEvent.press(screen.getByText('Ask for it'));
    expect(await screen.findByText(/is asked\.$/)).toBeTruthy();
    expect(calls.find((c) => c.method === 'PUT')!.body).toEqual({
      swimmerId: ROW.id,
      wish: 'The catch',
      view: 'under',
    });
  });

  it('says why no voice can be recorded, and plays what was', async () => {
    await expect(speak(() => {})).rejects.toThrow(NoVoice);
    const sound = soundOf({ type: 'audio/webm;codecs=opus', data: 'YWJj' });
    expect([sound.type, await sound.text()]).toEqual(['audio/webm;codecs=opus', 'abc']);
  });

  describe('with a microphone', () => {
    const track = { stop: jest.fn() };
    let allow!: () => void;
    class Recorder extends EventTarget {
      static isTypeSupported = () => true;
      state = 'inactive';
      start() {
        this.state = 'recording';
      }
      stop() {
        this.state = 'inactive';
        this.dispatchEvent(Object.assign(new Event('dataavailable'), { data: new Blob(['abc']) }));
        this.dispatchEvent(new Event('stop'));
      }
    }
    class Reader {
      result = '';
      onload = () => undefined;
      readAsDataURL(blob: Blob) {
        void blob.arrayBuffer().then((bytes) => {
          this.result = `data:audio/webm;base64,${Buffer.from(bytes).toString('base64')}`;
          this.onload();
        });
      }
    }
    beforeEach(() => {
      track.stop.mockClear();
      Object.assign(globalThis, { MediaRecorder: Recorder, FileReader: Reader });
      Object.assign(navigator, {
        mediaDevices: {
          getUserMedia: () =>
            new Promise((resolve) => {
              allow = () => resolve({ getTracks: () => [track] });
            }),
        },
      });
    });
    afterEach(() => {
      Reflect.deleteProperty(globalThis, 'MediaRecorder');
      Reflect.deleteProperty(globalThis, 'FileReader');
      Reflect.deleteProperty(navigator, 'mediaDevices');
    });
    const begin = () => {
      const shown = show(<AnswerCard clip={SENT} proposed="Press the chest." onAnswered={() => undefined} />);
      fireEvent.press(screen.getByText(/^Say it, up to/));
      return shown;
    };

    it('records until it is told to stop, and lets the microphone go', async () => {
      begin();
      await act(async () => allow());
      expect(track.stop).not.toHaveBeenCalled();
      fireEvent.press(await screen.findByText('Stop speaking'));
      await waitFor(() => expect(track.stop).toHaveBeenCalledTimes(1));
    });

    it('lets it go when the page is left while it speaks', async () => {
      const { unmount } = begin();
      await act(async () => allow());
      await screen.findByText('Stop speaking');
      unmount();
      await waitFor(() => expect(track.stop).toHaveBeenCalledTimes(1));
    });

    it('shuts one that was allowed only after the page was left', async () => {
      const { unmount } = begin();
      unmount();
      await act(async () => allow());
      await waitFor(() => expect(track.stop).toHaveBeenCalledTimes(1));
    });
  });
});
