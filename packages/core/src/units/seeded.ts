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
