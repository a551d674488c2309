// Reads the text of a session into a plan, with every problem at its place.
import type { IToken } from 'chevrotain';
import {
  type Block,
  BLOCK_NAME,
  blockLengths,
  DEEPEST_ROUNDS,
  FIRST_THEME,
  type GroupPlan,
  type Item,
  LONGEST_TEXT,
  MOST_LINES,
  type SessionPlan,
  sizeProblem,
} from '../sessions';
import { levelCard, type LevelId, LEVELS } from '../swimmers';
import { type Pool, poolDistance } from '../units';
import { explain } from './explain';
import { type Line, parseLine, type ReadLine } from './grammar';
import { type Facts, type GroupFacts, READ_KEY } from './keys';
import { MOST_PROBLEMS, type TextProblem } from './problem';
import { pauseSeconds, problemAt, setOf } from './setLine';
import { checkBlockTotal, checkGroupTotal } from './stated';
import { suggest } from './suggest';
import { lexer } from './tokens';
import { BLOCK_BY_WORD, GROUP_KEYS, type Key, KEYS } from './words';
import type { SessionDocument } from './write';

export interface ReadSession {
  /** What could be read; whole only when no problem is an error. */
  readonly document: SessionDocument;
  readonly problems: readonly TextProblem[];
  /** Totals of the blocks in the order of the text, in the pool's unit. */
  readonly blocks: readonly {
    readonly group: string;
    readonly name: string;
    readonly total: number;
    readonly stated: number | null;
  }[];
  /** Line of each set by its id, from 1. */
  readonly lineOf: Readonly<Record<string, number>>;
}

interface OpenBlock {
  readonly block: { kind: Block['kind']; id: string; landMinutes: number; items: Item[]; note: string };
  readonly stated: IToken | undefined;
}

interface OpenGroup {
  readonly facts: GroupFacts;
  readonly id: string;
  readonly blocks: OpenBlock[];
  stated: IToken | undefined;
}

type OpenRounds = { readonly rounds: number; readonly id: string; readonly items: Item[]; readonly token: IToken };

/**
 * Reads a session from its text. Every line is read on its own: a bad one is reported by its line and
 * column, with what was probably meant, and the others still count.
 *
 * Stated totals (`= 1750`) are checked; a difference is reported with the slip that explains it.
 *
 * @param pool the pool when the text names none
 */
export function readSession(text: string, pool: Pool = { length: 25, unit: 'm' }): ReadSession {
  const reader = new Reader(pool);
  return text.length > LONGEST_TEXT ? reader.tooLong(text.length) : reader.read(text);
}

class Reader {
  private readonly problems: TextProblem[] = [];
  private readonly facts: Facts = {
    title: '',
    date: null,
    startTime: null,
    theme: null,
    kind: 'aerobic',
    place: 'pool',
    pool: null,
    minutes: null,
    seed: 0,
  };
  private planNote = '';
  private readonly groups: OpenGroup[] = [];
  private rounds: OpenRounds[] = [];
  /** Brackets that were opened below the deepest that counts, and are still open. */
  private tooDeep = 0;
  private readonly lineOf: Record<string, number> = {};
  private readonly stated = new Map<string, number>();

  constructor(private readonly fallback: Pool) {}

  tooLong(length: number): ReadSession {
    this.problems.push(
      atLine(
        1,
        `This text is too long (${Math.round(length / 1000)} thousand characters): a session has at most ${LONGEST_TEXT / 1000} thousand. Nothing of it was read.`,
      ),
    );
    return this.done();
  }

  read(text: string): ReadSession {
    const { tokens } = lexer.tokenize(text);
    const written = linesOf(tokens);
    // A bad line costs far more than a good one, so reading ends where a person would stop reading too.
    const lines: ({ first: IToken } & ReturnType<typeof parseLine>)[] = [];
    let bad = 0;
    for (const line of written.slice(0, MOST_LINES)) {
      const parsed = { first: line[0]!, ...parseLine(line) };
      lines.push(parsed);
      if (parsed.error && ++bad > MOST_PROBLEMS) break;
    }
    const unread = written[lines.length];
    if (unread) {
      const why = bad > MOST_PROBLEMS ? 'Too many lines cannot be read' : `A session has at most ${MOST_LINES} lines`;
      this.problems.push(atLine(unread[0]!.startLine ?? 1, `${why}: nothing from here on was read.`));
    }
    // What the whole session says comes first, wherever it stands: the pool decides what a distance is.
    for (const { read } of lines) if (read?.line?.kind === 'key') this.wholeKey(read.line.token);
    let wrong = 0;
    for (const { first, read, error } of lines) {
      if (error) {
        wrong++;
        this.problems.push(explain(error, first));
      } else if (read?.line) {
        this.take(read.line, read);
      }
    }
    for (const open of this.rounds) this.problems.push(problemAt(open.token, 'This bracket is never closed.'));
    if (wrong > 3 && wrong > lines.length / 2)
      this.problems.unshift(
        atLine(1, 'This looks like another layout. One set per line, like “4 x 50 crawl easy, rest 20”.'),
      );
    return this.done();
  }

  private get pool(): Pool {
    return this.facts.pool ?? this.fallback;
  }

  private group(): OpenGroup {
    if (this.groups.length === 0) this.openGroup('Everybody', undefined);
    return this.groups[this.groups.length - 1]!;
  }

  private openGroup(name: string, stated: IToken | undefined): void {
    const level: LevelId = LEVELS.find((l) => name.toLowerCase().includes(l)) ?? 'hold';
    const { defaultV400Mps, defaultStrokeLengthM } = levelCard(level);
    this.groups.push({
      id: `g${this.groups.length + 1}`,
      blocks: [],
      stated,
      facts: {
        level,
        model: 'long-line',
        name,
        swimmers: 0,
        lanes: 1,
        v400Mps: defaultV400Mps,
        paceIsGuess: true,
        strokeLengthM: defaultStrokeLengthM,
        paceTable: [],
        knownDrills: [],
        breathRecord: null,
        note: '',
      },
    });
  }

  private openBlock(kind: Block['kind'], minutes: number, stated: IToken | undefined, note: string): OpenBlock {
    const group = this.group();
    const open: OpenBlock = {
      block: { kind, id: `${group.id}-b${group.blocks.length + 1}`, landMinutes: minutes, items: [], note },
      stated,
    };
    group.blocks.push(open);
    return open;
  }

  private block(): OpenBlock {
    const group = this.group();
    return group.blocks[group.blocks.length - 1] ?? this.openBlock('main', 0, undefined, '');
  }

  /** Where the next item goes, and its id. */
  private holder(): { readonly items: Item[]; readonly id: string } {
    const inner = this.rounds[this.rounds.length - 1];
    const holder = inner ?? this.block().block;
    return { items: holder.items, id: `${holder.id}-${holder.items.length + 1}` };
  }

  private take(line: Line, { note: noteToken }: ReadLine): void {
    const note = noteOf(noteToken);
    switch (line.kind) {
      case 'title':
        this.facts.title = line.token.image.slice(1).trim();
        return;
      case 'key':
        this.groupKey(line.token);
        return;
      case 'note':
        this.addNote(noteOf(line.token));
        return;
      case 'total':
        this.group().stated = line.stated;
        return;
      case 'group':
        this.closeRounds();
        this.openGroup(line.token.image.slice(2).trim() || 'Everybody', line.stated);
        return;
      case 'block': {
        this.closeRounds();
        const kind = BLOCK_BY_WORD[line.token.image.toLowerCase()]!;
        const minutes = Number(line.minutes?.image ?? 0);
        if (line.minutes && minutes > 60) this.problems.push(problemAt(line.minutes, 'At most 60 minutes.'));
        this.openBlock(kind, minutes, line.stated, note);
        return;
      }
      case 'rounds': {
        const rounds = Number(line.rounds.image);
        if (!Number.isInteger(rounds) || rounds < 1 || rounds > 50)
          this.problems.push(problemAt(line.rounds, 'From 1 to 50 times through.'));
        if (this.rounds.length >= DEEPEST_ROUNDS) {
          this.problems.push(problemAt(line.token, `Rounds can be nested up to ${DEEPEST_ROUNDS} deep.`));
          this.tooDeep++;
          return;
        }
        const { id } = this.holder();
        // Held back until it is closed, so that it keeps its place among its siblings.
        this.rounds.push({ rounds, id, items: [], token: line.token });
        return;
      }
      case 'close': {
        if (this.tooDeep > 0) {
          this.tooDeep--;
          return;
        }
        const open = this.rounds.pop();
        if (!open) this.problems.push(problemAt(line.token, 'Nothing is open here.'));
        else this.putRounds(open);
        return;
      }
      case 'pause': {
        const { items, id } = this.holder();
        const seconds = pauseSeconds(line);
        if (seconds === null) this.problems.push(problemAt(line.value, 'A pause is from a second to half an hour.'));
        else items.push({ kind: 'pause', id, seconds, note });
        return;
      }
      case 'set': {
        const { items, id } = this.holder();
        const { set, problems } = setOf(line, id, note, this.pool, this.facts.place === 'open-water');
        this.problems.push(...problems);
        if (!set) return;
        items.push(set);
        this.lineOf[id] = line.extent.startLine ?? 0;
      }
    }
  }

  private putRounds({ rounds, id, items }: OpenRounds): void {
    this.holder().items.push({ kind: 'rounds', id, rounds, items });
  }

  /** A new block ends what was left open; it is reported, and nothing is lost. */
  private closeRounds(): void {
    this.tooDeep = 0;
    while (this.rounds.length > 0) {
      const open = this.rounds.pop()!;
      this.problems.push(problemAt(open.token, 'This bracket is never closed.'));
      this.putRounds(open);
    }
  }

  private addNote(note: string): void {
    if (!note) return;
    const join = (before: string) => (before ? `${before} ${note}` : note);
    if (this.groups.length === 0) this.planNote = join(this.planNote);
    else if (this.group().blocks.length === 0) this.group().facts.note = join(this.group().facts.note);
    else this.block().block.note = join(this.block().block.note);
  }

  private static split(token: IToken): { readonly key: string; readonly value: string } {
    const at = token.image.indexOf(':');
    // A note may follow a fact on its line.
    const [value] = token.image.slice(at + 1).split('//') as [string];
    return { key: token.image.slice(0, at).trim().toLowerCase(), value: value.trim() };
  }

  private wholeKey(token: IToken): void {
    const { key, value } = Reader.split(token);
    if (ofGroup(key)) return;
    if (!(KEYS as readonly string[]).includes(key)) {
      const near = suggest(key, KEYS);
      this.problems.push(problemAt(token, `“${key}” is not known here.${near ? ` Did you mean “${near}:”?` : ''}`));
      return;
    }
    const wrong = READ_KEY[key as Key](value, this.facts, {} as GroupFacts);
    if (wrong) this.problems.push(problemAt(token, wrong));
  }

  private groupKey(token: IToken): void {
    const { key, value } = Reader.split(token);
    if (!ofGroup(key)) return;
    const { facts } = this.group();
    const wrong = READ_KEY[key as Key](value, this.facts, facts);
    if (wrong) this.problems.push(problemAt(token, wrong));
  }

  private done(): ReadSession {
    this.closeRounds();
    if (this.groups.length === 0) this.openGroup('Everybody', undefined);
    const groups = this.groups.map((open): GroupPlan => {
      const blocks = open.blocks.map(({ block, stated }) => {
        if (stated) {
          const total = statedNumber(stated);
          this.stated.set(block.id, total);
          const wrong = checkBlockTotal(block, total, this.pool);
          if (wrong) this.problems.push(problemAt(stated, wrong, 'warning'));
        }
        return block;
      });
      const group: GroupPlan = { id: open.id, ...open.facts, blocks };
      const tooLarge = sizeProblem(blocks);
      if (tooLarge) this.problems.push(atLine(1, `${group.name}: ${tooLarge}`));
      if (open.stated) {
        const wrong = checkGroupTotal(group, statedNumber(open.stated), this.pool, this.stated);
        if (wrong) this.problems.push(problemAt(open.stated, wrong, 'warning'));
      }
      return group;
    });
    const { title, date, startTime, theme, kind, place, minutes, seed } = this.facts;
    const plan: SessionPlan = {
      kind,
      theme: theme ?? FIRST_THEME,
      place,
      pool: this.pool,
      minutes: minutes ?? 60,
      seed,
      note: this.planNote,
      groups,
    };
    this.problems.sort((a, b) => a.line - b.line || a.column - b.column);
    return {
      document: { title, date, startTime, plan },
      problems: this.problems.slice(0, MOST_PROBLEMS),
      blocks: groups.flatMap((group) =>
        group.blocks.map((block) => ({
          group: group.name,
          name: BLOCK_NAME[block.kind],
          total: poolDistance(this.pool, blockLengths(block)),
          stated: this.stated.get(block.id) ?? null,
        })),
      ),
      lineOf: this.lineOf,
    };
  }
}

const atLine = (line: number, message: string): TextProblem => ({
  line,
  column: 1,
  length: 0,
  severity: 'error',
  message,
});

const ofGroup = (key: string): boolean => (GROUP_KEYS as readonly string[]).includes(key);

const noteOf = (token: IToken | undefined): string => token?.image.slice(2).trim() ?? '';

const statedNumber = (token: IToken): number => Number(token.image.replace(/[=,\s]/g, ''));

/** The tokens of each line; a bracket stands on a line of its own. */
function linesOf(tokens: readonly IToken[]): IToken[][] {
  const lines: IToken[][] = [];
  let line: IToken[] = [];
  const end = () => {
    if (line.length > 0) lines.push(line);
    line = [];
  };
  for (const token of tokens) {
    const { name } = token.tokenType;
    if (name === 'Newline') {
      end();
      continue;
    }
    if (name === 'Close') end();
    line.push(token);
    if (name === 'Open' || name === 'Close') end();
  }
  end();
  return lines;
}
