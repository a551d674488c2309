/** Rows of one request of an import and characters of them as JSON, how many requests and rows one import may have. */
export const CHUNK_ROWS = 2000;
export const CHUNK_CHARACTERS = 400_000;
export const MOST_CHUNKS = 500;
export const MOST_IMPORTED = 100_000;

/** Results found are counted up to here; those beyond can still be paged through and searched. */
export const RESULTS_COUNTED = 5000;

/** What a list of results can be sorted by. */
export const RESULT_SORTS = ['on', 'name', 'distance', 'time', 'speed'] as const;
export type ResultSort = (typeof RESULT_SORTS)[number];
