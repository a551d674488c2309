// Climbing a ladder at the pool side: tries at the step at hand, passed or not, each taken back as easily as tapped.
import { ladderCard, type LadderId, type LadderStep } from './ladders';

/** A try that was good or not; the step is passed; or it is one back. */
export const MARK_KINDS = ['good', 'miss', 'passed', 'back'] as const;
export type MarkKind = (typeof MARK_KINDS)[number];

/** One tap at the pool side. */
export interface LadderMark {
  readonly id: string;
  readonly ladder: LadderId;
  /** Steps that were passed when it was tapped: the step at hand, counted from 0. */
  readonly step: number;
  readonly kind: MarkKind;
  /** ISO 8601. */
  readonly at: string;
}

type Steps = Readonly<Partial<Record<LadderId, number>>>;

/** Where somebody stands: steps passed on each ladder, and the taps that led there, the oldest first. */
export interface Climb {
  readonly ladderSteps: Steps;
  readonly ladderLog: readonly LadderMark[];
}

/** So many taps are kept for a swimmer; the oldest go first. */
export const MOST_MARKS = 400;

/** From so many tries on one may fail ("five of six"); with fewer every one has to be good. */
const MISS_FROM = 6;

const passedOn = ({ ladderSteps }: Climb, ladder: LadderId): number => ladderSteps[ladder] ?? 0;

/**
 * A climb with one more tap. What was tapped for a step that is not at hand, as on a second device, and what
 * was stored already, changes nothing.
 */
export function marked(climb: Climb, mark: LadderMark): Climb {
  const { ladder, step, kind, id } = mark;
  const passed = passedOn(climb, ladder);
  const last = ladderCard(ladder).steps.length;
  if (step !== passed || climb.ladderLog.some((m) => m.id === id)) return climb;
  if (kind === 'back' ? passed === 0 : passed >= last) return climb;
  const moved = kind === 'passed' ? passed + 1 : kind === 'back' ? passed - 1 : passed;
  return {
    ladderSteps: { ...climb.ladderSteps, [ladder]: moved },
    ladderLog: [...climb.ladderLog, mark].slice(-MOST_MARKS),
  };
}

/** A climb with the newest tap of its ladder taken back; an older one, or one that is gone, changes nothing. */
export function unmarked(climb: Climb, id: string): Climb {
  const mark = climb.ladderLog.find((m) => m.id === id);
  if (!mark || newest(climb, mark.ladder)?.id !== id) return climb;
  return {
    ladderSteps: { ...climb.ladderSteps, [mark.ladder]: mark.step },
    ladderLog: climb.ladderLog.filter((m) => m.id !== id),
  };
}

/** The tap that can be taken back on a ladder. */
export function newest({ ladderLog }: Climb, ladder: LadderId): LadderMark | undefined {
  return ladderLog.filter((m) => m.ladder === ladder).at(-1);
}

/** The step that is worked on, and how it goes. */
export interface StepAtHand {
  /** Steps passed, and all there are. */
  readonly passed: number;
  readonly of: number;
  /** Nothing on top of the ladder. */
  readonly step: LadderStep | null;
  /** The tries at this step since it came to hand. */
  readonly tries: readonly ('good' | 'miss')[];
  /** Go on; it looks passed; or the way back should be thought of. The coach decides. */
  readonly advice: 'go-on' | 'pass' | 'back';
}

/**
 * Where somebody is on a ladder.
 *
 * @example atHand({ ladderSteps: { tumble: 1 }, ladderLog: [] }, 'tumble').step?.pass // 'Both feet flat, five of six.'
 */
export function atHand(climb: Climb, ladder: LadderId): StepAtHand {
  const { steps } = ladderCard(ladder);
  const passed = Math.min(passedOn(climb, ladder), steps.length);
  const step = steps[passed] ?? null;
  const own = climb.ladderLog.filter((m) => m.ladder === ladder);
  const moved = own.map((m) => m.kind === 'passed' || m.kind === 'back').lastIndexOf(true);
  const tries = own
    .slice(moved + 1)
    .flatMap(({ kind, step: at }) => ((kind === 'good' || kind === 'miss') && at === passed ? [kind] : []));
  if (!step || tries.length < step.tries) return { passed, of: steps.length, step, tries, advice: 'go-on' };
  const misses = tries.slice(-step.tries).filter((kind) => kind === 'miss').length;
  const allowed = step.tries >= MISS_FROM ? 1 : 0;
  return {
    passed,
    of: steps.length,
    step,
    tries,
    advice: misses <= allowed ? 'pass' : misses * 2 > step.tries ? 'back' : 'go-on',
  };
}
