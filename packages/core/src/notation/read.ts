// Reads the text of a session into a plan, with every problem at its place.
import type { IToken } from 'chevrotain';
import {
  BLOCK_NAME,
  blockWord,
  blockLengths,
  DEEPEST_ROUNDS,
  FIRST_THEME,
  type GroupPlan,
  LONGEST_BLOCK_NAME,
  LONGEST_TEXT,
  MOST_LINES,
  pauseWord,
  type SessionPlan,
  sizeProblem,
} from '../sessions';
import { type Pool, poolDistance } from '../units';
import { is, lookUp } from './canonical';
import { Draft, type OpenBlock } from './draft';
import { explain, unknownHeading } from './explain';
import { type Line, parseLine, type ReadLine } from './grammar';
import { asNotation } from './habits/lines';
import { type Facts, type GroupFacts, READ_KEY } from './keys';
import { problemAt } from './place';
import { MOST_PROBLEMS, type TextProblem } from './problem';
import { pauseSeconds, setOf } from './setLine';
import { checkBlockTotal, checkGroupTotal } from './stated';
import { suggest } from './suggest';
import * as t from './tokens';
import { BLOCK_BY_WORD, GROUP_KEYS, type Key, KEYS, USUAL_OF_BLOCK } from './words';
import { type SessionDocument, writeSet } from './write';

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
  /** How each line was understood, in the words of the notation; in the order of the text. */
  readonly asRead: readonly { readonly line: number; readonly text: string }[];
}

/**
 * Reads a session from its text, as whiteboards have it. Every line is read on its own: a bad one is reported by its line and
 * column, with what was probably meant, and the others still count.
 *
 * Stated totals (`= 1750`) are checked; a difference is reported with the slips that explain it.
 *
 * @param pool the pool when the text names none
 * @example readSession('WU 400 easy\nMain set: 8 x 50 free fast, 15s rest').asRead[1] // { line: 2, text: 'Main' }
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
  private readonly draft = new Draft();
  private readonly lineOf: Record<string, number> = {};
  private readonly stated = new Map<string, number>();
  private readonly asRead: { line: number; text: string }[] = [];

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
    const { lines: written, said } = asNotation(t.lexer.tokenize(text).tokens);
    this.problems.push(...said);
    // A bad line costs far more than a good one, so reading ends where a person would stop reading too.
    const lines: ({ tokens: readonly IToken[] } & ReturnType<typeof parseLine>)[] = [];
    let bad = 0;
    for (const tokens of written.slice(0, MOST_LINES)) {
      const parsed = { tokens, ...parseLine([...tokens]) };
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
    for (const { tokens, read, error } of lines) {
      if (error) {
        wrong++;
        this.problems.push(this.unread(tokens) ?? explain(error, tokens[0]!));
      } else if (read?.line) {
        this.take(read.line, read);
      }
    }
    if (wrong > 3 && wrong > lines.length / 2)
      this.problems.unshift(
        atLine(1, 'This looks like another layout. One set per line, like “4 x 50 crawl easy, rest 20”.'),
      );
    return this.done();
  }

  private get pool(): Pool {
    return this.facts.pool ?? this.fallback;
  }

  /** A heading that cannot be read still opens its part: its sets never join the part before. */
  private unread(tokens: readonly IToken[]): TextProblem | null {
    const [first] = tokens as [IToken];
    if (is(first, t.GroupStart)) {
      this.openGroup(first, undefined);
      return null;
    }
    if (is(first, t.Block)) {
      this.openBlock(first, {});
      return null;
    }
    const heading = unknownHeading(tokens);
    if (heading) {
      this.closeRounds();
      this.draft.openBlock('main');
    }
    return heading;
  }

  private openGroup(token: IToken, stated: IToken | undefined): void {
    this.closeRounds();
    this.draft.openGroup(token.image.slice(2).trim() || 'Everybody', stated);
  }

  private openBlock(token: IToken, heading: Parameters<Draft['openBlock']>[1]): void {
    this.closeRounds();
    const kind = lookUp(BLOCK_BY_WORD, token.image)!;
    this.draft.openBlock(kind, { ...heading, usual: lookUp(USUAL_OF_BLOCK, token.image) });
    this.understood(token, heading?.name ? `${BLOCK_NAME[kind]} “${heading.name}”` : BLOCK_NAME[kind]);
  }

  private blockName(token: IToken | undefined): string | undefined {
    const name = token?.image.slice(1, -1).trim();
    if (!token || !name) return undefined;
    if (name.length > LONGEST_BLOCK_NAME)
      this.problems.push(problemAt(token, `A name of a part has at most ${LONGEST_BLOCK_NAME} letters.`));
    return name;
  }

  private understood(token: IToken, text: string): void {
    this.asRead.push({ line: token.startLine ?? 1, text });
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
        this.draft.addNote(noteOf(line.token));
        return;
      case 'total':
        this.draft.group().stated = line.stated;
        return;
      case 'group':
        this.openGroup(line.token, line.stated);
        return;
      case 'block': {
        const minutes = Number(line.minutes?.image ?? 0);
        if (line.minutes && minutes > 60) this.problems.push(problemAt(line.minutes, 'At most 60 minutes.'));
        const name = this.blockName(line.name);
        this.openBlock(line.token, { name, minutes, note, stated: line.stated, alone: line.alone });
        return;
      }
      case 'rounds': {
        const rounds = line.rounds ? this.roundsOf(line.rounds) : null;
        if (!this.draft.open(rounds, line.token))
          this.problems.push(problemAt(line.token, `Rounds can be nested up to ${DEEPEST_ROUNDS} deep.`));
        this.understood(line.token, `${rounds ?? ''} x (`.trim());
        return;
      }
      case 'close': {
        const closed = this.draft.close(line.rounds ? this.roundsOf(line.rounds) : null);
        if (closed === null) this.problems.push(problemAt(line.token, 'Nothing is open here.'));
        else if (closed !== 'deep' && !closed.counted)
          this.problems.push(problemAt(closed.token, 'How often is this swum? Like “2 x (”.'));
        return;
      }
      case 'pause': {
        const { items, id } = this.draft.holder();
        const seconds = pauseSeconds(line);
        if (seconds === null) {
          this.problems.push(problemAt(line.value, 'A pause is from a second to half an hour.'));
          return;
        }
        const pause = { kind: 'pause' as const, id, seconds, note };
        items.push(pause);
        this.understood(line.token, pauseWord(pause));
        return;
      }
      case 'set':
        this.takeSet(line, note);
    }
  }

  private takeSet(line: Extract<Line, { kind: 'set' }>, note: string): void {
    const { items, id } = this.draft.holder();
    const outside = this.facts.place === 'open-water';
    const { set, problems } = setOf(line, { id, note, usual: this.draft.block().usual }, this.pool, outside);
    this.problems.push(...problems);
    if (!set) return;
    items.push(set);
    this.lineOf[id] = line.extent.startLine ?? 0;
    this.understood(line.extent, writeSet(set, this.pool, outside));
  }

  private roundsOf(token: IToken): number {
    const rounds = Number(token.image);
    if (!Number.isInteger(rounds) || rounds < 1 || rounds > 50)
      this.problems.push(problemAt(token, 'From 1 to 50 times through.'));
    return rounds;
  }

  private closeRounds(): void {
    for (const token of this.draft.closeAll()) this.problems.push(problemAt(token, 'This bracket is never closed.'));
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
    const { facts } = this.draft.group();
    const wrong = READ_KEY[key as Key](value, this.facts, facts);
    if (wrong) this.problems.push(problemAt(token, wrong));
  }

  private done(): ReadSession {
    this.closeRounds();
    this.draft.group();
    const groups = this.draft.groups.map((open): GroupPlan => {
      const blocks = open.blocks.map((opened) => {
        const { block } = opened;
        const stated = opened.stated ?? this.aloneIsTotal(opened);
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
      note: this.draft.planNote,
      groups,
    };
    this.problems.sort((a, b) => a.line - b.line || a.column - b.column);
    return {
      document: { title, date, startTime, plan },
      problems: this.problems.slice(0, MOST_PROBLEMS),
      blocks: groups.flatMap((group) =>
        group.blocks.map((block) => ({
          group: group.name,
          name: blockWord(block),
          total: poolDistance(this.pool, blockLengths(block)),
          stated: this.stated.get(block.id) ?? null,
        })),
      ),
      lineOf: this.lineOf,
      asRead: this.asRead.sort((a, b) => a.line - b.line),
    };
  }

  /** A number alone behind a heading: the only set of its block, or its total. */
  private aloneIsTotal({ block, alone, usual }: OpenBlock): IToken | undefined {
    if (!alone || block.items.length > 0) return alone;
    const id = `${block.id}-1`;
    const outside = this.facts.place === 'open-water';
    const line = { kind: 'set' as const, reps: undefined, extent: alone, unit: undefined, modifiers: [] };
    const { set, problems } = setOf(line, { id, note: '', usual }, this.pool, outside);
    this.problems.push(...problems);
    if (!set) return undefined;
    block.items.push(set);
    this.lineOf[id] = alone.startLine ?? 0;
    this.understood(alone, writeSet(set, this.pool, outside));
    return undefined;
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
