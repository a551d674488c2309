import { CAUTION } from '@upwell/core/safety';
import { nameHolds } from '@upwell/core/text';
import { numberWord } from '@upwell/core/words';
import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Button, Searchbar, Text } from 'react-native-paper';
import { v7 } from 'uuid';
import { useMeQuery } from '@/account';
import { keepDraft } from '@/state/drafts';
import { useAppDispatch } from '@/state/hooks';
import { chooseFile } from '@/ui/saveFile';
import { Screen } from '@/ui/Screen';
import { Empty, Failure, Loading, Notice } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { compute } from '@/worker';
import { useCoursesQuery } from '@/courses';
import { importKey, type ImportDraft } from '../importDraft';

/** The club's waters: each course with its metres; draw one, or bring one in. */
export function CoursesScreen() {
  const router = useRouter();
  const theme = useTheme();
  const dispatch = useAppDispatch();
  const { data: me } = useMeQuery();
  const { data: courses, error, refetch } = useCoursesQuery();
  const [search, setSearch] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const coach = me?.role !== 'swimmer';
  const shown = courses?.filter((c) => nameHolds(`${c.name} ${c.place}`, search)) ?? [];

  const draw = () => router.navigate(`/water/${v7()}/edit?new=1` as Href);
  const bringIn = async () => {
    const file = await chooseFile('.gpx,.geojson,.json,.kml,.kmz,application/gpx+xml,application/geo+json');
    if (!file) return;
    const found = await compute().readPlaces(new Uint8Array(await file.arrayBuffer()));
    if (typeof found === 'string') {
      setProblem(found);
      return;
    }
    setProblem(null);
    const id = v7();
    dispatch(keepDraft({ key: importKey(id), value: { file: file.name, found } satisfies ImportDraft }));
    router.navigate(`/water/${id}/import` as Href);
  };

  return (
    <Screen
      title="Water"
      under="Where to aim, how often to look, which side to breathe."
      actions={
        coach ? (
          <>
            <Button mode="outlined" onPress={() => void bringIn()}>
              Import a course
            </Button>
            <Button mode="contained" icon="plus" onPress={draw}>
              Draw a course
            </Button>
          </>
        ) : null
      }
    >
      {problem ? <Notice tone="error">{problem}</Notice> : null}
      {error && !courses ? <Failure error={error} retry={() => void refetch()} /> : null}
      {!courses && !error ? <Loading label="Loading the courses" /> : null}
      {courses && courses.length > 3 ? (
        <Searchbar
          placeholder="Find a course"
          value={search}
          onChangeText={setSearch}
          accessibilityLabel="Find a course"
        />
      ) : null}
      <View role="list">
        {shown.map((c) => (
          <View key={c.id} role="listitem">
            <Pressable
              role="link"
              onPress={() => router.navigate(`/water/${c.id}` as Href)}
              style={[styles.line, { borderBottomColor: theme.own.line }]}
            >
              <View style={styles.flex}>
                <Text variant="titleMedium">{c.name}</Text>
                <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
                  {[c.place, `${c.marks} marks`, c.laps > 1 ? `${c.laps} laps` : ''].filter(Boolean).join(' · ')}
                </Text>
              </View>
              <Text style={styles.metres}>{`${numberWord(Math.round(c.lengthM))} m`}</Text>
            </Pressable>
          </View>
        ))}
      </View>
      {courses && courses.length === 0 ? (
        <Empty title="No course yet">
          Draw the first one on the map, or import a GPX, GeoJSON, KML or KMZ file: Upwell works out its legs, aims and
          looks at once.
        </Empty>
      ) : null}
      <Text variant="bodySmall" style={[styles.caution, { color: theme.colors.onSurfaceVariant }]}>
        {CAUTION}
      </Text>
    </Screen>
  );
}

const styles = StyleSheet.create({
  line: {
    minHeight: 64,
    paddingVertical: 10,
    flexDirection: 'row',
    alignItems: 'center',
    gap: 12,
    borderBottomWidth: 1,
  },
  flex: { flex: 1 },
  metres: { fontFamily: 'Atkinson Bold', fontSize: 22, lineHeight: 28, fontVariant: ['tabular-nums'] },
  caution: { marginTop: 20 },
});
