import { bestView } from '@upwell/core/figure';
import { DRILL_IDS, drillCard, KIT, type DrillId } from '@upwell/core/library';
import { CAUSE_IDS, CAUSES, LINKS, SIGNS, STAGES, type CauseId, type SignId } from '@upwell/core/review';
import { LEVEL } from '@upwell/core/swimmers';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState, type ReactNode } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Searchbar, SegmentedButtons, Text } from 'react-native-paper';
import { FigureView } from '@/review/parts/FigureView';
import { Screen } from '@/ui/Screen';
import { Empty } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';

/** Causes from upstream to downstream, and the drills that answer them. */
export function LibraryScreen() {
  const router = useRouter();
  const { show = 'causes' } = useLocalSearchParams<{ show?: string }>();
  const [search, setSearch] = useState('');
  const [open, setOpen] = useState<string | null>(null);
  const wanted = search.trim().toLowerCase();
  const toggle = (id: string) => setOpen(open === id ? null : id);
  const drills = DRILL_IDS.filter((id) => drillCard(id).name.toLowerCase().includes(wanted));
  const causes = CAUSE_IDS.filter((id) => CAUSES[id].name.includes(wanted));
  return (
    <Screen title="Library" maxWidth={900}>
      <SegmentedButtons
        value={show}
        onValueChange={(value) => router.setParams({ show: value })}
        buttons={[
          { value: 'causes', label: 'Causes' },
          { value: 'drills', label: 'Drills' },
        ]}
        style={styles.gap}
      />
      <Searchbar
        placeholder="Find by name"
        value={search}
        onChangeText={setSearch}
        style={styles.gap}
        accessibilityLabel="Find by name"
      />
      {show === 'drills'
        ? drills.map((id) => (
            <Entry
              key={id}
              title={drillCard(id).name}
              aside={LEVEL[drillCard(id).from].name}
              open={open === id}
              onPress={() => toggle(id)}
            >
              <DrillDetails id={id} />
            </Entry>
          ))
        : STAGES.map((stage, i) => {
            const here = causes.filter((id) => CAUSES[id].stage === stage);
            return here.length === 0 ? null : (
              <View key={stage} style={styles.gap}>
                <Text variant="titleSmall" role="heading" aria-level={2}>{`${i + 1}. ${stage}`}</Text>
                {here.map((id) => (
                  <Entry key={id} title={CAUSES[id].name} open={open === id} onPress={() => toggle(id)}>
                    <CauseDetails id={id} />
                  </Entry>
                ))}
              </View>
            );
          })}
      {(show === 'drills' ? drills : causes).length === 0 ? (
        <Empty title="Nothing found">Try another word.</Empty>
      ) : null}
    </Screen>
  );
}

interface EntryProps {
  readonly title: string;
  readonly aside?: string;
  readonly open: boolean;
  readonly onPress: () => void;
  readonly children: ReactNode;
}

function Entry({ title, aside, open, onPress, children }: EntryProps) {
  const theme = useTheme();
  return (
    <View style={[styles.entry, { borderBottomColor: theme.own.line }]}>
      <Pressable role="button" aria-expanded={open} onPress={onPress} style={styles.head}>
        <Text variant="titleMedium" style={styles.flex}>
          {title}
        </Text>
        {aside ? <Text variant="bodySmall">{`from ${aside}`}</Text> : null}
      </Pressable>
      {open ? <View style={styles.body}>{children}</View> : null}
    </View>
  );
}

function CauseDetails({ id }: { readonly id: CauseId }) {
  const cause = CAUSES[id];
  const signs = Object.keys(LINKS[id]) as SignId[];
  return (
    <>
      <Text>{cause.costs}</Text>
      <View style={styles.figure}>
        <FigureView
          signs={signs}
          view={bestView(signs)}
          phase={null}
          label={`${cause.name}: ${signs.map((s) => SIGNS[s].seen).join(', ')}`}
        />
      </View>
      <Text>{`Shows as: ${signs.map((s) => SIGNS[s].seen).join('; ')}.`}</Text>
      <Text>{`To tell it apart: ${cause.check}`}</Text>
      <Text>{`Cue: “${cause.cue}” Drills: ${(cause.answers as readonly DrillId[]).map((d) => drillCard(d).name).join(', ')}.`}</Text>
    </>
  );
}

function DrillDetails({ id }: { readonly id: DrillId }) {
  const theme = useTheme();
  const drill = drillCard(id);
  return (
    <>
      <Text>{drill.purpose}</Text>
      {drill.steps.map((text, i) => (
        <Text key={text}>{`${i + 1}. ${text}`}</Text>
      ))}
      <Text>{`It feels like: ${drill.feel}`}</Text>
      <Text>{`Watch for: ${drill.mistakes.join(', ')}. Look from: ${drill.view}.`}</Text>
      <Text>{`Cue: “${drill.cue}” Kit: ${drill.kit.map((k) => KIT[k]).join(', ') || 'none'}. ${drill.dose.tries} tries${drill.dose.distanceM ? ` of ${drill.dose.distanceM} m` : ''}.`}</Text>
      {drill.cautions.map((text) => (
        <Text key={text} style={{ color: theme.colors.error }}>
          {text}
        </Text>
      ))}
    </>
  );
}

const styles = StyleSheet.create({
  gap: { marginBottom: 12 },
  entry: { borderBottomWidth: 1 },
  head: { minHeight: 52, flexDirection: 'row', alignItems: 'center', gap: 10 },
  flex: { flex: 1 },
  body: { gap: 6, paddingBottom: 14 },
  figure: { maxWidth: 480, width: '100%', borderRadius: 6, overflow: 'hidden' },
});
