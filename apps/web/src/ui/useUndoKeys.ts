import { useEffect, useRef } from 'react';

/** Ctrl+Z and Ctrl+Shift+Z (⌘ on a Mac) anywhere but in a field, which has its own way back. */
export function useUndoKeys(undo: () => void, redo: () => void): void {
  const keys = useRef({ undo, redo });
  useEffect(() => {
    keys.current = { undo, redo };
  });
  useEffect(() => {
    if (typeof document === 'undefined') return;
    const onKey = (event: KeyboardEvent) => {
      const field = event.target instanceof HTMLElement && event.target.matches('input, textarea');
      if (field || event.key.toLowerCase() !== 'z' || !(event.ctrlKey || event.metaKey)) return;
      event.preventDefault();
      if (event.shiftKey) keys.current.redo();
      else keys.current.undo();
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, []);
}
