/** Beside the sessions of a week: the hired water that has none yet, who needs what by its end, and clips that wait. */
import type { SessionRow } from '@upwell/contract/sessions';
import type { Squad } from '@upwell/contract/swimmers';
import { addDays, dayIn } from '@upwell/core/days';
import { mattersToday, poolWeek, type SquadHours, type WeekHour } from '@upwell/core/today';
import { counted, datedWord, dayWord } from '@upwell/core/words';
import { type Href, Link } from 'expo-router';
import { Pressable, StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { DueGroup, dueToday, useTodayQuery } from '@/due';
import { lookAtSent, useSentClipsQuery } from '@/film';
import { useToday, useZone } from '@/state/hooks';
import { useSquadsQuery } from '@/swimmers';
import { Card } from '@/ui/Card';
import { Failure, Loading } from '@/ui/States';
import { useRoomy } from '@/ui/useRoomy';
import { useTheme } from '@/ui/useTheme';

export interface WeekDeskProps {
  readonly monday: string;
  /** The sessions of that week; undefined while they come. */
  readonly rows: readonly SessionRow[] | undefined;
}

export function WeekDesk({ monday, rows }: WeekDeskProps) {
  const roomy = useRoomy();
  const today = useToday();
  const { data: squads } = useSquadsQuery();
  const sunday = addDays(monday, 6);
  const mine = squads?.filter((squad) => !squad.archived) ?? [];
  const weeks = new Map(poolWeek(mine, rows ?? [], monday).map((week) => [week.squadId, week]));
  return (
    <View style={roomy ? styles.columns : styles.stack}>
      {rows && mine.length > 0 ? (
        <View style={roomy ? styles.column : undefined}>
          <Card title="Squads and their water">
            {mine.map((squad) => (
              <SquadWeek key={squad.id} squad={squad} week={weeks.get(squad.id)!} />
            ))}
          </Card>
        </View>
      ) : null}
      {sunday >= today ? <Needs key={sunday} sunday={sunday} squads={mine} /> : null}
    </View>
  );
}

/** One squad: each hired hour with what is swum in it, or the way to build it. */
function SquadWeek({ squad, week }: { readonly squad: Squad; readonly week: SquadHours<SessionRow> }) {
  const today = useToday();
  const theme = useTheme();
  const faint = { color: theme.colors.onSurfaceVariant };
  return (
    <View role="group" aria-label={squad.name} style={styles.squad}>
      <View style={styles.line}>
        <Text variant="titleSmall" style={styles.flex}>
          {squad.name}
        </Text>
        <Text variant="bodySmall" style={faint}>
          {counted(squad.swimmers, 'swimmer')}
        </Text>
      </View>
      {week.hours.map((hour) => (
        <Hour key={`${hour.day} ${hour.startTime}`} squadId={squad.id} hour={hour} over={hour.day < today} />
      ))}
      {week.hours.length === 0 ? (
        <Text variant="bodySmall" style={faint}>
          No pool time of their own.
        </Text>
      ) : null}
      {week.others.length > 0 ? (
        <Text variant="bodySmall" style={faint}>
          {`Besides: ${week.others.map((s) => `${dayWord(s.date)} ${s.startTime} ${s.title}`).join('; ')}.`}
        </Text>
      ) : null}
    </View>
  );
}

interface HourProps {
  readonly squadId: string;
  readonly hour: WeekHour<SessionRow>;
  readonly over: boolean;
}

function Hour({ squadId, hour, over }: HourProps) {
  const theme = useTheme();
  const { day, startTime, session } = hour;
  const when = `${dayWord(day)}, ${startTime}`;
  const href = session ? `/sessions/${session.id}` : `/sessions/new?date=${day}&start=${startTime}&squad=${squadId}`;
  const what = session ? session.title : over ? 'nothing was planned' : 'nothing planned yet';
  const line = (
    <>
      <Text variant="bodyMedium" style={styles.when}>
        {when}
      </Text>
      <Text variant="bodyMedium" style={[styles.flex, session ? null : { color: theme.colors.onSurfaceVariant }]}>
        {what}
      </Text>
      {over && !session ? null : (
        <Text variant="labelLarge" style={{ color: theme.colors.primary }}>
          {session ? 'Open' : 'Build'}
        </Text>
      )}
    </>
  );
  const look = [styles.hour, { borderBottomColor: theme.own.line }];
  if (over && !session) return <View style={look}>{line}</View>;
  return (
    <Link href={href as Href} asChild>
      <Pressable style={StyleSheet.flatten(look)}>{line}</Pressable>
    </Link>
  );
}

/** Who needs what by the end of the week, and what the coach owes an answer. */
function Needs({ sunday, squads }: { readonly sunday: string; readonly squads: readonly Squad[] }) {
  const roomy = useRoomy();
  const today = useToday();
  const zone = useZone();
  const theme = useTheme();
  const { data, error, refetch } = useTodayQuery(sunday);
  const { data: clips = [] } = useSentClipsQuery();
  const waiting = clips.filter((clip) => clip.sentAt !== null && clip.answeredAt === null);
  if (error && !data) return <Failure error={error} retry={() => void refetch()} />;
  if (!data) return <Loading label="Loading who needs what" />;
  const names = new Map(squads.map((squad) => [squad.id, squad.name]));
  // What is said of load holds for a day that has come, which this may not be.
  const due = dueToday({ ...data, date: today, sessions: [], loads: [] }, new Set(), names);
  const groups = mattersToday(due);
  return (
    <>
      <View style={roomy ? styles.column : undefined}>
        {groups.length === 0 ? (
          <Card title="Who needs what">
            <Text>{`Nothing is due by ${dayWord(sunday)}.`}</Text>
          </Card>
        ) : null}
        {groups
          .filter(({ kind }) => kind === 'relook')
          .map((group) => (
            <DueGroup key={group.kind} group={group} />
          ))}
      </View>
      <View style={roomy ? styles.column : undefined}>
        {waiting.length > 0 ? (
          <Card title={`${counted(waiting.length, 'clip')} sent in`}>
            {waiting.map((clip) => (
              <Link key={clip.id} href={lookAtSent(clip)} asChild>
                <Pressable style={StyleSheet.flatten([styles.hour, { borderBottomColor: theme.own.line }])}>
                  <View style={styles.flex}>
                    <Text variant="titleMedium">{clip.swimmerName}</Text>
                    <Text variant="bodySmall">{`“${clip.wish}”, sent ${datedWord(dayIn(zone, Date.parse(clip.sentAt!)), today)}`}</Text>
                  </View>
                  <Text variant="labelLarge" style={{ color: theme.colors.primary }}>
                    Answer
                  </Text>
                </Pressable>
              </Link>
            ))}
          </Card>
        ) : null}
        {groups
          .filter(({ kind }) => kind !== 'relook')
          .map((group) => (
            <DueGroup key={group.kind} group={group} />
          ))}
      </View>
    </>
  );
}

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', gap: 16, alignItems: 'flex-start', marginTop: 16 },
  stack: { gap: 12, marginTop: 16 },
  column: { flex: 1, minWidth: 0, gap: 12 },
  squad: { marginBottom: 12 },
  line: { flexDirection: 'row', alignItems: 'center', gap: 8 },
  hour: {
    minHeight: 48,
    flexDirection: 'row',
    alignItems: 'center',
    gap: 10,
    borderBottomWidth: 1,
    paddingVertical: 6,
  },
  when: { minWidth: 118 },
  flex: { flex: 1 },
});
