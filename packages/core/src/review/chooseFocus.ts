// What comes first among the likely causes, and why.
import { type LevelId, RACE_NEAR_DAYS } from '../swimmers';
import { causeCard, type CauseId, linksOf, type SignId, upstreamOf } from './catalogue';
import type { Look } from './evidence';
import { type PastOutcome, successMean } from './pastOutcome';
import { type Stage, STAGES } from './types';

/** From this probability upward a cause is offered as the focus; a club may change it. */
export const FOCUS_FROM = 0.5;

/** Every number that decides what comes first. */
export const PRIORITY = {
  /** What curing a cause of this stage is worth by itself. */
  worth: {
    calm: 1.5,
    breathing: 1.3,
    'head and body line': 1.25,
    alignment: 1.2,
    'catch and pull': 1,
    recovery: 0.9,
    kick: 0.9,
    'timing and rate': 1,
    turns: 0.8,
    'open-water skills': 1,
  },
  /** How much more or less a stage matters where the goal is swum, 0.5–1.5; 1 where nothing is said. */
  effect: {
    pool: { turns: 1.2, 'open-water skills': 0.5 },
    'open-water': { turns: 0.5, 'open-water skills': 1.4, alignment: 1.3, kick: 0.7 },
  },
  /** A cause with a sign that shows often, and one whose signs show sometimes. */
  shows: { often: 1, sometimes: 0.7 },
  /** How much of what lies downstream of alignment can be taught: to Settle, of timing to Build, with the race near. */
  teachable: { settleDownstream: 0.6, buildTiming: 0.8, raceNearDownstream: 0.6, least: 0.5 },
  /** What no record of a drill weighs, so that the mean of its outcomes weighs from 0.5 to 1.5. */
  pastBase: 0.5,
  /** What a focus that failed twice keeps of its score. */
  failedTwice: 0.5,
  /** Scores that differ from the best by no more than this share count as equal. */
  close: 0.1,
} as const satisfies {
  worth: Record<Stage, number>;
  effect: Record<'pool' | 'open-water', Partial<Record<Stage, number>>>;
  [key: string]: unknown;
};

/** What moves the choice of focus besides the signs. All optional. */
export interface Circumstances {
  readonly goalPlace?: 'pool' | 'open-water';
  readonly daysToRace?: number;
  readonly past?: Readonly<Partial<Record<CauseId, PastOutcome>>>;
  /** Causes whose focus ended "same" or "worse" twice for this swimmer. */
  readonly failedTwice?: readonly CauseId[];
}

/** Causes that can hurt: treated first wherever they lie, with the reason. */
const DANGER: Readonly<Partial<Record<CauseId, string>>> = {
  unease: 'a swimmer who is not at ease can panic',
  'holds-breath': 'a swimmer who holds the breath runs out of air',
  'wall-distance': 'heels can hit the edge',
  'scissor-feet': 'an uneven whip kick strains the knee',
  'breathes-forward': 'water is swallowed where nobody can stand',
};

/** In breaststroke nothing holds while kick and pull cancel each other, so this comes before every other score. */
const BEFORE_SCORES: CauseId = 'pull-kick-clash';

/** The terms of the priority score, so that the screen can show them. */
export interface Score {
  readonly cause: CauseId;
  readonly stage: Stage;
  readonly probability: number;
  readonly worth: number;
  readonly effect: number;
  readonly shows: number;
  readonly teachable: number;
  readonly pastSuccess: number;
  readonly halved: boolean;
  readonly score: number;
  /** Why it comes before what lies upstream, when it does. */
  readonly danger: string | null;
}

/**
 * What put the focus first: it can hurt; kick and pull clash; the race is near and the score alone decides; it
 * explains another likely cause; among nearly equal scores it lies upstream; its score is the highest; or nothing
 * else is likely enough.
 */
export type Order = 'danger' | 'clash' | 'race-near' | 'explains' | 'upstream' | 'score' | 'only';

export interface Choice {
  readonly focus: CauseId | null;
  readonly second: CauseId | null;
  readonly order: Order;
  /** The likely cause that the focus explains or that scores nearly the same, where that is the reason. */
  readonly over: CauseId | null;
  /** The terms for every cause that was likely enough, in order of preference. */
  readonly scores: readonly Score[];
}

/**
 * One focus, at most two, among the causes likely enough: a danger first; then what explains the others; then the
 * highest score, the most upstream among scores that are nearly equal. Under two weeks to the race the score alone
 * decides among what is no danger.
 *
 * @param ranking causes with their probability, most likely first
 * @returns no focus when nothing reaches {@link FOCUS_FROM}; the second choice is then the most likely cause but one
 * @example
 * chooseFocus([{ cause: 'late-lift', probability: 0.63 }, { cause: 'pull-kick-clash', probability: 0.95 }], look, {})
 *   // focus 'pull-kick-clash', order 'clash'
 */
export function chooseFocus(
  ranking: readonly { readonly cause: CauseId; readonly probability: number }[],
  look: Look,
  circumstances: Circumstances,
): Choice {
  const raceNear = circumstances.daysToRace !== undefined && circumstances.daysToRace < RACE_NEAR_DAYS;
  const left = ranking
    .filter((r) => r.probability >= FOCUS_FROM)
    .map((r) => scoreOf(r.cause, r.probability, look, circumstances))
    .sort((a, b) => b.score - a.score);
  const scores: Score[] = [];
  let reason: Pick<Choice, 'order' | 'over'> = { order: 'only', over: null };
  while (left.length > 0) {
    const next = firstOf(left, raceNear);
    if (scores.length === 0) reason = { order: next.order, over: next.over };
    scores.push(next.score);
    left.splice(left.indexOf(next.score), 1);
  }
  const focus = scores[0]?.cause ?? null;
  const second = scores[1]?.cause ?? ranking.filter((r) => r.cause !== focus)[focus === null ? 1 : 0]?.cause;
  return { focus, second: second ?? null, ...reason, scores };
}

/** The one that comes first of some likely causes, the highest score at their head. */
function firstOf(
  left: readonly Score[],
  raceNear: boolean,
): { readonly score: Score; readonly order: Order; readonly over: CauseId | null } {
  const [best, ...others] = left as [Score, ...Score[]];
  const danger = left.find((s) => s.danger !== null);
  if (danger) return { score: danger, order: 'danger', over: null };
  const clash = left.find((s) => s.cause === BEFORE_SCORES);
  if (clash && others.length > 0) return { score: clash, order: 'clash', over: null };
  if (others.length === 0) return { score: best, order: 'only', over: null };
  if (raceNear) return { score: best, order: 'race-near', over: null };

  const stage = (s: Score) => STAGES.indexOf(s.stage);
  const close = left.filter((s) => s.score >= best.score * (1 - PRIORITY.close));
  const upstream = close.reduce((first, s) => (stage(s) < stage(first) ? s : first));
  // Whatever is likely and lies upstream of that on a path of causes explains it, and takes its place.
  const before = upstreamAll(upstream.cause);
  const explaining = left.filter((s) => before.has(s.cause));
  const root = explaining.find((s) => ![...upstreamAll(s.cause)].some((c) => explaining.some((e) => e.cause === c)));
  if (root) return { score: root, order: 'explains', over: upstream.cause };
  return upstream === best
    ? { score: best, order: 'score', over: null }
    : { score: upstream, order: 'upstream', over: best.cause };
}

/** Every cause on a path of causes that leads to this one. */
function upstreamAll(cause: CauseId, found: Set<CauseId> = new Set()): Set<CauseId> {
  for (const from of upstreamOf(cause)) {
    if (found.has(from)) continue;
    found.add(from);
    upstreamAll(from, found);
  }
  return found;
}

function scoreOf(cause: CauseId, probability: number, look: Look, circumstances: Circumstances): Score {
  const { stage } = causeCard(cause);
  const worth = PRIORITY.worth[stage];
  const effect = effectOnGoal(stage, circumstances.goalPlace);
  const often = Object.keys(linksOf(cause)).some((s) => look.signs[s as SignId] === 'often');
  const shows = PRIORITY.shows[often ? 'often' : 'sometimes'];
  const teachable = teachability(stage, look.level, circumstances.daysToRace);
  const past = circumstances.past?.[cause] ?? { better: 0, notBetter: 0 };
  const pastSuccess = PRIORITY.pastBase + successMean(past);
  const halved = circumstances.failedTwice?.includes(cause) ?? false;
  const score = probability * worth * effect * shows * teachable * pastSuccess * (halved ? PRIORITY.failedTwice : 1);
  return {
    cause,
    stage,
    probability,
    worth,
    effect,
    shows,
    teachable,
    pastSuccess,
    halved,
    score,
    danger: DANGER[cause] ?? null,
  };
}

/** How much a stage matters for the goal, 0.5–1.5. */
function effectOnGoal(stage: Stage, place: Circumstances['goalPlace']): number {
  const effect: Partial<Record<Stage, number>> = place ? PRIORITY.effect[place] : {};
  return effect[stage] ?? 1;
}

/** How teachable a stage is at this level in the time left, 0.5–1. */
function teachability(stage: Stage, level: LevelId, daysToRace: number | undefined): number {
  const { settleDownstream, buildTiming, raceNearDownstream, least } = PRIORITY.teachable;
  const downstream = STAGES.indexOf(stage) > STAGES.indexOf('alignment');
  const byLevel =
    level === 'settle' && downstream
      ? settleDownstream
      : level === 'build' && stage === 'timing and rate'
        ? buildTiming
        : 1;
  const byTime = daysToRace !== undefined && daysToRace < RACE_NEAR_DAYS && downstream ? raceNearDownstream : 1;
  return Math.max(least, byLevel * byTime);
}
