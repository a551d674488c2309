/** Who is filmed: the squad, with what is there of each. */
import type { SwimmerRow } from '@upwell/contract/swimmers';
import { mayBeFilmed } from '@upwell/core/swimmers';
import { numberWord } from '@upwell/core/words';
import { Pressable, StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { Icon } from '@/ui/Icon';
import { useTheme } from '@/ui/useTheme';
import type { Film } from '../filmStore';
import { VIEW_WORD } from '../words';

interface NamesProps {
  readonly squad: readonly SwimmerRow[];
  /** The newest film of each. */
  readonly filmed: ReadonlyMap<string, Film>;
  readonly chosenId: string | null;
  readonly onChoose: (id: string) => void;
}

export function Names({ squad, filmed, chosenId, onChoose }: NamesProps) {
  const theme = useTheme();
  if (squad.length === 0) return null;
  const done = squad.filter((s) => filmed.has(s.id)).length;
  return (
    <Card title="Who swims" aside={<Text variant="bodySmall">{`${done} of ${squad.length} filmed`}</Text>}>
      <View role="radiogroup" aria-label="Who swims">
        {squad.map((swimmer) => {
          const { id, givenName, familyName } = swimmer;
          const film = filmed.get(id);
          const on = id === chosenId;
          const state = !mayBeFilmed(swimmer)
            ? 'no consent to clips'
            : film
              ? `${numberWord(film.seconds)} s ${VIEW_WORD[film.view]}`
              : 'not filmed';
          return (
            <Pressable
              key={id}
              role="radio"
              aria-checked={on}
              aria-label={`${givenName} ${familyName}, ${state}`}
              onPress={() => onChoose(id)}
              style={[
                styles.row,
                { borderBottomColor: theme.own.line, backgroundColor: on ? theme.colors.primaryContainer : undefined },
              ]}
            >
              <Text style={styles.flex}>{`${givenName} ${familyName}`}</Text>
              <Text variant="bodySmall">{state}</Text>
              {film ? <Icon name="check" size={18} color={theme.colors.primary} /> : null}
            </Pressable>
          );
        })}
      </View>
    </Card>
  );
}

const styles = StyleSheet.create({
  row: {
    ...{ flexDirection: 'row', alignItems: 'center', gap: 8, minHeight: 48 },
    ...{ paddingHorizontal: 8, borderBottomWidth: 1 },
  },
  flex: { flex: 1, minWidth: 0 },
});
