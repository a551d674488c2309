import { act, fireEvent, screen } from '@testing-library/react-native';
import { router } from 'expo-router';
import { Text } from 'react-native';
import { setOnBuild } from '@/api/api';
import { counted } from '@/state/offline';
import { VersionBar } from '@/offline/VersionBar';
import { askToStay, follow, heardOf, loadNewer } from '@/offline/version';
import { clockRuns, holdsBack, newerFound, version } from '@/state/version';
import { useSquadsQuery } from '@/swimmers/api';
import { sentence } from '@/api/problem';
import { fakeServer, showAt } from './fakeServer';
import { testStore } from './testStore';

const Squads = () => {
  const { error } = useSquadsQuery();
  return <Text>{error ? sentence(error) : 'fine'}</Text>;
};

describe('what a newer version waits for', () => {
  const moment = (clock: string | null, waiting: number, undecided: number) =>
    holdsBack({ version: { clock }, offline: { waiting, undecided } });
  it.each<[string | null, number, number, string | null]>([
    [null, 0, 0, null],
    ['s', 0, 0, 'while the clock runs'],
    ['s', 2, 0, 'while the clock runs'],
    [null, 1, 0, 'until everything is sent'],
    [null, 0, 1, 'until everything is sent'],
  ])('clock %p, %d waiting, %d undecided: %p', (clock, waiting, undecided, why) =>
    expect(moment(clock, waiting, undecided)).toBe(why),
  );

  it('is the clock of the session that runs, until that one ends', () => {
    const after = (...runs: readonly (readonly [string, boolean])[]) =>
      runs.reduce((s, [session, is]) => version.reducer(s, clockRuns({ session, runs: is })), version.getInitialState())
        .clock;
    expect(after(['a', true])).toBe('a');
    expect(after(['a', true], ['b', false])).toBe('a');
    expect(after(['a', true], ['a', false])).toBeNull();
    expect(after(['a', true], ['b', true], ['a', false])).toBe('b');
  });
});

describe('an open app', () => {
  const reload = jest.fn();
  beforeEach(() => {
    reload.mockClear();
    Object.assign(window, { location: { reload, hash: '', pathname: '/deck' } });
  });
  afterEach(() => Object.assign(window, { location: undefined }));
  const Page = () => (
    <>
      <VersionBar />
      <Text>Here</Text>
    </>
  );
  const show = () => {
    fakeServer({});
    return showAt({ deck: Page, swimmers: Page }, '/deck');
  };

  it('says nothing while it is of the newest version', async () => {
    show();
    await screen.findByText('Here');
    act(() => router.navigate('/swimmers'));
    expect(screen.queryByText(/new version/)).toBeNull();
    expect(reload).not.toHaveBeenCalled();
  });

  it('loads a newer one at a press, or with the next page', async () => {
    const store = show();
    await screen.findByText('Here');
    act(() => void store.dispatch(newerFound()));
    expect(screen.getByText('A new version of Upwell is ready.')).toBeTruthy();
    expect(reload).not.toHaveBeenCalled();
    fireEvent.press(screen.getByText('Load it'));
    expect(reload).toHaveBeenCalledTimes(1);
    act(() => router.navigate('/swimmers'));
    expect(reload).toHaveBeenCalledTimes(2);
  });

  it('waits for a running clock and for what is not sent', async () => {
    const store = show();
    await screen.findByText('Here');
    act(() => {
      store.dispatch(newerFound());
      store.dispatch(clockRuns({ session: 's', runs: true }));
    });
    expect(screen.getByText('A new version of Upwell is ready. It waits while the clock runs.')).toBeTruthy();
    expect(screen.queryByText('Load it')).toBeNull();
    act(() => router.navigate('/swimmers'));
    act(() => {
      store.dispatch(clockRuns({ session: 's', runs: false }));
      store.dispatch(counted({ waiting: 1, undecided: 0 }));
    });
    expect(screen.getByText(/It waits until everything is sent/)).toBeTruthy();
    act(() => router.navigate('/deck'));
    expect(reload).not.toHaveBeenCalled();
  });
});

describe('the build a server tells of', () => {
  it.each<[string | null, string, boolean]>([
    ['aaa', 'aaa', false],
    ['bbb', 'aaa', true],
    [null, 'aaa', false],
    ['bbb', '', false],
  ])('%p where this page is of %p: newer %p', (said, own, newer) => {
    const store = testStore();
    expect(heardOf(said, store, own)).toBe(newer);
    expect(store.getState().version.newer).toBe(newer);
  });

  it('explains a refusal that an older page does not understand', async () => {
    setOnBuild(() => true);
    fakeServer({ 'GET /squads': () => ({ status: 400, body: { detail: 'This field is not known.' } }) });
    showAt({ deck: Squads }, '/deck');
    expect(await screen.findByText(/The server is newer than this page/)).toBeTruthy();
    screen.unmount();
    setOnBuild(() => false);
    showAt({ deck: Squads }, '/deck');
    expect(await screen.findByText('This field is not known.')).toBeTruthy();
    setOnBuild(null);
  });
});

it('asks the browser once not to throw away what is kept', () => {
  const persist = jest.fn(async () => true);
  Object.assign(global, { navigator: { storage: { persist } } });
  askToStay();
  askToStay();
  expect(persist).toHaveBeenCalledTimes(1);
});

describe('an app that the browser keeps', () => {
  const reload = jest.fn();
  beforeEach(() => {
    jest.useFakeTimers();
    reload.mockClear();
    Object.assign(window, { location: { reload, pathname: '/deck' } });
  });
  afterEach(() => {
    jest.useRealTimers();
    Object.assign(window, { location: undefined });
  });

  /** A browser with a kept app: what waits there, and what it says of it. */
  async function keeping(registration: {
    waiting: object | null;
    installing: object | null;
    unregister?: () => Promise<boolean>;
  }) {
    const hears = new Map<string, (event: object) => void>();
    const worker = {
      addEventListener: (name: string, hear: (event: object) => void) => hears.set(name, hear),
      register: async () => registration,
      update: async () => undefined,
      messageSkipWaiting: jest.fn(),
    };
    const store = testStore();
    await follow(worker as never, store);
    return { store, worker, says: (name: string, event: object = {}) => hears.get(name)!(event) };
  }

  it('loads the page again when the newer app has taken over, not while it still waits', async () => {
    const { store, worker, says } = await keeping({ waiting: {}, installing: null });
    says('waiting');
    expect(store.getState().version.newer).toBe(true);
    loadNewer();
    loadNewer();
    expect(worker.messageSkipWaiting).toHaveBeenCalled();
    jest.advanceTimersByTime(5_000);
    expect(reload).not.toHaveBeenCalled();
    says('controlling', { isUpdate: true });
    expect(reload).toHaveBeenCalledTimes(1);
  });

  it('leaves a clock alone that was started while the newer app took over', async () => {
    const { store, says } = await keeping({ waiting: {}, installing: null });
    says('waiting');
    loadNewer();
    store.dispatch(clockRuns({ session: 's', runs: true }));
    says('controlling', { isUpdate: true });
    jest.advanceTimersByTime(60_000);
    expect(reload).not.toHaveBeenCalled();
    expect(store.getState().version.newer).toBe(true);
  });

  describe('that does not change over', () => {
    const server = (reachable: boolean) =>
      jest.spyOn(global, 'fetch').mockImplementation(async () => {
        if (!reachable) throw new TypeError('no network');
        return new Response('{}');
      });
    const unregister = jest.fn(async () => true);
    beforeEach(() => unregister.mockClear());
    afterEach(() => jest.restoreAllMocks());

    it('is let go, and the page comes from the server', async () => {
      server(true);
      await keeping({ waiting: {}, installing: null, unregister });
      loadNewer();
      await jest.advanceTimersByTimeAsync(7000);
      expect(reload).not.toHaveBeenCalled();
      await jest.advanceTimersByTimeAsync(2000);
      expect([unregister.mock.calls.length, reload.mock.calls.length]).toEqual([1, 1]);
    });

    it('stays without a network, and while a clock runs; the next page asks again', async () => {
      server(false);
      const { store, worker } = await keeping({ waiting: {}, installing: null, unregister });
      loadNewer();
      await jest.advanceTimersByTimeAsync(60_000);
      server(true);
      loadNewer();
      store.dispatch(clockRuns({ session: 's', runs: true }));
      await jest.advanceTimersByTimeAsync(60_000);
      expect([unregister.mock.calls.length, reload.mock.calls.length]).toEqual([0, 0]);
      expect(worker.messageSkipWaiting).toHaveBeenCalledTimes(2);
    });
  });

  it('loads the page at once when another tab has changed over already', async () => {
    const { store, worker, says } = await keeping({ waiting: null, installing: null });
    says('controlling', { isUpdate: true });
    expect(store.getState().version.newer).toBe(true);
    expect(reload).not.toHaveBeenCalled();
    loadNewer();
    expect(reload).toHaveBeenCalledTimes(1);
    expect(worker.messageSkipWaiting).not.toHaveBeenCalled();
  });

  it('notices that the page is older than the app that is kept already', async () => {
    const registration: { waiting: object | null; installing: object | null } = { waiting: null, installing: {} };
    const { store } = await keeping(registration);
    jest.setSystemTime(Date.now() + 60_000);
    expect(heardOf('b', store, 'a')).toBe(true);
    await jest.advanceTimersByTimeAsync(1);
    // It is on its way, and will be told of when it is there.
    expect(store.getState().version.newer).toBe(false);
    registration.installing = null;
    jest.setSystemTime(Date.now() + 60_000);
    heardOf('b', store, 'a');
    await jest.advanceTimersByTimeAsync(1);
    expect(store.getState().version.newer).toBe(true);
  });
});
