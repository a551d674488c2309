/** Rows of one request of an import, and how many requests one import may have. */
export const CHUNK_ROWS = 2000;
export const MOST_CHUNKS = 50;

/** What a list of results can be sorted by. */
export const RESULT_SORTS = ['on', 'name', 'distance', 'time', 'speed'] as const;
export type ResultSort = (typeof RESULT_SORTS)[number];
