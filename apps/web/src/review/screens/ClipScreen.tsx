/** A clip on the table: tap the strokes, draw the lines, note what you see, and take the measures in the review. */
import type { SwimmerPage } from '@upwell/contract/swimmers';
import { mayBeFilmed } from '@upwell/core/swimmers';
import { useLocalSearchParams, useRouter, type Href } from 'expo-router';
import { useEffect, useState } from 'react';
import { Button } from 'react-native-paper';
import { filmOf } from '@/film';
import { useSwimmerQuery } from '@/swimmers';
import { Screen } from '@/ui/Screen';
import { Failure, Loading, Notice } from '@/ui/States';
import { useClipQuery } from '../api';
import { filmSource } from '../clip/ClipSource';
import { ClipTable, type Filmed } from '../parts/ClipTable';

export function ClipScreen() {
  const { id, open, film: filmId } = useLocalSearchParams<{ id: string; open?: string; film?: string }>();
  const router = useRouter();
  const swimmer = useSwimmerQuery(id);
  const clip = useClipQuery(open ?? '', { skip: !open });
  const error = swimmer.error ?? clip.error;
  const back = `/swimmers/${id}`;
  if (!swimmer.data || (open && !clip.data)) {
    return (
      <Screen title="Clip" back={back}>
        {error ? (
          <Failure error={error} retry={() => void swimmer.refetch()} />
        ) : (
          <Loading label="Opening the clip table" />
        )}
      </Screen>
    );
  }
  if (!mayBeFilmed(swimmer.data)) {
    return (
      <Screen title="Clip" over={`${swimmer.data.givenName} ${swimmer.data.familyName}`} back={back}>
        <Notice
          tone="error"
          action={
            <Button mode="outlined" onPress={() => router.navigate(`/swimmers/${id}/edit` as Href)}>
              Note the consent
            </Button>
          }
        >
          This swimmer is under 18, or of unknown age, and the guardian has not agreed to clips. Ask first and note it
          on the swimmer’s page.
        </Notice>
      </Screen>
    );
  }
  if (filmId) return <OfFilm key={filmId} swimmer={swimmer.data} filmId={filmId} />;
  return <ClipTable key={open ?? 'new'} swimmer={swimmer.data} kept={clip.data ?? null} filmed={null} />;
}

/** The table with a film of this device on it. */
function OfFilm({ swimmer, filmId }: { readonly swimmer: SwimmerPage; readonly filmId: string }) {
  const router = useRouter();
  const [filmed, setFilmed] = useState<Filmed | 'gone'>();
  useEffect(() => {
    let left = false;
    void filmOf(filmId).then(async (film) => {
      const found = film?.swimmerId === swimmer.id ? { film, source: await filmSource(film) } : ('gone' as const);
      if (!left) setFilmed(found);
    });
    return () => {
      left = true;
    };
  }, [filmId, swimmer.id]);
  if (filmed && filmed !== 'gone') return <ClipTable swimmer={swimmer} kept={null} filmed={filmed} />;
  return (
    <Screen title="Clip" over={`${swimmer.givenName} ${swimmer.familyName}`} back="/swimmers/film">
      {filmed === 'gone' ? (
        <Notice
          action={
            <Button mode="outlined" onPress={() => router.navigate('/swimmers/film' as Href)}>
              All films
            </Button>
          }
        >
          This film is not on this device any more, or was made on another one.
        </Notice>
      ) : (
        <Loading label="Opening the film" />
      )}
    </Screen>
  );
}
