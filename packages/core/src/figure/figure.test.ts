import fc from 'fast-check';
import { SIGN_IDS, SIGNS, STROKES, type SignId, type Stroke } from '../review';
import {
  bestMoment,
  bestView,
  breathShare,
  crawlArm,
  drawnFigure,
  figureLayers,
  ghostPath,
  LAYER_ROLES,
  MOMENTS,
  NEUTRAL,
  posedBy,
  project,
  regionPoints,
  REGIONS,
  SIGN_POSES,
  signsAt,
  skeletonOf,
  VIEWS,
  type FigureParameters,
} from '.';

const strokeOf = (id: SignId): Stroke => {
  const { stroke } = SIGNS[id];
  return stroke === 'any' ? 'front-crawl' : stroke;
};
const drawing = (stroke: Stroke, view: (typeof VIEWS)[number], p: FigureParameters, phase: number) =>
  figureLayers(drawnFigure(stroke, view, p, phase));
const numbersIn = (d: string): number[] => (d.match(/-?\d+(\.\d+)?/g) ?? []).map(Number);

describe('the figure', () => {
  it('keeps its feet and legs in the water when it swims crawl well', () => {
    for (let phase = 0; phase < 1; phase += 0.02) {
      for (const { region, to } of skeletonOf('front-crawl', NEUTRAL, phase).bones)
        if (region === 'legs') expect(to.y).toBeGreaterThan(-0.012);
    }
  });

  it.each(['front-crawl', 'breaststroke'] as const)('moves smoothly in %s: no joint jumps', (stroke) => {
    for (let phase = 0; phase < 1; phase += 0.01) {
      const [a, b] = [skeletonOf(stroke, NEUTRAL, phase), skeletonOf(stroke, NEUTRAL, phase + 0.01)];
      a.bones.forEach((bone, i) => {
        const to = b.bones[i]!.to;
        expect(Math.hypot(bone.to.x - to.x, bone.to.y - to.y, bone.to.z - to.z)).toBeLessThan(0.1);
      });
    }
  });

  it('keeps every bone at its length, whatever it does', () => {
    for (const stroke of STROKES) {
      for (let phase = 0; phase < 1; phase += 0.05) {
        for (const { region, from, to } of skeletonOf(stroke, NEUTRAL, phase).bones) {
          const length = Math.hypot(from.x - to.x, from.y - to.y, from.z - to.z);
          expect(length).toBeLessThan(region === 'legs' ? 0.27 : 0.32);
        }
      }
    }
  });

  it('touches the wall with both feet in a good turn, and misses it from too far', () => {
    const feet = (p: FigureParameters) =>
      skeletonOf('turn', p, 0.58)
        .bones.filter((b) => b.region === 'legs')
        .map((b) => Math.min(b.from.x, b.to.x))
        .reduce((a, b) => Math.min(a, b));
    const { wallX } = skeletonOf('turn', NEUTRAL, 0.58);
    expect(Math.abs(feet(NEUTRAL) - wallX!)).toBeLessThan(0.06);
    expect(feet(posedBy(['feet-miss-wall'])) - wallX!).toBeGreaterThan(0.15);
  });

  it('breathes to its side once a cycle, and only then shows the face there', () => {
    expect(breathShare(0.68)).toBe(1);
    expect(breathShare(0.2)).toBe(0);
    expect(skeletonOf('front-crawl', NEUTRAL, 0.68).head.gaze.z).toBeGreaterThan(0.8);
    expect(skeletonOf('front-crawl', NEUTRAL, 0.2).head.gaze.z).toBeCloseTo(0, 9);
  });

  it('repeats after a whole cycle of the arms', () => {
    expect(crawlArm(1.3).fore).toBeCloseTo(crawlArm(0.3).fore, 9);
    expect(crawlArm(-0.2).upper).toBeCloseTo(crawlArm(0.8).upper, 9);
  });

  it('poses every sign there is', () => {
    expect(Object.keys(SIGN_POSES).sort()).toEqual([...SIGN_IDS].sort());
  });

  it.each(SIGN_IDS)('shows the sign %s in the view that is named for it', (id) => {
    const { view, phase } = SIGN_POSES[id];
    const [seen, wanted] = [
      drawing(strokeOf(id), view, posedBy([id]), phase),
      drawing(strokeOf(id), view, NEUTRAL, phase),
    ];
    // Something moves by at least 4 of 620 picture units, or appears, or goes.
    const differs = seen.some(({ d }, i) => {
      const [a, b] = [numbersIn(d), numbersIn(wanted[i]!.d)];
      return a.length !== b.length || a.some((v, k) => Math.abs(v - b[k]!) > 4);
    });
    expect(differs).toBe(true);
  });

  it('shows less of a sign that is weaker', () => {
    expect(posedBy(['legs-low'], () => 0.5).trunk).toBeCloseTo((NEUTRAL.trunk + 15) / 2, 9);
    expect(posedBy(['legs-low'], () => 0)).toEqual(NEUTRAL);
  });

  it('draws the same layers in every pose, with numbers only', () => {
    const any = fc.record(
      Object.fromEntries(Object.keys(NEUTRAL).map((k) => [k, fc.double({ min: -3, max: 120, noNaN: true })])),
    ) as unknown as fc.Arbitrary<FigureParameters>;
    fc.assert(
      fc.property(
        any,
        fc.double({ min: -2, max: 2, noNaN: true }),
        fc.constantFrom(...STROKES),
        fc.constantFrom(...VIEWS),
        fc.constantFrom(null, ...REGIONS),
        (p, phase, stroke, view, chosen) => {
          const figure = drawnFigure(stroke, view, { ...p, bubbles: 1, breathBubbles: 0, lost: 0 }, phase);
          const layers = figureLayers(figure, chosen);
          expect(layers.map((l) => l.role)).toEqual(LAYER_ROLES);
          expect([...layers.map((l) => l.d), ghostPath(figure)].join(' ')).not.toMatch(/NaN|Infinity|undefined/);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('offers every sign of the body at some region, and each region somewhere in the cycle', () => {
    const offered = new Set(REGIONS.flatMap((region) => signsAt(region, SIGN_IDS)));
    expect(SIGN_IDS.filter((id) => !offered.has(id))).toEqual([]);
    const tappable = new Set(
      [0.1, 0.4, 0.8].flatMap((phase) =>
        regionPoints(drawnFigure('front-crawl', 'side', NEUTRAL, phase)).map(({ region }) => region),
      ),
    );
    expect([...tappable].sort()).toEqual([...REGIONS].sort());
  });
});

describe('the best view and moment', () => {
  it('is the front for what crosses the middle, the side for low legs, the top for a bent way', () => {
    expect(bestView(['enters-past-middle', 'pulls-under-body', 'tired-early'])).toBe('front');
    expect(bestView(['legs-low', 'kicks-to-stay-flat'])).toBe('side');
    expect(bestView(['zigzags'])).toBe('top');
    expect(bestView([])).toBe('side');
  });

  it('is the moment of the last sign that this view shows', () => {
    expect(bestMoment(['legs-low', 'lead-arm-drops'], 'side')).toBe(SIGN_POSES['lead-arm-drops'].phase);
    expect(bestMoment(['legs-low', 'zigzags'], 'side')).toBe(SIGN_POSES['legs-low'].phase);
    expect(bestMoment([], 'side')).toBeNull();
  });
});

describe('the three views of one swimmer', () => {
  const phases = fc.double({ min: 0, max: 0.999, noNaN: true });

  it('agree: what the side shows in length the top shows too, what the side shows in depth the front shows', () => {
    fc.assert(
      fc.property(phases, (phase) => {
        const skeleton = skeletonOf('front-crawl', NEUTRAL, phase);
        const [side, top] = [project(skeleton, 'side'), project(skeleton, 'top')];
        expect(side.head.centre.x).toBeCloseTo(top.head.centre.x, 9);
        // Above the surface from the side is above it from the front: the viewer's eye is at the surface.
        const front = project(skeleton, 'front');
        expect(Math.sign(front.head.centre.y)).toBe(Math.sign(side.head.centre.y));
        expect(side.limbs.length).toBe(front.limbs.length);
        expect(side.limbs.length).toBe(top.limbs.length);
      }),
    );
  });

  it('show breaststroke the same to the left and to the right, unless a foot is uneven', () => {
    const feet = (p: FigureParameters, phase: number) => {
      const legs = skeletonOf('breaststroke', p, phase).bones.filter((b) => b.region === 'legs');
      return (['left', 'right'] as const).map((side) => legs.filter((b) => b.side === side).at(-1)!.to);
    };
    fc.assert(
      fc.property(phases, (phase) => {
        const [left, right] = feet(NEUTRAL, phase);
        expect(left!.x).toBeCloseTo(right!.x, 9);
        expect(left!.z).toBeCloseTo(-right!.z, 9);
      }),
    );
    const [left, right] = feet(posedBy(['foot-uneven']), 0.6);
    expect(Math.abs(left!.z + right!.z)).toBeGreaterThan(0.02);
  });

  it('keep the hands on their rails at entry, and past the middle when that is the fault', () => {
    const hand = (p: FigureParameters) =>
      skeletonOf('front-crawl', p, 0.02)
        .bones.filter((b) => b.region === 'front arm' && b.side === 'left')
        .at(-1)!.to.z;
    expect(hand(NEUTRAL)).toBeGreaterThan(0.05);
    expect(hand(posedBy(['enters-past-middle']))).toBeLessThan(0.03);
  });

  it('sink the legs by the angle of the trunk', () => {
    const feet = (p: FigureParameters) =>
      Math.max(
        ...skeletonOf('front-crawl', p, 0.12)
          .bones.filter((b) => b.region === 'legs')
          .map((b) => b.to.y),
      );
    expect(feet(posedBy(['legs-low']))).toBeGreaterThan(feet(NEUTRAL) + 0.1);
    expect(feet(posedBy(['vertical-body']))).toBeGreaterThan(feet(posedBy(['legs-low'])));
  });

  it('name a moment for every phase of every stroke, in the order of the cycle', () => {
    for (const stroke of STROKES) {
      const phasesOf = MOMENTS[stroke].map((m) => m.phase);
      expect(phasesOf).toEqual([...phasesOf].sort((a, b) => a - b));
      expect(new Set(MOMENTS[stroke].map((m) => m.name)).size).toBe(phasesOf.length);
    }
  });
});
