import type { Role } from '@upwell/contract/account';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';

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
