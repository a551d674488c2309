/** A course beside the list: its map, its legs, and the way to the decision. */
import { legsOf } from '@upwell/core/water';
import { numberWord } from '@upwell/core/words';
import { type Href, Link, useRouter } from 'expo-router';
import { useMemo } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { useCourseQuery } from '@/courses';
import { Failure, Loading } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { CourseMap } from './CourseMap';

interface CoursePaneProps {
  readonly id: string;
  readonly name: string;
  readonly coach: boolean;
}

export function CoursePane({ id, name, coach }: CoursePaneProps) {
  const theme = useTheme();
  const router = useRouter();
  const { data, error, refetch } = useCourseQuery(id);
  const legs = useMemo(() => (data ? legsOf(data.course) : []), [data]);
  const to = (part: string) => () => router.navigate(`/water/${id}${part}` as Href);
  return (
    <View role="region" aria-label={`Course ${name}`}>
      <Text variant="titleLarge" role="heading" aria-level={2}>
        {name}
      </Text>
      <View style={styles.row}>
        <Button mode="outlined" icon="chevron-right" onPress={to('')}>
          Open the course
        </Button>
        {coach ? (
          <Button mode="outlined" onPress={to('/day')}>
            Go or not?
          </Button>
        ) : null}
      </View>
      {error && !data ? <Failure error={error} retry={() => void refetch()} /> : null}
      {data ? (
        <>
          <CourseMap name={name} course={data.course} height={380} fitKey={id} />
          <View role="list" style={styles.legs}>
            {legs.map((leg, i) => (
              <View key={leg.key} role="listitem">
                <Link href={`/water/${id}?leg=${i + 1}` as Href} asChild>
                  <Pressable style={StyleSheet.flatten([styles.leg, { borderBottomColor: theme.own.line }])}>
                    <Text style={styles.flex}>{`${leg.from.name} to ${leg.to.name}`}</Text>
                    <Text variant="bodySmall">{`${Math.round(leg.bearingDeg)}°`}</Text>
                    <Text variant="labelLarge">{`${numberWord(Math.round(leg.lengthM))} m`}</Text>
                  </Pressable>
                </Link>
              </View>
            ))}
          </View>
        </>
      ) : error ? null : (
        <Loading label="Opening the course" />
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', gap: 8, marginVertical: 12 },
  legs: { marginTop: 8 },
  leg: { minHeight: 44, flexDirection: 'row', alignItems: 'center', gap: 16, borderBottomWidth: 1 },
  flex: { flex: 1 },
});
