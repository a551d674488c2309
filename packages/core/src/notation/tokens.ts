// The words of the notation, and the many ways in which a whiteboard says them.
import { createToken, Lexer, type IToken, type TokenType } from 'chevrotain';
import { suggest } from './suggest';
import { BLOCK_BY_WORD, EFFORT_BY_WORD, KEYS, KIT_BY_WORD, SAID, STROKE_BY_WORD } from './words';

const longestFirst = (words: readonly string[]): string =>
  [...words]
    .sort((a, b) => b.length - a.length)
    .map((w) => w.replace('.', '\\.').replaceAll(' ', '[ \\t-]?'))
    .join('|');
const word = (words: readonly string[]) => new RegExp(`(?:${longestFirst(words)})(?![A-Za-z-])`, 'i');

/** A word that is nothing else: a drill, a thing to bring, or a slip of the finger. */
export const Word = createToken({ name: 'Word', pattern: /[A-Za-zÀ-ž](?:[A-Za-zÀ-ž'’-]|(?<=-)\d+)*/ });

const keyword = (name: string, words: readonly string[]): TokenType => createToken({ name, pattern: word(words) });

export const Blank = createToken({ name: 'Blank', pattern: /[ \t\r\uFEFF\u00A0]+/, group: Lexer.SKIPPED });
export const Newline = createToken({ name: 'Newline', pattern: /\n|;/, line_breaks: true });
export const Title = createToken({ name: 'Title', pattern: /#[^\n]*/ });
export const GroupStart = createToken({ name: 'GroupStart', pattern: /==[^=\n/]*/ });
/** What must be read beside a set; worked out from the set, so that reading passes over it. */
export const Caution = createToken({ name: 'Caution', pattern: /!![^\n]*/, group: Lexer.SKIPPED });
export const Note = createToken({ name: 'Note', pattern: /\/\/[^\n]*/ });
export const Stated = createToken({ name: 'Stated', pattern: /=[ \t]*\d{1,3}(?:,\d{3})+|=[ \t]*\d+(?:\.\d+)?/ });

/** Most tokens of a bullet, a number and a distance before the first word of a line. */
const MOST_BEFORE = 5;

/** A bullet, a number, and a distance that a heading may stand behind: `- 1. 400 m`. */
const BEFORE =
  /^(?:(?:Dash|Bullet|Times) )*(?:(?:Numeral|Word) (?:Dot|Close) )?(?:Numeral (?:Unit |Minutes |MinutesMark )?)?$/;

/** Whether nothing but a bullet, a number or a distance was read of this line yet. */
function beginsLine(tokens: readonly IToken[]): boolean {
  const names: string[] = [];
  for (let i = tokens.length - 1; i >= 0; i--) {
    const { name } = tokens[i]!.tokenType;
    if (name === 'Newline') break;
    if (names.push(name) > MOST_BEFORE) return false;
  }
  return BEFORE.test(
    names
      .reverse()
      .map((name) => `${name} `)
      .join(''),
  );
}

/** A token that is only one at the beginning of a line. */
const atStart = (name: string, pattern: RegExp, isOne: (image: string) => boolean = () => true): TokenType => {
  const sticky = new RegExp(pattern.source, 'iy');
  return createToken({
    name,
    line_breaks: false,
    pattern: {
      exec: (text: string, offset: number, tokens: IToken[]) => {
        sticky.lastIndex = offset;
        const found = sticky.exec(text);
        return found && beginsLine(tokens) && isOne(found[0]) ? found : null;
      },
    },
  });
};

/** A fact on its line: one that is known, or one that was probably meant. */
export const KeyLine = atStart('KeyLine', /[A-Za-z][A-Za-z ]{0,20}:[^\n]*/, (image) => {
  const key = image.slice(0, image.indexOf(':')).trim().toLowerCase();
  return (KEYS as readonly string[]).includes(key) || (!(key in BLOCK_BY_WORD) && suggest(key, KEYS) !== null);
});
/** Not where it is how fast something is swum: `8 x 25 sprints`. */
export const Block = atStart('Block', word(Object.keys(BLOCK_BY_WORD)));

/** What the coach calls a part, right behind its heading: `Main "Pre-set"`. */
export const BlockName = createToken({
  name: 'BlockName',
  line_breaks: false,
  pattern: {
    exec: (text: string, offset: number, tokens: IToken[]) => {
      if (tokens.at(-1)?.tokenType !== Block) return null;
      const pattern = /["“”]([^"“”=/\r\n]+)["“”]/y;
      pattern.lastIndex = offset;
      return pattern.exec(text);
    },
  },
});

export const Effort = createToken({ name: 'Effort', pattern: word(Object.keys(EFFORT_BY_WORD)) });
export const Stroke = createToken({ name: 'Stroke', pattern: word(Object.keys(STROKE_BY_WORD)) });
export const Kit = createToken({ name: 'Kit', pattern: word(Object.keys(KIT_BY_WORD)) });
export const Side = keyword('Side', ['left', 'right']);
export const Drill = keyword('Drill', ['drill']);
export const Breathe = keyword('Breathe', SAID.breathe);
export const Breaths = keyword('Breaths', ['breaths']);
export const Bilateral = keyword('Bilateral', SAID.bilateral);
export const PerRep = createToken({ name: 'PerRep', pattern: /(?:a|per) rep(?![A-Za-z-])/i });
export const PerLength = createToken({ name: 'PerLength', pattern: /(?:a|per) length(?![A-Za-z-])/i });
export const ByLength = createToken({ name: 'ByLength', pattern: /by length/i });
export const ForBreath = createToken({ name: 'ForBreath', pattern: /for a breath/i });
export const Halves = keyword('Halves', ['halves']);
export const Negative = keyword('Negative', SAID.negative);
export const Building = keyword('Building', SAID.building);
export const Half = createToken({ name: 'Half', pattern: /½|half(?![A-Za-z-])/i });
export const Descend = keyword('Descend', SAID.descend);
export const Look = keyword('Look', SAID.look);
export const Rate = keyword('Rate', ['rate']);
export const Every = keyword('Every', ['every']);
export const Break = keyword('Break', SAID.pause);
export const Rest = createToken({ name: 'Rest', pattern: new RegExp(`(?:${SAID.rest.join('|')})(?![A-Za-z-])`, 'i') });
export const On = createToken({ name: 'On', pattern: new RegExp(`${word(SAID.on).source}|@`, 'i') });
export const With = createToken({ name: 'With', pattern: new RegExp(`${word(SAID.with).source}|w/`, 'i') });
export const Minutes = keyword('Minutes', SAID.minutes);
export const Loops = keyword('Loops', ['loop', 'loops']);
export const Lengths = keyword('Lengths', ['length', 'lengths']);
export const Unit = keyword('Unit', Object.keys(SAID.unit));
export const Total = keyword('Total', SAID.total);
export const Through = keyword('Through', Object.keys(SAID.through));
/** `4 x 100`, and `2 rounds of` more than one thing. */
export const Rounds = keyword('Rounds', SAID.rounds);
export const Times = createToken({ name: 'Times', pattern: /[x×*](?![A-Za-z-])|by(?![A-Za-z-])/i });
const PERCENT = String.raw`[ \t]?(?:%|percent|per cent|pct)`;
export const PercentRange = createToken({
  name: 'PercentRange',
  pattern: new RegExp(String.raw`\d{1,3}[ \t]?%?[ \t]?(?:-|–|to)[ \t]?\d{1,3}${PERCENT}`, 'i'),
});
export const Percent = createToken({
  name: 'Percent',
  pattern: new RegExp(String.raw`\d{1,4}(?:\.\d+)?${PERCENT}`, 'i'),
});
export const Range = createToken({ name: 'Range', pattern: /\d{1,4}\.\.\d{1,4}/ });
export const Time = createToken({ name: 'Time', pattern: /\d{1,3}:\d{2}(?:\.\d+)?|:\d{2}(?!\d)/ });
export const Numeral = createToken({ name: 'Numeral', pattern: /[1-9],\d{3}(?!\d)|\d{1,7}(?:\.\d+)?/ });
export const Open = createToken({ name: 'Open', pattern: /[([{]/ });
export const Close = createToken({ name: 'Close', pattern: /[)\]}]/ });
export const Comma = createToken({ name: 'Comma', pattern: /,/ });
export const Plus = createToken({ name: 'Plus', pattern: /\+|&|(?:and|then)(?![A-Za-z-])/i });
export const Slash = createToken({ name: 'Slash', pattern: /\// });
export const Dash = createToken({ name: 'Dash', pattern: /[-–—]/ });
export const Colon = createToken({ name: 'Colon', pattern: /:/ });
export const Dot = createToken({ name: 'Dot', pattern: /\./ });
export const Bullet = createToken({ name: 'Bullet', pattern: /[•◦‣▪·]/ });
/** `15"` and `2'`. */
export const SecondsMark = createToken({ name: 'SecondsMark', pattern: /''|["″”]/ });
export const MinutesMark = createToken({ name: 'MinutesMark', pattern: /['′’]/ });
/** Anything else, so that one strange sign does not end the reading; an emoji in one piece. */
export const Strange = createToken({ name: 'Strange', pattern: /[\uD800-\uDBFF][\uDC00-\uDFFF]|[^\s]/ });

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
  BlockName,
  Kit,
  Negative,
  Building,
  Effort,
  Side,
  ByLength,
  PerRep,
  PerLength,
  ForBreath,
  Half,
  Halves,
  Descend,
  Bilateral,
  Breaths,
  Breathe,
  Break,
  Rest,
  Rounds,
  Through,
  On,
  Stroke,
  Drill,
  Look,
  Rate,
  Every,
  With,
  Total,
  Minutes,
  Loops,
  Lengths,
  Times,
  Plus,
  Unit,
  Word,
  PercentRange,
  Percent,
  Range,
  Time,
  Numeral,
  Open,
  Close,
  Comma,
  Slash,
  Dash,
  Colon,
  Dot,
  Bullet,
  SecondsMark,
  MinutesMark,
  Strange,
];

/** Splits a text into tokens with their line and column. */
export const lexer = new Lexer(TOKENS, { positionTracking: 'full', ensureOptimizations: false });
