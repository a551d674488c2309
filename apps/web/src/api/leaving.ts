// Signing out works without a network: the device forgets at once, the server is told when it can be.
import { keep, kept } from '@/state/persist';

const TIMEOUT_MS = 10_000;

/** Also where the device keeps nothing. */
let here = false;

/** Whether somebody signed out on this device and the server has not heard of it yet. */
export const isLeaving = (): boolean => here || kept('leaving', false);

/** From now on nobody is signed in on this device, whatever the network does. */
export function leave(): void {
  here = true;
  keep('leaving', true);
}

let telling: Promise<boolean> | null = null;

/** Ends the sign-in at the server as well; true when it is ended, or was not to be. */
export function tellServer(): Promise<boolean> {
  if (!isLeaving()) return Promise.resolve(true);
  telling ??= signOut().finally(() => (telling = null));
  return telling;
}

async function signOut(): Promise<boolean> {
  const request = new Request('/api/v1/account/sign-out', {
    method: 'POST',
    credentials: 'same-origin',
    signal: AbortSignal.timeout(TIMEOUT_MS),
  });
  try {
    if (!(await fetch(request)).ok) return false;
  } catch {
    // No network: asked again when there is reason to hope.
    return false;
  }
  here = false;
  keep('leaving', false);
  return true;
}
