// What stands on a line further on: whether a set begins, what is swum in turn, how often a bracket is swum.
import type { IToken } from 'chevrotain';
import { LEVELS, levelCard } from '../../swimmers';
import { is, isFiller, lookUp, numberOf, token } from '../canonical';
import * as t from '../tokens';
import { SAID } from '../words';

/** The tokens of a line without the bullet or the number in front of it. */
export function unbulleted(tokens: readonly IToken[]): readonly IToken[] {
  let from = 0;
  while (is(tokens[from], t.Dash, t.Bullet, t.Times) && from < tokens.length - 1) from++;
  const [first, second, third] = tokens.slice(from);
  const letter = is(first, t.Word) && first!.image.length === 1;
  const numbered = (letter || is(first, t.Numeral)) && is(second, t.Dot, t.Close) && third !== undefined;
  // `1)` closes nothing here; `4 x 50 )` does not begin like this.
  return tokens.slice(numbered ? from + 2 : from);
}

/** Whether a line is nothing but the name of a level or of lanes: `Hold`, `Build group:`, `Lane 2`. */
export function isGroupName(tokens: readonly IToken[]): boolean {
  const words = tokens.filter((tok) => !is(tok, t.Colon, t.Stated, t.Note, t.Unit));
  const text = words
    .map((tok) => tok.image)
    .join(' ')
    .toLowerCase();
  const names = LEVELS.flatMap((level) => [level, levelCard(level).name.toLowerCase()]);
  return (
    names.some((name) => text === name || text === `${name} group` || text === `${name} level`) ||
    /^lanes? \d+( [-–] \d+)?$/.test(text)
  );
}

/** Whether a set begins here: `4 x 50`, `100 choice`, `200 m`, `1 length`. */
export function beginsSet(tokens: readonly IToken[], at: number): boolean {
  const [first, second, third] = tokens.slice(at, at + 3);
  if (is(first, t.Half)) return is(second, t.Lengths, t.PerLength) || isFiller(second);
  // `easy 100`, `kick 4 x 50`.
  if (is(first, t.Effort, t.Stroke, t.Drill) && numberOf(second) !== null && !is(third, t.Rest))
    return !is(third, t.Dash);
  if (numberOf(first) === null) return false;
  if (is(second, t.Times, t.Rounds, t.Lengths)) return true;
  const unit = is(second, t.Unit) ? lookUp(SAID.unit, second!.image) : undefined;
  if (unit === 's' || is(second, t.Rest, t.Minutes, t.MinutesMark, t.SecondsMark)) return is(third, t.Stroke);
  if (unit !== undefined) return true;
  return (
    is(second, t.Stroke, t.Effort, t.Drill, t.Percent, t.Building, t.Negative) ||
    (is(second, t.Word) && !isFiller(second))
  );
}

/** Words of what is swum in turn: `odds fast, evens easy`, `alternating free and back`. */
const ODD = /^odds?$/i;
const EVEN = /^evens?$/i;
const IN_TURN = /^(?:alt|alternate|alternating|alternately)$/i;

/**
 * Reps that are swum in turn: `8 x 50 odd fast even easy` is four times both. Null for all others, and where the number of
 * reps is odd.
 */
export function inTurn(
  tokens: readonly IToken[],
): { readonly times: IToken; readonly sets: readonly IToken[][] } | null {
  const [reps, times, ...behind] = tokens;
  const n = numberOf(reps);
  if (n === null || n % 2 !== 0 || n < 2 || !is(times, t.Times)) return null;
  const said = behind
    .map((tok, i) => ({ tok, i }))
    .filter(({ tok }) => !is(tok, t.Comma, t.Dash, t.Colon, t.Open, t.Close));
  const at = (test: (tok: IToken) => boolean) => said.findIndex(({ tok }) => test(tok));
  const isOne = (tok: IToken | undefined) => is(tok, t.Numeral) && tok!.image === '1';
  const odd = at((tok) => ODD.test(tok.image));
  const even = at((tok) => EVEN.test(tok.image));
  const alternate = at((tok) => IN_TURN.test(tok.image));
  const one = at(isOne);
  let taken: readonly number[];
  let pair: readonly (IToken | undefined)[];
  if (odd >= 0 && even === odd + 2) {
    pair = [said[odd + 1]?.tok, said[even + 1]?.tok];
    taken = [odd, odd + 1, even, even + 1];
  } else if (alternate >= 0 && is(said[alternate + 2]?.tok, t.Slash, t.Plus)) {
    pair = [said[alternate + 1]?.tok, said[alternate + 3]?.tok];
    taken = [0, 1, 2, 3].map((k) => alternate + k);
  } else if (one >= 0 && isOne(said[one + 2]?.tok)) {
    pair = [said[one + 1]?.tok, said[one + 3]?.tok];
    taken = [0, 1, 2, 3].map((k) => one + k);
  } else return null;
  if (!pair.every((tok) => is(tok, t.Effort, t.Stroke, t.Percent))) return null;
  const left = new Set(taken.map((k) => said[k]!.i));
  const common = behind.filter((_, i) => !left.has(i));
  return { times: token(t.Numeral, String(n / 2), reps!), sets: pair.map((tok) => [...common, tok!]) };
}

/** Whether a number is the second half of the reps before it: `4 x 50 as 25 easy, 25 fast`. */
export function isSecondHalf(set: readonly IToken[], next: IToken | undefined): boolean {
  const numbers = set.map(numberOf).filter((n) => n !== null);
  const last = numbers.at(-1);
  return numbers.length > 1 && last === numberOf(next) && numbers.at(-2) === 2 * last!;
}

/** `) x 2`, `) twice`, `) 2 times`. */
export function closingCount(tokens: readonly IToken[], at: number) {
  const first = tokens[at];
  const through = is(first, t.Through) ? lookUp(SAID.through, first!.image) : undefined;
  if (through !== undefined)
    return { times: token(t.Times, 'x', first!), number: token(t.Numeral, String(through), first!), next: at + 1 };
  const second = tokens[at + 1];
  if (is(first, t.Times) && numberOf(second) !== null)
    return { times: first!, number: token(t.Numeral, String(numberOf(second)), second!), next: at + 2 };
  if (numberOf(first) !== null && is(second, t.Times, t.Rounds) && tokens[at + 2] === undefined)
    return {
      times: token(t.Times, 'x', second!),
      number: token(t.Numeral, String(numberOf(first)), first!),
      next: at + 2,
    };
  return null;
}
