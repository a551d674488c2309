import { drillCard, STEPS_TO_TEN_METRES } from '../../library';
import { isAtLeast } from '../../swimmers';
import { patternProblem } from './breathPattern';
import { groupClock } from './clock';
import { describeSet } from './describe';
import { breathProblems, fewBreathSets, freelyIn, type Freely, type GroupPerson } from './fewBreaths';
import { drillProblem, LONG_POOL_M, type Stands } from './drillPlace';
import { BLOCK_KINDS, BLOCK_NAME, type AnySet, type GroupPlan, type SessionPlace, type SessionPlan } from './model';
import { SHARE_BAND } from './shares';
import { repSeconds, setsOf } from './setMeasure';
import { sizeProblem } from './size';
import { lookProblem } from './looks';
import { medleyProblem } from './strokePace';
import { lengthsToMetres } from '../../units';
import { groupTotals } from './totals';
import { percent } from '../../words';

/** Groups should end within this time of each other, seconds. */
export const FINISH_TOGETHER_S = 60;

/** Share of counted breaths that each side should get. */
export const SIDE_BALANCE = [0.45, 0.55] as const;

export interface GroupFinish {
  readonly group: string;
  readonly endS: number;
}

export interface PlanCheck {
  readonly finishes: readonly GroupFinish[];
  /** Seconds between the first and the last group to end. */
  readonly spreadS: number;
  /** What is broken now, each in a sentence. */
  readonly problems: readonly string[];
  /** What could hurt someone; such a plan cannot be saved. */
  readonly blocked: readonly string[];
  /** Who breathes freely in the sets with few breaths of each group, by its place; empty without such sets. */
  readonly freely: readonly (readonly Freely[])[];
}

/** Who would swim in a group, as far as safety is concerned; null when it is not known. */
export type GroupPeople = readonly GroupPerson[] | null;

/**
 * Somebody's group in a plan: the one they were put in by hand, else that of their level, else the first. Beginners swim
 * in a group of beginners or not at all, wherever they were put.
 *
 * @example groupFor(plan, { level: 'hold' })?.name // 'Hold'
 */
export function groupFor(
  plan: SessionPlan,
  { level, place }: Pick<GroupPerson, 'level' | 'place'>,
): GroupPlan | undefined {
  const byHand = plan.groups.find((g) => g.id === place?.group);
  if (byHand && (level !== 'settle' || byHand.level === 'settle')) return byHand;
  const own = plan.groups.find((g) => g.level === level);
  return own ?? (level === 'settle' ? undefined : plan.groups[0]);
}

/** Who swims in each group of a plan, in its order. */
export function peopleOf(plan: SessionPlan, people: readonly GroupPerson[]): readonly GroupPerson[][] {
  return plan.groups.map((group) => people.filter((person) => groupFor(plan, person) === group));
}

/**
 * Whether a plan still holds after editing: common finish, the hour, block shares, breathing balance,
 * send-offs; and what could hurt somebody.
 *
 * @param people who is in each group, by its place; without it only what the level forbids is known
 * @param leftOut ids of those the coach left out of sets with few breaths
 */
export function checkPlan(
  plan: SessionPlan,
  people: readonly GroupPeople[] = [],
  leftOut: readonly string[] = [],
): PlanCheck {
  const finishes = plan.groups.map((g) => ({ group: g.name, endS: groupClock(g, plan.pool).totalS }));
  const ends = finishes.map((f) => f.endS);
  const spreadS = Math.max(...ends) - Math.min(...ends);
  const problems: string[] = [];

  for (const { group, endS } of finishes) {
    const over = endS - plan.minutes * 60;
    if (over > 0.5) problems.push(`${group} runs ${inWords(over)} over.`);
  }
  if (spreadS > FINISH_TOGETHER_S) problems.push(`The groups end ${inWords(spreadS)} apart.`);
  plan.groups.forEach((group, i) => problems.push(...groupProblems(group, plan, people[i] ?? null)));
  const blocked = plan.groups.flatMap((group, i) => [
    ...safetyProblems(group, plan),
    ...peopleProblems(group, plan, people[i] ?? null),
  ]);
  const freely = plan.groups.map((group, i) => {
    const found = breathingFreely(group, plan, people[i] ?? null, leftOut);
    blocked.push(...found.blocked);
    return found.freely;
  });
  return { finishes, spreadS, problems, blocked: [...new Set(blocked)], freely };
}

/** Who of a group breathes freely in at least one of its sets with few breaths; blocked where no one is left. */
function breathingFreely(
  group: GroupPlan,
  plan: SessionPlan,
  people: GroupPeople,
  leftOut: readonly string[],
): { readonly freely: readonly Freely[]; readonly blocked: readonly string[] } {
  if (!people || people.length === 0) return { freely: [], blocked: [] };
  const freely = new Map<string, Freely>();
  const blocked: string[] = [];
  for (const set of fewBreathSets(group, plan.pool)) {
    const here = freelyIn(set, group, plan.pool, people, leftOut);
    here.forEach((f) => freely.set(f.id, f));
    if (here.length === people.length && breathProblems(set, group, plan.place, plan.pool).length === 0)
      blocked.push(
        `${group.name}, ${describeSet(set, plan.pool, plan.place)}: nobody here may swim it with few breaths (${here
          .map((f) => `${f.name}: ${f.why}`)
          .join('; ')}).`,
      );
  }
  return { freely: [...freely.values()], blocked };
}

function groupProblems(group: GroupPlan, plan: SessionPlan, people: GroupPeople): string[] {
  const problems: string[] = [];
  const totals = groupTotals(group, plan.pool);
  const inTheWater = group.blocks.some((b) => setsOf(b.items).length > 0);
  if (totals.metres === 0 && !inTheWater) return [`${group.name} has nothing to swim.`];
  if (!group.blocks.some((b) => b.kind === 'land' && b.landMinutes > 0))
    problems.push(`${group.name}: no warm-up on land.`);
  for (const kind of BLOCK_KINDS) {
    const metres = totals.metresByBlock[kind];
    // By the clock at the wall there are no metres to share.
    if (kind === 'land' || metres === undefined || totals.metres === 0) continue;
    const [low, high] = SHARE_BAND[kind];
    const share = metres / totals.metres;
    const named = `${group.name}: ${BLOCK_NAME[kind]} is ${percent(share)} of the metres`;
    if (share < low - 1e-9) problems.push(`${named}, under ${percent(low)}.`);
    if (share > high + 1e-9) problems.push(`${named}, over ${percent(high)}.`);
  }
  for (const { set } of group.blocks.flatMap((b) => setsOf(b.items))) {
    const repS = repSeconds(set, group, plan.pool);
    if (set.timing.kind === 'send-off' && set.reps > 1 && set.timing.seconds < repS)
      problems.push(
        `${group.name}: ${describeSet(set, plan.pool, plan.place)} takes ${Math.round(repS)} s, longer than its send-off.`,
      );
    const look = set.sighting && lookProblem(set.breathing, set.sighting);
    if (look) problems.push(`${group.name}: ${look}`);
    const medley = medleyProblem(set, plan.pool);
    if (medley) problems.push(`${group.name}: ${medley}`);
    if (!set.drill) continue;
    const drill = drillCard(set.drill);
    if (group.level !== 'settle' && !isAtLeast(group.level, drill.from))
      problems.push(`${group.name}: ${drill.name} is above this level.`);
    const flag = drill.notWith.find((f) => people?.some((p) => p.healthFlags.includes(f)));
    if (flag) problems.push(`${group.name}: ${drill.name} is not suitable for someone here (${flag}).`);
  }
  const notes = [group.note, ...group.blocks.flatMap((b) => [b.note, ...setsOf(b.items).map(({ set }) => set.note)])];
  if (notes.some((note) => asksForFewBreaths(note)))
    problems.push(
      `${group.name}: a note asks for few breaths. Write them as “breaths 5..2 a rep”, so that distance, rest and people are looked at.`,
    );
  const { left, right } = totals.breaths;
  const share = left / (left + right);
  if (left + right > 0 && (share < SIDE_BALANCE[0] || share > SIDE_BALANCE[1]))
    problems.push(`${group.name}: ${percent(share)} of the counted breaths go to the left.`);
  return problems;
}

function safetyProblems(group: GroupPlan, plan: SessionPlan): string[] {
  const problems: string[] = [];
  const size = sizeProblem(group.blocks);
  if (size) problems.push(`${group.name}: ${size}`);
  if (plan.place === 'open-water' && group.level === 'settle')
    problems.push(`${group.name}: beginners are never planned in open water.`);
  for (const block of group.blocks) {
    for (const { set } of setsOf(block.items)) {
      for (const reason of setProblems(set, group, { ...plan, block: block.kind }))
        problems.push(`${group.name}, ${reason}`);
      // Beginners never skip a step; elsewhere the coach may know better, and gets a warning.
      if (set.drill && group.level === 'settle' && !isAtLeast('settle', drillCard(set.drill).from))
        problems.push(`${group.name}: ${drillCard(set.drill).name} is above this level.`);
    }
  }
  return problems;
}

/** Whether a note asks somebody to hold the breath; “don't hold your breath” does not. */
export function asksForFewBreaths(note: string): boolean {
  const asked =
    /\b(hold(ing)? (your |the )?breath|breath[- ]?hold(ing)?|hypoxic|(no|without( a)?|on one) breath(s|ing)?)\b/i;
  const found = asked.exec(note);
  return found !== null && !/(don['’]t|do not|never|not|no|nobody|stop) *$/i.test(note.slice(0, found.index));
}

/** Why some of the people of a group must not be in it, whatever its level is called. */
function peopleProblems(group: GroupPlan, plan: SessionPlan, people: GroupPeople): string[] {
  const beginners = (people ?? []).filter((p) => p.level === 'settle');
  if (beginners.length === 0) return [];
  const names = (those: readonly GroupPerson[]) => those.map((p) => p.name).join(', ');
  if (plan.place === 'open-water')
    return [`${group.name}: ${names(beginners)} at Settle: beginners are never planned in open water.`];
  const atTheWall = beginners.filter((p) => (p.confidence ?? 0) < STEPS_TO_TEN_METRES);
  const swims = group.blocks.some((b) => setsOf(b.items).some(({ set }) => set.kind !== 'timed'));
  if (!swims || atTheWall.length === 0) return [];
  return [
    `${group.name}: ${names(atTheWall)} not yet past “ten metres on their own”: no lengths, only timed tries in standing depth.`,
  ];
}

/** What could hurt somebody in one set, each in a sentence that names it. */
export function setProblems(set: AnySet, group: GroupPlan, stands: Stands): string[] {
  const { place, pool } = stands;
  const reasons = [
    patternProblem(set.stroke, set.breathing),
    drillProblem(set, group, stands),
    loopProblem(set, place),
    lengthProblem(set, group, stands),
    ...breathProblems(set, group, place, pool),
  ];
  return reasons.flatMap((reason) => (reason === null ? [] : [`${describeSet(set, pool, place)}: ${reason}`]));
}

/** Why a swim in open water ends where there is no exit, or null. */
function loopProblem(set: AnySet, place: SessionPlace): string | null {
  if (place !== 'open-water' || set.kind === 'timed' || Number.isInteger(set.lengths)) return null;
  return 'half a loop ends far from the exit: whole loops only.';
}

/** Why a beginner must not be sent off for a length, or null. */
function lengthProblem(set: AnySet, { level }: GroupPlan, { place, pool }: Stands): string | null {
  if (level !== 'settle' || place !== 'pool' || set.kind === 'timed') return null;
  return lengthsToMetres(pool, 1) > LONG_POOL_M
    ? 'swimmers who cannot yet swim 50 m stay near the wall of a long pool: timed tries in the shallow end.'
    : null;
}

function inWords(seconds: number): string {
  return seconds < 90 ? `${Math.round(seconds)} s` : `${Math.round(seconds / 60)} min`;
}
