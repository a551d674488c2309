import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { DayInput } from '@/ui/DayInput';
import { Input } from '@/ui/Input';
import { chosen } from '../raceDraft';
import type { PaneProps } from '../useRace';
import { dayWord } from '@upwell/core/words';

/** Races on the way, which are swum out of training. */
export function OtherRaces({ race }: Pick<PaneProps, 'race'>) {
  const [event, setEvent] = useState('');
  const [date, setDate] = useState('');
  const others = race.draft.choices.otherRaces ?? [];
  const ready = event.trim() !== '' && date !== '';
  return (
    <View style={styles.all}>
      <Text variant="labelMedium">Other races</Text>
      {others.map((other) => (
        <View key={`${other.date} ${other.event}`} style={styles.row}>
          <Text style={styles.flex}>{`${other.event}, ${dayWord(other.date)}`}</Text>
          <Button
            accessibilityLabel={`Take out ${other.event}`}
            onPress={() => race.change((now) => chosen(now, { otherRaces: others.filter((o) => o !== other) }))}
          >
            Take out
          </Button>
        </View>
      ))}
      <Input dense label="Another race" value={event} onChangeText={setEvent} />
      <DayInput label="Its day" value={date} onChange={setDate} />
      <Button
        mode="outlined"
        disabled={!ready}
        style={styles.start}
        onPress={() => {
          race.change((now) => chosen(now, { otherRaces: [...others, { event: event.trim(), date }] }));
          setEvent('');
          setDate('');
        }}
      >
        Add it
      </Button>
    </View>
  );
}

const styles = StyleSheet.create({
  all: { gap: 6 },
  row: { flexDirection: 'row', alignItems: 'center', minHeight: 48 },
  flex: { flex: 1 },
  start: { alignSelf: 'flex-start' },
});
