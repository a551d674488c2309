/** Lanes that will not be out in time with the people who come tonight, and what to leave out in them. */
import { lateLanes, type LateLanes as Late } from '@upwell/core/deck';
import type { SessionPerson } from '@upwell/contract/sessions';
import type { SessionPlan } from '@upwell/core/sessions';
import { clockAfter } from '@upwell/core/units';
import { useDeferredValue, useMemo } from 'react';
import { StyleSheet } from 'react-native';
import { Text } from 'react-native-paper';
import { Card } from '@/ui/Card';

/** What is late tonight; null while nobody is known. */
export function useLateLanes(
  now: SessionPlan,
  people: readonly SessionPerson[] | undefined,
  capacity: number | null | undefined,
): Late | null {
  // Counted behind what is typed: with forty swimmers it takes longer than a key.
  const plan = useDeferredValue(now);
  return useMemo(() => (people ? lateLanes(plan, people, capacity ?? undefined) : null), [plan, people, capacity]);
}

/** One line about it, as long as it is also before that is known. @example 'Lanes tonight: 2 late, the last out at 20:08' */
export function lateWord(late: Late | null, startTime: string, failed: boolean): string {
  if (late === null) return `Lanes tonight: ${failed ? 'not known who comes' : 'asking who comes'}`;
  const { lanes } = late;
  if (lanes.length === 0) return 'Lanes tonight: all out in time';
  return `Lanes tonight: ${lanes.length} late, the last out at ${clockAfter(startTime, Math.max(...lanes.map((l) => l.outS)))}`;
}

export function LateLanes({ late: { lanes, cuts }, startTime }: { readonly late: Late; readonly startTime: string }) {
  if (lanes.length === 0) return null;
  return (
    <Card title="Not out in time" strong>
      <Text variant="bodySmall">
        The plan counts the pace of the group; in a lane the slowest sets the send-offs, and the last one leaves behind
        the others.
      </Text>
      {lanes.map(({ number, outS, lateS }) => (
        <Text key={number} variant="labelLarge" style={styles.top}>
          {`Lane ${number} is out at ${clockAfter(startTime, outS)}, ${Math.round(lateS / 60)} min late.`}
        </Text>
      ))}
      {cuts.length > 0 ? (
        <>
          <Text variant="bodySmall" style={styles.top}>
            In time if this is left out, which the deck offers too:
          </Text>
          {cuts.map((cut) => (
            <Text key={cut}>{cut}</Text>
          ))}
        </>
      ) : null}
    </Card>
  );
}

const styles = StyleSheet.create({ top: { marginTop: 6 } });
