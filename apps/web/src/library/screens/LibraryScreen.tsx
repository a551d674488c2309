/** What coaches know: causes upstream to downstream, drills, signs, ladders, and where good coaches differ. */
import { pictureOfCause, pictureOfDrill, pictureOfLadder, pictureOfSign } from '@upwell/core/figure';
import {
  drillCard,
  drillIds,
  findDrills,
  findLadders,
  knownDrillIds,
  LADDER_IDS,
  ladderCard,
  type DrillId,
} from '@upwell/core/library';
import {
  CAUSE_IDS,
  causeCard,
  findCauses,
  findSigns,
  SIGN_IDS,
  signCard,
  STAGES,
  type CauseId,
} from '@upwell/core/review';
import { levelCard, LEVELS } from '@upwell/core/swimmers';
import { sentenceCase } from '@upwell/core/text';
import { findAmong, numberWord } from '@upwell/core/words';
import { useLocalSearchParams, useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { SearchField } from '@/ui/SearchField';
import { Screen } from '@/ui/Screen';
import { Tabs } from '@/ui/Tabs';
import { Empty } from '@/ui/States';
import { CueForm, StrengthForm } from '../parts/CauseForms';
import { CauseDetails, DrillDetails, LadderDetails } from '../parts/Details';
import { Entry } from '../parts/Entry';
import { LadderForm, LevelDetails } from '../parts/LadderForms';
import { LastChangeNote } from '../parts/LastChangeNote';
import { ModelsPage } from '../parts/ModelsPage';
import { markOf, OwnActions } from '../parts/OwnActions';
import { SignDetails } from '../parts/SignForms';
import { useOwn } from '../useOwn';

const SHELVES = ['causes', 'drills', 'signs', 'ladders', 'models'] as const;
type Shelf = (typeof SHELVES)[number];
const SHELF_WORD: Readonly<Record<Shelf, string>> = {
  causes: 'Causes',
  drills: 'Drills',
  signs: 'Signs',
  ladders: 'Ladders',
  models: 'Models',
};

export function LibraryScreen() {
  const router = useRouter();
  const own = useOwn();
  const asked = useLocalSearchParams<{ show?: string; open?: string }>();
  const shelf: Shelf = SHELVES.find((s) => s === asked.show) ?? 'causes';
  const [search, setSearch] = useState('');
  // Which card stands open is in the address: another card can lead here.
  const open = asked.open || null;
  const toggle = (id: string) => router.setParams({ open: open === id ? '' : id });
  // The club's own first, and the hidden ones last: they are only looked for to use them again.
  const place = (id: DrillId) => (id.startsWith('own-') ? 0 : 1) + (drillIds().includes(id) ? 0 : 2);
  const drills = findDrills(
    search,
    knownDrillIds()
      .filter((id) => own.head || drillIds().includes(id))
      .sort((a, b) => place(a) - place(b)),
  );
  const causes = findCauses(search, CAUSE_IDS);
  const signs = findSigns(search, SIGN_IDS, CAUSE_IDS);
  const ladders = findLadders(search, LADDER_IDS);
  const levels = findAmong(search, LEVELS, (id) => ({ name: levelCard(id).name, others: '' }));
  const hits = { causes, drills, signs, ladders: [...ladders, ...levels], models: [] };
  const found = shelf === 'models' ? 1 : hits[shelf].length;
  const searching = search.trim() !== '';
  const elsewhere = SHELVES.filter((s) => searching && s !== shelf && hits[s].length > 0);
  const aside = (...words: readonly (string | null)[]) => ({ aside: words.filter((w) => w !== null).join(' · ') });
  return (
    <Screen
      title="Library"
      maxWidth={900}
      actions={
        <>
          <Button mode="outlined" icon="book-open-variant" onPress={() => router.navigate('/library/ours' as Href)}>
            {own.entries.some(({ body }) => body !== null) ? 'Our own' : 'Share'}
          </Button>
          <Button mode="contained" icon="eye" onPress={() => router.navigate('/library/eye' as Href)}>
            Train the eye
          </Button>
        </>
      }
    >
      <LastChangeNote />
      <Tabs
        label="Part of the library"
        tabs={SHELVES.map((value) => ({ value, label: SHELF_WORD[value] }))}
        chosen={shelf}
        onChoose={(value) => router.setParams({ show: value, open: '' })}
      />
      {shelf === 'models' ? (
        <ModelsPage />
      ) : (
        <SearchField
          placeholder="Find by any name"
          value={search}
          onChange={setSearch}
          style={styles.gap}
          label="Find by name"
        />
      )}
      {shelf === 'drills' ? (
        <>
          {own.head ? (
            <Button
              mode="outlined"
              icon="plus"
              style={styles.gap}
              onPress={() => router.navigate('/library/drill/new' as Href)}
            >
              Write a drill of your own
            </Button>
          ) : null}
          {drills.map((id) => (
            <Entry
              key={id}
              title={drillCard(id).name}
              picture={pictureOfDrill(id)}
              {...aside(markOf(own, ['drills'], id), `from ${levelCard(drillCard(id).from).name}`)}
              open={open === id}
              onPress={() => toggle(id)}
            >
              <DrillDetails id={id} />
              <OwnActions
                kind="drills"
                id={id}
                name={drillCard(id).name}
                change="Change the card"
                onChange={() => router.navigate(`/library/drill/${id}` as Href)}
              />
            </Entry>
          ))}
        </>
      ) : null}
      {shelf === 'signs'
        ? signs.map((id) => (
            <Entry
              key={id}
              title={sentenceCase(signCard(id).seen)}
              picture={pictureOfSign(id)}
              {...aside(markOf(own, ['signs', 'bands'], id))}
              open={open === id}
              onPress={() => toggle(id)}
            >
              <SignDetails id={id} />
            </Entry>
          ))
        : null}
      {shelf === 'ladders' ? (
        <>
          {levels.length > 0 ? <Heading>Levels</Heading> : null}
          {levels.map((id) => (
            <Entry
              key={id}
              title={levelCard(id).name}
              {...aside(
                markOf(own, ['levels'], id),
                `${levelCard(id)
                  .metresPerHour.map((m) => numberWord(m))
                  .join(' to ')} m an hour`,
              )}
              open={open === id}
              onPress={() => toggle(id)}
            >
              <LevelDetails id={id} />
            </Entry>
          ))}
          {ladders.length > 0 ? <Heading>Ladders</Heading> : null}
          {ladders.map((id) => (
            <Entry
              key={id}
              title={ladderCard(id).name}
              picture={pictureOfLadder(id)}
              {...aside(markOf(own, ['ladders'], id), `${ladderCard(id).steps.length} steps`)}
              open={open === id}
              onPress={() => toggle(id)}
            >
              <LadderDetails id={id} />
              <LadderForm id={id} />
            </Entry>
          ))}
        </>
      ) : null}
      {shelf === 'causes'
        ? STAGES.map((stage, i) => {
            const here = causes.filter((id) => causeCard(id).stage === stage);
            return here.length === 0 ? null : (
              <View key={stage} style={styles.gap}>
                <Heading>{`${i + 1}. ${sentenceCase(stage)}`}</Heading>
                {here.map((id) => (
                  <Entry
                    key={id}
                    title={causeCard(id).name}
                    picture={pictureOfCause(id)}
                    {...aside(markOf(own, ['causes', 'links'], id))}
                    open={open === id}
                    onPress={() => toggle(id)}
                  >
                    <CauseDetails id={id} />
                    <CauseForms id={id} />
                  </Entry>
                ))}
              </View>
            );
          })
        : null}
      {found === 0 ? (
        <Empty title="Nothing found">{elsewhere.length > 0 ? 'Not in this part.' : 'Try another word.'}</Empty>
      ) : null}
      {elsewhere.length > 0 ? (
        <View style={styles.elsewhere}>
          <Text variant="labelMedium">Also found:</Text>
          {elsewhere.map((s) => (
            <Button key={s} compact mode="outlined" onPress={() => router.setParams({ show: s, open: '' })}>
              {`${SHELF_WORD[s]} ${hits[s].length}`}
            </Button>
          ))}
        </View>
      ) : null}
    </Screen>
  );
}

function CauseForms({ id }: { readonly id: CauseId }) {
  return (
    <>
      <CueForm id={id} />
      <StrengthForm id={id} />
    </>
  );
}

function Heading({ children }: { readonly children: string }) {
  return (
    <Text variant="titleSmall" role="heading" aria-level={2}>
      {children}
    </Text>
  );
}

const styles = StyleSheet.create({
  gap: { marginBottom: 12 },
  elsewhere: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 8, marginVertical: 12 },
});
