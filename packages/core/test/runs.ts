/**
 * How many cases a property is tried on: few in the quick run before a commit, all of them in the deep one
 * (`npm test -- deep`), whose seed changes from day to day.
 *
 * @example fc.assert(property, { numRuns: runs(20, 200) })
 */
export const runs = (quick: number, deep: number): number => (process.env.TEST_DEPTH === 'deep' ? deep : quick);
