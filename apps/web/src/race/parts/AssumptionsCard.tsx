import { assumed, GROWTH } from '@upwell/core/race';
import { numberWord, percent } from '@upwell/core/words';
import { useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { useCoursesQuery } from '@/courses';
import { Card } from '@/ui/Card';
import { Choice } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Stepper } from '@/ui/Stepper';
import { Toggle } from '@/ui/Toggle';
import { useTheme } from '@/ui/useTheme';
import { chosen, type Patch } from '../raceDraft';
import { SOURCE_WORD } from '../words';
import type { PaneProps } from '../useRace';

/** What the prediction rests on besides the times: each number with its source, each to be changed. */
export function AssumptionsCard({ race, facts, coach }: PaneProps) {
  const [open, setOpen] = useState(false);
  const { choices } = race.draft;
  const assumptions = assumed(facts, choices);
  const outside = facts.place === 'open-water';
  const set = (patch: Patch) => race.change((now) => chosen(now, patch));
  const guesses = Object.values(assumptions.from).filter((source) => source === 'guess').length;
  return (
    <Card title="Assumptions">
      <Text variant="bodySmall">
        {guesses > 0 ? `${guesses} of the numbers are guesses until they are measured.` : 'No number here is a guess.'}
      </Text>
      {coach ? <Disclosure label="Check and change" open={open} onPress={() => setOpen(!open)} /> : null}
      {open ? (
        <View style={styles.all}>
          {outside ? <CourseChoice race={race} facts={facts} coach={coach} /> : null}
          {outside ? (
            <Row source={assumptions.from.extra}>
              <Stepper
                label="% extra distance today"
                value={numberWord(assumptions.today.extraShare * 100, 1)}
                onLess={
                  assumptions.today.extraShare > 0
                    ? () => set({ extraToday: Math.max(0, (Math.round(assumptions.today.extraShare * 200) - 1) / 200) })
                    : null
                }
                onMore={
                  assumptions.today.extraShare < 0.5
                    ? () => set({ extraToday: (Math.round(assumptions.today.extraShare * 200) + 1) / 200 })
                    : null
                }
              />
            </Row>
          ) : null}
          {outside ? (
            <Row source={assumptions.from.lost}>
              <Stepper
                label="seconds lost today"
                value={String(Math.round(assumptions.today.lostS))}
                onLess={
                  assumptions.today.lostS >= 1
                    ? () => set({ lostTodayS: Math.round(assumptions.today.lostS) - 1 })
                    : null
                }
                onMore={
                  assumptions.today.lostS < 600
                    ? () => set({ lostTodayS: Math.round(assumptions.today.lostS) + 1 })
                    : null
                }
              />
            </Row>
          ) : null}
          <Row source={assumptions.from.rate}>
            <Stepper
              label="strokes a minute"
              value={String(assumptions.rateSpm)}
              onLess={assumptions.rateSpm > 30 ? () => set({ rateSpm: assumptions.rateSpm - 1 }) : null}
              onMore={assumptions.rateSpm < 110 ? () => set({ rateSpm: assumptions.rateSpm + 1 }) : null}
            />
          </Row>
          {outside ? (
            <>
              <View style={styles.row}>
                <Toggle
                  label="Wetsuit"
                  on={choices.wetsuit ?? false}
                  onPress={() => set({ wetsuit: !choices.wetsuit })}
                />
                {choices.wetsuit ? (
                  <Stepper
                    label="% faster in it"
                    value={numberWord(assumptions.wetsuitGain * 100, 1)}
                    onLess={
                      assumptions.wetsuitGain > 0
                        ? () => set({ wetsuitGain: near(assumptions.wetsuitGain - 0.005) })
                        : null
                    }
                    onMore={
                      assumptions.wetsuitGain < 0.1
                        ? () => set({ wetsuitGain: near(assumptions.wetsuitGain + 0.005) })
                        : null
                    }
                  />
                ) : null}
              </View>
              <View style={styles.row}>
                <Stepper
                  label="m/s with the swimmer"
                  value={numberWord(assumptions.currentMps, 2)}
                  onLess={() => set({ currentMps: near(assumptions.currentMps - 0.05) })}
                  onMore={() => set({ currentMps: near(assumptions.currentMps + 0.05) })}
                />
                <Stepper
                  label="°C of the water"
                  value={choices.waterC === null || choices.waterC === undefined ? '?' : String(choices.waterC)}
                  onLess={() => set({ waterC: Math.max(0, (choices.waterC ?? 19) - 1) })}
                  onMore={() => set({ waterC: Math.min(35, (choices.waterC ?? 17) + 1) })}
                />
              </View>
            </>
          ) : null}
          <Toggle
            label="A ride and a run follow"
            on={choices.rideFollows ?? false}
            onPress={() => set({ rideFollows: !choices.rideFollows })}
          />
          <Text variant="bodySmall">
            {`Growth: ${percent(assumptions.growth.low, 2)} to ${percent(assumptions.growth.high, 2)} of speed per month (${SOURCE_WORD[assumptions.from.growth]}); the usual range is ${percent(GROWTH.trained.low, 1)} to ${percent(GROWTH.trained.high, 1)} for trained swimmers, ${percent(GROWTH.new.low, 1)} to ${percent(GROWTH.new.high, 1)} for recent starters.`}
          </Text>
          <Button
            mode="text"
            style={styles.start}
            onPress={() =>
              set({
                ...{ extraToday: undefined, extraThen: undefined, feetToday: undefined, feetThen: undefined },
                ...{ lostTodayS: undefined, lostThenS: undefined, growthLow: undefined, growthHigh: undefined },
                ...{ rateSpm: undefined, wetsuitGain: undefined, currentMps: undefined },
              })
            }
          >
            Reset to known values
          </Button>
        </View>
      ) : null}
    </Card>
  );
}

const near = (value: number) => Math.round(value * 1000) / 1000;

function Row({ source, children }: { readonly source: keyof typeof SOURCE_WORD; readonly children: ReactNode }) {
  const theme = useTheme();
  return (
    <View style={styles.row}>
      {children}
      <Text
        variant="labelMedium"
        style={{ color: source === 'guess' ? theme.colors.error : theme.colors.onSurfaceVariant }}
      >
        {SOURCE_WORD[source]}
      </Text>
    </View>
  );
}

/** The course it is swum on: its metres count, and the race card is there. */
function CourseChoice({ race, facts }: PaneProps) {
  const { data: courses = [] } = useCoursesQuery();
  const { choices } = race.draft;
  if (courses.length === 0) return null;
  return (
    <Choice
      label="Course"
      options={[
        { value: '', label: `none, ${facts.distanceM} m` },
        ...courses.map((c) => ({ value: c.id, label: `${c.name}, ${Math.round(c.lengthM)} m` })),
      ]}
      chosen={[choices.courseId ?? '']}
      onPress={(id) => {
        const course = courses.find((c) => c.id === id);
        race.change((now) =>
          chosen(now, course ? { courseId: id, courseM: course.lengthM } : { courseId: null, courseM: undefined }),
        );
      }}
    />
  );
}

const styles = StyleSheet.create({
  all: { gap: 8 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 10, alignItems: 'center' },
  start: { alignSelf: 'flex-start' },
});
