import { useRouter, type Href } from 'expo-router';
import { Button } from 'react-native-paper';

/** From an empty place to where it is filled. */
export function WayOn({ to, label }: { readonly to: string; readonly label: string }) {
  const router = useRouter();
  return (
    <Button mode="contained" onPress={() => router.navigate(to as Href)}>
      {label}
    </Button>
  );
}
