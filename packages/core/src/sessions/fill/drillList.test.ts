import { drillsByTheme, newLevel, type SessionPlan } from '..';
import { DRILL_IDS, drillCard } from '../../library';
import { causeCard } from '../../review';
import { isAtLeast } from '../../swimmers';
import { planOf } from '../plan/testPlans';

const hold = newLevel('hold', 'g', () => 'b');
const plan = planOf([hold], { theme: 'crosses-midline' });
const drills = (words: string, now: SessionPlan = plan, group = hold) =>
  drillsByTheme(words, group, now).flatMap((part) => part.drills);

describe('drills by theme', () => {
  it('begin with the theme of the session', () => {
    const [first] = drillsByTheme('', hold, plan);
    expect(first!.theme).toBe('crosses-midline');
    expect(first!.drills.length).toBeGreaterThan(0);
    first!.drills.forEach((id) => expect(causeCard('crosses-midline').answers).toContain(id));
  });

  it('hold every drill that this level can swim here, and no other', () => {
    const listed = new Set(drills(''));
    for (const id of DRILL_IDS) {
      const { places, from, contradicts } = drillCard(id);
      const can = isAtLeast('hold', from) && places.some((p) => p !== 'land' && p !== 'open-water');
      expect([id, listed.has(id)]).toEqual([id, can && !contradicts.includes('long-line')]);
    }
  });

  it('leave out what is above a level', () => {
    const settle = newLevel('settle', 'g', () => 'b');
    drills('', plan, settle).forEach((id) => expect(drillCard(id).from).toBe('settle'));
  });

  it('are found by their own name alone', () => {
    expect(new Set(drills('side kick'))).toEqual(new Set(['side-kick']));
  });

  it('are found by what they are for', () => {
    const found = drillsByTheme('midline', hold, plan);
    expect(found[0]!.theme).toBe('crosses-midline');
    expect(drills('flamingo')).toEqual([]);
  });

  it('are those of open water outside', () => {
    const lake = planOf([hold], { place: 'open-water', pool: { length: 400, unit: 'm' } });
    drills('', lake).forEach((id) => expect(drillCard(id).places).toContain('open-water'));
  });
});
