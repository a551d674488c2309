/** A week: what is planned on each day, and the templates to fill it with, dragged or picked up and put down. */
import { DndContext, PointerSensor, useDraggable, useDroppable, useSensor, useSensors } from '@dnd-kit/core';
import { CSS } from '@dnd-kit/utilities';
import { clubListAddress } from '@upwell/contract/listAddress';
import { sessionFieldsOf, type SessionRow } from '@upwell/contract/sessions';
import { addDays, dayMs, weekOf } from '@upwell/core/days';
import { summaryWord } from '@upwell/core/units';
import { dayWord, numberWord, startTimeWord } from '@upwell/core/words';
import { Link, type Href } from 'expo-router';
import { useState, type ReactNode } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Button, IconButton, Text } from 'react-native-paper';
import { v7 } from 'uuid';
import { sentence } from '@/api/problem';
import { useToday } from '@/state/hooks';
import { ListFiles } from '@/ui/ListFiles';
import { Failure, Notice } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { useWide } from '@/ui/useWide';
import { useLazySessionQuery, useRemoveSessionMutation, useSaveSessionMutation, useSessionsQuery } from '../api';
import { copyOn } from '../copy';
import { WeekDesk } from './WeekDesk';

/** Pixels a pointer moves before it drags, so that a tap stays a tap. */
const DRAG_AFTER = 6;

interface Planned {
  readonly id: string;
  readonly title: string;
  readonly day: string;
}

/**
 * @param plans whether templates can be put into it
 * @param at any day of the week that is shown first; what is no day is this week
 */
export function WeekBoard({ plans, at }: { readonly plans: boolean; readonly at?: string | undefined }) {
  const wide = useWide();
  const today = useToday();
  const [monday, setMonday] = useState(() => weekOf(at !== undefined && Number.isFinite(dayMs(at)) ? at : today));
  const [held, setHeld] = useState<SessionRow | null>(null);
  const { data: rows, error, refetch } = useSessionsQuery({ from: monday, to: addDays(monday, 6), limit: 100 });
  const { data: templates = [] } = useSessionsQuery({ templates: true, search: '', limit: 200 }, { skip: !plans });
  const { put, undo, planned, failed } = usePutting();
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: DRAG_AFTER } }));
  const days = Array.from({ length: 7 }, (_, i) => addDays(monday, i));
  const putOn = (template: SessionRow, day: string) => {
    setHeld(null);
    void put(template, day);
  };
  return (
    <DndContext
      sensors={sensors}
      onDragEnd={({ active, over }) => {
        const template = templates.find(({ id }) => id === active.id);
        if (template && over) putOn(template, String(over.id));
      }}
    >
      <View style={styles.weekHead}>
        <IconButton
          icon="chevron-left"
          accessibilityLabel="The week before"
          onPress={() => setMonday(addDays(monday, -7))}
        />
        <Text variant="titleMedium" role="heading" aria-level={2}>
          {`Week of ${dayWord(monday)}`}
        </Text>
        <IconButton
          icon="chevron-right"
          accessibilityLabel="The next week"
          onPress={() => setMonday(addDays(monday, 7))}
        />
        {plans ? (
          <ListFiles of="This week" address={(format) => clubListAddress('week', format, { date: monday })} />
        ) : null}
      </View>
      {error ? <Failure error={error} retry={() => void refetch()} /> : null}
      {failed ? <Notice tone="error">{sentence(failed)}</Notice> : null}
      {planned ? (
        <Notice action={<Button onPress={() => void undo()}>Undo</Button>}>
          {`“${planned.title}” is planned on ${dayWord(planned.day)}.`}
        </Notice>
      ) : null}
      {plans && templates.length > 0 ? (
        <View role="group" aria-label="Templates" style={styles.templates}>
          <Text variant="labelMedium" style={styles.hint}>
            {held
              ? `Choose a day for “${held.title}”.`
              : 'Templates: drag one onto a day, or press it and then the day.'}
          </Text>
          <View style={styles.row}>
            {templates.map((template) => (
              <Template
                key={template.id}
                template={template}
                held={held?.id === template.id}
                onPress={() => setHeld(held?.id === template.id ? null : template)}
              />
            ))}
          </View>
        </View>
      ) : null}
      <View style={wide ? styles.week : undefined}>
        {days.map((day) => (
          <Day key={day} day={day} wide={wide} today={day === today}>
            {rows
              ?.filter((row) => row.date === day)
              .map((row) => (
                <InDay key={row.id} row={row} />
              ))}
            {held ? (
              <Button
                compact
                mode="outlined"
                accessibilityLabel={`Put it here: ${dayWord(day)}`}
                onPress={() => putOn(held, day)}
              >
                Put it here
              </Button>
            ) : null}
          </Day>
        ))}
      </View>
      {plans ? <WeekDesk monday={monday} rows={rows} /> : null}
    </DndContext>
  );
}

/** Makes sessions out of templates, and takes the last one back. */
function usePutting() {
  const [ask] = useLazySessionQuery();
  const [save, saving] = useSaveSessionMutation();
  const [remove, removing] = useRemoveSessionMutation();
  const [planned, setPlanned] = useState<Planned | null>(null);
  const [unread, setUnread] = useState<typeof saving.error>(undefined);
  const put = async ({ id, title }: SessionRow, day: string) => {
    const { data: template, error } = await ask(id, true);
    setUnread(error);
    if (!template) return;
    const made = v7();
    const result = await save({ id: made, body: copyOn(day, sessionFieldsOf(template)) });
    if (!('error' in result && result.error)) setPlanned({ id: made, title, day });
  };
  const undo = async () => {
    if (!planned) return;
    const result = await remove({ id: planned.id });
    if (!('error' in result && result.error)) setPlanned(null);
  };
  return { put, undo, planned, failed: unread ?? saving.error ?? removing.error };
}

function Template({
  template,
  held,
  onPress,
}: {
  readonly template: SessionRow;
  readonly held: boolean;
  readonly onPress: () => void;
}) {
  const theme = useTheme();
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id: template.id });
  const style = {
    transform: CSS.Translate.toString(transform),
    touchAction: 'none',
    cursor: 'grab',
    zIndex: isDragging ? 5 : undefined,
    position: 'relative',
  } as const;
  return (
    <div ref={setNodeRef} style={style} {...listeners}>
      <Pressable
        role="button"
        aria-pressed={held}
        onPress={onPress}
        style={[
          styles.template,
          {
            borderColor: held ? theme.colors.primary : theme.colors.outline,
            backgroundColor: held ? theme.colors.secondaryContainer : theme.colors.surface,
          },
        ]}
      >
        <Text variant="labelMedium">{template.title}</Text>
        <Text variant="bodySmall">{`${template.minutes} min`}</Text>
      </Pressable>
    </div>
  );
}

function Day({
  day,
  wide,
  today,
  children,
}: {
  readonly day: string;
  readonly wide: boolean;
  readonly today: boolean;
  readonly children: ReactNode;
}) {
  const theme = useTheme();
  const { setNodeRef, isOver } = useDroppable({ id: day });
  const look = {
    borderColor: today ? theme.colors.primary : theme.own.line,
    backgroundColor: isOver ? theme.colors.secondaryContainer : 'transparent',
  };
  return (
    <div ref={setNodeRef} style={wide ? { flex: 1, minWidth: 0, display: 'flex' } : undefined}>
      <View style={[wide ? styles.day : styles.dayRow, look]} role="group" aria-label={dayWord(day)}>
        <Text variant="labelMedium" style={styles.dayName}>
          {dayWord(day)}
        </Text>
        <View style={styles.flex}>{children}</View>
      </View>
    </div>
  );
}

function InDay({ row }: { readonly row: SessionRow }) {
  const theme = useTheme();
  return (
    <Link href={`/sessions/${row.id}` as Href} asChild>
      <Pressable style={StyleSheet.flatten([styles.inDay, { backgroundColor: theme.own.sand }])}>
        <Text variant="labelMedium">{startTimeWord(row)}</Text>
        <Text variant="bodySmall">{row.title}</Text>
        <Text variant="bodySmall">{row.groups.map((g) => `${g.name} ${summaryWord(g, numberWord)}`).join(', ')}</Text>
      </Pressable>
    </Link>
  );
}

const styles = StyleSheet.create({
  weekHead: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    justifyContent: 'center',
    gap: 8,
    marginBottom: 8,
  },
  templates: { gap: 6, marginBottom: 12 },
  hint: { minHeight: 20 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  template: { minHeight: 48, paddingHorizontal: 12, paddingVertical: 4, borderWidth: 1.5, borderRadius: 8 },
  week: { flexDirection: 'row', gap: 6, alignItems: 'stretch' },
  day: { flex: 1, borderWidth: 1, borderRadius: 6, padding: 6, minHeight: 150, minWidth: 0 },
  dayRow: { flexDirection: 'row', borderBottomWidth: 1, paddingVertical: 8, gap: 8, minHeight: 52 },
  dayName: { minWidth: 84, marginBottom: 6 },
  inDay: { borderRadius: 4, padding: 8, marginBottom: 6 },
  flex: { flex: 1 },
});
