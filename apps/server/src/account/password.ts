import { hash } from '@node-rs/argon2';
import { dictionary } from '@zxcvbn-ts/language-common';
import { ProblemError } from '../platform/problem';

/** argon2id with the library's defaults (19 MiB, two passes). */
export function hashPassword(password: string): Promise<string> {
  return hash(password);
}

const COMMONEST = new Set<unknown>(dictionary['passwords-common']);

/**
 * Refuses a password that is guessed first: one of the commonest, also in capitals or with digits behind it, or the address
 * itself.
 *
 * @throws ProblemError 422
 */
export function refuseWeak(password: string, email: string): void {
  const word = password.toLowerCase();
  const bare = word.replace(/[\d\W_]+$/, '');
  const [own = ''] = email.toLowerCase().split('@');
  if (COMMONEST.has(word) || COMMONEST.has(bare) || new Set(word).size < 4 || (own.length > 3 && word.includes(own)))
    throw new ProblemError(
      422,
      'This password is easy to guess. Use three or four words that only you would put together.',
    );
}

/** A valid hash of nothing anybody knows, to spend the same time on an unknown address. */
export const DUMMY_HASH =
  '$argon2id$v=19$m=19456,t=2,p=1$c29tZXNhbHRub2JvZHk$kb9TrTnBmrlSTzIXK8WzjVqCQ8JtCm4wYvLkLvaHc7Y';
