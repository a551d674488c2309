import { emailSchema, newPassword } from './account';
import { line, timeZone } from './common';
import { Joi } from './joi';

/** Whether a server has no club yet. */
export interface SetupView {
  readonly needed: boolean;
}

/** The first club and its head coach. */
export interface SetupBegin {
  /** The one-time code that the server prints. */
  readonly code: string;
  readonly clubName: string;
  /** IANA name, like `Europe/Lisbon`. */
  readonly timeZone: string;
  readonly name: string;
  readonly email: string;
  readonly password: string;
}

/** Letters and digits of a code without those that are taken for each other; four times three. */
const CODE = /^[0-9A-HJKMNP-TV-Z]{12}$/;

/** A code as it is compared: without dashes and spaces, in capitals. @example codeOf('abcd-efgh-jkmn') // 'ABCDEFGHJKMN' */
export const codeOf = (typed: string): string => typed.replace(/[\s-]/g, '').toUpperCase();

/** A club and its head coach. */
export const clubFields = {
  clubName: line(80).required(),
  timeZone: timeZone().required(),
  name: line(80).required(),
  email: emailSchema().required(),
};

export const setupBeginSchema = Joi.object<SetupBegin>({
  code: Joi.string()
    .max(40)
    .custom((typed: string, helpers) => (CODE.test(codeOf(typed)) ? codeOf(typed) : helpers.error('code.shape')))
    .required()
    .messages({ 'code.shape': 'A code has twelve letters and digits, like ABCD-EFGH-JKMN.' }),
  ...clubFields,
  password: newPassword(),
});
