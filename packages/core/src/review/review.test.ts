import fc from 'fast-check';
import { drillCard, DRILL_IDS, type DrillId } from '../library';
import {
  believe,
  CAUSE_IDS,
  CAUSES,
  causesFor,
  chooseFocus,
  inferCauses,
  informationGain,
  LEADS_TO,
  LINKS,
  SIGN_IDS,
  STAGES,
  type Look,
  type Sighting,
  type SignId,
  type SignsSeen,
} from '.';
import type { Network } from './noisyOr';

const look = (signs: SignsSeen, rest: Partial<Look> = {}): Look => ({
  stroke: 'front-crawl',
  model: 'long-line',
  level: 'build',
  signs,
  ...rest,
});
const chance = (signs: SignsSeen, cause: string, rest: Partial<Look> = {}) =>
  inferCauses(look(signs, rest)).ranking.find((r) => r.cause === cause)!.probability;

describe('the catalogue', () => {
  it('holds 50 causes, 109 signs and 172 links', () => {
    expect([CAUSE_IDS.length, SIGN_IDS.length, Object.values(LINKS).flatMap((l) => Object.keys(l)).length]).toEqual([
      50, 109, 172,
    ]);
  });

  it.each(CAUSE_IDS)('%s has signs, a check, a cue and drills that exist', (id) => {
    expect(Object.keys(LINKS[id]).length).toBeGreaterThan(0);
    expect(CAUSES[id].check.length).toBeGreaterThan(5);
    expect(CAUSES[id].cue.split(' ').length).toBeLessThan(12);
    for (const drill of CAUSES[id].answers) expect(DRILL_IDS).toContain(drill);
  });

  it('leaves no sign without a cause and no drill without a purpose', () => {
    const linked = new Set(Object.values(LINKS).flatMap((l) => Object.keys(l)));
    expect(SIGN_IDS.filter((id) => !linked.has(id))).toEqual([]);
    const answering = new Set(CAUSE_IDS.flatMap((id): readonly DrillId[] => CAUSES[id].answers));
    expect(DRILL_IDS.filter((id) => !answering.has(id) && !drillCard(id).trains)).toEqual([]);
  });

  it('leads from a cause to another one', () => {
    for (const [from, to] of LEADS_TO) expect(from).not.toBe(to);
    expect(LEADS_TO).toHaveLength(35);
  });
});

describe('inference', () => {
  it('asks before it decides: low legs alone have three equal causes', () => {
    const { ranking, focus, lookNext } = inferCauses(look({ 'legs-low': 'often' }));
    expect(
      ranking
        .slice(0, 3)
        .map((r) => r.cause)
        .sort(),
    ).toEqual(['looks-forward', 'no-chest-press', 'stiff-ankles']);
    for (const { probability } of ranking.slice(0, 3)) expect(probability).toBeCloseTo(0.21, 2);
    expect(focus).toBeNull();
    expect(['eyes-ahead', 'hips-low-eyes-down', 'feet-hooked']).toContain(lookNext[0]!.sign);
  });

  it('finds the chest when the eyes look down', () => {
    const signs: SignsSeen = { 'legs-low': 'often', 'hips-low-eyes-down': 'often', 'kicks-to-stay-flat': 'sometimes' };
    const { ranking, focus, lookNext } = inferCauses(look(signs));
    expect(ranking[0]).toMatchObject({ cause: 'no-chest-press', probability: expect.closeTo(0.93, 2) });
    expect(focus).toBe('no-chest-press');
    // An upstream neighbour nobody looked at yet is asked for first.
    expect(lookNext[0]!.upstream).toBe('empties-lungs');
  });

  it('agrees with a network of three causes worked out on paper', () => {
    // Priors 0.5, 0.2, 0.1; causes 0 and 1 show sign 0 (0.8, 0.5); cause 2 shows sign 1 (0.6); leak 0.1.
    const net: Network = {
      priors: [0.5, 0.2, 0.1],
      links: [[[0, 0.8]], [[0, 0.5]], [[1, 0.6]]],
      signCount: 2,
      leak: 0.1,
    };
    // Sign 0 seen often: P(shows) = 1 − 0.9·q. Weights by (c0, c1): none 0.4·0.1, c0 0.4·0.82, c1 0.1·0.55, both 0.1·0.91.
    // c0: (0.328 + 0.091) / (0.04 + 0.328 + 0.055 + 0.091) = 0.419 / 0.514; c1: 0.146 / 0.514; c2 untouched.
    const { probability } = believe(net, new Map([[0, 'often']]));
    expect(probability[0]).toBeCloseTo(0.419 / 0.514, 10);
    expect(probability[1]).toBeCloseTo(0.146 / 0.514, 10);
    expect(probability[2]).toBeCloseTo(0.1, 10);
  });

  const networks = fc
    .record({
      causes: fc.integer({ min: 1, max: 6 }),
      signs: fc.integer({ min: 1, max: 6 }),
      seed: fc.infiniteStream(fc.double({ min: 0.02, max: 0.95, noNaN: true })),
    })
    .map(({ causes, signs, seed }) => {
      const next = () => seed.next().value;
      const net: Network = {
        priors: Array.from({ length: causes }, next),
        links: Array.from({ length: causes }, () =>
          Array.from({ length: signs }, (_, s) => [s, next()] as const).filter(() => next() < 0.7),
        ),
        signCount: signs,
        leak: 0.05,
      };
      const kinds: Sighting[] = ['often', 'sometimes', 'absent'];
      const evidence = new Map(
        Array.from({ length: signs }, (_, s) => [s, kinds[Math.floor(next() * 3)]!] as const).filter(
          () => next() < 0.7,
        ),
      );
      return { net, evidence };
    });

  /** Every set of causes, from first principles. */
  function bruteForce(
    net: Network,
    evidence: ReadonlyMap<number, Sighting>,
  ): { sets: { causes: number[]; weight: number; shows: (s: number) => number }[]; total: number } {
    const n = net.priors.length;
    const sets = Array.from({ length: 1 << n }, (_, mask) => {
      const causes = net.priors.map((_p, c) => c).filter((c) => mask & (1 << c));
      const shows = (s: number) =>
        1 -
        (1 - net.leak) *
          causes.reduce((q, c) => q * net.links[c]!.reduce((r, [to, w]) => (to === s ? r * (1 - w) : r), 1), 1);
      let weight = net.priors.reduce((p, prior, c) => p * (causes.includes(c) ? prior : 1 - prior), 1);
      for (const [s, seen] of evidence) {
        const p = shows(s);
        weight *= seen === 'often' ? p : seen === 'absent' ? 1 - p : 0.7 * p + 0.3 * (1 - p);
      }
      return { causes, weight, shows };
    });
    return { sets, total: sets.reduce((sum, set) => sum + set.weight, 0) };
  }

  it('equals brute force over all sets on small random networks', () => {
    fc.assert(
      fc.property(networks, ({ net, evidence }) => {
        const { sets, total } = bruteForce(net, evidence);
        const { probability } = believe(net, evidence);
        net.priors.forEach((_p, c) => {
          const exact = sets.filter((set) => set.causes.includes(c)).reduce((sum, set) => sum + set.weight, 0) / total;
          expect(probability[c]).toBeCloseTo(exact, 9);
        });
      }),
    );
  });

  it('weighs each sign by what changes when it is left out', () => {
    fc.assert(
      fc.property(networks, ({ net, evidence }) => {
        const { probability, weightOf } = believe(net, evidence);
        for (const [s] of evidence) {
          const without = new Map(evidence);
          without.delete(s);
          const before = believe(net, without).probability;
          const logit = (p: number) => Math.log(p / (1 - p));
          net.priors.forEach((_p, c) =>
            expect(weightOf(s, c)).toBeCloseTo(logit(probability[c]!) - logit(before[c]!), 6),
          );
        }
      }),
    );
  });

  it('gains as much information as the definition says', () => {
    fc.assert(
      fc.property(networks, ({ net, evidence }) => {
        const { sets, total } = bruteForce(net, evidence);
        const h = (p: number) => (p <= 0 || p >= 1 ? 0 : -p * Math.log2(p) - (1 - p) * Math.log2(1 - p));
        const gains = informationGain(net, evidence, [0]);
        for (let s = 0; s < net.signCount; s++) {
          if (evidence.has(s)) continue;
          const part = (has: boolean) => sets.filter((set) => set.causes.includes(0) === has);
          const mean = (list: typeof sets) => list.reduce((sum, set) => sum + set.weight * set.shows(s), 0);
          const mass = (list: typeof sets) => list.reduce((sum, set) => sum + set.weight, 0);
          const conditional = [true, false].reduce(
            (sum, has) =>
              mass(part(has)) > 0 ? sum + (mass(part(has)) / total) * h(mean(part(has)) / mass(part(has))) : sum,
            0,
          );
          expect(gains[s]).toBeCloseTo(Math.max(0, h(mean(sets) / total) - conditional), 9);
        }
      }),
    );
  });

  const someSigns = fc.uniqueArray(
    fc.tuple(fc.constantFrom(...SIGN_IDS), fc.constantFrom<Sighting>('often', 'sometimes', 'absent')),
    {
      maxLength: 6,
      selector: ([sign]) => sign,
    },
  );

  it('does not care about the order of the taps', () => {
    fc.assert(
      fc.property(someSigns, (entries) => {
        const [a, b] = [
          inferCauses(look(Object.fromEntries(entries))),
          inferCauses(look(Object.fromEntries([...entries].reverse()))),
        ];
        expect(a.focus).toBe(b.focus);
        a.ranking.forEach((r, i) => expect(r.probability).toBeCloseTo(b.ranking[i]!.probability, 9));
      }),
      { numRuns: 25 },
    );
  });

  it('never lowers a cause by a sign that only it explains', () => {
    const crawl = causesFor('front-crawl');
    const single = crawl.flatMap((cause) =>
      (Object.keys(LINKS[cause]) as SignId[])
        .filter((sign) => crawl.filter((c) => sign in LINKS[c]).length === 1)
        .map((sign) => ({ cause, sign })),
    );
    fc.assert(
      fc.property(someSigns, fc.constantFrom(...single), (entries, { cause, sign }) => {
        const { [sign]: _drop, ...signs } = Object.fromEntries(entries) as SignsSeen;
        expect(chance({ ...signs, [sign]: 'often' }, cause)).toBeGreaterThanOrEqual(chance(signs, cause) - 1e-9);
      }),
      { numRuns: 25 },
    );
  });

  it('never raises a cause, with nothing else seen, by a sign looked for and not there', () => {
    for (const cause of causesFor('front-crawl')) {
      for (const sign of Object.keys(LINKS[cause]) as SignId[]) {
        expect(chance({ [sign]: 'absent' }, cause)).toBeLessThanOrEqual(chance({}, cause) + 1e-9);
      }
    }
  });

  it('says which signs it sets aside, and why', () => {
    const { setAside, ranking } = inferCauses(
      look({ 'hand-high-wide': 'often', 'no-glide': 'often' }, { model: 'quick-rhythm' }),
    );
    expect(setAside.map((s) => s.sign)).toEqual(['hand-high-wide', 'no-glide']);
    expect(ranking[0]!.probability).toBeLessThan(0.1);
  });

  it('includes the crawl causes outside, and only its own in breaststroke', () => {
    expect(causesFor('open-water')).toEqual(expect.arrayContaining(['sights-high', 'looks-forward']));
    expect(causesFor('breaststroke')).not.toContain('looks-forward');
  });
});

describe('what comes first', () => {
  it('names the runner-up when only one is likely, and none when nothing is', () => {
    const ranking = [
      { cause: 'spins', probability: 0.7 },
      { cause: 'no-reach', probability: 0.3 },
    ] as const;
    expect(chooseFocus(ranking, look({}), {})).toMatchObject({ focus: 'spins', second: 'no-reach' });
    expect(
      chooseFocus(
        [
          { cause: 'spins', probability: 0.4 },
          { cause: 'no-reach', probability: 0.3 },
        ],
        look({}),
        {},
      ),
    ).toMatchObject({ focus: null, second: 'no-reach' });
  });

  it('halves what has failed twice, inside its stage', () => {
    const ranking = [
      { cause: 'dropped-elbow', probability: 0.9 },
      { cause: 'no-reach', probability: 0.7 },
    ] as const;
    expect(chooseFocus(ranking, look({}), {}).focus).toBe('dropped-elbow');
    expect(chooseFocus(ranking, look({}), { failedTwice: ['dropped-elbow'] }).focus).toBe('no-reach');
  });

  it('prefers what has worked before, mildly', () => {
    const ranking = [
      { cause: 'dropped-elbow', probability: 0.7 },
      { cause: 'no-reach', probability: 0.69 },
    ] as const;
    expect(chooseFocus(ranking, look({}), { past: { 'no-reach': { better: 7, notBetter: 2 } } }).focus).toBe(
      'no-reach',
    );
  });

  it('orders every cause by a known stage', () => {
    for (const id of CAUSE_IDS) expect(STAGES).toContain(CAUSES[id].stage);
  });
});
