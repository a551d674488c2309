import { useEffect, useState } from 'react';
import type { DeckTime } from './time';

/** The deck clock, looked at so often; only what shows a clock should ask. */
export function useNow(time: DeckTime, everyMs: number, running = true): number {
  const [now, setNow] = useState(() => time.at());
  useEffect(() => {
    if (!running) return;
    const timer = setInterval(() => setNow(time.at()), everyMs);
    return () => clearInterval(timer);
  }, [time, everyMs, running]);
  return now;
}
