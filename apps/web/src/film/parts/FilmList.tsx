/** The films on this device: those that wait to be looked at first, the room they take, and away with them. */
import { dayIn } from '@upwell/core/days';
import { counted, datedWord, numberWord } from '@upwell/core/words';
import { useRouter, type Href } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { useToday, useZone } from '@/state/hooks';
import { Card } from '@/ui/Card';
import { HoldButton } from '@/ui/HoldButton';
import { useTheme } from '@/ui/useTheme';
import { deleteFilms, type Film } from '../filmStore';
import type { Kept } from '../useFilms';
import { bytesWord, VIEW_WORD } from '../words';

export const lookAt = ({ id, swimmerId }: Film): Href => `/swimmers/${swimmerId}/clip?film=${id}` as Href;

interface FilmListProps {
  readonly kept: Kept;
  /** Whether films of a swimmer may be looked at. */
  readonly allowed: (swimmerId: string) => boolean;
}

export function FilmList({ kept: { films, free }, allowed }: FilmListProps) {
  const router = useRouter();
  const looked = films.filter((f) => f.lookedAt !== null);
  const waiting = films.filter((f) => f.lookedAt === null);
  const bytes = films.reduce((sum, f) => sum + f.bytes, 0);
  const next = waiting.find((f) => allowed(f.swimmerId));
  return (
    <Card title={films.length > 0 ? `${looked.length} of ${films.length} looked at` : 'No films on this device'}>
      <Text variant="bodySmall">
        {`${films.length > 0 ? `${bytesWord(bytes)} of film, on this device only. ` : 'What you film stays on this device. '}${free === null ? '' : `${bytesWord(free)} are free.`}`}
      </Text>
      {next ? (
        <Button mode="contained" icon="play" style={styles.begin} onPress={() => router.navigate(lookAt(next))}>
          {looked.length > 0 ? 'Go on with the next one' : 'Look at the first one'}
        </Button>
      ) : null}
      <View role="list" aria-label="Films on this device">
        {[...waiting, ...looked].map((film) => (
          <FilmRow key={film.id} film={film} allowed={allowed(film.swimmerId)} />
        ))}
      </View>
      {looked.length > 0 ? (
        <HoldButton
          label={`Delete the ${counted(looked.length, 'film')} looked at`}
          onHeld={() => void deleteFilms(looked.map((f) => f.id))}
        />
      ) : null}
      {waiting.length > 0 ? (
        <HoldButton
          label={films.length > 1 ? `Delete all ${films.length} films` : 'Delete the film'}
          onHeld={() => void deleteFilms(films.map((f) => f.id))}
        />
      ) : null}
    </Card>
  );
}

function FilmRow({ film, allowed }: { readonly film: Film; readonly allowed: boolean }) {
  const router = useRouter();
  const theme = useTheme();
  const today = useToday();
  const zone = useZone();
  const facts = [
    VIEW_WORD[film.view],
    `${numberWord(film.seconds)} s`,
    bytesWord(film.bytes),
    datedWord(dayIn(zone, Date.parse(film.at)), today),
    ...(film.lookedAt ? ['looked at'] : []),
  ];
  return (
    <View role="listitem" style={[styles.row, { borderBottomColor: theme.own.line }]}>
      <View style={styles.flex}>
        <Text>{film.name}</Text>
        <Text variant="bodySmall">{allowed ? facts.join(' · ') : 'Not to be looked at: no consent to clips'}</Text>
      </View>
      {allowed ? (
        <Button
          compact
          accessibilityLabel={`${film.lookedAt ? 'Again' : 'Look'}: the film of ${film.name}`}
          onPress={() => router.navigate(lookAt(film))}
        >
          {film.lookedAt ? 'Again' : 'Look'}
        </Button>
      ) : null}
      <HoldButton label="Delete" onHeld={() => void deleteFilms([film.id])} />
    </View>
  );
}

const styles = StyleSheet.create({
  begin: { alignSelf: 'flex-start', marginVertical: 8 },
  row: {
    ...{ flexDirection: 'row', flexWrap: 'wrap', justifyContent: 'flex-end', alignItems: 'center', gap: 8 },
    ...{ minHeight: 56, borderBottomWidth: 1, paddingVertical: 4 },
  },
  flex: { flexGrow: 1, flexShrink: 1, flexBasis: 240 },
});
