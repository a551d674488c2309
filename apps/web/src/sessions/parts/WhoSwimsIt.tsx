/** One tick for each person who may; the others by name, with the reason why they breathe freely. */
import type { GroupPerson } from '@upwell/core/sessions';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Check } from '@/ui/Check';

interface WhoSwimsItProps<T extends Pick<GroupPerson, 'id' | 'name'>> {
  readonly people: readonly T[];
  readonly why: (person: T) => string | null;
  readonly leftOut: readonly string[];
  readonly onLeftOut: (ids: readonly string[]) => void;
}

export function WhoSwimsIt<T extends Pick<GroupPerson, 'id' | 'name'>>({
  people,
  why,
  leftOut,
  onLeftOut,
}: WhoSwimsItProps<T>) {
  const told = people.map((person) => ({ person, reason: why(person) }));
  const mayNot = told.filter(({ reason }) => reason !== null);
  if (people.length === 0)
    return <Text variant="bodySmall">No swimmers are known yet: this is checked again when the session is run.</Text>;
  return (
    <View role="group" aria-label="Who swims it with few breaths" style={styles.list}>
      <Text variant="labelLarge">Who swims it with few breaths</Text>
      {told
        .filter(({ reason }) => reason === null)
        .map(({ person: { id, name } }) => (
          <Check
            key={id}
            label={name}
            on={!leftOut.includes(id)}
            onPress={() => onLeftOut(leftOut.includes(id) ? leftOut.filter((other) => other !== id) : [...leftOut, id])}
          />
        ))}
      {mayNot.length > 0 ? (
        <>
          <Text variant="labelLarge">The same set, breathing freely</Text>
          {mayNot.map(({ person, reason }) => (
            <Text key={person.id} variant="bodySmall">{`${person.name}: ${reason}`}</Text>
          ))}
        </>
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({ list: { gap: 4, marginVertical: 8 } });
