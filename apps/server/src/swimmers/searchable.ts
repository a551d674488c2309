/** Lower case without accents, as names are searched. */
export function searchable(name: string): string {
  return name.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();
}
