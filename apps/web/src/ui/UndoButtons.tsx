/** Undo and redo, by button and by key. */
import { IconButton } from 'react-native-paper';
import { useUndoKeys } from './useUndoKeys';

interface UndoButtonsProps {
  readonly canUndo: boolean;
  readonly canRedo: boolean;
  readonly undo: () => void;
  readonly redo: () => void;
}

export function UndoButtons({ canUndo, canRedo, undo, redo }: UndoButtonsProps) {
  useUndoKeys(undo, redo);
  return (
    <>
      <IconButton icon="undo" accessibilityLabel="Undo" disabled={!canUndo} onPress={undo} />
      <IconButton icon="redo" accessibilityLabel="Redo" disabled={!canRedo} onPress={redo} />
    </>
  );
}
