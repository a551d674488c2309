/** One swimmer on deck: the focus and whether it got better, what is seen, and the times with everything that can go wrong in them. */
import { departureMs, type LaneState, type RunState } from '@upwell/core/deck';
import { drillCard } from '@upwell/core/library';
import { causeCard, linksOf, type Outcome, OUTCOMES, signCard, type SignId } from '@upwell/core/review';
import { bestView } from '@upwell/core/figure';
import type { FocusView } from '@upwell/contract/review';
import { formatTime, parseTime } from '@upwell/core/units';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { MovingFigure } from '@/figure';
import { LaddersOf } from '@/swimmers';
import { Card } from '@/ui/Card';
import { Choice } from '@/ui/Choice';
import { Input } from '@/ui/Input';
import { useTheme } from '@/ui/useTheme';
import { textSize } from '@/ui/theme';
import type { Run } from '../useRun';
import { Tap } from './Tap';

const VERDICT_WORD: Readonly<Record<Outcome, string>> = { better: 'Better', same: 'Same', worse: 'Worse' };

interface SwimmerSheetProps {
  readonly swimmer: string;
  readonly name: string;
  readonly lane: LaneState;
  readonly state: RunState;
  readonly names: ReadonlyMap<string, string>;
  readonly focus: FocusView | undefined;
  readonly note: Run['note'];
  readonly onDone: () => void;
}

export function SwimmerSheet(props: SwimmerSheetProps) {
  const { swimmer, name, state, focus, note, onDone } = props;
  const theme = useTheme();
  const [asked, setAsked] = useState(false);
  const verdicts = focus ? state.verdicts.filter((v) => v.focusId === focus.id) : [];
  const noted = state.signs.filter((s) => s.swimmer === swimmer);
  const signs = focus ? (Object.keys(linksOf(focus.cause)) as SignId[]).slice(0, 6) : [];
  const seen = focus
    ? signs.filter((s) => (linksOf(focus.cause) as Partial<Record<SignId, string>>)[s] === 'strong')
    : [];
  return (
    <View style={styles.sheet}>
      <Text variant="titleLarge" role="heading" aria-level={2}>
        {name}
      </Text>
      {focus ? (
        <Card strong>
          <Text variant="titleMedium">{causeCard(focus.cause).name}</Text>
          <Text variant="titleLarge" style={{ color: theme.colors.primary }}>{`“${focus.cue}”`}</Text>
          <View style={styles.row} role="group" aria-label="How is the focus?">
            {OUTCOMES.map((verdict) => (
              <Tap
                key={verdict}
                label={`${VERDICT_WORD[verdict]}: ${name}`}
                style={[styles.verdict, { borderColor: theme.colors.primary }]}
                onTap={(monoMs) => {
                  note({ kind: 'verdict', swimmer, focusId: focus.id, drill: focus.drill, verdict }, monoMs);
                  onDone();
                }}
              >
                <Text style={styles.word}>{VERDICT_WORD[verdict]}</Text>
              </Tap>
            ))}
          </View>
          {verdicts.length > 0 ? (
            <Text variant="bodySmall">{`Today: ${verdicts.map((v) => VERDICT_WORD[v.verdict].toLowerCase()).join(' · ')}`}</Text>
          ) : null}
          <View style={styles.row}>
            {signs.map((sign) => (
              <Tap
                key={sign}
                label={`Seen: ${signCard(sign).seen}`}
                style={[
                  styles.sign,
                  {
                    borderColor: theme.colors.outline,
                    backgroundColor: noted.some((n) => n.sign === sign) ? theme.colors.primaryContainer : 'transparent',
                  },
                ]}
                onTap={(monoMs) => {
                  note({ kind: 'sign', swimmer, sign, sighting: 'often' }, monoMs);
                  onDone();
                }}
              >
                <Text variant="labelMedium">{signCard(sign).seen}</Text>
              </Tap>
            ))}
          </View>
          <Button compact icon={asked ? 'chevron-up' : 'chevron-down'} onPress={() => setAsked(!asked)}>
            {`${drillCard(focus.drill).name}: how to do it`}
          </Button>
          {asked ? (
            <View>
              <MovingFigure
                stroke="front-crawl"
                signs={seen}
                view={bestView(seen)}
                label={`How it looks: ${seen.map((s) => signCard(s).seen).join(', ')}`}
              />
              {drillCard(focus.drill).steps.map((text, i) => (
                <Text key={text}>{`${i + 1}. ${text}`}</Text>
              ))}
            </View>
          ) : null}
        </Card>
      ) : (
        <Card>
          <Text>No focus yet: choose one in a review.</Text>
        </Card>
      )}
      <LaddersOf id={swimmer} />
      <Times {...props} />
      <Places {...props} />
    </View>
  );
}

/** The reps of the set being swum: what was taken, what is missing, what was somebody else's. */
function Times({ swimmer, lane, state, names, note }: SwimmerSheetProps) {
  const [inserting, setInserting] = useState<number | null>(null);
  const [text, setText] = useState('');
  const passage = lane.passages[lane.index];
  if (!passage || passage.goMs === null || passage.countdownS !== null) return null;
  const mine = state.reps.filter((r) => r.passage === passage.id && r.swimmer === swimmer);
  const most = Math.max(0, ...state.reps.filter((r) => r.passage === passage.id).map((r) => r.rep));
  const last = mine.reduce<(typeof mine)[number] | null>((a, b) => (a && a.rep > b.rep ? a : b), null);
  const others = lane.swimmers.filter((id) => id !== swimmer);
  const seconds = parseTime(text);

  /** The last tap was somebody else's: the two change places, or it goes over to them. */
  const wasOf = (other: string) => {
    if (!last) return;
    const theirs = state.reps.find((r) => r.passage === passage.id && r.swimmer === other && r.rep === last.rep);
    if (theirs) note({ kind: 'swap', a: last.event, b: theirs.event });
    else {
      note({ kind: 'void', of: last.event });
      note({ kind: 'wall', lane: lane.id, swimmer: other, passage: passage.id, rep: last.rep }, undefined, last.atMs);
    }
  };
  const insert = (rep: number) => {
    const left = departureMs(passage, swimmer, rep);
    if (seconds === null || left === null) return;
    note({ kind: 'wall', lane: lane.id, swimmer, passage: passage.id, rep }, undefined, left + seconds * 1000);
    setInserting(null);
    setText('');
  };
  return (
    <Card title="Times of this set">
      {Array.from({ length: most }, (_, i) => i + 1).map((rep) => {
        const taken = mine.find((r) => r.rep === rep);
        return (
          <View key={rep} style={styles.time}>
            <Text
              style={styles.figures}
            >{`${rep}.  ${taken ? formatTime(taken.timeS, 2) : '–'}${taken?.strokes ? `  ${taken.strokes} strokes` : ''}${taken?.twoClocks ? '  (two devices)' : ''}`}</Text>
            {taken ? (
              <Button compact onPress={() => note({ kind: 'void', of: taken.event })}>
                Take out
              </Button>
            ) : (
              <Button compact onPress={() => setInserting(rep)}>
                Put in
              </Button>
            )}
          </View>
        );
      })}
      {most === 0 ? <Text>No time yet.</Text> : null}
      {inserting !== null ? (
        <View style={styles.row}>
          <Input
            label={`Time of rep ${inserting}, like 1:02.5`}
            value={text}
            onChangeText={setText}
            style={styles.flex}
            error={text !== '' && seconds === null}
            onSubmitEditing={() => insert(inserting)}
          />
          <Button mode="contained" disabled={seconds === null} onPress={() => insert(inserting)}>
            Put in
          </Button>
        </View>
      ) : null}
      {last && others.length > 0 ? (
        <Choice
          label={`The last tap (${formatTime(last.timeS, 1)}) was`}
          options={others.map((id) => ({ value: id, label: names.get(id) ?? '?' }))}
          chosen={[]}
          onPress={wasOf}
        />
      ) : null}
    </Card>
  );
}

function Places({ swimmer, lane, state, note, onDone }: SwimmerSheetProps) {
  const order = lane.swimmers.indexOf(swimmer);
  return (
    <Card title="Lane and order">
      <Choice
        label="Swims in lane"
        options={state.lanes.map((l) => ({ value: l.id, label: String(l.number) }))}
        chosen={[lane.id]}
        onPress={(to) => {
          note({ kind: 'move', swimmer, lane: to, place: 99 });
          onDone();
        }}
      />
      <View style={styles.row}>
        <Button
          mode="outlined"
          disabled={order <= 0}
          onPress={() => note({ kind: 'move', swimmer, lane: lane.id, place: order - 1 })}
        >
          Leave earlier
        </Button>
        <Button
          mode="outlined"
          disabled={order < 0 || order >= lane.swimmers.length - 1}
          onPress={() => note({ kind: 'move', swimmer, lane: lane.id, place: order + 1 })}
        >
          Leave later
        </Button>
      </View>
      <Text variant="bodySmall">The new order starts with the next set.</Text>
    </Card>
  );
}

const styles = StyleSheet.create({
  sheet: { padding: 16, gap: 4, width: '100%', maxWidth: 720, alignSelf: 'center' },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center', marginTop: 10 },
  verdict: {
    flex: 1,
    minHeight: 64,
    borderWidth: 2,
    borderRadius: 8,
    alignItems: 'center',
    justifyContent: 'center',
  },
  word: { fontFamily: 'Atkinson Bold', fontSize: 22, lineHeight: 28 },
  sign: { minHeight: 48, paddingHorizontal: 12, borderWidth: 1.5, borderRadius: 6, justifyContent: 'center' },
  time: { flexDirection: 'row', justifyContent: 'space-between', alignItems: 'center', minHeight: 44 },
  figures: { fontVariant: ['tabular-nums'], fontSize: textSize(18), lineHeight: textSize(24) },
  flex: { flex: 1, minWidth: 180 },
});
