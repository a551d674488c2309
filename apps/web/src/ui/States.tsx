import type { ReactNode } from 'react';
import { ActivityIndicator, StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { fieldMessages, sentence, type ApiError } from '@/api/problem';
import { useTheme } from './useTheme';

/**
 * Something is on its way.
 *
 * The style sheet turns this circle, not React: Paper's own asks React for every frame, which kept a large
 * part that was being loaded from ever being shown.
 */
export function Loading({ label = 'Loading' }: { readonly label?: string }) {
  const { colors } = useTheme();
  return (
    <View style={styles.middle} role="status">
      <ActivityIndicator size="large" color={colors.primary} accessibilityLabel={label} />
    </View>
  );
}

/** A failure as a sentence, with a way to try again. */
export function Failure({ error, retry }: { readonly error: ApiError; readonly retry?: () => void }) {
  // What stands in the address is no id: asking once more does not help.
  const nowhere = 'id' in fieldMessages(error);
  return (
    <Notice
      tone="error"
      action={
        retry && !nowhere ? (
          <Button mode="outlined" onPress={retry}>
            Try again
          </Button>
        ) : null
      }
    >
      {nowhere ? 'There is nothing at this address. It may have been mistyped.' : sentence(error)}
    </Notice>
  );
}

interface NoticeProps {
  readonly tone?: 'plain' | 'error';
  readonly action?: ReactNode;
  readonly children: string;
}

/** A sentence that matters, with at most one action. Errors are read out at once. */
export function Notice({ tone = 'plain', action, children }: NoticeProps) {
  const theme = useTheme();
  const error = tone === 'error';
  return (
    <View
      role={error ? 'alert' : 'note'}
      style={[
        styles.notice,
        {
          backgroundColor: error ? theme.colors.errorContainer : theme.own.sand,
          borderLeftColor: error ? theme.colors.error : theme.own.kelp,
        },
      ]}
    >
      <Text style={[styles.flex, { color: error ? theme.colors.onErrorContainer : theme.colors.onSurface }]}>
        {children}
      </Text>
      {action}
    </View>
  );
}

/** An empty place says how to begin. */
export function Empty({
  title,
  children,
  action,
}: {
  readonly title: string;
  readonly children: string;
  readonly action?: ReactNode;
}) {
  return (
    <View style={styles.middle}>
      <Text variant="titleMedium">{title}</Text>
      <Text style={styles.centre}>{children}</Text>
      {action}
    </View>
  );
}

const styles = StyleSheet.create({
  middle: { flexGrow: 1, minHeight: 160, alignItems: 'center', justifyContent: 'center', gap: 12, padding: 24 },
  notice: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    gap: 12,
    padding: 12,
    borderLeftWidth: 5,
    borderRadius: 4,
    marginBottom: 12,
  },
  flex: { flex: 1, minWidth: 200 },
  centre: { textAlign: 'center', maxWidth: 460 },
});
