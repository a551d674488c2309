// Efforts, and those that change inside a rep or from one to the next.
import type { IToken } from 'chevrotain';
import { is, isFiller, lookUp, numberOf, token } from '../canonical';
import { problemAt } from '../place';
import type { TextProblem } from '../problem';
import * as t from '../tokens';
import { EFFORT_BY_WORD } from '../words';
import type { Cursor } from './cursor';

/** Efforts of what is called by a word: from easy to fast, the second half faster, each one faster. */
const FROM_TO = {
  building: ['easy', '90%'],
  negative: ['70%', '85%'],
  descend: ['70%', '90%'],
} as const;

type Say = (problem: TextProblem) => void;

/** The effort some tokens from here on, in the words of the notation. */
function effortAt(c: Cursor, n: number, say: Say): IToken | null {
  const tok = c.peek(n);
  if (is(tok, t.Percent)) return token(t.Percent, `${Number.parseFloat(tok!.image)}%`, tok!);
  if (is(tok, t.PercentRange)) {
    const [low, high] = tok!.image.match(/\d+/g)!.map(Number) as [number, number];
    const mean = (low + high) / 2;
    say(problemAt(tok!, `${low} to ${high} % is read as ${mean} %, the middle.`, 'warning', `${mean}%`));
    return token(t.Percent, `${mean}%`, tok!);
  }
  if (!is(tok, t.Effort)) return null;
  const effort = lookUp(EFFORT_BY_WORD, tok!.image)!;
  return effort === 0.6 ? token(t.Effort, 'easy', tok!) : token(t.Percent, `${effort * 100}%`, tok!);
}

const pair = (word: IToken, first: IToken, second: IToken): IToken[] => [
  word,
  first,
  token(t.Slash, '/', first),
  second,
];
const halves = (at: IToken, first: IToken, second: IToken): IToken[] =>
  pair(token(t.Halves, 'halves', at), first, second);
const isBetween = (tok: IToken | undefined): boolean => is(tok, t.Slash, t.Comma, t.Plus);

/** An effort, or two of them in the halves of each rep: `fast`, `easy/sprint`, `half easy half sprint`, `easy to fast`. */
export function effortHere(c: Cursor, say: Say): IToken[] | null {
  const start = c.peek()!;
  if (is(start, t.Half)) {
    const first = effortAt(c, 1, say);
    let n = 2;
    while (isBetween(c.peek(n))) n++;
    const second = is(c.peek(n), t.Half) ? effortAt(c, n + 1, say) : null;
    if (!first || !second) return null;
    c.at += n + 2;
    return halves(start, first, second);
  }
  const first = effortAt(c, 0, say);
  if (!first) return null;
  const second = is(c.peek(1), t.Slash) || c.peek(1)?.image.toLowerCase() === 'to' ? effortAt(c, 2, say) : null;
  c.at += second ? 3 : 1;
  return second ? halves(start, first, second) : [first];
}

/** `4 x 50 (25 fast, 25 easy)`: halves, when both numbers are half of the rep. */
export function halvesInNumbers(c: Cursor, extent: IToken | undefined, say: Say): IToken[] | null {
  const start = c.peek()!;
  const whole = numberOf(extent);
  const half = whole === null ? null : whole / 2;
  const part = (n: number): { readonly effort: IToken; readonly next: number } | null => {
    if (half === null || numberOf(c.peek(n)) !== half) return null;
    const at = n + (is(c.peek(n + 1), t.Unit) ? 2 : 1);
    const effort = effortAt(c, at, say);
    return effort && { effort, next: at + 1 };
  };
  const first = part(0);
  if (!first) return null;
  let n = first.next;
  while (isBetween(c.peek(n)) || is(c.peek(n), t.Open, t.Close)) n++;
  const second = part(n);
  if (!second) return null;
  c.at += second.next;
  return halves(start, first.effort, second.effort);
}

/** What an effort that changes says besides its own tokens. */
interface Shaped {
  readonly tokens: IToken[];
  readonly note: string;
  /** Reps in which it goes from the first to the last, where that is said: `desc 1–4`. */
  readonly each: number | null;
}

/** Build, negative split, descend, and halves as the notation has them. */
export function shapedHere(c: Cursor, say: Say): Shaped | null {
  const tok = c.peek();
  if (is(tok, t.Halves)) {
    c.at++;
    return { tokens: twoEfforts(c, tok!, undefined, say), note: '', each: null };
  }
  if (is(tok, t.Building, t.Negative)) {
    c.at++;
    const building = is(tok, t.Building);
    const tokens = twoEfforts(c, token(t.Halves, 'halves', tok!), FROM_TO[building ? 'building' : 'negative'], say);
    return { tokens, note: building ? 'Build.' : '', each: null };
  }
  if (!is(tok, t.Descend)) return null;
  c.at++;
  const [from, to] = [numberOf(c.peek()), numberOf(c.peek(2))];
  const said = from !== null && to !== null && (is(c.peek(1), t.Dash) || isFiller(c.peek(1)));
  if (said) c.at += 3;
  const tokens = twoEfforts(c, token(t.Descend, 'descend', tok!), FROM_TO.descend, say);
  return { tokens, note: '', each: said ? Math.abs(to - from) + 1 : null };
}

/** Two efforts as they are written, or those that the word means. */
function twoEfforts(c: Cursor, word: IToken, usual: readonly [string, string] | undefined, say: Say): IToken[] {
  c.passFillers();
  const first = effortAt(c, 0, say);
  const second = first && (is(c.peek(1), t.Slash) || isFiller(c.peek(1))) ? effortAt(c, 2, say) : null;
  if (first && second) {
    c.at += 3;
    return pair(word, first, second);
  }
  if (!usual) return [word];
  const [low, high] = usual.map((image) => token(image === 'easy' ? t.Effort : t.Percent, image, word));
  return pair(word, low!, high!);
}
