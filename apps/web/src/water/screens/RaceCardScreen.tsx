// The race card of a swimmer for a course and a day.
import { dayWord, zoneNote, zoneWord } from '@upwell/core/words';
import { CAUTION } from '@upwell/core/safety';
import { formatTime } from '@upwell/core/units';
import { exitsAlong, legSketch, SKETCH_BOX, type CardLeg, type CardQuestion, type RaceCard } from '@upwell/core/water';
import type { CourseView } from '@upwell/contract/water';
import { useLocalSearchParams } from 'expo-router';
import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import Svg, { Path } from 'react-native-svg';
import { Screen } from '@/ui/Screen';
import { Failure, Loading, Notice } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';
import { compute } from '@/worker';
import { useCourseQuery } from '@/courses';
import { waterWords } from '../conditions';
import { WhoSwims } from '../parts/WhoSwims';
import { printCard } from '../printCard';
import { useCourseDay } from '../useCourseDay';

export function RaceCardScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const { data: course, error, refetch } = useCourseQuery(id);
  if (course) return <CardPage view={course} />;
  return (
    <Screen title="Race card" back={`/water/${id}`}>
      {error ? <Failure error={error} retry={() => void refetch()} /> : <Loading label="Opening the course" />}
    </Screen>
  );
}

/** The card of one swimmer for one course and day: to be read at the water's edge, or printed small. */
function CardPage({ view }: { readonly view: CourseView }) {
  const { water, who, setWho, outside, plans } = useCourseDay(view);
  const said = (whose: string) =>
    `${dayWord(water.when.date)} · ${waterWords(water.when, water.leg, view.timeZone, whose)}`;
  const impossible = plans?.find((p) => p.impossible)?.impossible ?? null;
  const question: CardQuestion | null =
    outside && plans && !impossible
      ? {
          course: view.name,
          swimmer: outside.name,
          // Nobody knows who reads the paper, or where.
          day: said(zoneWord(view.timeZone)),
          breathes: outside.breathes,
          waterC: water.read.waterC ?? water.forecast.waterC,
          sunny: !water.leg.water.cloudy,
          plans,
          exits: exitsAlong(view.course),
        }
      : null;
  const card = useCard(question);
  const [problem, setProblem] = useState<string | null>(null);
  return (
    <Screen
      title="Race card"
      over={view.name}
      under={said(zoneNote(view.timeZone, water.at.getTime()))}
      back={`/water/${view.id}`}
      maxWidth={620}
      actions={
        <Button mode="contained" icon="printer" disabled={!card} onPress={() => void printCard(card!).then(setProblem)}>
          Print, A6
        </Button>
      }
    >
      <WhoSwims who={who} name={outside?.name ?? ''} onChoose={setWho} />
      {problem ? <Notice tone="error">{problem}</Notice> : null}
      {impossible ? <Notice tone="error">{impossible}</Notice> : null}
      {card ? <Card card={card} /> : impossible ? null : <Loading label="Swimming each leg" />}
    </Screen>
  );
}

/** The card, worked out in the worker; the last one stays until the next is there. */
function useCard(question: CardQuestion | null): RaceCard | null {
  const [card, setCard] = useState<RaceCard | null>(null);
  const key = JSON.stringify(question);
  useEffect(() => {
    const asked = JSON.parse(key) as CardQuestion | null;
    if (!asked) return;
    let here = true;
    void compute()
      .raceCard(asked)
      .then((made) => {
        if (here) setCard(made);
      });
    return () => {
      here = false;
    };
  }, [key]);
  return question ? card : null;
}

function Card({ card }: { readonly card: RaceCard }) {
  const theme = useTheme();
  const quiet = { color: theme.colors.onSurfaceVariant };
  return (
    <View style={[styles.card, { borderColor: theme.colors.onBackground, backgroundColor: theme.colors.surface }]}>
      <View style={styles.row}>
        <Text variant="titleLarge" style={styles.flex}>
          {card.swimmer || 'Anybody at this level'}
        </Text>
        <View style={styles.right}>
          <Text style={styles.time}>{formatTime(card.timeS)}</Text>
          <Text variant="bodySmall" style={quiet}>
            {`${Math.round(card.metres)} m`}
          </Text>
        </View>
      </View>
      <View role="list">
        {card.legs.map((leg, i) => (
          <Leg key={i} leg={leg} number={i + 1} />
        ))}
      </View>
      {card.exits.length > 0 ? <Part title="Ways out" lines={card.exits} /> : null}
      <Part title="Start" lines={card.start} />
      <Part title="Turns" lines={card.turns} />
      <Part title="Feet" lines={card.feet} />
      {card.feeds.length > 0 ? <Part title="Feeds" lines={card.feeds} /> : null}
      <View style={styles.part}>
        <Text variant="titleMedium" role="heading" aria-level={2}>
          If… then…
        </Text>
        {card.ifs.map(({ when, then }) => (
          <View key={when} style={styles.ifThen}>
            <Text style={styles.bold}>{`If ${when}:`}</Text>
            <Text>{then}</Text>
          </View>
        ))}
      </View>
      <Part title="With you" lines={[card.kit.join(', ')]} />
      <Text variant="bodySmall" style={quiet}>
        {CAUTION}
      </Text>
    </View>
  );
}

const SIDE = { left: 'left', right: 'right', either: 'both' } as const;

function Leg({ leg, number }: { readonly leg: CardLeg; readonly number: number }) {
  const theme = useTheme();
  const figures = [
    { word: `every ${leg.every}`, label: leg.good[0] < leg.good[1] ? `look (${leg.good[0]}–${leg.good[1]})` : 'look' },
    { word: SIDE[leg.side], label: 'breathe' },
    { word: String(Math.round(leg.rateSpm)), label: 'a minute' },
    { word: `${leg.headingDeg}°`, label: 'hold' },
  ];
  return (
    <View role="listitem" style={[styles.leg, { borderTopColor: theme.own.line }]}>
      <View style={styles.row}>
        <Sketch leg={leg} />
        <View style={styles.flex}>
          <View style={styles.row}>
            <Text variant="titleMedium" style={styles.flex}>{`${number}  ${leg.name}`}</Text>
            <Text variant="titleMedium" style={styles.figures}>
              {formatTime(leg.timeS)}
            </Text>
          </View>
          <Text style={styles.aim}>{`Aim: ${leg.aim}`}</Text>
          {leg.turn && !leg.turnWhen ? <Text>{`Mark at the ${leg.turn} shoulder.`}</Text> : null}
          {leg.turnWhen ? <Text style={styles.bold}>{leg.turnWhen}</Text> : null}
          {leg.mixedUp ? <Text style={styles.bold}>{leg.mixedUp}</Text> : null}
        </View>
      </View>
      <View style={styles.row}>
        {figures.map(({ word, label }, i) => (
          <View key={label} style={i === 0 ? styles.look : styles.flex}>
            <Text style={styles.big}>{word}</Text>
            <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
              {label}
            </Text>
          </View>
        ))}
      </View>
    </View>
  );
}

/** The leg as a drawing: what the eye takes in before it reads. */
function Sketch({ leg }: { readonly leg: CardLeg }) {
  const theme = useTheme();
  const { lines, mark, aim, breaths } = legSketch(leg);
  const { width, height } = SKETCH_BOX;
  return (
    <Svg width={width * 1.3} height={height * 1.3} viewBox={`0 0 ${width} ${height}`} aria-hidden>
      {lines.map((d) => (
        <Path key={d} d={d} stroke={theme.colors.onSurface} strokeWidth={2.5} fill="none" />
      ))}
      <Path d={mark} fill={theme.colors.onSurface} />
      {aim ? <Path d={aim} fill={theme.colors.primary} /> : null}
      {breaths.map((d) => (
        <Path key={d} d={d} fill={theme.colors.onSurface} />
      ))}
    </Svg>
  );
}

function Part({ title, lines }: { readonly title: string; readonly lines: readonly string[] }) {
  return (
    <View style={styles.part}>
      <Text variant="titleMedium" role="heading" aria-level={2}>
        {title}
      </Text>
      {lines.map((line) => (
        <Text key={line}>{line}</Text>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  card: { borderWidth: 2, borderRadius: 6, padding: 16, gap: 12, marginTop: 8 },
  row: { flexDirection: 'row', gap: 10, alignItems: 'flex-start' },
  flex: { flex: 1 },
  look: { flex: 1.5 },
  right: { alignItems: 'flex-end' },
  time: { fontFamily: 'Atkinson Bold', fontSize: 34, lineHeight: 40, fontVariant: ['tabular-nums'] },
  figures: { fontVariant: ['tabular-nums'] },
  aim: { fontSize: 17, lineHeight: 23 },
  leg: { borderTopWidth: 1, paddingVertical: 10, gap: 4 },
  big: { fontFamily: 'Atkinson Bold', fontSize: 21, lineHeight: 27, fontVariant: ['tabular-nums'] },
  part: { gap: 4 },
  ifThen: { marginTop: 4 },
  bold: { fontFamily: 'Atkinson Bold' },
});
