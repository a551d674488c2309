// Who signs in: accounts, their sign-ins, invitations and links for a new password.
import type { Role } from '@upwell/contract/account';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { SwimmerEntity } from '../swimmers/entities';

export const AccountEntity = defineEntity({
  name: 'Account',
  tableName: 'account',
  properties: {
    id: p.uuid().primary(),
    clubId: p.uuid(),
    email: p.text(),
    name: p.text(),
    role: p.text().$type<Role>(),
    passwordHash: p.text().lazy(),
    swimmerId: p.uuid().nullable(),
    /** Cannot sign in, and stays by name with what they did. */
    disabled: p.boolean().default(false),
    version: p.integer().version(),
    writeId: p.uuid().defaultRaw('gen_random_uuid()'),
  },
});
export type Account = InferEntity<typeof AccountEntity>;

export const SignInSessionEntity = defineEntity({
  name: 'SignInSession',
  tableName: 'sign_in_session',
  properties: {
    tokenHash: p.blob().primary(),
    id: p.uuid(),
    accountId: p.uuid(),
    clubId: p.uuid(),
    expiresAt: p.datetime(),
    /** What the browser calls itself, in a few words. */
    device: p.text().default(''),
  },
});

export const InvitationEntity = defineEntity({
  name: 'Invitation',
  tableName: 'invitation',
  properties: {
    id: p.uuid().primary(),
    clubId: p.uuid(),
    /** Nobody reads it again. */
    tokenHash: p.blob().lazy(),
    role: p.text().$type<Role>(),
    email: p.text().nullable(),
    swimmer: () => p.manyToOne(SwimmerEntity).joinColumn('swimmer_id').nullable(),
    squadIds: p.array().$type<string[]>(),
    madeBy: () => p.manyToOne(AccountEntity).joinColumn('made_by'),
    madeAt: p.datetime().defaultRaw('now()'),
    expiresAt: p.datetime(),
    usedAt: p.datetime().nullable(),
  },
});

/** The one link for a new password that an account has. */
export const PasswordResetEntity = defineEntity({
  name: 'PasswordReset',
  tableName: 'password_reset',
  properties: {
    /** Nobody reads it again. */
    tokenHash: p.blob().primary(),
    accountId: p.uuid(),
    clubId: p.uuid(),
    expiresAt: p.datetime(),
  },
});
