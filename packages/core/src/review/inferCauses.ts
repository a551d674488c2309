// From signs to causes: how likely each cause is, why, and what to look at next.
import { fromOwn } from '../own';
import { causeCard, type CauseId, linksOf, signCard, type SignId, upstreamOf } from './catalogue';
import { causeSets, type Evidence, MAX_CAUSES, type Network, reportOn, weigh } from './causeSets';
import { causesFor, LEAK, LINK_STRENGTH, type Look, priorOf, type SetAside, signsFor, weighable } from './evidence';
import { type Choice, chooseFocus, type Circumstances } from './chooseFocus';
import { type Conflict, conflictsAmong } from './conflicts';
import type { LevelId } from '../swimmers';
import { STAGES, type Stroke, type View } from './types';

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

/** A sign that moves the log-odds by less says nothing worth reading. */
const TELLING = 0.05;
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
  const { net, causes, signs } = networkOf(look.stroke, look.level);
  const signIndex = new Map(signs.map((id, i) => [id, i]));
  const { counted, setAside } = weighable(look);
  const evidence: Evidence = new Map(counted.map(([id, seen]) => [signIndex.get(id)!, seen]));

  const beliefs = believe(net, evidence);
  const ranking = causes
    .map((cause, c): RankedCause => ({
      cause,
      probability: beliefs.probability[c]!,
      reasons: counted
        .map(([sign]) => ({ sign, weight: beliefs.weightOf(signIndex.get(sign)!, c) }))
        .filter(({ weight }) => Math.abs(weight) > TELLING)
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
          (c) => causes.includes(c) && !Object.keys(linksOf(c)).some((s) => looked.has(s as SignId)),
        );

  const leading = [...new Set([...ranking.slice(0, LEADING).map((r) => r.cause), ...unasked])];
  const gains = informationGain(
    net,
    evidence,
    leading.map((c) => causes.indexOf(c)),
  );
  const byGain = signs
    .map((sign, s) => ({ sign, view: signCard(sign).view, gainBits: gains[s]! }))
    .filter(({ sign, gainBits }) => !looked.has(sign) && gainBits > 1e-4)
    .sort((a, b) => b.gainBits - a.gainBits);
  // The best question about each upstream neighbour comes first, then whatever tells most.
  const upstreamOfSign = new Map<SignId, CauseId>();
  for (const cause of unasked) {
    const best = byGain.find(({ sign }) => sign in linksOf(cause));
    if (best) upstreamOfSign.set(best.sign, cause);
  }
  const lookNext = byGain
    .map((look): NextLook => ({ ...look, upstream: upstreamOfSign.get(look.sign) ?? null }))
    .sort((a, b) => Number(b.upstream !== null) - Number(a.upstream !== null))
    .slice(0, LOOKS_OFFERED);

  return { ranking, ...choice, lookNext, setAside, conflicts: conflictsAmong(look.signs) };
}

interface StrokeNetwork {
  readonly net: Network;
  readonly causes: readonly CauseId[];
  readonly signs: readonly SignId[];
}

const networks = fromOwn(() => new Map<string, StrokeNetwork>());

/** The network of a stroke at a level; the same object each time, so that its cause sets are worked out once. */
function networkOf(stroke: Stroke, level: LevelId): StrokeNetwork {
  const key = `${stroke} ${level}`;
  const known = networks().get(key);
  if (known) return known;
  const causes = causesFor(stroke);
  const signs = signsFor(stroke);
  const index = new Map(signs.map((id, i) => [id, i]));
  const net: Network = {
    priors: causes.map((id) => priorOf(id, level)),
    links: causes.map((id) =>
      Object.entries(linksOf(id)).map(([s, strength]) => [index.get(s as SignId)!, LINK_STRENGTH[strength]] as const),
    ),
    signCount: signs.length,
    leak: LEAK,
  };
  const made = { net, causes, signs };
  networks().set(key, made);
  return made;
}

interface Beliefs {
  /** Posterior chance of each cause. */
  readonly probability: readonly number[];
  /** Log-odds that an observed sign adds to a cause, given all the other signs. */
  readonly weightOf: (sign: number, cause: number) => number;
}

/** Posterior chances, and what each observed sign contributes to each cause (leave-one-out). */
export function believe(net: Network, evidence: Evidence): Beliefs {
  const sets = causeSets(net);
  const weight = weigh(net, sets, evidence);
  const { causes } = sets;
  // One place more than there are causes takes what the empty places of small sets add.
  const withCause = new Float64Array(net.priors.length + 1);
  let total = 0;
  for (let i = 0, at = 0; i < sets.count; i++, at += MAX_CAUSES) {
    const w = weight[i]!;
    total += w;
    withCause[causes[at]!]! += w;
    withCause[causes[at + 1]!]! += w;
    withCause[causes[at + 2]!]! += w;
  }

  // What the sums become when one report is left out.
  const left = new Map<number, { total: number; withCause: Float64Array }>();
  for (const [s, seen] of evidence) {
    const { at0, slope, base } = reportOn(seen, net.leak);
    const without = withCause.slice();
    let totalWithout = total;
    for (let i = sets.start[s]!, end = sets.start[s + 1]!; i < end; i++) {
      const set = sets.set[i]!;
      const shift = weight[set]! * (base / (at0 + slope * sets.hidden[i]!) - 1);
      totalWithout += shift;
      without[causes[set * MAX_CAUSES]!]! += shift;
      without[causes[set * MAX_CAUSES + 1]!]! += shift;
      without[causes[set * MAX_CAUSES + 2]!]! += shift;
    }
    left.set(s, { total: totalWithout, withCause: without });
  }

  const logOdds = (part: number, whole: number) => Math.log(part / (whole - part));
  return {
    probability: Array.from(withCause.subarray(0, net.priors.length), (w) => w / total),
    weightOf: (sign, cause) => {
      const without = left.get(sign);
      if (!without) return 0;
      return logOdds(withCause[cause]!, total) - logOdds(without.withCause[cause]!, without.total);
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
  const sets = causeSets(net);
  const weight = weigh(net, sets, evidence);
  const states = 1 << about.length;
  const bit = new Int32Array(net.priors.length + 1);
  about.forEach((c, i) => (bit[c] = 1 << i));
  const stateOf = new Int32Array(sets.count);
  const stateWeight = new Float64Array(states);
  for (let i = 0; i < sets.count; i++) {
    const at = i * MAX_CAUSES;
    const state = bit[sets.causes[at]!]! | bit[sets.causes[at + 1]!]! | bit[sets.causes[at + 2]!]!;
    stateOf[i] = state;
    stateWeight[state]! += weight[i]!;
  }
  const total = stateWeight.reduce((sum, w) => sum + w, 0);
  const baseHidden = 1 - net.leak;
  const shift = new Float64Array(states);

  return Float64Array.from({ length: net.signCount }, (_, s) => {
    if (evidence.has(s)) return 0;
    shift.fill(0);
    for (let i = sets.start[s]!; i < sets.start[s + 1]!; i++) {
      const set = sets.set[i]!;
      shift[stateOf[set]!]! += weight[set]! * (sets.hidden[i]! - baseHidden);
    }
    let hiddenSum = 0;
    let conditional = 0;
    for (let state = 0; state < states; state++) {
      const w = stateWeight[state]!;
      if (w === 0) continue;
      const hiddenHere = w * baseHidden + shift[state]!;
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
  return STAGES.indexOf(causeCard(a).stage) - STAGES.indexOf(causeCard(b).stage);
}
