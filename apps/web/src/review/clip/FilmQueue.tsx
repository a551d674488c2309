/** The film on the table: which of the queue it is, and on to the next one. */
import { useRouter, type Href } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { noteLookedAt, useFilms, type Film } from '@/film';

/** Where to go from a film: to the next one that waits, or to all of them. */
export const afterFilm = (films: readonly Film[], id: string): Href => {
  const next = films.find((f) => f.id !== id && f.lookedAt === null);
  return (next ? `/swimmers/${next.swimmerId}/clip?film=${next.id}` : '/swimmers/film') as Href;
};

export function FilmQueue({ film }: { readonly film: Film }) {
  const router = useRouter();
  const films = useFilms()?.films ?? [];
  const looked = films.filter((f) => f.lookedAt !== null || f.id === film.id).length;
  const next = films.find((f) => f.id !== film.id && f.lookedAt === null);
  const onward = async () => {
    await noteLookedAt(film.id, new Date().toISOString());
    router.navigate(afterFilm(films, film.id));
  };
  return (
    <View style={styles.row}>
      <Text variant="labelLarge">{`Film ${looked} of ${films.length}`}</Text>
      <Button mode="outlined" icon="arrow-right" onPress={() => void onward()}>
        {next ? `Looked at, on to ${next.name}` : 'Looked at, that was the last one'}
      </Button>
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 12, marginBottom: 8 },
});
