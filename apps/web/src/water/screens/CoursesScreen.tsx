// The club's waters: each course with its metres, beside its map where there is room; draw one, or bring one in.
import { CAUTION } from '@upwell/core/safety';
import { nameHolds } from '@upwell/core/text';
import { counted, numberWord } from '@upwell/core/words';
import { Link, useRouter, type Href } from 'expo-router';
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
import { useRoomy } from '@/ui/useRoomy';
import { useTheme } from '@/ui/useTheme';
import { compute } from '@/worker';
import { useCoursesQuery } from '@/courses';
import { importKey, type ImportDraft } from '../importDraft';
import { CoursePane } from '../parts/CoursePane';

export function CoursesScreen() {
  const router = useRouter();
  const theme = useTheme();
  const roomy = useRoomy();
  const [pointedId, setPointed] = useState<string | null>(null);
  const dispatch = useAppDispatch();
  const { data: me } = useMeQuery();
  const { data: courses, error, refetch } = useCoursesQuery();
  const [search, setSearch] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const coach = me?.role !== 'swimmer';
  const shown = courses?.filter((c) => nameHolds(`${c.name} ${c.place}`, search)) ?? [];

  const pointed = roomy ? (shown.find((c) => c.id === pointedId) ?? shown[0]) : undefined;

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
      {...(roomy ? { maxWidth: 1320 } : {})}
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
      <View style={roomy ? styles.columns : undefined}>
        <View role="list" style={roomy ? styles.list : undefined}>
          {shown.map((c) => (
            <View key={c.id} role="listitem">
              <Link href={`/water/${c.id}` as Href} asChild>
                <Pressable
                  onHoverIn={() => setPointed(c.id)}
                  onFocus={() => setPointed(c.id)}
                  style={StyleSheet.flatten([
                    styles.line,
                    { borderBottomColor: theme.own.line },
                    c === pointed ? { backgroundColor: theme.own.sand } : null,
                  ])}
                >
                  <View style={styles.flex}>
                    <Text variant="titleMedium">{c.name}</Text>
                    <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
                      {[c.place, counted(c.marks, 'mark'), c.laps > 1 ? `${c.laps} laps` : '']
                        .filter(Boolean)
                        .join(' · ')}
                    </Text>
                  </View>
                  <Text style={styles.metres}>{`${numberWord(Math.round(c.lengthM))} m`}</Text>
                </Pressable>
              </Link>
            </View>
          ))}
        </View>
        {pointed ? (
          <View style={styles.pane}>
            <CoursePane key={pointed.id} id={pointed.id} name={pointed.name} coach={coach} />
          </View>
        ) : null}
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
  columns: { flexDirection: 'row', gap: 28, alignItems: 'flex-start' },
  list: { flex: 3, minWidth: 0 },
  // Stays in sight beside a long list.
  pane: { flex: 4, minWidth: 0, position: 'sticky' as 'relative', top: 0 },
  line: {
    paddingHorizontal: 8,
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
