/** Results that were imported before. */
import type { ImportView } from '@upwell/contract/records';
import { EarlierFiles } from '@/ui/EarlierFiles';
import { countWord, momentWord } from '@/ui/locale';
import { useImportsQuery, useUndoImportMutation } from '../api';

function brought({ rows, stored, undoneAt, removed }: ImportView): string {
  if (undoneAt) return `Undone ${momentWord(undoneAt)}: ${countWord(removed)} results taken back`;
  const left = rows - stored;
  const known = left > 0 ? `, ${countWord(left)} were already here` : '';
  return `${countWord(stored)} ${stored === 1 ? 'result' : 'results'} stored${known}`;
}

export function EarlierImports() {
  const [undo, undoing] = useUndoImportMutation();
  return <EarlierFiles title="Earlier imports" files={useImportsQuery()} {...{ brought, undo, undoing }} />;
}
