import type { Role } from '@upwell/contract/account';

/** What each of them may do, in one line. */
export const ROLE_MEANS: Readonly<Record<Role, string>> = {
  head: 'Sees everyone, and manages squads, people and the club’s rules.',
  coach: 'Sees the swimmers of their own squads, and builds and runs sessions for them.',
  swimmer: 'Sees one swimmer: their week, their focus, their records. For a child, a parent or guardian signs up.',
};

/** The secret behind the `#` of the address; browsers send it to nobody. */
export function secretHere(): string {
  return typeof window === 'undefined' ? '' : window.location.hash.slice(1);
}
