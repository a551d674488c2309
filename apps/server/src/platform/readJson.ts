import { parse } from 'secure-json-parse';
import { ProblemError } from './problemError';

/** How deep lists and objects lie in each other in anything that is sent here; a session has 18 levels. */
const DEEPEST = 40;

/** How deep brackets lie in each other in a JSON text, those in strings left out. */
function nesting(text: string): number {
  let [depth, deepest, quoted] = [0, 0, false];
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i);
    if (quoted) {
      if (c === BACKSLASH) i++;
      else if (c === QUOTE) quoted = false;
    } else if (c === QUOTE) quoted = true;
    else if (c === OPEN_LIST || c === OPEN_OBJECT) deepest = Math.max(deepest, ++depth);
    else if (c === CLOSE_LIST || c === CLOSE_OBJECT) depth--;
  }
  return deepest;
}
const [QUOTE, BACKSLASH, OPEN_LIST, CLOSE_LIST, OPEN_OBJECT, CLOSE_OBJECT] = [0x22, 0x5c, 0x5b, 0x5d, 0x7b, 0x7d];

/** The JSON of a body, refused when it is none, names a prototype, or is nested beyond anything that is sent here. */
export function readJson(text: string): unknown {
  // Before anything is made of it: what is nested a thousand deep overflows whatever walks it.
  if (nesting(text) > DEEPEST) throw new ProblemError(400, 'The request could not be read: it is nested too deeply.');
  let value: unknown;
  try {
    value = parse(text, null, { protoAction: 'error', constructorAction: 'error' });
  } catch {
    throw new ProblemError(400, 'The request could not be read: this is not JSON.');
  }
  return value;
}

/** What is wrong with a body, field by field. */
export function fieldsProblem(
  details: readonly { readonly path: readonly (string | number)[]; readonly message: string }[],
): ProblemError {
  const fields = details.map((d) => ({ field: d.path.join('.'), message: d.message }));
  return new ProblemError(400, fields[0]?.message ?? 'Please check what you entered.', { fields });
}
