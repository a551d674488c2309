// A server that keeps a club's library as a real one would, for tests of its screens.
import type { EntrySave, LibraryView } from '@upwell/contract/library';
import type { LibraryEntry } from '@upwell/core/clubLibrary';
import { fakeServer, ME, type Call } from './fakeServer';

/** A server that keeps the library as a real one would. */
export function fakeLibrary(
  entries: readonly LibraryEntry[] = [],
  {
    role = 'head',
    refuse,
    answers = {},
  }: {
    role?: 'head' | 'coach';
    refuse?: (call: Call) => { status: number; body: object } | null;
    answers?: Parameters<typeof fakeServer>[0];
  } = {},
) {
  let view: LibraryView = {
    version: entries.length,
    entries: entries.map((e) => ({ ...e, version: 1, by: 'Maren', at: '2026-11-27T18:00:00.000Z' })),
  };
  const sent: Call[] = [];
  fakeServer({
    'GET /account/me': () => ({ body: { ...ME, role, libraryVersion: view.version } }),
    'GET /library': () => ({ body: view }),
    'PUT /library/entry': (call) => {
      sent.push(call);
      const refused = refuse?.(call);
      if (refused) return refused;
      const { kind, key, body, version } = call.body as EntrySave;
      const others = view.entries.filter((e) => e.kind !== kind || e.key !== key);
      view = {
        version: view.version + 1,
        entries: [
          ...others,
          {
            kind,
            key,
            body,
            version: version + 1,
            by: 'Maren',
            at: '2026-11-28T18:00:00.000Z',
          } as LibraryView['entries'][number],
        ],
      };
      return { body: view };
    },
    'POST /library/import': (call) => {
      sent.push(call);
      return { body: view };
    },
    ...answers,
  });
  return sent;
}
