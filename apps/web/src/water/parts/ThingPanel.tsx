/** What is chosen on the map of a course: moved by steps, named, sized, told from its neighbours, taken out. */
import { legsOf, placeAt, turnBetween, bearingTo, type Course, type Place } from '@upwell/core/water';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Choice } from '@/ui/Choice';
import { Input } from '@/ui/Input';
import { Toggle } from '@/ui/Toggle';
import { movedTo, withAbeam, withLastExit, without, withTurn, type Held } from '../courseDraft';
import { NUDGE_M, Nudge } from './Nudge';
import { Size } from './Size';

interface ThingPanelProps {
  readonly course: Course;
  readonly thing: { readonly held: Held; readonly place: Place; readonly name: string };
  readonly onChange: (course: Course) => void;
  readonly onGone: () => void;
}

export function ThingPanel({ course, thing, onChange, onGone }: ThingPanelProps) {
  const { held } = thing;
  return (
    <View style={styles.thing}>
      <Text variant="titleMedium">{thing.name}</Text>
      <Nudge onMove={(deg) => onChange(movedTo(course, held, placeAt(thing.place, deg, NUDGE_M)))} />
      {held.kind === 'mark' ? <MarkFields course={course} id={held.id} onChange={onChange} /> : null}
      {held.kind === 'landmark' ? <LandmarkFields course={course} id={held.id} onChange={onChange} /> : null}
      {held.kind === 'exit' ? <ExitFields course={course} id={held.id} onChange={onChange} /> : null}
      {held.kind !== 'start' && held.kind !== 'finish' ? (
        <Button
          icon="trash-can-outline"
          onPress={() => {
            onChange(without(course, held));
            onGone();
          }}
        >
          Take it out
        </Button>
      ) : null}
    </View>
  );
}

interface FieldsProps {
  readonly course: Course;
  readonly id: string;
  readonly onChange: (course: Course) => void;
}

const BUOY = 'buoy';
/** So many landmarks are offered for a turn without a buoy. */
const OFFERED = 4;

function MarkFields({ course, id, onChange }: FieldsProps) {
  const mark = course.marks.find((m) => m.id === id)!;
  const into = legsOf(course).find(({ to }) => to.lat === mark.lat && to.lon === mark.lon);
  // What can move tells no turn; those nearest to right angles at the turn come first.
  const offAbeam = (l: Place) =>
    into ? Math.abs(Math.abs(turnBetween(into.bearingDeg, bearingTo(mark, l).bearingDeg)) - 90) : 0;
  const landmarks = course.landmarks.filter((l) => l.fixed).sort((a, b) => offAbeam(a) - offAbeam(b));
  const offered = landmarks.filter((l, i) => i < OFFERED || l.id === mark.abeam);
  return (
    <>
      <Choice
        label="Kept at the"
        options={[
          { value: 'left', label: 'left shoulder' },
          { value: 'right', label: 'right shoulder' },
        ]}
        chosen={[mark.turn]}
        onPress={(turn) => onChange(withTurn(course, id, turn as 'left' | 'right'))}
      />
      {offered.length > 0 ? (
        <Choice
          label="How the turn is known"
          options={[
            { value: BUOY, label: 'A buoy' },
            ...offered.map((l) => ({ value: l.id, label: `Abeam of ${l.name}` })),
          ]}
          chosen={[mark.abeam ?? BUOY]}
          onPress={(value) => onChange(withAbeam(course, id, value === BUOY ? null : value))}
        />
      ) : null}
    </>
  );
}

function LandmarkFields({ course, id, onChange }: FieldsProps) {
  const landmark = course.landmarks.find((l) => l.id === id)!;
  const set = (fields: Partial<typeof landmark>) =>
    onChange({ ...course, landmarks: course.landmarks.map((l) => (l.id === id ? { ...l, ...fields } : l)) });
  return (
    <>
      <Input label="What it is" value={landmark.name} maxLength={60} onChangeText={(name) => set({ name })} />
      <View style={styles.row}>
        <Size label="m wide" value={landmark.widthM} onChange={(widthM) => set({ widthM })} />
        <Size label="m high" value={landmark.heightM} onChange={(heightM) => set({ heightM })} />
      </View>
      <Toggle label="It is fixed in place" on={landmark.fixed} onPress={() => set({ fixed: !landmark.fixed })} />
    </>
  );
}

function ExitFields({ course, id, onChange }: FieldsProps) {
  const exit = course.exits!.find((e) => e.id === id)!;
  return (
    <>
      <Input
        label="What the way out is called"
        value={exit.name}
        maxLength={60}
        onChangeText={(name) =>
          onChange({ ...course, exits: course.exits!.map((e) => (e.id === id ? { ...e, name } : e)) })
        }
      />
      <Toggle
        label="The last one before the danger"
        on={exit.last}
        onPress={() => onChange(withLastExit(course, id, !exit.last))}
      />
    </>
  );
}

const styles = StyleSheet.create({
  thing: { gap: 8 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' },
});
