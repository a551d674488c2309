import { useEffect, useState } from 'react';
import { DeckTime } from './time';

/** The deck clock of a page, kept under its name; null until it is open. */
export function useDeckTime(name: string): DeckTime | null {
  const [time, setTime] = useState<DeckTime | null>(null);
  useEffect(() => {
    let opened: DeckTime | undefined;
    let closed = false;
    void DeckTime.open(name, () => {}).then((t) => {
      opened = t;
      if (closed) t.close();
      else setTime(t);
    });
    return () => {
      closed = true;
      opened?.close();
    };
  }, [name]);
  return time;
}
