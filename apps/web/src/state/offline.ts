/** What the device knows of the way to the server. */
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

interface Offline {
  /** Whether the last thing we asked the server was answered. */
  readonly reachable: boolean;
  /** The server answers, and failed on something or asks to come back later. */
  readonly trouble: boolean;
  /** Changes and deck notes that the server does not have yet. */
  readonly waiting: number;
  /** Changes that need a decision: two versions, or refused. */
  readonly undecided: number;
  /** The device could not store something. */
  readonly full: boolean;
}

const initialState: Offline = { reachable: true, trouble: false, waiting: 0, undecided: 0, full: false };

export const offline = createSlice({
  name: 'offline',
  initialState,
  reducers: {
    reached: (state, { payload }: PayloadAction<boolean>) => {
      state.reachable = payload;
    },
    troubled: (state, { payload }: PayloadAction<boolean>) => {
      state.trouble = payload;
    },
    counted: (state, { payload }: PayloadAction<{ waiting: number; undecided: number }>) => {
      state.waiting = payload.waiting;
      state.undecided = payload.undecided;
    },
    storageFull: (state, { payload }: PayloadAction<boolean>) => {
      state.full = payload;
    },
  },
});

export const { reached, troubled, counted, storageFull } = offline.actions;
