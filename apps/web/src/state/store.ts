import { configureStore } from '@reduxjs/toolkit';
import { api } from '@/api/api';
import { offline, storageFull } from '@/offline/slice';
import { version } from '@/offline/version';
import { drafts } from './drafts';
import { keep, kept } from './persist';
import { settings } from './settings';

export function makeStore() {
  const store = configureStore({
    reducer: {
      [api.reducerPath]: api.reducer,
      drafts: drafts.reducer,
      settings: settings.reducer,
      offline: offline.reducer,
      version: version.reducer,
    },
    preloadedState: { drafts: kept('drafts', {}), settings: kept('settings', { theme: 'system' as const }) },
    middleware: (defaults) => defaults().concat(api.middleware),
  });
  let last = store.getState();
  store.subscribe(() => {
    const now = store.getState();
    const before = last;
    last = now;
    const kept =
      (now.drafts === before.drafts || keep('drafts', now.drafts)) &&
      (now.settings === before.settings || keep('settings', now.settings));
    if (!kept) store.dispatch(storageFull(true));
  });
  return store;
}

export const store = makeStore();
export type Store = typeof store;
export type State = ReturnType<Store['getState']>;
