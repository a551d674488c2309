/** A swimmer of a test together: the touch, the times, what they say, and the place in the order of leaving. */
import { TOGETHER_M, togetherResult, touchTime } from '@upwell/core/swimtests';
import { StyleSheet, View } from 'react-native';
import { IconButton, Text } from 'react-native-paper';
import { type DeckTime, Tap } from '@/deck';
import { Input } from '@/ui/Input';
import { useTheme } from '@/ui/useTheme';
import { useWide } from '@/ui/useWide';
import { withEarlier, withTime, type SquadTestDraft, type SquadTestPerson } from '../squadDraft';
import type { Change } from './TogetherClock';

interface TogetherRowProps {
  readonly person: SquadTestPerson;
  readonly place: number;
  readonly draft: SquadTestDraft;
  readonly time: DeckTime;
  readonly onDraft: Change;
}

export function TogetherRow({ person, place, draft, time, onDraft }: TogetherRowProps) {
  const theme = useTheme();
  const wide = useWide();
  const { swimmerId, name, times, stored } = person;
  const { running, apartS } = draft;
  const result = togetherResult(times);
  const touched = running !== null && (times[running.metres] ?? '') !== '';
  const touch = (monoMs: number) => {
    if (!running) return;
    const text = touchTime(running.startMs, time.at(monoMs), place, apartS);
    if (text !== null) onDraft((now) => withTime(now, swimmerId, running.metres, text));
  };
  const says = result.kind === 'ready' ? result.outcome.words : result.kind === 'refused' && !running ? result.why : '';
  return (
    <View role="listitem" style={[styles.person, { borderBottomColor: theme.own.line }]}>
      <View style={[styles.row, wide ? null : styles.wrap]}>
        {running && !touched ? (
          <Tap
            label={`${name} touches`}
            style={[
              styles.touch,
              wide ? styles.beside : styles.line,
              { backgroundColor: theme.colors.primaryContainer },
            ]}
            onTap={touch}
          >
            <Text variant="titleMedium" style={{ color: theme.colors.onPrimaryContainer }}>
              {name}
            </Text>
          </Tap>
        ) : (
          <View style={[styles.name, wide ? styles.beside : styles.line]}>
            <Text variant="titleMedium">{`${place + 1}  ${name}`}</Text>
          </View>
        )}
        {TOGETHER_M.map((metres) => (
          <Input
            key={metres}
            label={`${metres} m`}
            accessibilityLabel={`${metres} m of ${name}`}
            value={times[metres] ?? ''}
            placeholder="5:52"
            editable={!stored}
            onChangeText={(text) => onDraft((now) => withTime(now, swimmerId, metres, text))}
            maxLength={9}
            dense
            style={styles.time}
          />
        ))}
        {running || stored ? null : (
          <IconButton
            icon="arrow-up"
            disabled={place === 0}
            accessibilityLabel={`${name} leaves earlier`}
            onPress={() => onDraft((now) => withEarlier(now, swimmerId))}
          />
        )}
      </View>
      {says || stored ? (
        <Text variant="bodySmall" style={result.kind === 'refused' ? { color: theme.colors.error } : undefined}>
          {[says, stored ? 'stored' : ''].filter(Boolean).join(' · ')}
        </Text>
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({
  person: { paddingVertical: 8, borderBottomWidth: 1, gap: 4 },
  row: { flexDirection: 'row', alignItems: 'center', gap: 8 },
  wrap: { flexWrap: 'wrap' },
  // On a phone a name has a line of its own, and the times stand under it.
  line: { width: '100%' },
  beside: { flex: 1 },
  name: { minHeight: 44, justifyContent: 'center' },
  touch: {
    minHeight: 64,
    borderRadius: 8,
    alignItems: 'center',
    justifyContent: 'center',
  },
  time: { flexGrow: 1, flexBasis: 112, maxWidth: 160 },
});
