/** Why something was not stored. When somebody else changed it meanwhile, the coach says which version counts. */
import { StyleSheet, View } from 'react-native';
import { Button } from 'react-native-paper';
import { sentence, storedNow, type ApiError } from '@/api/problem';
import { Failure, Notice } from './States';

interface SaveProblemProps<T> {
  readonly error: ApiError | undefined;
  /** What is stored now, in a few words, such as `“Tuesday”` or `this course`. */
  readonly name: (stored: T) => string;
  /** Stores what is on the screen over the newer version. */
  readonly keepMine: (stored: T) => void;
  /** Drops what is on the screen. */
  readonly takeTheirs: (stored: T) => void;
  readonly retry?: () => void;
}

export function SaveProblem<T>({ error, name, keepMine, takeTheirs, retry }: SaveProblemProps<T>) {
  if (!error) return null;
  const stored = storedNow<T>(error);
  if (!stored) return retry ? <Failure error={error} retry={retry} /> : <Notice tone="error">{sentence(error)}</Notice>;
  return (
    <Notice
      tone="error"
      action={
        <View style={styles.row}>
          <Button mode="outlined" onPress={() => takeTheirs(stored)}>
            Use theirs
          </Button>
          <Button mode="contained" onPress={() => keepMine(stored)}>
            Keep mine
          </Button>
        </View>
      }
    >
      {`Somebody saved ${name(stored)} in the meantime. Which version do you want to keep?`}
    </Notice>
  );
}

const styles = StyleSheet.create({ row: { flexDirection: 'row', gap: 8, flexWrap: 'wrap' } });
