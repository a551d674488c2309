import { formatTime, RAD } from '@upwell/core/units';
import { betterInterval, LEVEL_OUTSIDE, type MeasuredTrack, type TrackHabits } from '@upwell/core/water';
import { numberWord, percentMore } from '@upwell/core/words';
import type { CourseView } from '@upwell/contract/water';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useTheme } from '@/ui/useTheme';
import { useWide } from '@/ui/useWide';
import { CourseMap } from './CourseMap';

/** How much farther than the course was swum. */
export const furtherWord = ({ swumM, courseM }: { readonly swumM: number; readonly courseM: number }) =>
  percentMore(swumM / courseM - 1, 1);

interface TrackSheetProps {
  readonly view: Pick<CourseView, 'id' | 'name' | 'course'>;
  readonly measured: MeasuredTrack;
  readonly habits: TrackHabits;
}

/** The swim over the course: what it cost, where, and what would have been better. */
export function TrackSheet({ view, measured, habits }: TrackSheetProps) {
  const theme = useTheme();
  const wide = useWide();
  const quiet = { color: theme.colors.onSurfaceVariant };
  const worst = measured.legs.reduce((a, b) => (b.swumM - b.leg.lengthM > a.swumM - a.leg.lengthM ? b : a));
  return (
    <View style={wide ? styles.columns : styles.gap}>
      <View style={wide ? styles.flex : undefined}>
        <CourseMap
          name={view.name}
          course={view.course}
          height={wide ? 520 : 320}
          swum={measured.line}
          fitKey={view.id}
        />
      </View>
      <View style={wide ? styles.flex : undefined}>
        <View style={styles.figures}>
          <View style={styles.flex}>
            <Text style={styles.big}>{furtherWord(measured)}</Text>
            <Text variant="bodySmall" style={quiet}>
              {`${Math.round(measured.swumM)} m swum for ${Math.round(measured.courseM)} m of course`}
            </Text>
          </View>
          <View style={styles.right}>
            <Text style={styles.big}>{formatTime(measured.timeS)}</Text>
            <Text variant="bodySmall" style={quiet}>
              {`${formatTime((measured.timeS / measured.courseM) * 100)} for 100 m of course`}
            </Text>
          </View>
        </View>
        <Text style={styles.drift}>{driftWords(measured, habits)}</Text>
        {measured.legs.map((l, i) => (
          <View key={i} style={[styles.leg, { borderTopColor: theme.own.line }]}>
            <View style={styles.flex}>
              <Text variant="titleSmall">{`${l.leg.from.name} to ${l.leg.to.name}${l === worst ? ' · cost most' : ''}`}</Text>
              <Text variant="bodySmall" style={quiet}>
                {`${offWord(l.meanOffM)} · zigzag ${numberWord(l.zigzagM)} m · farthest ${numberWord(Math.abs(l.farthestOffM))} m ${l.farthestOffM > 0 ? 'right' : 'left'}`}
              </Text>
            </View>
            <View style={styles.right}>
              <Text style={styles.time}>{formatTime(l.timeS)}</Text>
              <Text variant="bodySmall">{`${l.swumM >= l.leg.lengthM ? '+' : '−'}${numberWord(Math.abs(l.swumM - l.leg.lengthM))} m`}</Text>
            </View>
          </View>
        ))}
        {measured.words.map((word) => (
          <Text key={word} variant="bodySmall" style={quiet}>
            {word}
          </Text>
        ))}
      </View>
    </View>
  );
}

const offWord = (m: number) =>
  Math.abs(m) < 2 ? 'on the line' : `bows ${numberWord(Math.abs(m))} m ${m > 0 ? 'right' : 'left'}`;
const degrees = (rad: number) => numberWord(rad / RAD, 1);

/** The drift between looks, and what looking at the best interval would have saved. */
function driftWords({ drift, driftWhy, timeS }: MeasuredTrack, { every, rateSpm }: TrackHabits): string {
  if (!drift) return `Drift between looks: ${driftWhy}`;
  const { biasRadPerStroke: b, biasLow, biasHigh, sdRadPerStroke } = drift;
  const low = Math.min(Math.abs(biasLow), Math.abs(biasHigh));
  const side = biasLow * biasHigh <= 0 ? 'no sure side' : b > 0 ? 'to the right' : 'to the left';
  const range =
    biasLow * biasHigh <= 0 ? '' : ` (${degrees(low)} to ${degrees(Math.max(Math.abs(biasLow), Math.abs(biasHigh)))})`;
  const wander = {
    biasRad: b,
    sdRad: sdRadPerStroke,
    lookCostS: LEVEL_OUTSIDE.hold.lookCostS,
    strokesPerS: rateSpm / 60,
  };
  const better = betterInterval(wander, every, timeS);
  const advice = better
    ? `Looking every ${better.interval} instead of ${every} would have saved about ${Math.max(1, Math.round(better.savedS))} s.`
    : `Looking every ${every} suits it.`;
  return `Turns ${degrees(Math.abs(b))}° a stroke ${side}${range}, wanders ${degrees(sdRadPerStroke)}°. ${advice}`;
}

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', gap: 24, alignItems: 'flex-start' },
  gap: { gap: 12, marginBottom: 20 },
  flex: { flex: 1 },
  right: { alignItems: 'flex-end' },
  figures: { flexDirection: 'row', gap: 16 },
  big: { fontFamily: 'Atkinson Bold', fontSize: 36, lineHeight: 42, fontVariant: ['tabular-nums'] },
  time: { fontFamily: 'Atkinson Bold', fontSize: 20, lineHeight: 26, fontVariant: ['tabular-nums'] },
  drift: { marginVertical: 10 },
  leg: { flexDirection: 'row', gap: 12, borderTopWidth: 1, paddingVertical: 8 },
});
