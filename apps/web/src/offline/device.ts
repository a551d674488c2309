import { v7 } from 'uuid';
import { fact, setFact } from './db';

/** This device's own id, made at its first use. */
export async function deviceId(): Promise<string> {
  const known = await fact<string>('device');
  if (known) return known;
  const made = v7();
  await setFact('device', made);
  return made;
}
