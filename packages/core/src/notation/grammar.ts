import { EmbeddedActionsParser, type IRecognitionException, type IToken } from 'chevrotain';
import * as t from './tokens';

/** A modifier of a set as it was written, with its place. */
export type Modifier =
  | { readonly kind: 'effort' | 'stroke' | 'drill' | 'word'; readonly token: IToken }
  | { readonly kind: 'halves' | 'descend'; readonly token: IToken; readonly first: IToken; readonly second: IToken }
  | {
      readonly kind: 'breathe';
      readonly token: IToken;
      readonly strokes: IToken | undefined;
      readonly side: IToken | undefined;
      readonly byLength: boolean;
    }
  | { readonly kind: 'breaths'; readonly token: IToken; readonly value: IToken; readonly perRep: boolean }
  | { readonly kind: 'rate' | 'on'; readonly token: IToken; readonly value: IToken }
  | ({ readonly kind: 'rest' } & RestOf)
  | { readonly kind: 'look'; readonly token: IToken; readonly value: IToken; readonly forBreath: boolean }
  | { readonly kind: 'with'; readonly token: IToken; readonly things: readonly IToken[] };

/** A time to rest, with its unit when it was written. */
export interface RestOf {
  readonly token: IToken;
  readonly value: IToken;
  readonly unit: IToken | undefined;
}

export interface SetLine {
  readonly kind: 'set';
  readonly reps: IToken | undefined;
  readonly extent: IToken;
  readonly unit: IToken | undefined;
  readonly modifiers: readonly Modifier[];
}

export type Line =
  | SetLine
  | { readonly kind: 'title' | 'key' | 'note'; readonly token: IToken }
  /** With how often, where that stands behind the bracket. */
  | { readonly kind: 'close'; readonly token: IToken; readonly rounds: IToken | undefined }
  | ({ readonly kind: 'pause' } & RestOf)
  | { readonly kind: 'total'; readonly token: IToken; readonly stated: IToken }
  | { readonly kind: 'group'; readonly token: IToken; readonly stated: IToken | undefined }
  | {
      readonly kind: 'block';
      readonly token: IToken;
      /** What the coach calls it. */
      readonly name: IToken | undefined;
      readonly minutes: IToken | undefined;
      /** A number by itself: the total when sets follow, else the only set. */
      readonly alone: IToken | undefined;
      readonly stated: IToken | undefined;
    }
  | { readonly kind: 'rounds'; readonly token: IToken; readonly rounds: IToken | undefined };

export interface ReadLine {
  readonly line: Line | undefined;
  /** The note at the end of the line. */
  readonly note: IToken | undefined;
}

/** The grammar of one line. A text is read line by line, so one bad line spoils no other. */
class LineParser extends EmbeddedActionsParser {
  constructor() {
    super(t.TOKENS, { maxLookahead: 3 });
    this.performSelfAnalysis();
  }

  readonly line = this.RULE('line', (): ReadLine => {
    const line = this.OR<Line>([
      { ALT: () => ({ kind: 'title', token: this.CONSUME(t.Title) }) },
      { ALT: () => ({ kind: 'key', token: this.CONSUME(t.KeyLine) }) },
      { ALT: () => this.SUBRULE(this.group) },
      { ALT: () => this.SUBRULE(this.block) },
      {
        ALT: () => {
          const stated = this.CONSUME(t.Stated);
          return { kind: 'total', token: stated, stated };
        },
      },
      { ALT: () => this.SUBRULE(this.close) },
      { ALT: () => this.SUBRULE(this.rounds) },
      { ALT: () => this.SUBRULE(this.set) },
      { ALT: () => this.SUBRULE(this.pause) },
      { ALT: () => ({ kind: 'note', token: this.CONSUME(t.Note) }) },
    ]);
    const note = this.OPTION(() => this.CONSUME1(t.Note));
    return { line, note };
  });

  private readonly group = this.RULE('group', (): Line => {
    const token = this.CONSUME(t.GroupStart);
    const stated = this.OPTION(() => this.CONSUME(t.Stated));
    return { kind: 'group', token, stated };
  });

  private readonly block = this.RULE('block', (): Line => {
    const token = this.CONSUME(t.Block);
    const name = this.OPTION3(() => this.CONSUME(t.BlockName));
    const number = this.OPTION(() => this.CONSUME(t.Numeral));
    const inMinutes = this.OPTION1(() => this.CONSUME(t.Minutes)) !== undefined;
    const stated = this.OPTION2(() => this.CONSUME(t.Stated));
    const minutes = inMinutes ? number : undefined;
    return { kind: 'block', token, name, minutes, alone: inMinutes ? undefined : number, stated };
  });

  private readonly rounds = this.RULE('rounds', (): Line => {
    const rounds = this.OPTION(() => {
      const number = this.CONSUME(t.Numeral);
      this.CONSUME(t.Times);
      return number;
    });
    return { kind: 'rounds', token: this.CONSUME(t.Open), rounds };
  });

  private readonly close = this.RULE('close', (): Line => {
    const token = this.CONSUME(t.Close);
    const rounds = this.OPTION(() => {
      this.CONSUME(t.Times);
      return this.CONSUME(t.Numeral);
    });
    return { kind: 'close', token, rounds };
  });

  private readonly pause = this.RULE('pause', (): Line => ({ kind: 'pause', ...this.SUBRULE(this.resting) }));

  private readonly set = this.RULE('set', (): SetLine => {
    const reps = this.OPTION(() => {
      const number = this.CONSUME(t.Numeral);
      this.CONSUME(t.Times);
      return number;
    });
    const extent = this.OR([{ ALT: () => this.CONSUME(t.Time) }, { ALT: () => this.CONSUME1(t.Numeral) }]);
    const unit = this.OPTION1(() =>
      this.OR1([
        { ALT: () => this.CONSUME(t.Minutes) },
        { ALT: () => this.CONSUME(t.Loops) },
        { ALT: () => this.CONSUME(t.Lengths) },
        { ALT: () => this.CONSUME(t.Unit) },
      ]),
    );
    const modifiers: Modifier[] = [];
    this.MANY(() => {
      this.OPTION2(() => this.CONSUME(t.Comma));
      modifiers.push(this.SUBRULE(this.modifier));
    });
    return { kind: 'set', reps, extent, unit, modifiers };
  });

  private readonly modifier = this.RULE('modifier', (): Modifier =>
    this.OR<Modifier>([
      { ALT: () => ({ kind: 'effort', token: this.SUBRULE(this.effort) }) },
      { ALT: () => ({ kind: 'stroke', token: this.CONSUME(t.Stroke) }) },
      { ALT: () => this.SUBRULE(this.halves) },
      { ALT: () => this.SUBRULE(this.descend) },
      { ALT: () => this.SUBRULE(this.drill) },
      { ALT: () => this.SUBRULE(this.breathe) },
      { ALT: () => this.SUBRULE(this.breaths) },
      { ALT: () => this.SUBRULE(this.look) },
      { ALT: () => this.SUBRULE(this.rate) },
      { ALT: () => this.SUBRULE(this.rest) },
      { ALT: () => this.SUBRULE(this.on) },
      { ALT: () => this.SUBRULE(this.with) },
      {
        ALT: () => {
          const token = this.CONSUME(t.Word);
          // Reads past the number of a misspelled word, so that only the word is reported.
          this.OPTION(() => this.CONSUME(t.Numeral));
          return { kind: 'word', token };
        },
      },
    ]),
  );

  private readonly effort = this.RULE('effort', (): IToken =>
    this.OR([{ ALT: () => this.CONSUME(t.Effort) }, { ALT: () => this.CONSUME(t.Percent) }]),
  );

  private readonly halves = this.RULE('halves', (): Modifier => {
    const token = this.CONSUME(t.Halves);
    const first = this.SUBRULE(this.effort);
    this.CONSUME(t.Slash);
    const second = this.SUBRULE1(this.effort);
    return { kind: 'halves', token, first, second };
  });

  private readonly descend = this.RULE('descend', (): Modifier => {
    const token = this.CONSUME(t.Descend);
    const first = this.SUBRULE(this.effort);
    this.CONSUME(t.Slash);
    const second = this.SUBRULE1(this.effort);
    return { kind: 'descend', token, first, second };
  });

  private readonly drill = this.RULE('drill', (): Modifier => {
    this.CONSUME(t.Drill);
    return { kind: 'drill', token: this.CONSUME(t.Word) };
  });

  private readonly breathe = this.RULE('breathe', (): Modifier => {
    const token = this.CONSUME(t.Breathe);
    return this.OR<Modifier>([
      {
        ALT: () => {
          const strokes = this.CONSUME(t.Numeral);
          const side = this.OPTION(() => this.CONSUME(t.Side));
          const byLength = this.OPTION1(() => this.CONSUME(t.ByLength)) !== undefined;
          return { kind: 'breathe', token, strokes, side, byLength };
        },
      },
      {
        ALT: () => ({
          kind: 'breathe',
          token,
          strokes: undefined,
          side: this.CONSUME1(t.Side),
          byLength: false,
        }),
      },
    ]);
  });

  private readonly breaths = this.RULE('breaths', (): Modifier => {
    const token = this.CONSUME(t.Breaths);
    const value = this.OR([{ ALT: () => this.CONSUME(t.Range) }, { ALT: () => this.CONSUME(t.Numeral) }]);
    const perRep = this.OPTION(() =>
      this.OR1([
        {
          ALT: () => {
            this.CONSUME(t.PerRep);
            return true;
          },
        },
        {
          ALT: () => {
            this.CONSUME(t.PerLength);
            return false;
          },
        },
      ]),
    );
    return { kind: 'breaths', token, value, perRep: perRep ?? false };
  });

  private readonly look = this.RULE('look', (): Modifier => {
    const token = this.CONSUME(t.Look);
    const value = this.CONSUME(t.Numeral);
    const forBreath = this.OPTION(() => this.CONSUME(t.ForBreath)) !== undefined;
    return { kind: 'look', token, value, forBreath };
  });

  private readonly rate = this.RULE('rate', (): Modifier => {
    const token = this.CONSUME(t.Rate);
    return { kind: 'rate', token, value: this.CONSUME(t.Numeral) };
  });

  private readonly rest = this.RULE('rest', (): Modifier => {
    return { kind: 'rest', ...this.SUBRULE(this.resting) };
  });

  private readonly resting = this.RULE('resting', (): RestOf => {
    const token = this.CONSUME(t.Rest);
    const value = this.SUBRULE(this.clock);
    const unit = this.OPTION(() =>
      this.OR([{ ALT: () => this.CONSUME(t.Minutes) }, { ALT: () => this.CONSUME(t.Unit) }]),
    );
    return { token, value, unit };
  });

  private readonly on = this.RULE('on', (): Modifier => {
    const token = this.CONSUME(t.On);
    return { kind: 'on', token, value: this.SUBRULE(this.clock) };
  });

  private readonly clock = this.RULE('clock', (): IToken =>
    this.OR([{ ALT: () => this.CONSUME(t.Time) }, { ALT: () => this.CONSUME(t.Numeral) }]),
  );

  private readonly with = this.RULE('with', (): Modifier => {
    const token = this.CONSUME(t.With);
    const things = [this.CONSUME(t.Word)];
    this.MANY(() => {
      this.CONSUME(t.Plus);
      things.push(this.CONSUME1(t.Word));
    });
    return { kind: 'with', token, things };
  });
}

const parser = new LineParser();

/** Reads the tokens of one line. */
export function parseLine(tokens: IToken[]): {
  readonly read: ReadLine | undefined;
  readonly error: IRecognitionException | undefined;
} {
  parser.input = tokens;
  const read = parser.line() as ReadLine | undefined;
  return { read, error: parser.errors[0] };
}
