import { ageYear, defaultModel, isChild, isYoung, mayBeBelow } from '.';

describe('children', () => {
  // Under 18: consent, and looks are logged. Under 16: the water's own column, and no few breaths.
  it.each([
    [2011, true, true],
    [2010, true, true],
    [2009, true, false],
    [2008, true, false],
    [2007, false, false],
    // Nobody knows: on the careful side.
    [null, true, true],
  ])('born %p counts in 2026 as a child: %p, as under 16: %p', (year, child, young) =>
    expect([isChild(year, 2026), isYoung(year, 2026)]).toEqual([child, young]),
  );

  it('stay below an age to the end of the year of that birthday', () => {
    for (const age of [12, 14, 16, 18]) {
      expect(mayBeBelow(age, 2026 - age, 2026)).toBe(true);
      expect(mayBeBelow(age, 2026 - age - 1, 2026)).toBe(false);
      expect(mayBeBelow(age, null, 2026)).toBe(true);
    }
  });
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

it('nobody grows up before the last place on Earth has turned the year', () => {
  expect(ageYear(Date.parse('2027-01-01T11:59:00Z'))).toBe(2026);
  expect(ageYear(Date.parse('2027-01-01T12:00:00Z'))).toBe(2027);
});
