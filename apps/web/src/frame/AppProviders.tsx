/** Store, theme, fonts: what every screen stands on. */
import { useFonts } from 'expo-font';
import { useEffect, type ReactNode } from 'react';
import { useColorScheme } from 'react-native';
import { PaperProvider } from 'react-native-paper';
import { Provider } from 'react-redux';
import regular from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff2';
import bold from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff2';
import { accountEndpoints } from '@/account/api';
import { deckEndpoints } from '@/deck/api';
import { libraryEndpoints } from '@/library/api';
import { keepOnDevice, keepApp, mergeWith, startSync } from '@/offline';
import { useAppSelector } from '@/state/hooks';
import { store } from './store';
import { Icon } from '@/ui/Icon';
import { DAY, FONT, FONT_BOLD, NIGHT } from '@/ui/theme';

keepOnDevice();
mergeWith(/^\/sessions\/[^/]+$/, async (base, mine, theirs) =>
  (await import('@/sessions/together')).mergeWaiting(base, mine, theirs),
);
keepApp(store);
askEarly();

/** Asks for what the first screen waits for before anything is drawn: on a slow phone that is a third of a second. */
function askEarly(): void {
  const path = globalThis.window?.location?.pathname ?? '';
  if (path.startsWith('/h/')) return;
  void store.dispatch(accountEndpoints.endpoints.me.initiate()).then(({ data: me }) => {
    // Its pages wait for the words of the club.
    if (me && me.libraryVersion > 0) void store.dispatch(libraryEndpoints.endpoints.library.initiate());
  });
  const session = /^\/deck\/([^/]+)\/run$/.exec(path)?.[1];
  if (session) void store.dispatch(deckEndpoints.endpoints.pack.initiate(session, { subscribe: false }));
}

export function AppProviders({ children }: { readonly children: ReactNode }) {
  // Text is drawn at once in a system font and swaps when ours has come: the first screen never waits for it.
  useFonts({ [FONT]: regular, [FONT_BOLD]: bold });
  useEffect(() => startSync(store), []);
  return (
    <Provider store={store}>
      <Themed>{children}</Themed>
    </Provider>
  );
}

function Themed({ children }: { readonly children: ReactNode }) {
  const chosen = useAppSelector((state) => state.settings.theme);
  const system = useColorScheme();
  const night = chosen === 'night' || (chosen === 'system' && system === 'dark');
  return (
    <PaperProvider theme={night ? NIGHT : DAY} settings={{ icon: Icon, rippleEffectEnabled: false }}>
      {children}
    </PaperProvider>
  );
}
