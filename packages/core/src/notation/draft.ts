// The plan as it grows while its text is read: groups, blocks, and brackets that are still open.
import type { IToken } from 'chevrotain';
import { type Block, DEEPEST_ROUNDS, type Item, usualFacts } from '../sessions';
import { type LevelId, LEVELS } from '../swimmers';
import type { GroupFacts } from './keys';

export interface OpenBlock {
  readonly block: Omit<Block, 'items' | 'note'> & { items: Item[]; note: string };
  readonly stated: IToken | undefined;
  /** A number behind the heading by itself: the total when sets follow, else the only set. */
  readonly alone: IToken | undefined;
  /** What is swum here where nothing else is said. */
  readonly usual: 'pull' | 'kick' | undefined;
}

export interface OpenGroup {
  readonly facts: GroupFacts;
  readonly id: string;
  readonly blocks: OpenBlock[];
  stated: IToken | undefined;
}

interface OpenRounds {
  readonly rounds: number | null;
  readonly id: string;
  readonly items: Item[];
  readonly token: IToken;
}

/** What stands behind a heading. */
type Heading = Partial<Pick<OpenBlock, 'stated' | 'alone' | 'usual'>> & {
  readonly name?: string | undefined;
  readonly minutes?: number;
  readonly note?: string;
};

export class Draft {
  readonly groups: OpenGroup[] = [];
  planNote = '';
  private rounds: OpenRounds[] = [];
  /** Brackets that were opened below the deepest that counts, and are still open. */
  private tooDeep = 0;

  group(): OpenGroup {
    return this.groups[this.groups.length - 1] ?? this.openGroup('Everybody', undefined);
  }

  openGroup(name: string, stated: IToken | undefined): OpenGroup {
    const level: LevelId = LEVELS.find((l) => name.toLowerCase().includes(l)) ?? 'hold';
    const group: OpenGroup = {
      id: `g${this.groups.length + 1}`,
      blocks: [],
      stated,
      facts: { ...usualFacts(level), name },
    };
    this.groups.push(group);
    return group;
  }

  openBlock(kind: Block['kind'], { name, minutes = 0, note = '', stated, alone, usual }: Heading = {}): OpenBlock {
    const group = this.group();
    const id = `${group.id}-b${group.blocks.length + 1}`;
    const block = { kind, id, ...(name ? { name } : {}), landMinutes: minutes, items: [], note };
    const open: OpenBlock = { block, stated, alone, usual };
    group.blocks.push(open);
    return open;
  }

  block(): OpenBlock {
    const { blocks } = this.group();
    return blocks[blocks.length - 1] ?? this.openBlock('main');
  }

  /** Where the next item goes, and its id. */
  holder(): { readonly items: Item[]; readonly id: string } {
    const inner = this.rounds[this.rounds.length - 1];
    const holder = inner ?? this.block().block;
    return { items: holder.items, id: `${holder.id}-${holder.items.length + 1}` };
  }

  /** Opens a bracket; false when it would be too deep, and then it is passed over with its end. */
  open(rounds: number | null, token: IToken): boolean {
    if (this.rounds.length >= DEEPEST_ROUNDS) {
      this.tooDeep++;
      return false;
    }
    const { id } = this.holder();
    // Held back until it is closed, so that it keeps its place among its siblings.
    this.rounds.push({ rounds, id, items: [], token });
    return true;
  }

  /**
   * Closes the innermost bracket.
   *
   * @param behind how often, where that stands behind the bracket
   * @returns nothing when nothing was open; whether anybody said how often
   */
  close(behind: number | null): { readonly counted: boolean; readonly token: IToken } | 'deep' | null {
    if (this.tooDeep > 0) {
      this.tooDeep--;
      return 'deep';
    }
    const open = this.rounds.pop();
    if (!open) return null;
    this.put({ ...open, rounds: open.rounds ?? behind });
    return { counted: open.rounds !== null || behind !== null, token: open.token };
  }

  /** A new block ends what was left open; nothing in it is lost. @returns the brackets that were never closed */
  closeAll(): IToken[] {
    this.tooDeep = 0;
    const never: IToken[] = [];
    for (let open = this.rounds.pop(); open; open = this.rounds.pop()) {
      never.push(open.token);
      this.put(open);
    }
    return never;
  }

  private put({ rounds, id, items }: OpenRounds): void {
    this.holder().items.push({ kind: 'rounds', id, rounds: rounds ?? 1, items });
  }

  addNote(note: string): void {
    if (!note) return;
    const join = (before: string) => (before ? `${before} ${note}` : note);
    if (this.groups.length === 0) this.planNote = join(this.planNote);
    else if (this.group().blocks.length === 0) this.group().facts.note = join(this.group().facts.note);
    else this.block().block.note = join(this.block().block.note);
  }
}
