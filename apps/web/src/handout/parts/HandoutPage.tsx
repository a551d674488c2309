import type { Handout } from '@upwell/core/handout';
import { CAUTION } from '@upwell/core/safety';
import { dayWord } from '@upwell/core/words';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { MovingFigure } from '@/figure';
import { StillPicture } from '@/ui/StillPicture';
import { useTheme } from '@/ui/useTheme';
import { useWide } from '@/ui/useWide';

/** What the swimmer takes home: what is good, the one thing, how to practise it. */
export function HandoutPage({ page, narrow = false }: { readonly page: Handout; readonly narrow?: boolean }) {
  const theme = useTheme();
  const wide = useWide() && !narrow;
  const quiet = { color: theme.colors.onSurfaceVariant };
  return (
    <View style={wide ? styles.columns : undefined}>
      <View style={wide ? styles.column : undefined}>
        <Text>{`What is good: ${page.good}`}</Text>
        <Text variant="headlineMedium" style={[styles.cue, { color: theme.colors.primary }]}>{`“${page.cue}”`}</Text>
        <MovingFigure
          stroke={page.figure.stroke}
          signs={page.figure.signs}
          view={page.figure.view}
          label={`How it looks now: ${page.seen.join(', ')}. The dotted line is the aim.`}
        />
        <Text variant="bodySmall" style={quiet}>
          Dark: how it looks now. Dotted: the aim.
        </Text>
        {wide ? null : <Stills page={page} />}
        <Text variant="titleMedium" style={styles.top}>{`The one thing: ${page.focus}`}</Text>
        <Text>{page.why}</Text>
      </View>
      <View style={wide ? styles.column : styles.top}>
        <Text variant="titleLarge">{`${page.drill.name}, ${page.drill.dose}`}</Text>
        {page.drill.steps.map((text, i) => (
          <Text key={text}>{`${i + 1}. ${text}`}</Text>
        ))}
        <Text style={styles.top}>{`It feels like: ${page.drill.feel}`}</Text>
        {page.drill.ifNoHelp ? <Text>{page.drill.ifNoHelp}</Text> : null}
        <Text>{`Watch for: ${page.drill.mistakes.join(', ')}.`}</Text>
        <Text>{`Kit: ${page.kit.join(', ') || 'none'}.`}</Text>
        {page.cautions.map((text) => (
          <Text key={text} variant="labelLarge" style={{ color: theme.colors.error }}>
            {text}
          </Text>
        ))}
        <Text variant="titleMedium" style={styles.top}>{`We look again on ${dayWord(page.relookOn)}.`}</Text>
        <Text variant="bodySmall" style={quiet}>
          {CAUTION}
        </Text>
        {wide ? <Stills page={page} /> : null}
      </View>
    </View>
  );
}

/** Pictures of the swimmer with what was drawn on them. */
function Stills({ page }: { readonly page: Handout }) {
  const theme = useTheme();
  return page.stills.map((still) => (
    <View key={still.image} style={styles.still}>
      <StillPicture still={still} label={`You, on ${dayWord(still.on)}: ${still.sentence}`} />
      <Text>{still.sentence}</Text>
      <Text variant="bodySmall" style={{ color: theme.colors.onSurfaceVariant }}>
        {`You, on ${dayWord(still.on)}`}
      </Text>
    </View>
  ));
}

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', gap: 28, alignItems: 'flex-start' },
  column: { flex: 1 },
  still: { marginTop: 12, gap: 4 },
  cue: { marginVertical: 10 },
  top: { marginTop: 10 },
});
