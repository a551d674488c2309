import { textOf } from '@upwell/core/text';

/**
 * The text of a file, whatever wrote it: see {@link textOf}.
 *
 * @example await readTextFile(new File(['Łukasz'], 'a.csv')) // 'Łukasz'
 */
export const readTextFile = async (file: Blob): Promise<string> => textOf(new Uint8Array(await file.arrayBuffer()));
