/** What is kept of clips: times, lines and notes. */
import type { ClipRow } from '@upwell/contract/clips';
import { Link, useRouter, type Href } from 'expo-router';
import { Pressable, StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { useTheme } from '@/ui/useTheme';
import { datedWord } from '@upwell/core/words';
import { useToday } from '@/state/hooks';

interface ClipsCardProps {
  readonly swimmerId: string;
  readonly clips: readonly ClipRow[];
  readonly coach: boolean;
}

export function ClipsCard({ swimmerId, clips, coach }: ClipsCardProps) {
  const theme = useTheme();
  const router = useRouter();
  const today = useToday();
  if (!coach && clips.length === 0) return null;
  return (
    <Card title="Clips">
      <View role="list">
        {clips.map((clip) => (
          <View key={clip.id} role="listitem">
            <Link href={`/swimmers/${swimmerId}/clip?open=${clip.id}` as Href} asChild>
              <Pressable style={StyleSheet.flatten([styles.row, { borderBottomColor: theme.own.line }])}>
                <Text style={styles.flex}>{clip.title}</Text>
                <Text variant="bodySmall">{`${clip.strokes} strokes · ${datedWord(clip.recordedOn, today)}`}</Text>
              </Pressable>
            </Link>
          </View>
        ))}
      </View>
      {coach ? (
        <View style={styles.begin}>
          <Button
            icon="video"
            mode="outlined"
            onPress={() => router.navigate(`/swimmers/film?swimmer=${swimmerId}` as Href)}
          >
            Film
          </Button>
          <Button icon="play" mode="outlined" onPress={() => router.navigate(`/swimmers/${swimmerId}/clip` as Href)}>
            Look at a clip
          </Button>
        </View>
      ) : null}
    </Card>
  );
}

const styles = StyleSheet.create({
  row: { minHeight: 48, flexDirection: 'row', alignItems: 'center', gap: 10, borderBottomWidth: 1 },
  flex: { flex: 1 },
  begin: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, marginTop: 8 },
});
