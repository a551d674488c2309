// Ends programs that a script has started.

/** Ends a program and waits until it is gone; one that has ended by itself, or was killed, is gone already. */
export async function end(child, signal = 'SIGTERM') {
  if (child.exitCode !== null || child.signalCode !== null) return;
  const gone = new Promise((resolve) => child.once('exit', resolve));
  child.kill(signal);
  await gone;
}
