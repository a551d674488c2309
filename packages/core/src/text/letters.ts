// The letters of a file.
/** Two zero bytes of every four, or so: text of two bytes a letter without a mark that says so. */
const ZEROS = 0.3;

/**
 * The text of a file, whatever letters it is written in: UTF-8, UTF-16 with or without its mark, or else the letters of a
 * western office (Windows-1252).
 *
 * @example textOf(new Uint8Array([0xff, 0xfe, 0x41, 0x00])) // 'A'
 */
export function textOf(bytes: Uint8Array): string {
  const [a, b] = bytes;
  if (a === 0xff && b === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
  if (a === 0xfe && b === 0xff) return new TextDecoder('utf-16be').decode(bytes);
  const head = bytes.subarray(0, 400);
  const zeros = (odd: number) =>
    head.filter((byte, i) => byte === 0 && i % 2 === odd).length / Math.max(1, head.length);
  if (zeros(1) > ZEROS && zeros(0) === 0) return new TextDecoder('utf-16le').decode(bytes);
  if (zeros(0) > ZEROS && zeros(1) === 0) return new TextDecoder('utf-16be').decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch (error) {
    // By its name: it may come from another realm.
    if ((error as Error).name !== 'TypeError') throw error;
    return new TextDecoder('windows-1252').decode(bytes);
  }
}
