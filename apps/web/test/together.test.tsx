import { act, fireEvent, screen, waitFor } from '@testing-library/react-native';
import type { LiveEvents } from '@upwell/contract/live';
import { sessionFieldsOf } from '@upwell/contract/sessions';
import { SessionScreen } from '@/sessions/screens/SessionScreen';
import { SessionsScreen } from '@/sessions/screens/SessionsScreen';
import { fakeServer, ID, ME, SESSION, SESSION_ROW, showAt } from './fakeServer';

/** A stream of the browser, whose events the test sends. */
class Source {
  static readonly CLOSED = 2;
  static all: Source[] = [];
  readyState = 1;
  onopen: (() => void) | null = null;
  onerror: (() => void) | null = null;
  private readonly heard = new Map<string, (event: { data: string }) => void>();

  constructor(readonly url: string) {
    Source.all.push(this);
  }
  addEventListener(event: string, listener: (event: { data: string }) => void): void {
    this.heard.set(event, listener);
  }
  close(): void {
    this.readyState = Source.CLOSED;
  }
  say<K extends keyof LiveEvents>(event: K, data: LiveEvents[K]): void {
    act(() => this.heard.get(event)!({ data: JSON.stringify(data) }));
  }
}

const open = async (): Promise<Source> => {
  await waitFor(() => expect(Source.all.some((one) => one.readyState === 1)).toBe(true));
  return Source.all.find((one) => one.readyState === 1)!;
};
const someone = [{ device: 'theirs', name: 'Orla' }];
let stored = SESSION;
/** Where an answer waits on its way; nothing when the network is quick. */
let onItsWay: (() => Promise<void>) | null = null;

function server() {
  return fakeServer({
    'GET /account/me': () => ({ body: ME }),
    'GET /sessions': () => ({ body: [SESSION_ROW] }),
    [`GET /sessions/${ID}/people`]: () => ({ body: [] }),
    [`GET /sessions/${ID}`]: async () => {
      const body = stored;
      await onItsWay?.();
      return { body };
    },
    'PUT /sessions/': ({ body }) => {
      if (body.version !== stored.version)
        return { status: 409, body: { detail: 'Changed elsewhere.', current: stored } };
      stored = { ...stored, ...body, version: body.version + 1 };
      return { body: stored };
    },
  });
}
const saves = (calls: ReturnType<typeof fakeServer>) => calls.filter((c) => c.method === 'PUT').map((c) => c.body);
const title = (text: string) => fireEvent.changeText(screen.getByLabelText('Title'), text);

beforeEach(() => {
  Source.all = [];
  stored = SESSION;
  onItsWay = null;
  const page = Object.assign(new EventTarget(), { visibilityState: 'visible', title: '' });
  const noWindow = { addEventListener: () => undefined, removeEventListener: () => undefined };
  Object.assign(globalThis, { EventSource: Source, document: page, ...noWindow });
});
afterEach(() => {
  for (const name of ['EventSource', 'document', 'addEventListener', 'removeEventListener'])
    Reflect.deleteProperty(globalThis, name);
});

describe('a session that somebody else has open too', () => {
  it('says so, and saves every change by itself', async () => {
    const calls = server();
    showAt({ 'sessions/[id]': SessionScreen }, `/sessions/${ID}`);
    await screen.findByLabelText('Title');
    (await open()).say('here', someone);
    await screen.findByText('Orla has this open too: every change is saved and shared at once.');
    title('By two');
    await waitFor(() => expect(saves(calls).map((c) => [c.version, c.title])).toEqual([[2, 'By two']]));
    await waitFor(() => expect(screen.queryByText('Unsaved changes are kept on this device.')).toBeNull());
    title('By two again');
    await waitFor(() => expect(saves(calls).map((c) => c.version)).toEqual([2, 3]));
  });

  it('shows what was saved there, with what is changed here on top of it', async () => {
    const calls = server();
    showAt({ 'sessions/[id]': SessionScreen }, `/sessions/${ID}`);
    await screen.findByLabelText('Title');
    const stream = await open();
    title('Mine');
    await screen.findByText('Unsaved changes are kept on this device.');
    stored = { ...SESSION, version: 7, plan: { ...SESSION.plan, minutes: 75 } };
    stream.say('session', { version: 7 });
    await screen.findByText(/75 min/);
    expect(screen.getByLabelText('Title').props.value).toBe('Mine');
    expect(saves(calls)).toEqual([]);
    fireEvent.press(screen.getByText('Save changes'));
    await waitFor(() =>
      expect(saves(calls).map((c) => [c.version, c.title, c.plan.minutes])).toEqual([[7, 'Mine', 75]]),
    );
  });

  it('shows the last of two saves, the second told while the first is asked for', async () => {
    server();
    showAt({ 'sessions/[id]': SessionScreen }, `/sessions/${ID}`);
    await screen.findByLabelText('Title');
    const stream = await open();
    let arrive!: () => void;
    const arrives = new Promise<void>((resolve) => (arrive = resolve));
    let asked = 0;
    onItsWay = () => (++asked === 1 ? arrives : Promise.resolve());
    stored = { ...SESSION, version: 7, plan: { ...SESSION.plan, minutes: 75 } };
    stream.say('session', { version: 7 });
    await waitFor(() => expect(asked).toBe(1));
    stored = { ...stored, version: 8, plan: { ...SESSION.plan, minutes: 90 } };
    stream.say('session', { version: 8 });
    await act(async () => arrive());
    await screen.findByText(/90 min/);
  });

  it('does not ask again and again for what it cannot get', async () => {
    server();
    showAt({ 'sessions/[id]': SessionScreen }, `/sessions/${ID}`);
    await screen.findByLabelText('Title');
    const stream = await open();
    let asked = 0;
    onItsWay = () => {
      asked++;
      return Promise.reject(new TypeError('No network.'));
    };
    stream.say('session', { version: 7 });
    await waitFor(() => expect(asked).toBeGreaterThan(0));
    const before = asked;
    await act(() => jest.advanceTimersByTimeAsync(300));
    expect(asked).toBe(before);
    onItsWay = null;
    stored = { ...SESSION, version: 7, plan: { ...SESSION.plan, minutes: 75 } };
    // The stream says again where it stands whenever it listens again.
    stream.say('session', { version: 7 });
    await screen.findByText(/75 min/);
  });

  it('names what both changed', async () => {
    server();
    showAt({ 'sessions/[id]': SessionScreen }, `/sessions/${ID}`);
    await screen.findByLabelText('Title');
    const stream = await open();
    title('Mine');
    stored = { ...SESSION, version: 7, title: 'Theirs' };
    stream.say('session', { version: 7 });
    await screen.findByText(/^Both of you changed the title/);
    fireEvent.press(screen.getByText('Use theirs'));
    await screen.findByText('Theirs');
    expect(screen.queryByText(/^Both of you/)).toBeNull();
  });

  it('asks for nothing when the version is the one on the screen, and says when it was taken out', async () => {
    const calls = server();
    showAt({ 'sessions/[id]': SessionScreen }, `/sessions/${ID}`);
    await screen.findByLabelText('Title');
    const stream = await open();
    const asked = () => calls.filter((c) => c.path === `/sessions/${ID}`).length;
    const before = asked();
    stream.say('session', { version: 2 });
    stream.say('session', { version: null });
    await screen.findByText('This session was taken out elsewhere. Nothing you change here is kept.');
    expect(asked()).toBe(before);
  });
});

describe('the stream of changes', () => {
  it('names the device, and is tried again when it was refused', async () => {
    jest.useFakeTimers({ doNotFake: ['queueMicrotask', 'nextTick', 'setImmediate'] });
    try {
      server();
      showAt({ 'sessions/[id]': SessionScreen }, `/sessions/${ID}`);
      await screen.findByLabelText('Title');
      const first = await open();
      expect(first.url).toMatch(new RegExp(`/sessions/${ID}/live\\?device=[0-9a-f-]{36}$`));
      first.say('here', someone);
      first.readyState = Source.CLOSED;
      act(() => first.onerror!());
      await waitFor(() => expect(screen.queryByText(/has this open too/)).toBeNull());
      await act(() => jest.advanceTimersByTimeAsync(2100));
      expect(Source.all).toHaveLength(2);
    } finally {
      jest.useRealTimers();
    }
  });

  it('is not held by a list, and ends with the page', async () => {
    server();
    showAt({ 'sessions/[id]': SessionScreen, sessions: SessionsScreen }, `/sessions/${ID}`);
    await screen.findByLabelText('Title');
    const stream = await open();
    fireEvent.press(screen.getByLabelText('Back'));
    await waitFor(() => expect(stream.readyState).toBe(Source.CLOSED));
    expect(Source.all.filter((one) => one.readyState === 1)).toEqual([]);
    expect(sessionFieldsOf(stored).title).toBe(SESSION.title);
  });
});
