import { CAUSES, LINKS, SIGNS, upstreamOf, type CauseId, type SignId } from './catalogue';
import { signLikelihoods, visitCauseSets, type Evidence, type Network } from './causeSets';
import {
  causesFor,
  LEAK,
  LINK_STRENGTH,
  likelihood,
  priorOf,
  signsFor,
  weighable,
  type Look,
  type SetAside,
} from './evidence';
import { chooseFocus, type Choice, type Circumstances } from './chooseFocus';
import { conflictsAmong, type Conflict } from './conflicts';
import { STAGES, type View } from './types';

export interface Reason {
  readonly sign: SignId;
  /** Change of the log-odds (natural) of the cause by this sign; positive speaks for it. */
  readonly weight: number;
}

export interface RankedCause {
  readonly cause: CauseId;
  readonly probability: number;
  readonly reasons: readonly Reason[];
}

export interface NextLook {
  readonly sign: SignId;
  readonly view: View;
  /** Expected information about the leading causes, bits. */
  readonly gainBits: number;
  /** The upstream cause that has to be ruled out first, when there is one. */
  readonly upstream: CauseId | null;
}

export interface Inference extends Choice {
  readonly ranking: readonly RankedCause[];
  readonly lookNext: readonly NextLook[];
  readonly setAside: readonly SetAside[];
  /** Signs seen that contradict each other: said, and both kept. */
  readonly conflicts: readonly Conflict[];
}

/** How many causes count as leading when the next look is chosen. */
const LEADING = 3;
const LOOKS_OFFERED = 6;
/** Chances nearer than this are equal; the upstream cause then comes first. */
const SAME = 1e-9;

/**
 * From the signs of one look to the likely causes, the focus and what to look at next.
 *
 * Exact noisy-OR inference (Pearl 1988) over all sets of up to three causes, renormalised. With
 * nothing seen every cause keeps about its prior and the looks offered are the upstream ones.
 *
 * @param look stroke, model, level and what was seen
 * @param circumstances goal, race date and past outcomes that move the choice of focus
 * @returns ranking by probability, focus and second choice, next looks, signs set aside
 * @example
 * inferCauses({ stroke: 'front-crawl', model: 'long-line', level: 'build', signs: { 'legs-low': 'often' } })
 *   .ranking[0].probability // about 0.21
 */
export function inferCauses(look: Look, circumstances: Circumstances = {}): Inference {
  const causes = causesFor(look.stroke);
  const signs = signsFor(look.stroke);
  const signIndex = new Map(signs.map((id, i) => [id, i]));
  const net: Network = {
    priors: causes.map((id) => priorOf(id, look.level)),
    links: causes.map((id) =>
      Object.entries(LINKS[id]).map(([s, strength]) => [signIndex.get(s as SignId)!, LINK_STRENGTH[strength]] as const),
    ),
    signCount: signs.length,
    leak: LEAK,
  };
  const { counted, setAside } = weighable(look);
  const evidence: Evidence = new Map(counted.map(([id, seen]) => [signIndex.get(id)!, seen]));

  const beliefs = believe(net, evidence);
  const ranking = causes
    .map((cause, c): RankedCause => ({
      cause,
      probability: beliefs.probability[c]!,
      reasons: counted
        .map(([sign]) => ({ sign, weight: beliefs.weightOf(signIndex.get(sign)!, c) }))
        .filter(({ weight }) => Math.abs(weight) > 0.01)
        .sort((a, b) => Math.abs(b.weight) - Math.abs(a.weight)),
    }))
    .sort((a, b) =>
      Math.abs(a.probability - b.probability) < SAME ? upstreamFirst(a.cause, b.cause) : b.probability - a.probability,
    );

  const choice = chooseFocus(ranking, look, circumstances);
  const winner = choice.focus ?? ranking[0]!.cause;
  const looked = new Set(counted.map(([sign]) => sign));
  const unasked =
    choice.focus === null
      ? []
      : upstreamOf(winner).filter(
          (c) => causes.includes(c) && !Object.keys(LINKS[c]).some((s) => looked.has(s as SignId)),
        );

  const leading = [...new Set([...ranking.slice(0, LEADING).map((r) => r.cause), ...unasked])];
  const gains = informationGain(
    net,
    evidence,
    leading.map((c) => causes.indexOf(c)),
  );
  const byGain = signs
    .map((sign, s) => ({ sign, view: SIGNS[sign].view, gainBits: gains[s]! }))
    .filter(({ sign, gainBits }) => !looked.has(sign) && gainBits > 1e-4)
    .sort((a, b) => b.gainBits - a.gainBits);
  // The best question about each upstream neighbour comes first, then whatever tells most.
  const upstreamOfSign = new Map<SignId, CauseId>();
  for (const cause of unasked) {
    const best = byGain.find(({ sign }) => sign in LINKS[cause]);
    if (best) upstreamOfSign.set(best.sign, cause);
  }
  const lookNext = byGain
    .map((look): NextLook => ({ ...look, upstream: upstreamOfSign.get(look.sign) ?? null }))
    .sort((a, b) => Number(b.upstream !== null) - Number(a.upstream !== null))
    .slice(0, LOOKS_OFFERED);

  return { ranking, ...choice, lookNext, setAside, conflicts: conflictsAmong(look.signs) };
}

interface Beliefs {
  /** Posterior chance of each cause. */
  readonly probability: readonly number[];
  /** Log-odds that an observed sign adds to a cause, given all the other signs. */
  readonly weightOf: (sign: number, cause: number) => number;
}

/** Posterior chances, and what each observed sign contributes to each cause (leave-one-out). */
export function believe(net: Network, evidence: Evidence): Beliefs {
  const n = net.priors.length;
  const observed = [...evidence.keys()];
  const slot = new Int32Array(net.signCount).fill(-1);
  observed.forEach((s, i) => (slot[s] = i));
  const base = observed.map((s) => likelihood(evidence.get(s)!, net.leak));

  const { at0, slope } = signLikelihoods(net, evidence);
  let total = 0;
  const withCause = new Float64Array(n);
  // What the sums would be without sign i, less the part that the base likelihood explains.
  const totalShift = new Float64Array(observed.length);
  const causeShift = new Float64Array(observed.length * n);

  visitCauseSets(net, evidence, ({ weight, size, causes, touchedCount, touched, hidden }) => {
    total += weight;
    for (let k = 0; k < size; k++) withCause[causes[k]!]! += weight;
    for (let t = 0; t < touchedCount; t++) {
      const s = touched[t]!;
      const i = slot[s]!;
      if (i < 0) continue;
      const shift = weight / (at0[s]! + slope[s]! * hidden[s]!) - weight / base[i]!;
      totalShift[i]! += shift;
      for (let k = 0; k < size; k++) causeShift[i * n + causes[k]!]! += shift;
    }
  });

  return {
    probability: Array.from(withCause, (w) => w / total),
    weightOf: (sign, cause) => {
      const i = slot[sign]!;
      if (i < 0) return 0;
      const inWith = withCause[cause]!;
      const outWith = inWith / base[i]! + causeShift[i * n + cause]!;
      const outTotal = total / base[i]! + totalShift[i]!;
      return Math.log(inWith / (total - inWith)) - Math.log(outWith / (outTotal - outWith));
    },
  };
}

/**
 * Expected information of seeing or not seeing each sign about the joint state of some causes.
 *
 * @param about indexes of the causes of interest, at most 16
 * @returns bits per sign; 0 for signs already looked for
 */
export function informationGain(net: Network, evidence: Evidence, about: readonly number[]): Float64Array {
  const states = 1 << about.length;
  const bit = new Int32Array(net.priors.length);
  about.forEach((c, i) => (bit[c] = 1 << i));
  const stateWeight = new Float64Array(states);
  const shift = new Float64Array(net.signCount * states);
  const baseHidden = 1 - net.leak;

  visitCauseSets(net, evidence, ({ weight, size, causes, touchedCount, touched, hidden }) => {
    let state = 0;
    for (let k = 0; k < size; k++) state |= bit[causes[k]!]!;
    stateWeight[state]! += weight;
    for (let t = 0; t < touchedCount; t++) {
      const s = touched[t]!;
      shift[s * states + state]! += weight * (hidden[s]! - baseHidden);
    }
  });

  const total = stateWeight.reduce((sum, w) => sum + w, 0);
  return Float64Array.from({ length: net.signCount }, (_, s) => {
    if (evidence.has(s)) return 0;
    let hiddenSum = 0;
    let conditional = 0;
    for (let state = 0; state < states; state++) {
      const w = stateWeight[state]!;
      if (w === 0) continue;
      const hiddenHere = w * baseHidden + shift[s * states + state]!;
      hiddenSum += hiddenHere;
      conditional += (w / total) * entropyBits(hiddenHere / w);
    }
    return Math.max(0, entropyBits(hiddenSum / total) - conditional);
  });
}

/** Entropy of a yes–no question with chance `p`, bits. */
function entropyBits(p: number): number {
  if (p <= 0 || p >= 1) return 0;
  return -p * Math.log2(p) - (1 - p) * Math.log2(1 - p);
}

function upstreamFirst(a: CauseId, b: CauseId): number {
  return STAGES.indexOf(CAUSES[a].stage) - STAGES.indexOf(CAUSES[b].stage);
}

/** The name of a cause as shown to a coach. */
export function causeName(id: CauseId): string {
  return CAUSES[id].name;
}
