// The weeks of the squads: where races pull them apart, and the way from a week to its sessions.
import type { SeasonSquad } from '@upwell/contract/race';
import { clashWords, squadClashes, squadWeekWords, type SquadWeek } from '@upwell/core/race';
import { counted, dayWord } from '@upwell/core/words';
import { Link, type Href } from 'expo-router';
import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { Disclosure } from '@/ui/Disclosure';
import { Icon } from '@/ui/Icon';
import { useTheme } from '@/ui/useTheme';

/** The board of a week, with its sessions. */
const sessionsOf = (monday: string) => `/sessions?view=week&week=${monday}` as Href;

export function SquadWeeks({ squads }: { readonly squads: readonly SeasonSquad[] }) {
  const planned = squads.filter(({ weeks }) => weeks.length > 0);
  return planned.map((squad) => <Squad key={squad.id} squad={squad} />);
}

function Squad({ squad }: { readonly squad: SeasonSquad }) {
  const [open, setOpen] = useState(false);
  const weeks = squad.weeks.map((week) => ({ week, clashes: squadClashes(week, squad.poolTimes, squad.swimmers) }));
  const apart = weeks.filter(({ clashes }) => clashes.length > 0);
  const shown = open ? weeks : apart;
  return (
    <Card
      title={squad.name}
      aside={
        <Text variant="labelMedium">
          {apart.length > 0 ? `races pull it apart in ${counted(apart.length, 'week')}` : 'the weeks fit together'}
        </Text>
      }
    >
      {shown.length > 0 ? (
        <View role="list" aria-label={`Weeks of ${squad.name}`}>
          {shown.map(({ week, clashes }) => (
            <View key={week.monday} role="listitem">
              <WeekLine week={week} clashes={clashes.map(clashWords)} />
            </View>
          ))}
        </View>
      ) : null}
      <Disclosure
        label={open ? 'Only what does not fit' : `All weeks of ${squad.name}`}
        open={open}
        onPress={() => setOpen(!open)}
      />
    </Card>
  );
}

function WeekLine({ week, clashes }: { readonly week: SquadWeek; readonly clashes: readonly string[] }) {
  const theme = useTheme();
  return (
    <Link href={sessionsOf(week.monday)} asChild>
      <Pressable
        aria-label={[`Sessions in the week of ${dayWord(week.monday)}`, squadWeekWords(week), ...clashes].join('. ')}
        style={StyleSheet.flatten([styles.line, { borderBottomColor: theme.own.line }])}
      >
        <Text variant="labelMedium" style={styles.when}>
          {dayWord(week.monday)}
        </Text>
        <View style={styles.words}>
          <Text variant="bodySmall">{squadWeekWords(week)}</Text>
          {clashes.map((text) => (
            <Text key={text} variant="bodySmall" style={{ color: theme.colors.error }}>
              {text}
            </Text>
          ))}
        </View>
        <Icon name="chevron-right" size={22} color={theme.colors.onSurfaceVariant} />
      </Pressable>
    </Link>
  );
}

const styles = StyleSheet.create({
  line: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: 10,
    minHeight: 48,
    paddingVertical: 6,
    borderBottomWidth: 1,
  },
  when: { width: 88 },
  words: { flex: 1, minWidth: 0, gap: 2 },
});
