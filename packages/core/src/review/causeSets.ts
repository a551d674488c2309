import { likelihood } from './evidence';
import type { Sighting } from './types';

/** A noisy-OR network over small integers: causes 0…n−1 and signs 0…m−1. */
export interface Network {
  readonly priors: readonly number[];
  /** For each cause the signs it shows and how likely: [sign, strength], strength from 0 to under 1. */
  readonly links: readonly (readonly (readonly [sign: number, strength: number])[])[];
  readonly signCount: number;
  /** Chance that a sign shows without any cause, over 0. */
  readonly leak: number;
}

export type Evidence = ReadonlyMap<number, Sighting>;

/** One set of causes during the walk. The arrays are reused: read them, do not keep them. */
export interface CauseSet {
  /** Unnormalised posterior weight. */
  weight: number;
  /** How many causes the set holds, and which: `causes[0…size−1]`. */
  size: number;
  readonly causes: Int32Array;
  /** How many signs the set changes, and which: `touched[0…touchedCount−1]`. */
  touchedCount: number;
  readonly touched: Int32Array;
  /** For every sign the chance that it does NOT show under this set. */
  readonly hidden: Float64Array;
}

/** At most this many causes are thought to act together. */
export const MAX_CAUSES = 3;

/** The likelihood of the report on one sign is `at0 + slope × hidden`; signs not looked for: 1 + 0. */
export interface SignLikelihood {
  readonly at0: Float64Array;
  readonly slope: Float64Array;
}

/** The likelihoods of all reports, as straight lines in the chance that the sign stays hidden. */
export function signLikelihoods(net: Network, evidence: Evidence): SignLikelihood {
  const at0 = new Float64Array(net.signCount).fill(1);
  const slope = new Float64Array(net.signCount);
  for (const [s, seen] of evidence) {
    at0[s] = likelihood(seen, 1);
    slope[s] = likelihood(seen, 0) - at0[s];
  }
  return { at0, slope };
}

/**
 * Walks every set of up to three causes with its unnormalised posterior weight.
 *
 * The weight of a set is the product of its priors and of the likelihood of every sign that was
 * looked for (Pearl 1988, noisy-OR). Adding a cause changes only the signs it is linked to, so each
 * step touches a handful of signs instead of all of them.
 */
export function visitCauseSets(net: Network, evidence: Evidence, visit: (set: CauseSet) => void): void {
  const { priors, links, signCount, leak } = net;
  const { at0, slope } = signLikelihoods(net, evidence);
  const odds = priors.map((p) => p / (1 - p));
  const marks = new Int32Array(signCount);
  const set: CauseSet = {
    weight: priors.reduce((product, p) => product * (1 - p), 1),
    size: 0,
    causes: new Int32Array(MAX_CAUSES),
    touchedCount: 0,
    touched: new Int32Array(signCount),
    hidden: new Float64Array(signCount).fill(1 - leak),
  };
  for (const s of evidence.keys()) set.weight *= at0[s]! + slope[s]! * (1 - leak);

  const linkedSigns = links.map((linked) => Int32Array.from(linked, ([s]) => s));
  const kept = links.map((linked) => Float64Array.from(linked, ([, strength]) => 1 - strength));
  const mostLinks = Math.max(1, ...links.map((linked) => linked.length));
  const saved = new Float64Array(MAX_CAUSES * mostLinks);

  const extend = (from: number): void => {
    visit(set);
    if (set.size === MAX_CAUSES) return;
    const { weight, touchedCount, size, hidden, touched } = set;
    for (let c = from; c < priors.length; c++) {
      const signs = linkedSigns[c]!;
      const keeps = kept[c]!;
      let grown = weight * odds[c]!;
      let count = touchedCount;
      for (let i = 0; i < signs.length; i++) {
        const s = signs[i]!;
        const was = hidden[s]!;
        const is = was * keeps[i]!;
        saved[size * mostLinks + i] = was;
        hidden[s] = is;
        if (slope[s] !== 0) grown *= (at0[s]! + slope[s]! * is) / (at0[s]! + slope[s]! * was);
        if (marks[s]!++ === 0) touched[count++] = s;
      }
      set.weight = grown;
      set.touchedCount = count;
      set.causes[size] = c;
      set.size = size + 1;
      extend(c + 1);
      set.size = size;
      // Put back what was stored rather than divide: no rounding gathers over thousands of sets.
      for (let i = 0; i < signs.length; i++) {
        const s = signs[i]!;
        hidden[s] = saved[size * mostLinks + i]!;
        marks[s]!--;
      }
    }
    set.weight = weight;
    set.touchedCount = touchedCount;
  };
  extend(0);
}
