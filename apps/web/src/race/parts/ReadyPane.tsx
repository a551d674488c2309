import { sentenceCase } from '@upwell/core/text';
import type { ReadyId, ReadyItem, ReadyMarks } from '@upwell/core/race';
import { dayWord } from '@upwell/core/words';
import { useRouter, type Href } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { distanceInDays } from '@/ui/dates';
import { Icon } from '@/ui/Icon';
import { Notice } from '@/ui/States';
import { Stepper } from '@/ui/Stepper';
import { Toggle } from '@/ui/Toggle';
import { useTheme } from '@/ui/useTheme';
import { chosen } from '../raceDraft';
import type { PaneProps } from '../useRace';

/** The mark that a coach sets by hand; breathing to both sides is taken from the swimmer's page. */
const MARK: Readonly<Partial<Record<ReadyId, Exclude<keyof ReadyMarks, 'coldDips'>>>> = {
  sighting: 'sighting',
  'group-start': 'groupStart',
  'long-swims': 'longSwims',
  feeds: 'fed',
  wetsuit: 'wetsuit',
  course: 'course',
  card: 'card',
};

/** What must be there before the race, in the order in which it is due. */
export function ReadyPane({ race, facts, coach }: PaneProps) {
  const router = useRouter();
  const { ready, today } = race;
  const missing = ready.filter((item) => item.state !== 'done');
  const { courseId, marks = {} } = race.draft.choices;
  const next = missing[0];
  return (
    <View>
      <Card strong>
        <Text
          variant="displayMedium"
          style={styles.figures}
        >{`${ready.length - missing.length} of ${ready.length}`}</Text>
        <Text>
          {next
            ? `Next: ${next.text}, by ${dayWord(next.by)}${next.late ? ', now overdue' : ` (${distanceInDays(today, next.by)})`}.`
            : 'All ready. Nothing new from here.'}
        </Text>
      </Card>
      {missing.some((item) => item.late) ? (
        <Notice tone="error">
          {`Late: ${missing
            .filter((item) => item.late)
            .map((item) => item.text)
            .join('; ')}. Catch up with the coach at the water, or choose a later race.`}
        </Notice>
      ) : null}
      <View role="list">
        {ready.map((item) => (
          <View key={item.id} role="listitem">
            <Line item={item}>
              {coach && item.id === 'cold' ? (
                <Stepper
                  label="dips"
                  value={String(Math.max(marks.coldDips ?? 0, facts.outside))}
                  onLess={
                    (marks.coldDips ?? 0) > 0
                      ? () =>
                          race.change((now) =>
                            chosen(now, { marks: { ...now.choices.marks, coldDips: (marks.coldDips ?? 1) - 1 } }),
                          )
                      : null
                  }
                  onMore={() =>
                    race.change((now) =>
                      chosen(now, {
                        marks: {
                          ...now.choices.marks,
                          coldDips: Math.min(99, Math.max(marks.coldDips ?? 0, facts.outside) + 1),
                        },
                      }),
                    )
                  }
                />
              ) : coach && MARK[item.id] ? (
                <View style={styles.row}>
                  {([true, false] as const).map((value) => (
                    <Toggle
                      key={String(value)}
                      label={value ? 'yes' : 'not yet'}
                      on={marks[MARK[item.id]!] === value}
                      onPress={() =>
                        race.change((now) => {
                          const { [MARK[item.id]!]: before, ...others } = now.choices.marks ?? {};
                          return chosen(now, {
                            marks: before === value ? others : { ...others, [MARK[item.id]!]: value },
                          });
                        })
                      }
                    />
                  ))}
                </View>
              ) : null}
            </Line>
          </View>
        ))}
      </View>
      <View style={[styles.row, styles.top]}>
        {courseId ? (
          <Button mode="outlined" onPress={() => router.navigate(`/water/${courseId}/card?swimmer=${race.id}` as Href)}>
            Race card
          </Button>
        ) : null}
        {coach ? (
          <Button mode="outlined" onPress={() => router.navigate('/water' as Href)}>
            Courses
          </Button>
        ) : null}
      </View>
      <Text variant="bodySmall" style={styles.top}>
        Ladders, tracks and open-water sessions are ticked automatically; tick here what you have seen yourself. The
        water, the weather, the rules of the event and the lifeguard come first.
      </Text>
    </View>
  );
}

const STATE_WORD = { done: 'there', missing: 'missing', unknown: 'not known yet' } as const;

function Line({ item, children }: { readonly item: ReadyItem; readonly children: React.ReactNode }) {
  const theme = useTheme();
  const color =
    item.state === 'done' ? theme.colors.primary : item.late ? theme.colors.error : theme.colors.onSurfaceVariant;
  return (
    <View style={[styles.line, { borderBottomColor: theme.own.line }]}>
      <Icon
        name={item.state === 'done' ? 'check' : item.state === 'missing' ? 'close' : 'eye-off'}
        size={24}
        color={color}
      />
      <View style={styles.words}>
        <Text>{sentenceCase(item.text)}</Text>
        <Text variant="bodySmall" style={{ color }}>
          {item.state === 'done' ? STATE_WORD.done : `${STATE_WORD[item.state]}, by ${dayWord(item.by)}`}
        </Text>
      </View>
      {children}
    </View>
  );
}

const styles = StyleSheet.create({
  figures: { fontVariant: ['tabular-nums'] },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' },
  line: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    gap: 10,
    alignItems: 'center',
    paddingVertical: 8,
    borderBottomWidth: 1,
  },
  words: { flexGrow: 1, flexShrink: 1, flexBasis: 180 },
  top: { marginTop: 10 },
});
