/** The light of the deck's pages: dark against glare under a roof and for the battery, or black on white in full sun. */
import type { ReactNode } from 'react';
import { IconButton, PaperProvider } from 'react-native-paper';
import { useAppDispatch, useAppSelector } from '@/state/hooks';
import { chooseDeckLight } from '@/state/settings';
import { Icon } from '@/ui/Icon';
import { NIGHT, SUN } from '@/ui/theme';

const useSun = () => useAppSelector((state) => state.settings.deckLight === 'sun');

export function DeckLight({ children }: { readonly children: ReactNode }) {
  return (
    <PaperProvider theme={useSun() ? SUN : NIGHT} settings={{ icon: Icon, rippleEffectEnabled: false }}>
      {children}
    </PaperProvider>
  );
}

/** From one to the other where it is needed, with one tap. */
export function LightButton() {
  const dispatch = useAppDispatch();
  const sun = useSun();
  return (
    <IconButton
      icon={sun ? 'weather-night' : 'white-balance-sunny'}
      accessibilityLabel={sun ? 'Dark, under a roof or by night' : 'Bright, for the sun'}
      onPress={() => dispatch(chooseDeckLight(sun ? 'dark' : 'sun'))}
    />
  );
}
