import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react-native';
import type { Squad } from '@upwell/contract/swimmers';
import { openFor } from '@/offline/db';
import { TestScreen } from '@/swimtests/screens/TestScreen';
import { fakeServer, ID, ME, showAt, SQUAD, SWIMMER } from './fakeServer';

let account = 600;
beforeEach(async () => {
  // The device's database is written before the screens are shown, which take the time over.
  jest.useRealTimers();
  openFor(`swimtests-${account++}`);
});
afterEach(cleanup);

type Pools = Squad['poolTimes'][number]['pool'];

/** The page of a test for somebody whose squad swims in some pools. */
function testPage(kind: string, pools: readonly Pools[]) {
  const poolTimes = pools.map((pool) => ({ weekday: 1, startTime: '19:00', minutes: 60, pool, lanes: 4 }));
  const calls = fakeServer({
    'GET /account/me': () => ({ body: ME }),
    'GET /squads': () => ({ body: [{ ...SQUAD, poolTimes }] }),
    [`GET /swimmers/${ID}/records`]: () => ({ body: { results: [], tests: [], reps: [], signs: [], attended: [] } }),
    [`GET /swimmers/${ID}`]: () => ({ body: SWIMMER }),
    'PUT /tests/': ({ body }) => ({
      body: { ...body, id: ID, outcome: { value: 1, error: null, words: '', method: '' } },
    }),
  });
  showAt({ 'swimmers/[id]/test': TestScreen }, `/swimmers/${ID}/test?kind=${kind}`);
  return calls;
}

const inputOf = (calls: readonly { method: string; body: { input: unknown } }[]) =>
  calls.find((c) => c.method === 'PUT')?.body.input;

/** Enters reps of a ramp as times in seconds. */
async function ramp(label: RegExp, times: readonly string[]): Promise<void> {
  for (const time of times) {
    fireEvent.changeText(await screen.findByLabelText(label), time);
    fireEvent.press(screen.getByText('Add'));
  }
}
const TIMES = ['48', '46', '45', '44.5', '44.6'];

describe('a test whose speed hangs on the pool', () => {
  it('takes the pool that the squad swims in', async () => {
    const calls = testPage('rate-ramp', [{ length: 50, unit: 'm' }]);
    await ramp(/Or the time of 1 length,/, TIMES);
    fireEvent.press(await screen.findByText('Save this test'));
    await waitFor(() => expect(inputOf(calls)).toMatchObject({ lengthM: 50, repM: 50 }));
  });

  it('asks when it is not known, and takes nothing before', async () => {
    const calls = testPage('rate-ramp', []);
    expect(await screen.findByText(/Choose the pool first/)).toBeTruthy();
    expect(screen.queryByText('Add')).toBeNull();
    fireEvent.press(screen.getByText('25 yd'));
    await ramp(/Or the time of 2 lengths/, TIMES);
    expect(screen.queryByText(/Choose the pool first/)).toBeNull();
    fireEvent.press(await screen.findByText('Save this test'));
    await waitFor(() =>
      expect(inputOf(calls)).toMatchObject({ lengthM: expect.closeTo(22.86, 9), repM: expect.closeTo(45.72, 9) }),
    );
  });

  it('asks when the squad swims in two', async () => {
    testPage('clean-length', [
      { length: 25, unit: 'm' },
      { length: 50, unit: 'm' },
    ]);
    expect(await screen.findByText(/Choose the pool first/)).toBeTruthy();
    expect(screen.queryByText('Push-off')).toBeNull();
    fireEvent.press(screen.getByText('50 m'));
    expect(await screen.findByText('Push-off')).toBeTruthy();
  });

  it('is corrected for all that was taken when the pool was wrong, also for one of its own', async () => {
    const calls = testPage('rate-ramp', [{ length: 25, unit: 'm' }]);
    await ramp(/Or the time of 2 lengths/, TIMES);
    fireEvent.press(screen.getByText('Other'));
    const own = await screen.findByLabelText('Metres of one length');
    // Not a pool: nothing changes.
    fireEvent.changeText(own, '3');
    fireEvent.changeText(own, '33,3');
    fireEvent.press(await screen.findByText('Save this test'));
    await waitFor(() => expect(inputOf(calls)).toMatchObject({ lengthM: 33.3, repM: 66.6 }));
  });

  it('is not asked for where no speed hangs on it', async () => {
    testPage('glide', []);
    expect(await screen.findByLabelText('Metres from the wall to the hips')).toBeTruthy();
    expect(screen.queryByText(/Choose the pool first/)).toBeNull();
  });
});
