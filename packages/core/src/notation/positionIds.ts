import { isRounds, type Item, type SessionPlan } from '../sessions';

/**
 * The plan with ids that follow from the place of each thing, as a text gives them; so two plans that
 * say the same are equal.
 */
export function withPositionIds(plan: SessionPlan): SessionPlan {
  const number = (items: readonly Item[], prefix: string): Item[] =>
    items.map((item, i) => {
      const id = `${prefix}-${i + 1}`;
      return isRounds(item) ? { ...item, id, items: number(item.items, id) } : { ...item, id };
    });
  return {
    ...plan,
    groups: plan.groups.map((group, g) => ({
      ...group,
      id: `g${g + 1}`,
      blocks: group.blocks.map((block, b) => {
        const id = `g${g + 1}-b${b + 1}`;
        return { ...block, id, items: number(block.items, id) };
      }),
    })),
  };
}
