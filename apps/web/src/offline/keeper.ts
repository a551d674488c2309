import type { FetchArgs } from '@reduxjs/toolkit/query';
import { setKeeper, type Keeper } from '@/api/api';
import { forgetPages, openAccount, openFor } from './db';
import { dropPage, isKept, keepPage, keptPage } from './pages';
import { enqueue } from './outbox';
import { keptDrafts, takeDrafts } from '@/state/drafts';
import { reached, storageFull, troubled } from '@/state/offline';
import { send } from './sync';
import { askToStay } from './version';

/** The address of a question as it is kept: with its parameters, in a fixed order. */
export function addressOf(args: string | FetchArgs): string {
  if (typeof args === 'string') return args;
  const params = new URLSearchParams(
    Object.entries((args.params ?? {}) as Record<string, unknown>)
      .filter(([, value]) => value !== undefined)
      .map(([key, value]) => [key, String(value)]),
  );
  params.sort();
  const text = params.toString();
  return text ? `${args.url}?${text}` : args.url;
}

const isRead = (args: string | FetchArgs) => typeof args === 'string' || !args.method || args.method === 'GET';

const keeper: Keeper = {
  async change(args, waits, store) {
    const body = args.body as { writeId?: string } | undefined;
    const path = addressOf(args);
    const label = waits.label(body as never);
    let seq: number;
    try {
      const method = args.method as 'PUT' | 'DELETE';
      const base = args.base === undefined ? {} : { base: args.base };
      seq = await enqueue({ id: body?.writeId ?? path, path, method, body: body ?? null, label, ...base });
    } catch (error) {
      store.dispatch(storageFull(true));
      console.warn('This device could not store a change.', error);
      const detail =
        'This device has no room left to keep your change. It is still on this page: make room, or save what waits to a file.';
      return { error: { status: 507, data: { detail } } };
    }
    const sent = await send(store, seq);
    if (sent?.kind === 'stored') return { data: sent.data };
    if (sent?.kind === 'conflict' || sent?.kind === 'refused')
      return { error: { status: sent.status, data: sent.problem } };
    return { data: await waits.shown(body as never, path, args.about ?? '') };
  },

  account: openAccount,

  async answered(args, answer, store, askedAs) {
    // Somebody else has signed in on this device meanwhile: this is not theirs to keep.
    if (!isRead(args) || askedAs !== openAccount()) return answer;
    const path = addressOf(args);
    const status = answer.error?.status;
    // A server that answers with an error is there: the kept page is shown, and the line does not speak of the network.
    const failing = typeof status === 'number' && status >= 500;
    const lost = status === 'FETCH_ERROR' || status === 'TIMEOUT_ERROR' || failing;
    if (status === undefined || typeof status === 'number') store.dispatch(reached(true));
    // What waits says itself whether the server takes it.
    const { waiting } = (store.getState() as { offline: { waiting: number } }).offline;
    if (failing || (!answer.error && waiting === 0)) store.dispatch(troubled(failing));
    if (!answer.error) {
      const me = path === '/account/me' ? (answer.data as { accountId: string } | null) : null;
      if (me) {
        const other = me.accountId !== openAccount();
        openFor(me.accountId);
        // What somebody else has begun on this device waits for them.
        if (other) store.dispatch(takeDrafts(keptDrafts(me.accountId)));
        askToStay();
      } else if (path === '/account/me') await forgetPages();
      if (isKept(path)) await keepPage(path, answer.data).catch(() => store.dispatch(storageFull(true)));
      return answer;
    }
    if (status === 404 || status === 403) await dropPage(path);
    if (!lost) return answer;
    if (!failing) store.dispatch(reached(false));
    const page = await keptPage(path).catch(() => undefined);
    return page === undefined ? answer : { data: page, meta: answer.meta };
  },
};

/** From now on changes are kept on this device until the server has them, and what was seen can be seen again. */
export function keepOnDevice(): void {
  setKeeper(keeper);
}
