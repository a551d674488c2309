/** Lanes that will not be out in time with the people who come tonight, and what to leave out in them. */
import type { SessionPerson } from '@upwell/contract/sessions';
import { type LaneOut, lanesOut } from '@upwell/core/deck';
import type { SessionPlan } from '@upwell/core/sessions';
import { clockAfter } from '@upwell/core/units';
import { useDeferredValue, useMemo } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Card } from '@/ui/Card';

/** When the lanes of tonight are out; null while nobody is known. */
export function useLanesOut(
  now: SessionPlan,
  people: readonly SessionPerson[] | undefined,
  capacity: number | null | undefined,
): readonly LaneOut[] | null {
  // Counted behind what is typed: with forty swimmers it takes longer than a key. A plan that is not asked about is not counted
  // later either: it may be one that cannot be.
  const plan = useDeferredValue(people ? now : null);
  return useMemo(
    () => (people && plan ? lanesOut(plan, people, capacity ?? undefined) : null),
    [plan, people, capacity],
  );
}

const isLate = ({ lateS }: LaneOut): boolean => lateS > 0;

/** One line about it, as long as it is also before that is known. @example 'Lanes tonight: 2 late, the last out at 20:08' */
export function lanesWord(out: readonly LaneOut[] | null, startTime: string, failed: boolean): string {
  if (out === null) return `Lanes tonight: ${failed ? 'not known who comes' : 'asking who comes'}`;
  const late = out.filter(isLate);
  if (late.length === 0) return 'Lanes tonight: all out in time';
  return `Lanes tonight: ${late.length} late, the last out at ${clockAfter(startTime, Math.max(...late.map((l) => l.outS)))}`;
}

interface LateLanesProps {
  readonly plan: SessionPlan;
  readonly out: readonly LaneOut[];
  readonly startTime: string;
}

export function LateLanes({ plan, out, startTime }: LateLanesProps) {
  const late = out.filter(isLate);
  if (late.length === 0) return null;
  const nameOf = (id: string) => plan.groups.find((g) => g.id === id)?.name ?? '';
  return (
    <Card title="Not out in time" strong>
      <Text variant="bodySmall">
        The plan counts on lanes as full as planned, at the pace of the group. A lane with more people waits longer for
        the last one, and a slower one leaves on longer send-offs.
      </Text>
      {late.map(({ groupId, lane, outS, lateS, cuts }) => (
        <View key={`${groupId}/${lane}`} style={styles.top}>
          <Text variant="labelLarge">
            {`${nameOf(groupId)}, lane ${lane}: out at ${clockAfter(startTime, outS)}, ${Math.round(lateS / 60)} min late`}
          </Text>
          {cuts.map((cut, i) => (
            <Text key={cut}>{i === 0 ? `To be in time: ${cut}` : `and ${cut}`}</Text>
          ))}
        </View>
      ))}
    </Card>
  );
}

const styles = StyleSheet.create({ top: { marginTop: 8 } });
