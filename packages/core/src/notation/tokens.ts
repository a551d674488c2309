// The words of the notation.
import { createToken, Lexer, type TokenType } from 'chevrotain';
import { BLOCK_BY_WORD, EFFORT_BY_WORD, STROKE_BY_WORD } from './words';

const longestFirst = (words: readonly string[]): string => [...words].sort((a, b) => b.length - a.length).join('|');
const word = (words: readonly string[]) => new RegExp(`(?:${longestFirst(words)})(?![A-Za-z-])`, 'i');

/** A word that is nothing else: a drill, a thing to bring, or a slip of the finger. */
export const Word = createToken({ name: 'Word', pattern: /[A-Za-zÀ-ž](?:[A-Za-zÀ-ž'-]|(?<=-)\d+)*/ });

const keyword = (name: string, ...words: string[]): TokenType => createToken({ name, pattern: word(words) });

export const Blank = createToken({ name: 'Blank', pattern: /[ \t\r\uFEFF\u00A0]+/, group: Lexer.SKIPPED });
export const Newline = createToken({ name: 'Newline', pattern: /\n|;/, line_breaks: true });
export const Title = createToken({ name: 'Title', pattern: /#[^\n]*/ });
export const GroupStart = createToken({ name: 'GroupStart', pattern: /==[^=\n/]*/ });
/** What must be read beside a set; worked out from the set, so that reading passes over it. */
export const Caution = createToken({ name: 'Caution', pattern: /!![^\n]*/, group: Lexer.SKIPPED });
export const Note = createToken({ name: 'Note', pattern: /\/\/[^\n]*/ });
export const Stated = createToken({ name: 'Stated', pattern: /=[ \t]*\d{1,3}(?:,\d{3})+|=[ \t]*\d+(?:\.\d+)?/ });
export const KeyLine = createToken({ name: 'KeyLine', pattern: /[A-Za-z][A-Za-z ]{0,20}:[^\n]*/ });
export const Block = createToken({ name: 'Block', pattern: word(Object.keys(BLOCK_BY_WORD)) });
export const Effort = createToken({ name: 'Effort', pattern: word(Object.keys(EFFORT_BY_WORD)) });
export const Stroke = createToken({ name: 'Stroke', pattern: word(Object.keys(STROKE_BY_WORD)) });
export const Side = keyword('Side', 'left', 'right');
export const Drill = keyword('Drill', 'drill');
export const Breathe = keyword('Breathe', 'breathe');
export const Breaths = keyword('Breaths', 'breaths');
export const PerRep = createToken({ name: 'PerRep', pattern: /(?:a|per) rep(?![A-Za-z-])/i });
export const PerLength = createToken({ name: 'PerLength', pattern: /(?:a|per) length(?![A-Za-z-])/i });
export const ByLength = createToken({ name: 'ByLength', pattern: /by length/i });
export const ForBreath = createToken({ name: 'ForBreath', pattern: /for a breath/i });
export const Halves = keyword('Halves', 'halves');
export const Descend = keyword('Descend', 'descend');
export const Look = keyword('Look', 'look');
export const Rate = keyword('Rate', 'rate');
export const Rest = keyword('Rest', 'rest');
export const On = createToken({ name: 'On', pattern: /on(?![A-Za-z-])|@/i });
export const With = keyword('With', 'with');
export const Minutes = keyword('Minutes', 'min', 'minutes');
export const Loops = keyword('Loops', 'loop', 'loops');
export const Unit = keyword('Unit', 'm', 'yd', 's');
export const Times = createToken({ name: 'Times', pattern: /[x×*](?![A-Za-z-])/i });
export const Percent = createToken({ name: 'Percent', pattern: /\d{1,4}(?:\.\d+)?[ \t]?%/ });
export const Range = createToken({ name: 'Range', pattern: /\d{1,4}\.\.\d{1,4}/ });
export const Time = createToken({ name: 'Time', pattern: /\d{1,3}:\d{2}(?:\.\d+)?/ });
export const Numeral = createToken({ name: 'Numeral', pattern: /\d{1,7}(?:\.\d+)?/ });
export const Open = createToken({ name: 'Open', pattern: /\(/ });
export const Close = createToken({ name: 'Close', pattern: /\)/ });
export const Comma = createToken({ name: 'Comma', pattern: /,/ });
export const Plus = createToken({ name: 'Plus', pattern: /\+/ });
export const Slash = createToken({ name: 'Slash', pattern: /\// });
/** Anything else, so that one strange sign does not end the reading. */
export const Strange = createToken({ name: 'Strange', pattern: /[^\s]/ });

/** In the order they are tried. */
export const TOKENS: TokenType[] = [
  Blank,
  Newline,
  Title,
  GroupStart,
  Note,
  Caution,
  Stated,
  KeyLine,
  Block,
  Effort,
  Side,
  Breathe,
  Breaths,
  ByLength,
  PerRep,
  PerLength,
  ForBreath,
  Halves,
  Descend,
  Stroke,
  Drill,
  Look,
  Rate,
  Rest,
  On,
  With,
  Minutes,
  Loops,
  Times,
  Unit,
  Word,
  Percent,
  Range,
  Time,
  Numeral,
  Open,
  Close,
  Comma,
  Plus,
  Slash,
  Strange,
];

/** Splits a text into tokens with their line and column. */
export const lexer = new Lexer(TOKENS, { positionTracking: 'full', ensureOptimizations: false });
