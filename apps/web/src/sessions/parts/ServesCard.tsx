/** Who the theme and each drill help, by their focuses and plans, and where their plans pull another way. */
import type { SessionProposal } from '@upwell/contract/sessions';
import { drillCard } from '@upwell/core/library';
import { causeCard } from '@upwell/core/review';
import { drillsServe, needsOf, planConflicts, type SessionPlan, setsOf } from '@upwell/core/sessions';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { Notice } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import type { Wish } from '../wish';

interface ServesCardProps {
  readonly plan: SessionPlan;
  readonly wish: Wish;
  readonly proposal: SessionProposal;
}

export function ServesCard({ plan, wish, proposal }: ServesCardProps) {
  // A page kept by an older app does not know who needs what.
  const attendees = (proposal.served ?? []).filter((c) => !wish.leftOut.includes(c.level));
  if (attendees.length === 0) return null;
  const themed = attendees.filter((c) => needsOf(c).includes(plan.theme)).length;
  const drills = plan.groups.flatMap((g) =>
    g.blocks.flatMap((b) => setsOf(b.items).flatMap(({ set }) => set.drill ?? [])),
  );
  const conflicts = planConflicts(attendees, { theme: plan.theme, week: wish.week });
  return (
    <Card title="Who this helps">
      {conflicts.map((text) => (
        <Notice key={text}>{text}</Notice>
      ))}
      <View role="list">
        <Share name={causeCard(plan.theme).name} swimmers={themed} of={attendees.length} strong />
        {drillsServe(drills, attendees).map(({ drill, swimmers }) => (
          <Share key={drill} name={drillCard(drill).name} swimmers={swimmers} of={attendees.length} />
        ))}
      </View>
    </Card>
  );
}

interface ShareProps {
  readonly name: string;
  readonly swimmers: number;
  readonly of: number;
  readonly strong?: boolean;
}

function Share({ name, swimmers, of, strong = false }: ShareProps) {
  const theme = useTheme();
  return (
    <View role="listitem" style={styles.row}>
      <Text variant={strong ? 'titleSmall' : 'bodyMedium'} style={styles.flex}>
        {name}
      </Text>
      <View style={[styles.track, { backgroundColor: theme.own.sand }]} aria-hidden>
        <View style={[styles.bar, { width: `${(swimmers / of) * 100}%`, backgroundColor: theme.colors.primary }]} />
      </View>
      <Text variant="labelMedium" style={styles.figures}>
        {`${swimmers} of ${of}`}
      </Text>
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', gap: 10, minHeight: 32 },
  flex: { flex: 1 },
  track: { width: 90, height: 10, borderRadius: 3 },
  bar: { height: 10, borderRadius: 3 },
  figures: { minWidth: 64, textAlign: 'right', fontVariant: ['tabular-nums'] },
});
