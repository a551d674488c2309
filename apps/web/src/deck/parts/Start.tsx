/** Before the start: who swims in which lane, and one large button. */
import type { runSetup } from '@upwell/core/deck';
import type { ReactNode } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Notice } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';

interface StartProps {
  readonly setup: ReturnType<typeof runSetup>;
  readonly groupOf: (id: string) => string;
  readonly names: ReadonlyMap<string, string>;
  readonly onBegin: () => void;
  /** What is asked before it begins. */
  readonly children?: ReactNode;
}

export function Start({ setup, groupOf, names, onBegin, children }: StartProps) {
  const theme = useTheme();
  const inLanes = new Set(setup.lanes.flatMap((lane) => lane.swimmers));
  const left = setup.lanes.length === 0 ? [] : setup.swimmers.map((s) => s.id).filter((id) => !inLanes.has(id));
  return (
    <ScrollView style={styles.page} contentContainerStyle={styles.start}>
      {setup.lanes.length === 0 ? (
        <Notice tone="error">No swimmers in this session: add squads to it, or swimmers to its squads.</Notice>
      ) : null}
      {setup.lanes.map((lane) => (
        <View key={lane.id} style={[styles.startLane, { borderTopColor: theme.own.line }]}>
          <Text style={styles.startNumber}>{lane.number}</Text>
          <View style={styles.flex}>
            <Text variant="titleMedium">{groupOf(lane.groupId)}</Text>
            <Text>{lane.swimmers.map((id) => names.get(id)).join(', ')}</Text>
          </View>
        </View>
      ))}
      {left.length > 0 ? (
        <Notice tone="error">{`No group here for beginners: ${left.map((id) => names.get(id)).join(', ')}.`}</Notice>
      ) : null}
      {children}
      <Button
        mode="contained"
        disabled={setup.lanes.length === 0}
        contentStyle={styles.beginTall}
        labelStyle={styles.beginWord}
        onPress={onBegin}
      >
        Begin
      </Button>
      <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
        This starts the clock. Send each lane off with Go. Times, strokes and head counts stay on this device and are
        sent when there is a network.
      </Text>
    </ScrollView>
  );
}

const bold = { fontFamily: 'Atkinson Bold' } as const;
const styles = StyleSheet.create({
  page: { flex: 1 },
  start: { padding: 16, gap: 12, width: '100%', maxWidth: 720, alignSelf: 'center' },
  startLane: { flexDirection: 'row', gap: 14, alignItems: 'center', borderTopWidth: 2, paddingTop: 10 },
  startNumber: { ...bold, fontSize: 40, lineHeight: 46, minWidth: 40 },
  flex: { flex: 1 },
  beginTall: { minHeight: 88 },
  beginWord: { fontSize: 34, lineHeight: 40 },
});
