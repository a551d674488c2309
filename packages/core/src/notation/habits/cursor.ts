import type { IToken } from 'chevrotain';
import { is, isFiller, lookUp } from '../canonical';
import * as t from '../tokens';
import { SAID } from '../words';

/** The unit behind a number, in the words of the notation. */
export interface UnitHere {
  readonly kind: 'min' | 's' | 'distance' | 'other';
  readonly image: string;
}

/** Where the reading of some tokens stands. */
export class Cursor {
  at = 0;

  constructor(readonly all: readonly IToken[]) {}

  get done(): boolean {
    return this.at >= this.all.length;
  }

  peek(n = 0): IToken | undefined {
    return this.all[this.at + n];
  }

  take(): IToken {
    return this.all[this.at++]!;
  }

  /** The token that was passed last. */
  get last(): IToken {
    return this.all[Math.max(0, this.at - 1)]!;
  }

  /** Passes over words that say nothing. */
  passFillers(): void {
    while (isFiller(this.peek()) || is(this.peek(), t.Colon)) this.at++;
  }

  /** Tries to read something; where it is not there, nothing is passed. */
  attempt<T>(read: () => T | null): T | null {
    const start = this.at;
    const found = read();
    if (found === null) this.at = start;
    return found;
  }

  unitAt(n: number): UnitHere | null {
    const tok = this.peek(n);
    if (is(tok, t.Minutes, t.MinutesMark)) return { kind: 'min', image: 'min' };
    if (is(tok, t.SecondsMark)) return { kind: 's', image: 's' };
    if (is(tok, t.Lengths, t.Loops)) return { kind: 'other', image: tok!.image };
    if (!is(tok, t.Unit)) return null;
    const image = lookUp(SAID.unit, tok!.image) ?? 'm';
    return { kind: image === 's' ? 's' : 'distance', image };
  }
}
