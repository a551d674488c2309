import { type LevelId, RACE_NEAR_DAYS } from '../swimmers';
import { causeCard, type CauseId, linksOf, type SignId } from './catalogue';
import type { Look } from './evidence';
import { type PastOutcome, successMean } from './pastOutcome';
import { type Stage, STAGES } from './types';

/** From this probability upward a cause is offered as the focus; a club may change it. */
export const FOCUS_FROM = 0.5;

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
  'wall-distance': 'heels can hit the edge',
  'scissor-feet': 'an uneven whip kick strains the knee',
  'breathes-forward': 'water is swallowed where nobody can stand',
};

/** The terms of the priority score, so that the screen can show them. */
export interface Score {
  readonly cause: CauseId;
  readonly stage: Stage;
  readonly probability: number;
  readonly effect: number;
  readonly shows: number;
  readonly teachable: number;
  readonly pastSuccess: number;
  readonly halved: boolean;
  readonly score: number;
  /** Why it comes before what lies upstream, when it does. */
  readonly danger: string | null;
}

/** What put the focus first. */
export type Order = 'danger' | 'race-near' | 'upstream';

export interface Choice {
  readonly focus: CauseId | null;
  readonly second: CauseId | null;
  readonly order: Order;
  /** The terms for every cause that was likely enough, in order of preference. */
  readonly scores: readonly Score[];
}

/**
 * One focus, at most two: the most upstream stage among the likely causes, and inside a stage the
 * highest score. A danger comes before everything; under two weeks to the race the score alone decides.
 *
 * @param ranking causes with their probability, most likely first
 * @returns no focus when nothing reaches {@link FOCUS_FROM}; the second choice is then the most likely cause but one
 */
export function chooseFocus(
  ranking: readonly { readonly cause: CauseId; readonly probability: number }[],
  look: Look,
  circumstances: Circumstances,
): Choice {
  const raceNear = circumstances.daysToRace !== undefined && circumstances.daysToRace < RACE_NEAR_DAYS;
  const scores = ranking
    .filter((r) => r.probability >= FOCUS_FROM)
    .map((r) => scoreOf(r.cause, r.probability, look, circumstances))
    .sort(
      (a, b) =>
        Number(b.danger !== null) - Number(a.danger !== null) ||
        (raceNear ? 0 : STAGES.indexOf(a.stage) - STAGES.indexOf(b.stage)) ||
        b.score - a.score,
    );
  const focus = scores[0]?.cause ?? null;
  const second = scores[1]?.cause ?? ranking.filter((r) => r.cause !== focus)[focus === null ? 1 : 0]?.cause;
  const order = scores[0]?.danger ? 'danger' : raceNear ? 'race-near' : 'upstream';
  return { focus, second: second ?? null, order, scores };
}

function scoreOf(cause: CauseId, probability: number, look: Look, circumstances: Circumstances): Score {
  const { stage } = causeCard(cause);
  const effect = effectOnGoal(stage, circumstances.goalPlace);
  const shows = Object.keys(linksOf(cause)).some((s) => look.signs[s as SignId] === 'often') ? 1 : 0.7;
  const teachable = teachability(stage, look.level, circumstances.daysToRace);
  const past = circumstances.past?.[cause] ?? { better: 0, notBetter: 0 };
  // Scaled so that no record weighs 1: a mild weight, from 0.5 to 1.5.
  const pastSuccess = 0.5 + successMean(past);
  const halved = circumstances.failedTwice?.includes(cause) ?? false;
  const score = probability * effect * shows * teachable * pastSuccess * (halved ? 0.5 : 1);
  return {
    cause,
    stage,
    probability,
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
  if (stage === 'turns') return place === 'open-water' ? 0.5 : 1.2;
  if (stage === 'open-water skills') return place === 'pool' ? 0.5 : 1.4;
  if (stage === 'alignment') return place === 'open-water' ? 1.3 : 1;
  if (stage === 'kick') return place === 'open-water' ? 0.7 : 1;
  if (stage === 'calm' || stage === 'breathing') return 1.5;
  return 1;
}

/** How teachable a stage is at this level in the time left, 0.5–1. */
function teachability(stage: Stage, level: LevelId, daysToRace: number | undefined): number {
  const late = STAGES.indexOf(stage) >= STAGES.indexOf('catch and pull');
  const byLevel = level === 'settle' && late ? 0.6 : level === 'build' && stage === 'timing and rate' ? 0.8 : 1;
  const byTime = daysToRace !== undefined && daysToRace < RACE_NEAR_DAYS && late ? 0.6 : 1;
  return Math.max(0.5, byLevel * byTime);
}
