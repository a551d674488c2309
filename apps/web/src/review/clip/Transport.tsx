/** Play, step, speed and loop: under the video, or at the lower edge where a thumb reaches. */
import { numberWord } from '@upwell/core/words';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { IconButton, Text } from 'react-native-paper';
import { Choices } from '@/figure';
import { useTheme } from '@/ui/useTheme';
import type { Video } from './useVideo';

const RATES = [0.25, 0.5, 1] as const;
const RATE_WORD: Readonly<Record<(typeof RATES)[number], string>> = { 0.25: '¼', 0.5: '½', 1: '1×' };
/** Half the length of a loop around the present moment, seconds. */
const LOOP_S = 1;

export function Transport({ video, withTime }: { readonly video: Video; readonly withTime: boolean }) {
  const theme = useTheme();
  const { state } = video;
  const [rate, setRate] = useState<(typeof RATES)[number]>(1);
  const [loop, setLoop] = useState(false);
  return (
    <View style={styles.row}>
      <IconButton
        icon={state.playing ? 'pause' : 'play'}
        mode="contained"
        style={styles.button}
        disabled={!state.ready}
        accessibilityLabel={state.playing ? 'Pause the clip' : 'Play the clip'}
        onPress={video.toggle}
      />
      <IconButton
        icon="chevron-left"
        style={styles.button}
        disabled={!state.ready}
        accessibilityLabel="One frame back"
        onPress={() => video.step(-1)}
      />
      <IconButton
        icon="chevron-right"
        style={styles.button}
        disabled={!state.ready}
        accessibilityLabel="One frame forward"
        onPress={() => video.step(1)}
      />
      {withTime ? (
        <Text
          variant="titleMedium"
          style={styles.time}
          aria-label={`${numberWord(state.timeS, 2)} seconds of ${numberWord(state.durationS, 1)}`}
        >
          {numberWord(state.timeS, 2)}
        </Text>
      ) : null}
      <Choices
        label="Speed of the clip"
        options={RATES.map((value) => ({ value, word: RATE_WORD[value], said: `Clip speed ${RATE_WORD[value]}` }))}
        value={rate}
        onChange={(value) => {
          setRate(value);
          video.setRate(value);
        }}
      />
      <IconButton
        icon="repeat"
        mode={loop ? 'contained' : 'outlined'}
        style={[styles.button, { borderColor: theme.colors.outline }]}
        disabled={!state.ready}
        accessibilityLabel="Loop"
        aria-pressed={loop}
        onPress={() => {
          setLoop(!loop);
          video.setLoop(loop ? null : [Math.max(0, state.timeS - LOOP_S), state.timeS + LOOP_S]);
        }}
      />
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 6, alignItems: 'center', marginTop: 8 },
  button: { margin: 0, width: 48, height: 48, borderRadius: 6 },
  time: { fontVariant: ['tabular-nums'], minWidth: 56, textAlign: 'center' },
});
