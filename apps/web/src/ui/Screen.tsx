/** A page: its title for the browser and the screen reader, its content, its main action. */
import { useRouter } from 'expo-router';
import { memo, useDeferredValue, type ReactNode } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { IconButton, Text } from 'react-native-paper';
import { useTheme } from './useTheme';
import { useTitle } from './useTitle';
import { useWide } from './useWide';

interface ScreenProps {
  readonly title: string;
  /** A quiet line above the title. */
  readonly over?: string;
  /** A quiet line under the title. */
  readonly under?: string;
  /** Address to go back to; without it there is no back button. */
  readonly back?: string;
  /** Buttons beside the title. */
  readonly actions?: ReactNode;
  /** Stays at the lower edge: the one thing to do here. */
  readonly footer?: ReactNode;
  readonly children: ReactNode;
  /** Widest the content becomes, px. */
  readonly maxWidth?: number;
}

export function Screen({ title, over, under, back, actions, footer, children, maxWidth = 1180 }: ScreenProps) {
  const theme = useTheme();
  const wide = useWide();
  useTitle(title);
  // The title answers the tap at once, on the slowest phone too; what stands under it comes with the next frame.
  const filled = useDeferredValue(true, false);
  const pad = wide ? styles.padWide : styles.pad;
  return (
    <View style={[styles.fill, { backgroundColor: theme.colors.background }]} role="main">
      <ScrollView contentContainerStyle={[pad, styles.grow]}>
        <View style={[styles.inner, { maxWidth }]}>
          <Head title={title} over={over} under={under} back={back} actions={actions} />
          {filled ? children : null}
        </View>
      </ScrollView>
      {footer ? (
        <View style={[styles.footer, { backgroundColor: theme.colors.background, borderTopColor: theme.own.line }]}>
          <View style={[styles.inner, { maxWidth }]}>{footer}</View>
        </View>
      ) : null}
    </View>
  );
}

type HeadProps = { readonly [K in 'title' | 'over' | 'under' | 'back' | 'actions']: ScreenProps[K] | undefined };

/** Redrawn only when it changes, whatever happens below. */
const Head = memo(function Head({ title, over, under, back, actions }: HeadProps) {
  const theme = useTheme();
  const router = useRouter();
  return (
    <View style={styles.head}>
      {back ? (
        <IconButton
          icon="arrow-left"
          accessibilityLabel="Back"
          style={styles.back}
          onPress={() => router.navigate(back)}
        />
      ) : null}
      <View style={styles.titles}>
        {over ? (
          <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
            {over}
          </Text>
        ) : null}
        <Text variant="headlineMedium" role="heading" aria-level={1}>
          {title}
        </Text>
        {under ? (
          <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
            {under}
          </Text>
        ) : null}
      </View>
      {actions ? <View style={styles.actions}>{actions}</View> : null}
    </View>
  );
});

const styles = StyleSheet.create({
  fill: { flex: 1 },
  grow: { flexGrow: 1 },
  pad: { padding: 16, paddingBottom: 32 },
  padWide: { padding: 28, paddingBottom: 40 },
  inner: { width: '100%', alignSelf: 'center' },
  head: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 8, marginBottom: 16 },
  back: { margin: 0, marginLeft: -12 },
  titles: { flexGrow: 1, flexShrink: 1, minWidth: 180 },
  actions: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center', flexShrink: 1, maxWidth: '100%' },
  footer: { borderTopWidth: 1, paddingHorizontal: 16, paddingVertical: 10 },
});
