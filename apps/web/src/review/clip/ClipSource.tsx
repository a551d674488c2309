import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button, Text } from 'react-native-paper';
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
}

/** The address of a chosen file lives as long as it is used: let go of it, and its memory, afterwards. */
export function useSource(): readonly [Source | null, (source: Source | null) => void] {
  const [source, setSource] = useState<Source | null>(null);
  useEffect(
    () => () => {
      if (source?.address.startsWith('blob:')) URL.revokeObjectURL(source.address);
    },
    [source],
  );
  return [source, setSource];
}

interface ClipSourceProps {
  readonly title: string;
  readonly onChoose: (source: Source) => void;
}

/** Chooses a video of this device, or one of the simulated swimmers. */
export function ClipSource({ title, onChoose }: ClipSourceProps) {
  const [problem, setProblem] = useState<string | null>(null);
  const open = async () => {
    const file = await chooseFile('video/*');
    if (!file) return;
    if (file.size === 0) {
      setProblem('This file is empty: the recording was not saved. Choose another one.');
      return;
    }
    setProblem(null);
    onChoose({ address: URL.createObjectURL(file), name: file.name });
  };
  return (
    <View style={styles.gap}>
      <Text variant="titleMedium">{title}</Text>
      {problem ? <Notice tone="error">{problem}</Notice> : null}
      <Button mode="contained" icon="play" onPress={() => void open()} style={styles.begin}>
        Choose a video on this device
      </Button>
      <Text variant="bodySmall">The video stays on this device. Only times, lines and notes are stored.</Text>
      <View style={styles.row}>
        <Text variant="labelMedium">Or a simulated one:</Text>
        {SIMULATED.map(({ name, label }) => (
          <Button
            key={name}
            mode="outlined"
            compact
            onPress={() => onChoose({ address: `/clips/${name}.webm`, name: label })}
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
  begin: { alignSelf: 'flex-start' },
});
