import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react-native';
import { weekOf } from '@upwell/core/days';
import { openFor } from '@/offline/db';
import { SquadTestScreen } from '@/swimtests/screens/SquadTestScreen';
import {
  newSquadTest,
  readyPeople,
  withEarlier,
  withStored,
  withTime,
  withWatch,
  withWatchBack,
} from '@/swimtests/squadDraft';
import { fakeServer, ID, ME, showAt, SQUAD } from './fakeServer';

const OTHER = ID.replace(/.$/, (last) => (last === '9' ? '8' : '9'));
const DUE = [
  { swimmerId: ID, name: 'Ada Lindqvale', squadId: SQUAD.id, monday: weekOf('2026-11-24') },
  { swimmerId: OTHER, name: 'Bo Vale', squadId: SQUAD.id, monday: weekOf('2026-11-24') },
];

let account = 700;
beforeEach(() => openFor(`squad-test-${account++}`));
afterEach(cleanup);

function page(
  answer: (path: string) => { status?: number; body: object },
  query = `?squad=${SQUAD.id}`,
  tests = DUE,
  squads: () => { status?: number; body: object } = () => ({ body: [SQUAD] }),
) {
  const calls = fakeServer({
    'GET /account/me': () => ({ body: ME }),
    'GET /squads': squads,
    'GET /deck/today': () => ({
      body: { date: '2026-11-24', sessions: [], relooks: [], tests, ready: [], loads: [] },
    }),
    'PUT /tests/': ({ path }) => answer(path),
  });
  showAt({ 'deck/tests': SquadTestScreen }, `/deck/tests${query}`);
  return calls;
}
const stored = { body: { id: ID, version: 1, outcome: { value: 1, error: null, words: '', method: '' } } };
const write = (label: string, time: string) => fireEvent.changeText(screen.getByLabelText(label), time);

describe('a test of a whole squad', () => {
  it('asks which one, where the address does not say', async () => {
    page(() => stored, '');
    fireEvent.press(await screen.findByText(`Test ${SQUAD.name}`));
    expect(await screen.findByLabelText('400 m of Ada Lindqvale')).toBeTruthy();
  });

  it('says why there are no squads to ask for, and asks again', async () => {
    let away = true;
    page(
      () => stored,
      '',
      DUE,
      () => (away ? { status: 500, body: {} } : { body: [SQUAD] }),
    );
    const again = await screen.findByText('Try again');
    away = false;
    fireEvent.press(again);
    expect(await screen.findByText(`Test ${SQUAD.name}`)).toBeTruthy();
  });

  it('says when nobody is due', async () => {
    page(() => stored, '', []);
    expect(await screen.findByText('Nobody is due')).toBeTruthy();
  });

  it('is stored for everybody at once, each once', async () => {
    const calls = page(() => stored);
    await screen.findByLabelText('400 m of Ada Lindqvale');
    write('400 m of Ada Lindqvale', '5:52');
    expect(screen.getByText('Store 0 tests')).toBeTruthy();
    write('200 m of Ada Lindqvale', '2:45');
    write('400 m of Bo Vale', '6:40');
    write('200 m of Bo Vale', '3:05');
    fireEvent.press(await screen.findByText('Store 2 tests'));
    expect(await screen.findByText('All stored: back to the deck')).toBeTruthy();
    const puts = calls.filter((c) => c.method === 'PUT');
    expect(puts.map((c) => (c.body as { swimmerId: string }).swimmerId)).toEqual([ID, OTHER]);
    expect(new Set(puts.map((c) => c.path)).size).toBe(2);
    expect(puts[0]!.body).toMatchObject({
      input: {
        kind: 'critical-speed',
        trials: [
          { distanceM: 400, timeS: 352 },
          { distanceM: 200, timeS: 165 },
        ],
      },
    });
  });

  it('says which times cannot be, and stores the others', async () => {
    const calls = page(() => stored);
    await screen.findByLabelText('400 m of Ada Lindqvale');
    write('400 m of Ada Lindqvale', 'six');
    expect(await screen.findByText('“six” is not a time.')).toBeTruthy();
    write('400 m of Bo Vale', '6:40');
    write('200 m of Bo Vale', '3:05');
    fireEvent.press(await screen.findByText('Store 1 test'));
    await waitFor(() => expect(calls.filter((c) => c.method === 'PUT')).toHaveLength(1));
    expect(screen.queryByText('All stored: back to the deck')).toBeNull();
  });

  it('sends again with the same ids what was not stored', async () => {
    let fails = true;
    const calls = page(() => (fails ? { status: 422, body: { status: 422, detail: 'Not now.' } } : stored));
    await screen.findByLabelText('400 m of Ada Lindqvale');
    write('400 m of Ada Lindqvale', '5:52');
    write('200 m of Ada Lindqvale', '2:45');
    fireEvent.press(await screen.findByText('Store 1 test'));
    expect(await screen.findByText(/Not now/)).toBeTruthy();
    fails = false;
    fireEvent.press(await screen.findByText('Store 1 test'));
    expect(await screen.findByText('1 test stored.')).toBeTruthy();
    const puts = calls.filter((c) => c.method === 'PUT');
    expect(new Set(puts.map((c) => c.path)).size).toBe(1);
    expect(new Set(puts.map((c) => (c.body as { writeId: string }).writeId)).size).toBe(1);
  });
});

it('one that is refused keeps nobody else from being stored, and times come back after beginning again', async () => {
  let first = true;
  const calls = page(() => {
    const answer = first ? { status: 422, body: { status: 422, detail: 'Not now.' } } : stored;
    first = false;
    return answer;
  });
  await screen.findByLabelText('400 m of Ada Lindqvale');
  write('400 m of Ada Lindqvale', '5:52');
  write('200 m of Ada Lindqvale', '2:45');
  write('400 m of Bo Vale', '6:40');
  write('200 m of Bo Vale', '3:05');
  fireEvent.press(await screen.findByText('Store 2 tests'));
  expect(await screen.findByText(/^Ada Lindqvale: .*Not now/)).toBeTruthy();
  expect(await screen.findByText('1 test stored.')).toBeTruthy();
  expect(calls.filter((c) => c.method === 'PUT')).toHaveLength(2);
  fireEvent.press(screen.getByText('Begin again with those who are due'));
  expect(screen.queryByDisplayValue('5:52')).toBeNull();
  fireEvent.press(await screen.findByText('Undo'));
  expect(await screen.findByDisplayValue('5:52')).toBeTruthy();
});

it('a watch that was ended by mistake goes on from its start', () => {
  const running = withWatch(newSquadTest('2026-11-24', DUE), 400, 5000);
  const ended = withWatch(running, 200, 90_000);
  expect([ended.running, ended.ended]).toEqual([null, { metres: 400, startMs: 5000 }]);
  expect(withWatchBack(ended)).toEqual(running);
  // Another start is another watch.
  expect(withWatch(ended, 200, 95_000)).toMatchObject({ running: { metres: 200, startMs: 95_000 }, ended: null });
});

it('the draft keeps the order of leaving, and what is stored', () => {
  const draft = newSquadTest('2026-11-24', DUE);
  expect(withEarlier(draft, ID)).toBe(draft);
  expect(withEarlier(draft, OTHER).people.map((p) => p.name)).toEqual(['Bo Vale', 'Ada Lindqvale']);
  const timed = withTime(withTime(draft, ID, 400, '5:52'), ID, 200, '2:45');
  expect(readyPeople(timed).map((p) => p.swimmerId)).toEqual([ID]);
  expect(readyPeople(withStored(timed, ID))).toEqual([]);
  // A time that was changed is another test to send.
  expect(timed.people[0]!.writeId).not.toBe(draft.people[0]!.writeId);
  expect(timed.people[0]!.id).toBe(draft.people[0]!.id);
});
