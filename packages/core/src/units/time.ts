/**
 * Seconds as minutes and seconds, the way times are written at a pool.
 *
 * @param timeS seconds, ≥ 0
 * @param decimals tenths or hundredths to show, 0–2
 * @example formatTime(352) // '5:52'
 * @example formatTime(21.4, 1) // '21.4'
 */
export function formatTime(timeS: number, decimals = 0): string {
  if (!Number.isFinite(timeS)) return '–';
  const factor = 10 ** decimals;
  const units = Math.round(Math.max(0, timeS) * factor);
  const seconds = (units % (60 * factor)) / factor;
  const minutes = Math.floor(units / (60 * factor));
  if (minutes === 0 && decimals > 0) return seconds.toFixed(decimals);
  const shown = seconds.toFixed(decimals).padStart(decimals > 0 ? decimals + 3 : 2, '0');
  if (minutes < 60) return `${minutes}:${shown}`;
  return `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, '0')}:${shown}`;
}

/**
 * Reads a time as coaches write it: `5:52`, `1:02:30`, `21.4`, `21,4`, `1'10"30`.
 *
 * @returns seconds, or null when the text is not a time
 * @example parseTime('5:52') // 352
 */
export function parseTime(text: string): number | null {
  const match = /^(?:(?:(\d{1,2}):)?(\d{1,3}):)?(\d{1,5}(?:[.,]\d{1,3})?)$/.exec(withColons(text.trim()));
  if (!match) return null;
  const [, hours, minutes, rest] = match;
  const seconds = Number(rest!.replace(',', '.'));
  if (minutes !== undefined && seconds >= 60) return null;
  if (hours !== undefined && Number(minutes) >= 60) return null;
  return Number(hours ?? 0) * 3600 + Number(minutes ?? 0) * 60 + seconds;
}

/** Minutes and seconds with their own signs, as `1:10.30`. */
const withColons = (text: string): string =>
  text
    .replace(/''|["”″]/, '.')
    .replace(/['’′]/, ':')
    .replace(/[.]$/, '');

/**
 * Seconds for 100 units at a speed.
 *
 * @param speedMps metres a second, > 0
 * @example Math.round(paceSPer100(1.0695) * 10) / 10 // 93.5
 */
export function paceSPer100(speedMps: number): number {
  return 100 / speedMps;
}

/**
 * The time of day some seconds after a start, to the next whole minute.
 *
 * @example clockAfter('19:00', 3541) // '20:00'
 */
export function clockAfter(start: string, seconds: number): string {
  const [hours, minutes] = start.split(':').map(Number) as [number, number];
  const total = hours * 60 + minutes + Math.ceil(seconds / 60);
  return `${String(Math.floor(total / 60) % 24).padStart(2, '0')}:${String(total % 60).padStart(2, '0')}`;
}
