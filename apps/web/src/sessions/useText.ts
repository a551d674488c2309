import type { ReadSession, SessionDocument } from '@upwell/core/notation';
import { LONGEST_TEXT } from '@upwell/core/sessions';
import { useEffect, useRef, useState } from 'react';
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
 * @param initial what a new text begins with
 */
export function useText(
  key: string,
  document: SessionDocument | null,
  onRead: (read: ReadSession) => void,
  initial = '',
): TextState {
  const [kept, setKept, dropKept] = useDraft<string>(key, '');
  const [text, setShown] = useState(kept || initial);
  const [read, setRead] = useState<ReadSession | null>(null);
  const [typed, setTyped] = useState(text !== '' ? 1 : 0);
  const fromText = useRef<unknown>(kept !== '' ? document?.plan : null);
  const tell = useRef(onRead);
  useEffect(() => {
    tell.current = onRead;
  });

  // The plan was changed elsewhere: the text follows.
  useEffect(() => {
    if (!document || document.plan === fromText.current) return;
    let current = true;
    void compute()
      .writeSession(document)
      .then((written) => {
        if (!current) return;
        fromText.current = document.plan;
        setShown(written);
        setRead(null);
        dropKept();
      });
    return () => {
      current = false;
    };
  }, [document, dropKept]);

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
          fromText.current = answer.document.plan;
          tell.current(answer);
          // A plan is kept as a draft of its own; a text without one is all there is.
          if (document) dropKept();
        });
    }, PAUSE);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [text, typed, document, dropKept]);

  return {
    text,
    setText: (next) => {
      setShown(next);
      // A text that is far too long is not read, and would fill the device's store.
      if (next.length <= LONGEST_TEXT) setKept(next);
      setTyped((n) => n + 1);
    },
    read,
    reading: typed > 0,
    drop: dropKept,
  };
}
