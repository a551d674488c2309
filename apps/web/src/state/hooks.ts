// The store as hooks with types, and drafts that survive a closed tab.
import { dayIn } from '@upwell/core/days';
import { useCallback, useSyncExternalStore } from 'react';
import { useDispatch, useSelector, useStore } from 'react-redux';
import { dropDraft, keepDraft } from './drafts';
import type { AppState, AppStore } from './reducers';

export const useAppDispatch = useDispatch.withTypes<AppStore['dispatch']>();
export const useAppSelector = useSelector.withTypes<AppState>();
export const useAppStore = useStore.withTypes<AppStore>();

/** The zone of the club's clock, by which every day and time is told that is not of another place. */
export const useZone = (): string => useAppSelector((state) => state.place.timeZone);

const MINUTE_MS = 60_000;
function everyMinute(look: () => void): () => void {
  const timer = setInterval(look, MINUTE_MS);
  return () => clearInterval(timer);
}

/** Today by the club's clock; it turns while a page is open. */
export function useToday(): string {
  const zone = useZone();
  return useSyncExternalStore(everyMinute, () => dayIn(zone, Date.now()));
}

/** Unsaved work under a key, kept on this device until it is saved or dropped. */
export function useDraft<T>(key: string, initial: T): readonly [T, (change: T | ((now: T) => T)) => void, () => void] {
  const dispatch = useAppDispatch();
  const store = useAppStore();
  const value = useAppSelector((state) => state.drafts[key] as T | undefined) ?? initial;
  const set = useCallback(
    (change: T | ((now: T) => T)) => {
      const now = (store.getState().drafts[key] as T | undefined) ?? initial;
      dispatch(keepDraft({ key, value: typeof change === 'function' ? (change as (now: T) => T)(now) : change }));
    },
    [dispatch, store, key, initial],
  );
  const drop = useCallback(() => void dispatch(dropDraft(key)), [dispatch, key]);
  return [value, set, drop];
}
