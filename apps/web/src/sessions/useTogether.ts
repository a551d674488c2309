// One session on the screens of several coaches: what others save arrives here, what is changed here reaches them.
import type { SessionView } from '@upwell/contract/sessions';
import { useCallback, useEffect, useRef, useState } from 'react';
import { storedNow, type ApiError } from '@/api/problem';
import { useLive } from '@/offline';
import { useSaveSessionMutation } from './api';
import { isChanged, rebased, type SessionDraft } from './draft';

/** With somebody else there, a change is saved this long after the last one, milliseconds. */
const SAVED_AFTER_MS = 600;
/** How often a save is put on top of a newer version before it is given up. */
const MOST_TRIES = 4;

interface Shared {
  readonly stored: SessionView;
  readonly draft: SessionDraft;
  readonly setDraft: (change: (now: SessionDraft) => SessionDraft) => void;
  readonly dropDraft: () => void;
  /** Asks for what is stored; nothing happens while it is asked for already. */
  readonly refetch: () => unknown;
  /** Whether it is being asked for. */
  readonly isAsked: boolean;
  /** Whether this is somebody who works on it. */
  readonly listens: boolean;
  /** Whether there is something to save that may be saved. */
  readonly maySave: boolean;
}

export interface Together {
  /** Names of those who have it open elsewhere, each once. */
  readonly others: readonly string[];
  /** What was changed differently here and elsewhere. */
  readonly clashes: readonly string[];
  /** It was taken out elsewhere. */
  readonly gone: boolean;
  readonly error: ApiError | undefined;
  readonly isLoading: boolean;
  /** Saves; answers whether it is stored, or safe on this device. */
  readonly write: () => Promise<boolean>;
}

export function useTogether(shared: Shared): Together {
  const { stored, draft, setDraft, dropDraft, refetch, isAsked, listens, maySave } = shared;
  const [save, { error, isLoading, reset }] = useSaveSessionMutation();
  const [gone, setGone] = useState(false);
  const [told, setTold] = useState({ version: 0 });
  const { others } = useLive(listens ? stored.id : null, {
    onSession: (version) => (version === null ? setGone(true) : setTold({ version })),
  });
  const answered = useRef(told);
  // One question for each telling, begun after it: what is on its way may be older.
  useEffect(() => {
    if (isAsked || answered.current === told || told.version <= stored.version) return;
    answered.current = told;
    refetch();
  }, [told, stored.version, isAsked, refetch]);
  const latest = useRef(draft);
  const refused = useRef<string | null>(null);
  useEffect(() => {
    latest.current = draft;
  });

  // What is all saved is no work that waits on this device.
  useEffect(() => () => void (isChanged(latest.current) || dropDraft()), [dropDraft]);

  // Somebody else saved: what is changed here, by now, goes on top of it.
  useEffect(() => {
    if (!isLoading && stored.version > draft.version) setDraft((now) => onTopOf(stored, now));
  }, [stored, draft, isLoading, setDraft]);

  /** @param asks whether a coach is asked first where both changed the same thing */
  const store = useCallback(
    async (asks: boolean): Promise<SessionDraft | null> => {
      for (let tries = 0; tries < MOST_TRIES; tries++) {
        const sent = latest.current;
        const { fields, version, writeId, base } = sent;
        const result = await save({ id: stored.id, body: { ...fields, version, writeId }, base });
        if (!('error' in result) || !result.error) return sent;
        const theirs = storedNow<SessionView>(result.error);
        refused.current = writeId;
        if (!theirs || !latest.current.base) return null;
        setDraft((now) => (latest.current = onTopOf(theirs, now)));
        if (asks && latest.current.clashes?.length) {
          reset();
          return null;
        }
      }
      return null;
    },
    [save, reset, setDraft, stored.id],
  );

  /** What was changed while it was being saved is still to be saved. */
  const goOn = useCallback(
    (sent: SessionDraft) =>
      setDraft((now) => (now.version > sent.version ? now : { ...now, base: sent.fields, version: sent.version + 1 })),
    [setDraft],
  );

  const write = async (): Promise<boolean> => {
    const sent = await store(true);
    if (!sent) return false;
    if (latest.current.writeId === sent.writeId) dropDraft();
    else goOn(sent);
    return true;
  };

  // With somebody else there nobody waits for a button.
  const withOthers = others.length > 0;
  useEffect(() => {
    if (!withOthers || !maySave || isLoading || refused.current === draft.writeId) return;
    const timer = setTimeout(() => void store(false).then((sent) => sent && goOn(sent)), SAVED_AFTER_MS);
    return () => clearTimeout(timer);
  }, [withOthers, maySave, isLoading, draft.writeId, store, goOn]);

  return {
    others: [...new Set(others.map(({ name }) => name))],
    clashes: draft.clashes ?? [],
    gone,
    error,
    isLoading,
    write,
  };
}

/** A draft on top of what is stored, unless it is already, or what it began from is not known. */
const onTopOf = (stored: SessionView, now: SessionDraft): SessionDraft =>
  stored.version > now.version ? (rebased(now, stored) ?? now) : now;
