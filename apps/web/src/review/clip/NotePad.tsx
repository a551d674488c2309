import { joinNotes, readVtt, writeVtt, type ClipNote, type VttProblem } from '@upwell/core/formats';
import { NOTE_LIMITS } from '@upwell/core/measures';
import { textOf } from '@upwell/core/text';
import { counted, numberWord } from '@upwell/core/words';
import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Button, IconButton, Text } from 'react-native-paper';
import { Input } from '@/ui/Input';
import { chooseFile, saveFile } from '@/ui/saveFile';
import { useTheme } from '@/ui/useTheme';

/** How long a note stays, seconds. */
const NOTE_S = 2;

interface NotePadProps {
  readonly notes: readonly ClipNote[];
  readonly now: () => number;
  readonly name: string;
  readonly onChange: (notes: readonly ClipNote[]) => void;
  readonly onSeek: (timeS: number) => void;
}

/** Notes at moments of the clip, in as WebVTT or SubRip, out as WebVTT. */
export default function NotePad({ notes, now, name, onChange, onSeek }: NotePadProps) {
  const theme = useTheme();
  const [text, setText] = useState('');
  const [problems, setProblems] = useState<readonly VttProblem[]>([]);
  const [said, setSaid] = useState('');
  const add = () => {
    const startS = Math.round(now() * 1000) / 1000;
    onChange([...notes, { startS, endS: startS + NOTE_S, text: text.trim() }].sort((a, b) => a.startS - b.startS));
    setText('');
  };
  const take = async () => {
    const file = await chooseFile('.vtt,.srt,text/vtt,application/x-subrip');
    if (!file) return;
    const read = readVtt(textOf(new Uint8Array(await file.arrayBuffer())));
    const joined = joinNotes(notes, read.notes);
    setProblems(joined.problem === null ? read.problems : [{ line: 0, column: null, message: joined.problem }]);
    const added = joined.notes.length - notes.length;
    const there = joined.doubled > 0 ? `, ${counted(joined.doubled, 'was', 'were')} here already` : '';
    const isRead = read.problems.length === 0 && joined.problem === null;
    setSaid(isRead ? `${file.name}: ${counted(added, 'note')} added${there}.` : '');
    if (isRead && added > 0) onChange(joined.notes);
  };
  return (
    <View style={styles.gap}>
      <View style={styles.row}>
        <Input
          label="Note at this moment"
          value={text}
          onChangeText={setText}
          maxLength={NOTE_LIMITS.letters}
          style={styles.flex}
        />
        <Button mode="contained" disabled={text.trim() === '' || notes.length >= NOTE_LIMITS.notes} onPress={add}>
          Add
        </Button>
      </View>
      <View role="list">
        {notes.map((note, i) => (
          <View key={`${note.startS} ${i}`} role="listitem" style={[styles.row, { borderBottomColor: theme.own.line }]}>
            <Pressable
              role="button"
              accessibilityLabel={`Go to the note at ${numberWord(note.startS, 2)} seconds: ${note.text}`}
              onPress={() => onSeek(note.startS)}
              style={styles.jump}
            >
              <Text>{`${numberWord(note.startS, 2)}  ${note.text}`}</Text>
            </Pressable>
            <IconButton
              icon="trash-can-outline"
              accessibilityLabel={`Remove the note at ${numberWord(note.startS, 2)} seconds`}
              onPress={() => onChange(notes.filter((_, k) => k !== i))}
            />
          </View>
        ))}
      </View>
      {problems.length > 0 ? (
        <View role="alert">
          <Text variant="labelMedium" style={{ color: theme.colors.error }}>
            Nothing was imported. The file has problems:
          </Text>
          {problems.slice(0, 8).map((p, i) => (
            <Text
              key={i}
              variant="bodySmall"
            >{`${p.line > 0 ? `Line ${p.line}${p.column ? `, column ${p.column}` : ''}: ` : ''}${p.message}`}</Text>
          ))}
        </View>
      ) : null}
      {said === '' ? null : <Text accessibilityLiveRegion="polite">{said}</Text>}
      <View style={styles.row}>
        <Button compact onPress={() => void take()}>
          Import WebVTT or SubRip
        </Button>
        <Button
          compact
          disabled={notes.length === 0}
          onPress={() => saveFile(`${name}.vtt`, 'text/vtt', writeVtt(notes))}
        >
          Export WebVTT
        </Button>
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  gap: { gap: 8, marginTop: 8 },
  row: { flexDirection: 'row', alignItems: 'center', gap: 8, minHeight: 48 },
  flex: { flex: 1 },
  jump: { flex: 1, minHeight: 48, justifyContent: 'center' },
});
