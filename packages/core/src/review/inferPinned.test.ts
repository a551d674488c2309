import { CAUSES, inferCauses, LINKS, SIGNS, STAGES, upstreamOf, type CauseId, type Look, type SignId } from '.';
import type { Network } from './noisyOr';
import { causesFor, LINK_STRENGTH, priorOf, signsFor } from './evidence';
import { believe, informationGain } from './inferCauses';
import type { Sighting } from './types';

type Seen = ReadonlyMap<number, Sighting>;

/** Every set of causes with its weight: prior times the chance of each report, written from the definition. */
function everySet(net: Network, evidence: Seen): { members: number[]; weight: number }[] {
  return Array.from({ length: 1 << net.priors.length }, (_, mask) => {
    const members = net.priors.map((_p, c) => c).filter((c) => mask & (1 << c));
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

/**
 * The same sum for networks too large to list: each report is a − b·hidden, and the product of few of them is
 * multiplied out, so that every cause stands alone (Heckerman 1989). Terms cancel, so only for a few signs.
 *
 * @param held causes that are taken as there or not there
 */
function expanded(net: Network, evidence: Seen, held: ReadonlyMap<number, boolean> = new Map()): number {
  const line = { often: [1, -1], sometimes: [0.7, -0.4], absent: [0, 1] } as const;
  const signs = [...evidence];
  let total = 0;
  for (let mask = 0; mask < 1 << signs.length; mask++) {
    let term = 1;
    const hiding = signs.filter(([, seen], i) => {
      const hides = (mask >> i) & 1;
      term *= line[seen][hides ? 1 : 0] * (hides ? 1 - net.leak : 1);
      return hides;
    });
    if (term === 0) continue;
    net.priors.forEach((p, c) => {
      const hidden = hiding.reduce((q, [sign]) => q * (1 - (net.links[c]!.find(([s]) => s === sign)?.[1] ?? 0)), 1);
      const here = held.get(c);
      term *= (here === true ? 0 : 1 - p) + (here === false ? 0 : p * hidden);
    });
    total += term;
  }
  return total;
}

/** Chance of one cause, from the definition. */
function chanceOf(net: Network, evidence: Seen, cause: number): number {
  if (net.priors.length > 8) return expanded(net, evidence, new Map([[cause, true]])) / expanded(net, evidence);
  const sets = everySet(net, evidence);
  const sum = (list: typeof sets) => list.reduce((total, s) => total + s.weight, 0);
  return sum(sets.filter((s) => s.members.includes(cause))) / sum(sets);
}
const chances = (net: Network, evidence: Seen) => net.priors.map((_, c) => chanceOf(net, evidence, c));
const logOdds = (p: number) => Math.log(p / (1 - p));
const bits = (p: number) => (p <= 0 || p >= 1 ? 0 : -p * Math.log2(p) - (1 - p) * Math.log2(1 - p));

/** Bits that seeing a sign or not tells about which of some causes are there. */
function gainOf(net: Network, evidence: Seen, about: readonly number[], sign: number): number {
  if (evidence.has(sign)) return 0;
  const hiddenToo = new Map([...evidence, [sign, 'absent' as const]]);
  const states = Array.from({ length: 1 << about.length }, (_, mask) => {
    const held = new Map(about.map((c, i) => [c, Boolean(mask & (1 << i))]));
    return net.priors.length > 8
      ? { weight: expanded(net, evidence, held), hidden: expanded(net, hiddenToo, held) }
      : heldSums(net, evidence, hiddenToo, held);
  });
  const total = states.reduce((sum, s) => sum + s.weight, 0);
  const hidden = states.reduce((sum, s) => sum + s.hidden, 0);
  const open = states.reduce((sum, s) => sum + (s.weight / total) * bits(s.hidden / s.weight), 0);
  return Math.max(0, bits(hidden / total) - open);
}

function heldSums(net: Network, evidence: Seen, hiddenToo: Seen, held: ReadonlyMap<number, boolean>) {
  const sum = (seen: Seen) =>
    everySet(net, seen)
      .filter(({ members }) => [...held].every(([c, there]) => members.includes(c) === there))
      .reduce((total, { weight }) => total + weight, 0);
  return { weight: sum(evidence), hidden: sum(hiddenToo) };
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
    found.ranking.forEach((r, i) => expect(r.probability).toBeCloseTo(sorted[i]!.p, 9));

    // Reasons: the signs of the cause, each with what leaving it out changes.
    for (const { cause, reasons } of found.ranking) {
      const c = causes.indexOf(cause);
      const own = Object.keys(seen).filter((sign) => sign in LINKS[cause]) as SignId[];
      const linked = reasons.filter((r) => r.sign in LINKS[cause]);
      expect(linked.map((r) => r.sign).sort()).toEqual([...own].sort());
      for (const { sign, weight, kind } of linked) {
        const without = new Map([...evidence].filter(([s]) => s !== signs.indexOf(sign)));
        expect(weight).toBeCloseTo(logOdds(now[c]!) - logOdds(chanceOf(net, without, c)), 6);
        expect(kind === 'against').toBe(seen[sign] === 'absent');
      }
    }

    // Looks that tell most about the three likeliest, and about what lies upstream of the focus and was not looked at.
    const winner = found.focus ?? sorted[0]!.cause;
    const unasked =
      found.focus === null
        ? []
        : upstreamOf(winner).filter((c) => causes.includes(c) && !Object.keys(LINKS[c]).some((s) => s in seen));
    const shows = (c: CauseId) => Object.entries(seen).some(([s, how]) => how !== 'absent' && s in LINKS[c]);
    const spokenFor = sorted.filter((s) => shows(s.cause));
    const leaders = (spokenFor.some((s) => s.p < 0.95) ? spokenFor : sorted).slice(0, 3).map((s) => s.cause);
    const about = [...new Set([...leaders, ...unasked])].map((c) => causes.indexOf(c));
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
