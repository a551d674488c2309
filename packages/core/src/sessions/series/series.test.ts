import fc from 'fast-check';
import { bringAlong, changesSeries, type SeriesFields } from './bringAlong';
import type { SessionPlan } from '../plan/model';

const plan: SessionPlan = {
  ...{ kind: 'aerobic', theme: 'spins', place: 'pool', pool: { length: 25, unit: 'm' }, minutes: 60 },
  ...{ seed: 1, groups: [], conditions: [] },
} as unknown as SessionPlan;
const other = { ...plan, minutes: 45 };
const tuesday: SeriesFields = {
  ...{ title: 'Tuesday', date: '2026-11-24', startTime: '19:00', squadIds: ['a'], courseId: null, plan },
};
const nextWeek = { ...tuesday, date: '2026-12-01', id: 'next' };

describe('a session of a series', () => {
  it.each<[string, Partial<SeriesFields>, Partial<SeriesFields>]>([
    ['takes the new time', { startTime: '19:30' }, { startTime: '19:30' }],
    [
      'takes the new title, squads and course',
      { title: 'Tue', squadIds: ['a', 'b'], courseId: 'c' },
      { title: 'Tue', squadIds: ['a', 'b'], courseId: 'c' },
    ],
    ['moves by as many days', { date: '2026-11-26' }, { date: '2026-12-03' }],
    ['moves back over the end of a month', { date: '2026-11-22' }, { date: '2026-11-29' }],
    ['takes the new sets', { plan: other }, { plan: other }],
    ['stays when nothing changed', {}, {}],
  ])('%s', (_what, change, wanted) => {
    const { session, keepsSets } = bringAlong(nextWeek, tuesday, { ...tuesday, ...change });
    expect(session).toEqual({ ...nextWeek, ...wanted });
    expect(keepsSets).toBe(false);
  });

  it('keeps what was changed by hand: sets, a title, a time', () => {
    const own = { ...nextWeek, title: 'Relays', startTime: '18:00', plan: { ...plan, minutes: 30 } };
    const { session, keepsSets } = bringAlong(own, tuesday, {
      ...tuesday,
      title: 'Tue',
      startTime: '19:30',
      plan: other,
    });
    expect(session).toEqual(own);
    expect(keepsSets).toBe(true);
    // Sets that nobody changed here are not mentioned.
    expect(bringAlong(own, tuesday, { ...tuesday, title: 'Tue' }).keepsSets).toBe(false);
  });

  it('is where it was after the change is taken back', () => {
    const title = fc.constantFrom('Tuesday', 'Tue', 'Relays');
    const day = fc.integer({ min: 1, max: 28 }).map((d) => `2026-12-${String(d).padStart(2, '0')}`);
    const any = fc.record({
      ...{ title, date: day, startTime: fc.constantFrom('19:00', '19:30'), squadIds: fc.subarray(['a', 'b']) },
      ...{ courseId: fc.constantFrom(null, 'c'), plan: fc.constantFrom(plan, other) },
    });
    fc.assert(
      fc.property(any, any, (before, after) => {
        const week = { ...before, date: '2026-12-15' };
        const there = bringAlong(week, before, after).session;
        expect(bringAlong(there, after, before).session).toEqual(week);
        expect(changesSeries(before, after)).toBe(JSON.stringify(before) !== JSON.stringify(after));
      }),
    );
  });
});
