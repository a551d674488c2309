import fc from 'fast-check';
import { ACROSS, between, CELLS, DOWN, motionOf, type Motion } from './motion';
import { FIND_SIZE, type Frames } from './shapes';

const { width, height } = FIND_SIZE;

/** Pictures of a light at each point and moment. */
function pictures(n: number, light: (x: number, y: number, i: number) => number, timesS?: readonly number[]): Frames {
  const grey = new Uint8Array(n * width * height);
  for (let i = 0; i < n; i++)
    for (let y = 0; y < height; y++)
      for (let x = 0; x < width; x++) grey[(i * height + y) * width + x] = light(x, y, i);
  return { width, height, grey, timesS: timesS ?? Array.from({ length: n }, (_, i) => i / 25) };
}

/** A wall with a pattern that never repeats. */
const wall = (x: number, y: number) => 120 + 60 * Math.sin(x * 0.31 + Math.sin(y * 0.2)) + 30 * Math.sin(y * 0.47);
/** A bright square that goes up and down once a second in the cell at 5, 4. */
const square = (x: number, y: number, i: number) => {
  const top = 26 + 4 * Math.sin((2 * Math.PI * i) / 25);
  return x >= 41 && x < 47 && y >= top && y < top + 5;
};
const energy = ({ moments }: Motion): number => moments.reduce((sum, m) => sum + m.reduce((a, v) => a + v * v, 0), 0);
const strongest = ({ moments }: Motion): number => {
  const of = Array.from({ length: CELLS }, (_, c) => moments.reduce((sum, m) => sum + m[c]! ** 2, 0));
  return of.indexOf(Math.max(...of));
};

describe('the motion of a clip', () => {
  it('is none where nothing moves', () => {
    expect(energy(motionOf(pictures(100, wall)))).toBeCloseTo(0, 10);
  });

  it('is where something moves', () => {
    const at = strongest(motionOf(pictures(100, (x, y, i) => (square(x, y, i) ? 250 : wall(x, y)))));
    expect([at % ACROSS, Math.floor(at / ACROSS)]).toEqual([5, 4]);
    expect(CELLS).toBe(ACROSS * DOWN);
  });

  it('is not the shake of a hand', () => {
    const shake = (i: number) => [Math.round(2 * Math.sin(i * 0.7)), Math.round(2 * Math.cos(i * 0.9))] as const;
    const shaken = pictures(100, (x, y, i) => wall(x + shake(i)[0], y + shake(i)[1]));
    const swum = pictures(100, (x, y, i) => {
      const [dx, dy] = shake(i);
      return square(x + dx, y + dy, i) ? 250 : wall(x + dx, y + dy);
    });
    expect(energy(motionOf(swum))).toBeGreaterThan(4 * energy(motionOf(shaken)));
  });

  it('is even in time though the pictures are not', () => {
    const times = Array.from({ length: 100 }, (_, i) => i / 25 + (i % 3) * 0.01);
    const seen = (timeS: number) => (x: number, y: number) => (square(x, y, timeS * 25) ? 250 : wall(x, y));
    const uneven = motionOf(pictures(100, (x, y, i) => seen(times[i]!)(x, y), times));
    const even = motionOf(pictures(100, (x, y, i) => seen(i / 25)(x, y)));
    expect(uneven.length).toBe(100);
    expect(uneven.stepS).toBeCloseTo(times[99]! / 99, 10);
    const cell = 4 * ACROSS + 5;
    const both = even.moments.map((m, i) => [m[cell]!, uneven.moments[i]![cell]!] as const);
    const dot = (f: (pair: readonly [number, number]) => number) => both.reduce((sum, pair) => sum + f(pair), 0);
    const alike = dot(([a, b]) => a * b) / Math.sqrt(dot(([a]) => a * a) * dot(([, b]) => b * b));
    expect(alike).toBeGreaterThan(0.7);
  });
});

describe('between two values', () => {
  it.each([
    // The parabola through 1, 3, 2 is highest a sixth of a step later, by hand.
    [[1, 3, 2], 1, 1 / 6],
    [[2, 3, 2], 1, 0],
    [[3, 2, 2], 0, 0],
    [[2, 2, 2], 1, 0],
  ] as const)('%j at %d lies %d', (values, at, share) => expect(between(values, at)).toBeCloseTo(share, 10));

  it('is never more than half a step', () => {
    const some = fc.array(fc.double({ min: -1e6, max: 1e6, noNaN: true }), { minLength: 3, maxLength: 3 });
    fc.assert(fc.property(some, (values) => expect(Math.abs(between(values, 1))).toBeLessThanOrEqual(0.5)));
  });
});
