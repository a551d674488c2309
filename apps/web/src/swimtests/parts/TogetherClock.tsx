/** The watch of a test together: what is swum, how they leave, and the time of the first. */
import { APART_S, TOGETHER_M, type TogetherM } from '@upwell/core/swimtests';
import { formatTime } from '@upwell/core/units';
import { StyleSheet } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { type DeckTime, Tap, useNow } from '@/deck';
import { Card } from '@/ui/Card';
import { Choice } from '@/ui/Choice';
import { useTheme } from '@/ui/useTheme';
import { withWatch, withWatchBack, type SquadTestDraft } from '../squadDraft';

export type Change = (change: (now: SquadTestDraft) => SquadTestDraft) => void;

interface TogetherClockProps {
  readonly draft: SquadTestDraft;
  readonly time: DeckTime;
  readonly metres: TogetherM;
  readonly onMetres: (metres: TogetherM) => void;
  readonly onDraft: Change;
}

export function TogetherClock({ draft, time, metres, onMetres, onDraft }: TogetherClockProps) {
  const theme = useTheme();
  const { running, ended, apartS } = draft;
  const now = useNow(time, 100, running !== null);
  return (
    <Card strong>
      {running ? (
        <Text style={styles.figure} aria-live="off">
          {formatTime(Math.max(0, now - running.startMs) / 1000, 1)}
        </Text>
      ) : (
        <>
          <Choice
            label="Distance"
            options={TOGETHER_M.map((m) => ({ value: String(m), label: `${m} m` }))}
            chosen={[String(metres)]}
            onPress={(value) => onMetres(Number(value) as TogetherM)}
          />
          <Choice
            label="They leave"
            options={APART_S.map((s) => ({ value: String(s), label: s === 0 ? 'all at once' : `${s} s apart` }))}
            chosen={[String(apartS)]}
            onPress={(value) => onDraft((was) => ({ ...was, apartS: Number(value) }))}
          />
        </>
      )}
      <Tap
        label={running ? `End the ${running.metres} m` : `Start the ${metres} m`}
        style={[styles.start, { backgroundColor: running ? theme.colors.surfaceVariant : theme.colors.primary }]}
        onTap={(monoMs) => onDraft((was) => withWatch(was, metres, time.at(monoMs)))}
      >
        <Text style={[styles.word, { color: running ? theme.colors.onSurface : theme.colors.onPrimary }]}>
          {running ? `End the ${running.metres} m` : `Start the ${metres} m`}
        </Text>
      </Tap>
      {ended ? (
        <Button compact onPress={() => onDraft(withWatchBack)}>
          {`Not over yet: go on with the ${ended.metres} m`}
        </Button>
      ) : null}
      <Text variant="bodySmall">
        {running ? 'Tap a name at the touch.' : 'The first leaves at the start; the arrows change the order.'}
      </Text>
    </Card>
  );
}

const styles = StyleSheet.create({
  figure: { fontFamily: 'Atkinson Bold', fontSize: 60, lineHeight: 66, fontVariant: ['tabular-nums'] },
  start: { minHeight: 72, borderRadius: 8, alignItems: 'center', justifyContent: 'center', marginVertical: 8 },
  word: { fontFamily: 'Atkinson Bold', fontSize: 24, lineHeight: 30 },
});
