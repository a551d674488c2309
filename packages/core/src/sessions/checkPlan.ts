import { BLOCK_NAME, type SessionPlan } from './model';
import { groupClock } from './clock';
import { SHARE_BAND } from './recipe';
import { blockLengths, groupLengths, groupTotals } from './totals';

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
}

/** Whether a plan still holds after editing: common finish, the hour, block shares, breathing balance. */
export function checkPlan(plan: SessionPlan): PlanCheck {
  const finishes = plan.groups.map((g) => ({ group: g.name, endS: groupClock(g, plan.pool).totalS }));
  const ends = finishes.map((f) => f.endS);
  const spreadS = Math.max(...ends) - Math.min(...ends);
  const problems: string[] = [];

  for (const { group, endS } of finishes) {
    const over = endS - plan.minutes * 60;
    if (over > 0.5) problems.push(`${group} ends ${inWords(over)} after the hour.`);
  }
  if (spreadS > FINISH_TOGETHER_S) problems.push(`The groups end ${inWords(spreadS)} apart.`);

  for (const group of plan.groups) {
    const total = groupLengths(group);
    if (total === 0) {
      problems.push(`${group.name} swims nothing.`);
      continue;
    }
    for (const block of group.blocks) {
      if (block.kind === 'land') continue;
      const [low, high] = SHARE_BAND[block.kind];
      const share = blockLengths(block) / total;
      if (share < low - 1e-9)
        problems.push(
          `${group.name}: ${BLOCK_NAME[block.kind]} is ${percent(share)} of the metres, under ${percent(low)}.`,
        );
      if (share > high + 1e-9)
        problems.push(
          `${group.name}: ${BLOCK_NAME[block.kind]} is ${percent(share)} of the metres, over ${percent(high)}.`,
        );
    }
    const { left, right } = groupTotals(group, plan.pool).breaths;
    const share = left / (left + right);
    if (left + right > 0 && (share < SIDE_BALANCE[0] || share > SIDE_BALANCE[1])) {
      problems.push(`${group.name}: ${percent(share)} of the counted breaths go to the left.`);
    }
  }
  return { finishes, spreadS, problems };
}

const percent = (share: number): string => `${Math.round(share * 100)} %`;

function inWords(seconds: number): string {
  return seconds < 90 ? `${Math.round(seconds)} s` : `${Math.round(seconds / 60)} min`;
}
