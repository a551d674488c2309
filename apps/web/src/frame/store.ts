// The one store of the app, with what survives a reload.
import { configureStore } from '@reduxjs/toolkit';
import { api } from '@/api/api';
import { followLibrary } from '@/library/follow';
import { openAccount } from '@/offline';
import { keepDrafts, keptDrafts } from '@/state/drafts';
import { storageFull } from '@/state/offline';
import { keep, kept } from '@/state/persist';
import { reducers } from '@/state/reducers';
import { SETTINGS } from '@/state/settings';

export function makeStore() {
  const store = configureStore({
    reducer: {
      [api.reducerPath]: api.reducer,
      ...reducers,
    },
    preloadedState: { drafts: keptDrafts(openAccount()), settings: { ...SETTINGS, ...kept('settings', SETTINGS) } },
    middleware: (defaults) =>
      // Checks of development, also in tests: how long they take is the machine's affair.
      defaults({ immutableCheck: { warnAfter: Infinity }, serializableCheck: { warnAfter: Infinity } }).concat(
        api.middleware,
      ),
  });
  followLibrary(store);
  let last = store.getState();
  store.subscribe(() => {
    const now = store.getState();
    const before = last;
    last = now;
    const kept =
      (now.drafts === before.drafts || keepDrafts(openAccount(), now.drafts)) &&
      (now.settings === before.settings || keep('settings', now.settings));
    if (!kept) store.dispatch(storageFull(true));
  });
  return store;
}

export const store = makeStore();
