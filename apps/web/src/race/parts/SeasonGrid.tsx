import { SEASON_WEEKS, type SeasonRow, type SeasonSquad } from '@upwell/contract/race';
import { Link, type Href } from 'expo-router';
import { useState } from 'react';
import { Pressable, ScrollView, StyleSheet, View, type TextStyle } from 'react-native';
import { Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { addDays, daysBetween, weekOf } from '@upwell/core/days';
import { chanceWord } from '@upwell/core/race';
import { dayWord, monthWord, weekdayWord } from '@upwell/core/words';
import { weekTint } from '@/ui/weekTint';
import { useTheme } from '@/ui/useTheme';
import { useWide } from '@/ui/useWide';
import { KIND_WORD, PHASE_WORD, VERDICT_WORD } from '../words';

/** Width of one week, px: a finger need not hit it, the row opens the swimmer. */
const WEEK = { least: 20, most: 56 };
const NAME = { wide: 220, narrow: 126 };

/** Weeks to the right, swimmers downwards; the water and its load at the foot. */
export function Grid({
  rows,
  squads,
  from,
}: {
  readonly rows: readonly SeasonRow[];
  readonly squads: readonly SeasonSquad[];
  readonly from: string;
}) {
  const wide = useWide();
  const theme = useTheme();
  const [width, setWidth] = useState(0);
  const name = wide ? NAME.wide : NAME.narrow;
  // As many weeks as the last race needs.
  const last = rows.reduce((day, row) => (row.raceOn > day ? row.raceOn : day), from);
  const count = Math.min(SEASON_WEEKS, Math.floor(daysBetween(from, weekOf(last)) / 7) + 1);
  const size = Math.min(WEEK.most, Math.max(WEEK.least, Math.floor((width - name) / count) - 1));
  const mondays = Array.from({ length: count }, (_, i) => addDays(from, 7 * i));
  return (
    <Card>
      <ScrollView
        horizontal
        contentContainerStyle={styles.grow}
        onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
      >
        <View>
          <View style={styles.row} aria-hidden>
            <View style={{ width: name }} />
            {mondays.map((monday, i) => (
              <Text key={monday} variant="labelSmall" numberOfLines={1} style={[styles.month, { width: size - 2 }]}>
                {beginsMonth(mondays, i) ? monthWord(monday) : ''}
              </Text>
            ))}
          </View>
          <View role="list" aria-label="Swimmers">
            {rows.map((row) => (
              <View key={row.id} role="listitem">
                <Line row={row} mondays={mondays} size={size} name={name} />
              </View>
            ))}
          </View>
          <Text variant="labelMedium" style={styles.top}>
            Pool time and planned load
          </Text>
          <View role="list" aria-label="Squads">
            {squads.map((squad) => (
              <SquadLine key={squad.id} squad={squad} mondays={mondays} size={size} name={name} />
            ))}
          </View>
        </View>
      </ScrollView>
      <View style={[styles.legend, { borderTopColor: theme.own.line }]}>
        {(
          [
            ['normal', 'learn'],
            ['normal', 'build'],
            ['normal', 'sharpen'],
            ['recovery', 'build'],
            ['taper', 'taper'],
          ] as const
        ).map(([kind, phase]) => {
          const tint = weekTint({ kind, phase }, theme.own);
          return (
            <View key={`${kind} ${phase}`} style={styles.key}>
              <View style={[styles.cell, styles.sample, { backgroundColor: tint.background }]}>
                <Text variant="labelSmall" style={{ color: tint.text }}>
                  {LETTER[kind === 'normal' ? phase : kind]}
                </Text>
              </View>
              <Text variant="bodySmall">{kind === 'normal' ? PHASE_WORD[phase] : KIND_WORD[kind]}</Text>
            </View>
          );
        })}
        <Text variant="bodySmall">◆ race · • test</Text>
      </View>
    </Card>
  );
}

/** Whether the name of a month stands over a week: over its first, but not where the next name stands one week later. */
export function beginsMonth(mondays: readonly string[], week: number): boolean {
  const month = (i: number) => mondays[i]?.slice(0, 7);
  if (week === 0) return mondays.length < 2 || month(0) === month(1);
  return month(week) !== month(week - 1);
}

const LETTER = { learn: 'L', build: 'B', sharpen: 'S', recovery: 'r', taper: 't' } as const;

interface LineProps {
  readonly mondays: readonly string[];
  readonly size: number;
  readonly name: number;
}

function Line({ row, mondays, size, name }: LineProps & { readonly row: SeasonRow }) {
  const theme = useTheme();
  const wide = useWide();
  const { verdict } = row;
  const word = verdict?.verdict
    ? `${VERDICT_WORD[verdict.verdict]}, ${chanceWord(verdict.chance ?? 0).replaceAll(' ', '\u00a0')}`
    : verdict
      ? 'no prediction'
      : 'not planned yet';
  const line = wide ? `${row.event} · ${word}` : word;
  const race = weekOf(row.raceOn);
  return (
    <Link href={`/swimmers/${row.id}/race?view=weeks` as Href} asChild>
      <Pressable style={StyleSheet.flatten([styles.row, styles.line, { borderBottomColor: theme.own.line }])}>
        <View style={{ width: name }}>
          <Text variant="labelMedium" numberOfLines={2}>
            {row.name}
          </Text>
          <Text variant="labelSmall" numberOfLines={2} style={{ color: theme.colors.onSurfaceVariant }}>
            {line}
          </Text>
          <Text style={styles.unseen}>{`${row.event} ${dayWord(row.raceOn)}`}</Text>
        </View>
        {mondays.map((monday) => {
          const week = row.weeks.find((w) => w.monday === monday);
          const tint = week ? weekTint(week, theme.own) : null;
          return (
            <View
              key={monday}
              aria-hidden
              style={[styles.cell, { width: size - 2 }, tint ? { backgroundColor: tint.background } : null]}
            >
              <Text variant="labelSmall" style={{ color: tint?.text ?? theme.colors.onSurface }}>
                {monday === race
                  ? '◆'
                  : week?.test
                    ? '•'
                    : week
                      ? LETTER[week.kind === 'normal' ? week.phase : week.kind]
                      : ''}
              </Text>
            </View>
          );
        })}
      </Pressable>
    </Link>
  );
}

/** Height of the tallest load of a squad, px. */
const TALL = 34;

function SquadLine({ squad, mondays, size, name }: LineProps & { readonly squad: SeasonSquad }) {
  const theme = useTheme();
  const most = Math.max(1, ...squad.weeks.map((w) => w.load));
  const water =
    squad.poolTimes.length === 0
      ? 'no pool time'
      : [...squad.poolTimes]
          .sort((a, b) => a.weekday - b.weekday || a.startTime.localeCompare(b.startTime))
          .map((t) => `${weekdayWord(t.weekday)} ${t.startTime}`)
          .join(', ');
  return (
    <View
      role="listitem"
      aria-label={`${squad.name}: ${water}; load ${squad.weeks.map((w) => w.load).join(', ') || 'not planned'}`}
      style={[styles.row, styles.line, { borderBottomColor: theme.own.line }]}
    >
      <View style={{ width: name }}>
        <Text variant="labelMedium" numberOfLines={2}>
          {squad.name}
        </Text>
        <Text variant="labelSmall" style={{ color: theme.colors.onSurfaceVariant }}>
          {water}
        </Text>
      </View>
      {mondays.map((monday) => {
        const load = squad.weeks.find((w) => w.monday === monday)?.load ?? 0;
        return (
          <View key={monday} style={[styles.foot, { width: size - 2 }]}>
            <View style={{ height: Math.round((load / most) * TALL), backgroundColor: theme.own.kelp }} />
          </View>
        );
      })}
    </View>
  );
}

const styles = StyleSheet.create({
  grow: { flexGrow: 1 },
  // For the screen reader: seen, it is the place of the mark in the row.
  unseen: { position: 'absolute', width: 1, height: 1, overflow: 'hidden' },
  row: { flexDirection: 'row', alignItems: 'center', gap: 2 },
  line: { minHeight: 48, borderBottomWidth: 1 },
  // A month is wider than its first week.
  month: { textAlign: 'left', overflow: 'visible', textOverflow: 'clip' } as TextStyle,
  cell: { height: 30, borderRadius: 3, alignItems: 'center', justifyContent: 'center' },
  sample: { width: 22 },
  foot: { height: TALL + 4, justifyContent: 'flex-end' },
  top: { marginTop: 14 },
  legend: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    gap: 12,
    alignItems: 'center',
    borderTopWidth: 1,
    paddingTop: 10,
    marginTop: 10,
  },
  key: { flexDirection: 'row', gap: 6, alignItems: 'center' },
});
