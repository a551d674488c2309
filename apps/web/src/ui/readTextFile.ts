/**
 * The text of a file, whatever wrote it: UTF-8, UTF-16 with its mark, or else the letters of older western spreadsheets.
 *
 * @example await readTextFile(new File(['Łukasz'], 'a.csv')) // 'Łukasz'
 */
export async function readTextFile(file: Blob): Promise<string> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  const wide =
    bytes[0] === 0xff && bytes[1] === 0xfe ? 'utf-16le' : bytes[0] === 0xfe && bytes[1] === 0xff ? 'utf-16be' : null;
  if (wide) return new TextDecoder(wide).decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    // Not UTF-8: every byte is a letter of the older set.
    return new TextDecoder('windows-1252').decode(bytes);
  }
}
