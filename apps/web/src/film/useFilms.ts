/** What is kept on this device, and the room there is: read again after each change. */
import { useEffect, useState } from 'react';
import { films, freeBytes, onFilms, type Film } from './filmStore';

export interface Kept {
  readonly films: readonly Film[];
  readonly free: number | null;
}

/** Films on this device; undefined until they are read. */
export function useFilms(): Kept | undefined {
  const [kept, setKept] = useState<Kept>();
  useEffect(() => {
    let gone = false;
    const read = async () => {
      const [all, free] = await Promise.all([films(), freeBytes()]);
      if (!gone) setKept({ films: all, free });
    };
    void read();
    const stop = onFilms(() => void read());
    return () => {
      gone = true;
      stop();
    };
  }, []);
  return kept;
}
