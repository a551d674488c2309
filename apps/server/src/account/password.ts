import { hash } from '@node-rs/argon2';

/** argon2id with the library's defaults (19 MiB, two passes). */
export function hashPassword(password: string): Promise<string> {
  return hash(password);
}

/** A valid hash of nothing anybody knows, to spend the same time on an unknown address. */
export const DUMMY_HASH =
  '$argon2id$v=19$m=19456,t=2,p=1$c29tZXNhbHRub2JvZHk$kb9TrTnBmrlSTzIXK8WzjVqCQ8JtCm4wYvLkLvaHc7Y';
