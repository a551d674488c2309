/** Sizes of the table of normal deviates; a power of two that stays in the fastest cache. */
export const TABLE = 4096;

/**
 * Quantiles of the standard normal distribution, variance exactly 1: two table look-ups a random number.
 */
export function normalTable(): Float64Array {
  const table = new Float64Array(TABLE);
  for (let i = 0; i < TABLE / 2; i++) {
    const z = quantile((i + 0.5) / TABLE);
    table[i] = z;
    table[TABLE - 1 - i] = -z;
  }
  const sd = Math.sqrt(table.reduce((sum, z) => sum + z * z, 0) / TABLE);
  return table.map((z) => z / sd);
}

/** Lower quantile of the standard normal by bisection of its distribution function; only for the table. */
function quantile(p: number): number {
  let low = -6;
  let high = 0;
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (lowerTail(middle) < p) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** Φ(z) for z ≤ 0 (Abramowitz & Stegun 7.1.26, error under 1.5e-7). */
function lowerTail(z: number): number {
  const x = -z / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * x);
  const poly = t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
  return 0.5 * poly * Math.exp(-x * x);
}
