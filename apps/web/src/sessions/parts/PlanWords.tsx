/** One level of a plan in words, to be read through before it is kept. */
import {
  blockWord,
  blockLengths,
  cautionsOf,
  describeSet,
  distanceWord,
  groupClock,
  isSet,
  pauseWord,
  setDetails,
  type GroupPlan,
  type Item,
  type SessionPlan,
} from '@upwell/core/sessions';
import { clockAfter } from '@upwell/core/units';
import { sentenceCase } from '@upwell/core/text';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { useTheme } from '@/ui/useTheme';

interface PlanWordsProps {
  readonly plan: SessionPlan;
  readonly group: GroupPlan;
  readonly startTime: string;
}

export function PlanWords({ plan, group, startTime }: PlanWordsProps) {
  const { own } = useTheme();
  const clock = groupClock(group, plan.pool);
  return (
    <Card title={`${group.name}, in words`}>
      {clock.blocks.map(({ block, startS }) => {
        const lengths = blockLengths(block);
        const extent =
          block.landMinutes > 0 ? `${block.landMinutes} min` : lengths > 0 && distanceWord(plan.pool, lengths);
        return (
          <View key={block.id} style={styles.block}>
            <View style={[styles.head, { borderBottomColor: own.line }]}>
              <Text variant="titleSmall" role="heading" aria-level={3}>
                {blockWord(block)}
              </Text>
              <Text variant="bodySmall" style={styles.figures}>
                {[extent, clockAfter(startTime, startS)].filter(Boolean).join(' · ')}
              </Text>
            </View>
            {block.note ? <Text variant="bodySmall">{block.note}</Text> : null}
            <Lines items={block.items} plan={plan} group={group} />
          </View>
        );
      })}
    </Card>
  );
}

interface LinesProps extends Omit<PlanWordsProps, 'startTime'> {
  readonly items: readonly Item[];
}

function Lines({ items, plan, group }: LinesProps) {
  const { own, colors } = useTheme();
  return (
    <>
      {items.map((item) => {
        if (item.kind === 'pause')
          return (
            <Text key={item.id} variant="bodySmall" style={styles.line}>
              {[sentenceCase(pauseWord(item)), item.note].filter(Boolean).join('. ')}
            </Text>
          );
        if (!isSet(item))
          return (
            <View key={item.id} style={[styles.rounds, { borderLeftColor: own.line }]}>
              <Text variant="labelMedium">{`${item.rounds} times through`}</Text>
              <Lines items={item.items} plan={plan} group={group} />
            </View>
          );
        return (
          <View key={item.id} style={styles.line}>
            <Text variant="titleSmall">{describeSet(item, plan.pool, plan.place)}</Text>
            <Text variant="bodySmall">{setDetails(item).join(' · ')}</Text>
            {cautionsOf(item, group, plan.pool).map((text) => (
              <Text key={text} variant="bodySmall" style={{ color: colors.error }}>
                {text}
              </Text>
            ))}
          </View>
        );
      })}
    </>
  );
}

const styles = StyleSheet.create({
  block: { marginTop: 10, gap: 2 },
  head: { flexDirection: 'row', justifyContent: 'space-between', borderBottomWidth: 1, paddingBottom: 2 },
  figures: { fontVariant: ['tabular-nums'] },
  line: { marginTop: 6 },
  rounds: { borderLeftWidth: 3, paddingLeft: 10, marginTop: 6 },
});
