import type { SessionRow } from '@upwell/contract/sessions';
import { causeCard } from '@upwell/core/review';
import { summaryWord } from '@upwell/core/units';
import { dayWord, numberWord, startTimeWord } from '@upwell/core/words';
import { type Href, Link } from 'expo-router';
import { Pressable, StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useTheme } from '@/ui/useTheme';

/** One session in a list: when, theme, and the metres per level as bars. */
export function SessionLine({
  row,
  href,
  onPoint,
}: {
  readonly row: SessionRow;
  readonly href: string;
  /** Somebody points at it, or the keyboard has come to it. */
  readonly onPoint?: () => void;
}) {
  const theme = useTheme();
  const most = Math.max(...row.groups.map((g) => g.metres), 1);
  return (
    <View role="listitem">
      <Link href={href as Href} asChild>
        <Pressable
          onHoverIn={onPoint}
          onFocus={onPoint}
          style={StyleSheet.flatten([styles.line, { borderBottomColor: theme.own.line }])}
        >
          <View style={styles.when}>
            <Text variant="labelMedium">{row.template ? 'Template' : dayWord(row.date)}</Text>
            <Text variant="bodySmall">{row.template ? '' : startTimeWord(row)}</Text>
          </View>
          <View style={styles.wideFlex}>
            <Text variant="titleMedium">{row.title}</Text>
            <Text
              variant="bodySmall"
              style={{ color: theme.colors.onSurfaceVariant }}
            >{`${causeCard(row.theme).name} · ${row.minutes} min${row.seriesId ? ' · series' : ''}${row.done ? ' · swum' : ''}`}</Text>
          </View>
          <View style={styles.groups}>
            {row.groups.map((group) => (
              <View key={group.name} style={styles.group}>
                <Text
                  variant="labelSmall"
                  style={styles.metres}
                >{`${group.name} ${summaryWord(group, numberWord)}`}</Text>
                <View
                  style={[styles.bar, { width: 6 + 44 * (group.metres / most), backgroundColor: theme.colors.primary }]}
                  aria-hidden
                />
              </View>
            ))}
          </View>
        </Pressable>
      </Link>
    </View>
  );
}

const styles = StyleSheet.create({
  line: {
    minHeight: 68,
    paddingVertical: 10,
    borderBottomWidth: 1,
    flexDirection: 'row',
    flexWrap: 'wrap',
    columnGap: 12,
    rowGap: 4,
    alignItems: 'center',
  },
  when: { width: 86 },
  wideFlex: { flexGrow: 1, flexShrink: 1, flexBasis: 170 },
  groups: { gap: 2, alignItems: 'flex-start', width: 162 },
  group: { flexDirection: 'row', alignItems: 'center', gap: 6 },
  metres: { width: 104, fontVariant: ['tabular-nums'], textAlign: 'right' },
  bar: { height: 6, borderRadius: 3 },
});
