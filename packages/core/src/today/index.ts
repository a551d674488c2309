import groupBy from 'lodash/groupBy.js';

export * from './poolWeek';

/** What may matter on a day, in the order in which it does. */
export const MATTERS = ['session', 'relook', 'test', 'ready', 'load', 'unsent'] as const;
export type MatterKind = (typeof MATTERS)[number];

/** One thing that matters today; it asks for one action. */
export interface Matter {
  readonly kind: MatterKind;
  /** Who or what. */
  readonly title: string;
  /** Why now, in a sentence. */
  readonly why: string;
  /** Whether the people concerned swim today. */
  readonly here?: boolean;
  /** Since when it is due, ISO date; sooner comes first. */
  readonly due?: string;
}

/** Things of one kind that are shown before "more". */
const SHOWN = 4;

export interface MatterGroup<M extends Matter> {
  readonly kind: MatterKind;
  readonly shown: readonly M[];
  readonly more: readonly M[];
}

/**
 * What matters today, kind by kind: within a kind those who swim today first, then what is due longest.
 *
 * @example mattersToday([{ kind: 'relook', title: 'Ada', why: 'due' }, { kind: 'session', title: 'Calm exhale', why: '19:00' }])[0].kind // 'session'
 */
export function mattersToday<M extends Matter>(all: readonly M[]): MatterGroup<M>[] {
  return MATTERS.flatMap((kind) => {
    const mine = all
      .filter((m) => m.kind === kind)
      .sort((a, b) => Number(b.here ?? false) - Number(a.here ?? false) || (a.due ?? '').localeCompare(b.due ?? ''));
    return mine.length > 0 ? [{ kind, shown: mine.slice(0, SHOWN), more: mine.slice(SHOWN) }] : [];
  });
}

/** Tests of one squad, as one thing to do. */
export interface SquadTests<T> {
  readonly squadId: string;
  readonly tests: readonly T[];
}

/**
 * Tests that are due, squad by squad: twelve of a week are one line for each squad.
 *
 * @example testsBySquad([{ squadId: 'a' }, { squadId: 'b' }, { squadId: 'a' }]).map(({ tests }) => tests.length) // [2, 1]
 */
export function testsBySquad<T extends { readonly squadId: string }>(tests: readonly T[]): SquadTests<T>[] {
  return Object.entries(groupBy(tests, (test) => test.squadId)).map(([squadId, ofSquad]) => ({
    squadId,
    tests: ofSquad,
  }));
}
