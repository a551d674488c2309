/** The whole club as one file: taken away, and brought back. */
import type { ArchivePart, ArchiveTaken } from '@upwell/contract/archive';
import { StyleSheet, View } from 'react-native';
import { Button, ProgressBar, Text } from 'react-native-paper';
import { sentence } from '@/api/problem';
import { Card } from '@/ui/Card';
import { chooseFile, saveFrom } from '@/ui/saveFile';
import { Notice } from '@/ui/States';
import { useTakeArchiveMutation } from './api';

const WORD: Readonly<Record<ArchivePart, string>> = {
  accounts: 'people by name',
  library: 'entries of the library',
  squads: 'squads',
  swimmers: 'swimmers',
  reviews: 'reviews',
  focuses: 'focuses',
  tries: 'tries',
  clips: 'clips',
  sessions: 'sessions',
  results: 'results',
  tests: 'tests',
  courses: 'courses',
  readings: 'readings at the water',
  waterDays: 'go or no-go decisions',
  tracks: 'tracks',
  racePlans: 'race plans',
  weeks: 'past weeks',
  ratings: 'ratings by swimmers',
  deckEvents: 'events on deck',
};

export function ArchiveCard() {
  const [take, { data: taken, error, isLoading }] = useTakeArchiveMutation();

  const choose = async (): Promise<void> => {
    const file = await chooseFile('.json,application/json');
    // Sent as it is: the server reads it, so that a large file does not hold up the screen.
    if (file) await take(file);
  };

  return (
    <Card title="Everything in one file">
      <Text>
        Squads, swimmers, reviews, sessions, runs on deck, tests and results, as open JSON. It holds health notes and
        children’s data: keep it where only you can read it.
      </Text>
      <View style={styles.row}>
        <Button mode="outlined" icon="download" onPress={() => saveFrom('/api/v1/club/archive')}>
          Save the club to a file
        </Button>
        <Button mode="outlined" disabled={isLoading} onPress={() => void choose()}>
          Import a club
        </Button>
      </View>
      {isLoading ? (
        <View role="status">
          <Text>Checking every row, then importing…</Text>
          <ProgressBar indeterminate accessibilityLabel="Importing the club" />
        </View>
      ) : null}
      {error ? <Notice tone="error">{sentence(error)}</Notice> : null}
      {taken ? <Notice>{`${summary(taken)} What was here has not been changed.`}</Notice> : null}
    </Card>
  );
}

function summary(taken: ArchiveTaken): string {
  const added = (Object.keys(WORD) as ArchivePart[])
    .filter((part) => taken[part].added > 0)
    .map((part) => `${taken[part].added} ${WORD[part]}`);
  return added.length === 0 ? 'Everything in this file was already here.' : `Added: ${added.join(', ')}.`;
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 10, marginVertical: 8 },
});
