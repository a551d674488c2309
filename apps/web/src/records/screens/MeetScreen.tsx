/** The times of a meet, written down in one go: what each of them is worth is said while it is typed. */
import { LONGEST_MEET, type KnownSwimmer } from '@upwell/core/exchange/shapes';
import { splitsWord, swimWorth, swumMetres, swumWord, type ResultLine, type Standard } from '@upwell/core/measures';
import type { ClubResult } from '@upwell/contract/records';
import { usualPool, usualPools } from '@upwell/core/units';
import { counted, numberWord } from '@upwell/core/words';
import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { useClubRulesQuery } from '@/account';
import { useAppSelector, useDraft, useToday } from '@/state/hooks';
import { useSquadsQuery } from '@/swimmers';
import { Choice } from '@/ui/Choice';
import { DayInput } from '@/ui/DayInput';
import { Input } from '@/ui/Input';
import { Screen } from '@/ui/Screen';
import { Empty, Failure, Loading, Notice } from '@/ui/States';
import { SwumIn } from '@/ui/SwumIn';
import { useTheme } from '@/ui/useTheme';
import { useWide } from '@/ui/useWide';
import { useResultsQuery } from '../api';
import { newMeet, swimOf, swimsOf, withPool, withWritten, writtenFor, type MeetDraft } from '../meetDraft';
import { EarlierImports } from '../parts/EarlierImports';
import { ImportWay } from '../parts/ImportWay';
import { useEverybody } from '../useEverybody';
import { useImport } from '../useImport';

/** Distances that are swum at meets, in the unit of the pool. */
const DISTANCES = [50, 100, 200, 400, 800, 1500] as const;

type Change = (change: (now: MeetDraft) => MeetDraft) => void;

export function MeetScreen() {
  const today = useToday();
  const { units } = useAppSelector((state) => state.place);
  const [fresh] = useState(() => newMeet(today, usualPool(usualPools(units)[0])));
  const [draft, setDraft, drop] = useDraft<MeetDraft>('meet', fresh);
  const { data: squads, error, refetch } = useSquadsQuery();
  const imported = useImport();
  const { step } = imported;
  const done = step.at === 'stored';
  // What comes back from an earlier visit may be another file: only what was sent from here ends what is written here.
  const [sent, setSent] = useState(false);
  useEffect(() => {
    if (done && sent) drop();
  }, [done, sent, drop]);
  const { results, refused } = swimsOf(draft);
  const squadId = draft.squadId ?? squads?.[0]?.id ?? null;
  const open = step.at === 'ready' || done;
  return (
    <Screen
      title="A meet"
      under="Every time of a day out, stored at once and undone at once"
      back="/swimmers/results"
      maxWidth={900}
      footer={
        <Button
          mode="contained"
          contentStyle={styles.tall}
          disabled={!open || results.length === 0 || refused > 0}
          onPress={() => {
            setSent(true);
            imported.send(draft.name.trim() || 'Meet', results);
          }}
        >
          {refused > 0
            ? `${counted(refused, 'swim')} to put right first`
            : `Store ${counted(results.length, 'result')}`}
        </Button>
      }
    >
      <ImportWay imported={imported} />
      <View style={[styles.row, styles.wrap]}>
        <Input
          label="Name of the meet"
          value={draft.name}
          maxLength={LONGEST_MEET}
          onChangeText={(name) => setDraft((now) => ({ ...now, name }))}
          style={styles.name}
        />
        <DayInput
          label="Day"
          value={draft.on}
          onChange={(on) => setDraft((now) => ({ ...now, on }))}
          style={styles.day}
        />
      </View>
      <SwumIn pool={draft.pool} none="not known" onPool={(pool) => setDraft((now) => withPool(now, pool))} />
      {error && !squads ? <Failure error={error} retry={() => void refetch()} /> : null}
      {!squads && !error ? <Loading label="Loading the squads" /> : null}
      {squads && squads.length > 1 ? (
        <Choice
          label="Squad"
          options={squads.map(({ id, name }) => ({ value: id, label: name }))}
          chosen={squadId ? [squadId] : []}
          onPress={(value) => setDraft((now) => ({ ...now, squadId: value }))}
        />
      ) : null}
      <Choice
        label={draft.pool?.unit === 'yd' ? 'Yards' : 'Metres'}
        options={DISTANCES.map((d) => ({ value: String(d), label: String(d) }))}
        chosen={[DISTANCES.find((d) => swumMetres(d, draft.pool) === draft.distanceM) ?? 0].map(String)}
        onPress={(value) => setDraft((now) => ({ ...now, distanceM: swumMetres(Number(value), now.pool) }))}
      />
      {squadId ? <Swimmers squadId={squadId} draft={draft} today={today} onDraft={setDraft} /> : null}
      {squads?.length === 0 ? <Empty title="No squad yet">Add a squad and its swimmers first.</Empty> : null}
      {results.length > 0 ? <Reminder results={results} distanceM={draft.distanceM} /> : null}
      <EarlierImports />
    </Screen>
  );
}

/** Times at other distances that will be stored too. */
function Reminder({ results, distanceM }: { readonly results: readonly ResultLine[]; readonly distanceM: number }) {
  const others = [...new Set(results.filter((r) => r.distanceM !== distanceM).map((r) => swumWord(r)))];
  if (others.length === 0) return null;
  const n = results.filter((r) => r.distanceM !== distanceM).length;
  return <Text variant="bodySmall">{`Also written: ${counted(n, 'time')} over ${others.join(', ')}.`}</Text>;
}

interface SwimmersProps {
  readonly squadId: string;
  readonly draft: MeetDraft;
  readonly today: string;
  readonly onDraft: Change;
}

function Swimmers({ squadId, draft, today, onDraft }: SwimmersProps) {
  const swimmers = useEverybody(squadId);
  const { data: rules } = useClubRulesQuery();
  // What was swum over this distance. While not all of it is known nothing is called the first or a best.
  const { data: swum } = useResultsQuery({
    squadId,
    distanceM: draft.distanceM,
    sort: 'time',
    falling: false,
    limit: 200,
  });
  const whole = swum && swum.total <= swum.items.length ? swum.items : null;
  if (swimmers.length === 0) return <Notice>Nobody in this squad yet.</Notice>;
  return (
    <View role="list" aria-label="Swimmers">
      {swimmers.map((swimmer) => (
        <SwimmerRow
          key={swimmer.id}
          swimmer={swimmer}
          draft={draft}
          before={whole ? whole.filter((r) => r.swimmerId === swimmer.id) : null}
          standards={rules?.standards ?? []}
          today={today}
          onDraft={onDraft}
        />
      ))}
    </View>
  );
}

interface RowProps {
  readonly swimmer: KnownSwimmer;
  readonly draft: MeetDraft;
  /** Swims of the distance; null while not all of them are known. */
  readonly before: readonly ClubResult[] | null;
  readonly standards: readonly Standard[];
  readonly today: string;
  readonly onDraft: Change;
}

function SwimmerRow({ swimmer, draft, before, standards, today, onDraft }: RowProps) {
  const theme = useTheme();
  const wide = useWide();
  const { time, splits } = writtenFor(draft, swimmer.id);
  const swim = swimOf(draft, swimmer.id);
  const says =
    swim.kind === 'refused' ? swim.why : swim.kind === 'ready' ? worthWords(swim.result, before, standards, today) : '';
  return (
    <View role="listitem" style={[styles.swimmer, { borderBottomColor: theme.own.line }]}>
      <View style={[styles.row, wide ? null : styles.wrap]}>
        <Text variant="titleMedium" style={wide ? styles.beside : styles.line}>
          {swimmer.name}
        </Text>
        <Input
          label="Time"
          accessibilityLabel={`Time of ${swimmer.name}`}
          value={time}
          placeholder="5:52.3"
          dense
          maxLength={10}
          onChangeText={(text) => onDraft((now) => withWritten(now, swimmer.id, { time: text }))}
          style={styles.time}
        />
        <Input
          label="Splits"
          accessibilityLabel={`Splits of ${swimmer.name}`}
          value={splits}
          placeholder="1:24 2:53 4:23"
          dense
          maxLength={1000}
          onChangeText={(text) => onDraft((now) => withWritten(now, swimmer.id, { splits: text }))}
          style={styles.splits}
        />
      </View>
      {says ? (
        <Text
          variant="bodySmall"
          aria-live="polite"
          style={swim.kind === 'refused' ? { color: theme.colors.error } : undefined}
        >
          {says}
        </Text>
      ) : null}
    </View>
  );
}

/** What a swim is worth beside what was swum before, in a line. @internal */
export function worthWords(
  swim: ResultLine,
  before: readonly Omit<ResultLine, 'swimmerId'>[] | null,
  standards: readonly Standard[],
  today: string,
): string {
  if (before === null) return splitsWord(swim);
  const { gainS, reached } = swimWorth(swim, before, standards, today);
  const gain =
    gainS === null
      ? 'the first here'
      : gainS > 0
        ? `a best by ${numberWord(gainS, 1)} s`
        : gainS === 0
          ? 'as fast as the best'
          : `${numberWord(-gainS, 1)} s from the best`;
  const names = reached.map(({ name }) => `${name} reached`);
  return [gain, ...names, splitsWord(swim)].filter(Boolean).join(' · ');
}

const styles = StyleSheet.create({
  tall: { minHeight: 50 },
  row: { flexDirection: 'row', gap: 8, alignItems: 'center' },
  wrap: { flexWrap: 'wrap' },
  name: { flexGrow: 4, flexBasis: 240 },
  day: { flexGrow: 1, flexBasis: 190 },
  swimmer: { borderBottomWidth: 1, paddingVertical: 8, gap: 4 },
  // On a phone a name has a line of its own, and the fields stand under it.
  line: { width: '100%' },
  beside: { flex: 1 },
  time: { flexBasis: 110, flexGrow: 1, maxWidth: 150 },
  splits: { flexBasis: 180, flexGrow: 2 },
});
