// A time trial of a squad while it is swum; kept on the device until every test of it is stored.
import { togetherResult, type TogetherM, type TogetherTimes } from '@upwell/core/swimtests';
import { v7 } from 'uuid';

/** One swimmer of it; the ids are made once, so that a test sent twice is stored once. */
export interface SquadTestPerson {
  readonly swimmerId: string;
  readonly name: string;
  readonly id: string;
  readonly writeId: string;
  readonly times: TogetherTimes;
  readonly stored: boolean;
}

interface Running {
  readonly metres: TogetherM;
  readonly startMs: number;
}

export interface SquadTestDraft {
  readonly heldOn: string;
  readonly apartS: number;
  /** The watch, deck clock; null while nobody swims. */
  readonly running: Running | null;
  /** The watch that was ended last: an end by mistake is taken back, and nobody's start is lost. */
  readonly ended: Running | null;
  readonly people: readonly SquadTestPerson[];
}

export const newSquadTest = (
  heldOn: string,
  people: readonly { readonly swimmerId: string; readonly name: string }[],
): SquadTestDraft => ({
  ...{ heldOn, apartS: 10, running: null, ended: null },
  people: people.map(({ swimmerId, name }) => ({
    ...{ swimmerId, name, id: v7(), writeId: v7(), times: {}, stored: false },
  })),
});

/** With the watch of a distance started, or ended. */
export const withWatch = (draft: SquadTestDraft, metres: TogetherM, atMs: number): SquadTestDraft =>
  draft.running
    ? { ...draft, running: null, ended: draft.running }
    : { ...draft, running: { metres, startMs: atMs }, ended: null };

/** With the watch going on that was ended last. */
export const withWatchBack = (draft: SquadTestDraft): SquadTestDraft => ({
  ...draft,
  running: draft.ended,
  ended: null,
});

const withPerson = (
  draft: SquadTestDraft,
  swimmerId: string,
  change: (person: SquadTestPerson) => SquadTestPerson,
): SquadTestDraft => ({
  ...draft,
  people: draft.people.map((p) => (p.swimmerId === swimmerId ? change(p) : p)),
});

/** With the time of a swimmer as it was tapped or typed. */
export const withTime = (draft: SquadTestDraft, swimmerId: string, metres: TogetherM, text: string): SquadTestDraft =>
  withPerson(draft, swimmerId, (p) => ({ ...p, times: { ...p.times, [metres]: text }, writeId: v7() }));

export const withStored = (draft: SquadTestDraft, swimmerId: string): SquadTestDraft =>
  withPerson(draft, swimmerId, (p) => ({ ...p, stored: true }));

/** With somebody leaving one place earlier. */
export function withEarlier(draft: SquadTestDraft, swimmerId: string): SquadTestDraft {
  const at = draft.people.findIndex((p) => p.swimmerId === swimmerId);
  if (at <= 0) return draft;
  const people = [...draft.people];
  [people[at - 1], people[at]] = [people[at]!, people[at - 1]!];
  return { ...draft, people };
}

/** Whose test can be stored now. */
export const readyPeople = ({ people }: SquadTestDraft): readonly SquadTestPerson[] =>
  people.filter((p) => !p.stored && togetherResult(p.times).kind === 'ready');
