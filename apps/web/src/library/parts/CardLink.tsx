/** The name of another card: a tap opens it. */
import { drillCard, type DrillId, ladderCard, type LadderId } from '@upwell/core/library';
import { causeCard, type CauseId } from '@upwell/core/review';
import { Link, type Href } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useTheme } from '@/ui/useTheme';

interface Card {
  readonly show: 'causes' | 'drills' | 'ladders';
  readonly id: string;
  readonly name: string;
}

export const toDrill = (id: DrillId): Card => ({ show: 'drills', id, name: drillCard(id).name });
export const toCause = (id: CauseId): Card => ({ show: 'causes', id, name: causeCard(id).name });
/** A step of a ladder, by its number. */
export const toLadder = (id: LadderId, step?: number): Card => ({
  show: 'ladders',
  id,
  name: step === undefined ? ladderCard(id).name : `${ladderCard(id).name}, step ${step}`,
});

interface CardLinksProps {
  /** What they are to the card on which they stand. */
  readonly label: string;
  readonly cards: readonly Card[];
}

export function CardLinks({ label, cards }: CardLinksProps) {
  const { colors } = useTheme();
  if (cards.length === 0) return null;
  return (
    <View style={styles.row}>
      <Text variant="labelMedium">{label}</Text>
      {cards.map(({ show, id, name }) => (
        <Link key={`${show} ${id} ${name}`} href={`/library?show=${show}&open=${id}` as Href} style={styles.link}>
          <Text variant="labelLarge" style={[styles.name, { color: colors.primary }]}>
            {name}
          </Text>
        </Link>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', columnGap: 14 },
  link: { minHeight: 44, justifyContent: 'center', display: 'flex', alignItems: 'center' },
  name: { textDecorationLine: 'underline' },
});
