import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import { openFor } from '@/offline/db';
import { keepEvent } from '@/offline/events';
import { keepOnDevice } from '@/offline/keeper';
import { enqueue, waitingChanges } from '@/offline/outbox';
import { WaitingScreen } from '@/offline/screens/WaitingScreen';
import { send } from '@/offline/sync';
import { FocusScreen } from '@/review/screens/FocusScreen';
import { FOCUS, fakeServer, ID, ME, showAt, SWIMMER } from './fakeServer';

keepOnDevice();

const me = () => ({ body: ME });
const swimmer = () => ({ body: SWIMMER });
let account = 200;
// Every test on a device of its own; the server says who that is.
beforeEach(() => openFor(`waiting-${account++}`));

describe('a change without a network', () => {
  const path = `/swimmers/${ID}/focus`;
  const routes = { 'swimmers/[id]/focus': FocusScreen };

  it('keeps a try on the device when the network is gone, and sends it later', async () => {
    let lost = true;
    const calls = fakeServer({
      'GET /account/me': me,
      'GET /outcomes': () => ({ body: [{ cause: FOCUS.cause, drill: FOCUS.drill, better: 7, notBetter: 2 }] }),
      [`GET /swimmers/${ID}`]: swimmer,
      [`PUT /focuses/${ID}/tries/`]: () => {
        if (lost) throw new TypeError('network down');
        return { body: FOCUS };
      },
    });
    const store = showAt(routes, path);
    expect(await screen.findByText('Swim it once, look, and say how it went.')).toBeTruthy();
    expect(await screen.findByText('worked 7 of 9')).toBeTruthy();
    fireEvent.press(screen.getByText('Same'));
    await waitFor(() => expect(store.getState().offline.waiting).toBe(1));
    fireEvent.press(screen.getByText('Same'));
    await waitFor(() => expect(store.getState().offline.waiting).toBe(2));
    expect(store.getState().offline.reachable).toBe(false);
    lost = false;
    void send(store);
    await waitFor(() => expect(store.getState().offline).toMatchObject({ waiting: 0, reachable: true }));
    const sent = calls.filter((c) => c.method === 'PUT').map((c) => c.path);
    // Each try keeps its own address, so a repeat is the same try.
    expect(new Set(sent).size).toBe(2);
  });
});

describe('two versions', () => {
  it('are both shown, and mine goes on top of theirs', async () => {
    let answers = 0;
    const calls = fakeServer({
      'GET /account/me': me,
      [`PUT /focuses/${ID}`]: () =>
        answers++ === 0
          ? { status: 409, body: { detail: 'Changed elsewhere.', current: { ...FOCUS, version: 5, felt: 'heavier' } } }
          : { body: FOCUS },
    });
    const store = showAt({ waiting: WaitingScreen }, '/waiting');
    void enqueue({
      id: ID,
      path: `/focuses/${ID}`,
      method: 'PUT',
      body: { felt: 'lighter', version: 1, writeId: ID },
      label: 'Focus',
    }).then(() => send(store));
    expect(await screen.findByText('heavier')).toBeTruthy();
    expect(screen.getByText('lighter')).toBeTruthy();
    fireEvent.press(screen.getByText('Keep mine'));
    expect(await screen.findByText('Nothing waits')).toBeTruthy();
    expect(calls.at(-1)!.body).toMatchObject({ felt: 'lighter', version: 5 });
    await waitFor(() => expect(store.getState().offline).toMatchObject({ waiting: 0, undecided: 0 }));
  });

  it('leave the server as it is when theirs counts', async () => {
    fakeServer({
      'GET /account/me': me,
      [`PUT /focuses/${ID}`]: () => ({ status: 409, body: { detail: 'Changed.', current: { ...FOCUS, felt: 'x' } } }),
    });
    const store = showAt({ waiting: WaitingScreen }, '/waiting');
    const body = { felt: 'lighter', version: 1, writeId: ID };
    void enqueue({ id: ID, path: `/focuses/${ID}`, method: 'PUT', body, label: 'Focus' }).then(() => send(store));
    fireEvent.press(await screen.findByText('Use theirs'));
    expect(await screen.findByText('Nothing waits')).toBeTruthy();
    await waitFor(async () => expect(await waitingChanges()).toEqual([]));
  });
});

describe('a server that fails on one change', () => {
  const COURSE = '01a20bb8-5dce-719c-8bc2-8d9b01d7e6aa';
  const RUN = '01a20bb8-5dce-719c-8bc2-8d9b01d7e6bb';
  const put = (path: string, label: string) =>
    enqueue({ id: path, path, method: 'PUT', body: { version: 0, writeId: ID }, label });

  /** The device's database answers by timers, which only waiting moves on. */
  const done = async (work: () => Promise<unknown>) => {
    let ended = false;
    void work().then(() => (ended = true));
    await waitFor(() => expect(ended).toBe(true));
  };

  it('is told from no network; the others and the notes from the deck go on, and the coach decides', async () => {
    let fails = true;
    const calls = fakeServer({
      'GET /account/me': me,
      [`PUT /courses/${COURSE}`]: () =>
        fails ? { status: 500, body: { detail: 'Something went wrong on our side.' } } : { body: {} },
      [`PUT /focuses/${ID}`]: () => ({ body: FOCUS }),
      [`POST /deck/runs/${RUN}/events`]: () => ({ body: { stored: 1 } }),
    });
    const store = showAt({ waiting: WaitingScreen }, '/waiting');
    await done(async () => {
      await put(`/courses/${COURSE}`, 'Course: Loop');
      await put(`/focuses/${ID}`, 'Focus');
      await keepEvent(RUN, { id: ID, atMs: 1, device: ID, kind: 'end' });
      await send(store);
    });
    expect(store.getState().offline).toMatchObject({ reachable: true, trouble: true, waiting: 1, undecided: 0 });
    expect(await screen.findByText('The server can be reached, but is having trouble')).toBeTruthy();
    expect(await screen.findByText(/Sending this failed once so far/)).toBeTruthy();
    expect(calls.filter((c) => /focuses|deck/.test(c.path)).map((c) => c.path)).toEqual([
      `/focuses/${ID}`,
      `/deck/runs/${RUN}/events`,
    ]);
    await done(() => send(store));
    await done(() => send(store));
    expect(store.getState().offline).toMatchObject({ waiting: 0, undecided: 1 });
    expect(await screen.findByText(/failed 3 times, so it is set aside. The server can be reached/)).toBeTruthy();
    expect(screen.getByText('Save to a file')).toBeTruthy();
    expect(screen.getByText('Hold to drop it')).toBeTruthy();
    fails = false;
    fireEvent.press(screen.getByText('Try again'));
    expect(await screen.findByText('Nothing waits')).toBeTruthy();
    await waitFor(() => expect(store.getState().offline).toMatchObject({ trouble: false, undecided: 0 }));
  });

  it.each([
    ['answers 503 to this and is ready for others', 503, true, { reachable: true, trouble: true }, 1],
    ['answers 502 like everything before it', 502, false, { reachable: true, trouble: true }, undefined],
    ['has no time now', 429, true, { reachable: true, trouble: true }, undefined],
    ['breaks the connection on this alone', 0, true, { reachable: true, trouble: true }, 1],
    ['is not there', 0, false, { reachable: false, trouble: false }, undefined],
  ])('that %s: is counted, or not, and called what it is', async (_name, status, ready, line, failures) => {
    fakeServer({
      'GET /readyz': () => ({ status: ready ? 200 : 503, body: {} }),
      [`PUT /courses/${COURSE}`]: () => {
        if (status === 0) throw new TypeError('connection lost');
        return { status, body: {} };
      },
    });
    const store = showAt({ waiting: WaitingScreen }, '/waiting');
    await done(async () => {
      await put(`/courses/${COURSE}`, 'Course: Loop');
      await send(store);
    });
    expect(store.getState().offline).toMatchObject({ ...line, waiting: 1, undecided: 0 });
    let entries: Awaited<ReturnType<typeof waitingChanges>> = [];
    await done(async () => (entries = await waitingChanges()));
    expect(entries.map((c) => [c.state, c.failures])).toEqual([['waiting', failures]]);
  });

  it('leaves notes waiting while their own session could not be saved', async () => {
    const calls = fakeServer({
      'GET /account/me': me,
      [`PUT /sessions/${RUN}`]: () => ({ status: 500, body: {} }),
      'POST /deck/runs/': () => ({ body: { stored: 1 } }),
    });
    const store = showAt({ waiting: WaitingScreen }, '/waiting');
    await done(async () => {
      await put(`/sessions/${RUN}`, 'Session');
      await keepEvent(RUN, { id: ID, atMs: 1, device: ID, kind: 'end' });
      await keepEvent(COURSE, { id: COURSE, atMs: 1, device: ID, kind: 'end' });
      await send(store);
    });
    expect(calls.filter((c) => c.method === 'POST').map((c) => c.path)).toEqual([`/deck/runs/${COURSE}/events`]);
    expect(store.getState().offline).toMatchObject({ waiting: 2, undecided: 0 });
  });
});
