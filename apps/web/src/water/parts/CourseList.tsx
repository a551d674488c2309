/** The courses beside the one that is open, with its legs: from one to the next without going back. */
import type { Leg } from '@upwell/core/water';
import { numberWord } from '@upwell/core/words';
import { useRouter, type Href } from 'expo-router';
import { Pressable, StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useTheme } from '@/ui/useTheme';
import { useCoursesQuery } from '@/courses';

interface CourseListProps {
  readonly open: string;
  readonly legs: readonly Leg[];
  /** Index of the leg that is shown. */
  readonly at: number;
  readonly onLeg: (index: number) => void;
}

export function CourseList({ open, legs, at, onLeg }: CourseListProps) {
  const router = useRouter();
  const { data: courses = [] } = useCoursesQuery();
  return (
    <View role="navigation" aria-label="Courses" style={styles.side}>
      {courses.map(({ id, name, lengthM }) => (
        <View key={id}>
          <Line
            name={name}
            metres={lengthM}
            current={id === open}
            onPress={() => id !== open && router.navigate(`/water/${id}` as Href)}
          />
          {id === open
            ? legs.map((leg, i) => (
                <Line
                  key={i}
                  inner
                  name={`${leg.from.name} to ${leg.to.name}`}
                  metres={leg.lengthM}
                  current={i === at}
                  onPress={() => onLeg(i)}
                />
              ))
            : null}
        </View>
      ))}
    </View>
  );
}

interface LineProps {
  readonly name: string;
  readonly metres: number;
  readonly current: boolean;
  readonly inner?: boolean;
  readonly onPress: () => void;
}

function Line({ name, metres, current, inner = false, onPress }: LineProps) {
  const theme = useTheme();
  const look = {
    backgroundColor: current && inner ? theme.own.sand : 'transparent',
    borderLeftColor: current ? theme.colors.primary : 'transparent',
  };
  return (
    <Pressable
      role={inner ? 'button' : 'link'}
      aria-current={current ? (inner ? 'step' : 'page') : undefined}
      onPress={onPress}
      style={[styles.line, inner ? styles.inner : null, look]}
    >
      <Text variant={inner ? 'bodyMedium' : 'labelLarge'} style={styles.flex} numberOfLines={2}>
        {name}
      </Text>
      <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
        {`${numberWord(Math.round(metres))} m`}
      </Text>
    </Pressable>
  );
}

const styles = StyleSheet.create({
  side: { width: 210 },
  line: {
    minHeight: 44,
    flexDirection: 'row',
    alignItems: 'center',
    gap: 6,
    borderLeftWidth: 3,
    paddingHorizontal: 8,
    paddingVertical: 4,
  },
  inner: { paddingLeft: 18 },
  flex: { flex: 1 },
});
