/** Who swims in which lane, when they leave, who would be caught, and what to do about it. */
import type { SessionPerson } from '@upwell/contract/sessions';
import {
  describeSet,
  laneCapacity,
  laneSheets,
  type GroupPlan,
  type LaneSetLine,
  type SessionPlan,
} from '@upwell/core/sessions';
import { formatTime, lengthsToMetres } from '@upwell/core/units';
import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { Disclosure } from '@/ui/Disclosure';
import { Empty } from '@/ui/States';
import { Stepper } from '@/ui/Stepper';
import { useTheme } from '@/ui/useTheme';

interface LanesPaneProps {
  readonly plan: SessionPlan;
  readonly group: GroupPlan;
  readonly people: readonly SessionPerson[];
  /** Swimmers a lane holds by the club's rule; null takes the default. */
  readonly capacity: number | null;
  readonly onLanes: (lanes: number) => void;
}

export function LanesPane({ plan, group, people, capacity: rule, onLanes }: LanesPaneProps) {
  const here = useMemo(() => people.filter((p) => p.level === group.level), [people, group.level]);
  const capacity = rule ?? laneCapacity(lengthsToMetres(plan.pool, 1));
  const sheets = useMemo(() => laneSheets(group, plan.pool, here, capacity), [group, plan.pool, here, capacity]);
  const over = here.length - group.lanes * capacity;
  if (plan.place === 'open-water')
    return <Empty title="No lanes in open water">Keep the group together by caps and a head count.</Empty>;
  if (here.length === 0) return <Empty title="Nobody at this level">Nobody of these squads swims at this level.</Empty>;
  return (
    <View style={styles.pane}>
      <View style={styles.row}>
        <Stepper
          label="lanes"
          value={String(group.lanes)}
          onLess={group.lanes > 1 ? () => onLanes(group.lanes - 1) : null}
          onMore={group.lanes < 20 ? () => onLanes(group.lanes + 1) : null}
        />
        <Text variant="bodySmall" style={styles.flex}>
          {over > 0
            ? `${here.length} swimmers; ${capacity} a lane hold ${group.lanes * capacity}. ${over} too many: use another lane.`
            : `${here.length} swimmers by pace, ${capacity} a lane at most.`}
        </Text>
      </View>
      {sheets.map((sheet) => (
        <Card
          key={sheet.lane}
          title={`Lane ${sheet.lane}`}
          aside={<Text variant="labelMedium">{`${formatTime(sheet.totals.seconds)} in all`}</Text>}
        >
          <Text variant="bodySmall">
            {`${minutes(sheet.totals.swimS)} swimming, ${minutes(sheet.totals.restS)} rest at the pace of the slowest`}
          </Text>
          {sheet.people.map((person, i) => (
            <View key={person.id} style={styles.row}>
              <Text variant="labelMedium" style={styles.order}>
                {i + 1}
              </Text>
              <Text style={styles.flex}>{person.name}</Text>
              <Text variant="bodySmall" style={styles.figures}>
                {`${formatTime(100 / person.v400Mps)} /100${person.paceIsGuess ? ', a guess' : ''}`}
              </Text>
            </View>
          ))}
          {sheet.lines.map((line, i) => (
            <LaneLine key={i} line={line} plan={plan} people={sheet.people} />
          ))}
        </Card>
      ))}
    </View>
  );
}

function LaneLine({
  line,
  plan,
  people,
}: {
  readonly line: LaneSetLine;
  readonly plan: SessionPlan;
  readonly people: readonly { readonly id: string; readonly name: string }[];
}) {
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

const minutes = (seconds: number): string => `${Math.round(seconds / 60)}′`;

const styles = StyleSheet.create({
  pane: { gap: 4 },
  row: { flexDirection: 'row', alignItems: 'center', gap: 10, minHeight: 30 },
  order: { width: 22, textAlign: 'right' },
  flex: { flex: 1 },
  figures: { fontVariant: ['tabular-nums'] },
  line: { borderTopWidth: 1, paddingTop: 8, marginTop: 8 },
});
