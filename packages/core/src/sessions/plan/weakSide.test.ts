import { buildSession, isOneSided, setsOf, weakerSide, weakSideWords } from '..';
import { CAUSE_IDS } from '../../review';

describe('the less-used side', () => {
  it('is the other one, for those who breathe to one side', () => {
    expect(weakerSide({ name: 'Ada', breathingSide: 'right' })).toBe('left');
    expect(weakerSide({ name: 'Ben', breathingSide: 'left' })).toBe('right');
    expect([weakerSide({ name: 'Cas', breathingSide: 'both' }), weakerSide({ name: 'Dee' })]).toEqual([null, null]);
  });

  it('is named for each swimmer', () => {
    const people = [
      { name: 'Ada', breathingSide: 'right' },
      { name: 'Ben', breathingSide: 'left' },
      { name: 'Cas', breathingSide: 'right' },
      { name: 'Dee', breathingSide: 'both' },
    ] as const;
    expect(weakSideWords(people)).toBe('Less-used side: left for Ada, Cas; right for Ben.');
    expect(weakSideWords([people[3]])).toBeNull();
  });

  it('stands in warm-up and swim-down of a one-sided session, and in no other', () => {
    expect(CAUSE_IDS.filter(isOneSided)).toEqual(['one-sided']);
    for (const theme of ['one-sided', 'no-reach'] as const) {
      const built = buildSession({
        ...{ kind: 'aerobic', theme, minutes: 60, pool: { length: 25, unit: 'm' }, kit: [], seed: 1 },
        groups: [{ level: 'hold', swimmers: 8, lanes: 2, v400Mps: null }],
      });
      if (built.kind === 'clash') throw new Error(built.clashes[0]!.message);
      const said = (kind: string) =>
        built.plan.groups[0]!.blocks.filter((b) => b.kind === kind)
          .flatMap((b) => setsOf(b.items))
          .every(({ set }) => set.note.includes('less-used side'));
      expect([said('warm-up'), said('swim-down')]).toEqual(theme === 'one-sided' ? [true, true] : [false, false]);
    }
  });
});
