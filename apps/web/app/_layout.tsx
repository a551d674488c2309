import { Slot } from 'expo-router';
import { AppProviders } from '@/ui/AppProviders';

export default function RootLayout() {
  return (
    <AppProviders>
      <Slot />
    </AppProviders>
  );
}
