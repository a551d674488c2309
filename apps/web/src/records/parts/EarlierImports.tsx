/** Results that were imported before. */
import { useZone } from '@/state/hooks';
import type { ImportView } from '@upwell/contract/records';
import { EarlierFiles } from '@/ui/EarlierFiles';
import { useImportsQuery, useUndoImportMutation } from '../api';
import { counted, momentWord, numberWord } from '@upwell/core/words';

function brought({ rows, stored, undoneAt, removed }: ImportView, zone: string): string {
  if (undoneAt) return `Undone ${momentWord(undoneAt, zone)}: ${numberWord(removed)} results taken back`;
  const left = rows - stored;
  const known = left > 0 ? `, ${numberWord(left)} were already here` : '';
  return `${counted(stored, 'result')} stored${known}`;
}

export function EarlierImports() {
  const [undo, undoing] = useUndoImportMutation();
  const zone = useZone();
  const words = (file: ImportView) => brought(file, zone);
  return <EarlierFiles title="Earlier imports" files={useImportsQuery()} brought={words} {...{ undo, undoing }} />;
}
