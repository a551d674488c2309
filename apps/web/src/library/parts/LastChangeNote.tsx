/** What was just changed, with the way back. */
import { pooled, type Experience } from '@upwell/core/review';
import { useState } from 'react';
import { Button } from 'react-native-paper';
import { sentence } from '@/api/problem';
import { Notice } from '@/ui/States';
import { newer, useEntry, useLastChange, useOwn, type LastChange } from '../useOwn';

export function LastChangeNote() {
  const [last, setLast] = useLastChange();
  return last ? <Note key={`${last.kind} ${last.key}`} last={last} close={() => setLast(null)} /> : null;
}

function Note({ last, close }: { readonly last: LastChange; readonly close: () => void }) {
  const { save, saving, error } = useEntry(last.kind, last.key);
  const { entryOf } = useOwn();
  const [undone, setUndone] = useState(false);
  // Nobody writes an experience: it can only be taken out.
  const done = last.kind === 'experience' ? 'is taken out, and no longer counts' : 'is saved, and used from now on';
  const now = newer(error);
  // What was counted since the reset stays: both count together, also when another device was first.
  const undo = () => {
    if (last.kind !== 'experience') return save(last.before, last.name);
    const since = (now ?? entryOf(last.kind, last.key))?.body as Experience | null | undefined;
    return save(pooled([last.before as Experience, since ?? {}]), last.name, now ?? undefined);
  };
  if (error && last.kind !== 'experience') return <Notice tone="error">{sentence(error)}</Notice>;
  return (
    <Notice
      action={
        <>
          {undone ? null : (
            <Button mode="outlined" disabled={saving} onPress={() => void undo().then((stored) => setUndone(stored))}>
              Undo
            </Button>
          )}
          <Button onPress={close}>Close</Button>
        </>
      }
    >
      {error ? sentence(error) : undone ? `“${last.name}” is as it was before.` : `“${last.name}” ${done}.`}
    </Notice>
  );
}
