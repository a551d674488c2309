// Small values that stay on this device.
const PREFIX = 'upwell.';

/** Reads what was kept on this device; the fallback when there is nothing or it cannot be read. */
export function kept<T>(name: string, fallback: T): T {
  if (typeof localStorage === 'undefined') return fallback;
  const text = localStorage.getItem(PREFIX + name);
  if (text === null) return fallback;
  try {
    return JSON.parse(text) as T;
  } catch {
    // Damaged by something outside: start clean rather than not at all.
    return fallback;
  }
}

/** Keeps a value on this device; false when there is no room, and the work goes on in memory. */
export function keep(name: string, value: unknown): boolean {
  if (typeof localStorage === 'undefined') return true;
  try {
    localStorage.setItem(PREFIX + name, JSON.stringify(value));
    return true;
  } catch (error) {
    console.warn('This device has no room left; unsaved work is kept only while this page stays open.', error);
    return false;
  }
}
