import { runState, type DeckEvent, type DeckFact, type RunState } from '@upwell/core/deck';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { v7 } from 'uuid';
import { deviceId, eventsOf, keepEvent, fetchEvents, sendSoon, useLive, type Live } from '@/offline';
import { storageFull } from '@/state/offline';
import { clockRuns } from '@/state/version';
import { useAppDispatch, useAppStore } from '@/state/hooks';
import { DeckTime } from './time';

/** How often other devices are asked what they noted while nothing tells of it, milliseconds. */
const ASK_MS = 5000;
/** No session takes longer, milliseconds. */
const LONGEST_RUN_MS = 6 * 3600_000;

export interface Run {
  readonly state: RunState;
  readonly events: readonly DeckEvent[];
  readonly time: DeckTime;
  /**
   * Notes something, dated by the page's stamp of the moment, or by a moment of the deck clock for what is
   * put in afterwards; answers the id of the event.
   */
  readonly note: (fact: DeckFact, monoMs?: number, atMs?: number) => string;
  /** Counts up whenever the clocks raise a doubt. */
  readonly doubts: number;
  /** Who else runs it. */
  readonly live: Live;
}

/** The run of a session: everything noted on this device and on others, and the way to note more. Null while it opens. */
export function useRun(session: string): Run | null {
  const store = useAppStore();
  const dispatch = useAppDispatch();
  const [events, setEvents] = useState<readonly DeckEvent[]>([]);
  const [time, setTime] = useState<DeckTime | null>(null);
  const [device, setDevice] = useState<string | null>(null);
  const [doubts, setDoubts] = useState(0);
  const channel = useRef<BroadcastChannel | null>(null);

  const merge = useCallback((more: readonly DeckEvent[]) => {
    setEvents((now) => {
      const known = new Set(now.map((e) => e.id));
      const fresh = more.filter((e) => !known.has(e.id));
      return fresh.length === 0 ? now : [...now, ...fresh];
    });
  }, []);

  const ask = useCallback(async () => {
    if (globalThis.document?.visibilityState !== 'hidden' && (await fetchEvents(store, session)))
      merge(await eventsOf(session));
  }, [store, session, merge]);
  const live = useLive(session, { onRun: () => void ask() });
  const { connected } = live;
  useEffect(() => {
    const first = setTimeout(() => void ask());
    const timer = connected ? undefined : setInterval(() => void ask(), ASK_MS);
    return () => {
      clearTimeout(first);
      clearInterval(timer);
    };
  }, [ask, connected]);

  useEffect(() => {
    let closed = false;
    let opened: DeckTime | undefined;
    const load = async () => merge(await eventsOf(session));
    void (async () => {
      const opening = DeckTime.open(session, () => setDoubts((n) => n + 1));
      const [, here] = await Promise.all([load(), deviceId()]);
      opened = await opening;
      if (closed) return opened.close();
      setDevice(here);
      setTime(opened);
    })();
    // Another tab of this device runs the same session.
    const other = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('upwell-run');
    channel.current = other;
    if (other) other.onmessage = () => void load();
    return () => {
      closed = true;
      other?.close();
      opened?.close();
    };
  }, [session, merge]);

  const note = useCallback(
    (fact: DeckFact, monoMs?: number, atMs?: number) => {
      const event: DeckEvent = { id: v7(), atMs: atMs ?? time!.at(monoMs), device: device!, ...fact };
      // Stored first, drawn after it: the device writes while the screen is drawn.
      const keeping = keepEvent(session, event);
      merge([event]);
      keeping
        .catch((error: unknown) => {
          dispatch(storageFull(true));
          console.warn('This device has no room for what was just noted.', error);
        })
        .finally(() => {
          performance.mark('upwell-stored', { detail: { id: event.id, from: monoMs } });
          channel.current?.postMessage(session);
          sendSoon(store);
        });
      return event.id;
    },
    [time, device, session, merge, dispatch, store],
  );

  const state = useMemo(() => runState(events), [events]);
  const { beganMs, endedMs } = state;
  // Also while the coach looks at something else: nothing may interrupt it until it has ended, or is hours old.
  useEffect(() => {
    const runs = beganMs !== null && endedMs === null && Date.now() - beganMs < LONGEST_RUN_MS;
    dispatch(clockRuns({ session, runs }));
  }, [dispatch, session, beganMs, endedMs]);
  return time && device ? { state, events, time, note, doubts, live } : null;
}
