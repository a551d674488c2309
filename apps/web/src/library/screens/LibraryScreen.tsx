/** What coaches know: causes upstream to downstream, drills, ladders, and where good coaches differ. */
import { DRILL_IDS, drillCard, LADDER_IDS, ladderCard } from '@upwell/core/library';
import { CAUSE_IDS, causeCard, STAGES } from '@upwell/core/review';
import { levelCard } from '@upwell/core/swimmers';
import { sentenceCase } from '@upwell/core/text';
import { type Href, useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { SearchField } from '@/ui/SearchField';
import { Screen } from '@/ui/Screen';
import { Tabs } from '@/ui/Tabs';
import { Empty } from '@/ui/States';
import { CauseDetails, DrillDetails, LadderDetails } from '../parts/Details';
import { Entry } from '../parts/Entry';
import { ModelsPage } from '../parts/ModelsPage';

const SHELVES = ['causes', 'drills', 'ladders', 'models'] as const;
type Shelf = (typeof SHELVES)[number];
const SHELF_WORD: Readonly<Record<Shelf, string>> = {
  causes: 'Causes',
  drills: 'Drills',
  ladders: 'Ladders',
  models: 'Models',
};

export function LibraryScreen() {
  const router = useRouter();
  const asked = useLocalSearchParams<{ show?: string }>().show;
  const shelf: Shelf = SHELVES.find((s) => s === asked) ?? 'causes';
  const [search, setSearch] = useState('');
  const [open, setOpen] = useState<string | null>(null);
  const wanted = search.trim().toLowerCase();
  const toggle = (id: string) => setOpen(open === id ? null : id);
  const has = (name: string) => name.toLowerCase().includes(wanted);
  const drills = DRILL_IDS.filter((id) => has(drillCard(id).name));
  const causes = CAUSE_IDS.filter((id) => has(causeCard(id).name));
  const ladders = LADDER_IDS.filter((id) => has(ladderCard(id).name));
  const found = { causes, drills, ladders, models: STAGES }[shelf].length;
  return (
    <Screen
      title="Library"
      maxWidth={900}
      actions={
        <Button mode="contained" icon="eye" onPress={() => router.navigate('/library/eye' as Href)}>
          Train the eye
        </Button>
      }
    >
      <Tabs
        label="Part of the library"
        tabs={SHELVES.map((value) => ({ value, label: SHELF_WORD[value] }))}
        chosen={shelf}
        onChoose={(value) => router.setParams({ show: value })}
      />
      {shelf === 'models' ? (
        <ModelsPage />
      ) : (
        <SearchField
          placeholder="Find by name"
          value={search}
          onChange={setSearch}
          style={styles.gap}
          label="Find by name"
        />
      )}
      {shelf === 'drills'
        ? drills.map((id) => (
            <Entry
              key={id}
              title={drillCard(id).name}
              aside={`from ${levelCard(drillCard(id).from).name}`}
              open={open === id}
              onPress={() => toggle(id)}
            >
              <DrillDetails id={id} />
            </Entry>
          ))
        : null}
      {shelf === 'ladders'
        ? ladders.map((id) => (
            <Entry
              key={id}
              title={ladderCard(id).name}
              aside={`${ladderCard(id).steps.length} steps`}
              open={open === id}
              onPress={() => toggle(id)}
            >
              <LadderDetails id={id} />
            </Entry>
          ))
        : null}
      {shelf === 'causes'
        ? STAGES.map((stage, i) => {
            const here = causes.filter((id) => causeCard(id).stage === stage);
            return here.length === 0 ? null : (
              <View key={stage} style={styles.gap}>
                <Text variant="titleSmall" role="heading" aria-level={2}>{`${i + 1}. ${sentenceCase(stage)}`}</Text>
                {here.map((id) => (
                  <Entry key={id} title={causeCard(id).name} open={open === id} onPress={() => toggle(id)}>
                    <CauseDetails id={id} />
                  </Entry>
                ))}
              </View>
            );
          })
        : null}
      {found === 0 ? <Empty title="Nothing found">Try another word.</Empty> : null}
    </Screen>
  );
}

const styles = StyleSheet.create({ gap: { marginBottom: 12 } });
