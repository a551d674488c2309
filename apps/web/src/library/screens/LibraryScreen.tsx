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
import { CAUSE_IDS, causeCard, findCauses, findSigns, SIGN_IDS, signCard, STAGES } from '@upwell/core/review';
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
import { CardBody, nameOf, type Shelf, SHELVES } from '../parts/CardBody';
import { Entry } from '../parts/Entry';
import { LastChangeNote } from '../parts/LastChangeNote';
import { ModelsPage } from '../parts/ModelsPage';
import { markOf } from '../parts/OwnActions';
import { useOwn } from '../useOwn';
import { useRoomy } from '@/ui/useRoomy';

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
  const roomy = useRoomy();
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
  // Which card stands open is in the address: another card can lead here. Beside the list one always does.
  const first: string | undefined = { causes, drills, signs, ladders: [...levels, ...ladders], models: [] }[shelf][0];
  const open = asked.open || (roomy ? (first ?? null) : null);
  const body = (of: Shelf, id: string) => (roomy ? null : <CardBody shelf={of} id={id} />);
  const aside = (...words: readonly (string | null)[]) => ({ aside: words.filter((w) => w !== null).join(' · ') });
  return (
    <Screen
      title="Library"
      maxWidth={roomy && shelf !== 'models' ? 1320 : 900}
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
      <View style={roomy ? styles.columns : undefined}>
        <View style={roomy ? styles.list : undefined}>
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
                  {body('drills', id)}
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
                  {body('signs', id)}
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
                  {body('ladders', id)}
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
                  {body('ladders', id)}
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
                        {body('causes', id)}
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
        </View>
        {roomy && open !== null && found > 0 && shelf !== 'models' ? (
          <View key={open} style={styles.pane} role="region" aria-label="The card that is chosen">
            <Text variant="headlineSmall" role="heading" aria-level={2}>
              {nameOf(shelf, open)}
            </Text>
            <CardBody shelf={shelf} id={open} />
          </View>
        ) : null}
      </View>
    </Screen>
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
  columns: { flexDirection: 'row', gap: 28, alignItems: 'flex-start' },
  list: { flex: 5, minWidth: 0 },
  pane: {
    flex: 6,
    minWidth: 0,
    gap: 8,
    position: 'sticky' as never,
    top: 0,
    maxHeight: '100vh' as never,
    overflow: 'auto' as never,
    paddingBottom: 24,
  },
  elsewhere: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 8, marginVertical: 12 },
});
