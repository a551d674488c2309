import type { Workbox } from 'workbox-window';
import { setOnBuild } from '@/api/api';
import type { AppStore } from '@/state/reducers';
import { holdsBack, newerFound } from '@/state/version';

/** The build this page is of, as it stands in the page itself; empty when it was not built, as in tests. */
export function ownBuild(): string {
  return globalThis.document?.querySelector?.('meta[name="upwell-build"]')?.getAttribute('content') ?? '';
}

type Tell = Pick<AppStore, 'dispatch'>;

/** Asks the browser to look for a newer build, and says whether one is on its way. Only where the app is kept by it. */
let look: (() => Promise<boolean>) | null = null;
let lookedAt = -Infinity;
/** Least time between two looks that answers of the server ask for, milliseconds. */
const LOOK_AGAIN_MS = 30_000;

/**
 * Hears from an answer of the server which build it serves, and says whether that is another one than this page's.
 *
 * Where the browser keeps the app it has to fetch the new one first, and says itself when it has. When it has nothing to
 * fetch, the kept app is newer than this page: another page loads it.
 */
export function heardOf(build: string | null, store: Tell, own = ownBuild()): boolean {
  const newer = own !== '' && build !== null && build !== own;
  if (newer && look === null) store.dispatch(newerFound());
  if (newer && look !== null && Date.now() - lookedAt > LOOK_AGAIN_MS) {
    lookedAt = Date.now();
    void look().then((isComing) => !isComing && store.dispatch(newerFound()), noNetwork);
  }
  return newer;
}

const reload = (): void => globalThis.window?.location.reload();

/** Loads the newer build. */
let changeOver = reload;

export const loadNewer = (): void => changeOver();

/** How often an open app is asked for a newer build, milliseconds. */
const LOOK_MS = 30 * 60_000;
/** A browser that has not changed over by then will not: a kept app that was asked for something in that moment stays. Milliseconds. */
const SLOWEST_CHANGE_MS = 8000;

/**
 * Follows the app that the browser keeps: says when a newer one waits, and changes over to it when asked.
 *
 * The page is loaded again once the newer app has taken over, not before: it would be of the older one once more, and a
 * browser that changes over in that moment may leave the page without an answer. Where it does not take over, the page is
 * loaded without any kept app.
 */
export async function follow(worker: Workbox, store: Pick<AppStore, 'getState' | 'dispatch'>): Promise<void> {
  let asked = false;
  // A clock may have been started since it was asked for: then the next page after it loads the newer app.
  const loadNow = () => {
    asked = false;
    if (holdsBack(store.getState()) === null) reload();
    else store.dispatch(newerFound());
  };
  worker.addEventListener('waiting', () => store.dispatch(newerFound()));
  // Another tab changed over: what this page has not loaded yet is gone from the kept app.
  worker.addEventListener('controlling', ({ isUpdate }) => {
    if (asked) loadNow();
    else if (isUpdate) store.dispatch(newerFound());
  });
  const registration = await worker.register({ immediate: true });
  // The kept app lets go of the page, which is then loaded from the server and kept again; what was kept of it is used again.
  const startOver = async () => {
    if (!asked) return;
    asked = false;
    if (holdsBack(store.getState()) !== null || !(await reachesServer())) return;
    await registration?.unregister();
    reload();
  };
  const isComing = () => Boolean(registration?.waiting ?? registration?.installing);
  look = async () => {
    await worker.update();
    return isComing();
  };
  changeOver = () => {
    // Another tab has changed over already.
    if (!isComing()) return reload();
    if (!asked) setTimeout(() => void startOver(), SLOWEST_CHANGE_MS);
    asked = true;
    worker.messageSkipWaiting();
  };
}

/** Lets the app open without a network, and hears of newer builds. Only where it was built for it. */
export function keepApp(store: Pick<AppStore, 'getState' | 'dispatch'>): void {
  setOnBuild(heardOf);
  if (typeof navigator === 'undefined' || !('serviceWorker' in navigator) || process.env.NODE_ENV !== 'production')
    return;
  const keep = async (): Promise<void> => {
    const { Workbox } = await import('workbox-window');
    const worker = new Workbox('/sw.js');
    await follow(worker, store);
    const update = () => worker.update();
    setInterval(() => void update().catch(noNetwork), LOOK_MS);
    document.addEventListener('visibilitychange', () => {
      if (document.visibilityState === 'visible') void update().catch(noNetwork);
      // Nobody looks: the best moment.
      else if (store.getState().version.newer && holdsBack(store.getState()) === null) loadNewer();
    });
  };
  const start = () =>
    void keep().catch((error: unknown) => {
      // A browser that forbids it, as in a private window: everything works, but not without a network.
      console.warn('The app cannot be stored for offline use.', error);
    });
  const whenOnline = () => {
    if (navigator.onLine) start();
    else window.addEventListener('online', start, { once: true });
  };
  const whenLoaded = () => {
    // A kept app can only be asked for a newer one, and that would slow down its first screen.
    if (navigator.serviceWorker.controller) setTimeout(whenOnline, 2000);
    else start();
  };
  if (document.readyState === 'complete') whenLoaded();
  else window.addEventListener('load', whenLoaded, { once: true });
}

const reachesServer = (): Promise<boolean> =>
  fetch('/healthz', { signal: AbortSignal.timeout(5000) }).then(
    ({ ok }) => ok,
    () => false,
  );

/** Asked another time in half an hour. */
const noNetwork = () => undefined;

/** Asks the browser not to throw away what is kept here when it needs room. Once a page. */
let askedToStay = false;
export function askToStay(): void {
  if (askedToStay || typeof navigator === 'undefined' || !navigator.storage?.persist) return;
  askedToStay = true;
  void navigator.storage.persist().catch(noNetwork);
}
