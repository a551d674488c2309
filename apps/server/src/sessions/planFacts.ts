import type { SessionDone, SessionRow } from '@upwell/contract/sessions';
import {
  checkPlan,
  groupTotals,
  poolTotal,
  fewBreathSets,
  ratingLoad,
  type GroupPeople,
  type SessionPlan,
} from '@upwell/core/sessions';

/** The totals per group as the lists show them, with how it felt where that was asked. */
export function summaryOf(plan: SessionPlan, ratings: Readonly<Record<string, number>> = {}): SessionRow['groups'] {
  return plan.groups.map((group) => {
    const totals = groupTotals(group, plan.pool);
    const { metres, load, seconds } = totals;
    const rating = ratings[group.id];
    const felt = rating === undefined ? {} : { felt: ratingLoad(rating, seconds / 60) };
    return { name: group.name, level: group.level, metres, inPool: poolTotal(totals, plan.pool), load, ...felt };
  });
}

/** What follows from a session's plan, for storing it. */
export interface PlanFacts {
  /** What could hurt somebody, each in a sentence; such a plan is not stored. */
  readonly blocked: readonly string[];
  readonly fewBreaths: boolean;
  readonly summary: SessionRow['groups'];
  readonly doneSummary: SessionRow['groups'] | null;
}

/** Works out what is stored beside a plan, and whether it may be stored at all. */
export function planFacts({
  plan,
  done,
  people,
  breatheFreely = [],
}: {
  readonly plan: SessionPlan;
  readonly done: SessionDone | null;
  readonly people: readonly GroupPeople[];
  readonly breatheFreely?: readonly string[];
}): PlanFacts {
  return {
    blocked: checkPlan(plan, people, breatheFreely).blocked,
    fewBreaths: plan.groups.some((group) => fewBreathSets(group, plan.pool).length > 0),
    summary: summaryOf(plan),
    doneSummary: done ? summaryOf(done.plan, done.ratings) : null,
  };
}
