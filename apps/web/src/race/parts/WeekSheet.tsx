import { loadStep, openWaterStep, type PlanWeek, weekNoteWords } from '@upwell/core/race';
import { CAUSE_IDS, causeCard, type CauseId } from '@upwell/core/review';
import { WEEK_KINDS } from '@upwell/core/sessions';
import { Link, type Href } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { Choice } from '@/ui/Choice';
import { addDays } from '@upwell/core/days';
import { dayWord, numberWord } from '@upwell/core/words';
import { Disclosure } from '@/ui/Disclosure';
import { Stepper } from '@/ui/Stepper';
import { chosen, freedWeek, lockedWeek } from '../raceDraft';
import type { PaneProps } from '../useRace';
import { KIND_WORD } from '../words';

/** One week: why it is as it is, and what the coach locks. */
export function WeekSheet({ week, race, facts, coach }: PaneProps & { readonly week: PlanWeek }) {
  const [all, setAll] = useState(false);
  const { choices } = race.draft;
  const lock = choices.locks?.[week.monday];
  const away = choices.away?.[week.monday];
  const hold = (patch: Parameters<typeof lockedWeek>[2]) => race.change((now) => lockedWeek(now, week.monday, patch));
  const step = loadStep(week.load);
  const needs: readonly CauseId[] = [...new Set([week.theme, ...facts.needs, ...race.plan.weeks.map((w) => w.theme)])];
  return (
    <Card
      title={`Week of ${dayWord(week.monday)}`}
      strong
      aside={<Text variant="labelMedium">{`to ${dayWord(addDays(week.monday, 6))}`}</Text>}
    >
      <Text>{causeCard(week.theme).name}</Text>
      <Text variant="bodySmall">{causeCard(week.theme).costs}</Text>
      {week.step === null ? null : <Text style={styles.top}>{`Step to open water: ${openWaterStep(week.step)}`}</Text>}
      {week.test ? (
        <Text style={styles.top}>
          {facts.level === 'settle'
            ? 'Test while rested: the next step of the ladder.'
            : `Test while rested: critical speed${facts.place === 'open-water' ? ' and drift with closed eyes' : ''}.`}
        </Text>
      ) : null}
      {week.notes.map(weekNoteWords).map((text) => (
        <Text key={text} variant="bodySmall" style={styles.top}>
          {text}
        </Text>
      ))}
      {coach ? (
        <View style={styles.top}>
          <Link href={`/sessions?view=week&week=${week.monday}` as Href} asChild>
            <Button icon="calendar" style={styles.start}>
              Sessions of this week
            </Button>
          </Link>
          {away ? null : (
            <>
              <Choice
                label="Kind of week"
                options={WEEK_KINDS.map((value) => ({ value, label: KIND_WORD[value] }))}
                chosen={[week.kind]}
                onPress={(kind) => hold({ kind: lock?.kind === kind ? undefined : kind })}
              />
              <Stepper
                label="metres × effort"
                value={numberWord(week.load)}
                onLess={week.load > 0 ? () => hold({ load: Math.max(0, week.load - step) }) : null}
                onMore={() => hold({ load: week.load + step })}
              />
              <Choice
                label="Theme"
                options={(all ? CAUSE_IDS : needs).map((value) => ({ value, label: causeCard(value).name }))}
                chosen={[week.theme]}
                onPress={(theme) => hold({ theme })}
              />
              <Disclosure label={all ? 'Fewer themes' : 'All themes'} open={all} onPress={() => setAll(!all)} />
            </>
          )}
          <Choice
            label="Not swimming this week"
            options={[
              { value: 'ill', label: 'ill' },
              { value: 'away', label: 'away' },
            ]}
            chosen={away ? [away] : []}
            onPress={(value) =>
              race.change((now) => {
                const { [week.monday]: before, ...others } = now.choices.away ?? {};
                return chosen(now, { away: before === value ? others : { ...others, [week.monday]: value } });
              })
            }
          />
          {lock || away ? (
            <Button
              mode="outlined"
              icon="lock-open-variant"
              style={styles.start}
              onPress={() => race.change((now) => freedWeek(now, week.monday))}
            >
              Unlock this week
            </Button>
          ) : null}
        </View>
      ) : null}
    </Card>
  );
}

const styles = StyleSheet.create({
  top: { marginTop: 8 },
  start: { alignSelf: 'flex-start', marginTop: 8 },
});
