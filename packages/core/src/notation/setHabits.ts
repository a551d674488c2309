// What a whiteboard says of one set, put into the words and the order of the notation.
import type { IToken } from 'chevrotain';
import type { DrillIn } from './drillWords';
import { clockSeconds, dottedSeconds, is, isFiller, lookUp, numberOf, token } from './canonical';
import type { TextProblem } from './problem';
import { problemAt } from './place';
import * as t from './tokens';
import { EFFORT_BY_WORD, KIT_BY_WORD, PULL_WORDS, SAID, STROKE_BY_WORD } from './words';

/** A set as the notation has it. */
export interface CanonicalSet {
  /** Without its note. */
  readonly tokens: readonly IToken[];
  /** How often all of it is swum: `8 x 50 desc 1–4` is twice four. */
  readonly rounds: { readonly times: number; readonly at: IToken } | null;
  /** What belongs into its note. */
  readonly note: string;
  /** How something was understood that can be said in more than one way. */
  readonly said: readonly TextProblem[];
}

/** A bare number this small is minutes where a time is needed. */
export const MINUTES_BELOW = 10;

/** Efforts of what is called by a word: from easy to fast, the second half faster, each one faster. */
const FROM_TO = {
  building: ['easy', '90%'],
  negative: ['70%', '85%'],
  descend: ['70%', '90%'],
} as const;

/** Longest rest that is written behind a plus, seconds. */
const MOST_PLUS_S = 60;

const quote = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** Puts the tokens of one set into the words and the order of the notation; what is not understood stays as it is. */
export function canonicalSet(all: readonly IToken[], drillIn: DrillIn): CanonicalSet {
  return new SetReader(all, drillIn).read();
}

class SetReader {
  private at = 0;
  private reps: IToken | null = null;
  private times: IToken | null = null;
  private extent: readonly IToken[] = [];
  private readonly parts: IToken[][] = [];
  private readonly strokes: IToken[] = [];
  private readonly notes: string[] = [];
  private readonly said: TextProblem[] = [];
  private rounds: CanonicalSet['rounds'] = null;

  constructor(
    private readonly all: readonly IToken[],
    private readonly drillIn: DrillIn,
  ) {}

  read(): CanonicalSet {
    while (this.at < this.all.length) {
      const before = this.at;
      if (!(
        this.drill() ||
        this.repsOf() ||
        this.extentOf() ||
        this.resting() ||
        this.leaving() ||
        this.efforts() ||
        this.shaped() ||
        this.breathing() ||
        this.looking() ||
        this.stroke() ||
        this.kit() ||
        this.halvesInNumbers() ||
        this.nothing()
      ))
        this.asItIs();
      if (this.at === before) this.at++;
    }
    const head = this.reps && this.times ? [this.reps, this.times, ...this.extent] : this.extent;
    return {
      tokens: [...head, ...this.strokeTokens(), ...this.parts.flat()],
      rounds: this.rounds,
      note: this.notes.join(' '),
      said: this.said,
    };
  }

  private peek(n = 0): IToken | undefined {
    return this.all[this.at + n];
  }

  private put(...tokens: IToken[]): true {
    this.parts.push(tokens);
    return true;
  }

  /** Passes over words that say nothing. */
  private skip(): void {
    while (isFiller(this.peek()) || is(this.peek(), t.Colon)) this.at++;
  }

  private drill(): boolean {
    const named = is(this.peek(), t.Drill) ? 1 : 0;
    let from = this.at + named;
    // “drill: catch up”.
    while (named && is(this.all[from], t.Colon)) from++;
    const found = this.drillIn(this.all, from);
    // A stroke or an effort alone is no drill, even where one is called by it.
    if (found && (named || found.words > 1 || is(this.all[from], t.Word))) {
      const first = this.all[from]!;
      const last = this.all[from + found.words - 1]!;
      this.at = from + found.words;
      if (is(this.peek(), t.Drill)) this.at++;
      return this.put(token(t.Drill, 'drill', first, last), token(t.Word, found.id, first, last));
    }
    if (!named) return false;
    this.at++;
    // “drill 4 x 50 catch up”: its name comes later.
    if (numberOf(this.peek()) !== null) return true;
    const word = this.peek();
    if (is(word, t.Word)) this.at++;
    return is(word, t.Word) ? this.put(this.all[this.at - 2]!, word!) : this.put(this.all[this.at - 1]!);
  }

  private repsOf(): boolean {
    const n = numberOf(this.peek());
    if (n === null || this.reps || this.extent.length > 0 || !is(this.peek(1), t.Times, t.Rounds)) return false;
    this.reps = token(t.Numeral, String(n), this.peek()!);
    this.times = token(t.Times, 'x', this.peek(1)!);
    this.at += 2;
    this.skip();
    return true;
  }

  private extentOf(): boolean {
    if (this.extent.length > 0) return false;
    const first = this.peek()!;
    if (is(first, t.Half)) {
      let n = 1;
      if (isFiller(this.peek(n))) n++;
      if (!is(this.peek(n), t.Lengths, t.PerLength)) return false;
      this.extent = [token(t.Numeral, '0.5', first), token(t.Lengths, 'length', this.peek(n)!)];
      this.at += n + 1;
      return true;
    }
    if (is(first, t.PerLength)) {
      this.extent = [token(t.Numeral, '1', first), token(t.Lengths, 'length', first)];
      this.at++;
      return true;
    }
    const next = this.peek(1);
    if (is(first, t.Time)) {
      // `2:30 min` and `2:30` are measured by the clock; `:15` and `1:30 rest` are rest.
      if (first.image.startsWith(':') || is(next, t.Rest)) return false;
      this.extent = is(next, t.Minutes) ? [first, next!] : [first];
      this.at += this.extent.length;
      return true;
    }
    const n = numberOf(first);
    if (n === null) return false;
    const unit = this.unitAt(1);
    if ((unit?.kind === 's' || unit?.kind === 'min') && is(this.peek(2), t.Rest, t.Break)) return false;
    const km = unit?.kind === 'distance' && unit.image === 'km';
    const number = token(t.Numeral, String(km ? n * 1000 : n), first);
    this.extent = unit
      ? [number, unit.kind === 'min' ? this.minutesToken(1) : km ? this.unit('m') : this.asUnit(unit)]
      : [number];
    this.at += unit ? 2 : 1;
    return true;
  }

  /** The unit behind a number. */
  private unitAt(n: number): { readonly kind: 'min' | 's' | 'distance' | 'other'; readonly image: string } | null {
    const tok = this.peek(n);
    if (is(tok, t.Minutes, t.MinutesMark)) return { kind: 'min', image: 'min' };
    if (is(tok, t.SecondsMark)) return { kind: 's', image: 's' };
    if (is(tok, t.Lengths, t.Loops)) return { kind: 'other', image: tok!.image };
    if (!is(tok, t.Unit)) return null;
    const image = lookUp(SAID.unit, tok!.image) ?? 'm';
    return { kind: image === 's' ? 's' : 'distance', image };
  }

  private minutesToken = (n: number): IToken => token(t.Minutes, 'min', this.peek(n)!);
  private unit = (image: string): IToken => token(t.Unit, image, this.peek(1)!);
  private asUnit = ({ kind, image }: { readonly kind: string; readonly image: string }): IToken =>
    kind === 'other' ? this.peek(1)! : this.unit(image);

  /** Every way to say a rest. */
  private resting(): boolean {
    const start = this.at;
    const first = this.peek()!;
    const back = (): boolean => {
      this.at = start;
      return false;
    };
    // `with 15 s rest`, `take 20 s rest`.
    if (is(first, t.With)) this.at++;
    if (is(this.peek(), t.Plus)) {
      const n = numberOf(this.peek(1));
      const unit = n === null ? null : this.unitAt(2);
      const short =
        n !== null && n <= MOST_PLUS_S && unit === null && this.peek(1)!.startOffset === first.endOffset! + 1;
      if (!(short || unit?.kind === 's')) return back();
      this.at += unit ? 3 : 2;
      return this.rest(n!, this.all[start + 1]!);
    }
    if (is(this.peek(), t.Rest)) {
      this.at++;
      this.skip();
      // `r = 20 s`.
      const equals = is(this.peek(), t.Stated) ? Number(this.peek()!.image.replace(/[=\s]/g, '')) : null;
      if (equals !== null) this.at += this.unitAt(1)?.kind === 's' ? 2 : 1;
      const value = equals ?? this.time();
      if (value === null) {
        this.at = start + 1;
        return this.put(first);
      }
      return this.rest(value, first);
    }
    const at = this.peek()!;
    const bare = is(at, t.Time) && at.image.startsWith(':');
    const hasUnit = this.unitAt(1)?.kind === 's';
    if (numberOf(at) === null && !is(at, t.Time)) return back();
    const value = this.time();
    if (value === null) return back();
    this.skip();
    if (is(this.peek(), t.Rest, t.Break)) {
      this.at++;
      return this.rest(value, at);
    }
    return (bare || hasUnit) && this.extent.length > 0 ? this.rest(value, at) : back();
  }

  private rest(seconds: number, from: IToken): true {
    this.skip();
    return this.put(token(t.Rest, 'rest', from), token(t.Numeral, String(seconds), from, this.all[this.at - 1]!));
  }

  /** Seconds of a time from here on, and the way past it; null when there is none. */
  private time(): number | null {
    const tok = this.peek();
    if (is(tok, t.Time)) {
      this.at++;
      if (is(this.peek(), t.Minutes)) this.at++;
      return clockSeconds(tok!.image);
    }
    const dotted = this.unitAt(1) ? null : dottedSeconds(tok);
    if (dotted !== null) {
      this.at++;
      return dotted;
    }
    const n = numberOf(tok);
    if (n === null) return null;
    const unit = this.unitAt(1);
    if (unit?.kind === 'distance') return null;
    this.at += unit ? 2 : 1;
    return unit?.kind === 'min' ? n * 60 : n;
  }

  /** Every way to say a send-off; `@ 80 %` and “at easy” are efforts. */
  private leaving(): boolean {
    const on = this.peek()!;
    if (is(on, t.Time) && is(this.peek(1), t.On)) {
      this.at += 2;
      return this.put(token(t.On, 'on', on), token(t.Numeral, String(clockSeconds(on.image)), on));
    }
    if (!is(on, t.On)) return false;
    this.at++;
    this.skip();
    if (is(this.peek(), t.Effort, t.Percent, t.PercentRange, t.Rate)) return true;
    if (is(this.peek(), t.Stroke) || (is(this.peek(), t.Side) && this.strokes.length > 0)) {
      this.notes.push(`On the ${this.peek()!.image.toLowerCase()}.`);
      this.at++;
      return true;
    }
    const bare = dottedSeconds(this.peek()) === null ? numberOf(this.peek()) : null;
    const hasUnit = this.unitAt(1) !== null;
    const first = this.peek();
    const value = this.time();
    if (value === null || !first) return this.put(on);
    const seconds = bare !== null && bare < MINUTES_BELOW && !hasUnit ? bare * 60 : value;
    return this.put(token(t.On, 'on', on), token(t.Numeral, String(seconds), first, this.all[this.at - 1]!));
  }

  private effortAt(n: number): IToken | null {
    const tok = this.peek(n);
    if (is(tok, t.Percent)) return token(t.Percent, `${Number.parseFloat(tok!.image)}%`, tok!);
    if (is(tok, t.PercentRange)) {
      const [low, high] = tok!.image.match(/\d+/g)!.map(Number) as [number, number];
      const mean = (low + high) / 2;
      this.said.push(problemAt(tok!, `${low} to ${high} % is read as ${mean} %, the middle.`, 'warning', `${mean}%`));
      return token(t.Percent, `${mean}%`, tok!);
    }
    if (!is(tok, t.Effort)) return null;
    const effort = lookUp(EFFORT_BY_WORD, tok!.image)!;
    return effort === 0.6 ? token(t.Effort, 'easy', tok!) : token(t.Percent, `${effort * 100}%`, tok!);
  }

  private efforts(): boolean {
    const start = this.at;
    // `half easy half sprint`.
    if (is(this.peek(), t.Half)) {
      const first = this.effortAt(1);
      let n = 2;
      while (is(this.peek(n), t.Slash, t.Comma, t.Plus)) n++;
      const second = is(this.peek(n), t.Half) ? this.effortAt(n + 1) : null;
      if (!first || !second) return false;
      this.at += n + 2;
      return this.halves(this.all[start]!, first, second);
    }
    const first = this.effortAt(0);
    if (!first) return false;
    let n = 1;
    const between =
      is(this.peek(n), t.Slash) || (is(this.peek(n), t.Word) && this.peek(n)!.image.toLowerCase() === 'to');
    if (between) n++;
    const second = between ? this.effortAt(n) : null;
    if (second) {
      this.at += n + 1;
      return this.halves(this.all[start]!, first, second);
    }
    this.at++;
    return this.put(first);
  }

  private halves(at: IToken, first: IToken, second: IToken): true {
    return this.put(token(t.Halves, 'halves', at), first, token(t.Slash, '/', at), second);
  }

  /** Build, negative split, descend, halves: efforts that change. */
  private shaped(): boolean {
    const tok = this.peek()!;
    const shape = is(tok, t.Building)
      ? 'building'
      : is(tok, t.Negative)
        ? 'negative'
        : is(tok, t.Descend)
          ? 'descend'
          : null;
    if (is(tok, t.Halves)) {
      this.at++;
      return this.twoEfforts(tok, tok);
    }
    if (!shape) return false;
    this.at++;
    if (shape !== 'descend') {
      if (shape === 'building') this.notes.push('Build.');
      return this.twoEfforts(token(t.Halves, 'halves', tok), tok, FROM_TO[shape]);
    }
    const from = numberOf(this.peek());
    const to = from === null ? null : numberOf(this.peek(2));
    if (to !== null && (is(this.peek(1), t.Dash) || isFiller(this.peek(1)))) {
      const reps = this.reps ? Number(this.reps.image) : 1;
      const each = Math.abs(to - from!) + 1;
      if (each < reps && reps % each === 0) {
        this.rounds = { times: reps / each, at: this.reps! };
        this.reps = token(t.Numeral, String(each), this.reps!);
      }
      this.at += 3;
    }
    return this.twoEfforts(token(t.Descend, 'descend', tok), tok, FROM_TO.descend);
  }

  /** Two efforts as they are written, or those that the word means. */
  private twoEfforts(word: IToken, at: IToken, usual?: readonly [string, string]): true {
    const between = (n: number) => is(this.peek(n), t.Slash) || isFiller(this.peek(n));
    this.skip();
    const first = this.effortAt(0);
    const second = first && between(1) ? this.effortAt(2) : null;
    if (first && second) {
      this.at += 3;
      return this.put(word, first, token(t.Slash, '/', at), second);
    }
    if (!usual) return this.put(word);
    const [low, high] = usual.map((image) => token(image === 'easy' ? t.Effort : t.Percent, image, at));
    return this.put(word, low!, token(t.Slash, '/', at), high!);
  }

  private breathing(): boolean {
    const start = this.at;
    const tok = this.peek()!;
    if (is(tok, t.Bilateral)) {
      this.at++;
      if (is(this.peek(), t.Breathe)) this.at++;
      return this.put(token(t.Breathe, 'breathe', tok), token(t.Numeral, '3', tok));
    }
    if (!is(tok, t.Breathe)) return false;
    this.at++;
    this.skip();
    if (is(this.peek(), t.On)) this.at++;
    if (is(this.peek(), t.Every)) this.at++;
    this.skip();
    const value = this.peek();
    if (is(value, t.Bilateral)) {
      this.at++;
      return this.put(token(t.Breathe, 'breathe', tok), token(t.Numeral, '3', value!));
    }
    const part = [token(t.Breathe, 'breathe', tok)];
    const n = numberOf(value);
    if (n !== null) {
      part.push(token(t.Numeral, String(n), value!));
      this.at++;
      // “breathe 3s”.
      if (is(this.peek(), t.Unit) && this.peek()!.image === 's') this.at++;
      this.skip();
    }
    if (is(this.peek(), t.Side)) {
      part.push(this.peek()!);
      this.at++;
      this.skip();
    }
    if (n !== null && is(this.peek(), t.ByLength)) part.push(this.all[this.at++]!);
    if (part.length === 1) {
      this.at = start + 1;
      part[0] = tok;
    }
    return this.put(...part);
  }

  private looking(): boolean {
    const tok = this.peek()!;
    if (!is(tok, t.Look)) return false;
    this.at++;
    this.skip();
    if (is(this.peek(), t.Every)) this.at++;
    const n = numberOf(this.peek());
    if (n === null) return this.put(tok);
    const part = [token(t.Look, 'look', tok), token(t.Numeral, String(n), this.peek()!)];
    this.at++;
    if (is(this.peek(), t.ForBreath)) part.push(this.all[this.at++]!);
    this.skip();
    return this.put(...part);
  }

  private stroke(): boolean {
    if (!is(this.peek(), t.Stroke)) return false;
    this.strokes.push(this.all[this.at++]!);
    return true;
  }

  /** One stroke of those that are said: the kick before the pull, and both before what is kicked or pulled. */
  private strokeTokens(): IToken[] {
    const named = this.strokes.map((tok) => ({ tok, stroke: lookUp(STROKE_BY_WORD, tok.image)! }));
    const kick = named.find(({ stroke }) => stroke === 'kick');
    const pull = named.find(({ tok }) => PULL_WORDS.some((word) => word === tok.image.toLowerCase()));
    const other = named.find(({ stroke, tok }) => stroke !== 'front-crawl' && tok !== kick?.tok);
    const chosen = kick ?? pull ?? other ?? named[0];
    if (!chosen) return [];
    if ((kick || pull) && other) this.notes.push(`${quote(other.tok.image.toLowerCase())}.`);
    const image = chosen === kick ? 'kick' : chosen === pull ? 'pull' : WRITTEN[chosen.stroke];
    return [token(t.Stroke, image, chosen.tok)];
  }

  private kit(): boolean {
    const start = this.at;
    if (is(this.peek(), t.With)) this.at++;
    this.skip();
    const things: IToken[] = [];
    for (;;) {
      const tok = this.peek();
      const id = is(tok, t.Kit) ? lookUp(KIT_BY_WORD, tok!.image)! : null;
      if (!id && !(is(tok, t.Word) && start < this.at)) break;
      things.push(id ? token(t.Word, id, tok!) : tok!);
      this.at++;
      if (!is(this.peek(), t.Plus) || !is(this.peek(1), t.Kit, t.Word)) break;
      this.at++;
    }
    if (things.length === 0) {
      this.at = start;
      return false;
    }
    const [first] = this.all.slice(start);
    const parts = things.flatMap((thing, i) => (i === 0 ? [thing] : [token(t.Plus, '+', thing), thing]));
    return this.put(token(t.With, 'with', first!), ...parts);
  }

  /** `4 x 50 (25 fast, 25 easy)`: halves, when both numbers are half of the rep. */
  private halvesInNumbers(): boolean {
    const [number] = this.extent;
    const half = numberOf(number) === null ? NaN : numberOf(number)! / 2;
    if (numberOf(this.peek()) !== half) return false;
    const start = this.at;
    const unit = (n: number) => (is(this.peek(n), t.Unit) ? 1 : 0);
    const back = (): boolean => {
      this.at = start;
      return false;
    };
    let n = 1 + unit(1);
    const first = this.effortAt(n);
    if (!first) return back();
    n++;
    while (is(this.peek(n), t.Slash, t.Comma, t.Plus, t.Open, t.Close)) n++;
    if (numberOf(this.peek(n)) !== half) return back();
    n += 1 + unit(n + 1);
    const second = this.effortAt(n);
    if (!second) return back();
    this.at += n + 1;
    return this.halves(this.all[start]!, first, second);
  }

  private nothing(): boolean {
    if (!is(this.peek(), t.Comma, t.Open, t.Close, t.Dash, t.Colon, t.Dot) && !isFiller(this.peek())) return false;
    this.at++;
    return true;
  }

  private asItIs(): void {
    this.put(this.all[this.at++]!);
  }
}

/** Strokes as they are written in the text. */
const WRITTEN = {
  'front-crawl': 'crawl',
  backstroke: 'backstroke',
  breaststroke: 'breaststroke',
  butterfly: 'butterfly',
  medley: 'medley',
  kick: 'kick',
  choice: 'choice',
} as const;
