import fc from 'fast-check';
import { drillCard, type DrillId } from '../library';
import { LEVELS, STROKE_MODELS } from '../swimmers';
import {
  allowedBy,
  bandsOf,
  CAUSE_IDS,
  CAUSES,
  causesFor,
  drillsFor,
  inferCauses,
  LEADS_TO,
  LINKS,
  SIGN_IDS,
  SIGNS,
  signsFor,
  STAGES,
  STROKES,
  upstreamOf,
  type CauseId,
  type SignId,
  type SignsSeen,
  type Stroke,
} from '.';

const strokeOf = (cause: CauseId): Stroke => CAUSES[cause].strokes[0];
const look = (stroke: Stroke, signs: SignsSeen) => inferCauses({ stroke, model: 'long-line', level: 'hold', signs });

/** All that a swimmer with one cause shows, and nothing else: strong signs often, others at times; all often where none is strong. */
function pictureOf(cause: CauseId): SignsSeen {
  const links = Object.entries(LINKS[cause]);
  const plain = links.some(([, strength]) => strength === 'strong');
  return Object.fromEntries(
    links.map(([sign, strength]) => [sign, strength === 'strong' || !plain ? 'often' : 'sometimes']),
  );
}

describe('each cause, seen in full', () => {
  it.each(CAUSE_IDS)('%s is found: first, or close behind one that shows the same signs', (cause) => {
    const { ranking } = look(strokeOf(cause), pictureOf(cause));
    const place = ranking.findIndex((r) => r.cause === cause);
    const signs = Object.keys(LINKS[cause]) as SignId[];
    const twins = ranking
      .slice(0, place)
      .filter((r) => signs.filter((s) => s in LINKS[r.cause]).length >= signs.length / 2);
    // Whatever stands before it must explain at least half of what was seen.
    expect(ranking.slice(0, place).length).toBe(twins.length);
    expect(place).toBeLessThan(3);
    expect(ranking[place]!.probability).toBeGreaterThan(0.2);
  });

  it.each(CAUSE_IDS)('%s gets less likely when its strongest sign was looked for and is not there', (cause) => {
    const [strongest] = (Object.keys(LINKS[cause]) as SignId[]).sort(
      (a, b) => Number(LINKS[cause][b] === 'strong') - Number(LINKS[cause][a] === 'strong'),
    );
    const picture = pictureOf(cause);
    const chance = (signs: SignsSeen) =>
      look(strokeOf(cause), signs).ranking.find((r) => r.cause === cause)!.probability;
    expect(chance({ ...picture, [strongest!]: 'absent' })).toBeLessThan(chance(picture));
  });
});

describe('the next look', () => {
  const pictures = fc
    .constantFrom(...CAUSE_IDS)
    .chain((cause) =>
      fc
        .subarray(Object.entries(pictureOf(cause)), { minLength: 1 })
        .map((entries) => ({ stroke: strokeOf(cause), signs: Object.fromEntries(entries) as SignsSeen })),
    );

  it('is never at something already looked at, belongs to the stroke and says where to stand', () => {
    fc.assert(
      fc.property(pictures, ({ stroke, signs }) => {
        const { lookNext } = look(stroke, signs);
        const here = new Set(signsFor(stroke));
        for (const { sign, view, gainBits } of lookNext) {
          expect(sign in signs).toBe(false);
          expect(here.has(sign)).toBe(true);
          expect(view).toBe(SIGNS[sign].view);
          expect(gainBits).toBeGreaterThan(0);
        }
        // The most telling of those that nothing upstream pushes forward comes first.
        const plain = lookNext.filter((l) => l.upstream === null).map((l) => l.gainBits);
        expect(plain).toEqual([...plain].sort((a, b) => b - a));
      }),
      { numRuns: 60 },
    );
  });

  it('tells something: whichever way it turns out, a cause moves', () => {
    fc.assert(
      fc.property(pictures, ({ stroke, signs }) => {
        const { ranking, lookNext } = look(stroke, signs);
        const best = [...lookNext].sort((a, b) => b.gainBits - a.gainBits)[0];
        if (!best || best.gainBits < 0.05) return;
        const after = (['often', 'absent'] as const).map(
          (seen) => look(stroke, { ...signs, [best.sign]: seen }).ranking,
        );
        const chance = (list: typeof ranking) => ranking.map((r) => list.find((x) => x.cause === r.cause)!.probability);
        const moved = chance(after[0]!).some((p, i) => Math.abs(p - chance(after[1]!)[i]!) > 0.02);
        expect(moved).toBe(true);
      }),
      { numRuns: 40 },
    );
  });
});

describe('reasons', () => {
  it('name only what was seen, the weightiest first, and speak for the cause that shows the sign', () => {
    fc.assert(
      fc.property(fc.constantFrom(...CAUSE_IDS), (cause) => {
        const signs = pictureOf(cause);
        const mine = look(strokeOf(cause), signs).ranking.find((r) => r.cause === cause)!;
        const weights = mine.reasons.map((r) => Math.abs(r.weight));
        expect(weights).toEqual([...weights].sort((a, b) => b - a));
        for (const { sign, weight } of mine.reasons) {
          expect(sign in signs).toBe(true);
          if (LINKS[cause][sign] === 'strong') expect(weight).toBeGreaterThan(0);
        }
      }),
    );
  });
});

describe('the catalogue as a whole', () => {
  it('leads downstream or stays in its stage, and never in a circle', () => {
    const order = (id: CauseId) => STAGES.indexOf(CAUSES[id].stage);
    const back = LEADS_TO.filter(([from, to]) => order(from) > order(to));
    // A few run upstream in the catalogue of stages; none may close a circle.
    expect(back.length).toBeLessThan(LEADS_TO.length / 4);
    const reaches = (from: CauseId, to: CauseId, seen = new Set<CauseId>()): boolean =>
      LEADS_TO.filter(([a]) => a === from).some(
        ([, b]) => b === to || (!seen.has(b) && reaches(b, to, new Set([...seen, b]))),
      );
    expect(CAUSE_IDS.filter((id) => reaches(id, id))).toEqual([]);
    for (const id of CAUSE_IDS) expect(upstreamOf(id)).not.toContain(id);
  });

  it('has something to look for in every stroke, and every sign belongs to a stroke that is reviewed', () => {
    for (const stroke of STROKES) expect(signsFor(stroke).length).toBeGreaterThan(3);
    const reachable = new Set(STROKES.flatMap((stroke) => signsFor(stroke)));
    expect(SIGN_IDS.filter((id) => !reachable.has(id))).toEqual([]);
    expect(causesFor('open-water').length).toBeGreaterThan(causesFor('front-crawl').length);
  });

  it('leaves every level a drill for every cause it may have, or says that there is none yet', () => {
    for (const cause of CAUSE_IDS) {
      for (const model of STROKE_MODELS) {
        const drills = drillsFor(cause, { level: 'race', model, healthFlags: [] });
        const all = CAUSES[cause].answers as readonly DrillId[];
        const contradicted = all.every((id) => drillCard(id).contradicts.includes(model));
        expect([cause, model, drills.length > 0 || contradicted]).toEqual([cause, model, true]);
      }
      for (const level of LEVELS) {
        for (const id of drillsFor(cause, { level, model: 'long-line', healthFlags: ['shoulder', 'back'] }))
          expect(drillCard(id).notWith.some((f) => f === 'shoulder' || f === 'back')).toBe(false);
      }
    }
  });

  it('holds every band against a sign of its own, with limits in the order of getting worse', () => {
    for (const model of STROKE_MODELS) {
      const bands = bandsOf(model);
      expect(new Set(bands.map((b) => b.sign)).size).toBe(bands.length);
      for (const { when, sometimes, often } of bands)
        expect(when === 'above' ? often > sometimes : often < sometimes).toBe(true);
      for (const sign of allowedBy(model)) expect(SIGN_IDS).toContain(sign);
    }
  });
});
