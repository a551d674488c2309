import { farthestForAge, FARTHEST_BELOW, tooFarForAge, tooFarWords } from '.';

describe('the farthest in open water for an age', () => {
  it('is what the table says, written a second time', () => {
    expect(FARTHEST_BELOW.map(({ age, metres }) => [age, metres])).toEqual([
      [12, 1000],
      [14, 3000],
      [16, 5000],
      [18, 10_000],
    ]);
  });

  // In 2027 somebody born in 2015 is eleven or twelve, and counts as under twelve.
  it.each([
    [2019, 1000],
    [2015, 1000],
    [2014, 3000],
    [2013, 3000],
    [2012, 5000],
    [2011, 5000],
    [2010, 10_000],
    [2009, 10_000],
    // Nobody knows: as under sixteen.
    [null, 5000],
  ])('born %p may swim %p m in 2027, and not a metre more', (birthYear, metres) => {
    expect(farthestForAge(birthYear, 2027)).toBe(metres);
    expect(tooFarForAge(metres, birthYear, 2027)).toBeNull();
    expect(tooFarForAge(metres + 1, birthYear, 2027)).toMatchObject({ metres, known: birthYear !== null });
    expect(tooFarWords(tooFarForAge(metres + 1, birthYear, 2027)!)).toMatch(`not beyond ${metres / 1000} km`);
  });

  it('has no limit for grown-ups', () => {
    expect(tooFarForAge(100_000, 2008, 2027)).toBeNull();
    expect(tooFarForAge(100_000, 1950, 2027)).toBeNull();
    expect(farthestForAge(2008, 2027)).toBeNull();
  });

  it('says when it is the birth year that is missing', () => {
    expect(tooFarWords(tooFarForAge(10_000, null, 2027)!)).toMatch(
      /^The birth year is not known, which counts as under 16: under 16/,
    );
  });
});
