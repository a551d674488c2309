import type { Role } from '@upwell/contract/account';

/** What somebody is in the club. */
export const ROLE_WORD: Readonly<Record<Role, string>> = { head: 'Head coach', coach: 'Coach', swimmer: 'Swimmer' };
