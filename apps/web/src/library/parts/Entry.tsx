/** A line of the library that opens in place, or beside the list where there is room. */
import type { CardPicture } from '@upwell/core/figure';
import { type ReactNode, useEffect, useRef } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { FigureThumb } from '@/figure';
import { useTheme } from '@/ui/useTheme';

interface EntryProps {
  readonly title: string;
  readonly aside?: string;
  /** The figure in the pose of the card; null leaves its place empty, so that names stand in line. */
  readonly picture?: CardPicture | null;
  readonly open: boolean;
  readonly onPress: () => void;
  readonly children: ReactNode;
}

export function Entry({ title, aside, picture, open, onPress, children }: EntryProps) {
  const theme = useTheme();
  const box = useRef<View>(null);
  // Opened by another card it may lie far below; opened by a tap it is in sight already.
  useEffect(() => {
    if (open) (box.current as unknown as Partial<HTMLElement> | null)?.scrollIntoView?.({ block: 'nearest' });
  }, [open]);
  return (
    <View
      ref={box}
      style={[
        styles.entry,
        { borderBottomColor: theme.own.line },
        open && !children ? { backgroundColor: theme.colors.secondaryContainer } : null,
      ]}
    >
      <Pressable role="button" aria-expanded={open} onPress={onPress} style={styles.head}>
        {picture === undefined ? null : <FigureThumb picture={picture} />}
        <Text variant="titleMedium" style={styles.flex}>
          {title}
        </Text>
        {aside ? <Text variant="bodySmall">{aside}</Text> : null}
      </Pressable>
      {open && children ? <View style={styles.body}>{children}</View> : null}
    </View>
  );
}

const styles = StyleSheet.create({
  entry: { borderBottomWidth: 1 },
  head: { minHeight: 52, flexDirection: 'row', alignItems: 'center', gap: 10 },
  flex: { flex: 1 },
  body: { gap: 6, paddingBottom: 14 },
});
