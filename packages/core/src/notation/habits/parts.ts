// Drills, breathing, looks and kit, in every way they are said.
import type { IToken } from 'chevrotain';
import { is, lookUp, numberOf, token } from '../canonical';
import * as t from '../tokens';
import { KIT_BY_WORD } from '../words';
import type { Cursor } from './cursor';
import type { DrillIn } from './drillWords';

/** A drill from here on; an empty list for the word alone, where its name comes later. */
export function drillHere(c: Cursor, drillIn: DrillIn): IToken[] | null {
  const word = is(c.peek(), t.Drill) ? c.take() : null;
  const afterWord = c.at;
  // “drill: catch up”.
  while (word && is(c.peek(), t.Colon)) c.at++;
  const found = drillIn(c.all, c.at);
  // A stroke or an effort alone is no drill, even where one is called by it.
  if (found && (word || found.words > 1 || is(c.peek(), t.Word))) {
    const first = c.peek()!;
    c.at += found.words;
    const { last } = c;
    if (is(c.peek(), t.Drill)) c.at++;
    return [token(t.Drill, 'drill', first, last), token(t.Word, found.id, first, last)];
  }
  if (!word) return null;
  c.at = afterWord;
  // “drill 4 x 50 catch up”: its name comes later.
  if (numberOf(c.peek()) !== null) return [];
  return is(c.peek(), t.Word) ? [word, c.take()] : [word];
}

/** How often to breathe, or to which side. */
export function breathingHere(c: Cursor): IToken[] | null {
  const tok = c.peek()!;
  const bilateral = (at: IToken): IToken[] => [token(t.Breathe, 'breathe', tok), token(t.Numeral, '3', at)];
  if (is(tok, t.Bilateral)) {
    c.at += is(c.peek(1), t.Breathe) ? 2 : 1;
    return bilateral(tok);
  }
  if (!is(tok, t.Breathe)) return null;
  c.at++;
  const afterWord = c.at;
  c.passFillers();
  if (is(c.peek(), t.On)) c.at++;
  if (is(c.peek(), t.Every)) c.at++;
  c.passFillers();
  if (is(c.peek(), t.Bilateral)) return bilateral(c.take());
  const part = [token(t.Breathe, 'breathe', tok)];
  const n = numberOf(c.peek());
  if (n !== null) {
    part.push(token(t.Numeral, String(n), c.take()));
    // “breathe 3s”.
    if (is(c.peek(), t.Unit) && c.peek()!.image === 's') c.at++;
    c.passFillers();
  }
  if (is(c.peek(), t.Side)) {
    part.push(c.take());
    c.passFillers();
  }
  if (n !== null && is(c.peek(), t.ByLength)) part.push(c.take());
  if (part.length > 1) return part;
  c.at = afterWord;
  return [tok];
}

/** How often to look ahead. */
export function lookingHere(c: Cursor): IToken[] | null {
  const tok = c.peek()!;
  if (!is(tok, t.Look)) return null;
  c.at++;
  c.passFillers();
  if (is(c.peek(), t.Every)) c.at++;
  const n = numberOf(c.peek());
  if (n === null) return [tok];
  const part = [token(t.Look, 'look', tok), token(t.Numeral, String(n), c.take())];
  if (is(c.peek(), t.ForBreath)) part.push(c.take());
  c.passFillers();
  return part;
}

/** What is brought, with or without “with”. */
export function kitHere(c: Cursor): IToken[] | null {
  const first = c.peek()!;
  const word = is(first, t.With);
  if (word) c.at++;
  c.passFillers();
  const things: IToken[] = [];
  for (;;) {
    const tok = c.peek();
    const id = is(tok, t.Kit) ? lookUp(KIT_BY_WORD, tok!.image)! : null;
    if (!id && !(word && is(tok, t.Word))) break;
    things.push(id ? token(t.Word, id, tok!) : tok!);
    c.at++;
    if (!is(c.peek(), t.Plus) || !is(c.peek(1), t.Kit, t.Word)) break;
    c.at++;
  }
  if (things.length === 0) return null;
  const parts = things.flatMap((thing, i) => (i === 0 ? [thing] : [token(t.Plus, '+', thing), thing]));
  return [token(t.With, 'with', first), ...parts];
}
