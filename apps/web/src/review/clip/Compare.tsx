import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { Card } from '@/ui/Card';
import { Notice } from '@/ui/States';
import { ClipSource, filmSource, useSource } from './ClipSource';
import { useVideo, type Video } from './useVideo';
import { VideoPane } from './VideoPane';
import { numberWord } from '@upwell/core/words';

/** A second clip beside the first, aligned at a stroke: both then step together. */
export function Compare({ first, swimmerId }: { readonly first: Video; readonly swimmerId: string }) {
  const [open, setOpen] = useState(false);
  const [source, setSource] = useSource();
  const second = useVideo(source?.address ?? null);
  // Seconds that the second clip is ahead of the first; null until they are aligned.
  const [ahead, setAhead] = useState<number | null>(null);
  const { seek } = second;
  const firstTime = first.state.timeS;
  useEffect(() => {
    if (ahead !== null) seek(firstTime + ahead);
  }, [ahead, firstTime, seek]);

  if (!open) {
    return (
      <Button mode="outlined" style={styles.begin} onPress={() => setOpen(true)}>
        Compare with a second clip
      </Button>
    );
  }
  return (
    <Card title="Beside it">
      {source ? (
        <>
          <VideoPane video={second} source={source.address} label={`Second clip: ${source.name}`} />
          {second.state.error ? <Notice tone="error">{second.state.error}</Notice> : null}
          <Text variant="bodySmall">
            {ahead === null
              ? 'Stop both clips at the same moment of the stroke, then align them.'
              : `Aligned: the second runs ${numberWord(Math.abs(ahead), 2)} s ${ahead >= 0 ? 'later in its clip' : 'earlier in its clip'}. Step the first one; the second follows.`}
          </Text>
          <View style={styles.row}>
            <Button mode="contained-tonal" onPress={() => setAhead(ahead === null ? second.now() - first.now() : null)}>
              {ahead === null ? 'Align here' : 'Unlink'}
            </Button>
            <Button onPress={() => setSource(null)}>Another clip</Button>
          </View>
        </>
      ) : (
        <ClipSource
          swimmerId={swimmerId}
          title="The second clip"
          onChoose={setSource}
          onFilm={(film) => void filmSource(film).then(setSource)}
        />
      )}
    </Card>
  );
}

const styles = StyleSheet.create({
  begin: { alignSelf: 'flex-start', marginTop: 10 },
  row: { flexDirection: 'row', gap: 8, flexWrap: 'wrap', marginTop: 8 },
});
