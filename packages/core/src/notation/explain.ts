import { EOF, type IRecognitionException, type IToken } from 'chevrotain';
import type { TextProblem } from './problem';
import { problemAt } from './place';
import { is, typed } from './canonical';
import { suggest } from './suggest';
import * as t from './tokens';
import { BLOCK_BY_WORD, SET_WORDS } from './words';

/** What a part of a line needs, by the rule that was being read. */
const NEEDS: Readonly<Record<string, string>> = {
  rest: 'seconds, like “rest 20”',
  on: 'a time, like “on 1:30”',
  clock: 'a time, like 20 or 1:30',
  look: 'strokes, like “look 8”',
  rate: 'strokes a minute, like “rate 62”',
  breathe: 'strokes or a side, like “breathe 3” or “breathe left”',
  breaths: 'breaths in a length, like “breaths 4”',
  halves: 'two efforts, like “halves easy/all-out”',
  descend: 'two efforts, like “descend 70%/90%”',
  effort: 'an effort, like easy or 80%',
  drill: 'the name of a drill, like “drill side-kick”',
  with: 'kit, like “with fins + buoy”',
  rounds: 'a bracket, like “2 x (”',
  pause: 'a time, like “rest 2 min”',
  set: 'a distance, like “4 x 50 crawl”',
  block: 'minutes or a total, like “Land 6 min” or “Main = 800”',
  group: 'a name and perhaps a total, like “== Build = 1450”',
};

/** A parser's error in a coach's words, at its place. */
export function explain(error: IRecognitionException, first: IToken): TextProblem {
  const found = error.token.tokenType === EOF ? null : error.token;
  const place = found ?? (error as { previousToken?: IToken }).previousToken ?? first;
  const rules = error.context.ruleStack;
  const rule = rules[rules.length - 1] ?? 'line';
  const needs = NEEDS[rule];
  if (!found) return problemAt(place, needs ? `Something is missing here: ${needs}.` : 'This line is not finished.');
  const near = suggest(typed(found), SET_WORDS);
  const meant = near ? ` Did you mean “${near}”?` : '';
  const startsLine = found === first;
  const message = startsLine
    ? `“${typed(found)}” cannot begin a line. A set begins with a number, like “4 x 50 crawl”.${blockMeant(typed(found))}`
    : `“${typed(found)}” does not fit here${needs && rule !== 'set' ? `: ${needs} is needed` : ''}.${meant}`;
  return problemAt(place, message, 'error', startsLine ? undefined : (near ?? undefined));
}

/** Headings of the notation, to be named where one is not known. */
const HEADINGS = 'Land, Warm-up, Drills, Main, Speed or Swim-down';

/** Most words of a heading that is not known. */
export const MOST_HEADING_WORDS = 4;

/** What is wrong with a line that looks like a heading but is none that is known; null for other lines. */
export function unknownHeading(tokens: readonly IToken[]): TextProblem | null {
  const [first] = tokens;
  if (!is(first, t.Word)) return null;
  const colon = tokens.findIndex((tok) => is(tok, t.Colon));
  const words = colon < 0 ? tokens.filter((tok) => !is(tok, t.Stated, t.Numeral, t.Unit)) : tokens.slice(0, colon);
  if (words.length > MOST_HEADING_WORDS || words.some((tok) => !/^[A-Za-zÀ-ž]/.test(tok.image))) return null;
  if (colon < 0 && tokens.some((tok) => is(tok, t.Times, t.Comma))) return null;
  const name = words.map((tok) => tok.image).join(' ');
  const near = suggest(name, Object.keys(BLOCK_BY_WORD));
  const meant = near ? `Did you mean “${near}”?` : `A part is called ${HEADINGS}.`;
  return problemAt(
    first!,
    `“${name}” is no part of a session that is known here. ${meant}`,
    'error',
    near ?? undefined,
  );
}

function blockMeant(word: string): string {
  const near = suggest(word, Object.keys(BLOCK_BY_WORD));
  return near ? ` Did you mean “${near}”?` : '';
}
