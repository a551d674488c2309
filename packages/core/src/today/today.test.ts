import fc from 'fast-check';
import { mattersToday, testsBySquad, type Matter } from '.';

describe('what matters today', () => {
  const matter = fc.record({
    kind: fc.constantFrom('session', 'relook', 'test', 'ready', 'load', 'unsent' as const),
    title: fc.string(),
    why: fc.constant(''),
    here: fc.boolean(),
    due: fc.constantFrom('2027-01-01', '2027-01-05', '2027-01-09'),
  }) as fc.Arbitrary<Matter>;
  it('is in its order, whole, and those who swim today come first', () => {
    fc.assert(
      fc.property(fc.array(matter, { maxLength: 40 }), (all) => {
        const groups = mattersToday(all);
        const order = ['session', 'relook', 'test', 'ready', 'load', 'unsent'];
        expect(groups.map((g) => order.indexOf(g.kind))).toEqual([...groups.map((g) => order.indexOf(g.kind))].sort());
        expect(groups.flatMap((g) => [...g.shown, ...g.more])).toHaveLength(all.length);
        for (const g of groups) {
          const mine = [...g.shown, ...g.more];
          const firstAway = mine.findIndex((m) => !m.here);
          if (firstAway >= 0) expect(mine.slice(firstAway).every((m) => !m.here)).toBe(true);
          expect(g.more.length === 0 || g.shown.length === 4).toBe(true);
        }
      }),
    );
  });
});

describe('tests of a week', () => {
  it('are one thing to do for each squad, and nobody is left out', () => {
    fc.assert(
      fc.property(fc.array(fc.record({ squadId: fc.constantFrom('a', 'b', 'c'), name: fc.string() })), (tests) => {
        const squads = testsBySquad(tests);
        expect(new Set(squads.map((s) => s.squadId)).size).toBe(squads.length);
        expect(new Set(squads.flatMap((s) => s.tests))).toEqual(new Set(tests));
        expect(squads.flatMap((s) => s.tests)).toHaveLength(tests.length);
        for (const { squadId, tests: ofSquad } of squads)
          expect(ofSquad.every((t) => t.squadId === squadId)).toBe(true);
      }),
    );
    expect(testsBySquad([])).toEqual([]);
  });
});
