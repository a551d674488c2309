// The name under which a browser saves an answer.
import { create } from 'content-disposition';

/** Spreadsheets tell by it that a text is UTF-8. */
export const CSV_MARK = '\uFEFF';

/** What no system of files takes in a name. */
const NOT_IN_NAMES = /[\\/:*?"<>|\u0000-\u001F\u007F]/g;

/**
 * The header that names a file, in all letters, to be saved or to be looked at first.
 *
 * @example named('Łąka/west.gpx') // 'attachment; filename="?aka-west.gpx"; filename*=UTF-8\'\'%C5%81%C4%85ka-west.gpx'
 */
export const named = (fileName: string, type: 'attachment' | 'inline' = 'attachment'): string =>
  create(fileName.replace(NOT_IN_NAMES, '-'), { type });
