// What crosses the wire about accounts, sign-ins and the rules of the club.
import { LEAST_PASSWORD } from './limits';
import type { PoolUnit } from '@upwell/core/units';
import { Joi } from './joi';

export { LEAST_PASSWORD } from './limits';

export const ROLES = ['head', 'coach', 'swimmer'] as const;
export type Role = (typeof ROLES)[number];

export interface SignIn {
  readonly email: string;
  readonly password: string;
}

export const emailSchema = () => Joi.string().trim().lowercase().email({ tlds: false }).max(200);

export const signInSchema = Joi.object<SignIn>({
  email: emailSchema().required(),
  password: Joi.string().max(200).required(),
});

/** A password that is chosen; the server refuses the most common ones as well. */
export const newPassword = () =>
  Joi.string()
    .min(LEAST_PASSWORD)
    .max(200)
    .required()
    .messages({ 'string.min': `A password has at least ${LEAST_PASSWORD} characters.` });

export interface PasswordChange {
  readonly old: string;
  readonly new: string;
}

export const passwordChangeSchema = Joi.object<PasswordChange>({
  old: Joi.string().max(200).required(),
  new: newPassword(),
});

/** A device on which the account is signed in. */
export interface SignInView {
  readonly id: string;
  /** What the browser calls itself, in a few words. */
  readonly device: string;
  readonly begunAt: string;
  /** Last used, to the hour. */
  readonly usedAt: string;
  /** The one that asks. */
  readonly here: boolean;
}

/** Who is signed in. */
export interface Me {
  readonly accountId: string;
  readonly name: string;
  readonly role: Role;
  readonly clubId: string;
  readonly clubName: string;
  /** Time zone of the club, an IANA name like `Europe/Lisbon`. */
  readonly timeZone: string;
  /** The unit of pools that the club uses, shown first where both may be chosen. */
  readonly units: PoolUnit;
  /** Counts the changes of the club's own library: another number is another library. */
  readonly libraryVersion: number;
  /** The swimmer this account belongs to, for role swimmer. */
  readonly swimmerId: string | null;
}
