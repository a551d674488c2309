import { groupClock, groupTotals, type GroupPerson, type SessionPlan } from '../sessions';
import type { DayGroup } from './decision';

/** What is known of a group from the people in it: how many, how young, how slow, and their health notes to answer. */
export function groupOfPeople(
  people: readonly GroupPerson[],
): Pick<DayGroup, 'swimmers' | 'children' | 'minors' | 'settle' | 'slowestMps' | 'swimmerIds' | 'health'> {
  const count = (is: (person: GroupPerson) => boolean) => people.filter(is).length;
  return {
    swimmers: people.length,
    children: count((p) => p.age === 'under-16'),
    minors: count((p) => p.age === 'under-18'),
    settle: count((p) => p.level === 'settle'),
    slowestMps: Math.min(...people.map((p) => p.v400Mps)),
    swimmerIds: people.map((p) => p.id),
    health: people.flatMap((p) => p.healthFlags.map((flag) => ({ swimmerId: p.id, flag, answer: '' }))),
  };
}

/** What one level does outside, in a line. */
export interface SwimOutLine {
  readonly name: string;
  readonly swimmers: number;
  readonly metres: number;
  /** Loops of the main part, halves counted. */
  readonly loops: number;
  /** In the water, with talks and rests there. */
  readonly minutes: number;
}

/** The levels of a session outside. */
export function swimOutLines({ groups, pool }: SessionPlan): SwimOutLine[] {
  return groups.map((group) => {
    const { metres, lengths } = groupTotals(group, pool);
    const { totalS, landS } = groupClock(group, pool);
    return {
      name: group.name,
      swimmers: group.swimmers,
      metres: Math.round(metres),
      loops: lengths,
      minutes: Math.ceil((totalS - landS) / 60),
    };
  });
}

/**
 * What a session says of the group that goes in; who is young or new it does not know.
 *
 * @example groupOfPlan(plan).minutes // the longest time any level is in the water
 */
export function groupOfPlan(plan: SessionPlan): Pick<DayGroup, 'swimmers' | 'settle' | 'slowestMps' | 'minutes'> {
  const lines = swimOutLines(plan);
  const count = (of: SessionPlan['groups']) => of.reduce((sum, g) => sum + g.swimmers, 0);
  return {
    swimmers: count(plan.groups),
    settle: count(plan.groups.filter((g) => g.level === 'settle')),
    slowestMps: Math.min(...plan.groups.map((g) => g.v400Mps)),
    minutes: Math.max(...lines.map((l) => l.minutes)),
  };
}
