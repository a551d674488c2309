// The club's own library as the screens change it.
import type { EntrySave, EntryView } from '@upwell/contract/library';
import { entryProblems, withEntry, type EntryProblem, type LibraryEntry } from '@upwell/core/clubLibrary';
import { shelvesOf, type OwnKind, type OwnShelves } from '@upwell/core/own';
import { useRef } from 'react';
import { v7 } from 'uuid';
import { useMeQuery } from '@/account';
import { fieldMessages, storedNow, type ApiError } from '@/api/problem';
import { useDraft } from '@/state/hooks';
import { useLibraryQuery, useSaveEntryMutation } from './api';

export interface Own {
  /** Everything that the club has of its own. */
  readonly shelves: OwnShelves;
  readonly entries: readonly EntryView[];
  readonly version: number;
  /** Whether who is signed in may change it. */
  readonly head: boolean;
  readonly entryOf: (kind: OwnKind, key: string) => EntryView | undefined;
}

/** The club's own library; a screen that shows it is drawn again when it changes. */
export function useOwn(): Own {
  const { data } = useLibraryQuery();
  const { data: me } = useMeQuery();
  const entries = data?.entries ?? [];
  return {
    entries,
    shelves: shelvesOf(entries),
    version: data?.version ?? 0,
    head: me?.role === 'head',
    entryOf: (kind, key) => entries.find((entry) => entry.kind === kind && entry.key === key),
  };
}

/** The last change of the library, so that it can be undone. */
export interface LastChange {
  readonly kind: OwnKind;
  readonly key: string;
  /** What was changed, in words, such as `Mitten swim`. */
  readonly name: string;
  /** What the entry held before. */
  readonly before: unknown;
}

export const useLastChange = () => useDraft<LastChange | null>('library undo', null);

export interface EntryEditor {
  /** Stores what the entry is to hold, `null` for the built-in; answers whether it was stored. */
  readonly save: (body: unknown, name: string, over?: { readonly version: number }) => Promise<boolean>;
  readonly saving: boolean;
  readonly error: ApiError | undefined;
  /** What the server said of single fields. */
  readonly fields: Readonly<Record<string, string>>;
  /** What is wrong with it as it stands on the screen. */
  readonly problems: (body: unknown) => readonly EntryProblem[];
  readonly reset: () => void;
}

/** Changes one entry of the library. */
export function useEntry(kind: OwnKind, key: string): EntryEditor {
  const { shelves, entryOf } = useOwn();
  const [, setLast] = useLastChange();
  const [send, { isLoading, error, reset }] = useSaveEntryMutation();
  const stored = entryOf(kind, key);
  // The same change sent again, after its answer was lost, is the same change.
  const sent = useRef({ change: '', writeId: '' });
  return {
    saving: isLoading,
    error,
    fields: error ? fieldMessages(error) : {},
    reset,
    problems: (body) =>
      body === null ? [] : entryProblems({ kind, key, body } as LibraryEntry, withEntry(shelves, kind, key, body)),
    save: async (body, name, over) => {
      const version = over?.version ?? stored?.version ?? 0;
      const change = JSON.stringify([kind, key, version, body]);
      if (sent.current.change !== change) sent.current = { change, writeId: v7() };
      const { writeId } = sent.current;
      const { error: refused } = await send({ kind, key, body, version, writeId } as EntrySave);
      if (!refused) setLast({ kind, key, name, before: stored?.body ?? null });
      return !refused;
    },
  };
}

/** What is stored of an entry now, where somebody else saved first. */
export const newer = (error: ApiError | undefined) =>
  error ? storedNow<{ readonly body: unknown; readonly version: number }>(error) : null;
