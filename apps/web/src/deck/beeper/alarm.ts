import { useEffect } from 'react';
import { beepAt } from './sound';

/** Beeps of one alarm, and seconds between them. */
const BEEPS = 6;
const EVERY_S = 0.18;

/** Sounds whenever more people are missing than before; what is shown stays when a device gives no sound. */
export function useAlarm(missing: number): void {
  useEffect(() => {
    if (missing === 0) return;
    let audio: AudioContext;
    try {
      audio = new AudioContext();
    } catch (error) {
      console.warn('The alarm cannot play sound.', error);
      return;
    }
    for (let n = 0; n < BEEPS; n++) beepAt(audio, audio.currentTime + 0.05 + n * EVERY_S, n % 2 === 0);
    const done = setTimeout(() => void audio.close(), (BEEPS * EVERY_S + 1) * 1000);
    return () => {
      clearTimeout(done);
      if (audio.state !== 'closed') void audio.close();
    };
  }, [missing]);
}
