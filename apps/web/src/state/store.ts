import { configureStore } from '@reduxjs/toolkit';
import { api } from '@/api/api';
import { drafts } from './drafts';
import { keep, kept } from './persist';
import { settings } from './settings';

export function makeStore() {
  const store = configureStore({
    reducer: { [api.reducerPath]: api.reducer, drafts: drafts.reducer, settings: settings.reducer },
    preloadedState: { drafts: kept('drafts', {}), settings: kept('settings', { theme: 'system' as const }) },
    middleware: (defaults) => defaults().concat(api.middleware),
  });
  let last = store.getState();
  store.subscribe(() => {
    const now = store.getState();
    if (now.drafts !== last.drafts) keep('drafts', now.drafts);
    if (now.settings !== last.settings) keep('settings', now.settings);
    last = now;
  });
  return store;
}

export const store = makeStore();
export type Store = typeof store;
export type State = ReturnType<Store['getState']>;
