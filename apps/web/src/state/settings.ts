/** What this device prefers; kept on the device. */
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

export type ThemeChoice = 'system' | 'day' | 'night';

/** The hand that holds the phone at the pool side: its thumb reaches this edge. */
export type Hand = 'right' | 'left';

/** The light in which the deck clock and the card are read. */
export type DeckLight = 'dark' | 'sun';

interface Settings {
  readonly theme: ThemeChoice;
  readonly hand: Hand;
  readonly deckLight: DeckLight;
}

export const SETTINGS: Settings = { theme: 'system', hand: 'right', deckLight: 'dark' };

export const settings = createSlice({
  name: 'settings',
  initialState: SETTINGS,
  reducers: {
    chooseTheme: (state, action: PayloadAction<ThemeChoice>) => {
      state.theme = action.payload;
    },
    chooseHand: (state, action: PayloadAction<Hand>) => {
      state.hand = action.payload;
    },
    chooseDeckLight: (state, action: PayloadAction<DeckLight>) => {
      state.deckLight = action.payload;
    },
  },
});

export const { chooseTheme, chooseHand, chooseDeckLight } = settings.actions;
