/** Median and 99th percentile of how long some work takes, milliseconds, after a warm-up. */
export function measure(runs: number, work: (run: number) => unknown): { median: number; p99: number } {
  for (let i = 0; i < Math.min(20, runs); i++) work(i);
  const times = Array.from({ length: runs }, (_, i) => {
    const start = performance.now();
    work(i);
    return performance.now() - start;
  }).sort((a, b) => a - b);
  return { median: times[Math.floor(runs / 2)]!, p99: times[Math.min(runs - 1, Math.floor(runs * 0.99))]! };
}

/** A fixed piece of arithmetic, to tell a slow machine from slow code: 1.5 million multiplications and additions. */
export function reference(): number {
  let sum = 0;
  for (let i = 0; i < 1_500_000; i++) sum = sum * 0.999 + i;
  return sum;
}

export const ms = (value: number): string => `${value.toFixed(2)} ms`;

/** The value that a share of a list is not above. @example at([1, 2, 3], 0.5) // 2 */
export const at = (list: readonly number[], share: number): number =>
  [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(list.length * share))]!;
