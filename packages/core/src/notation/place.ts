import type { IToken } from 'chevrotain';
import type { TextProblem } from './problem';

/** A problem at the place of a token. */
export function problemAt(
  token: IToken,
  message: string,
  severity: TextProblem['severity'] = 'error',
  instead?: string,
): TextProblem {
  const { startLine = 1, startColumn = 1, endColumn, image } = token;
  // What stands in the text, whatever it was read as; a token that ends on another line counts to the end of its own.
  const length = endColumn !== undefined && endColumn >= startColumn ? endColumn - startColumn + 1 : image.length;
  const place = { line: startLine, column: startColumn, length };
  return instead === undefined ? { ...place, message, severity } : { ...place, message, severity, instead };
}
