/** What was just changed, with the way back. */
import { useState } from 'react';
import { Button } from 'react-native-paper';
import { sentence } from '@/api/problem';
import { Notice } from '@/ui/States';
import { useEntry, useLastChange, type LastChange } from '../useOwn';

export function LastChangeNote() {
  const [last, setLast] = useLastChange();
  return last ? <Note key={`${last.kind} ${last.key}`} last={last} close={() => setLast(null)} /> : null;
}

function Note({ last, close }: { readonly last: LastChange; readonly close: () => void }) {
  const { save, saving, error } = useEntry(last.kind, last.key);
  const [undone, setUndone] = useState(false);
  // Nobody writes an experience: it can only be taken out.
  const done = last.kind === 'experience' ? 'is taken out, and no longer counts' : 'is saved, and used from now on';
  if (error) return <Notice tone="error">{sentence(error)}</Notice>;
  return (
    <Notice
      action={
        <>
          {undone ? null : (
            <Button
              mode="outlined"
              disabled={saving}
              onPress={() => void save(last.before, last.name).then((stored) => setUndone(stored))}
            >
              Undo
            </Button>
          )}
          <Button onPress={close}>Close</Button>
        </>
      }
    >
      {undone ? `“${last.name}” is as it was before.` : `“${last.name}” ${done}.`}
    </Notice>
  );
}
