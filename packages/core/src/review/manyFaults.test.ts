// A real beginner has four to eight faults: what one of them looks like must not change what is found of another.
import fc from 'fast-check';
import { NOTHING_OWN, type OwnShelves, readOwnFrom } from '../own';
import { CAUSES, causesFor, inferCauses, LINKS, SIGN_IDS, signsFor, STROKES, type CauseId, type SignId } from '.';
import { read, showingOf, type Network } from './noisyOr';
import { LINK_STRENGTH, type Look, type SignsSeen } from './evidence';
import { SIGHTINGS, type Sighting, type Stroke } from './types';

const at = (stroke: Stroke, signs: SignsSeen): Look => ({ stroke, model: 'long-line', level: 'build', signs });
const seen = (...signs: SignId[]): SignsSeen => Object.fromEntries(signs.map((sign) => [sign, 'often']));
const chance = (stroke: Stroke, signs: SignsSeen, cause: CauseId) =>
  inferCauses(at(stroke, signs)).ranking.find((r) => r.cause === cause)!.probability;

/** What hangs together with a fault: the marked signs of its causes, the causes of those signs, and so on. */
function tiedTo(cause: CauseId, stroke: Stroke, marked: readonly SignId[]): Set<SignId> {
  const here = causesFor(stroke);
  const causes = new Set([cause]);
  const signs = new Set<SignId>();
  for (let before = -1; before !== causes.size + signs.size;) {
    before = causes.size + signs.size;
    for (const sign of marked) if ([...causes].some((c) => sign in LINKS[c])) signs.add(sign);
    for (const c of here) if ([...signs].some((sign) => sign in LINKS[c])) causes.add(c);
  }
  return signs;
}

const review = fc.constantFrom(...STROKES).chain((stroke) =>
  fc.record({
    stroke: fc.constant(stroke),
    cause: fc.constantFrom(...causesFor(stroke)),
    marks: fc.uniqueArray(fc.tuple(fc.constantFrom(...signsFor(stroke)), fc.constantFrom<Sighting>(...SIGHTINGS)), {
      maxLength: 30,
      selector: ([sign]) => sign,
    }),
  }),
);

describe('faults that have nothing to do with each other', () => {
  it('do not change each other at all, however many there are', () => {
    fc.assert(
      fc.property(review, ({ stroke, cause, marks }) => {
        const tied = tiedTo(
          cause,
          stroke,
          marks.map(([sign]) => sign),
        );
        const alone = Object.fromEntries(marks.filter(([sign]) => tied.has(sign)));
        const all = Object.fromEntries(marks);
        expect(Math.abs(chance(stroke, all, cause) - chance(stroke, alone, cause))).toBeLessThan(1e-9);
      }),
      { numRuns: 60 },
    );
  });

  it('leave a clear fault found when all the others are clear too', () => {
    // One sign each that only this cause shows, for as many causes as have one: nineteen and more at once.
    const crawl = causesFor('front-crawl');
    const alone = crawl.flatMap((cause) => {
      const sign = (Object.keys(LINKS[cause]) as SignId[]).find(
        (s) => LINKS[cause][s] === 'strong' && crawl.every((c) => c === cause || !(s in LINKS[c])),
      );
      return sign ? [[cause, sign] as const] : [];
    });
    expect(alone.length).toBeGreaterThanOrEqual(19);
    const together = inferCauses(at('front-crawl', seen(...alone.map(([, sign]) => sign))));
    for (const [cause, sign] of alone) {
      const { probability } = together.ranking.find((r) => r.cause === cause)!;
      expect(probability).toBeCloseTo(chance('front-crawl', seen(sign), cause), 9);
      // By hand, without a level that makes it more common: 0.06 · (1 − 0.97 · 0.15) against 0.94 · 0.03.
      expect(probability).toBeCloseTo(0.05127 / (0.05127 + 0.0282), 6);
    }
  });
});

describe('five faults of one beginner', () => {
  const five = seen('enters-past-middle', 'pulls-under-body', 'hand-laid-flat', 'long-in-air', 'body-compressed');

  it('are all found, and crossing the middle is the first thing to work on', () => {
    const { ranking, focus } = inferCauses(at('front-crawl', five));
    expect(focus).toBe('crosses-midline');
    expect(
      ranking
        .filter((r) => r.probability >= 0.5)
        .map((r) => r.cause)
        .sort(),
    ).toEqual(['crosses-midline', 'flat-entry', 'no-reach', 'pulls-across', 'slow-recovery'].sort());
  });

  it('lead to the same with a sixth, and say why', () => {
    const { focus, order, over } = inferCauses(at('front-crawl', { ...five, 'arm-short': 'often' }));
    expect({ focus, order, over }).toEqual({ focus: 'crosses-midline', order: 'upstream', over: 'flat-entry' });
  });

  it('are not held against each other', () => {
    const likely = inferCauses(at('front-crawl', five)).ranking.filter((r) => r.probability >= 0.5);
    expect(likely.map(({ reasons }) => reasons.map((r) => r.kind))).toEqual(likely.map(() => ['for']));
  });
});

describe('the reasons', () => {
  it('say for, against and explained by, each of a sign of that cause', () => {
    fc.assert(
      fc.property(review, ({ stroke, marks }) => {
        const signs = Object.fromEntries(marks) as SignsSeen;
        const { ranking } = inferCauses(at(stroke, signs));
        const chances = new Map(ranking.map((r) => [r.cause, r.probability]));
        for (const { cause, probability, reasons } of ranking)
          for (const { sign, kind, by, weight } of reasons) {
            const linked = sign in LINKS[cause];
            if (kind === 'for') expect([linked, signs[sign] !== 'absent']).toEqual([true, true]);
            if (kind === 'against' && linked) {
              expect(signs[sign]).toBe('absent');
              expect(weight).toBeLessThan(1e-9);
            }
            if (kind === 'against' && !linked) expect(signs[sign]).not.toBe('absent');
            expect(by !== null).toBe(kind === 'explained');
            if (by) {
              expect(linked && sign in LINKS[by]).toBe(true);
              expect(chances.get(by)!).toBeGreaterThan(probability);
            }
          }
      }),
      { numRuns: 30 },
    );
  });

  it('say that low legs are explained by the chest, not against stiff ankles', () => {
    const { ranking } = inferCauses(
      at('front-crawl', { ...seen('legs-low', 'hips-low-eyes-down'), 'feet-hooked': 'absent' }),
    );
    const ankles = ranking.find((r) => r.cause === 'stiff-ankles')!;
    expect(ankles.reasons).toEqual([
      { sign: 'feet-hooked', kind: 'against', by: null, weight: expect.closeTo(Math.log(0.15), 1) },
      { sign: 'legs-low', kind: 'explained', by: 'no-chest-press', weight: expect.any(Number) },
    ]);
  });

  it('count a sign that contradicts one of the cause as against it, though it weighs nothing by itself', () => {
    const { ranking, conflicts } = inferCauses(at('front-crawl', seen('shoulders-flat')));
    const roll = ranking.find((r) => r.cause === 'over-roll')!;
    expect(roll.reasons).toEqual([{ sign: 'shoulders-flat', kind: 'against', by: null, weight: expect.closeTo(0, 9) }]);
    expect(conflicts).toEqual([]);
  });
});

describe('how much can be weighed', () => {
  it.each(STROKES)('everything of %s at once, with at most ten signs open', (stroke) => {
    const causes = causesFor(stroke);
    const signs = signsFor(stroke);
    const net: Network = {
      priors: causes.map(() => 0.06),
      links: causes.map((c) =>
        Object.entries(LINKS[c]).map(([s, k]) => [signs.indexOf(s as SignId), LINK_STRENGTH[k]]),
      ),
      signCount: signs.length,
      leak: 0.03,
    };
    const { parts } = read(net, showingOf(net), new Map(signs.map((_, s) => [s, 'often' as const])));
    expect(Math.max(...parts.map((part) => part.width))).toBeLessThanOrEqual(10);
    const { ranking, setAside } = inferCauses(at(stroke, seen(...signs)));
    expect(setAside).toEqual([]);
    for (const { probability } of ranking) expect(probability > 0 && probability < 1).toBe(true);
  });

  it('says which signs are left out when a club ties everything to everything', () => {
    const strong = signsFor('breaststroke');
    const every = Object.fromEntries(strong.map((sign) => [sign, 'some']));
    const shelves: OwnShelves = {
      links: Object.fromEntries(causesFor('breaststroke').map((cause) => [cause, every])),
    };
    readOwnFrom(() => shelves);
    try {
      const { ranking, setAside } = inferCauses(at('breaststroke', seen(...strong)));
      expect(strong.length - setAside.length).toBe(14);
      for (const { reason } of setAside) expect(reason).toContain('more signs than can be weighed together');
      expect(ranking.every((r) => Number.isFinite(r.probability))).toBe(true);
    } finally {
      readOwnFrom(() => NOTHING_OWN);
    }
  });

  it('takes signs of another stroke aside, however many', () => {
    const { setAside, ranking } = inferCauses(at('turn', seen(...SIGN_IDS)));
    expect(setAside.length).toBe(SIGN_IDS.length - signsFor('turn').length);
    expect(ranking.map((r) => CAUSES[r.cause].strokes)).toEqual(ranking.map(() => expect.arrayContaining(['turn'])));
  });
});
