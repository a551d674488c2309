import { numberWord } from '@upwell/core/words';
import { useRouter, type Href } from 'expo-router';
import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
import { pictures, useFilms, VIEW_WORD, type Film } from '@/film';
import { Notice } from '@/ui/States';
import { chooseFile } from '@/ui/saveFile';

/** Simulated clips that ship with the app, made from the drawn swimmer. */
const SIMULATED = [
  { name: 'side-steady', label: 'Steady, side' },
  { name: 'side-low-legs', label: 'Low legs, side' },
  { name: 'front-crossing', label: 'Crossing, front' },
] as const;

export interface Source {
  readonly address: string;
  readonly name: string;
  /** From where it was filmed, when it is known. */
  readonly view?: Film['view'];
  /** The film itself. */
  readonly film: () => Promise<Blob>;
}

/** A film of this device as a source. */
export async function filmSource(film: Film): Promise<Source> {
  const blob = await pictures(film);
  return {
    address: URL.createObjectURL(blob),
    name: `Filmed ${VIEW_WORD[film.view]}`,
    view: film.view,
    film: async () => blob,
  };
}

/** The address of a chosen file lives as long as it is used: let go of it, and its memory, afterwards. */
export function useSource(first: Source | null = null): readonly [Source | null, (source: Source | null) => void] {
  const [source, setSource] = useState(first);
  useEffect(
    () => () => {
      if (source?.address.startsWith('blob:')) URL.revokeObjectURL(source.address);
    },
    [source],
  );
  return [source, setSource];
}

interface ClipSourceProps {
  readonly swimmerId: string;
  readonly title: string;
  readonly onChoose: (source: Source) => void;
  /** Called with a film of the swimmer that is on this device. */
  readonly onFilm: (film: Film) => void;
}

/** Chooses a video of this device, or one of the simulated swimmers. */
export function ClipSource({ swimmerId, title, onChoose, onFilm }: ClipSourceProps) {
  const router = useRouter();
  const kept = useFilms()?.films.filter((f) => f.swimmerId === swimmerId) ?? [];
  const [problem, setProblem] = useState<string | null>(null);
  const open = async () => {
    const file = await chooseFile('video/*');
    if (!file) return;
    if (file.size === 0) {
      setProblem('This file is empty: the recording was not saved. Choose another one.');
      return;
    }
    setProblem(null);
    onChoose({ address: URL.createObjectURL(file), name: file.name, film: async () => file });
  };
  return (
    <View style={styles.gap}>
      <Text variant="titleMedium">{title}</Text>
      {problem ? <Notice tone="error">{problem}</Notice> : null}
      <View style={styles.row}>
        <Button
          mode="contained"
          icon="video"
          onPress={() => router.navigate(`/swimmers/film?swimmer=${swimmerId}` as Href)}
        >
          Film now
        </Button>
        <Button mode="outlined" icon="play" onPress={() => void open()}>
          Choose a video on this device
        </Button>
      </View>
      {kept.length > 0 ? (
        <View style={styles.row}>
          <Text variant="labelMedium">Filmed here:</Text>
          {kept.map((film) => (
            <Button key={film.id} mode="outlined" compact onPress={() => onFilm(film)}>
              {`${VIEW_WORD[film.view]}, ${numberWord(film.seconds)} s`}
            </Button>
          ))}
        </View>
      ) : null}
      <Text variant="bodySmall">The video stays on this device. Only times, lines and notes are stored.</Text>
      <View style={styles.row}>
        <Text variant="labelMedium">Or a simulated one:</Text>
        {SIMULATED.map(({ name, label }) => (
          <Button
            key={name}
            mode="outlined"
            compact
            onPress={() => {
              const address = `/clips/${name}.webm`;
              onChoose({ address, name: label, film: async () => (await fetch(address)).blob() });
            }}
          >
            {label}
          </Button>
        ))}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  gap: { gap: 8, marginBottom: 12 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' },
});
