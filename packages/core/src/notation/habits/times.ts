// Rests, send-offs and pauses, in every way they are said.
import type { IToken } from 'chevrotain';
import { clockSeconds, dottedSeconds, is, isFiller, numberOf, token } from '../canonical';
import * as t from '../tokens';
import { Cursor } from './cursor';

/** A bare number this small is minutes where a time is needed. */
export const MINUTES_BELOW = 10;

/** A pause that says no time, seconds. */
const USUAL_PAUSE_S = 120;

/** Longest rest that is written behind a plus, seconds. */
const MOST_PLUS_S = 60;

/** A time from here on: its seconds, and whether a unit or a colon said what they are. */
function timeHere(c: Cursor): { readonly seconds: number; readonly bare: boolean } | null {
  const tok = c.peek();
  if (is(tok, t.Time)) {
    c.at += is(c.peek(1), t.Minutes) ? 2 : 1;
    return { seconds: clockSeconds(tok!.image), bare: false };
  }
  const unit = c.unitAt(1);
  const dotted = unit ? null : dottedSeconds(tok);
  if (dotted !== null) {
    c.at++;
    return { seconds: dotted, bare: false };
  }
  const n = numberOf(tok);
  if (n === null || unit?.kind === 'distance') return null;
  c.at += unit ? 2 : 1;
  return { seconds: unit?.kind === 'min' ? n * 60 : n, bare: unit === null };
}

/** A time in which a small bare number is minutes. */
function longTimeHere(c: Cursor): number | null {
  const time = timeHere(c);
  return time && (time.bare && time.seconds < MINUTES_BELOW ? time.seconds * 60 : time.seconds);
}

function restToken(seconds: number, from: IToken, c: Cursor): IToken[] {
  c.passFillers();
  return [token(t.Rest, 'rest', from), token(t.Numeral, String(seconds), from, c.last)];
}

/**
 * A rest from here on: `rest 15`, `15 s rest`, `:15`, `+15`, `r = 20 s`.
 *
 * @param hasExtent whether the distance was said, so that a short time by itself is a rest
 */
export function restHere(c: Cursor, hasExtent: boolean): IToken[] | null {
  const [first, next] = [c.peek()!, c.peek(1)];
  if (is(first, t.Plus)) {
    const n = numberOf(next);
    const unit = n === null ? null : c.unitAt(2);
    const attached = next?.startOffset === first.endOffset! + 1;
    if (n === null || !((attached && unit === null && n <= MOST_PLUS_S) || unit?.kind === 's')) return null;
    c.at += unit ? 3 : 2;
    return restToken(n, next!, c);
  }
  // `with 15 s rest`.
  if (is(first, t.With)) c.at++;
  if (is(c.peek(), t.Rest)) {
    const rest = c.take();
    const afterRest = c.at;
    c.passFillers();
    const equals = is(c.peek(), t.Stated) ? Number(c.peek()!.image.replace(/[=\s]/g, '')) : null;
    if (equals !== null) c.at += c.unitAt(1)?.kind === 's' ? 2 : 1;
    const seconds = equals ?? timeHere(c)?.seconds ?? null;
    if (seconds !== null) return restToken(seconds, first, c);
    c.at = afterRest;
    return [rest];
  }
  const value = c.peek()!;
  const short = c.unitAt(1)?.kind === 's' || (is(value, t.Time) && value.image.startsWith(':'));
  const time = timeHere(c);
  if (!time) return null;
  c.passFillers();
  if (is(c.peek(), t.Rest, t.Break)) c.at++;
  else if (!short || !hasExtent) return null;
  return restToken(time.seconds, value, c);
}

/** A send-off from here on: `on 2:00`, `leave on 2`, `2:00 send-off`. */
export function sendOffHere(c: Cursor): IToken[] | null {
  const first = c.peek()!;
  if (is(first, t.Time) && is(c.peek(1), t.On)) {
    c.at += 2;
    return [token(t.On, 'on', first), token(t.Numeral, String(clockSeconds(first.image)), first)];
  }
  if (!is(first, t.On)) return null;
  c.at++;
  c.passFillers();
  const from = c.peek();
  const seconds = longTimeHere(c);
  if (seconds === null) return [first];
  return [token(t.On, 'on', first), token(t.Numeral, String(seconds), from!, c.last)];
}

/** A line that is a pause: `rest 2 min`, `2 min rest`, `take a break`; what else it says is its note. */
export function pauseOf(tokens: readonly IToken[]): { readonly tokens: IToken[]; readonly note: string } | null {
  const c = new Cursor(tokens);
  const first = tokens[0]!;
  const leads = is(first, t.Rest, t.Break);
  if (leads) c.at++;
  c.passFillers();
  const seconds = longTimeHere(c) ?? (is(first, t.Break) ? USUAL_PAUSE_S : null);
  if (seconds === null || (!leads && !is(c.peek(), t.Rest, t.Break))) return null;
  if (!leads) c.at++;
  const end = c.last;
  const words = tokens.slice(c.at).filter((tok) => !is(tok, t.Comma, t.Dash) && (leads || !isFiller(tok)));
  // Behind a rest stands at most what is done in it; a number or a set is another line.
  if (words.some((tok) => is(tok, t.Numeral, t.Time, t.Strange) || (!leads && !is(tok, t.Word)))) return null;
  return {
    tokens: [token(t.Rest, 'rest', first), token(t.Numeral, String(seconds), first, end), token(t.Unit, 's', end)],
    note: words.map(({ image }) => image).join(' '),
  };
}
