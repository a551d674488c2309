// Where lists are found as files.
import type { ClubList, ListFormat, ListQuery, SwimmerList } from './lists';

/** Where a list of the club is found as a file. @example clubListAddress('load', 'pdf', {}) // '/api/v1/lists/load/pdf' */
export function clubListAddress(list: ClubList, format: ListFormat, query: ListQuery): string {
  const asked = new URLSearchParams(Object.entries(query).filter(([, value]) => value)).toString();
  return `/api/v1/lists/${list}/${format}${asked && `?${asked}`}`;
}

/** Where a list of one swimmer is found as a file. */
export const swimmerListAddress = (id: string, list: SwimmerList, format: ListFormat): string =>
  `/api/v1/swimmers/${id}/lists/${list}/${format}`;
