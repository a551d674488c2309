import {
  breakBefore,
  breakLeftS,
  departureMs,
  laneNow,
  repNow,
  type LaneNow,
  type LaneState,
  type RunState,
  passageWord,
} from '@upwell/core/deck';
import { formatTime, type Pool } from '@upwell/core/units';
import { memo } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useAppSelector } from '@/state/hooks';
import { useTheme } from '@/ui/useTheme';
import { textSize } from '@/ui/theme';
import type { DeckTime } from '../time';
import { useNow } from '../useNow';
import { breakLeftWord, breakWords, countdownWord, passageCautions, placeOf } from '../words';
import { setDetails } from '@upwell/core/sessions';
import { Cautions } from './Cautions';
import { Tap } from './Tap';

/** What a tap on a swimmer does. */
export type TapMode = 'wall' | 'strokes' | 'look';

type OnSwimmer = (lane: string, swimmer: string, monoMs: number) => void;

interface LaneStripProps {
  readonly lane: LaneState;
  readonly group: string;
  readonly state: RunState;
  readonly time: DeckTime;
  readonly pool: Pool;
  readonly names: ReadonlyMap<string, string>;
  readonly mode: TapMode;
  readonly onGo: (lane: LaneState, monoMs: number) => void;
  /** Stays the same between taps, so that only the tile that changed is drawn again. */
  readonly onSwimmer: OnSwimmer;
  readonly onLane: (lane: LaneState) => void;
}

/** Whether the thumb comes from the left: the clock and Go stand there then. */
const useLeftHanded = () => useAppSelector((state) => state.settings.hand === 'left');

/** One lane: what it swims, when the next one leaves, and a tile for each swimmer. */
export function LaneStrip(props: LaneStripProps) {
  const { lane, group, state, time, pool, names, mode, onSwimmer, onLane } = props;
  const theme = useTheme();
  const passage = lane.passages[lane.index];
  const left = useLeftHanded();
  return (
    <View style={[styles.lane, { borderTopColor: theme.own.line }]} role="group" aria-label={`Lane ${lane.number}`}>
      <View style={[styles.head, left ? styles.leftHead : null]} testID="lane-head">
        <Pressable role="button" onPress={() => onLane(lane)} style={styles.what}>
          <Text variant="labelMedium" style={{ color: theme.colors.onSurfaceVariant }} numberOfLines={1}>
            {`Lane ${lane.number} · ${group}${passage ? ` · ${placeOf(passage)}` : ''}`}
          </Text>
          <Text style={styles.set} numberOfLines={1}>
            {passage ? passageWord(passage, pool) : 'all done'}
          </Text>
          {passage?.set ? (
            <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }} numberOfLines={1}>
              {setDetails(passage.set).join(' · ')}
            </Text>
          ) : null}
        </Pressable>
        <Clock {...props} />
      </View>
      <Coming lane={lane} pool={pool} />
      {passage ? <Cautions texts={passageCautions(passage)} /> : null}
      <View style={styles.tiles}>
        {lane.swimmers.map((swimmer) => (
          <Tile
            key={swimmer}
            lane={lane}
            swimmer={swimmer}
            state={state}
            time={time}
            name={names.get(swimmer) ?? '?'}
            mode={mode}
            onSwimmer={onSwimmer}
          />
        ))}
      </View>
    </View>
  );
}

/** What comes after what is swum now, and what is done before it: called out while the last ones come in. */
function Coming({ lane, pool }: Pick<LaneStripProps, 'lane' | 'pool'>) {
  const theme = useTheme();
  const begun = lane.passages[lane.index]?.goMs != null;
  const next = lane.passages[begun ? lane.index + 1 : lane.index];
  const before = breakBefore(lane, begun ? lane.index + 1 : lane.index);
  if (!next || !before) return null;
  return (
    <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }} numberOfLines={2}>
      {`${begun ? `Then ${passageWord(next, pool)} · ` : ''}${breakWords(before)}`}
    </Text>
  );
}

function Clock({ lane, state, time, names, onGo }: LaneStripProps) {
  const theme = useTheme();
  const left = useLeftHanded();
  const side = [styles.clock, left ? styles.leftClock : null];
  const ended = state.endedMs !== null;
  const now = useNow(time, 100, !ended);
  const is = laneNow(lane, state.reps, now);
  const ready = is.kind === 'ready' || (is.kind === 'coming-in' && lane.index + 1 < lane.passages.length);
  const over = is.kind === 'countdown' && is.leftS <= 0;
  if (ended || is.kind === 'done') return null;
  if (ready || over) {
    const next = is.kind !== 'ready';
    const breakS = breakLeftS(lane, state.reps, now);
    return (
      <View style={side}>
        <Tap
          label={`Lane ${lane.number}: ${next ? 'go for the next set' : 'go'}`}
          onTap={(monoMs) => onGo(lane, monoMs)}
          style={[
            styles.go,
            next ? { borderColor: theme.colors.primary, borderWidth: 2 } : { backgroundColor: theme.colors.primary },
          ]}
        >
          <Text style={[styles.goWord, { color: next ? theme.colors.primary : theme.colors.onPrimary }]}>
            {next ? 'Next' : 'Go'}
          </Text>
        </Tap>
        {is.kind === 'coming-in' ? (
          <Text variant="labelSmall" style={[styles.figures, { color: theme.colors.onSurfaceVariant }]}>
            {breakS !== null
              ? breakLeftWord(breakS)
              : is.waiting.length === 0
                ? 'all in'
                : `${is.waiting.length} to come`}
          </Text>
        ) : null}
      </View>
    );
  }
  const { figure, under, hot } = clockOf(is, names);
  return (
    <View style={side}>
      <Text style={[styles.count, { color: hot ? theme.colors.error : theme.colors.onBackground }]}>{figure}</Text>
      <Text variant="labelSmall" numberOfLines={1} style={{ color: theme.colors.onSurfaceVariant }}>
        {under}
      </Text>
    </View>
  );
}

function clockOf(is: LaneNow, names: ReadonlyMap<string, string>): { figure: string; under: string; hot: boolean } {
  switch (is.kind) {
    case 'send-off': {
      const of = is.passage.reps > 1 ? `, ${is.rep} of ${is.passage.reps}` : '';
      return {
        figure: countdownWord(is.nextS),
        under: `${names.get(is.swimmer) ?? '?'} leaves${of}`,
        hot: is.nextS < 5,
      };
    }
    case 'countdown':
      return { figure: countdownWord(is.leftS), under: 'left', hot: is.leftS < 10 };
    case 'held':
      return { figure: 'held', under: 'resume the lane', hot: true };
    case 'coming-in':
      return { figure: String(is.waiting.length), under: is.waiting.length === 0 ? 'all in' : 'to come', hot: false };
    case 'ready':
    case 'done':
      return { figure: '', under: '', hot: false };
  }
}

interface TileProps {
  readonly lane: LaneState;
  readonly swimmer: string;
  readonly state: RunState;
  readonly time: DeckTime;
  readonly name: string;
  readonly mode: TapMode;
  readonly onSwimmer: OnSwimmer;
}

function Tile({ lane, swimmer, state, time, name, mode, onSwimmer }: TileProps) {
  const now = useNow(time, 1000, state.endedMs === null);
  const current = lane.passages[lane.index];
  // On land and in timed skills nobody comes to the wall to be timed.
  const passage = current?.countdownS === null ? current : undefined;
  const as = state.present[swimmer]?.as;
  const away = as === 'absent' || as === 'out' ? as : null;
  const mine = passage ? state.reps.filter((r) => r.passage === passage.id && r.swimmer === swimmer) : [];
  const last = mine.reduce<(typeof mine)[number] | null>((a, b) => (a && a.rep > b.rep ? a : b), null);
  const rep = passage ? repNow(passage, swimmer, now) : 0;
  const swimming = rep > 0 && last?.rep !== rep;
  const home = last !== null && last.rep >= rep;
  const word = away ?? tileWord(mode, last, swimming, passage ? departureMs(passage, swimmer, 1) !== null : false);
  const strokes = last?.strokes && mode !== 'look' ? ` · ${last.strokes}` : '';
  // Said in front of the time: it is what this person must be told.
  const freely = current?.fewBreaths && !current.fewBreaths.may.includes(swimmer) ? 'breathes freely · ' : '';
  return (
    <TileFace
      lane={lane.id}
      swimmer={swimmer}
      name={name}
      words={`${freely}${word}${strokes}`}
      look={home && mode === 'wall' ? 'home' : swimming ? 'swimming' : 'still'}
      away={away !== null}
      disabled={away === 'absent' && mode === 'wall'}
      onSwimmer={onSwimmer}
    />
  );
}

interface TileFaceProps {
  readonly lane: string;
  readonly swimmer: string;
  readonly name: string;
  readonly words: string;
  readonly look: 'home' | 'swimming' | 'still';
  readonly away: boolean;
  readonly disabled: boolean;
  readonly onSwimmer: OnSwimmer;
}

const TileFace = memo(function TileFace({
  lane,
  swimmer,
  name,
  words,
  look,
  away,
  disabled,
  onSwimmer,
}: TileFaceProps) {
  const { colors } = useTheme();
  return (
    <Tap
      testID="tile"
      onTap={(monoMs) => onSwimmer(lane, swimmer, monoMs)}
      disabled={disabled}
      style={[
        styles.tile,
        {
          borderColor: { home: colors.primaryContainer, swimming: colors.primary, still: colors.outline }[look],
          backgroundColor: look === 'home' ? colors.primaryContainer : 'transparent',
          opacity: away ? 0.6 : 1,
        },
      ]}
    >
      <Text style={styles.name} numberOfLines={1}>
        {name}
      </Text>
      <Text variant="labelSmall" numberOfLines={1} style={styles.figures}>
        {words}
      </Text>
      {/* A quarter of a phone has no room for it beside a time: seen by the border. */}
      {look === 'swimming' ? <Text style={styles.unseen}>is swimming</Text> : null}
    </Tap>
  );
});

function tileWord(
  mode: TapMode,
  last: { timeS: number; rep: number } | null,
  swimming: boolean,
  begun: boolean,
): string {
  if (mode === 'look') return 'look';
  if (mode === 'strokes') return last ? formatTime(last.timeS, 1) : 'strokes';
  if (swimming && !last) return 'swims';
  return last ? formatTime(last.timeS, 1) : begun ? 'waits' : '–';
}

const styles = StyleSheet.create({
  lane: { borderTopWidth: 2, paddingVertical: 10, paddingHorizontal: 16, gap: 10 },
  head: { flexDirection: 'row', alignItems: 'center', gap: 10 },
  what: { flex: 1, minWidth: 0, minHeight: 56, justifyContent: 'center' },
  set: { fontFamily: 'Atkinson Bold', fontSize: 20, lineHeight: 26 },
  leftHead: { flexDirection: 'row-reverse' },
  leftClock: { alignItems: 'flex-start' },
  clock: { alignItems: 'flex-end', minWidth: 104 },
  count: { fontFamily: 'Atkinson Bold', fontSize: 48, lineHeight: 52, fontVariant: ['tabular-nums'] },
  go: { minWidth: 104, minHeight: 64, borderRadius: 8, alignItems: 'center', justifyContent: 'center' },
  goWord: { fontFamily: 'Atkinson Bold', fontSize: 30, lineHeight: 36 },
  tiles: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  tile: {
    flexGrow: 1,
    flexBasis: 78,
    maxWidth: '49%',
    minHeight: 60,
    borderWidth: 2,
    borderRadius: 6,
    alignItems: 'center',
    justifyContent: 'center',
    paddingHorizontal: 4,
  },
  name: { fontFamily: 'Atkinson Bold', fontSize: textSize(16), lineHeight: textSize(22) },
  unseen: { position: 'absolute', width: 1, height: 1, overflow: 'hidden' },
  figures: { fontVariant: ['tabular-nums'] },
});
