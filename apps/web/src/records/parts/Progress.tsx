/** What became of a swimmer's work, as one picture to show and to give away. */
import type { RecordsView } from '@upwell/contract/records';
import type { SwimmerPage } from '@upwell/contract/swimmers';
import { dayIn } from '@upwell/core/days';
import { pictureHeight, progressStory, progressSvg, type ProgressStory } from '@upwell/core/progress';
import { causeCard } from '@upwell/core/review';
import { useMemo, useState } from 'react';
import { Image, StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { useToday, useZone } from '@/state/hooks';
import { Card } from '@/ui/Card';
import { pngOf, svgAddress } from '@/ui/picture';
import { saveFile } from '@/ui/saveFile';
import { Notice } from '@/ui/States';
import { useTheme } from '@/ui/useTheme';

/** Width of the picture that is given away, px. */
const GIVEN_PX = 900;

interface ProgressProps {
  readonly swimmer: SwimmerPage;
  readonly records: RecordsView;
}

export function Progress({ swimmer, records }: ProgressProps) {
  const today = useToday();
  const zone = useZone();
  const story = useMemo(
    () =>
      progressStory({
        name: `${swimmer.givenName} ${swimmer.familyName}`,
        swims: records.results,
        focuses: swimmer.focuses.map((f) => ({
          name: causeCard(f.cause).name,
          from: dayIn(zone, f.since),
          to: f.closedAt ? dayIn(zone, f.closedAt) : null,
          outcome: f.outcome,
        })),
        race: swimmer.goal ? { event: swimmer.goal.event, on: swimmer.goal.date } : null,
        today,
      }),
    [swimmer, records.results, zone, today],
  );
  return story ? <Picture story={story} /> : null;
}

function Picture({ story }: { readonly story: ProgressStory }) {
  const { colors, own } = useTheme();
  const [width, setWidth] = useState(0);
  const [failed, setFailed] = useState(false);
  const height = pictureHeight(story);
  const shown = useMemo(
    () =>
      width > 0
        ? progressSvg(story, width, {
            ...{ paper: colors.surface, ink: colors.onSurface, quiet: colors.onSurfaceVariant, line: own.line },
            ...{ accent: colors.primary, soft: colors.primaryContainer },
          })
        : null,
    [story, width, colors, own],
  );
  const name = `${story.name} progress`;
  const svg = () => progressSvg(story, GIVEN_PX);
  const png = async () => {
    try {
      saveFile(`${name}.png`, 'image/png', await pngOf(svg(), GIVEN_PX, height));
      setFailed(false);
    } catch {
      setFailed(true);
    }
  };
  return (
    <Card title="Progress">
      <View onLayout={(event) => setWidth(Math.floor(event.nativeEvent.layout.width))} style={{ minHeight: height }}>
        {shown ? (
          <Image
            source={{ uri: svgAddress(shown) }}
            accessibilityLabel={story.words.join(' ')}
            style={{ width, height }}
          />
        ) : null}
      </View>
      {failed ? <Notice tone="error">This browser could not draw it. Save it as SVG.</Notice> : null}
      <View style={styles.row}>
        <Button compact icon="download" onPress={() => void png()}>
          Picture (PNG)
        </Button>
        <Button compact icon="download" onPress={() => saveFile(`${name}.svg`, 'image/svg+xml', svg())}>
          Drawing (SVG)
        </Button>
      </View>
    </Card>
  );
}

const styles = StyleSheet.create({ row: { flexDirection: 'row', flexWrap: 'wrap', gap: 4, marginTop: 4 } });
