/** The code PostgreSQL gave an error, five characters; undefined when it was not PostgreSQL's. */
export function sqlStateOf(error: unknown): string | undefined {
  const { code } = error as { readonly code?: unknown };
  return typeof code === 'string' && /^[0-9A-Z]{5}$/.test(code) ? code : undefined;
}
