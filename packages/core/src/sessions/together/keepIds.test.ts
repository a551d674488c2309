import { addItem, editSet, keepIds, mergePlans, moveItem, removeItem, type Item, type SessionPlan } from '..';
import { blockOf, groupOf, planOf, roundsOf, setOf } from '../plan/testPlans';

const plan = planOf([
  groupOf([], {
    blocks: [
      blockOf([setOf({ id: 'a', reps: 1 }), setOf({ id: 'b', reps: 2 })], { id: 'warm', kind: 'warm-up' }),
      blockOf([roundsOf(2, [setOf({ id: 'c', reps: 3 })]), setOf({ id: 'e', reps: 4 })], { id: 'main' }),
    ],
  }),
  groupOf([setOf({ id: 'f', reps: 5 })], { id: 'g2', name: 'Race', level: 'race' }),
]);

/** The plan as a text gives it back: ids of places. */
function typed(now: SessionPlan): SessionPlan {
  let n = 0;
  const item = (one: Item): Item =>
    one.kind === 'rounds' ? { ...one, id: `t${n++}`, items: one.items.map(item) } : { ...one, id: `t${n++}` };
  return {
    ...now,
    groups: now.groups.map((g) => ({
      ...g,
      id: `t${n++}`,
      blocks: g.blocks.map((b) => ({ ...b, id: `t${n++}`, items: b.items.map(item) })),
    })),
  };
}
const fresh = () => {
  let n = 0;
  return () => `new-${++n}`;
};

describe('ids through a text', () => {
  it('stay as they were when nothing changed', () => {
    expect(keepIds(plan, typed(plan), fresh())).toEqual(plan);
  });

  it('stay with a set that was changed, and with those around one that was put in or taken out', () => {
    for (const next of [
      editSet(plan, 'b', { reps: 9 }),
      addItem(plan, setOf({ id: 'new-1', reps: 8, lengths: 6 }), { holderId: 'warm', index: 0 }),
      removeItem(plan, 'a'),
      moveItem(plan, 'b', { holderId: 'warm', index: 0 }),
    ])
      expect(keepIds(plan, typed(next), fresh())).toEqual(next);
  });

  it('are new for what is new, each once', () => {
    const next = {
      ...plan,
      groups: [...plan.groups, groupOf([setOf({ id: 'x' })], { id: 'y', name: 'Build', level: 'build' as const })],
    };
    const kept = keepIds(plan, typed(next), fresh());
    expect(kept.groups[2]).toMatchObject({ id: 'new-1', blocks: [{ id: 'new-2', items: [{ id: 'new-3' }] }] });
  });

  it('make a change in a text and another by hand one plan', () => {
    const mine = keepIds(plan, typed(editSet(plan, 'a', { reps: 7 })), fresh());
    const theirs = addItem(editSet(plan, 'e', { reps: 6 }), setOf({ id: 'n' }), { holderId: 'warm', index: 0 });
    const { plan: both, clashes } = mergePlans({ base: plan, mine, theirs });
    expect(clashes).toEqual([]);
    const warm = both.groups[0]!.blocks[0]!.items.map(({ id }) => id);
    expect(warm).toEqual(['n', 'a', 'b']);
    expect(JSON.stringify(both)).toContain('"id":"a","reps":7');
  });
});
