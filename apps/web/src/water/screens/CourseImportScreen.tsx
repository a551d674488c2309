// A course from elsewhere: what was understood, on the map and in a list, before anything is kept.
import {
  bearingTo,
  courseFrom,
  ROLES_OF,
  withRole,
  type Found,
  type FoundRole,
  type FoundThing,
} from '@upwell/core/water';
import { counted, numberWord } from '@upwell/core/words';
import { useLocalSearchParams, useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { keepDraft } from '@/state/drafts';
import { useAppDispatch, useDraft } from '@/state/hooks';
import { Card } from '@/ui/Card';
import { Choice } from '@/ui/Choice';
import { Icon } from '@/ui/Icon';
import { Screen } from '@/ui/Screen';
import { Empty, Notice } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { useWide } from '@/ui/useWide';
import { compassWord } from '../conditions';
import { courseKey, newCourseDraft } from '../courseDraft';
import { importKey, type ImportDraft } from '../importDraft';
import { CourseMap } from '../parts/CourseMap';
import { Size } from '../parts/Size';

const WORD: Readonly<Record<FoundRole, string>> = {
  start: 'Start',
  mark: 'Mark',
  finish: 'Finish',
  landmark: 'Landmark',
  exit: 'Way out',
  course: 'The course',
  land: 'Land',
  safe: 'Safe area',
  forbidden: 'Forbidden',
  nothing: 'Left out',
};
/** A landmark without a size in its file is taken for one of these metres. */
const GUESSED_M = 10;

export function CourseImportScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const [draft, setDraft, dropDraft] = useDraft<ImportDraft | null>(importKey(id), null);
  if (draft)
    return <Look id={id} draft={draft} onChange={(found) => setDraft({ ...draft, found })} onDone={dropDraft} />;
  return (
    <Screen title="Import a course" back="/water">
      <Empty title="Nothing is being imported">Choose a file under Water: GPX, GeoJSON, KML or KMZ.</Empty>
    </Screen>
  );
}

interface LookProps {
  readonly id: string;
  readonly draft: ImportDraft;
  readonly onChange: (found: Found) => void;
  readonly onDone: () => void;
}

function Look({ id, draft: { file, found }, onChange, onDone }: LookProps) {
  const wide = useWide();
  const router = useRouter();
  const dispatch = useAppDispatch();
  const [open, setOpen] = useState<string | null>(null);
  const { read, problems } = courseFrom(found);
  const start = read?.course.start ?? found.things[0]?.places[0] ?? null;
  const leave = () => {
    onDone();
    router.navigate('/water' as Href);
  };
  const take = () => {
    if (!read) return;
    const value = { ...newCourseDraft(read.course.start), name: read.name, course: read.course };
    dispatch(keepDraft({ key: courseKey(id), value }));
    onDone();
    router.navigate(`/water/${id}/edit?new=1` as Href);
  };
  const resized = (key: string, size: Partial<FoundThing>) =>
    onChange({ ...found, things: found.things.map((t) => (t.key === key ? { ...t, ...size } : t)) });
  return (
    <Screen
      title="What was understood"
      over={`${file} · ${counted(found.things.length, 'place')}`}
      under="Nothing is kept yet. Say what is what; the map follows."
      back="/water"
      actions={
        <>
          <Button mode="outlined" onPress={leave}>
            Leave it
          </Button>
          <Button mode="contained" disabled={!read} onPress={take}>
            Take it to the map
          </Button>
        </>
      }
    >
      <View style={wide ? styles.columns : undefined}>
        <View style={[styles.gap, wide ? styles.map : null]}>
          {read ? (
            <CourseMap
              name={read.name}
              course={read.course}
              height={wide ? 520 : 260}
              fitKey={found.things.map(({ role }) => role).join()}
            />
          ) : (
            <Notice tone="error">There are no two points to swim between: choose a start and a mark or finish.</Notice>
          )}
          {problems.length > 0 ? (
            <Card title="Left out, or guessed">
              {problems.map((text) => (
                <Text key={text}>{`· ${text}`}</Text>
              ))}
            </Card>
          ) : null}
        </View>
        <View style={wide ? styles.list : styles.below} role="list" aria-label="Places in the file">
          {found.things.map((thing) => (
            <Thing
              key={thing.key}
              thing={thing}
              start={start}
              open={open === thing.key}
              onOpen={() => setOpen(open === thing.key ? null : thing.key)}
              onRole={(role) => onChange(withRole(found, thing.key, role))}
              onSize={(size) => resized(thing.key, size)}
            />
          ))}
        </View>
      </View>
    </Screen>
  );
}

interface ThingProps {
  readonly thing: FoundThing;
  readonly start: FoundThing['places'][number] | null;
  readonly open: boolean;
  readonly onOpen: () => void;
  readonly onRole: (role: FoundRole) => void;
  readonly onSize: (size: Partial<FoundThing>) => void;
}

/** One place of the file in a line; opened, it can be called something else. */
function Thing({ thing, start, open, onOpen, onRole, onSize }: ThingProps) {
  const theme = useTheme();
  const quiet = { color: theme.colors.onSurfaceVariant };
  const name = thing.name || { point: 'A point', line: 'A line', area: 'An area' }[thing.shape];
  const out = thing.role === 'nothing';
  return (
    <View role="listitem" style={[styles.thing, { borderBottomColor: theme.own.line }]}>
      <Pressable role="button" aria-expanded={open} onPress={onOpen} style={styles.row}>
        <View style={styles.flex}>
          <Text variant="titleMedium">{name}</Text>
          <Text variant="bodySmall" style={quiet}>
            {whereWord(thing, start)}
          </Text>
        </View>
        <View style={styles.role}>
          <Text variant="labelLarge" style={{ color: out ? theme.colors.onSurfaceVariant : theme.colors.primary }}>
            {WORD[thing.role]}
          </Text>
          {thing.by === 'file' ? null : (
            <Text variant="bodySmall" style={quiet}>
              {thing.by === 'name' ? 'by its name' : out ? 'not said' : 'by the order'}
            </Text>
          )}
        </View>
        <Icon name={open ? 'chevron-up' : 'chevron-down'} size={22} color={theme.colors.primary} />
      </Pressable>
      {open ? (
        <Choice
          label={`${name} is`}
          options={ROLES_OF[thing.shape].map((value) => ({
            value,
            label: value === 'nothing' ? 'Leave out' : WORD[value],
          }))}
          chosen={[thing.role]}
          onPress={onRole}
        />
      ) : null}
      {thing.role === 'landmark' && (open || thing.widthM === null || thing.heightM === null) ? (
        <View style={styles.sizes}>
          <Size
            label={thing.widthM === null ? 'm wide (guessed)' : 'm wide'}
            value={thing.widthM ?? GUESSED_M}
            onChange={(widthM) => onSize({ widthM })}
          />
          <Size
            label={thing.heightM === null ? 'm high (guessed)' : 'm high'}
            value={thing.heightM ?? GUESSED_M}
            onChange={(heightM) => onSize({ heightM })}
          />
        </View>
      ) : null}
    </View>
  );
}

/** Where a thing lies from the start. */
function whereWord({ shape, places }: FoundThing, start: FoundThing['places'][number] | null): string {
  const kind =
    shape === 'point' ? '' : `${shape === 'line' ? 'line of' : 'area of'} ${counted(places.length, 'corner')}`;
  if (!start) return kind;
  const { distanceM, bearingDeg } = bearingTo(start, places[0]!);
  const where =
    distanceM < 1 ? 'at the start' : `${numberWord(Math.round(distanceM))} m ${compassWord(bearingDeg)} of the start`;
  return [kind, where].filter(Boolean).join(', ');
}

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', gap: 24, alignItems: 'flex-start' },
  map: { flex: 1.2 },
  gap: { gap: 12 },
  list: { flex: 1 },
  below: { marginTop: 12 },
  thing: { borderBottomWidth: 1, paddingVertical: 6 },
  row: { minHeight: 52, flexDirection: 'row', alignItems: 'center', gap: 10 },
  flex: { flex: 1 },
  role: { alignItems: 'flex-end' },
  sizes: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, marginBottom: 8 },
});
