import type { LibraryView } from '@upwell/contract/library';
import { NOTHING_OWN, readOwnFrom, shelvesOf } from '@upwell/core/own';
import type { Store } from '@reduxjs/toolkit';
import { libraryEndpoints } from './api';

const select = libraryEndpoints.endpoints.library.select();

/** From here on the core reads the library of the club that is signed in; what is built in where nobody is. */
export function followLibrary(store: Store): void {
  let seen: LibraryView | undefined;
  let shelves = NOTHING_OWN;
  readOwnFrom(() => shelves);
  store.subscribe(() => {
    const { data } = select(store.getState() as never);
    if (data === seen) return;
    seen = data;
    shelves = data ? shelvesOf(data.entries) : NOTHING_OWN;
  });
}
