// What a whiteboard says of one set, put into the words and the order of the notation.
import type { IToken } from 'chevrotain';
import { STROKE_WORD } from '../../sessions';
import { is, isFiller, lookUp, numberOf, token } from '../canonical';
import type { TextProblem } from '../problem';
import * as t from '../tokens';
import { PULL_WORDS, STROKE_BY_WORD } from '../words';
import { Cursor } from './cursor';
import type { DrillIn } from './drillWords';
import { effortHere, halvesInNumbers, shapedHere } from './efforts';
import { breathingHere, drillHere, kitHere, lookingHere } from './parts';
import { restHere, sendOffHere } from './times';

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

/** Puts the tokens of one set into the words and the order of the notation; what is not understood stays as it is. */
export function canonicalSet(all: readonly IToken[], drillIn: DrillIn): CanonicalSet {
  return new SetReader(all, drillIn).read();
}

class SetReader {
  private readonly c: Cursor;
  private reps: IToken | null = null;
  private times: IToken | null = null;
  private extent: readonly IToken[] = [];
  private readonly parts: IToken[] = [];
  private readonly strokes: IToken[] = [];
  private readonly notes: string[] = [];
  private readonly said: TextProblem[] = [];
  private rounds: CanonicalSet['rounds'] = null;

  constructor(
    all: readonly IToken[],
    private readonly drillIn: DrillIn,
  ) {
    this.c = new Cursor(all);
  }

  read(): CanonicalSet {
    const { c } = this;
    const say = (problem: TextProblem) => this.said.push(problem);
    const readers: readonly (() => readonly IToken[] | null)[] = [
      () => drillHere(c, this.drillIn),
      () => this.repsHere(),
      () => this.extentHere(),
      () => restHere(c, this.extent.length > 0),
      () => this.onHere(),
      () => sendOffHere(c),
      () => effortHere(c, say),
      () => this.shaped(say),
      () => breathingHere(c),
      () => lookingHere(c),
      () => this.strokeHere(),
      () => kitHere(c),
      () => halvesInNumbers(c, this.extent[0], say),
      () => this.nothing(),
    ];
    while (!c.done) {
      let found: readonly IToken[] | null = null;
      for (const reader of readers) {
        found = c.attempt(reader);
        if (found) break;
      }
      // What is not understood stays as it is, and is reported at its place.
      this.parts.push(...(found ?? [c.take()]));
    }
    const head = this.reps && this.times ? [this.reps, this.times, ...this.extent] : this.extent;
    return {
      tokens: [...head, ...this.strokeTokens(), ...this.parts],
      rounds: this.rounds,
      note: this.notes.join(' '),
      said: this.said,
    };
  }

  private repsHere(): [] | null {
    const { c } = this;
    const n = numberOf(c.peek());
    if (n === null || this.reps || this.extent.length > 0 || !is(c.peek(1), t.Times, t.Rounds)) return null;
    this.reps = token(t.Numeral, String(n), c.take());
    this.times = token(t.Times, 'x', c.take());
    c.passFillers();
    return [];
  }

  private extentHere(): [] | null {
    const { c } = this;
    if (this.extent.length > 0) return null;
    const first = c.peek()!;
    if (is(first, t.Half)) {
      const n = isFiller(c.peek(1)) ? 2 : 1;
      if (!is(c.peek(n), t.Lengths, t.PerLength)) return null;
      return this.measured([token(t.Numeral, '0.5', first), token(t.Lengths, 'length', c.peek(n)!)], n + 1);
    }
    if (is(first, t.PerLength))
      return this.measured([token(t.Numeral, '1', first), token(t.Lengths, 'length', first)], 1);
    if (is(first, t.Time)) {
      // `2:30 min` and `2:30` are measured by the clock; `:15` and `1:30 rest` are rest.
      if (first.image.startsWith(':') || is(c.peek(1), t.Rest)) return null;
      return is(c.peek(1), t.Minutes) ? this.measured([first, c.peek(1)!], 2) : this.measured([first], 1);
    }
    const n = numberOf(first);
    if (n === null) return null;
    const unit = c.unitAt(1);
    if (!unit) return this.measured([token(t.Numeral, String(n), first)], 1);
    if (unit.kind !== 'distance' && is(c.peek(2), t.Rest, t.Break)) return null;
    const behind = c.peek(1)!;
    const km = unit.image === 'km';
    const said =
      unit.kind === 'other'
        ? behind
        : unit.kind === 'min'
          ? token(t.Minutes, 'min', behind)
          : token(t.Unit, km ? 'm' : unit.image, behind);
    return this.measured([token(t.Numeral, String(km ? n * 1000 : n), first), said], 2);
  }

  private measured(extent: readonly IToken[], taken: number): [] {
    this.extent = extent;
    this.c.at += taken;
    return [];
  }

  /** `@ 80 %` and “at easy” are efforts; “kick on the back” is how it is kicked. */
  private onHere(): [] | null {
    const { c } = this;
    if (!is(c.peek(), t.On)) return null;
    c.at++;
    c.passFillers();
    if (is(c.peek(), t.Effort, t.Percent, t.PercentRange, t.Rate)) return [];
    if (!is(c.peek(), t.Stroke) && !(is(c.peek(), t.Side) && this.strokes.length > 0)) return null;
    this.notes.push(`On the ${c.take().image.toLowerCase()}.`);
    return [];
  }

  private shaped(say: (problem: TextProblem) => void): readonly IToken[] | null {
    const shape = shapedHere(this.c, say);
    if (!shape) return null;
    const { tokens, note, each } = shape;
    if (note) this.notes.push(note);
    const reps = this.reps ? Number(this.reps.image) : 1;
    if (each !== null && each < reps && reps % each === 0) {
      this.rounds = { times: reps / each, at: this.reps! };
      this.reps = token(t.Numeral, String(each), this.reps!);
    }
    return tokens;
  }

  private strokeHere(): [] | null {
    if (!is(this.c.peek(), t.Stroke)) return null;
    this.strokes.push(this.c.take());
    return [];
  }

  /** One stroke of those that are said: the kick before the pull, and both before what is kicked or pulled. */
  private strokeTokens(): IToken[] {
    const named = this.strokes.map((tok) => ({ tok, stroke: lookUp(STROKE_BY_WORD, tok.image)! }));
    const kick = named.find(({ stroke }) => stroke === 'kick');
    const pull = named.find(({ tok }) => PULL_WORDS.includes(tok.image.toLowerCase()));
    const other = named.find(({ stroke }) => stroke !== 'front-crawl' && stroke !== 'kick');
    const chosen = kick ?? pull ?? other ?? named[0];
    if (!chosen) return [];
    if ((kick || pull) && other) this.notes.push(`${sentence(other.tok.image)}.`);
    const image = chosen === kick ? 'kick' : chosen === pull ? 'pull' : STROKE_WORD[chosen.stroke];
    return [token(t.Stroke, image, chosen.tok)];
  }

  private nothing(): [] | null {
    const { c } = this;
    if (!is(c.peek(), t.Comma, t.Open, t.Close, t.Dash, t.Colon, t.Dot) && !isFiller(c.peek())) return null;
    c.at++;
    return [];
  }
}

const sentence = (word: string): string => word.charAt(0).toUpperCase() + word.slice(1).toLowerCase();
