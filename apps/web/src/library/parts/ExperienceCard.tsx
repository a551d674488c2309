/** What second looks have taught the club, whose it is, and the way back to the catalogue alone. */
import type { EntryView } from '@upwell/contract/library';
import { closedIn, type Experience, experienceClub, isLearning, LEARN_FROM, ourExperience } from '@upwell/core/review';
import { momentWord } from '@upwell/core/words';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { sentence } from '@/api/problem';
import { useZone } from '@/state/hooks';
import { Card } from '@/ui/Card';
import { Notice } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { newer, useEntry, useOwn } from '../useOwn';
import { experienceWords } from './entryWords';

/** What an experience weighs now, in a sentence. */
function weighs(): string {
  const [, closed] = closedIn(ourExperience());
  return isLearning()
    ? 'Reviews count with it: how often a fault showed a sign here is laid over the catalogue, and drills that helped come first.'
    : `Drills that helped come first. From ${LEARN_FROM} closed focuses on, how often a fault shows a sign is learned too: ${closed} so far.`;
}

export function ExperienceCard({ entries }: { readonly entries: readonly EntryView[] }) {
  return (
    <Card title="Our club’s experience">
      <Text>{weighs()}</Text>
      <Text variant="bodySmall">
        Counts only, without names. In a file, another club can add ours to its own; opening theirs adds theirs to ours.
      </Text>
      <View role="list">
        {entries.map((entry) => (
          <Row key={entry.key} entry={entry} />
        ))}
      </View>
    </Card>
  );
}

function Row({ entry }: { readonly entry: EntryView }) {
  const theme = useTheme();
  const zone = useZone();
  const { head } = useOwn();
  const { save, saving, error } = useEntry('experience', entry.key);
  const club = experienceClub(entry.key);
  const name = club ? `Experience of ${club}` : 'Our experience';
  return (
    <View role="listitem" style={[styles.line, { borderTopColor: theme.own.line }]}>
      <View style={styles.flex}>
        <Text variant="titleSmall">{club ?? 'Our own'}</Text>
        <Text>{experienceWords(entry.body as Experience)}</Text>
        <Text variant="bodySmall">{`${club ? 'Came' : 'Last counted'} ${momentWord(entry.at, zone)}`}</Text>
        {error ? <Notice tone="error">{sentence(error)}</Notice> : null}
      </View>
      {head ? (
        <Button
          mode="outlined"
          disabled={saving}
          accessibilityLabel={club ? `Take out the experience of ${club}` : 'Reset our experience'}
          // Another focus may be closed at any moment: pressed again, what is there now is what goes.
          onPress={() => void save(null, name, newer(error) ?? undefined)}
        >
          {club ? 'Take out' : 'Reset'}
        </Button>
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({
  line: { borderTopWidth: 1, paddingVertical: 8, flexDirection: 'row', gap: 10, alignItems: 'center', marginTop: 8 },
  flex: { flex: 1, gap: 2 },
});
