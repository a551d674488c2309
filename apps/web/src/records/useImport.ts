import type { ImportCheck, ImportView } from '@upwell/contract/records';
import type { ResultLine } from '@upwell/core/measures';
import { useEffect, useRef, useState } from 'react';
import { v7 } from 'uuid';
import { api } from '@/api/api';
import { useAppDispatch } from '@/state/hooks';
import {
  forgetPending,
  forgetRows,
  ImportFailed,
  pendingImport,
  sendResults,
  storeResults,
  whatBecameOf,
  type PendingImport,
} from './importResults';

/** How far an import is. Results are stored, or not, only where it says so. */
export type ImportStep =
  | { readonly at: 'ready'; readonly problem?: string }
  | { readonly at: 'sending'; readonly share: number }
  | { readonly at: 'known'; readonly check: ImportCheck; readonly sent: PendingImport }
  | { readonly at: 'storing' }
  | { readonly at: 'asking' }
  | { readonly at: 'unheard'; readonly pending: PendingImport }
  | { readonly at: 'stored'; readonly done: ImportView };

export interface Import {
  readonly step: ImportStep;
  /** Sends results under a new id, and stores them when none of them is here already. */
  readonly send: (name: string, results: readonly ResultLine[]) => void;
  /** Decides about rows that are here already. */
  readonly decide: (skipKnown: boolean) => void;
  /** Asks for what was never heard of, with the id it had. */
  readonly askAgain: () => void;
  /** Lets go of what was sent and is not known to be stored. */
  readonly forget: () => void;
  readonly stop: () => void;
  /** Another file was opened: what was said of the last one no longer stands there. */
  readonly reset: () => void;
}

/** The way of a file of results into the records: one id until it is known what became of it. */
export function useImport(): Import {
  const dispatch = useAppDispatch();
  const [step, setStep] = useState<ImportStep>({ at: 'ready' });
  const running = useRef<AbortController | null>(null);

  const stored = (done: ImportView) => {
    setStep({ at: 'stored', done });
    dispatch(api.util.invalidateTags(['Records', 'Swimmer', 'Race']));
  };
  /** Runs a part of the way that can be stopped. */
  const run = async (work: (signal: AbortSignal) => Promise<void>, stopped: ImportStep) => {
    const mine = new AbortController();
    running.current = mine;
    try {
      await work(mine.signal);
    } catch (error) {
      if (error instanceof ImportFailed) setStep({ at: 'ready', problem: error.message });
      else if (mine.signal.aborted) setStep(stopped);
      else throw error;
    } finally {
      running.current = null;
    }
  };
  const store = (pending: PendingImport) => {
    setStep({ at: 'storing' });
    return run(async (signal) => stored(await storeResults(pending, () => setStep({ at: 'asking' }), signal)), {
      at: 'unheard',
      pending,
    });
  };

  useEffect(() => {
    let current = true;
    // Asked to be stored on an earlier visit, and not heard of since.
    void (async () => {
      const pending = await pendingImport();
      if (!pending || !current) return;
      setStep({ at: 'unheard', pending });
      const done = await whatBecameOf(pending.id);
      if (!done) return;
      await forgetPending();
      if (current) setStep({ at: 'stored', done });
    })();
    return () => {
      current = false;
      running.current?.abort();
    };
  }, []);

  return {
    step,
    send(name, results) {
      const id = v7();
      setStep({ at: 'sending', share: 0 });
      void run(
        async (signal) => {
          const check = await sendResults({ id, name, results }, (share) => setStep({ at: 'sending', share }), signal);
          const sent: PendingImport = { id, name, rows: check.rows, skipKnown: false };
          if (check.known > 0) setStep({ at: 'known', check, sent });
          else await store(sent);
        },
        { at: 'ready', problem: 'Stopped. Nothing was stored.' },
      );
    },
    decide(skipKnown) {
      if (step.at === 'known') void store({ ...step.sent, skipKnown });
    },
    askAgain() {
      if (step.at === 'unheard') void store(step.pending);
    },
    forget() {
      if (step.at === 'known') {
        void forgetRows(step.sent.id);
        setStep({ at: 'ready', problem: 'Nothing was stored.' });
      } else if (step.at === 'unheard') {
        void forgetPending();
        void forgetRows(step.pending.id);
        setStep({ at: 'ready' });
      }
    },
    stop() {
      running.current?.abort();
    },
    reset() {
      if (step.at === 'known') void forgetRows(step.sent.id);
      if (step.at === 'known' || step.at === 'ready' || step.at === 'stored') setStep({ at: 'ready' });
    },
  };
}
