import fc from 'fast-check';
import { SIGN_IDS } from '../review';
import {
  bestView,
  crawlArm,
  frontView,
  NEUTRAL,
  posedBy,
  REGIONS,
  sideView,
  SIGN_POSES,
  signsAt,
  type Figure,
  type FigureParameters,
} from '.';

const numbersOf = (figure: Figure): number[] => [
  ...figure.limbs.flatMap((l) => [l.from.x, l.from.y, l.to.x, l.to.y, l.r0, l.r1]),
  figure.head.centre.x,
  figure.head.centre.y,
  figure.head.gaze,
  figure.head.facing,
  figure.bubbles.length,
  figure.splash.size,
];

describe('the figure', () => {
  it('keeps its feet and legs in the water when it swims well', () => {
    for (let phase = 0; phase < 1; phase += 0.02) {
      const legs = sideView(NEUTRAL, phase).limbs.filter((l) => l.region === 'legs');
      for (const { to } of legs) expect(to.y).toBeGreaterThan(-0.005);
    }
  });

  it('moves smoothly: no joint jumps between two moments', () => {
    for (const draw of [sideView]) {
      for (let phase = 0; phase < 1; phase += 0.01) {
        const [a, b] = [draw(NEUTRAL, phase), draw(NEUTRAL, phase + 0.01)];
        a.limbs.forEach((limb, i) => {
          const moved = Math.hypot(limb.to.x - b.limbs[i]!.to.x, limb.to.y - b.limbs[i]!.to.y);
          expect(moved).toBeLessThan(0.09);
        });
      }
    }
  });

  it('repeats after a whole cycle of the arms', () => {
    expect(crawlArm(1.3).fore).toBeCloseTo(crawlArm(0.3).fore, 9);
    expect(crawlArm(-0.2).upper).toBeCloseTo(crawlArm(0.8).upper, 9);
  });

  it.each(Object.entries(SIGN_POSES))('shows the sign %s in at least one view', (id, { phase }) => {
    const posed = posedBy([id as keyof typeof SIGN_POSES]);
    const differs = [sideView, frontView].some((draw) => {
      const [with_, without] = [numbersOf(draw(posed, phase)), numbersOf(draw(NEUTRAL, phase))];
      return with_.length !== without.length || with_.some((v, i) => Math.abs(v - without[i]!) > 0.004);
    });
    expect(differs).toBe(true);
  });

  it('never draws a number that is none, whatever the parameters', () => {
    const any = fc.record(
      Object.fromEntries(Object.keys(NEUTRAL).map((k) => [k, fc.double({ min: -3, max: 120, noNaN: true })])),
    ) as unknown as fc.Arbitrary<FigureParameters>;
    fc.assert(
      fc.property(any, fc.double({ min: -2, max: 2, noNaN: true }), (p, phase) => {
        for (const draw of [sideView, frontView])
          expect(numbersOf(draw({ ...p, bubbles: 1 }, phase)).every(Number.isFinite)).toBe(true);
      }),
    );
  });

  it('offers every sign of the body at some region', () => {
    const offered = new Set(REGIONS.flatMap((region) => signsAt(region, SIGN_IDS)));
    expect(SIGN_IDS.filter((id) => !offered.has(id))).toEqual([]);
  });
});

describe('the best view', () => {
  it('is the front for what crosses the middle, the side for low legs', () => {
    expect(bestView(['enters-past-middle', 'hips-snake', 'tired-early'])).toBe('front');
    expect(bestView(['legs-low', 'kicks-to-stay-flat'])).toBe('side');
  });
});
