import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { keep, kept } from './persist';

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
    /** The drafts of somebody else, who has signed in on this device. */
    takeDrafts: (_before, { payload }: PayloadAction<Drafts>) => ({ ...payload }),
  },
});

export const { keepDraft, dropDraft, dropAllDrafts, takeDrafts } = drafts.actions;

const nameOf = (account: string) => `drafts.${account}`;
/** Until accounts had drafts of their own, a device had one heap of them. */
const HEAP = 'drafts';

/** Drafts of an account that are on this device; nobody else on it sees them. */
export function keptDrafts(account: string): Drafts {
  const heap = kept<Drafts>(HEAP, {});
  if (account === 'nobody' || Object.keys(heap).length === 0) return kept<Drafts>(nameOf(account), {});
  keep(HEAP, {});
  return { ...heap, ...kept<Drafts>(nameOf(account), {}) };
}

/** Keeps drafts of an account on this device; false when there is no room. */
export const keepDrafts = (account: string, all: Drafts): boolean => keep(nameOf(account), all);
