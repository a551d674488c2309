import { Joi } from './joi';

export const ROLES = ['head', 'coach', 'swimmer'] as const;
export type Role = (typeof ROLES)[number];

export interface SignIn {
  readonly email: string;
  readonly password: string;
}

export const signInSchema = Joi.object<SignIn>({
  email: Joi.string().trim().lowercase().email({ tlds: false }).max(200).required(),
  password: Joi.string().max(200).required(),
});

/** Who is signed in. */
export interface Me {
  readonly accountId: string;
  readonly name: string;
  readonly role: Role;
  readonly clubId: string;
  readonly clubName: string;
  /** The swimmer this account belongs to, for role swimmer. */
  readonly swimmerId: string | null;
}
