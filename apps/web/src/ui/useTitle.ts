import { useEffect } from 'react';

/** The title of the browser's tab, which a screen reader says first. Outside a browser there is none. */
export function useTitle(title: string): void {
  useEffect(() => {
    if (typeof document !== 'undefined') document.title = `${title} · Upwell`;
  }, [title]);
}
