// The library of the club that is signed in, for the core to read.
import type { LibraryView } from '@upwell/contract/library';
import { NOTHING_OWN, readOwnFrom, shelvesOf } from '@upwell/core/own';
import type { Store } from '@reduxjs/toolkit';
import { libraryEndpoints } from './api';

const select = libraryEndpoints.endpoints.library.select();

/** From here on the core reads the library of the club that is signed in; what is built in where nobody is. */
export function followLibrary(store: Store): void {
  let seen: LibraryView | undefined;
  let shelves = NOTHING_OWN;
  // Asked each time: who listens to the store hears of a change a moment after it can be read there.
  readOwnFrom(() => {
    const { data } = select(store.getState() as never);
    if (data !== seen) {
      seen = data;
      shelves = data ? shelvesOf(data.entries) : NOTHING_OWN;
    }
    return shelves;
  });
}
