import { api } from '@/api/api';
import { makeStore } from '@/frame/store';
import { keepOnDevice } from '@/offline';
import { openFor } from '@/offline/db';
import { keepDraft } from '@/state/drafts';
import { fakeServer, ME } from './fakeServer';
import '@/account';

const shelf = new Map<string, string>();
beforeAll(() => {
  Object.defineProperty(global, 'localStorage', {
    configurable: true,
    value: {
      getItem: (key: string) => shelf.get(key) ?? null,
      setItem: (key: string, value: string) => void shelf.set(key, value),
    },
  });
  keepOnDevice();
});
beforeEach(() => shelf.clear());

const HEAD = '01a20bb8-5dce-719c-8bc2-8d9b01d7e601';
const COACH = '01a20bb8-5dce-719c-8bc2-8d9b01d7e602';

describe('what is begun on a device that several share', () => {
  it('is seen by nobody else, and is there again for the one who began it', async () => {
    openFor('nobody');
    let who = HEAD;
    fakeServer({ 'GET /account/me': () => ({ body: { ...ME, accountId: who } }) });
    const store = makeStore();
    const signIn = async (account: string) => {
      who = account;
      const asked = store.dispatch(
        (api.endpoints as unknown as Record<string, { initiate: (arg: undefined, how: object) => never }>).me!.initiate(
          undefined,
          { forceRefetch: true },
        ),
      ) as unknown as Promise<unknown> & { unsubscribe(): void };
      await asked;
      asked.unsubscribe();
    };
    await signIn(HEAD);
    store.dispatch(keepDraft({ key: 'review:1', value: 'looks tired' }));
    // The sign-in runs out without a word, and another coach takes the device.
    await signIn(COACH);
    expect(store.getState().drafts).toEqual({});
    store.dispatch(keepDraft({ key: 'review:2', value: 'crosses over' }));
    await signIn(HEAD);
    expect(store.getState().drafts).toEqual({ 'review:1': 'looks tired' });
    // A closed tab later each still has their own.
    expect(makeStore().getState().drafts).toEqual({ 'review:1': 'looks tired' });
    openFor(COACH);
    expect(makeStore().getState().drafts).toEqual({ 'review:2': 'crosses over' });
  });

  it('that was begun before accounts had drafts of their own is not lost, and is nobody else’s', () => {
    shelf.set('upwell.drafts', JSON.stringify({ 'session:new': 'ten hundreds' }));
    openFor(HEAD);
    expect(makeStore().getState().drafts).toEqual({ 'session:new': 'ten hundreds' });
    openFor(COACH);
    expect(makeStore().getState().drafts).toEqual({});
  });
});
