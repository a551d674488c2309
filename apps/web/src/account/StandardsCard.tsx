/** Times that the club asks for: everybody's bests are held against them. */
import { MOST_STANDARDS, standardWord, swumMetres, type Standard, type SwumPool } from '@upwell/core/measures';
import { formatTime, parseTime } from '@upwell/core/units';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, IconButton, Text } from 'react-native-paper';
import { sentence } from '@/api/problem';
import { Card } from '@/ui/Card';
import { FieldError } from '@/ui/Choice';
import { Input } from '@/ui/Input';
import { Loading, Notice } from '@/ui/States';
import { SwumIn } from '@/ui/SwumIn';
import { useTheme } from '@/ui/useTheme';
import { useClubRules } from './useClubRules';

const wordOf = (standard: Standard): string =>
  `${standard.name}, ${standardWord(standard)} in ${formatTime(standard.timeS, 1)}`;

export function StandardsCard() {
  const theme = useTheme();
  const { rules, change, refused } = useClubRules();
  const [removed, setRemoved] = useState<Standard | null>(null);
  // What cannot be read is said by the card of the rules above.
  if (!rules) return <Loading label="Loading the standards" />;
  const standards = rules.standards ?? [];
  const add = (standard: Standard) =>
    change(({ standards: now = [] }) => ({
      standards: [...now, standard].sort((a, b) => a.distanceM - b.distanceM || a.timeS - b.timeS),
    }));
  return (
    <Card title="Standards">
      <Text variant="bodySmall">
        Times of your own, like those for the race squad. They stand beside the bests in everybody’s records.
      </Text>
      {refused ? <Notice tone="error">{sentence(refused)}</Notice> : null}
      {removed ? (
        <Notice
          action={
            <Button
              onPress={() => {
                add(removed);
                setRemoved(null);
              }}
            >
              Undo
            </Button>
          }
        >
          {`Taken out: ${wordOf(removed)}.`}
        </Notice>
      ) : null}
      <View role="list" aria-label="Standards">
        {standards.map((standard) => (
          <View
            key={JSON.stringify(standard)}
            role="listitem"
            style={[styles.line, { borderTopColor: theme.own.line }]}
          >
            <View style={styles.flex}>
              <Text variant="titleMedium">{standard.name}</Text>
              <Text variant="bodySmall">{standardWord(standard)}</Text>
            </View>
            <Text variant="titleMedium">{formatTime(standard.timeS, 1)}</Text>
            <IconButton
              icon="trash-can-outline"
              accessibilityLabel={`Take out ${wordOf(standard)}`}
              onPress={() => {
                setRemoved(standard);
                change(({ standards: now = [] }) => ({
                  standards: now.filter((one) => JSON.stringify(one) !== JSON.stringify(standard)),
                }));
              }}
            />
          </View>
        ))}
      </View>
      {standards.length < MOST_STANDARDS ? <NewStandard standards={standards} onAdd={add} /> : null}
    </Card>
  );
}

function NewStandard({
  standards,
  onAdd,
}: {
  readonly standards: readonly Standard[];
  readonly onAdd: (standard: Standard) => void;
}) {
  const [name, setName] = useState('');
  const [distance, setDistance] = useState('');
  const [pool, setPool] = useState<SwumPool | null>(null);
  const [time, setTime] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const store = () => {
    const distanceM = swumMetres(Number(distance.replace(',', '.')), pool);
    const timeS = parseTime(time);
    if (name.trim() === '') return setProblem('A name, like “Race squad”, please.');
    if (!(distanceM >= 1 && distanceM <= 100_000)) return setProblem('The distance as a number, please.');
    if (timeS === null || timeS <= 0) return setProblem('A time like 5:45, please.');
    const standard = { name: name.trim(), distanceM, pool, timeS };
    if (standards.some((one) => JSON.stringify(one) === JSON.stringify(standard)))
      return setProblem('This standard is in the list.');
    setProblem(null);
    onAdd(standard);
    setDistance('');
    setTime('');
  };
  return (
    <View style={styles.add} role="group" aria-label="Another standard">
      <View style={styles.row}>
        <Input label="Name of the standard" value={name} maxLength={60} onChangeText={setName} style={styles.field} />
        <Input
          label={pool?.unit === 'yd' ? 'Yards' : 'Metres'}
          value={distance}
          inputMode="decimal"
          maxLength={7}
          onChangeText={setDistance}
          style={styles.field}
        />
        <Input
          label="Time"
          value={time}
          placeholder="5:45"
          maxLength={10}
          onChangeText={setTime}
          style={styles.field}
        />
      </View>
      <SwumIn pool={pool} onPool={setPool} none="any" />
      {problem ? <FieldError>{problem}</FieldError> : null}
      <Button mode="outlined" style={styles.start} onPress={store}>
        Add the standard
      </Button>
    </View>
  );
}

const styles = StyleSheet.create({
  line: { flexDirection: 'row', alignItems: 'center', gap: 8, borderTopWidth: 1, paddingVertical: 4 },
  flex: { flex: 1 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  field: { minWidth: 110, flexGrow: 1 },
  add: { gap: 8, marginTop: 8 },
  start: { alignSelf: 'flex-start' },
});
