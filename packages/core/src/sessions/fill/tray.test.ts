import { commonSets, describeSet, isSet, newLevel, type AnySet, type GroupPlan } from '..';
import { LEVELS, type LevelId } from '../../swimmers';
import type { Pool } from '../../units';
import { BLOCK_KINDS, type BlockKind } from '../plan/model';
import { repLengths, repSeconds, restSeconds } from '../plan/setMeasure';

const POOL: Pool = { length: 25, unit: 'm' };
const level = (id: LevelId): GroupPlan => newLevel(id, 'g', () => 'b');
const indoors = (pool: Pool = POOL) => ({ pool, place: 'pool' as const });
const sets = (kind: BlockKind, group: GroupPlan, pool?: Pool) =>
  commonSets(kind, group, indoors(pool)).filter((item): item is AnySet => item.kind !== 'pause');
const words = (kind: BlockKind, id: LevelId, pool: Pool = POOL) =>
  sets(kind, level(id), pool).map((set) => describeSet(set, pool, 'pool'));

describe('common sets', () => {
  it('are what a level swims in its main part', () => {
    expect(words('main', 'hold')).toEqual([
      ...['6 × 100 crawl', '4 × 150 crawl', '3 × 200 crawl', '2 × 300 crawl'],
      // Each faster; then the second half faster.
      ...['6 × 100 crawl', '3 × 200 crawl'],
      ...['6 × 100 pull', '8 × 50 kick'],
    ]);
  });

  it('say the distances of the pool', () => {
    expect(words('swim-down', 'hold', { length: 50, unit: 'm' }).join()).not.toMatch(/25|75/);
    expect(words('warm-up', 'race', { length: 25, unit: 'yd' })[0]).toMatch(/^\d+ choice$/);
  });

  it('are one length at a time for beginners, and never fast', () => {
    for (const kind of ['warm-up', 'main', 'speed', 'swim-down'] as const)
      for (const set of sets(kind, level('settle')))
        expect([kind, repLengths(set), set.effort]).toEqual([kind, 1, 0.6]);
    expect(sets('drills', level('settle'))[0]).toMatchObject({ kind: 'timed', drill: 'wall-tries' });
  });

  it('sprint with full rest: three times the swim, from 45 to 90 s', () => {
    for (const id of ['build', 'hold', 'race'] as const)
      for (const set of sets('speed', level(id)).filter((s) => s.effort === 1))
        expect(set.timing.kind === 'rest' && set.timing.seconds >= 45 && set.timing.seconds <= 90).toBe(true);
  });

  it.each(LEVELS)('of %s fit their block, end at home, and leave someone rest', (id) => {
    for (const kind of BLOCK_KINDS) {
      const group = level(id);
      for (const pool of [POOL, { length: 50, unit: 'm' as const }, { length: 25, unit: 'yd' as const }])
        for (const set of sets(kind, group, pool)) {
          const name = `${kind} ${describeSet(set, pool, 'pool')}`;
          const repS = repSeconds(set, group, pool);
          const minutes = (set.reps * (repS + restSeconds(set, repS))) / 60;
          expect([name, minutes < 20]).toEqual([name, true]);
          if (id !== 'settle' && set.reps === 1) expect([name, repLengths(set) % 2]).toEqual([name, 0]);
          if (set.reps > 1) expect([name, restSeconds(set, repS) >= 5]).toEqual([name, true]);
        }
    }
  });

  it('hold nothing twice, and end with pauses; land has none', () => {
    for (const id of LEVELS)
      for (const kind of BLOCK_KINDS.filter((k) => k !== 'land')) {
        const all = commonSets(kind, level(id), indoors());
        expect(new Set(all.map((one) => JSON.stringify(one))).size).toBe(all.length);
        expect(all.filter((one) => !isSet(one)).map((one) => one.kind === 'pause' && one.seconds)).toEqual([
          30, 60, 120,
        ]);
      }
    expect(commonSets('land', level('hold'), indoors())).toEqual([]);
  });

  it('are loops and minutes outside', () => {
    const all = commonSets('main', level('hold'), { pool: { length: 300, unit: 'm' }, place: 'open-water' });
    const said = all.filter(isSet).map((set) => describeSet(set, { length: 300, unit: 'm' }, 'open-water'));
    expect(said).toEqual(expect.arrayContaining(['3 × 1 loop crawl', '10 min crawl']));
  });
});
