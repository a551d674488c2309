import fc from 'fast-check';
import { legSketch, SKETCH_BOX } from '..';

/** The points that a path of moves, lines and curves goes through. */
function corners(path: string): [number, number][] {
  const found: [number, number][] = [];
  let [x, y] = [0, 0];
  for (const [, letter, rest] of path.matchAll(/([A-Za-z])([^A-Za-z]*)/g)) {
    const n = (rest ?? '').trim().split(/\s+/).filter(Boolean).map(Number);
    if (letter === 'Z' || n.length < 2) continue;
    const [dx, dy] = n.slice(-2) as [number, number];
    [x, y] = letter === letter!.toLowerCase() ? [x + dx, y + dy] : [dx, dy];
    found.push([x, y]);
  }
  return found;
}
const meanX = (path: string) => corners(path).reduce((sum, [x]) => sum + x, 0) / corners(path).length;
const middle = SKETCH_BOX.width / 2;

describe('the sketch of a leg', () => {
  it('has the aim on its side of the line, the mouth on its side, and the way round the mark', () => {
    const { aim, breaths, lines } = legSketch({ aimDeg: -4, side: 'right', turn: 'left' });
    expect(meanX(aim!)).toBeLessThan(middle - 5);
    expect(breaths).toHaveLength(1);
    expect(meanX(breaths[0]!)).toBeGreaterThan(middle + 5);
    // A mark at the left shoulder: passed on its right, and on to the left.
    const way = corners(lines[1]!);
    expect(way.at(-1)![0]).toBeLessThan(middle);
  });

  it('draws no aim behind a mark that is the aim, and no way round a finish', () => {
    const { aim, breaths, lines } = legSketch({ aimDeg: null, side: 'either', turn: null });
    expect([aim, breaths.length, lines.length]).toEqual([null, 2, 1]);
  });

  it('is mirrored with the leg, and stays in its box', () => {
    const sides = fc.constantFrom('left' as const, 'right' as const);
    const other = { left: 'right', right: 'left' } as const;
    fc.assert(
      fc.property(fc.double({ min: -180, max: 180, noNaN: true }), sides, sides, (aimDeg, side, turn) => {
        const one = legSketch({ aimDeg, side, turn });
        const two = legSketch({ aimDeg: -aimDeg, side: other[side], turn: other[turn] });
        for (const [a, b] of [
          [one.aim!, two.aim!],
          [one.breaths[0]!, two.breaths[0]!],
          [one.lines[1]!, two.lines[1]!],
        ] as const)
          expect(meanX(a) + meanX(b)).toBeCloseTo(2 * middle, 6);
        for (const path of [...one.lines, one.mark, one.aim!, ...one.breaths])
          for (const [x, y] of corners(path)) {
            expect(x).toBeGreaterThanOrEqual(0);
            expect(x).toBeLessThanOrEqual(SKETCH_BOX.width);
            expect(y).toBeGreaterThanOrEqual(0);
            expect(y).toBeLessThanOrEqual(SKETCH_BOX.height);
          }
      }),
    );
  });
});
