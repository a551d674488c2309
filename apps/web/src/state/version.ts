/** Whether this page is of the newest build, and what must not be interrupted to load it. */
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

interface Version {
  /** A newer build is there: kept by the browser and waiting, or said by the server. */
  readonly newer: boolean;
  /** The page on which it was heard of: with the next one it is loaded. */
  readonly heardAt: string;
  /** The session whose clock runs on this device. */
  readonly clock: string | null;
}

const initialState: Version = { newer: false, heardAt: '', clock: null };

export const version = createSlice({
  name: 'version',
  initialState,
  reducers: {
    newerFound: {
      prepare: () => ({ payload: globalThis.window?.location?.pathname ?? '' }),
      reducer: (state, { payload }: PayloadAction<string>) => {
        if (!state.newer) state.heardAt = payload;
        state.newer = true;
      },
    },
    clockRuns: (state, { payload }: PayloadAction<{ readonly session: string; readonly runs: boolean }>) => {
      if (payload.runs) state.clock = payload.session;
      else if (state.clock === payload.session) state.clock = null;
    },
  },
});

export const { newerFound, clockRuns } = version.actions;

interface Moment {
  readonly version: Pick<Version, 'clock'>;
  readonly offline: { readonly waiting: number; readonly undecided: number };
}

/** What the change to a newer build waits for; null when it may come now. */
export function holdsBack({ version: { clock }, offline: { waiting, undecided } }: Moment): string | null {
  if (clock !== null) return 'while the clock runs';
  if (waiting + undecided > 0) return 'until everything is sent';
  return null;
}
