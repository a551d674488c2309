import { cleanup } from '@testing-library/react-native';
import { api } from '@/api/api';
import { makeStore } from '@/frame/store';

const made: ReturnType<typeof makeStore>[] = [];

/** A store whose kept answers are forgotten with the tests of the file: their timers would outlive it by a minute. */
export function testStore(): ReturnType<typeof makeStore> {
  const store = makeStore();
  made.push(store);
  return store;
}

afterAll(() => {
  cleanup();
  for (const store of made) store.dispatch(api.util.resetApiState());
});
