/** Lists of swimmers that came in before. */
import type { RosterImport } from '@upwell/contract/roster';
import { EarlierFiles } from '@/ui/EarlierFiles';
import { countWord } from '@/ui/locale';
import { useRostersQuery, useUndoRosterMutation } from '../api';

function brought({ swimmers, undoneAt, removed }: RosterImport): string {
  const stay = swimmers - removed;
  if (!undoneAt) return `${countWord(swimmers)} ${swimmers === 1 ? 'swimmer' : 'swimmers'}`;
  const kept = stay === 0 ? '' : `; ${countWord(stay)} stayed, somebody has worked with them since`;
  return `Taken back: ${countWord(removed)}${kept}`;
}

export function EarlierRosters() {
  const [undo, undoing] = useUndoRosterMutation();
  return <EarlierFiles title="Earlier lists" files={useRostersQuery()} {...{ brought, undo, undoing }} />;
}
