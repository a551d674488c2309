/** A secret of 32 random bytes for a link, in letters an address can hold. */
export function newSecret(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(32));
  return btoa(String.fromCharCode(...bytes))
    .replaceAll('+', '-')
    .replaceAll('/', '_')
    .replaceAll('=', '');
}

/** The address of a shared page on this server. */
export function sharedAddress(token: string): string {
  return `${window.location.origin}/h/${token}`;
}
