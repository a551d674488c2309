import type { TextProblem } from './problem';
import { readSession, type ReadSession } from './read';
import { writeSession, type SessionDocument } from './write';

/**
 * Reads a session from its JSON file. What the file holds must be sayable in the notation, so the same
 * checks count as for a typed text; with any problem nothing is read.
 */
export function readSessionJson(text: string): ReadSession {
  const refuse = (message: string): ReadSession => {
    const problem: TextProblem = { line: 1, column: 1, length: 0, message, severity: 'error' };
    return { ...readSession(''), problems: [problem] };
  };
  let file: Partial<SessionDocument> & { readonly format?: unknown; readonly version?: unknown };
  try {
    file = JSON.parse(text) as typeof file;
  } catch {
    return refuse('This is not JSON.');
  }
  if (file?.format !== 'upwell-session' || file.version !== 1)
    return refuse('This is not a session of Upwell: format and version are missing.');
  let written: string;
  try {
    written = writeSession(file as SessionDocument);
  } catch {
    // A part that the notation reads from is missing or of another kind.
    return refuse('This is not a session of Upwell: something in its plan is missing.');
  }
  const read = readSession(written);
  const wrong = read.problems.find(({ severity }) => severity === 'error');
  return wrong ? refuse(`This is not a session of Upwell: ${wrong.message}`) : read;
}
