/** One set as a lane swims it: when they leave, who would be caught, and what to do about it. */
import { describeSet, type LaneSetLine, type SessionPlan } from '@upwell/core/sessions';
import { formatTime } from '@upwell/core/units';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Disclosure } from '@/ui/Disclosure';
import { useTheme } from '@/ui/useTheme';

interface LaneLineProps {
  readonly line: LaneSetLine;
  readonly plan: SessionPlan;
  readonly people: readonly { readonly id: string; readonly name: string }[];
}

export function LaneLine({ line, plan, people }: LaneLineProps) {
  const theme = useTheme();
  const [open, setOpen] = useState(false);
  const nameOf = (id: string) => people.find((p) => p.id === id)?.name ?? id;
  const { proposal, catches, sendOffS, gapS } = line;
  const caught = [...new Map(catches.map((c) => [`${c.who} ${c.caughtBy}`, c])).values()];
  return (
    <View style={[styles.line, { borderTopColor: theme.own.line }]}>
      <Text variant="titleSmall">{`${line.times > 1 ? `${line.times} times ` : ''}${describeSet(line.set, plan.pool, plan.place)}`}</Text>
      <Text variant="bodySmall">
        {[sendOffS ? `leave every ${formatTime(sendOffS)}` : '', `${gapS} s apart`].filter(Boolean).join(', ')}
      </Text>
      {caught.slice(0, 3).map((c) => (
        <Text key={`${c.who} ${c.caughtBy}`} variant="bodySmall" style={{ color: theme.colors.error }}>
          {`${nameOf(c.caughtBy)} catches ${nameOf(c.who)} in rep ${c.rep} after ${Math.round(c.atM)} m.`}
        </Text>
      ))}
      {proposal ? (
        <Text variant="labelMedium">
          {`${proposal.reason}${proposal.move ? ` ${nameOf(proposal.move)} to another lane.` : ''}`}
        </Text>
      ) : null}
      <Disclosure label={open ? 'Hide times' : 'Individual times'} open={open} onPress={() => setOpen(!open)} />
      {open
        ? line.swims.map((swim) => (
            <View key={swim.id} style={styles.row}>
              <Text style={styles.flex}>{nameOf(swim.id)}</Text>
              <Text style={styles.figures}>{`${formatTime(swim.repS, 1)} (${swim.method})`}</Text>
            </View>
          ))
        : null}
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', gap: 10, minHeight: 30 },
  flex: { flex: 1 },
  figures: { fontVariant: ['tabular-nums'] },
  line: { borderTopWidth: 1, paddingTop: 8, marginTop: 8 },
});
