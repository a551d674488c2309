/** Shore and areas of a course: named, of another kind, each corner to be chosen without a pointer, or taken out whole. */
import { AREA_KINDS, type AreaKind, type Course } from '@upwell/core/water';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { Choice } from '@/ui/Choice';
import { Input } from '@/ui/Input';
import { handleOf } from '../courseDraft';

const KIND: Readonly<Record<AreaKind, string>> = { land: 'Land', safe: 'Safe area', forbidden: 'Forbidden' };

interface AreaPanelProps {
  readonly course: Course;
  /** The handle that is chosen on the map. */
  readonly chosen: string | null;
  readonly onChoose: (handle: string | null) => void;
  readonly onChange: (course: Course) => void;
}

export function AreaPanel({ course, chosen, onChoose, onChange }: AreaPanelProps) {
  const [open, setOpen] = useState<string | null>(null);
  const corners = (id: string, count: number) =>
    Array.from({ length: count }, (_, index) => handleOf({ kind: 'corner', id, index }));
  // A corner that was tapped on the map opens its area.
  const tapped = course.areas.find(({ id, points }) => chosen && corners(id, points.length).includes(chosen));
  const area = tapped ?? course.areas.find(({ id }) => id === open);
  if (course.areas.length === 0) return null;
  const set = (fields: Partial<Course['areas'][number]>) =>
    onChange({ ...course, areas: course.areas.map((a) => (a.id === area!.id ? { ...a, ...fields } : a)) });
  return (
    <View style={styles.all}>
      <Choice
        label="Shore and areas"
        options={course.areas.map(({ id, name, kind }, i) => ({ value: id, label: name || `${KIND[kind]} ${i + 1}` }))}
        chosen={area ? [area.id] : []}
        onPress={(id) => {
          onChoose(null);
          setOpen(id === area?.id ? null : id);
        }}
      />
      {area ? (
        <>
          <Input
            label="What the area is called"
            value={area.name}
            maxLength={60}
            onChangeText={(name) => set({ name })}
          />
          <Choice
            label="What it is"
            options={AREA_KINDS.map((value) => ({ value, label: KIND[value] }))}
            chosen={[area.kind]}
            onPress={(kind) => set({ kind })}
          />
          <Choice
            label="Corner to move"
            options={corners(area.id, area.points.length).map((value, i) => ({ value, label: String(i + 1) }))}
            chosen={chosen ? [chosen] : []}
            onPress={(value) => {
              setOpen(area.id);
              onChoose(value === chosen ? null : value);
            }}
          />
          <Button
            icon="trash-can-outline"
            onPress={() => {
              onChoose(null);
              setOpen(null);
              onChange({ ...course, areas: course.areas.filter(({ id }) => id !== area.id) });
            }}
          >
            Take the whole area out
          </Button>
        </>
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({ all: { gap: 8 } });
