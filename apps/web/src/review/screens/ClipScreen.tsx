/** A clip on the table: tap the strokes, draw the lines, note what you see, and take the measures in the review. */
import { openFocus } from '@upwell/contract/openFocus';
import type { SwimmerPage } from '@upwell/contract/swimmers';
import { drillCard } from '@upwell/core/library';
import { mayBeFilmed } from '@upwell/core/swimmers';
import { useLocalSearchParams, useRouter, type Href } from 'expo-router';
import { useEffect, useState } from 'react';
import { Button } from 'react-native-paper';
import { AnswerCard, filmOf, noteLookedAt, sentFilm, useSentClipsQuery, VIEW_WORD } from '@/film';
import { useSwimmerQuery } from '@/swimmers';
import { Screen } from '@/ui/Screen';
import { Failure, Loading, Notice } from '@/ui/States';
import { useClipQuery } from '../api';
import { filmSource } from '../clip/ClipSource';
import { FilmQueue } from '../clip/FilmQueue';
import { ClipTable, type Waited } from '../parts/ClipTable';

export function ClipScreen() {
  const {
    id,
    open,
    film: filmId,
    sent: sentId,
  } = useLocalSearchParams<{ id: string; open?: string; film?: string; sent?: string }>();
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
  if (sentId) return <SentIn key={sentId} swimmer={swimmer.data} sentId={sentId} />;
  return <ClipTable key={open ?? 'new'} swimmer={swimmer.data} kept={clip.data ?? null} waited={null} />;
}

interface OfProps {
  readonly swimmer: SwimmerPage;
}

/** The table with a film of this device on it. */
function OfFilm({ swimmer, filmId }: OfProps & { readonly filmId: string }) {
  const [waited, setWaited] = useState<Waited | 'gone'>();
  useEffect(() => {
    let left = false;
    const open = async (): Promise<Waited | 'gone'> => {
      const film = await filmOf(filmId);
      if (film?.swimmerId !== swimmer.id) return 'gone';
      const onKept = () => noteLookedAt(filmId, new Date().toISOString());
      const source = await filmSource(film);
      return { id: filmId, at: film.at, source, over: <FilmQueue film={film} />, onKept };
    };
    void open().then((found) => {
      if (!left) setWaited(found);
    });
    return () => {
      left = true;
    };
  }, [filmId, swimmer.id]);
  if (waited && waited !== 'gone') return <ClipTable swimmer={swimmer} kept={null} waited={waited} />;
  return (
    <NotYet swimmer={swimmer} gone={waited === 'gone'}>
      This film is not on this device any more, or was made on another one.
    </NotYet>
  );
}

/** The table with a clip on it that the swimmer has sent in, and the answer to it. */
function SentIn({ swimmer, sentId }: OfProps & { readonly sentId: string }) {
  const router = useRouter();
  const { data, error, refetch } = useSentClipsQuery();
  const clip = data?.find((c) => c.id === sentId && c.swimmerId === swimmer.id && c.sentAt !== null);
  const [source, setSource] = useState<Waited['source'] | 'gone'>();
  const view = clip?.view;
  useEffect(() => {
    let left = false;
    const name = view && `Sent in, ${VIEW_WORD[view]}`;
    const open = (film: Blob) => {
      if (!left && name) setSource({ address: URL.createObjectURL(film), name, view, film: async () => film });
    };
    if (view) void sentFilm(sentId).then(open, () => left || setSource('gone'));
    return () => {
      left = true;
    };
  }, [sentId, view]);
  if (clip?.sentAt && source && source !== 'gone') {
    const focus = openFocus(swimmer.focuses);
    const proposed = focus ? `One thing: “${focus.cue}” Drill: ${drillCard(focus.drill).name.toLowerCase()}.` : '';
    const answer = (
      <AnswerCard clip={clip} proposed={proposed} onAnswered={() => router.navigate('/swimmers/film' as Href)} />
    );
    return <ClipTable swimmer={swimmer} kept={null} waited={{ id: sentId, at: clip.sentAt, source, answer }} />;
  }
  if (error && !data)
    return (
      <Screen title="Clip" back="/swimmers/film">
        <Failure error={error} retry={() => void refetch()} />
      </Screen>
    );
  return (
    <NotYet swimmer={swimmer} gone={source === 'gone' || (data !== undefined && !clip)}>
      This clip did not come: it was deleted, or there is no connection to the server.
    </NotYet>
  );
}

function NotYet({ swimmer, gone, children }: OfProps & { readonly gone: boolean; readonly children: string }) {
  const router = useRouter();
  return (
    <Screen title="Clip" over={`${swimmer.givenName} ${swimmer.familyName}`} back="/swimmers/film">
      {gone ? (
        <Notice
          action={
            <Button mode="outlined" onPress={() => router.navigate('/swimmers/film' as Href)}>
              All films
            </Button>
          }
        >
          {children}
        </Notice>
      ) : (
        <Loading label="Opening the film" />
      )}
    </Screen>
  );
}
