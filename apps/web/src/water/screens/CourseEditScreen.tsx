import {
  checkCourse,
  COURSE_LIMIT,
  legsOf,
  lengthOf,
  movedCourse,
  readPosition,
  type AreaKind,
  type Course,
  type Place,
} from '@upwell/core/water';
import { counted, numberWord } from '@upwell/core/words';
import type { CourseView } from '@upwell/contract/water';
import { useLocalSearchParams, useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { ways } from '@/state/history';
import { useDraft } from '@/state/hooks';
import { Choice, FieldError } from '@/ui/Choice';
import { Input } from '@/ui/Input';
import { Screen } from '@/ui/Screen';
import { Failure, Loading, Notice } from '@/ui/States';
import { Stepper } from '@/ui/Stepper';
import { Toggle } from '@/ui/Toggle';
import { SaveProblem } from '@/ui/SaveProblem';
import { UndoButtons } from '@/ui/UndoButtons';
import { useWide } from '@/ui/useWide';
import { useCourseQuery } from '@/courses';
import { useSaveCourseMutation } from '../api';
import {
  courseKey,
  draftOf,
  handleOf,
  heldThings,
  movedTo,
  newCourseDraft,
  redone,
  undone,
  withCorner,
  withExit,
  withCourse,
  withLandmark,
  withMark,
  type CourseDraft,
} from '../courseDraft';
import { AreaPanel } from '../parts/AreaPanel';
import { ByNumbers } from '../parts/ByNumbers';
import { CourseMap } from '../parts/CourseMap';
import { ThingPanel } from '../parts/ThingPanel';

/** Where a new course begins until somebody says where: nowhere in particular, at sea. */
const SOMEWHERE: Place = { lat: 31.4, lon: -41.2 };

export function CourseEditScreen() {
  const { id, new: fresh } = useLocalSearchParams<{ id: string; new?: string }>();
  const { data, error, refetch } = useCourseQuery(id, { skip: fresh === '1' });
  const [empty] = useState(() => newCourseDraft(SOMEWHERE));
  if (fresh === '1') return <Editor id={id} initial={empty} />;
  if (data) return <Loaded id={id} view={data} />;
  return (
    <Screen title="Course" back={`/water/${id}`}>
      {error ? <Failure error={error} retry={() => void refetch()} /> : <Loading label="Opening the course" />}
    </Screen>
  );
}

function Loaded({ id, view }: { readonly id: string; readonly view: CourseView }) {
  const [initial] = useState(() => draftOf(view));
  return <Editor id={id} initial={initial} />;
}

type Tool = 'move' | 'mark' | 'landmark' | 'exit' | AreaKind;
const TOOLS: readonly { readonly value: Tool; readonly label: string }[] = [
  { value: 'move', label: 'Move' },
  { value: 'mark', label: '+ Mark' },
  { value: 'landmark', label: '+ Landmark' },
  { value: 'exit', label: '+ Way out' },
  { value: 'land', label: '+ Land' },
  { value: 'safe', label: '+ Safe area' },
  { value: 'forbidden', label: '+ Forbidden' },
];
const PLACED: Readonly<Record<Exclude<Tool, 'move'>, string>> = {
  mark: 'the next mark',
  landmark: 'the landmark',
  exit: 'the way out',
  land: 'the corner of the land',
  safe: 'the corner of the safe area',
  forbidden: 'the corner of the forbidden area',
};
const HINT: Readonly<Record<Tool, string>> = {
  move: 'Drag an item, or select it and use the arrow buttons below.',
  mark: 'Tap the water: swimmers round the marks in the order you place them.',
  landmark: 'Tap where it stands, then enter its width and height.',
  exit: 'Tap where one can get out along the way, and name the last one before a danger.',
  land: 'Tap the corners of the shore, one after the other.',
  safe: 'Tap the corners of the water that is watched.',
  forbidden: 'Tap the corners of the area where nobody may swim.',
};

/** Draws a course: what is placed, moved and taken out, with its metres and what is wrong at once. */
function Editor({ id, initial }: { readonly id: string; readonly initial: CourseDraft }) {
  const wide = useWide();
  const router = useRouter();
  const [draft, setDraft, dropDraft] = useDraft<CourseDraft>(courseKey(id), initial);
  const [tool, setTool] = useState<Tool>('move');
  const [chosen, setChosen] = useState<string | null>(null);
  const [area, setArea] = useState<string | null>(null);
  const [dragged, setDragged] = useState<Course | null>(null);
  const [where, setWhere] = useState('');
  const [lost, setLost] = useState(false);
  const [fit, setFit] = useState(0);
  const [save, { error, isLoading }] = useSaveCourseMutation();
  const course = dragged ?? draft.course;
  const change = (next: Course) => setDraft((now) => withCourse(now, next));
  const things = heldThings(course);
  const thing = things.find((t) => handleOf(t.held) === chosen) ?? null;
  const problems = checkCourse(course);
  const metres = lengthOf(legsOf(course));
  const named = draft.name.trim() !== '';
  const moved = (held: string, to: Place, done: boolean) => {
    const what = things.find((t) => handleOf(t.held) === held)!.held;
    setChosen(held);
    if (done) {
      change(movedTo(draft.course, what, to));
      setDragged(null);
    } else setDragged(movedTo(draft.course, what, to));
  };
  const place = (at: Place) => {
    if (tool === 'move') setChosen(null);
    else if (tool === 'mark') change(withMark(draft.course, at));
    else if (tool === 'landmark') {
      const next = withLandmark(draft.course, at);
      change(next);
      setChosen(handleOf({ kind: 'landmark', id: next.landmarks.at(-1)!.id }));
    } else if (tool === 'exit') {
      const next = withExit(draft.course, at);
      change(next);
      setChosen(handleOf({ kind: 'exit', id: next.exits!.at(-1)!.id }));
    } else {
      const next = withCorner(draft.course, tool, at, area);
      change(next.course);
      setArea(next.id);
    }
  };

  // With a tool in hand the next thing is placed; else the one that is chosen is moved.
  const own = tool === 'move' ? chosen : null;
  const placed =
    tool !== 'move'
      ? { what: PLACED[tool], put: place }
      : thing
        ? { what: thing.name, put: (at: Place) => change(movedTo(draft.course, thing.held, at)) }
        : null;

  const store = async (version = draft.version) => {
    const { name, place: at, course: drawn, writeId } = draft;
    const answer = await save({ id, body: { name: name.trim(), place: at.trim(), course: drawn, version, writeId } });
    if ('error' in answer) return;
    dropDraft();
    router.replace(`/water/${id}` as Href);
  };
  const goTo = () => {
    const to = readPosition(where);
    setLost(!to);
    if (!to) return;
    // So that a course can be begun before the place is known.
    change(movedCourse(draft.course, to));
    setFit(fit + 1);
  };

  return (
    <Screen
      title={draft.name || 'A new course'}
      over={`${numberWord(Math.round(metres))} m · ${counted(course.marks.length, 'mark')}`}
      back={draft.version > 0 ? `/water/${id}` : '/water'}
      actions={
        <>
          <UndoButtons {...ways(draft)} undo={() => setDraft(undone)} redo={() => setDraft(redone)} />
        </>
      }
      footer={
        <Button
          mode="contained"
          icon="check"
          disabled={!named || isLoading || problems.some((p) => p.weight === 'stop')}
          onPress={() => void store()}
        >
          {isLoading ? 'Saving…' : named ? 'Save the course' : 'Give it a name to save it'}
        </Button>
      }
    >
      <SaveProblem<CourseView>
        error={error}
        name={({ name }) => `“${name}”`}
        keepMine={({ version }) => void store(version)}
        takeTheirs={(stored) => setDraft(draftOf(stored))}
      />
      <View style={wide ? styles.columns : undefined}>
        <View style={wide ? styles.map : undefined}>
          <View style={styles.row} role="radiogroup" aria-label="What a tap on the map does">
            {TOOLS.map(({ value, label }) => (
              <Toggle
                key={value}
                label={label}
                on={tool === value}
                onPress={() => {
                  setTool(value);
                  setArea(null);
                }}
              />
            ))}
          </View>
          <Text variant="bodySmall" style={styles.hint}>
            {HINT[tool]}
          </Text>
          <CourseMap
            name={draft.name || 'the new course'}
            course={course}
            height={wide ? 520 : 340}
            fitKey={`${id}:${fit}`}
            handles={things.map((t) => ({ id: handleOf(t.held), place: t.place }))}
            chosen={chosen}
            onChoose={setChosen}
            onDrag={moved}
            onTapAt={place}
          />
        </View>
        <View style={wide ? styles.side : styles.below}>
          {problems.map((p) => (
            <Notice key={p.text} tone={p.weight === 'stop' ? 'error' : 'plain'}>
              {p.text}
            </Notice>
          ))}
          {placed ? (
            <ByNumbers
              key={placed.what}
              what={placed.what}
              from={things.filter(
                ({ held }) => (held.kind === 'start' || held.kind === 'mark') && handleOf(held) !== own,
              )}
              onPlace={placed.put}
            />
          ) : null}
          {thing ? (
            <ThingPanel course={draft.course} thing={thing} onChange={change} onGone={() => setChosen(null)} />
          ) : null}
          <Choice
            label="On the map"
            options={things
              .filter((t) => t.held.kind !== 'corner')
              .map((t) => ({ value: handleOf(t.held), label: t.name }))}
            chosen={chosen ? [chosen] : []}
            onPress={(value) => setChosen(value === chosen ? null : value)}
          />
          <AreaPanel course={draft.course} chosen={chosen} onChoose={setChosen} onChange={change} />
          <Input
            label="Name of the course"
            value={draft.name}
            maxLength={80}
            onChangeText={(name) => setDraft({ ...draft, name })}
          />
          <Input
            label="Water"
            value={draft.place}
            maxLength={80}
            onChangeText={(at) => setDraft({ ...draft, place: at })}
          />
          <Stepper
            label="laps"
            value={String(course.laps)}
            onLess={course.laps > 1 ? () => change({ ...draft.course, laps: course.laps - 1 }) : null}
            onMore={course.laps < COURSE_LIMIT.laps ? () => change({ ...draft.course, laps: course.laps + 1 }) : null}
          />
          <Toggle
            label="With the stream: nobody swims back"
            on={course.withStream ?? false}
            onPress={() => change({ ...draft.course, withStream: !course.withStream })}
          />
          <View style={styles.row}>
            <View style={styles.grow}>
              <Input
                label="Start position (latitude, longitude)"
                value={where}
                placeholder={`${course.start.lat.toFixed(5)}, ${course.start.lon.toFixed(5)}`}
                onChangeText={setWhere}
              />
              {lost ? <FieldError>A position like 31.4000, -41.2000, please.</FieldError> : null}
            </View>
            <Button mode="outlined" onPress={goTo}>
              Move there
            </Button>
          </View>
        </View>
      </View>
    </Screen>
  );
}

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', gap: 24, alignItems: 'flex-start' },
  map: { flex: 1.4 },
  side: { flex: 1, gap: 12 },
  below: { marginTop: 12, gap: 12 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' },
  hint: { marginVertical: 6 },
  grow: { flexGrow: 1, minWidth: 220 },
});
