/** A clip on its way: made ready in the worker, kept on the device, sent, and sent on after a broken connection. */
import type { SentClip } from '@upwell/contract/sent';
import { proxy } from 'comlink';
import { useEffect, useEffectEvent, useRef, useState } from 'react';
import { useAppDispatch } from '@/state/hooks';
import { api } from '@/api/api';
import { filmWork, type PreparedFilm } from '@/worker';
import { deleteFilms, type Film } from '../filmStore';
import { useFilms } from '../useFilms';
import { keepToSend, NotSent, sendKept } from './sending';

export type Way =
  | { readonly at: 'rest' }
  | { readonly at: 'preparing' | 'sending'; readonly share: number }
  | { readonly at: 'held'; readonly why: string };

const WHY: Readonly<Record<Exclude<Extract<PreparedFilm, { readonly ok: false }>['why'], 'stopped'>, string>> = {
  unreadable: 'The pictures of this video cannot be read here. A video saved as MP4 (H.264) or WebM can be.',
  'cannot-write': 'This browser cannot make this video small enough. Send a shorter one, or use another browser.',
  'too-large': 'This video stays larger than 60 MB. Send a shorter one.',
};

const BROKE = 'This video could not be made ready. Try again, or send another one.';
const FULL = 'This device has no room to keep the clip until it is sent. Make room, then send it again.';

interface Sending {
  readonly way: Way;
  /** The film that waits here to go on; undefined while there is none. */
  readonly kept: Film | undefined;
  readonly send: (film: Blob, fromS: number) => Promise<void>;
  readonly goOn: () => void;
  readonly stop: () => void;
}

export function useSending(clip: SentClip): Sending {
  const dispatch = useAppDispatch();
  const kept = useFilms()?.films.find((f) => f.id === clip.id);
  const [way, setWay] = useState<Way>({ at: 'rest' });
  const running = useRef<AbortController | null>(null);
  const end = () => {
    running.current?.abort();
    running.current = null;
  };
  useEffect(
    () => () => {
      if (!running.current) return;
      end();
      void filmWork().stopPreparing();
    },
    [],
  );

  const begin = () => {
    end();
    running.current = new AbortController();
    return running.current;
  };
  const deliver = async (film: Film, mine: AbortController) => {
    try {
      await sendKept(film, (share) => setWay({ at: 'sending', share }), mine.signal);
      setWay({ at: 'rest' });
      dispatch(api.util.invalidateTags(['Sent']));
    } catch (error) {
      if (mine.signal.aborted) return;
      if (!(error instanceof NotSent)) throw error;
      setWay({ at: 'held', why: error.message });
      // Taken back by the coach, or sent from another device: the list says which.
      if (!error.again) dispatch(api.util.invalidateTags(['Sent']));
    } finally {
      if (running.current === mine) running.current = null;
    }
  };
  const goOn = () => {
    if (kept && !running.current) void deliver(kept, begin());
  };
  const onLine = useEffectEvent(goOn);
  const { sentAt } = clip;
  const [keptId, waits] = [kept?.id, sentAt === null];
  useEffect(() => {
    if (keptId === undefined) return;
    if (waits) onLine();
    // The server has all of it already, no matter who sent it.
    else void deleteFilms([keptId]);
  }, [keptId, waits]);
  useEffect(() => {
    window.addEventListener('online', onLine);
    return () => window.removeEventListener('online', onLine);
  }, []);

  return {
    way,
    kept,
    goOn,
    send: async (film, fromS) => {
      const mine = begin();
      setWay({ at: 'preparing', share: 0 });
      const said = (share: number) => {
        if (running.current === mine) setWay({ at: 'preparing', share });
      };
      const failed = (why: string) => {
        if (running.current !== mine) return;
        running.current = null;
        setWay({ at: 'held', why });
      };
      let made: PreparedFilm;
      try {
        made = await filmWork().prepare(film, fromS, proxy(said));
      } catch {
        failed(BROKE);
        return;
      }
      if (running.current !== mine) return;
      if (!made.ok) {
        running.current = null;
        setWay(made.why === 'stopped' ? { at: 'rest' } : { at: 'held', why: WHY[made.why] });
        return;
      }
      setWay({ at: 'sending', share: 0 });
      let ready: Film;
      try {
        ready = await keepToSend(clip, made);
      } catch (error) {
        failed((error as Error).name === 'QuotaExceededError' ? FULL : BROKE);
        return;
      }
      await deliver(ready, mine);
    },
    stop: () => {
      end();
      void filmWork().stopPreparing();
      void deleteFilms([clip.id]);
      setWay({ at: 'rest' });
    },
  };
}
