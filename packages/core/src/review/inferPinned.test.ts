import { CAUSES, inferCauses, LINKS, SIGNS, STAGES, upstreamOf, type CauseId, type Look, type SignId } from '.';
import type { Network } from './causeSets';
import { causesFor, LINK_STRENGTH, priorOf, signsFor } from './evidence';
import { believe, informationGain } from './inferCauses';
import type { Sighting } from './types';

/** Every set of up to three causes with its weight: prior times the chance of each report, written from the definition. */
function everySet(net: Network, evidence: ReadonlyMap<number, Sighting>): { members: number[]; weight: number }[] {
  const causes = net.priors.map((_, c) => c);
  const sets: number[][] = [
    [],
    ...causes.map((a) => [a]),
    ...causes.flatMap((a) => causes.filter((b) => b > a).map((b) => [a, b])),
    ...causes.flatMap((a) =>
      causes.filter((b) => b > a).flatMap((b) => causes.filter((c) => c > b).map((c) => [a, b, c])),
    ),
  ];
  return sets.map((members) => {
    let weight = net.priors.reduce((product, p, c) => product * (members.includes(c) ? p : 1 - p), 1);
    for (const [sign, seen] of evidence) {
      const shows = showing(net, members, sign);
      weight *= seen === 'often' ? shows : seen === 'absent' ? 1 - shows : 0.7 * shows + 0.3 * (1 - shows);
    }
    return { members, weight };
  });
}

/** Chance that a sign shows under some causes: each may show it, or it shows by itself. */
const showing = (net: Network, members: readonly number[], sign: number) =>
  1 - members.reduce((hidden, c) => hidden * (1 - (net.links[c]!.find(([s]) => s === sign)?.[1] ?? 0)), 1 - net.leak);

const chances = (net: Network, evidence: ReadonlyMap<number, Sighting>) => {
  const sets = everySet(net, evidence);
  const total = sets.reduce((sum, s) => sum + s.weight, 0);
  return net.priors.map((_, c) => sets.reduce((sum, s) => sum + (s.members.includes(c) ? s.weight : 0), 0) / total);
};
const logOdds = (p: number) => Math.log(p / (1 - p));
const bits = (p: number) => (p <= 0 || p >= 1 ? 0 : -p * Math.log2(p) - (1 - p) * Math.log2(1 - p));

/** Bits that seeing a sign or not tells about which of some causes are there. */
function gainOf(net: Network, evidence: ReadonlyMap<number, Sighting>, about: readonly number[], sign: number): number {
  if (evidence.has(sign)) return 0;
  const sets = everySet(net, evidence);
  const total = sets.reduce((sum, s) => sum + s.weight, 0);
  const byState = new Map<string, { weight: number; shows: number }>();
  let shows = 0;
  for (const { members, weight } of sets) {
    const state = about.filter((c) => members.includes(c)).join();
    const seen = weight * showing(net, members, sign);
    const known = byState.get(state) ?? { weight: 0, shows: 0 };
    byState.set(state, { weight: known.weight + weight, shows: known.shows + seen });
    shows += seen;
  }
  let open = 0;
  for (const s of byState.values()) open += (s.weight / total) * bits(s.shows / s.weight);
  return Math.max(0, bits(shows / total) - open);
}

const SMALL: Network = {
  priors: [0.06, 0.2, 0.06, 0.1],
  links: [
    [
      [0, 0.85],
      [1, 0.5],
    ],
    [
      [1, 0.2],
      [2, 0.85],
    ],
    [[3, 0.5]],
    [
      [0, 0.2],
      [3, 0.85],
    ],
  ],
  signCount: 5,
  leak: 0.03,
};

describe('beliefs of a small network, from the definition', () => {
  it.each<[string, [number, Sighting][]]>([
    ['nothing seen', []],
    ['one sign', [[0, 'often']]],
    ['one at times', [[1, 'sometimes']]],
    [
      'two against each other',
      [
        [0, 'often'],
        [3, 'absent'],
      ],
    ],
    [
      'all',
      [
        [0, 'often'],
        [1, 'sometimes'],
        [2, 'absent'],
        [3, 'often'],
        [4, 'often'],
      ],
    ],
  ])('%s', (_, seen) => {
    const evidence = new Map(seen);
    const { probability, weightOf } = believe(SMALL, evidence);
    chances(SMALL, evidence).forEach((p, c) => expect(probability[c]).toBeCloseTo(p, 10));
    for (let sign = 0; sign < 5; sign++) {
      const without = new Map(seen.filter(([s]) => s !== sign));
      SMALL.priors.forEach((_p, c) => {
        const adds = evidence.has(sign)
          ? logOdds(chances(SMALL, evidence)[c]!) - logOdds(chances(SMALL, without)[c]!)
          : 0;
        expect(weightOf(sign, c)).toBeCloseTo(adds, 8);
      });
    }
    for (const about of [[0], [1, 3], [0, 2, 3]]) {
      const gains = informationGain(SMALL, evidence, about);
      for (let sign = 0; sign < 5; sign++) expect(gains[sign]).toBeCloseTo(gainOf(SMALL, evidence, about, sign), 10);
    }
  });
});

const stage = (id: CauseId) => STAGES.indexOf(CAUSES[id].stage);

/** What shows a cause, the weakest first, all of it seen. */
const shown = (cause: CauseId): Look['signs'] =>
  Object.fromEntries(
    Object.entries(LINKS[cause])
      .sort(([, a], [, b]) => LINK_STRENGTH[a] - LINK_STRENGTH[b])
      .map(([sign]) => [sign, 'often']),
  );
const [first, second, ...others] = signsFor('breaststroke');
const LOOKS: readonly (readonly [Look['stroke'], Look['signs']])[] = [
  ['breaststroke', {}],
  ['breaststroke', { [first!]: 'often' }],
  ['breaststroke', { [others.at(-1)!]: 'sometimes', [second!]: 'absent', [first!]: 'often' }],
  ['front-crawl', shown('dropped-elbow')],
  ['front-crawl', shown('no-chest-press')],
  ['front-crawl', { ...shown('knee-kick'), 'legs-low': 'sometimes' }],
];

it('some of these looks have a focus with something upstream that nobody looked at', () => {
  const found = LOOKS.map(([stroke, signs]) => inferCauses({ stroke, model: 'long-line', level: 'build', signs }));
  expect(found.filter((f) => f.focus !== null).length).toBeGreaterThanOrEqual(2);
  expect(found.some((f) => f.lookNext.some((l) => l.upstream !== null))).toBe(true);
  expect(found.some((f) => f.focus === null)).toBe(true);
});

describe('a look, from the definition', () => {
  it.each(LOOKS)('at %s: %j', (stroke, seen) => {
    const causes = causesFor(stroke);
    const signs = signsFor(stroke);
    const net: Network = {
      priors: causes.map((id) => priorOf(id, 'build')),
      links: causes.map((id) =>
        Object.entries(LINKS[id]).map(
          ([s, strength]) => [signs.indexOf(s as SignId), LINK_STRENGTH[strength]] as const,
        ),
      ),
      signCount: signs.length,
      leak: 0.03,
    };
    const found = inferCauses({ stroke, model: 'long-line', level: 'build', signs: seen });
    const evidence = new Map(
      Object.entries(seen).map(([s, sighting]) => [signs.indexOf(s as SignId), sighting as Sighting]),
    );
    const now = chances(net, evidence);
    const sorted = causes
      .map((cause, c) => ({ cause, p: now[c]! }))
      .sort((a, b) => (Math.abs(a.p - b.p) < 1e-9 ? stage(a.cause) - stage(b.cause) : b.p - a.p));
    expect(found.ranking.map((r) => r.cause)).toEqual(sorted.map((s) => s.cause));
    found.ranking.forEach((r, i) => expect(r.probability).toBeCloseTo(sorted[i]!.p, 10));

    // Reasons: what moves the log-odds by more than a twentieth, the strongest first.
    for (const { cause, reasons } of found.ranking) {
      const c = causes.indexOf(cause);
      const all = Object.keys(seen).map((sign) => {
        const without = new Map([...evidence].filter(([s]) => s !== signs.indexOf(sign as SignId)));
        return { sign, weight: logOdds(now[c]!) - logOdds(chances(net, without)[c]!) };
      });
      const telling = all
        .filter((r) => Math.abs(r.weight) > 0.05)
        .sort((a, b) => Math.abs(b.weight) - Math.abs(a.weight));
      expect(reasons.map((r) => r.sign)).toEqual(telling.map((r) => r.sign));
      reasons.forEach((r, i) => expect(r.weight).toBeCloseTo(telling[i]!.weight, 8));
    }

    // Looks that tell most about the three likeliest, and about what lies upstream of the focus and was not looked at.
    const winner = found.focus ?? sorted[0]!.cause;
    const unasked =
      found.focus === null
        ? []
        : upstreamOf(winner).filter((c) => causes.includes(c) && !Object.keys(LINKS[c]).some((s) => s in seen));
    const about = [...new Set([...sorted.slice(0, 3).map((s) => s.cause), ...unasked])].map((c) => causes.indexOf(c));
    const gains = signs
      .map((sign, s) => ({ sign, gain: gainOf(net, evidence, about, s) }))
      .filter(({ sign, gain }) => !(sign in seen) && gain > 1e-4)
      .sort((a, b) => b.gain - a.gain);
    const asked = new Map<SignId, CauseId>();
    for (const cause of unasked) {
      const best = gains.find(({ sign }) => sign in LINKS[cause]);
      if (best) asked.set(best.sign, cause);
    }
    const order = [...gains.filter((g) => asked.has(g.sign)), ...gains.filter((g) => !asked.has(g.sign))].slice(0, 6);
    expect(found.lookNext.map((l) => l.gainBits)).toEqual(order.map((g) => expect.closeTo(g.gain, 9)));
    // Two that tell as much may change places.
    const upstream = found.lookNext.flatMap((l) => l.upstream ?? []);
    expect([...upstream].sort()).toEqual(order.flatMap((g) => asked.get(g.sign) ?? []).sort());
    expect(found.lookNext.slice(0, upstream.length).every((l) => l.upstream !== null)).toBe(true);
    for (const look of found.lookNext) expect(look.view).toBe(SIGNS[look.sign].view);
    expect(found.lookNext.length).toBeLessThanOrEqual(6);
  });
});
