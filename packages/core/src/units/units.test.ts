import fc from 'fast-check';
import {
  formatTime,
  inPoolUnit,
  lengthsToMetres,
  parseTime,
  poolDistance,
  summaryWord,
  usualPool,
  usualPools,
} from '.';

describe('times', () => {
  it.each([
    [352, 0, '5:52'],
    [21.4, 1, '21.4'],
    [81.25, 1, '1:21.3'],
    [59.96, 1, '1:00.0'],
    [3661, 0, '1:01:01'],
  ])('%d s reads as %s', (s, decimals, text) => expect(formatTime(s, decimals)).toBe(text));

  it('reads back what it writes', () => {
    fc.assert(fc.property(fc.integer({ min: 0, max: 86_000 }), (s) => expect(parseTime(formatTime(s))).toBe(s)));
  });

  it.each(['', 'abc', '5:61', '5:', ':30', '1:75:00', '-3'])('does not take %p for a time', (text) =>
    expect(parseTime(text)).toBeNull(),
  );

  it('takes a comma for a point', () => expect(parseTime('1:02,5')).toBe(62.5));
});

describe('pools', () => {
  it('are shown with those of the club’s unit first', () => {
    expect(usualPools('m')).toEqual(['25 m', '50 m', '25 yd']);
    expect(usualPools('yd')).toEqual(['25 yd', '25 m', '50 m']);
    expect(usualPools('yd').map(usualPool)[0]).toEqual({ length: 25, unit: 'yd' });
  });

  it('counts three lengths of 33⅓ m as 100', () => expect(poolDistance({ length: 100 / 3, unit: 'm' }, 3)).toBe(100));
  it('gives a distance in the unit of the pool', () => {
    expect(inPoolUnit({ length: 25, unit: 'yd' }, 571.5)).toBe(625);
    expect(inPoolUnit({ length: 25, unit: 'm' }, 571.5)).toBe(572);
  });
  it.each([
    [{ metres: 571.5, inPool: { distance: 625, unit: 'yd', about: false } }, '625 yd'],
    [{ metres: 571.5, inPool: { distance: 625, unit: 'yd', about: true } }, '≈ 625 yd'],
    [{ metres: 1800, inPool: { distance: 1800, unit: 'm', about: false } }, '1800 m'],
    // Kept before the unit was.
    [{ metres: 571.5 }, '572 m'],
  ] as const)('says the kept total %j as %j', (kept, said) => expect(summaryWord(kept)).toBe(said));
  it('knows what a yard is', () => expect(lengthsToMetres({ length: 25, unit: 'yd' }, 4)).toBeCloseTo(91.44, 10));
});
