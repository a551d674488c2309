import { Slot } from 'expo-router';
import { AppProviders } from '@/frame';

export default function RootLayout() {
  return (
    <AppProviders>
      <Slot />
    </AppProviders>
  );
}
