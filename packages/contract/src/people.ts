import { emailSchema, newPassword, ROLES, type Role } from './account';
import { line, oneOf, saved, uuid, type Saved } from './common';
import { Joi } from './joi';

/** Days in which an invitation can be used. */
export const INVITATION_DAYS = 14;
/** Hours in which a link for a new password can be used. */
export const RESET_HOURS = 24;

/** Somebody who is to come in. */
export interface Invite {
  readonly role: Role;
  /** Where the link goes by mail, when this server sends mail; proposed to the person as their address. */
  readonly email?: string | null;
  /** Squads that a coach will look after. */
  readonly squadIds?: readonly string[];
  /** Whose account it will be, for the role swimmer; of a child, a guardian uses it. */
  readonly swimmerId?: string | null;
}

export const inviteSchema = Joi.object<Invite>({
  role: oneOf(ROLES).required(),
  email: emailSchema().allow(null),
  squadIds: Joi.array().items(uuid()).unique().max(50).default([]),
  swimmerId: uuid()
    .when('role', { is: 'swimmer', then: Joi.required(), otherwise: Joi.valid(null) })
    .messages({ 'any.required': 'Choose whose account it will be.' }),
});

/** A link that is shown once; who lost it makes another. */
export interface LinkView {
  readonly link: string;
  readonly expiresAt: string;
  /** Whether it went out by mail; null where it was not to. */
  readonly mailed: boolean | null;
}

export interface InvitationMade extends LinkView {
  readonly id: string;
}

/** An invitation that nobody has used yet. */
export interface InvitationView {
  readonly id: string;
  readonly role: Role;
  readonly email: string | null;
  readonly squadIds: readonly string[];
  readonly swimmerId: string | null;
  readonly swimmer: string | null;
  readonly by: string;
  readonly madeAt: string;
  readonly expiresAt: string;
}

/** What is behind a link, and whether it still opens anything. */
export type LinkState = 'open' | 'used' | 'over';

/** An invitation as the invited person sees it. */
export interface InvitationLook {
  readonly state: LinkState;
  readonly clubName: string;
  readonly role: Role;
  readonly email: string | null;
  readonly invitedBy: string;
  /** Whose account it will be. */
  readonly swimmer: string | null;
  /** The swimmer is under 18, or their age is not known: a guardian may be the one who signs up. */
  readonly child: boolean;
}

const token = () =>
  Joi.string()
    .pattern(/^[\w-]{43}$/, { name: 'a whole link' })
    .required();

export const linkLookSchema = Joi.object<{ readonly token: string }>({ token: token() });

/** The invited person comes in. */
export interface Join {
  readonly token: string;
  readonly name: string;
  readonly email: string;
  readonly password: string;
}

export const joinSchema = Joi.object<Join>({
  token: token(),
  name: line(80).required(),
  email: emailSchema().required(),
  password: newPassword(),
});

/** A link for a new password as its owner sees it. */
export interface ResetLook {
  readonly state: LinkState;
  readonly name: string;
}

export interface PasswordReset {
  readonly token: string;
  readonly password: string;
}

export const passwordResetSchema = Joi.object<PasswordReset>({ token: token(), password: newPassword() });

/** Somebody who can sign in, or could. */
export interface AccountView {
  readonly id: string;
  readonly version: number;
  readonly name: string;
  readonly email: string;
  readonly role: Role;
  readonly squadIds: readonly string[];
  readonly swimmerId: string | null;
  readonly swimmer: string | null;
  /** Cannot sign in; stays by name with what they did. */
  readonly disabled: boolean;
  /** To the hour; null when never. */
  readonly lastSeen: string | null;
}

/** What changes; what is left out stays as it is. */
export interface AccountSave extends Partial<Saved> {
  readonly role?: Role;
  readonly squadIds?: readonly string[];
  /** With the role swimmer: whose account it is. */
  readonly swimmerId?: string | null;
  readonly disabled?: boolean;
}

export const accountSaveSchema = Joi.object<AccountSave>({
  role: oneOf(ROLES),
  squadIds: Joi.array().items(uuid()).unique().max(50),
  swimmerId: uuid().allow(null),
  disabled: Joi.boolean(),
  version: saved.version.optional(),
  writeId: saved.writeId.optional(),
});
