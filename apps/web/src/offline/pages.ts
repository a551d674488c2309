import { deviceZone } from '@upwell/core/days';
import { db } from './db';

/** Pages kept for when there is no network: the coach's own data, newest first out. */
const MOST_PAGES = 400;

/** Addresses that are of no use later, or must not lie around. */
const NOT_KEPT = /^\/(handouts|calendar|openapi|looks|setup|accounts|invitations|account\/sign-ins)|\/erasing$/;

export function isKept(path: string): boolean {
  return !NOT_KEPT.test(path);
}

/** Keeps what the server answered at an address. */
export async function keepPage(path: string, data: unknown): Promise<void> {
  const open = await db();
  await open.put('pages', { path, data, at: new Date().toISOString() });
  if ((await open.count('pages')) <= MOST_PAGES) return;
  const old = (await open.getAll('pages')).sort((a, b) => a.at.localeCompare(b.at)).slice(0, MOST_PAGES / 4);
  await Promise.all(old.map((page) => open.delete('pages', page.path)));
}

/** Forgets what was kept of an address: it is gone, or not this coach's to see. */
export async function dropPage(path: string): Promise<void> {
  const open = await db();
  // What is new and waits is not there yet.
  if ((await open.countFromIndex('outbox', 'path', path)) === 0) await open.delete('pages', path);
}

/** What the server answered last at an address, or undefined. */
export async function keptPage(path: string): Promise<unknown> {
  return (await (await db()).get('pages', path))?.data;
}

/**
 * Whose clock something is of, while only the server knows for sure: what was kept of it, or of where it is, says so; else
 * it is the club's.
 */
export async function keptZone(...paths: readonly string[]): Promise<string> {
  for (const path of [...paths, '/account/me']) {
    const page = (await keptPage(path)) as { readonly timeZone?: string } | null | undefined;
    if (page?.timeZone) return page.timeZone;
  }
  return deviceZone();
}

/**
 * Changes a kept page as a waiting change will, so that it shows at once.
 *
 * @param otherwise what to change where the page was never kept; without it such a page is left alone
 */
export async function patchPage<T>(path: string, change: (page: T) => T, otherwise?: T): Promise<void> {
  const page = (await keptPage(path)) ?? otherwise;
  if (page !== undefined) await keepPage(path, change(page as T));
}
