/** A draft with the way back, and the way on after going back. */
export interface History<T> {
  readonly past: readonly T[];
  readonly future: readonly T[];
}

/** Which ways a draft has, for the buttons. */
export const ways = ({ past, future }: Partial<History<unknown>>) => ({
  canUndo: (past ?? []).length > 0,
  canRedo: (future ?? []).length > 0,
});

export const NO_HISTORY: History<never> = { past: [], future: [] };

/** How many steps can be undone. */
export const STEPS = 60;

/**
 * Undo and redo for one part of a draft.
 *
 * @param of the part whose changes can be taken back
 * @param put the draft with another value of that part
 * @example
 * const steps = undoable((d: Draft) => d.plan, (d, plan) => ({ ...d, plan }));
 * steps.undone(steps.changed(draft, plan)) // the draft as it was
 */
export function undoable<D extends History<T>, T>(of: (draft: D) => T, put: (draft: D, value: T) => D) {
  return {
    /** The draft with a new value; the one before can be brought back. */
    changed: (draft: D, value: T): D => ({
      ...put(draft, value),
      past: [...draft.past, of(draft)].slice(-STEPS),
      future: [],
    }),
    /** The draft one step before; itself when there is none. */
    undone: (draft: D): D => {
      if (draft.past.length === 0) return draft;
      // A draft that an earlier version of the app left on this device has no way on.
      const future = [of(draft), ...(draft.future ?? [])];
      return { ...put(draft, draft.past.at(-1)!), past: draft.past.slice(0, -1), future };
    },
    /** The draft after the step that was last taken back; itself when there is none. */
    redone: (draft: D): D => {
      const [next, ...future] = draft.future ?? [];
      if (next === undefined) return draft;
      return { ...put(draft, next), past: [...draft.past, of(draft)], future };
    },
  };
}
