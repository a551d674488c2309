import type { ReadSession, SessionDocument } from '@upwell/core/notation';
import { keepIds, LONGEST_TEXT, mergePlans, type SessionPlan } from '@upwell/core/sessions';
import { useEffect, useRef, useState } from 'react';
import { v7 } from 'uuid';
import { useDraft } from '@/state/hooks';
import { compute } from '@/worker';

/** Milliseconds after the last key before a text is read. */
const PAUSE = 150;

interface TextState {
  readonly text: string;
  readonly setText: (text: string) => void;
  readonly read: ReadSession | null;
  readonly reading: boolean;
  /** Lets go of the text that is kept on the device. */
  readonly drop: () => void;
}

/**
 * A session as text beside its plan, live both ways: typing changes the plan as soon as the text has no
 * error, and a change of the plan from elsewhere rewrites the text. A text with an error is kept on the
 * device until it is fixed.
 *
 * @param key under which an unfinished text is kept
 * @param document what the text says now; null when there is nothing yet
 * @param onRead a text without errors was read
 * @param alone for a text that is all there is of a session: it is kept whatever it says; with what it begins with
 */
export function useText(
  key: string,
  document: SessionDocument | null,
  onRead: (read: ReadSession) => void,
  alone: { readonly begins: string } | null = null,
): TextState {
  const [kept, setKept, dropKept] = useDraft<string>(key, '');
  const [text, setShown] = useState(kept || (alone?.begins ?? ''));
  const [read, setRead] = useState<ReadSession | null>(null);
  const [typed, setTyped] = useState(text !== '' ? 1 : 0);
  /** The plan that the text on the screen says, or was written for. */
  const says = useRef<SessionPlan | null>(kept !== '' ? (document?.plan ?? null) : null);
  /** Whether something was typed that could not be read yet. */
  const unread = useRef(kept !== '');
  const isAlone = alone !== null;
  const tell = useRef(onRead);
  useEffect(() => {
    tell.current = onRead;
  });

  // The plan was changed elsewhere: the text follows.
  useEffect(() => {
    // A text that is being typed stays; what was changed elsewhere is put together with it once it can be read.
    if (!document || document.plan === says.current || unread.current) return;
    let current = true;
    void compute()
      .writeSession(document)
      .then((written) => {
        if (!current || unread.current) return;
        says.current = document.plan;
        setShown(written);
        setRead(null);
        if (isAlone) setKept(written);
        else dropKept();
      });
    return () => {
      current = false;
    };
  }, [document, dropKept, isAlone, setKept]);

  // The text was typed: the plan follows once it can be read.
  useEffect(() => {
    if (typed === 0) return;
    let current = true;
    const timer = setTimeout(() => {
      void compute()
        .readSession(text, document?.plan.pool)
        .then((answer) => {
          if (!current) return;
          setRead(answer);
          setTyped(0);
          if (answer.problems.some((p) => p.severity === 'error')) return;
          unread.current = false;
          const before = says.current ?? document?.plan;
          const mine = before ? keepIds(before, answer.document.plan, v7) : answer.document.plan;
          says.current = mine;
          const theirs = document?.plan;
          const plan = before && theirs && theirs !== before ? mergePlans({ base: before, mine, theirs }).plan : mine;
          tell.current({ ...answer, document: { ...answer.document, plan } });
          // A plan is kept as a draft of its own.
          if (!isAlone) dropKept();
        });
    }, PAUSE);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [text, typed, document, dropKept, isAlone]);

  return {
    text,
    setText: (next) => {
      setShown(next);
      // A text that is far too long is not read, and would fill the device's store.
      if (next.length <= LONGEST_TEXT) setKept(next);
      unread.current = true;
      setTyped((n) => n + 1);
    },
    read,
    reading: typed > 0,
    drop: dropKept,
  };
}
