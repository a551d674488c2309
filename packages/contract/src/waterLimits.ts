/** Most points of a track that are kept; longer ones are thinned before they are sent. */
export const MOST_KEPT_POINTS = 6000;
