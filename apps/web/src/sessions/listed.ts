/** How far back the list of sessions goes while nothing is searched, in days, and how many it holds. */
export const LISTED_DAYS = 60;
export const MOST_LISTED = 200;
