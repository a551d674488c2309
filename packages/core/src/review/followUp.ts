import { drillCard, type DrillId } from '../library';
import type { HealthFlag, LevelId, StrokeModelId } from '../swimmers';
import { isAtLeast } from '../swimmers';
import { CAUSE_IDS, causeCard, type CauseId, upstreamOf } from './catalogue';
import { type CauseExperience, ourExperience } from './experience';
import { type PastOutcome, successMean } from './pastOutcome';
import { type FocusOutcome, helped, type Outcome } from './relook';

/** One try at the focus: swum, looked at again, judged at once. */
export interface Try {
  readonly drill: DrillId;
  readonly verdict: Outcome;
}

/** What to do after the last try. */
export type NextStep =
  | { readonly kind: 'go-on'; readonly drill: DrillId; readonly reason: string }
  | { readonly kind: 'enough'; readonly drill: DrillId; readonly reason: string }
  | { readonly kind: 'change-drill'; readonly drill: DrillId; readonly reason: string }
  | { readonly kind: 'change-cause'; readonly drill: null; readonly reason: string };

/** Tries judged better in a row after which it is good enough for today. */
const ENOUGH = 2;
/** "Same" in a row after which something must change. */
const STUCK = 2;

/**
 * The next step of the try-again loop on deck.
 *
 * "Worse" stops a drill at once, "same" twice in a row changes it; when no other drill for the cause is
 * left, the cause itself is doubted. "Better" twice in a row is good enough: stop there.
 *
 * @param answers drills of the cause that this swimmer may do, best first
 * @param tries in their order
 */
export function nextStep(cause: CauseId, answers: readonly DrillId[], drill: DrillId, tries: readonly Try[]): NextStep {
  const last = tries[tries.length - 1];
  if (!last) return { kind: 'go-on', drill, reason: 'Swim it once, look, and say how it went.' };
  const run = trailing(tries, (t) => t.verdict === last.verdict && t.drill === last.drill);
  if (last.verdict === 'better') {
    if (run >= ENOUGH)
      return { kind: 'enough', drill: last.drill, reason: 'Better twice in a row: good enough for today.' };
    return { kind: 'go-on', drill: last.drill, reason: 'Better: do it once more to be sure.' };
  }
  if (last.verdict === 'same' && run < STUCK) {
    return {
      kind: 'go-on',
      drill: last.drill,
      reason: 'The same once tells little: change one word of the cue and try again.',
    };
  }
  const tried = new Set(tries.filter((t) => t.verdict !== 'better').map((t) => t.drill));
  const other = answers.find((id) => !tried.has(id));
  const why = last.verdict === 'worse' ? 'Worse' : 'The same twice';
  if (other) {
    return {
      kind: 'change-drill',
      drill: other,
      reason: `${why} with ${drillCard(last.drill).name.toLowerCase()}: try ${drillCard(other).name.toLowerCase()} instead.`,
    };
  }
  return {
    kind: 'change-cause',
    drill: null,
    reason: `${why}, and every drill for “${causeCard(cause).name}” was tried: the cause may be another one. Look again.`,
  };
}

function trailing<T>(items: readonly T[], holds: (item: T) => boolean): number {
  let count = 0;
  while (count < items.length && holds(items[items.length - 1 - count]!)) count++;
  return count;
}

/** How often a drill helped with a cause at a level, counted at second looks. */
export interface DrillRecord {
  readonly cause: CauseId;
  readonly drill: DrillId;
  readonly better: number;
  readonly notBetter: number;
}

/** The records of all drills at a level, in the club's experience. */
export const drillRecords = (level: LevelId): DrillRecord[] =>
  (Object.entries(ourExperience()) as [CauseId, CauseExperience][]).flatMap(([cause, { drills }]) =>
    (Object.entries(drills) as [DrillId, CauseExperience['drills'][DrillId]][]).flatMap(([drill, levels]) => {
      const record = levels?.[level];
      return record ? [{ cause, drill, better: record[0], notBetter: record[1] - record[0] }] : [];
    }),
  );

/** A record in words, never hidden. @example recordWord({ better: 7, notBetter: 2 }) // 'worked 7 of 9' */
export function recordWord({ better, notBetter }: { readonly better: number; readonly notBetter: number }): string {
  const all = better + notBetter;
  return all === 0 ? 'no record yet' : `worked ${better} of ${all}`;
}

/**
 * What to do when a drill does not help after two tries: the next one of its cause, and when there is none left, the
 * question whether the cause is the right one.
 *
 * @example ifNoHelp('spins', 'front-scull') // 'No change after two tries? Count-down 50s is the next answer.'
 */
export function ifNoHelp(
  cause: CauseId,
  drill: DrillId,
  answers: readonly DrillId[] = causeCard(cause).answers,
): string {
  const next = answers[answers.indexOf(drill) + 1];
  if (next) return `No change after two tries? ${drillCard(next).name} is the next answer.`;
  const [upstream] = upstreamOf(cause);
  const from = upstream ? ` It may come from “${causeCard(upstream).name.toLowerCase()}”.` : '';
  return `No change after two tries? Ask whether this is the cause. ${causeCard(cause).check}${from}`;
}

/** The causes that a drill answers. */
export const answeredBy = (drill: DrillId): CauseId[] =>
  CAUSE_IDS.filter((cause) => causeCard(cause).answers.includes(drill));

/** What is said at the wall: the cue of the cause with its first drill, the drill's own with another one. */
export const cueFor = (cause: CauseId, drill: DrillId): string =>
  causeCard(cause).answers[0] === drill ? causeCard(cause).cue : drillCard(drill).cue;

export interface DrillChoice {
  readonly level: LevelId;
  readonly model: StrokeModelId;
  readonly healthFlags: readonly HealthFlag[];
  readonly records?: readonly DrillRecord[];
  /** Earlier focuses of this swimmer: a drill that did not help with a cause goes to the end for it. */
  readonly before?: readonly {
    readonly cause: CauseId;
    readonly drill: DrillId;
    readonly outcome: FocusOutcome | null;
  }[];
}

/**
 * The drills of a cause that this swimmer may do, best first: the order of the catalogue, moved mildly
 * by what has worked at this level; what did not help this swimmer before comes last.
 */
export function drillsFor(
  cause: CauseId,
  { level, model, healthFlags, records = [], before = [] }: DrillChoice,
): DrillId[] {
  const answers: readonly DrillId[] = causeCard(cause).answers;
  const rank = (id: DrillId, i: number) => {
    const record = records.find((r) => r.cause === cause && r.drill === id);
    const failed = before.some((f) => f.cause === cause && f.drill === id && f.outcome !== null && !helped(f.outcome));
    return i - 1.5 * ((record ? successMean(record) : 0.5) - 0.5) * 2 + (failed ? answers.length : 0);
  };
  return answers
    .map((id, i) => ({ id, rank: rank(id, i) }))
    .filter(({ id }) => {
      const drill = drillCard(id);
      return (
        isAtLeast(level, drill.from) &&
        !drill.contradicts.includes(model) &&
        !drill.notWith.some((flag) => healthFlags.includes(flag))
      );
    })
    .sort((a, b) => a.rank - b.rank)
    .map(({ id }) => id);
}

/** The records of drills added up per cause: the mild weight in the choice of focus. */
export function pastByCause(records: readonly DrillRecord[]): Partial<Record<CauseId, PastOutcome>> {
  const past: Partial<Record<CauseId, PastOutcome>> = {};
  for (const { cause, better, notBetter } of records) {
    const so = past[cause] ?? { better: 0, notBetter: 0 };
    past[cause] = { better: so.better + better, notBetter: so.notBetter + notBetter };
  }
  return past;
}
