import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** Unsaved work by what it is about, like `review:<swimmer id>`. Survives a reload and a closed tab. */
export type Drafts = Readonly<Record<string, unknown>>;

export const drafts = createSlice({
  name: 'drafts',
  initialState: {} as Record<string, unknown>,
  reducers: {
    keepDraft: (state, { payload }: PayloadAction<{ key: string; value: unknown }>) => {
      state[payload.key] = payload.value;
    },
    dropDraft: (state, { payload }: PayloadAction<string>) => {
      delete state[payload];
    },
    dropAllDrafts: () => ({}),
  },
});

export const { keepDraft, dropDraft, dropAllDrafts } = drafts.actions;
