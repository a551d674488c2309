/** What was swum beside what was planned: one tap when it went as planned, else change what was different. */
import type { SessionDone } from '@upwell/contract/sessions';
import { BLOCK_NAME, comparePlans, type GroupPlan, type SessionPlan } from '@upwell/core/sessions';
import { formatTime, inPoolUnit } from '@upwell/core/units';
import { numberWord } from '@upwell/core/words';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { Input } from '@/ui/Input';
import { Stepper } from '@/ui/Stepper';
import { useTheme } from '@/ui/useTheme';
import { GroupEditor } from '../hand/GroupEditor';

interface DonePaneProps {
  readonly plan: SessionPlan;
  readonly done: SessionDone | null;
  readonly group: GroupPlan | undefined;
  readonly onChange: (done: SessionDone | null) => void;
}

export function DonePane({ plan, done, group, onChange }: DonePaneProps) {
  if (!done) {
    return (
      <Card title="What was swum?">
        <Text>One tap if it went as planned. If not, change what was swum; the plan stays as it was.</Text>
        <Button
          mode="contained"
          icon="check"
          style={styles.start}
          onPress={() => onChange({ plan, ratings: {}, note: '' })}
        >
          Swum as planned
        </Button>
      </Card>
    );
  }
  const swum = done.plan.groups.find((g) => g.id === group?.id);
  return (
    <View>
      <Compared plan={plan} done={done} />
      <Card title="How hard did it feel?">
        <Text variant="bodySmall">0 is rest, 10 is nothing left. Ask half an hour afterwards.</Text>
        <View style={styles.row}>
          {done.plan.groups.map((g) => {
            const rating = done.ratings[g.id];
            const rate = (value: number) => onChange({ ...done, ratings: { ...done.ratings, [g.id]: value } });
            return (
              <Stepper
                key={g.id}
                label={g.name}
                value={rating === undefined ? '–' : String(rating)}
                onLess={rating === undefined || rating <= 0 ? null : () => rate(rating - 1)}
                onMore={rating !== undefined && rating >= 10 ? null : () => rate(rating === undefined ? 5 : rating + 1)}
              />
            );
          })}
        </View>
        <Input
          label="What to remember"
          value={done.note}
          maxLength={1000}
          multiline
          onChangeText={(note) => onChange({ ...done, note })}
        />
      </Card>
      {swum ? (
        <Card title={`${swum.name}, as swum`}>
          <GroupEditor plan={done.plan} group={swum} onChange={(next) => onChange({ ...done, plan: next })} />
        </Card>
      ) : null}
      <Button icon="undo" onPress={() => onChange(null)}>
        Not swum
      </Button>
    </View>
  );
}

function Compared({ plan, done }: { readonly plan: SessionPlan; readonly done: SessionDone }) {
  const theme = useTheme();
  const { pool } = plan;
  const said = (metres: number): string => `${numberWord(inPoolUnit(pool, metres))} ${pool.unit}`;
  const signed = (metres: number): string => `${metres < 0 ? '−' : '+'}${said(Math.abs(metres))}`;
  return (
    <Card title="Planned and swum" strong>
      {comparePlans(plan, done.plan).map((d) => (
        <View key={d.group} style={[styles.line, { borderTopColor: theme.own.line }]}>
          <Text variant="titleSmall">{d.group}</Text>
          <Text>
            {Math.abs(d.doneM - d.plannedM) < 0.5
              ? `${said(d.doneM)}, as planned`
              : `${said(d.doneM)} of ${said(d.plannedM)} planned (${signed(d.doneM - d.plannedM)}), ${formatTime(d.doneS)} instead of ${formatTime(d.plannedS)}`}
          </Text>
          {d.blocks.map((b) => (
            <Text key={b.block} variant="bodySmall">{`${BLOCK_NAME[b.block]} ${signed(b.doneM - b.plannedM)}`}</Text>
          ))}
        </View>
      ))}
    </Card>
  );
}

const styles = StyleSheet.create({
  start: { alignSelf: 'flex-start', marginTop: 10 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, marginVertical: 8 },
  line: { borderTopWidth: 1, paddingVertical: 6 },
});
