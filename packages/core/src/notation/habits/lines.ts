// How a text is written, line by line, put into lines of the notation: one heading, bracket, set, pause or total each.
import type { IToken } from 'chevrotain';
import { is, isFiller, lookUp, numberOf, token } from '../canonical';
import { MOST_HEADING_WORDS } from '../explain';
import type { TextProblem } from '../problem';
import * as t from '../tokens';
import { BLOCK_BY_WORD, SAID } from '../words';
import { type DrillIn, drillFinder } from './drillWords';
import { beginsSet, closingCount, inTurn, isGroupName, isSecondHalf, unbulleted } from './lookAhead';
import { canonicalSet } from './set';
import { pauseOf } from './times';

/** The lines of the notation that a text says. */
export interface Written {
  readonly lines: readonly (readonly IToken[])[];
  readonly said: readonly TextProblem[];
}

/** Puts the tokens of a text into lines of the notation, each token at its place in the text. */
export function asNotation(tokens: readonly IToken[]): Written {
  return new LineWriter(drillFinder()).write(tokens);
}

/** Rounds without a bracket: they end at a blank line, at a heading, or where the lines come back to their column. */
interface Loose {
  readonly column: number;
  readonly inner: number;
  lastLine: number;
}

class LineWriter {
  private readonly lines: IToken[][] = [];
  private readonly said: TextProblem[] = [];
  /** Brackets that are open: rounds, or words of a set. */
  private readonly open: ('rounds' | 'words')[] = [];
  private loose: Loose | null = null;
  /** A count of rounds that waits for its bracket or its lines. */
  private count: { readonly number: IToken; readonly times: IToken } | null = null;

  constructor(private readonly drillIn: DrillIn) {}

  write(tokens: readonly IToken[]): Written {
    let line: IToken[] = [];
    const end = () => {
      if (line.length > 0) this.line(line);
      line = [];
    };
    for (const tok of tokens) {
      if (is(tok, t.Newline)) end();
      else line.push(tok);
    }
    end();
    this.endLoose();
    if (this.count) this.lines.push([this.count.number, this.count.times]);
    return { lines: this.lines, said: this.said };
  }

  private line(all: readonly IToken[]): void {
    const tokens = unbulleted(all);
    const first = tokens[0];
    if (!first) return;
    this.looseEndsBefore(first);
    if (is(first, t.Title, t.KeyLine, t.Note)) this.put(tokens);
    else if (is(first, t.GroupStart)) this.put(tokens.filter((tok) => !is(tok, t.Unit)));
    else if (is(first, t.Block)) this.heading(tokens);
    else if (tokens.length <= 3 && tokens.length > 1 && is(tokens.at(-1), t.Block))
      this.heading([tokens.at(-1)!, ...tokens.slice(0, -1)]);
    else if (isGroupName(tokens)) this.groupNamed(tokens);
    else if (!this.total(tokens)) this.content(tokens.slice(this.unknownHeading(tokens)));
    if (this.loose) this.loose.lastLine = tokens[tokens.length - 1]!.startLine ?? 0;
  }

  /** A heading that nobody knows, with its colon, is a line of its own; how many tokens it takes. */
  private unknownHeading(tokens: readonly IToken[]): number {
    const colon = tokens.findIndex((tok) => is(tok, t.Colon));
    const words = tokens.slice(0, Math.max(0, colon));
    const known = words.length === 0 || !is(words[0], t.Word) || this.drillIn(tokens, 0) !== null;
    if (known || numberOf(words[0]) !== null || isFiller(words[0]) || words.length > MOST_HEADING_WORDS) return 0;
    this.put(tokens.slice(0, colon + 1));
    return colon + 1;
  }

  private put(tokens: readonly IToken[]): void {
    if (tokens.length > 0) this.lines.push([...tokens]);
  }

  private looseEndsBefore(first: IToken): void {
    const { startLine = 0, startColumn = 1 } = first;
    if (this.count) {
      const waits = this.count;
      this.count = null;
      if (is(first, t.Open) || is(first, t.Block, t.GroupStart, t.KeyLine, t.Title)) {
        this.count = is(first, t.Open) ? waits : null;
        if (!this.count) this.put([waits.number, waits.times]);
        return;
      }
      const column = waits.number.startColumn ?? 1;
      this.put([waits.number, waits.times, token(t.Open, '(', waits.times)]);
      this.loose = { column, inner: startColumn, lastLine: startLine };
      return;
    }
    if (!this.loose) return;
    const { column, inner, lastLine } = this.loose;
    const dedented = inner > column && startColumn <= column;
    if (dedented || startLine > lastLine + 1 || is(first, t.Block, t.GroupStart, t.KeyLine, t.Title))
      this.endLoose(first);
  }

  private endLoose(at: IToken | undefined = this.lines.at(-1)?.at(-1)): void {
    if (this.loose && at) this.put([token(t.Close, ')', at)]);
    this.loose = null;
  }

  /** A heading with its minutes, its total, and sets on the same line. */
  private heading(tokens: readonly IToken[]): void {
    const [block, ...after] = tokens as [IToken, ...IToken[]];
    const name = after.filter((tok) => is(tok, t.BlockName));
    const behind = after.filter((tok) => !is(tok, t.BlockName));
    const note = behind.find((tok) => is(tok, t.Note));
    const said = behind.filter((tok) => tok !== note);
    const bracketed = is(said[0], t.Open) && is(said.at(-1), t.Close);
    let from = bracketed ? 1 : 0;
    while (is(said[from], t.Colon, t.Dash, t.Comma) || isFiller(said[from])) from++;
    const rest = said.slice(from, bracketed ? -1 : undefined);
    const head = (more: readonly IToken[]) => this.put([block, ...name, ...more, ...(note ? [note] : [])]);
    const n = numberOf(rest[0]);
    const unit = rest[1];
    if (is(rest[0], t.Stated)) return head(rest.filter((tok) => !is(tok, t.Unit)));
    if (is(rest[0], t.Total) && numberOf(rest[1]) !== null)
      return head([token(t.Stated, `= ${numberOf(rest[1])}`, rest[1]!)]);
    const isLand = lookUp(BLOCK_BY_WORD, block.image) === 'land';
    if (n !== null && isLand && rest.length <= 2 && (!unit || is(unit, t.Minutes, t.MinutesMark)))
      return head([token(t.Numeral, String(n), rest[0]!), token(t.Minutes, 'min', rest.at(-1)!)]);
    // `Main 6 min on land`: only a plan from elsewhere has that.
    if (n !== null && is(rest[2], t.On) && rest[3]?.image.toLowerCase() === 'land')
      return head([rest[0]!, rest[1]!, ...rest.slice(4)]);
    // A number by itself is the total when sets follow, else the only set.
    const alone = rest.length === 1 || (rest.length === 2 && (is(unit, t.Unit) || is(unit, t.Total)));
    if (n !== null && alone) {
      const number = token(t.Numeral, String(n), rest[0]!);
      return bracketed || is(unit, t.Total) ? head([token(t.Stated, `= ${n}`, rest[0]!)]) : head([number]);
    }
    // `Land 6 min = 0` and other headings of the notation.
    if (n !== null && isLand) return head(rest);
    head([]);
    if (rest.length > 0) this.content(rest);
  }

  private groupNamed(tokens: readonly IToken[]): void {
    const note = tokens.find((tok) => is(tok, t.Note));
    const words = tokens.filter((tok) => !is(tok, t.Note, t.Stated, t.Unit, t.Colon));
    const name = words.map((tok) => tok.image).join(' ');
    const stated = tokens.find((tok) => is(tok, t.Stated));
    this.endLoose(words[0]);
    const start = token(t.GroupStart, `== ${name}`, words[0]!, words.at(-1));
    this.put([start, ...(stated ? [stated] : []), ...(note ? [note] : [])]);
  }

  /** `Total 1800`, `1800 m total`, `= 1800 m`. */
  private total(tokens: readonly IToken[]): boolean {
    const rest = tokens.filter((tok) => !is(tok, t.Unit, t.Colon, t.Note, t.Dash) && !isFiller(tok));
    const note = tokens.filter((tok) => is(tok, t.Note));
    const stated = rest.find((tok) => is(tok, t.Stated));
    const number = rest.find((tok) => numberOf(tok) !== null);
    const says = rest.some((tok) => is(tok, t.Total));
    if (rest.length !== (says ? 2 : 1) || !(stated || (says && number))) return false;
    const km = tokens.some((tok) => is(tok, t.Unit) && lookUp(SAID.unit, tok.image) === 'km') ? 1000 : 1;
    const said = number ? numberOf(number)! : Number(stated!.image.replace(/[=,\s]/g, ''));
    this.put([token(t.Stated, `= ${said * km}`, stated ?? number!), ...note]);
    return true;
  }

  /** Rounds, sets and pauses, however many stand on the line. */
  private content(all: readonly IToken[]): void {
    const note = all.find((tok) => is(tok, t.Note));
    const tokens = all.filter((tok) => tok !== note);
    let set: IToken[] = [];
    /** Whether the set has its distance, so that another one may follow. */
    let whole = false;
    let closes = 0;
    const flush = (last = false) => {
      if (set.length > 0) this.setLine(set, last ? note : undefined);
      set = [];
      whole = false;
    };
    for (let i = 0; i < tokens.length;) {
      const tok = tokens[i]!;
      const rounds = set.length === 0 ? this.roundsAt(tokens, i) : null;
      if (rounds) {
        i = rounds.next;
        if (rounds.waits) {
          this.count = rounds;
          continue;
        }
        this.put([rounds.number, rounds.times, rounds.bracket ?? token(t.Open, '(', rounds.times)]);
        if (rounds.bracket) this.open.push('rounds');
        else closes++;
        continue;
      }
      if (is(tok, t.Open)) {
        if (set.length > 0) {
          this.open.push('words');
          set.push(tok);
        } else {
          this.open.push('rounds');
          const count = this.count;
          this.count = null;
          this.put(count ? [count.number, count.times, tok] : [tok]);
        }
        i++;
        continue;
      }
      if (is(tok, t.Close)) {
        if (this.open.at(-1) === 'words') {
          this.open.pop();
          set.push(tok);
          i++;
          continue;
        }
        flush();
        this.open.pop();
        const after = closingCount(tokens, i + 1);
        this.put(after ? [tok, after.times, after.number] : [tok]);
        i = after ? after.next : i + 1;
        continue;
      }
      if (is(tok, t.Comma, t.Plus) && whole && beginsSet(tokens, i + 1) && !isSecondHalf(set, tokens[i + 1])) {
        flush();
        i++;
        continue;
      }
      set.push(tok);
      whole ||= numberOf(tok) !== null || is(tok, t.Time, t.Lengths, t.PerLength);
      i++;
    }
    if (set.length > 0) flush(true);
    else if (note && this.lines.length > 0 && tokens.length > 0) this.lines[this.lines.length - 1]!.push(note);
    for (let n = 0; n < closes; n++) this.put([token(t.Close, ')', tokens.at(-1)!)]);
    // Words in brackets end with their line.
    while (this.open.at(-1) === 'words') this.open.pop();
  }

  /** A count of rounds at this place: with its bracket, with its sets on the line, or waiting for the lines below. */
  private roundsAt(tokens: readonly IToken[], at: number) {
    const first = tokens[at]!;
    let next = at;
    let number: IToken;
    let times: IToken;
    let many: boolean;
    const through = is(first, t.Through) ? lookUp(SAID.through, first.image) : undefined;
    if (through !== undefined) {
      number = token(t.Numeral, String(through), first);
      times = token(t.Times, 'x', first);
      many = true;
      next += 1;
    } else {
      const n = numberOf(first);
      if (n === null || !is(tokens[at + 1], t.Times, t.Rounds)) return null;
      number = token(t.Numeral, String(n), first);
      times = token(t.Times, 'x', tokens[at + 1]!);
      many = is(tokens[at + 1], t.Rounds) && !/^times$/i.test(tokens[at + 1]!.image);
      next += 2;
    }
    const counted = next;
    while (is(tokens[next], t.Colon) || isFiller(tokens[next]) || is(tokens[next], t.Through)) next++;
    const bracket = is(tokens[next], t.Open) ? tokens[next] : undefined;
    if (bracket) return { number, times, bracket, waits: false, next: next + 1 };
    if (next >= tokens.length) return { number, times, bracket, waits: true, next };
    // `3 x 4 x 50`, and `2 rounds of 4 x 50, 100 easy`.
    const inner = numberOf(tokens[next]) !== null && is(tokens[next + 1], t.Times, t.Rounds);
    if (inner || (many && beginsSet(tokens, next)) || (through !== undefined && next > counted))
      return { number, times, bracket, waits: false, next };
    return null;
  }

  /** A set with its note, or a pause, or what is neither. */
  private setLine(tokens: readonly IToken[], note: IToken | undefined): void {
    const noted = (text: string) => (text ? noteToken(text, tokens[0]!, note) : note);
    const put = (line: readonly IToken[], last: IToken | undefined) => this.put(last ? [...line, last] : line);
    const pause = pauseOf(tokens);
    if (pause) return put(pause.tokens, noted(pause.note));
    const turns = inTurn(tokens);
    if (turns) {
      this.put([turns.times, token(t.Times, 'x', turns.times), token(t.Open, '(', turns.times)]);
      for (const turn of turns.sets) this.setLine(turn, note);
      return this.put([token(t.Close, ')', turns.times)]);
    }
    const { tokens: written, rounds, note: more, said } = canonicalSet(tokens, this.drillIn);
    this.said.push(...said);
    if (!rounds) return put(written, noted(more));
    this.put([
      token(t.Numeral, String(rounds.times), rounds.at),
      token(t.Times, 'x', rounds.at),
      token(t.Open, '(', rounds.at),
    ]);
    put(written, noted(more));
    this.put([token(t.Close, ')', rounds.at)]);
  }
}

/** A note with something put in front of what is written. */
const noteToken = (text: string, at: IToken, note: IToken | undefined): IToken =>
  token(t.Note, `// ${[text, note?.image.slice(2).trim()].filter(Boolean).join(' ')}`, note ?? at);
