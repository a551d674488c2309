// What to take care of, a way in, and what is kept about a swimmer.
import type { SwimmerPage } from '@upwell/contract/swimmers';
import { HEALTH_ADVICE } from '@upwell/core/swimmers';
import { useRouter, type Href } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { useTheme } from '@/ui/useTheme';

export function WayInCard({ id, name }: { readonly id: string; readonly name: string }) {
  const router = useRouter();
  return (
    <Card title={`Access for ${name}`}>
      <Text>Their week, their focus and their records on their own phone; for a child, on a guardian’s.</Text>
      <Button
        mode="outlined"
        style={styles.way}
        onPress={() => router.navigate(`/account/people?swimmer=${id}` as Href)}
      >
        Invite
      </Button>
    </Card>
  );
}

export function KeptCard({ id, name }: { readonly id: string; readonly name: string }) {
  const router = useRouter();
  return (
    <Card title={`What is kept about ${name}`}>
      <Text>See who looked at it, save all of it as one file, or erase it.</Text>
      <Button mode="outlined" style={styles.way} onPress={() => router.navigate(`/swimmers/${id}/person` as Href)}>
        Open
      </Button>
    </Card>
  );
}

export function HealthCard({ swimmer }: { readonly swimmer: SwimmerPage }) {
  const theme = useTheme();
  if (swimmer.healthFlags.length === 0) return null;
  return (
    <Card title="Take care">
      {swimmer.healthFlags.map((flag) => (
        <View key={flag} style={styles.top}>
          <Text variant="labelLarge" style={{ color: theme.colors.error }}>
            {flag}
          </Text>
          <Text variant="bodySmall">{HEALTH_ADVICE[flag]}</Text>
        </View>
      ))}
    </Card>
  );
}

const styles = StyleSheet.create({
  top: { marginTop: 8 },
  way: { alignSelf: 'flex-start', marginTop: 8 },
});
