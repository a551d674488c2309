import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import { openFor } from '@/offline/db';
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
    fireEvent.press(await screen.findByText('Take theirs'));
    expect(await screen.findByText('Nothing waits')).toBeTruthy();
    await waitFor(async () => expect(await waitingChanges()).toEqual([]));
  });
});
