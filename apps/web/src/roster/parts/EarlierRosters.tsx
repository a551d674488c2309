/** Lists of swimmers that came in before. */
import type { RosterImport } from '@upwell/contract/roster';
import { EarlierFiles } from '@/ui/EarlierFiles';
import { useRostersQuery, useUndoRosterMutation } from '../api';
import { counted, numberWord } from '@upwell/core/words';

function brought({ swimmers, undoneAt, removed }: RosterImport): string {
  const stay = swimmers - removed;
  if (!undoneAt) return counted(swimmers, 'swimmer');
  const kept = stay === 0 ? '' : `; ${numberWord(stay)} stayed, somebody has worked with them since`;
  return `Taken back: ${numberWord(removed)}${kept}`;
}

export function EarlierRosters() {
  const [undo, undoing] = useUndoRosterMutation();
  return <EarlierFiles title="Earlier lists" files={useRostersQuery()} {...{ brought, undo, undoing }} />;
}
