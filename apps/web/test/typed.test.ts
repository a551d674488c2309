import { taken, typedLengths, typedSeconds, typedWhole } from '@/sessions/typed';

const POOL = { place: 'pool' as const, pool: { length: 25, unit: 'm' as const } };
const LAKE = { place: 'open-water' as const, pool: { length: 400, unit: 'm' as const } };
const THIRDS = { place: 'pool' as const, pool: { length: 100 / 3, unit: 'm' as const } };

describe('numbers that are typed', () => {
  it.each([
    ['4', 4],
    ['200', 200],
    ['0', 'From 1 to 200.'],
    ['201', 'From 1 to 200.'],
    ['2.5', 'A whole number, please.'],
    ['four', 'A whole number, please.'],
    ['1e3', 'A whole number, please.'],
    ['-4', 'A whole number, please.'],
    ['🏊', 'A whole number, please.'],
  ])('reps: %s', (text, expected) => {
    const { value, problem } = typedWhole(text, 1, 200);
    expect(value ?? problem).toBe(expected);
  });

  it.each([
    [POOL, '100', 4],
    [POOL, '12.5', 0.5],
    [POOL, '12,5', 0.5],
    [POOL, '110', 'Not whole lengths: 100 or 125?'],
    [POOL, '10', 'Not whole lengths: 25 or 50?'],
    [POOL, '0', 'A number, please.'],
    [POOL, '999999', 'Not whole lengths: 999975 or 1000000?'],
    [POOL, '50000', 'This is too far for one swim.'],
    [THIRDS, '66.67', 2],
    [THIRDS, '100', 3],
    [LAKE, '2', 2],
    [LAKE, '0.5', 'Whole loops: each ends where it began.'],
    [LAKE, '400', 400],
    [LAKE, '0.7', 'Whole loops: each ends where it began.'],
  ])('a distance: %j %s', (where, text, expected) => {
    const { value, problem } = typedLengths(text, where, 800);
    expect(value ?? problem).toBe(expected);
  });

  it.each([
    ['90', 'seconds', 90],
    ['1:30', 'seconds', 90],
    ['2 min', 'seconds', 120],
    ['15 s', 'seconds', 15],
    ['10', 'minutes', 600],
    ['10:30', 'minutes', 630],
    ['soon', 'seconds', 'A time, like 20 or 1:30.'],
    ['1:75', 'seconds', 'A time, like 20 or 1:30.'],
    ['3', 'seconds', 'That is too short or too long.'],
    ['9:00:00', 'seconds', 'That is too short or too long.'],
  ] as const)('a time: %s in %s', (text, alone, expected) => {
    const { value, problem } = typedSeconds(text, 5, 7200, alone);
    expect(value ?? problem).toBe(expected);
  });

  it('are taken only when they can be read', () => {
    const take = jest.fn();
    expect(taken(typedWhole('6', 1, 9), take)).toBeNull();
    expect(taken(typedWhole('x', 1, 9), take)).toBe('A whole number, please.');
    expect(take.mock.calls).toEqual([[6]]);
  });
});
