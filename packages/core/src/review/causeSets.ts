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

/** At most this many causes are thought to act together. */
export const MAX_CAUSES = 3;

/**
 * Every set of up to three causes of a network, with what does not depend on what was seen.
 *
 * How likely a sign stays hidden under a set is the same for every review, so it is worked out once.
 * It is kept by sign: a report on one sign changes only the sets that touch it.
 */
export interface CauseSets {
  readonly count: number;
  /** Chance of each set before anything is seen. */
  readonly prior: Float64Array;
  /** The causes of each set, three places a set; unused places hold the number of causes, which is never read. */
  readonly causes: Int32Array;
  /** Sign `s` is changed by the sets `set[start[s]…start[s+1]−1]`, which leave it hidden with these chances. */
  readonly start: Int32Array;
  readonly set: Int32Array;
  readonly hidden: Float64Array;
}

const known = new WeakMap<Network, CauseSets>();

/** The cause sets of a network, worked out at the first use. */
export function causeSets(net: Network): CauseSets {
  const found = known.get(net) ?? enumerate(net);
  known.set(net, found);
  return found;
}

function enumerate({ priors, links, signCount, leak }: Network): CauseSets {
  const none = priors.reduce((product, p) => product * (1 - p), 1);
  const odds = priors.map((p) => p / (1 - p));
  const prior: number[] = [];
  const causes: number[] = [];
  const touching: { set: number[]; hidden: number[] }[] = Array.from({ length: signCount }, () => ({
    set: [],
    hidden: [],
  }));

  const add = (members: readonly number[]): void => {
    const index = prior.length;
    prior.push(members.reduce((weight, c) => weight * odds[c]!, none));
    for (let k = 0; k < MAX_CAUSES; k++) causes.push(members[k] ?? priors.length);
    const hidden = new Map<number, number>();
    for (const c of members)
      for (const [s, strength] of links[c]!) hidden.set(s, (hidden.get(s) ?? 1 - leak) * (1 - strength));
    for (const [s, chance] of hidden) {
      touching[s]!.set.push(index);
      touching[s]!.hidden.push(chance);
    }
  };
  const grow = (members: readonly number[], from: number): void => {
    add(members);
    if (members.length === MAX_CAUSES) return;
    for (let c = from; c < priors.length; c++) grow([...members, c], c + 1);
  };
  grow([], 0);

  const start = new Int32Array(signCount + 1);
  touching.forEach(({ set }, s) => (start[s + 1] = start[s]! + set.length));
  return {
    count: prior.length,
    prior: Float64Array.from(prior),
    causes: Int32Array.from(causes),
    start,
    set: Int32Array.from(touching.flatMap(({ set }) => set)),
    hidden: Float64Array.from(touching.flatMap(({ hidden }) => hidden)),
  };
}

/**
 * Unnormalised posterior weight of every set: its prior times the likelihood of every report
 * (Pearl 1988, noisy-OR).
 *
 * A report counts relative to what it would be without any cause, so sets that do not touch the sign
 * keep their weight.
 */
export function weigh(net: Network, sets: CauseSets, evidence: Evidence): Float64Array {
  const weight = sets.prior.slice();
  for (const [s, seen] of evidence) {
    const { at0, slope, base } = reportOn(seen, net.leak);
    for (let i = sets.start[s]!; i < sets.start[s + 1]!; i++)
      weight[sets.set[i]!]! *= (at0 + slope * sets.hidden[i]!) / base;
  }
  return weight;
}

/** The likelihood of a report is a straight line in the chance that the sign stays hidden; `base` without any cause. */
export function reportOn(
  seen: Sighting,
  leak: number,
): { readonly at0: number; readonly slope: number; readonly base: number } {
  const at0 = likelihood(seen, 1);
  return { at0, slope: likelihood(seen, 0) - at0, base: likelihood(seen, leak) };
}
