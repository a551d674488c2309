import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react-native';
import { Text } from 'react-native';
import { AccountScreen } from '@/account/AccountScreen';
import { accountEndpoints } from '@/account/api';
import { SignInScreen } from '@/account/SignInScreen';
import { api } from '@/api/api';
import { isLeaving, tellServer } from '@/api/leaving';
import { fact, openFor, setFact } from '@/offline/db';
import { keepOnDevice } from '@/offline/keeper';
import { enqueue, waitingChanges } from '@/offline/outbox';
import { keepPage, keptPage } from '@/offline/pages';
import { send } from '@/offline/sync';
import { testStore } from './testStore';
import { fakeServer, ID, ME, showAt } from './fakeServer';

keepOnDevice();

let account = 700;
beforeEach(async () => {
  // The device's database is written before the screens are shown, which take the time over.
  jest.useRealTimers();
  openFor(`leaving-${account++}`);
});
afterEach(async () => {
  cleanup();
  fakeServer({ 'POST /account/sign-out': () => ({ body: null }) });
  await tellServer();
});

/** The device's database answers only when the test lets time pass. */
const soon = (seen: () => Promise<void>) => waitFor(seen);

const lost = (): never => {
  throw new TypeError('network down');
};

/** A server whose network can be taken away. */
function server() {
  const network = { there: true };
  const answer = (body: unknown) => () => (network.there ? { body } : lost());
  const calls = fakeServer({
    'GET /account/me': answer(ME),
    'GET /readyz': answer(null),
    'POST /account/sign-in': answer(ME),
    'POST /account/sign-out': answer(null),
    'PUT /': answer({}),
  });
  return { network, calls };
}
const SCREENS = { account: AccountScreen, 'sign-in': SignInScreen, deck: () => <Text>Deck</Text> };

describe('signing out without a network', () => {
  it('forgets what was seen at once, and shows nobody in', async () => {
    const { network } = server();
    await keepPage('/swimmers', [{ givenName: 'Ada' }]);
    await setFact('last:run', 7);
    const store = showAt(SCREENS, '/account');
    expect(await screen.findByText('Jory · Coach')).toBeTruthy();
    network.there = false;
    fireEvent.press(screen.getByText('Sign out'));
    expect(await screen.findByText(/You are signed out on this device/)).toBeTruthy();
    await soon(async () => expect(await keptPage('/swimmers')).toBeUndefined());
    await soon(async () => expect(await fact('last:run')).toBeUndefined());
    // Asked again, also after the page was loaded again: nobody.
    const asked = store.dispatch(accountEndpoints.endpoints.me.initiate(undefined, { forceRefetch: true }));
    await soon(async () => expect((await asked).data).toBeNull());
    expect(isLeaving()).toBe(true);
  });

  it('tells the server as soon as there is a network, before anything else is asked', async () => {
    const { network, calls } = server();
    const store = showAt(SCREENS, '/account');
    await screen.findByText('Jory · Coach');
    network.there = false;
    fireEvent.press(screen.getByText('Sign out'));
    await screen.findByText(/You are signed out on this device/);
    network.there = true;
    const before = calls.length;
    fireEvent.changeText(screen.getByLabelText('E-mail'), 'a@b.example');
    fireEvent.changeText(screen.getByLabelText('Password'), 'secret');
    fireEvent.press(screen.getAllByText('Sign in').at(-1)!);
    await waitFor(() => expect(isLeaving()).toBe(false));
    await waitFor(() => expect(calls.slice(before).map((c) => c.path)).toContain('/account/sign-in'));
    expect(
      calls
        .slice(before)
        .map((c) => c.path)
        .slice(0, 2),
    ).toEqual(['/account/sign-out', '/account/sign-in']);
    expect(store.getState().offline.waiting).toBe(0);
  });

  it('sends nothing of the account that left until somebody signs in again', async () => {
    const { network, calls } = server();
    showAt(SCREENS, '/account');
    await screen.findByText('Jory · Coach');
    network.there = false;
    void enqueue({ id: ID, path: `/focuses/${ID}`, method: 'PUT', body: {}, label: 'Focus' });
    await soon(async () => expect(await waitingChanges()).toHaveLength(1));
    fireEvent.press(screen.getByText('Sign out'));
    // What waits is shown, and stays.
    await screen.findByText(/has not reached the server/);
    fireEvent.press(screen.getByText('Sign out'));
    await waitFor(() => expect(isLeaving()).toBe(true));
    await soon(async () => expect(await waitingChanges()).toHaveLength(1));
    network.there = true;
    const before = calls.length;
    const sent = send(testStore());
    await soon(async () => expect(await sent).toBeNull());
    expect(calls.slice(before).filter((c) => c.method === 'PUT')).toEqual([]);
  });
});

describe('an answer that comes after somebody else has signed in', () => {
  it('is not kept for them', async () => {
    let arrive: (found: { body: unknown }) => void = () => undefined;
    const calls = fakeServer({ 'GET /account/club': () => new Promise((resolve) => (arrive = resolve)) });
    const asked = testStore().dispatch(accountEndpoints.endpoints.clubRules.initiate());
    await waitFor(() => expect(calls).toHaveLength(1));
    openFor('the-next-one');
    arrive({ body: { kit: [] } });
    await asked;
    expect(await keptPage('/account/club')).toBeUndefined();
  });

  it('does not forget what is theirs', async () => {
    let arrive: (found: { status: number; body: unknown }) => void = () => undefined;
    const calls = fakeServer({ 'GET /account/club': () => new Promise((resolve) => (arrive = resolve)) });
    const asked = testStore().dispatch(accountEndpoints.endpoints.clubRules.initiate());
    await waitFor(() => expect(calls).toHaveLength(1));
    openFor('another-one');
    await keepPage('/account/club', ['theirs']);
    arrive({ status: 404, body: {} });
    await asked;
    expect(await keptPage('/account/club')).toEqual(['theirs']);
  });
});

describe('a sign-in that is over', () => {
  it('takes the kept pages with it', async () => {
    fakeServer({ 'GET /account/me': () => ({ body: null }) });
    await keepPage('/swimmers', [{ givenName: 'Ada' }]);
    jest.useFakeTimers();
    void testStore().dispatch(accountEndpoints.endpoints.me.initiate());
    await soon(async () => expect(await keptPage('/swimmers')).toBeUndefined());
  });
});

describe('a page that is gone at the server', () => {
  it('is forgotten here, unless it is new and waits', async () => {
    fakeServer({ 'GET /account/me': () => ({ body: ME }) });
    await keepPage(`/swimmers/${ID}`, { givenName: 'Ada' });
    await keepPage('/swimmers/new', { givenName: 'Bo' });
    await enqueue({ id: 'w', path: '/swimmers/new', method: 'PUT', body: {}, label: 'Bo' });
    const { endpoints } = api.injectEndpoints({
      endpoints: (build) => ({ anything: build.query<unknown, string>({ query: (path) => path }) }),
    });
    jest.useFakeTimers();
    const store = testStore();
    const asked = [`/swimmers/${ID}`, '/swimmers/new'].map((path) => store.dispatch(endpoints.anything.initiate(path)));
    await soon(async () => expect(await keptPage(`/swimmers/${ID}`)).toBeUndefined());
    await soon(async () => expect((await Promise.all(asked)).map((a) => a.isError)).toEqual([true, true]));
    await soon(async () => expect(await keptPage('/swimmers/new')).toEqual({ givenName: 'Bo' }));
  });
});
