import {
  BREATH_RULES,
  FARTHEST_WITHOUT_AIR_M,
  FEW_BREATHS_REASON,
  isFew,
  LONGEST_WITHOUT_AIR_S,
  RECOVERY_S,
  whyNotFewBreaths,
  type BreathPerson,
} from '../../safety';
import { lengthsToMetres, type Pool } from '../../units';
import { breathPlaces, breathsInRep, type Counted } from './breathPlaces';
import type { Breathes } from './weakSide';

import type { AnySet, GroupPlan, SessionPlace } from './model';
import { repMetres, repSeconds, restSeconds, setsOf, slowestMps, type Swims } from './setMeasure';
import { plural } from '../../words';

/** Metres from a wall without a stroke: push-off and glide. */
const PUSH_OFF_M = 5;

/** Nobody's stroke counts as longer than this, metres a hand entry: a longer one would make few breaths look like many. */
const LONGEST_STROKE_M = 1.4;

/** The longest stretch without air in a set. */
export interface BreathGap {
  readonly strokes: number;
  readonly metres: number;
  readonly seconds: number;
}

/** How fast a gap is swum, and in how long strokes. */
type Gapped = Swims & Pick<GroupPlan, 'strokeLengthM'>;

/**
 * The longest stretch without air in any rep of a set, turns and push-offs included, at the pace given.
 *
 * Looks in place of a breath double the gap. Whether it is few is for {@link isFew}.
 */
export function longestBreathGap(set: AnySet, swims: Gapped, pool: Pool): BreathGap {
  const lengthM = lengthsToMetres(pool, 1);
  const repM = repMetres(set, swims, pool);
  const { breathing } = set;
  const { strokeLengthM } = swims;
  const looks = set.sighting?.forBreath ? 2 : 1;
  if (breathing.kind !== 'limited') {
    const pattern = breathing.kind === 'free' || breathing.kind === 'to-side' ? 2 : breathing.strokes;
    const strokes = pattern * looks;
    return timed(strokes, Math.min(repM, strokes * strokeLengthM + PUSH_OFF_M), set, swims, pool);
  }
  const gaps = [0, set.reps - 1].map((rep) => {
    const places = breathPlaces(breathing, rep, set.reps, { repM, lengthM, strokeLengthM });
    const ends = [0, ...places, repM];
    return Math.max(...ends.slice(1).map((at, i) => at - ends[i]!));
  });
  const metres = Math.min(repM, Math.max(...gaps) * looks);
  if (repM > 0) return timed(metres / Math.min(strokeLengthM, LONGEST_STROKE_M), metres, set, swims, pool);
  // On the spot nothing is measured but time; about a stroke a second is what it is held against.
  const fewest = Math.min(...[0, set.reps - 1].map((rep) => breathsInRep(breathing, rep, set.reps)));
  const seconds = (repSeconds(set, swims, pool) / (fewest + 1)) * looks;
  return { strokes: seconds, metres: 0, seconds };
}

function timed(strokes: number, metres: number, set: AnySet, swims: Gapped, pool: Pool): BreathGap {
  const speed = slowestMps(set, swims, pool) || repMetres(set, swims, pool) / repSeconds(set, swims, pool) || 1;
  return { strokes, metres, seconds: metres / speed };
}

/** Whether the gates for few breaths apply to a set at the pace of its group. */
export function hasFew(set: AnySet, group: Gapped, pool: Pool): boolean {
  return isFew(longestBreathGap(set, group, pool).strokes);
}

/** The sets of a group in which breaths are few. */
export function fewBreathSets(group: GroupPlan, pool: Pool): AnySet[] {
  return group.blocks
    .flatMap((block) => setsOf(block.items).map(({ set }) => set))
    .filter((set) => hasFew(set, group, pool));
}

/**
 * What rules out a set with few breaths for everyone; empty when it may be swum.
 *
 * Never outdoors, never for a group of beginners, never over 25 m or 25 s without air; after every rep at least 30 s
 * rest and as long as the rep took; with a lifeguard's name and the rules told.
 */
export function breathProblems(set: AnySet, group: GroupPlan, place: SessionPlace, pool: Pool): string[] {
  if (!hasFew(set, group, pool)) return [];
  const record = group.breathRecord;
  const blocked: string[] = [];
  if (place === 'open-water') blocked.push('Few breaths are never planned outdoors.');
  if (group.level === 'settle' || group.level === 'build') blocked.push('Few breaths are only for Hold and Race.');
  const tooLong = gapProblem(set, group, pool);
  if (tooLong) blocked.push(withOffer(tooLong, set, group, pool));
  const rest = restProblem(set, group, pool);
  if (rest) blocked.push(rest);
  if (!record || record.lifeguard.trim() === '') blocked.push('Name the qualified lifeguard who watches.');
  if (!record?.rulesTold) blocked.push(`Everybody must be told: ${BREATH_RULES.join(' ')}`);
  return blocked;
}

function gapProblem(set: AnySet, swims: Gapped, pool: Pool): string | null {
  const { metres, seconds } = longestBreathGap(set, swims, pool);
  if (metres > FARTHEST_WITHOUT_AIR_M + 1e-9)
    return `${tenth(metres)} m without air, turns included; ${FARTHEST_WITHOUT_AIR_M} m is the most.`;
  if (seconds > LONGEST_WITHOUT_AIR_S + 1e-9)
    return `${Math.ceil(seconds)} s without air, turns included; ${LONGEST_WITHOUT_AIR_S} s is the most.`;
  return null;
}

function restProblem(set: AnySet, swims: Gapped, pool: Pool): string | null {
  const repS = repSeconds(set, swims, pool);
  const needed = Math.ceil(Math.max(RECOVERY_S, repS) - 1e-9);
  return restSeconds(set, repS) < needed - 1e-9
    ? `After every rep at least ${needed} s of rest are needed: ${RECOVERY_S} s, and as long as the rep took.`
    : null;
}

const tenth = (m: number): number => Math.round(m * 10) / 10;

function withOffer(problem: string, set: AnySet, group: GroupPlan, pool: Pool): string {
  const better = gentlerBreaths(set, group, pool);
  return better ? `${problem} ${countsInWords(better, set.reps)} would do.` : problem;
}

/** Breaths of every rep. @example countsInWords({ kind: 'limited', first: 5, last: 2, per: 'rep' }, 4) // '5, 4, 3, 2 breaths a rep' */
export function countsInWords(counted: Counted, reps: number): string {
  const all = Array.from({ length: Math.min(reps, 12) }, (_, rep) => breathsInRep(counted, rep, reps));
  const shown = counted.first === counted.last ? [counted.first] : all;
  return `${shown.join(', ')}${shown.length < reps && shown.length > 1 ? ' …' : ''} ${plural(shown.length === 1 ? shown[0]! : shown.length, 'breath')} a ${counted.per === 'rep' ? 'rep' : 'length'}`;
}

/** Most breaths that are counted in a length or rep. */
export const MOST_BREATHS = 30;

/** The nearest counted breaths, the same steps with more air, that leave no one too long without air; null when none do. */
export function gentlerBreaths(set: AnySet, group: Gapped, pool: Pool): Counted | null {
  const { breathing } = set;
  if (breathing.kind !== 'limited') return null;
  for (let more = 1; Math.max(breathing.first, breathing.last) + more <= MOST_BREATHS; more++) {
    const next: Counted = { ...breathing, first: breathing.first + more, last: breathing.last + more };
    if (gapProblem({ ...set, breathing: next }, group, pool) === null) return next;
  }
  return null;
}

/** Somebody who would swim in a group, as far as safety goes. */
export interface GroupPerson extends BreathPerson, Breathes {
  readonly id: string;
  readonly v400Mps: number;
  /** Steps passed on the ladder of water confidence; left out where none is kept. */
  readonly confidence?: number;
  /** Where they were put by hand for tonight. */
  readonly place?: { readonly group: string; readonly lane: number };
}

/** Somebody who swims a set breathing freely while others have few breaths, and why. */
export interface Freely {
  readonly id: string;
  readonly name: string;
  readonly why: string;
}

/**
 * Who of a group breathes freely in a set with few breaths: those who may not, by age, level, health or own pace, and
 * those the coach left out. Everybody else may swim it as written.
 *
 * @param leftOut ids of those the coach left out
 */
export function freelyIn(
  set: AnySet,
  group: GroupPlan,
  pool: Pool,
  people: readonly GroupPerson[],
  leftOut: readonly string[] = [],
): Freely[] {
  return people.flatMap((person): Freely[] => {
    const { id, name, v400Mps } = person;
    const own = { ...group, v400Mps };
    const why =
      whyNotFewBreaths(person, group.breathRecord) ??
      (leftOut.includes(id) ? 'left out by the coach' : null) ??
      gapProblem(set, own, pool) ??
      restProblem(set, own, pool);
    return why === null ? [] : [{ id, name, why }];
  });
}

/** Where the breaths of a set fall best, rep by rep where they change; empty when they are not counted. */
export function whereToBreathe(set: AnySet, group: Gapped, pool: Pool): string[] {
  const { breathing, reps } = set;
  if (breathing.kind !== 'limited') return [];
  const lengthM = lengthsToMetres(pool, 1);
  const repM = repMetres(set, group, pool);
  const seen = new Set<number>();
  return Array.from({ length: reps }, (_, rep) => rep).flatMap((rep) => {
    const count = breathsInRep(breathing, rep, reps);
    if (seen.has(count)) return [];
    seen.add(count);
    const places = breathPlaces(breathing, rep, reps, { repM, lengthM, strokeLengthM: group.strokeLengthM });
    if (places.length === 0) return ['A full breath before the push, the next one at the wall.'];
    const at = places.map((m) => {
      const toWall = lengthM - (m % lengthM);
      const turn = m < repM - lengthM + 1e-9 && toWall <= group.strokeLengthM + 1e-9;
      return `${Math.round(m)}${turn ? ' (before the turn)' : ''}`;
    });
    const which = breathing.first === breathing.last ? 'Breathe' : `${count} a ${breathing.per ?? 'length'}: breathe`;
    return [`${which} at about ${at.join(', ')} m.`];
  });
}

/**
 * What stands beside a set with few breaths wherever it is read: the warning, the rules, who watches and where to
 * breathe; empty for every other set.
 */
export function breathWarnings(set: AnySet, group: GroupPlan, pool: Pool): string[] {
  if (!hasFew(set, group, pool)) return [];
  const guard = group.breathRecord?.lifeguard.trim() ?? '';
  return [
    FEW_BREATHS_REASON,
    BREATH_RULES.join(' '),
    guard ? `Lifeguard: ${guard}.` : 'No lifeguard is named: breathe freely.',
    ...whereToBreathe(set, group, pool),
  ];
}
