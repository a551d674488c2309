import { uuid } from '../common';
import { linkToken } from '../handout';
import { Joi } from '../joi';

/** A secret address where a calendar finds the sessions of a squad. */
/** For a squad, or for one swimmer. */
export interface CalendarLinkSave {
  readonly squadId?: string;
  readonly swimmerId?: string;
  readonly token: string;
}
export const calendarLinkSchema = Joi.object<CalendarLinkSave>({
  squadId: uuid(),
  swimmerId: uuid(),
  token: linkToken().required(),
}).xor('squadId', 'swimmerId');
export interface CalendarLink {
  readonly id: string;
  readonly squadId: string;
  readonly swimmerId: string | null;
  readonly createdAt: string;
  readonly revoked: boolean;
}
