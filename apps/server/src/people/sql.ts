// What the people of a club ask the database beyond single rows: secrets of invitations and links for a password, and all accounts.
import type { AccountView, InvitationLook, ResetLook } from '@upwell/contract/people';
import { bool, int, moment, orNull, rows, text, textOf, uuid, uuids } from '../platform/statement';

/** What an invitation is for, by the hash of its secret. */
export const LOOK_AT_INVITATION = rows(
  {
    ...{ state: textOf<InvitationLook['state']>(), club_name: text, role: textOf<InvitationLook['role']>() },
    ...{ email: orNull(text), invited_by: text, swimmer: orNull(text), birth_year: orNull(int) },
  },
  'select * from look_at_invitation(?)',
);

/** Takes an invitation up: the hash of its secret, and who comes. */
export const ACCEPT_INVITATION = rows({ said: text, club: uuid }, 'select * from accept_invitation(?, ?::jsonb)');

/** Whose password a link changes, by the hash of its secret. */
export const LOOK_AT_RESET = rows(
  { state: textOf<ResetLook['state']>(), name: text, email: text },
  'select * from look_at_reset(?)',
);

/** Changes a password by a link: the hash of its secret, the hash of the password. */
export const USE_RESET = rows({ said: text }, 'select use_reset(?, ?) as said');

/** Everybody who can sign in. */
export const ACCOUNTS = rows(
  {
    ...{ id: uuid, name: text, email: text, role: textOf<AccountView['role']>(), swimmer_id: orNull(uuid) },
    ...{ swimmer: orNull(text), disabled: bool, version: int, squad_ids: uuids, last_seen: orNull(moment) },
  },
  'select * from accounts_of_club()',
);
