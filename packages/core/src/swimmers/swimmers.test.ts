import { defaultModel, isChild } from '.';

describe('children', () => {
  it.each([
    [2011, true],
    [2010, true],
    [2009, false],
    // Nobody knows: on the careful side.
    [null, true],
  ])('born %p is a child in 2026: %p', (year, child) => expect(isChild(year, 2026)).toBe(child));
});

describe('the stroke model to start from', () => {
  const q = { level: 'hold', place: 'open-water', goalDistanceM: 1500, catchLadderPassed: true } as const;
  it('is Quick rhythm outside only once the catch is learnt', () => {
    expect(defaultModel(q)).toBe('quick-rhythm');
    expect(defaultModel({ ...q, catchLadderPassed: false })).toBe('long-line');
  });
  it('is Roll and press for long swims and Long line in the pool', () => {
    expect(defaultModel({ ...q, goalDistanceM: 10_000 })).toBe('roll-and-press');
    expect(defaultModel({ ...q, place: 'pool' })).toBe('long-line');
  });
});
