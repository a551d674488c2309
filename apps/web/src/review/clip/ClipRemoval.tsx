/** Takes out what is kept of a clip, and puts it back as it was. */
import type { ClipView } from '@upwell/contract/clips';
import { useState } from 'react';
import { Button } from 'react-native-paper';
import { v7 } from 'uuid';
import { sentence } from '@/api/problem';
import { Notice } from '@/ui/States';
import { useDeleteClipMutation, useSaveClipMutation } from '../api';

interface ClipRemovalProps {
  readonly clip: ClipView;
  /** The version that is kept now: 0 when it is taken out. */
  readonly onVersion: (version: number) => void;
}

export function ClipRemoval({ clip, onVersion }: ClipRemovalProps) {
  const [remove, removing] = useDeleteClipMutation();
  const [save, saving] = useSaveClipMutation();
  const [gone, setGone] = useState(false);
  const takeOut = async () => {
    const answer = await remove(clip.id);
    if (answer.error) return;
    setGone(true);
    onVersion(0);
  };
  const putBack = async () => {
    const { id, version: _version, ...fields } = clip;
    const answer = await save({ id, body: { ...fields, version: 0, writeId: v7() } });
    if (answer.error) return;
    setGone(false);
    onVersion(answer.data.version);
  };
  const error = removing.error ?? saving.error;
  return (
    <>
      {error ? <Notice tone="error">{sentence(error)}</Notice> : null}
      {gone ? (
        <Notice
          action={
            <Button disabled={saving.isLoading} onPress={() => void putBack()}>
              Undo
            </Button>
          }
        >
          {`What was kept of “${clip.title}” is taken out.`}
        </Notice>
      ) : (
        <Button compact icon="trash-can-outline" disabled={removing.isLoading} onPress={() => void takeOut()}>
          Take out what is kept
        </Button>
      )}
    </>
  );
}
