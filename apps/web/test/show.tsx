import { render } from '@testing-library/react-native';
import type { ReactElement } from 'react';
import { PaperProvider } from 'react-native-paper';
import { Provider } from 'react-redux';
import { testStore } from './testStore';
import { Icon } from '@/ui/Icon';
import { DAY } from '@/ui/theme';

/** Draws a part of a screen with a store and the theme of the day around it. */
export const show = (ui: ReactElement) =>
  render(ui, {
    wrapper: ({ children }) => (
      <Provider store={testStore()}>
        <PaperProvider theme={DAY} settings={{ icon: Icon }}>
          {children}
        </PaperProvider>
      </Provider>
    ),
  });
