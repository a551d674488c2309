/** What the club keeps about one person: as a file, who looked at it, and gone for good. For the head coach. */
import { PERSON_PARTS, type Erasing, type PersonPart } from '@upwell/contract/person';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { sentence } from '@/api/problem';
import { forgetSeen } from '@/offline';
import { Card } from '@/ui/Card';
import { HoldButton } from '@/ui/HoldButton';
import { saveFrom } from '@/ui/saveFile';
import { Screen } from '@/ui/Screen';
import { Failure, Loading, Notice } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { useWide } from '@/ui/useWide';
import { useErasePersonMutation, useErasingQuery, useSwimmerQuery } from '../api';
import { LooksList } from '../parts/LooksList';
import { counted, numberWord, plural } from '@upwell/core/words';

const WORD: Readonly<Record<PersonPart, string>> = {
  account: 'Their own sign-in',
  reviews: 'Stroke reviews',
  focuses: 'Focuses',
  tries: 'Tries at a focus',
  clips: 'Notes on clips',
  sentClips: 'Clips sent in',
  results: 'Results',
  tests: 'Tests',
  reps: 'Timed repeats',
  signs: 'Signs noted on deck',
  attendance: 'Sessions attended',
  ratings: 'Ratings of sessions',
  tracks: 'Swum tracks',
  racePlan: 'Race plan',
  outlook: 'Outlook for the race',
  weeks: 'Planned weeks',
  invitations: 'Invitations',
  handoutLinks: 'Links to hand-outs',
  calendarLinks: 'Calendar addresses',
  looks: 'Looks in the log',
};

export function PersonScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const wide = useWide();
  const router = useRouter();
  const [erase, { data: erased, error: failed, isLoading }] = useErasePersonMutation();
  // What goes is not asked for any more.
  const skip = isLoading || erased !== undefined;
  const { data: swimmer, error } = useSwimmerQuery(id, { skip });
  const { data: kept, error: unknown, refetch } = useErasingQuery(id, { skip });

  if (erased) return <Erased erased={erased} onDone={() => router.replace('/swimmers')} />;
  const problem = (!swimmer && error) || (!kept && unknown);
  if (isLoading || !swimmer || !kept)
    return (
      <Screen title="What is kept" back={`/swimmers/${id}`}>
        {isLoading ? (
          <Loading label="Erasing" />
        ) : problem ? (
          <Failure error={problem} retry={() => void refetch()} />
        ) : (
          <Loading label="Counting what is kept" />
        )}
      </Screen>
    );

  const name = `${swimmer.givenName} ${swimmer.familyName}`;
  const goes = async (): Promise<void> => {
    const result = await erase(id);
    // What this device has seen of them goes as well.
    if (!('error' in result)) await forgetSeen();
  };
  return (
    <Screen title={`What is kept about ${name}`} back={`/swimmers/${id}`}>
      <View style={wide ? styles.columns : undefined}>
        <View style={wide ? styles.column : undefined}>
          <Kept kept={kept} />
          <Card title="Erase for good">
            <Text>{leaves(kept, name)}</Text>
            {kept.named.length > 0 ? <Named named={kept.named} /> : null}
            <Text variant="bodySmall" style={styles.gap}>
              Save the file first if anybody may still ask for it. Backups that were made before still hold them: after
              a restore, erase again. Devices of other coaches forget them when they next ask for the page.
            </Text>
            {failed ? <Notice tone="error">{sentence(failed)}</Notice> : null}
            <View style={styles.hold}>
              <HoldButton label={`Hold to erase ${name}`} onHeld={() => void goes()} />
            </View>
          </Card>
        </View>
        <View style={wide ? styles.column : undefined}>
          <Card title="Who looked">
            {swimmer.child ? null : (
              <Text>Looks are noted of children, and of people whose age is not known. This swimmer is neither.</Text>
            )}
            <LooksList swimmerId={id} />
          </Card>
        </View>
      </View>
    </Screen>
  );
}

function Kept({ kept }: { readonly kept: Erasing }) {
  const { id } = useLocalSearchParams<{ id: string }>();
  const theme = useTheme();
  const parts = PERSON_PARTS.filter((part) => kept.goes[part] > 0);
  return (
    <Card title="Everything about them">
      <View role="list">
        {parts.map((part) => (
          <View key={part} role="listitem" style={[styles.row, { borderTopColor: theme.own.line }]}>
            <Text style={styles.flex}>{WORD[part]}</Text>
            <Text style={styles.figures}>{numberWord(kept.goes[part])}</Text>
          </View>
        ))}
      </View>
      <Button
        mode="outlined"
        icon="download"
        style={styles.save}
        onPress={() => saveFrom(`/api/v1/swimmers/${id}/export`)}
      >
        Save all of it as a file
      </Button>
    </Card>
  );
}

function leaves({ goes, stays }: Erasing, name: string): string {
  const rows = PERSON_PARTS.reduce((sum, part) => sum + goes[part], 0);
  const taken = `The page of ${name} and ${counted(rows, 'entry', 'entries')} that belong to it will be erased. This cannot be undone.`;
  if (stays.deckEvents === 0) return taken;
  const notes = counted(stays.deckEvents, 'note of a run', 'notes of runs');
  return `${taken} ${notes} on deck ${plural(stays.deckEvents, 'stays', 'stay')}, so that heads and lanes still add up: there they become “Somebody”.`;
}

const WHERE: Readonly<Record<Erasing['named'][number]['kind'], (title: string) => string>> = {
  session: (title) => `session ${title}`,
  course: (title) => `course ${title}`,
  import: (title) => `import ${title}`,
  swimmer: (title) => `page of ${title}`,
  water: (title) => `day at the water ${title}, which stays as it was signed`,
};

function Named({ named }: { readonly named: Erasing['named'] }) {
  return (
    <Notice>
      {`Their name also appears in what coaches wrote. Change it there by hand: ${named.map(({ kind, title }) => WHERE[kind](title)).join(' · ')}`}
    </Notice>
  );
}

function Erased({ erased, onDone }: { readonly erased: Erasing; readonly onDone: () => void }) {
  const rows = PERSON_PARTS.reduce((sum, part) => sum + erased.goes[part], 0);
  return (
    <Screen title="Erased" maxWidth={640}>
      <Card title="Gone for good">
        <Text>{`Their page and ${counted(rows, 'entry', 'entries')} are gone from the club and from this device.`}</Text>
        {erased.stays.deckEvents > 0 ? (
          <Text style={styles.gap}>
            {`${counted(erased.stays.deckEvents, 'note', 'notes')} of runs on deck now say “Somebody”.`}
          </Text>
        ) : null}
        {erased.named.length > 0 ? <Named named={erased.named} /> : null}
        <Button mode="contained" style={styles.save} onPress={onDone}>
          To the swimmers
        </Button>
      </Card>
    </Screen>
  );
}

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', gap: 16, alignItems: 'flex-start' },
  column: { flex: 1 },
  row: { flexDirection: 'row', gap: 12, borderTopWidth: 1, paddingVertical: 8 },
  flex: { flex: 1 },
  figures: { fontVariant: ['tabular-nums'] },
  gap: { marginTop: 8 },
  save: { alignSelf: 'flex-start', marginTop: 12 },
  hold: { marginTop: 12, alignSelf: 'flex-start' },
});
