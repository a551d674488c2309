/** Who else works on this session, and where two changes met. */
import { listWord, plural } from '@upwell/core/words';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Icon } from '@/ui/Icon';
import { Notice } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import type { Together } from '../useTogether';

interface TogetherNotesProps {
  readonly together: Together;
  /** Lets go of what is not saved here; null when all of it is. */
  readonly takeTheirs: (() => void) | null;
  readonly onSeen: () => void;
}

export function TogetherNotes({ together: { others, clashes, gone }, takeTheirs, onSeen }: TogetherNotesProps) {
  const { colors } = useTheme();
  return (
    <>
      {gone ? (
        <Notice tone="error">This session was taken out elsewhere. Nothing you change here is kept.</Notice>
      ) : null}
      {clashes.length > 0 ? (
        <Notice
          action={
            <View style={styles.row}>
              {takeTheirs ? <Button onPress={takeTheirs}>Use theirs</Button> : null}
              <Button mode="outlined" onPress={onSeen}>
                {takeTheirs ? 'Keep mine' : 'Good'}
              </Button>
            </View>
          }
        >
          {`Both of you changed ${listWord(clashes)}. Here it stands as you changed it; everything else is from both.`}
        </Notice>
      ) : null}
      {others.length > 0 ? (
        <View style={styles.row} role="status">
          <Icon name="account-multiple" size={20} color={colors.primary} />
          <Text variant="bodySmall">{`${listWord(others)} ${plural(others.length, 'has', 'have')} this open too: every change is saved and shared at once.`}</Text>
        </View>
      ) : null}
    </>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center', marginBottom: 8 },
});
