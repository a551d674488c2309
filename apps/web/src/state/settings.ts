/** What this device prefers; kept on the device. */
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

export type ThemeChoice = 'system' | 'day' | 'night';

interface Settings {
  readonly theme: ThemeChoice;
}

const initialState: Settings = { theme: 'system' };

export const settings = createSlice({
  name: 'settings',
  initialState,
  reducers: {
    chooseTheme: (state, action: PayloadAction<ThemeChoice>) => {
      state.theme = action.payload;
    },
  },
});

export const { chooseTheme } = settings.actions;
