// Hears, while a session is on the screen, what other devices change of it.
import type { Here, LiveEvents } from '@upwell/contract/live';
import { useEffect, useRef, useState } from 'react';
import { deviceId } from './device';

/** What is done when something is heard. */
interface Ears {
  /** The session was stored, in this version; null when it was taken out. */
  readonly onSession?: (version: number | null) => void;
  /** Something was noted on deck. */
  readonly onRun?: () => void;
}

export interface Live {
  readonly connected: boolean;
  /** Other devices that have it open. */
  readonly others: readonly Here[];
}

const ALONE: Live = { connected: false, others: [] };

/** Waits before a stream that was refused is tried again, milliseconds; then always the last. */
const WAITS = [2000, 5000, 15_000, 60_000];

/**
 * Listens while the page is seen and there is a network; a page that is hidden holds no connection. What was missed
 * meanwhile is told when it listens again.
 *
 * @param session id of the session; null listens to nothing
 */
export function useLive(session: string | null, ears: Ears): Live {
  const [live, setLive] = useState<Live>(ALONE);
  const heard = useRef(ears);
  useEffect(() => {
    heard.current = ears;
  });
  useEffect(() => {
    if (session === null || typeof EventSource === 'undefined') return;
    let [closed, failures] = [false, 0];
    let source: EventSource | null = null;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const stop = () => {
      clearTimeout(timer);
      source?.close();
      source = null;
      setLive(ALONE);
    };
    const start = async () => {
      const device = await deviceId();
      if (closed || source || document.visibilityState === 'hidden') return;
      const opened = new EventSource(`/api/v1/sessions/${session}/live?device=${device}`);
      source = opened;
      const on = <K extends keyof LiveEvents>(event: K, take: (data: LiveEvents[K]) => void) =>
        opened.addEventListener(event, ({ data }: MessageEvent<string>) => take(JSON.parse(data) as LiveEvents[K]));
      on('session', ({ version }) => heard.current.onSession?.(version));
      on('run', () => heard.current.onRun?.());
      on('here', (here) => setLive({ connected: true, others: here.filter((one) => one.device !== device) }));
      opened.onopen = () => {
        failures = 0;
        setLive((now) => ({ ...now, connected: true }));
      };
      opened.onerror = () => {
        setLive(ALONE);
        // A lost connection is tried again by the browser, a refusal is not.
        if (opened.readyState !== EventSource.CLOSED || source !== opened) return;
        source = null;
        timer = setTimeout(() => void start(), WAITS[Math.min(failures++, WAITS.length - 1)]);
      };
    };
    const look = () => (document.visibilityState === 'hidden' ? stop() : void start());
    const again = () => {
      stop();
      void start();
    };
    void start();
    document.addEventListener('visibilitychange', look);
    window.addEventListener('online', again);
    window.addEventListener('offline', stop);
    return () => {
      closed = true;
      stop();
      document.removeEventListener('visibilitychange', look);
      window.removeEventListener('online', again);
      window.removeEventListener('offline', stop);
    };
  }, [session]);
  return live;
}
