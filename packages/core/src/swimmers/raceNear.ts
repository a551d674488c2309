/** Days before a race in which nothing new is begun: only what is known. */
export const NOTHING_NEW_DAYS = 10;

/** Days before a race from which it is near: what helps most now comes before what is upstream, and two races share a taper. */
export const RACE_NEAR_DAYS = 14;
