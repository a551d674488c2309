/** The weeks to the race: what each is for and how much; hold one fast and the others are solved around it. */
import { swimmerListAddress } from '@upwell/contract/listAddress';
import { type PlanWeek, TAPER_WEEKS, trainingWeek, WEEK_RANGE } from '@upwell/core/race';
import { NOTHING_NEW_DAYS } from '@upwell/core/swimmers';
import { causeCard } from '@upwell/core/review';
import { WEEKLY_RISE } from '@upwell/core/sessions';
import { counted, dayWord, numberWord, percent } from '@upwell/core/words';
import { lazy, Suspense, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { CalendarAddress } from '@/calendar';
import { Card } from '@/ui/Card';
import { Choice } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Icon } from '@/ui/Icon';
import { ListFiles } from '@/ui/ListFiles';
import { Stepper } from '@/ui/Stepper';
import { Empty, Notice } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { useWide } from '@/ui/useWide';
import { weekTint } from '@/ui/weekTint';
import { chosen } from '../raceDraft';
import { KIND_WORD, PHASE_WORD } from '../words';
import type { PaneProps } from '../useRace';
import { OtherRaces } from './OtherRaces';
import { Problems } from './Problems';
import { WeekSheet } from './WeekSheet';

const PlanChart = lazy(() => import('@/charts').then((charts) => ({ default: charts.PlanChart })));

export function WeeksPane({ race, facts, coach }: PaneProps) {
  const wide = useWide();
  const [open, setOpen] = useState<string | null>(null);
  const { weeks, problems, reach } = race.plan;
  if (weeks.length === 0) return <Empty title="No weeks to plan">{problems[0] ?? 'The race is over.'}</Empty>;
  const week = weeks.find((w) => w.monday === open);
  const sheet = week ? <WeekSheet week={week} race={race} facts={facts} coach={coach} /> : null;
  const most = Math.max(...weeks.map((w) => w.load), 1);
  return (
    <View>
      <Problems problems={problems} />
      {reach ? <Notice>{reach}</Notice> : null}
      <View style={wide ? styles.columns : undefined}>
        <View style={wide ? styles.column : undefined}>
          <Card title={counted(weeks.length, 'week')} aside={<Text variant="labelMedium">metres × effort</Text>}>
            <Suspense fallback={<View style={styles.chart} />}>
              <PlanChart past={facts.past} weeks={weeks} />
            </Suspense>
            <Text variant="bodySmall">{summary(weeks)}</Text>
          </Card>
          <View role="list">
            {weeks.map((w) => (
              <View key={w.monday} role="listitem">
                <WeekLine
                  week={w}
                  share={w.load / most}
                  open={open === w.monday}
                  locked={Boolean(race.draft.choices.locks?.[w.monday])}
                  onPress={() => setOpen(open === w.monday ? null : w.monday)}
                />
                {!wide && open === w.monday ? sheet : null}
              </View>
            ))}
          </View>
        </View>
        <View style={wide ? styles.side : undefined}>
          {wide && sheet ? sheet : null}
          {wide && !sheet ? (
            <Card title="Choose a week">
              <Text>Lock a week, make it lighter, or mark it as missed for illness; the other weeks adjust.</Text>
            </Card>
          ) : null}
          {coach ? <Frame race={race} facts={facts} coach={coach} /> : null}
        </View>
      </View>
    </View>
  );
}

function summary(weeks: readonly PlanWeek[]): string {
  const of = (kind: PlanWeek['kind']) => weeks.filter((w) => w.kind === kind).length;
  const some = (n: number, word: string) => (n > 0 ? [`${n} ${word}`] : []);
  return [
    ...some(of('normal'), 'of work'),
    ...some(of('recovery'), 'lighter'),
    ...some(of('taper'), 'of taper'),
    ...some(weeks.filter((w) => w.test).length, 'with a test'),
  ].join(', ');
}

interface WeekLineProps {
  readonly week: PlanWeek;
  readonly share: number;
  readonly open: boolean;
  readonly locked: boolean;
  readonly onPress: () => void;
}

function WeekLine({ week, share, open, locked, onPress }: WeekLineProps) {
  const theme = useTheme();
  const tint = weekTint(week, theme.own);
  const signs = [week.test ? 'test' : null, week.step === null ? null : 'step outside'].filter((s) => s !== null);
  const day = dayWord(week.monday).replace(/^\S+ /, '');
  const phase = week.kind === 'normal' ? PHASE_WORD[week.phase] : KIND_WORD[week.kind];
  const about = [causeCard(week.theme).name, ...signs].join(' · ');
  return (
    <Pressable
      role="button"
      aria-expanded={open}
      onPress={onPress}
      style={[
        styles.week,
        { borderBottomColor: theme.own.line, backgroundColor: open ? theme.own.sand : 'transparent' },
      ]}
    >
      <View style={styles.when}>
        <Text variant="labelMedium">{day}</Text>
        <Text variant="labelSmall" style={{ color: theme.colors.onSurfaceVariant }}>
          {phase}
        </Text>
      </View>
      <View style={styles.flex}>
        <View style={styles.bars}>
          <View style={[styles.bar, { width: `${Math.max(2, share * 74)}%`, backgroundColor: tint.background }]} />
          <Text variant="labelMedium" style={styles.figures}>
            {numberWord(week.load)}
          </Text>
          {locked ? (
            <>
              <Icon name="lock" size={16} color={theme.colors.onSurface} />
              <Text variant="labelSmall">locked</Text>
            </>
          ) : null}
        </View>
        <Text variant="bodySmall" numberOfLines={1}>
          {about}
        </Text>
      </View>
      <Icon name={open ? 'chevron-up' : 'chevron-down'} size={22} color={theme.colors.onSurfaceVariant} />
    </Pressable>
  );
}

/** How often and how long the swimmer swims, how long the taper is, and what else is on the way. */
function Frame({ race, facts }: PaneProps) {
  const [open, setOpen] = useState(false);
  const { choices } = race.draft;
  const week = trainingWeek(choices, facts);
  const sessions = week.sessionsPerWeek;
  const minutes = Math.round(week.minutesPerSession);
  const [fewest, most] = WEEK_RANGE.sessionsPerWeek;
  const [shortest, longest] = WEEK_RANGE.minutesPerSession;
  return (
    <Card title="How the weeks are made">
      <Text variant="bodySmall">
        {`From ${facts.past.length > 0 ? `${counted(facts.past.length, 'week')} as swum` : 'the usual week for this level: nothing is on record yet'}. A week rises at most ${percent(WEEKLY_RISE)} above the average of the four before it. Three weeks of work, then a lighter one; nothing new in the last ${NOTHING_NEW_DAYS} days. Missed work is not made up.`}
      </Text>
      <Disclosure label="Sessions, taper, other races" open={open} onPress={() => setOpen(!open)} />
      {open ? (
        <View style={styles.all}>
          <View style={styles.row}>
            <Stepper
              label="sessions a week"
              value={String(sessions)}
              onLess={
                sessions > fewest ? () => race.change((now) => chosen(now, { sessionsPerWeek: sessions - 1 })) : null
              }
              onMore={
                sessions < most ? () => race.change((now) => chosen(now, { sessionsPerWeek: sessions + 1 })) : null
              }
            />
            <Stepper
              label="minutes each"
              value={String(minutes)}
              onLess={
                minutes - 5 >= shortest
                  ? () => race.change((now) => chosen(now, { minutesPerSession: minutes - 5 }))
                  : null
              }
              onMore={
                minutes + 5 <= longest
                  ? () => race.change((now) => chosen(now, { minutesPerSession: minutes + 5 }))
                  : null
              }
            />
          </View>
          <Choice
            label="Taper"
            options={[
              { value: '0', label: 'as calculated' },
              ...TAPER_WEEKS.map((n) => ({ value: String(n), label: counted(n, 'week') })),
            ]}
            chosen={[String(choices.taperWeeks ?? 0)]}
            onPress={(value) =>
              race.change((now) => chosen(now, { taperWeeks: TAPER_WEEKS.find((n) => String(n) === value) }))
            }
          />
          <OtherRaces race={race} />
          <ListFiles of="Saved weeks" address={(format) => swimmerListAddress(race.id, 'weeks', format)} />
          <CalendarAddress swimmerId={race.id} name={race.name} />
        </View>
      ) : null}
    </Card>
  );
}

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', gap: 16, alignItems: 'flex-start' },
  column: { flex: 3, minWidth: 0 },
  side: { flex: 2, minWidth: 320 },
  chart: { height: 150 },
  week: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: 10,
    minHeight: 56,
    paddingVertical: 6,
    paddingHorizontal: 4,
    borderBottomWidth: 1,
  },
  when: { width: 68 },
  flex: { flex: 1, minWidth: 0 },
  bars: { flexDirection: 'row', alignItems: 'center', gap: 8 },
  bar: { height: 14, borderRadius: 3 },
  figures: { fontVariant: ['tabular-nums'] },
  all: { gap: 8 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 10 },
});
