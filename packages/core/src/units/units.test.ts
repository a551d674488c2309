import fc from 'fast-check';
import { formatTime, lengthsToMetres, parseTime, poolDistance, usualPool, usualPools } from '.';

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
  it('knows what a yard is', () => expect(lengthsToMetres({ length: 25, unit: 'yd' }, 4)).toBeCloseTo(91.44, 10));
});
