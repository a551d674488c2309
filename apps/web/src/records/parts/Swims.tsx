import type { RecordsView } from '@upwell/contract/records';
import { poolWord, splitsWord, swumWord } from '@upwell/core/measures';
import { formatTime } from '@upwell/core/units';
import { datedWord, numberWord, percent } from '@upwell/core/words';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, IconButton, Text } from 'react-native-paper';
import { sentence } from '@/api/problem';
import { useToday } from '@/state/hooks';
import { Empty, Notice } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { useWide } from '@/ui/useWide';
import { ResultEditor, useUndoResult, type ResultChange } from './ResultEditor';

/** Rows that are shown before "more". */
const FIRST = 60;

interface SwimsProps {
  readonly records: RecordsView;
  readonly swimmerId: string;
  /** Coaches correct what was brought in; what was timed on deck is corrected there. */
  readonly coach: boolean;
}

export function Swims({ records, swimmerId, coach }: SwimsProps) {
  const thisYear = useToday().slice(0, 4);
  const [open, setOpen] = useState<string | null>(null);
  const [done, setDone] = useState<ResultChange | null>(null);
  const { undo, undoing, error } = useUndoResult();
  const theme = useTheme();
  const wide = useWide();
  const [all, setAll] = useState(false);
  const rows = [
    ...records.results.map((r) => ({
      key: r.id,
      result: { ...r, swimmerId },
      on: r.on,
      what: `${swumWord(r)}${r.kind === 'trial' ? ' all-out' : r.kind === 'track' ? ' outside' : ''}`,
      timeS: r.timeS,
      distanceM: r.distanceM,
      strokes: r.strokesPerLength,
      where: [r.details?.pool ? `${poolWord(r.details.pool)} pool` : '', r.details?.meet ?? '']
        .filter(Boolean)
        .join(' · '),
      splits: splitsWord(r),
    })),
    ...records.reps.map((r) => ({
      key: `${r.sessionId} ${r.set} ${r.rep}`,
      result: null,
      on: r.on,
      what: `${Math.round(r.distanceM)} m at ${percent(r.effort)}`,
      timeS: r.timeS,
      distanceM: r.distanceM,
      strokes: r.strokes,
      where: r.title,
      splits: '',
    })),
  ].sort((a, b) => b.on.localeCompare(a.on));
  if (rows.length === 0 && !done)
    return <Empty title="No swim yet">Times taken on deck and results from files appear here.</Empty>;
  return (
    <View>
      {error ? <Notice tone="error">{sentence(error)}</Notice> : null}
      {done ? (
        <Notice
          action={
            <Button disabled={undoing} onPress={() => void undo(done).then((put) => put && setDone(null))}>
              Undo
            </Button>
          }
        >
          {`${swumWord(done.before)} in ${formatTime(done.before.timeS, 1)} is ${done.did === 'removed' ? 'taken out' : 'corrected'}.`}
        </Notice>
      ) : null}
      <View role="table" aria-label="Swims, newest first">
        {rows.slice(0, all ? rows.length : FIRST).map((r) => (
          <View key={r.key} style={[styles.swim, { borderTopColor: theme.own.line }]}>
            <View role="row" style={styles.line}>
              <Text role="cell" style={styles.day}>
                {datedWord(r.on, thisYear)}
              </Text>
              <View role="cell" style={styles.flex}>
                <Text numberOfLines={2}>{`${r.what}${r.where ? ` · ${r.where}` : ''}`}</Text>
              </View>
              <Text role="cell" style={styles.figures}>
                {`${formatTime(r.timeS, 1)}${r.strokes ? ` · ${Math.round(r.strokes)}` : ''}`}
              </Text>
              {wide || !coach ? (
                <Text role="cell" variant="bodySmall" style={styles.speed}>
                  {`${numberWord(r.distanceM / r.timeS, 2)} m/s`}
                </Text>
              ) : null}
              {coach && r.result ? (
                <View role="cell">
                  <IconButton
                    icon="pencil"
                    size={20}
                    accessibilityLabel={`Correct ${r.what} of ${datedWord(r.on, thisYear)}`}
                    aria-expanded={open === r.key}
                    onPress={() => setOpen(open === r.key ? null : r.key)}
                  />
                </View>
              ) : null}
            </View>
            {r.splits ? (
              <View role="row">
                <Text role="cell" variant="bodySmall" style={[styles.splits, { color: theme.colors.onSurfaceVariant }]}>
                  {r.splits}
                </Text>
              </View>
            ) : null}
            {open === r.key && r.result ? (
              <View role="row">
                <View role="cell" style={styles.flex}>
                  <ResultEditor
                    result={r.result}
                    onDone={(change) => {
                      setOpen(null);
                      setDone(change);
                    }}
                  />
                </View>
              </View>
            ) : null}
          </View>
        ))}
      </View>
      {rows.length > FIRST && !all ? <Button onPress={() => setAll(true)}>{`Show all ${rows.length}`}</Button> : null}
    </View>
  );
}

const styles = StyleSheet.create({
  swim: { borderTopWidth: 1 },
  line: { flexDirection: 'row', alignItems: 'center', gap: 10, minHeight: 48 },
  flex: { flex: 1, minWidth: 0 },
  day: { width: 96 },
  splits: { paddingBottom: 8 },
  speed: { width: 66, textAlign: 'right' },
  figures: { fontVariant: ['tabular-nums'] },
});
