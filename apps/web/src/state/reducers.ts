import type { Store, StateFromReducersMapObject, ThunkDispatch, UnknownAction } from '@reduxjs/toolkit';
import { offline } from './offline';
import { drafts } from './drafts';
import { place } from './place';
import { settings } from './settings';
import { version } from './version';

/** Everything the app remembers besides the answers of the server. */
export const reducers = {
  drafts: drafts.reducer,
  settings: settings.reducer,
  offline: offline.reducer,
  place: place.reducer,
  version: version.reducer,
};

export type AppState = StateFromReducersMapObject<typeof reducers>;

/** The store as every domain knows it; the frame makes it. */
export type AppStore = Store<AppState> & { readonly dispatch: ThunkDispatch<AppState, unknown, UnknownAction> };
