import type { PlanWeek } from '@upwell/core/goal';
import { CAUSE_IDS, CAUSES, type CauseId } from '@upwell/core/review';
import { WEEK_KINDS, WEEKLY_RISE } from '@upwell/core/sessions';
import { lazy, Suspense, useState } from 'react';
import { Linking, Pressable, StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { CalendarAddress } from '@/sessions/parts/CalendarAddress';
import { Card } from '@/ui/Card';
import { Choice } from '@/ui/Choice';
import { addDays, dayWord } from '@/ui/dates';
import { Disclosure } from '@/ui/Disclosure';
import { Icon } from '@/ui/Icon';
import { Stepper } from '@/ui/Stepper';
import { Empty } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { useWide } from '@/ui/useWide';
import { weekTint } from '@/ui/effortTint';
import { chosen, freedWeek, lockedWeek } from '../raceDraft';
import { KIND_WORD, percent, PHASE_WORD } from '../words';
import type { PaneProps } from '../useRace';
import { OtherRaces } from './OtherRaces';
import { Problems } from './Problems';

const PlanChart = lazy(() => import('@/charts').then((charts) => ({ default: charts.PlanChart })));

/** The weeks to the race: what each is for and how much; hold one fast and the others are solved around it. */
export function WeeksPane({ race, facts, coach }: PaneProps) {
  const wide = useWide();
  const [open, setOpen] = useState<string | null>(null);
  const { weeks, problems } = race.plan;
  if (weeks.length === 0) return <Empty title="No weeks to plan">{problems[0] ?? 'The race is over.'}</Empty>;
  const week = weeks.find((w) => w.monday === open);
  const sheet = week ? <WeekSheet week={week} race={race} facts={facts} coach={coach} /> : null;
  const most = Math.max(...weeks.map((w) => w.load), 1);
  return (
    <View>
      <Problems problems={problems} />
      <View style={wide ? styles.columns : undefined}>
        <View style={wide ? styles.column : undefined}>
          <Card
            title={weeks.length === 1 ? '1 week' : `${weeks.length} weeks`}
            aside={<Text variant="labelMedium">metres × effort</Text>}
          >
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
                  held={Boolean(race.draft.choices.locks?.[w.monday])}
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
              <Text>Each week can be held fast, lightened, or given up for illness; the others follow.</Text>
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
  readonly held: boolean;
  readonly onPress: () => void;
}

function WeekLine({ week, share, open, held, onPress }: WeekLineProps) {
  const theme = useTheme();
  const tint = weekTint(week, theme.own);
  const signs = [week.test ? 'test' : null, week.step ? 'step outside' : null].filter((s) => s !== null);
  const day = dayWord(week.monday).replace(/^\S+ /, '');
  const phase = week.kind === 'normal' ? PHASE_WORD[week.phase] : KIND_WORD[week.kind];
  const about = [CAUSES[week.theme].name, ...signs].join(' · ');
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
            {week.load}
          </Text>
          {held ? (
            <>
              <Icon name="lock" size={16} color={theme.colors.onSurface} />
              <Text variant="labelSmall">held</Text>
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

/** One week: why it is as it is, and what the coach holds fast. */
function WeekSheet({ week, race, facts, coach }: PaneProps & { readonly week: PlanWeek }) {
  const [all, setAll] = useState(false);
  const { choices } = race.draft;
  const lock = choices.locks?.[week.monday];
  const away = choices.away?.[week.monday];
  const hold = (patch: Parameters<typeof lockedWeek>[2]) => race.change((now) => lockedWeek(now, week.monday, patch));
  const step = Math.max(50, Math.round(week.load * 0.05));
  const needs: readonly CauseId[] = [...new Set([week.theme, ...facts.needs, ...race.plan.weeks.map((w) => w.theme)])];
  return (
    <Card
      title={`Week of ${dayWord(week.monday)}`}
      strong
      aside={<Text variant="labelMedium">{`to ${dayWord(addDays(week.monday, 6))}`}</Text>}
    >
      <Text>{CAUSES[week.theme].name}</Text>
      <Text variant="bodySmall">{CAUSES[week.theme].costs}</Text>
      {week.step ? <Text style={styles.top}>{`Step to open water: ${week.step}`}</Text> : null}
      {week.test ? (
        <Text style={styles.top}>
          {facts.level === 'settle'
            ? 'Test while rested: the next step of the ladder.'
            : `Test while rested: critical speed${facts.place === 'open-water' ? ' and drift with closed eyes' : ''}.`}
        </Text>
      ) : null}
      {week.words.map((text) => (
        <Text key={text} variant="bodySmall" style={styles.top}>
          {text}
        </Text>
      ))}
      {coach ? (
        <View style={styles.top}>
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
                value={String(week.load)}
                onLess={week.load > 0 ? () => hold({ load: Math.max(0, week.load - step) }) : null}
                onMore={() => hold({ load: week.load + step })}
              />
              <Choice
                label="Theme"
                options={(all ? CAUSE_IDS : needs).map((value) => ({ value, label: CAUSES[value].name }))}
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
              Let it be solved again
            </Button>
          ) : null}
        </View>
      ) : null}
    </Card>
  );
}

/** How often and how long the swimmer swims, how long the taper is, and what else is on the way. */
function Frame({ race, facts }: PaneProps) {
  const [open, setOpen] = useState(false);
  const { choices } = race.draft;
  const sessions = choices.sessionsPerWeek ?? facts.week?.sessions ?? 2;
  const minutes = Math.round(choices.minutesPerSession ?? facts.week?.minutes ?? 60);
  return (
    <Card title="How the weeks are made">
      <Text variant="bodySmall">
        {`From ${facts.past.length > 0 ? `${facts.past.length} weeks as they were swum` : 'the usual week of the level: nothing is on record yet'}. A week rises at most ${percent(WEEKLY_RISE)} over the mean of the four before. Three weeks of work, then a lighter one; nothing new in the last ten days. What is missed is not made up for.`}
      </Text>
      <Disclosure label="Sessions, taper, other races" open={open} onPress={() => setOpen(!open)} />
      {open ? (
        <View style={styles.all}>
          <View style={styles.row}>
            <Stepper
              label="sessions a week"
              value={String(sessions)}
              onLess={sessions > 1 ? () => race.change((now) => chosen(now, { sessionsPerWeek: sessions - 1 })) : null}
              onMore={sessions < 12 ? () => race.change((now) => chosen(now, { sessionsPerWeek: sessions + 1 })) : null}
            />
            <Stepper
              label="minutes each"
              value={String(minutes)}
              onLess={minutes > 20 ? () => race.change((now) => chosen(now, { minutesPerSession: minutes - 5 })) : null}
              onMore={
                minutes < 180 ? () => race.change((now) => chosen(now, { minutesPerSession: minutes + 5 })) : null
              }
            />
          </View>
          <Choice
            label="Taper"
            options={[
              { value: '0', label: 'as solved' },
              { value: '1', label: '1 week' },
              { value: '2', label: '2 weeks' },
            ]}
            chosen={[String(choices.taperWeeks ?? 0)]}
            onPress={(value) =>
              race.change((now) => chosen(now, { taperWeeks: value === '0' ? undefined : value === '1' ? 1 : 2 }))
            }
          />
          <OtherRaces race={race} />
          <Button
            mode="text"
            icon="download"
            style={styles.start}
            onPress={() => void Linking.openURL(`/api/v1/swimmers/${race.id}/race-plan.csv`)}
          >
            The kept weeks as CSV
          </Button>
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
  top: { marginTop: 8 },
  start: { alignSelf: 'flex-start', marginTop: 8 },
  all: { gap: 8 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 10 },
});
