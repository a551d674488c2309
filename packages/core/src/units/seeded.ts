/**
 * A number from 0 to 1 that depends only on its inputs: the same seed gives the same session.
 *
 * (Integer mixing after the finaliser of MurmurHash3, public domain.)
 *
 * @param seed any integer
 * @param index any integer
 */
export function seeded(seed: number, index: number): number {
  let h = (seed | 0) ^ Math.imul(index + 1, 0x9e3779b1);
  h = Math.imul(h ^ (h >>> 16), 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35);
  return ((h ^ (h >>> 16)) >>> 0) / 2 ** 32;
}

/**
 * A number of the standard normal distribution from a seed and a place in its row (Box & Muller 1958).
 *
 * @example seededNormal(1, 0) === seededNormal(1, 0) // true
 */
export function seededNormal(seed: number, index: number): number {
  const u = Math.max(1e-9, seeded(seed, 2 * index));
  return Math.sqrt(-2 * Math.log(u)) * Math.cos(2 * Math.PI * seeded(seed, 2 * index + 1));
}
