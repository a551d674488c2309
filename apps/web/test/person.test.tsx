import { act, cleanup, fireEvent, screen, waitFor } from '@testing-library/react-native';
import { PERSON_PARTS } from '@upwell/contract/person';
import { Text } from 'react-native';
import { openFor } from '@/offline/db';
import { keepOnDevice } from '@/offline/keeper';
import { keepPage, keptPage } from '@/offline/pages';
import { LooksScreen } from '@/swimmers/screens/LooksScreen';
import { PersonScreen } from '@/swimmers/screens/PersonScreen';
import { fakeServer, ID, ME, showAt, SWIMMER } from './fakeServer';

keepOnDevice();

let account = 800;
beforeEach(async () => {
  // The device's database is written before the screens are shown, which take the time over.
  jest.useRealTimers();
  openFor(`person-${account++}`);
});
afterEach(cleanup);

const ERASING = {
  goes: { ...Object.fromEntries(PERSON_PARTS.map((part) => [part, 0])), reviews: 9, results: 1270, looks: 3 },
  stays: { deckEvents: 31 },
  named: [
    { kind: 'session', title: 'With Ada Lindqvale 2026-12-01' },
    { kind: 'swimmer', title: 'Bram Hollowell' },
  ],
};
const look = (id: number, at: string) => ({
  ...{ id, at, by: 'Jory', swimmerId: ID, swimmer: 'Ada Lindqvale', what: `Records ${id}` },
});

function everything(answers: Parameters<typeof fakeServer>[0] = {}) {
  const calls = fakeServer({
    'GET /account/me': () => ({ body: { ...ME, role: 'head' } }),
    [`GET /swimmers/${ID}/erasing`]: () => ({ body: ERASING }),
    [`GET /swimmers/${ID}`]: () => ({ body: { ...SWIMMER, child: true } }),
    'GET /looks': () => ({ body: { items: [look(2, '2026-11-26T18:05:00Z')], next: null } }),
    ...answers,
  });
  const List = () => <Text>The list</Text>;
  showAt({ 'swimmers/[id]/person': PersonScreen, 'swimmers/index': List }, `/swimmers/${ID}/person`);
  return calls;
}

/** Holds the button for as long as it takes. */
async function hold(label: string): Promise<void> {
  const button = await screen.findByLabelText(label);
  act(() => {
    fireEvent(button, 'pressIn');
    jest.advanceTimersByTime(1100);
    fireEvent(button, 'pressOut');
  });
}

describe('what is kept about somebody', () => {
  it('is counted, with what would stay and where the name still stands', async () => {
    everything();
    expect(await screen.findByText('Stroke reviews')).toBeTruthy();
    expect(screen.getByText('1,270')).toBeTruthy();
    // Nothing is shown of what there is none of.
    expect(screen.queryByText('Swum tracks')).toBeNull();
    expect(screen.getByText(/and 1,282 entries that belong to it will be erased/)).toBeTruthy();
    expect(screen.getByText(/31 notes of runs on deck stay/)).toBeTruthy();
    expect(screen.getByText(/session With Ada Lindqvale 2026-12-01 · page of Bram Hollowell/)).toBeTruthy();
    expect(await screen.findByText('Records 2')).toBeTruthy();
  });

  it('is erased when the button was held, and forgotten by this device', async () => {
    await keepPage('/deck/today', { relooks: [{ swimmerName: 'Ada Lindqvale' }] });
    const calls = everything({ [`DELETE /swimmers/${ID}`]: () => ({ body: ERASING }) });
    await hold('Hold to erase Ada Lindqvale');
    expect(await screen.findByText('Gone for good')).toBeTruthy();
    expect(screen.getByText(/1,282 entries are gone/)).toBeTruthy();
    expect(calls.filter((c) => c.method === 'DELETE')).toHaveLength(1);
    await waitFor(async () => expect(await keptPage('/deck/today')).toBeUndefined());
    fireEvent.press(screen.getByText('To the swimmers'));
    expect(await screen.findByText('The list')).toBeTruthy();
  });

  it('stays when the button is only tapped, and when there is no network', async () => {
    await keepPage('/deck/today', { sessions: [] });
    const calls = everything({
      [`DELETE /swimmers/${ID}`]: () => {
        throw new TypeError('network down');
      },
    });
    fireEvent.press(await screen.findByLabelText('Hold to erase Ada Lindqvale'));
    expect(calls.filter((c) => c.method === 'DELETE')).toHaveLength(0);
    await hold('Hold to erase Ada Lindqvale');
    expect(await screen.findByText(/No connection to the server/)).toBeTruthy();
    await waitFor(async () => expect(await keptPage('/deck/today')).toBeDefined());
  });
});

describe('the log of looks', () => {
  it('is read day by day, and further back', async () => {
    const calls = fakeServer({
      'GET /account/me': () => ({ body: { ...ME, role: 'head' } }),
      'GET /looks?before=2': () => ({ body: { items: [look(1, '2026-11-25T18:05:00Z')], next: null } }),
      'GET /looks': () => ({
        body: { items: [look(3, '2026-11-26T18:05:00Z'), look(2, '2026-11-26T17:05:00Z')], next: 2 },
      }),
    });
    showAt({ 'swimmers/looks': LooksScreen }, '/swimmers/looks');
    expect(await screen.findByText('Ada Lindqvale · Records 3')).toBeTruthy();
    expect(screen.getAllByText('Jory')).toHaveLength(2);
    fireEvent.press(screen.getByText('Show older looks'));
    expect(await screen.findByText('Ada Lindqvale · Records 1')).toBeTruthy();
    expect(screen.queryByText('Show older looks')).toBeNull();
    // It is about people: nothing of it is kept on the device.
    await waitFor(async () => expect(await keptPage('/looks')).toBeUndefined());
    expect(calls.some((c) => c.path === '/looks?before=2')).toBe(true);
  });

  it('says so when nobody has looked', async () => {
    fakeServer({ 'GET /looks': () => ({ body: { items: [], next: null } }) });
    showAt({ 'swimmers/looks': LooksScreen }, '/swimmers/looks');
    expect(await screen.findByText('No coach has looked yet.')).toBeTruthy();
  });
});
