/** Somebody in a lane, and where they can go instead tonight. */
import type { SessionPerson } from '@upwell/contract/sessions';
import { mayJoin, type SessionPlan } from '@upwell/core/sessions';
import { formatTime } from '@upwell/core/units';
import { Pressable, StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Choice } from '@/ui/Choice';
import { useTheme } from '@/ui/useTheme';

export function PersonRow({
  person,
  guest,
  open,
  onOpen,
}: {
  readonly person: SessionPerson;
  readonly guest: boolean;
  readonly open: boolean;
  readonly onOpen: () => void;
}) {
  const theme = useTheme();
  return (
    <View style={styles.person}>
      <Text style={styles.flex}>{person.name}</Text>
      <Text variant="bodySmall" style={styles.figures}>
        {[
          guest ? 'guest' : null,
          person.place ? 'by hand' : null,
          `${formatTime(100 / person.v400Mps)} /100${person.paceIsGuess ? ', a guess' : ''}`,
        ]
          .filter((text) => text !== null)
          .join(' · ')}
      </Text>
      <Pressable
        role="button"
        aria-expanded={open}
        accessibilityLabel={`${open ? 'Close' : 'Tonight'}: ${person.name}`}
        onPress={onOpen}
        style={styles.open}
      >
        <Text variant="labelLarge" style={{ color: theme.colors.primary }}>
          {open ? 'Close' : 'Tonight'}
        </Text>
      </Pressable>
    </View>
  );
}

/** Where somebody can go instead: any lane of a group they may swim in, or home. */
export function Moves({
  person,
  plan,
  lane,
  onPlace,
  onAway,
}: {
  readonly person: SessionPerson;
  readonly plan: SessionPlan;
  readonly lane: { readonly group: string; readonly lane: number };
  readonly onPlace: (to: { readonly group: string; readonly lane: number } | null) => void;
  readonly onAway: () => void;
}) {
  const keyOf = (to: typeof lane) => `${to.group}/${to.lane}`;
  const open = plan.groups.filter((group) => mayJoin(plan, person, group.id));
  return (
    <View style={styles.moves}>
      {open.map((group) => (
        <Choice
          key={group.id}
          label={`${group.name}: lane`}
          options={Array.from({ length: group.lanes }, (_, i) => ({
            value: keyOf({ group: group.id, lane: i + 1 }),
            label: String(i + 1),
          }))}
          chosen={[keyOf(lane)]}
          onPress={(to) => onPlace({ group: group.id, lane: Number(to.slice(to.lastIndexOf('/') + 1)) })}
        />
      ))}
      <View style={styles.row}>
        <Button mode="outlined" onPress={onAway}>
          Away tonight
        </Button>
        {person.place ? <Button onPress={() => onPlace(null)}>By pace again</Button> : null}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', gap: 10, minHeight: 30 },
  person: { flexDirection: 'row', alignItems: 'center', gap: 10, minHeight: 48 },
  moves: { paddingBottom: 8 },
  open: { minHeight: 48, minWidth: 72, alignItems: 'center', justifyContent: 'center' },
  flex: { flex: 1 },
  // A long name and all that is said of it share a phone's width.
  figures: { fontVariant: ['tabular-nums'], flexShrink: 1, textAlign: 'right' },
});
