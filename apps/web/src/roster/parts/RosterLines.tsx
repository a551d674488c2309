import type { RosterView } from '@upwell/contract/roster';
import { levelCard } from '@upwell/core/swimmers';
import { formatTime } from '@upwell/core/units';
import { counted, numberWord } from '@upwell/core/words';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { Check } from '@/ui/Check';
import { useTheme } from '@/ui/useTheme';

/** Lines that are shown before somebody asks for the others. */
const SHOWN = 40;

const known = ({ existing, sameAs }: RosterView) => existing !== null || sameAs !== null;

/** Whether a line comes in: those nobody knows do, the others where they were ticked. */
export const comesIn = (line: RosterView, swapped: ReadonlySet<number>): boolean =>
  line.problems.length === 0 && line.squad !== '' && known(line) === swapped.has(line.line);

interface RosterLinesProps {
  readonly lines: readonly RosterView[];
  /** Lines that were ticked or unticked by hand. */
  readonly swapped: ReadonlySet<number>;
  readonly onSwap: (swapped: ReadonlySet<number>) => void;
}

/** Every line: those that cannot come in, those who are here already, and the others. */
export function RosterLines({ lines, swapped, onSwap }: RosterLinesProps) {
  const swap = (line: number) => {
    const next = new Set(swapped);
    if (!next.delete(line)) next.add(line);
    onSwap(next);
  };
  const wrong = lines.filter((l) => l.problems.length > 0);
  const waiting = lines.filter((l) => l.problems.length === 0 && l.squad === '');
  const double = lines.filter((l) => l.problems.length === 0 && l.squad !== '' && known(l));
  const fresh = lines.filter((l) => l.problems.length === 0 && l.squad !== '' && !known(l));
  return (
    <>
      <Group
        title={counted(wrong.length, 'line cannot be imported', 'lines cannot be imported')}
        lines={wrong}
        swapped={null}
        onSwap={swap}
      />
      <Group
        title={counted(waiting.length, 'line waits for a squad', 'lines wait for a squad')}
        lines={waiting}
        swapped={null}
        onSwap={swap}
      />
      <Group
        title={counted(double.length, 'looks like someone already here', 'look like people already here')}
        lines={double}
        swapped={swapped}
        onSwap={swap}
      />
      <Group title={counted(fresh.length, 'swimmer', 'swimmers')} lines={fresh} swapped={swapped} onSwap={swap} />
    </>
  );
}

interface GroupProps extends Omit<RosterLinesProps, 'swapped' | 'onSwap'> {
  readonly title: string;
  /** Null where nothing can be ticked. */
  readonly swapped: ReadonlySet<number> | null;
  readonly onSwap: (line: number) => void;
}

function Group({ title, lines, swapped, onSwap }: GroupProps) {
  const theme = useTheme();
  const [all, setAll] = useState(false);
  if (lines.length === 0) return null;
  return (
    <Card title={title}>
      <View role="list">
        {lines.slice(0, all ? undefined : SHOWN).map((line) => {
          const notes = [...line.problems, ...line.notes];
          if (line.existing) notes.push(`${line.existing.name} is already here, in ${line.existing.squad}.`);
          if (line.sameAs !== null) notes.push(`The same as line ${line.sameAs}.`);
          return (
            <View key={line.line} role="listitem" style={[styles.line, { borderTopColor: theme.own.line }]}>
              {swapped ? (
                <Check label={brought(line)} on={comesIn(line, swapped)} onPress={() => onSwap(line.line)} />
              ) : (
                <Text>{brought(line)}</Text>
              )}
              {notes.map((note) => (
                <Text
                  key={note}
                  variant="bodySmall"
                  style={{ color: line.problems.length > 0 ? theme.colors.error : theme.colors.onSurfaceVariant }}
                >
                  {`Line ${line.line}: ${note}`}
                </Text>
              ))}
            </View>
          );
        })}
      </View>
      {lines.length > SHOWN && !all ? (
        <Button mode="outlined" onPress={() => setAll(true)} style={styles.start}>
          {`Show all ${numberWord(lines.length)}`}
        </Button>
      ) : null}
    </Card>
  );
}

/** What a line brings, in one line. */
function brought({ given, family, birthYear, squad, newSquad, level, bestTimes }: RosterView): string {
  return [
    `${given} ${family}`.trim() || 'No name',
    birthYear === null ? 'age unknown' : `born ${birthYear}`,
    squad === '' ? 'no squad' : `${squad}${newSquad ? ' (new)' : ''}`,
    levelCard(level).name,
    ...bestTimes.map(({ distanceM, timeS }) => `${distanceM} m ${formatTime(timeS, 1)}`),
  ].join(' · ');
}

const styles = StyleSheet.create({
  line: { borderTopWidth: 1, paddingVertical: 4 },
  start: { alignSelf: 'flex-start', marginTop: 8 },
});
