import fc from 'fast-check';
import {
  bendDeg,
  FOREARM_CM,
  handDepthCm,
  LINE_KINDS,
  lineBeside,
  lineUnit,
  lineValues,
  shareUnder,
  type FrameLine,
  type TimedLine,
} from '.';

const line = (x1: number, y1: number, x2: number, y2: number): FrameLine => [
  { x: x1, y: y1 },
  { x: x2, y: y2 },
];
const place = fc.double({ min: 0, max: 1, noNaN: true });
const any = fc
  .tuple(place, place, place, place)
  .map((at) => line(...at))
  .filter(([a, b]) => Math.hypot(a.x - b.x, a.y - b.y) > 1e-3);

describe('two lines of one moment', () => {
  it('give the bend of a knee, worked by hand', () => {
    expect(bendDeg(line(0, 0, 1, 0), line(1, 0, 2, 0))).toBe(0);
    expect(bendDeg(line(0, 0, 1, 0), line(1, 0, 1, 1))).toBeCloseTo(90);
    // Thigh level, shank one down for one along.
    expect(bendDeg(line(0, 0, 1, 0), line(1, 0, 2, 1))).toBeCloseTo(45);
    // In a frame twice as wide as high the same clicks lie twice as far along.
    expect(bendDeg(line(0, 0, 1, 0), line(1, 0, 1.5, 1), 2)).toBeCloseTo(45);
  });

  it('give the share of the face in the water, also where the surface leans', () => {
    expect(shareUnder(line(5, 2, 5, 6), line(0, 5, 9, 5))).toBe(0.25);
    expect(shareUnder(line(5, 2, 5, 6), line(9, 5, 0, 5))).toBe(0.25);
    expect(shareUnder(line(5, 6, 5, 9), line(0, 5, 9, 5))).toBe(1);
    expect(shareUnder(line(5, 1, 5, 4), line(0, 5, 9, 5))).toBe(0);
    // The surface rises from 6 to 4: in the middle it stands at 5.
    expect(shareUnder(line(5, 2, 5, 6), line(0, 6, 10, 4))).toBeCloseTo(0.25);
  });

  it('give the depth of the hand by the forearm', () => {
    expect(FOREARM_CM).toBe(26);
    expect(handDepthCm(line(0, 0, 1, 4), line(0, 2, 0, 4))).toBe(52);
    expect(handDepthCm(line(0, 4, 1, 0), line(0, 2, 0, 4))).toBe(-52);
  });

  it('are refused where both clicks are at one place', () => {
    const [dot, real] = [line(1, 1, 1, 1), line(0, 0, 1, 1)];
    for (const of of [bendDeg, shareUnder, handDepthCm]) {
      expect(() => of(dot, real)).toThrow('Click two different places.');
      expect(() => of(real, dot)).toThrow('Click two different places.');
    }
  });

  it('stay inside what can be, whatever is clicked', () =>
    fc.assert(
      fc.property(any, any, (a, b) => {
        const [bend, share] = [bendDeg(a, b), shareUnder(a, b)];
        expect(bend).toBeGreaterThanOrEqual(0);
        expect(bend).toBeLessThanOrEqual(180);
        expect(bendDeg(b, a)).toBeCloseTo(bend, 6);
        expect(share).toBeGreaterThanOrEqual(0);
        expect(share).toBeLessThanOrEqual(1);
        // Which end of the face is clicked first does not matter.
        expect(shareUnder([a[1], a[0]], b)).toBeCloseTo(share, 6);
      }),
    ));
});

describe('lines on a clip', () => {
  const timed = (kind: TimedLine['kind'], timeS: number, drawn: FrameLine): TimedLine => ({ kind, timeS, line: drawn });

  it('wait for the one they need, of the same moment', () => {
    const shank = timed('shank', 1, line(1, 0, 1, 1));
    expect(lineValues('shank', [shank])).toEqual([]);
    expect(lineValues('shank', [shank, timed('thigh', 2, line(0, 0, 1, 0))])).toEqual([]);
    expect(lineValues('shank', [shank, timed('thigh', 1.05, line(0, 0, 1, 0))])[0]).toBeCloseTo(90);
    // What only helps is no measure of its own.
    expect(lineValues('thigh', [timed('thigh', 1, line(0, 0, 1, 0))])).toEqual([]);
    expect(lineValues('free', [timed('free', 1, line(0, 0, 1, 1))])[0]).toBeCloseTo(45);
    expect(LINE_KINDS.filter((kind) => lineBeside(kind) !== null)).toEqual([
      ...['past-middle', 'face', 'hand-depth', 'shank', 'foot', 'free-angle'],
    ]);
    expect([lineUnit('face'), lineUnit('hand-depth'), lineUnit('shank')]).toEqual([' %', ' cm', '°']);
  });
});
