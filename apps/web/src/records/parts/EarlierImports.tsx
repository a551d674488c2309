/** Results that were imported before. */
import type { ImportView } from '@upwell/contract/records';
import { EarlierFiles } from '@/ui/EarlierFiles';
import { useImportsQuery, useUndoImportMutation } from '../api';
import { counted, momentWord, numberWord } from '@upwell/core/words';

function brought({ rows, stored, undoneAt, removed }: ImportView): string {
  if (undoneAt) return `Undone ${momentWord(undoneAt)}: ${numberWord(removed)} results taken back`;
  const left = rows - stored;
  const known = left > 0 ? `, ${numberWord(left)} were already here` : '';
  return `${counted(stored, 'result')} stored${known}`;
}

export function EarlierImports() {
  const [undo, undoing] = useUndoImportMutation();
  return <EarlierFiles title="Earlier imports" files={useImportsQuery()} {...{ brought, undo, undoing }} />;
}
