import { likelihood } from './evidence';
import type { Sighting } from './types';

/** A noisy-OR network over small integers: causes 0…n−1 and signs 0…m−1. */
export interface Network {
  /** Chance of each cause before anything is seen, over 0 and under 1. */
  readonly priors: readonly number[];
  /** For each cause the signs it shows and how likely: [sign, strength], strength from 0 to under 1. */
  readonly links: readonly (readonly (readonly [sign: number, strength: number])[])[];
  readonly signCount: number;
  /** Chance that a sign shows without any cause, over 0. */
  readonly leak: number;
}

export type Evidence = ReadonlyMap<number, Sighting>;

/** For each sign the causes that show it and how likely. */
export type Showing = readonly (readonly (readonly [cause: number, strength: number])[])[];

/** The links of a network, read from the signs. */
export function showingOf({ links, signCount }: Network): Showing {
  const showing: [number, number][][] = Array.from({ length: signCount }, () => []);
  links.forEach((of, cause) => of.forEach(([sign, strength]) => showing[sign]!.push([cause, strength])));
  return showing;
}

/**
 * Signs that can be open at once: each doubles the work of a sum. The built-in catalogue needs ten with every sign
 * seen; a club that links everything with everything can need more than anybody would wait for.
 */
export const MOST_OPEN = 14;

/** One cause in the order of a sum: which signs open before it, which it can show, and which close behind it. */
interface Step {
  readonly cause: number;
  readonly opens: readonly number[];
  readonly shows: readonly (readonly [slot: number, strength: number])[];
  readonly closes: readonly (readonly [slot: number, hidden: number, shown: number])[];
}

/** Causes that seen signs tie together; what happens in one part says nothing about another. */
export interface Part {
  readonly causes: readonly number[];
  readonly steps: readonly Step[];
  /** Most signs open at once. */
  readonly width: number;
}

/** What was seen, ready for summing: a weight for each cause being there or not, and the parts. */
export interface Read {
  readonly present: Float64Array;
  readonly missing: Float64Array;
  readonly parts: readonly Part[];
  /** The part of each cause. */
  readonly partOf: readonly number[];
}

/**
 * Reads what was seen into a form that can be summed exactly, however many causes are there at once.
 *
 * A sign that was not there, and a seen one that a single cause can show, only change the weight of their causes.
 * A seen sign with several causes ties them into one part.
 */
export function read(net: Network, showing: Showing, evidence: Evidence): Read {
  const present = Float64Array.from(net.priors);
  const missing = Float64Array.from(net.priors, (p) => 1 - p);
  const hidden = 1 - net.leak;
  const ties: number[] = [];
  for (const [sign, seen] of evidence) {
    const causes = showing[sign]!;
    if (seen === 'absent') for (const [c, q] of causes) present[c]! *= 1 - q;
    else if (causes.length === 1) {
      const [[c, q]] = causes as [readonly [number, number]];
      present[c]! *= likelihood(seen, 1 - hidden * (1 - q));
      missing[c]! *= likelihood(seen, net.leak);
    } else if (causes.length > 1) ties.push(sign);
  }

  // Join the causes of every tie.
  const partOf = net.priors.map((_, c) => c);
  for (const sign of ties) {
    const joined = new Set(showing[sign]!.map(([c]) => partOf[c]!));
    const to = Math.min(...joined);
    partOf.forEach((part, c) => {
      if (joined.has(part)) partOf[c] = to;
    });
  }
  const roots = [...new Set(partOf)];
  const causesOf = new Map(roots.map((root): [number, number[]] => [root, []]));
  partOf.forEach((root, c) => causesOf.get(root)!.push(c));
  const parts = roots.map((root) => {
    const causes = causesOf.get(root)!;
    if (causes.length === 1) return { causes, steps: [{ cause: root, opens: [], shows: [], closes: [] }], width: 0 };
    return planned(
      causes,
      ties.filter((sign) => partOf[showing[sign]![0]![0]] === root),
      showing,
      evidence,
    );
  });
  return { present, missing, parts, partOf: partOf.map((root) => roots.indexOf(root)) };
}

/** The order of the causes of a part that keeps the fewest signs open, one cause chosen after the other. */
function planned(causes: readonly number[], signs: readonly number[], showing: Showing, evidence: Evidence): Part {
  const left = new Set(causes);
  const touching = new Map(causes.map((c): [number, number[]] => [c, []]));
  const waiting = new Map<number, number>();
  for (const sign of signs) {
    for (const [c] of showing[sign]!) touching.get(c)!.push(sign);
    waiting.set(sign, showing[sign]!.length);
  }
  const slotOf = new Map<number, number>();
  const free: number[] = [];
  let width = 0;
  const closing = (c: number) => touching.get(c)!.filter((s) => waiting.get(s) === 1);
  const opening = (c: number) => touching.get(c)!.filter((s) => !slotOf.has(s));
  const steps: Step[] = [];
  while (left.size > 0) {
    let next = -1;
    let least = Infinity;
    for (const c of left) {
      // First the fewest open afterwards, then the fewest opened on the way.
      const opened = opening(c).length;
      const cost = opened - closing(c).length + opened / 1000;
      if (cost < least) [next, least] = [c, cost];
    }
    const opens = opening(next).map((s) => {
      const slot = free.pop() ?? width++;
      slotOf.set(s, slot);
      return slot;
    });
    const shows = touching.get(next)!.map((s) => {
      const [, strength] = showing[s]!.find(([of]) => of === next)!;
      return [slotOf.get(s)!, strength] as const;
    });
    const closes = closing(next).map((s) => {
      const slot = slotOf.get(s)!;
      free.push(slot);
      return [slot, likelihood(evidence.get(s)!, 0), likelihood(evidence.get(s)!, 1)] as const;
    });
    steps.push({ cause: next, opens, shows, closes });
    for (const sign of touching.get(next)!) waiting.set(sign, waiting.get(sign)! - 1);
    left.delete(next);
  }
  return { causes, steps, width };
}

/**
 * The sum over every set of causes of a part of its weight times the chance of all that was seen (noisy-OR, Pearl
 * 1988; walked by the subsets of signs already explained, so that no terms cancel, other than the expansion of
 * Heckerman 1989).
 *
 * @param present weight of each cause being there; 0 asks for the sets without it
 * @param missing weight of each cause not being there; 0 asks for the sets with it
 */
export function sumOf(
  { steps, width }: Part,
  present: ArrayLike<number>,
  missing: ArrayLike<number>,
  leak: number,
): number {
  if (width === 0) return present[steps[0]!.cause]! + missing[steps[0]!.cause]!;
  const size = 1 << width;
  // weight[mask]: everything summed so far in which exactly the open signs of the mask show.
  const weight = new Float64Array(size);
  const with_ = new Float64Array(size);
  weight[0] = 1;
  for (const { cause, opens, shows, closes } of steps) {
    for (const slot of opens) show(weight, 1 << slot, leak);
    const [p, m] = [present[cause]!, missing[cause]!];
    for (let i = 0; i < size; i++) with_[i] = weight[i]! * p;
    for (const [slot, strength] of shows) show(with_, 1 << slot, strength);
    for (let i = 0; i < size; i++) weight[i] = weight[i]! * m + with_[i]!;
    for (const [slot, hidden, shown] of closes) {
      const bit = 1 << slot;
      for (let i = 0; i < size; i++) {
        if (i & bit) continue;
        weight[i] = weight[i]! * hidden + weight[i | bit]! * shown;
        weight[i | bit] = 0;
      }
    }
  }
  return weight[0]!;
}

/** What was hidden so far shows with a chance. */
function show(weight: Float64Array, bit: number, chance: number): void {
  for (let i = 0; i < weight.length; i++) {
    if (i & bit) continue;
    const moved = weight[i]! * chance;
    weight[i]! -= moved;
    weight[i | bit]! += moved;
  }
}
