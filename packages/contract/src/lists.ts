// Lists that are taken to meetings, as files.

import { Joi } from './joi';
import { isoDate, oneOf, uuid } from './common';

/** Lists of the club, and below them those of one swimmer. */
export const CLUB_LISTS = ['results', 'load', 'season', 'week'] as const;
export const SWIMMER_LISTS = ['records', 'weeks'] as const;
export type ClubList = (typeof CLUB_LISTS)[number];
export type SwimmerList = (typeof SWIMMER_LISTS)[number];

export const LIST_FORMATS = ['pdf', 'xlsx', 'csv'] as const;
export type ListFormat = (typeof LIST_FORMATS)[number];

const format = oneOf(LIST_FORMATS).required();

export interface ClubListParams {
  readonly list: ClubList;
  readonly format: ListFormat;
}
export const clubListParams = Joi.object<ClubListParams>({ list: oneOf(CLUB_LISTS).required(), format });

export interface SwimmerListParams {
  readonly id: string;
  readonly list: SwimmerList;
  readonly format: ListFormat;
}
export const swimmerListParams = Joi.object<SwimmerListParams>({
  ...{ id: uuid().required(), list: oneOf(SWIMMER_LISTS).required(), format },
});

export interface ListQuery {
  readonly squadId?: string;
  /** Up to which day a load is counted, from which on a season is shown, or any day of a week. */
  readonly date?: string;
}

export const listQuerySchema = Joi.object<ListQuery>({ squadId: uuid(), date: isoDate() });
