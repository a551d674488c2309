import { fireEvent, screen, waitFor, within } from '@testing-library/react-native';
import type { ClubRulesView } from '@upwell/contract/club';
import type { RecordsView } from '@upwell/contract/records';
import { dayIn, deviceZone } from '@upwell/core/days';
import { WATER_RULES } from '@upwell/core/safety';
import { StandardsCard } from '@/account/StandardsCard';
import { openFor } from '@/offline/db';
import { piecesOf } from '@/records/importResults';
import { Bests } from '@/records/parts/Bests';
import { OnDeck } from '@/records/parts/OnDeck';
import { Swims } from '@/records/parts/Swims';
import { MeetScreen } from '@/records/screens/MeetScreen';
import { fakeServer, ID, ROW, showAt, type Call } from './fakeServer';
import { show } from './show';

const SHORT = { length: 25, unit: 'm' } as const;
const SQUAD = '01890000-0000-7000-8000-0000000000d1';
const OTHER = '01890000-0000-7000-8000-0000000000d2';
const RESULT_ID = '01890000-0000-7000-8000-0000000000';
const TODAY = dayIn(deviceZone(), Date.now());
const RULES: ClubRulesView = {
  ...{ name: 'Quay', timeZone: 'UTC', units: 'm', kit: [], laneCapacity: null, paceTable: [], water: WATER_RULES },
  standards: [{ name: 'Racing lane', distanceM: 400, pool: SHORT, timeS: 345 }],
  version: 3,
};
const write = (label: string, text: string) => fireEvent.changeText(screen.getByLabelText(label), text);

let account = 700;
beforeEach(() => openFor(`meet-${account++}`));

function meetPage(answers: Parameters<typeof fakeServer>[0] = {}) {
  const calls = fakeServer({
    'GET /squads': () => ({
      body: [{ id: SQUAD, version: 1, name: 'First', swimmers: 2, poolTimes: [], archived: false, coachIds: [] }],
    }),
    'GET /swimmers': () => ({
      body: { items: [ROW, { ...ROW, id: OTHER, givenName: 'Bo', familyName: 'Vale' }], next: null },
    }),
    'GET /account/club': () => ({ body: RULES }),
    'GET /results': () => ({
      body: {
        items: [
          {
            ...{ id: OTHER, swimmerId: ID, name: '', on: '2026-10-01', distanceM: 400, timeS: 350 },
            ...{ strokesPerLength: null, kind: 'trial', details: { pool: SHORT } },
          },
        ],
        total: 1,
      },
    }),
    'GET /imports': () => ({ body: [] }),
    'PUT /imports/': () => ({ body: { kept: 2 } }),
    'POST /imports/': (call: Call) =>
      call.path.endsWith('/check')
        ? { body: { rows: 2, known: 0, examples: [] } }
        : {
            body: {
              ...{ id: call.path.split('/')[2], name: 'Lantern Cup', by: null, rows: 2, stored: 2 },
              ...{ storedAt: `${TODAY}T10:00:00.000Z`, undoneAt: null, removed: 0 },
            },
          },
    ...answers,
  });
  showAt({ 'swimmers/meet': MeetScreen }, '/swimmers/meet');
  return calls;
}

describe('a meet', () => {
  it('is written in one go: worth is said at once, and all of it is stored as one import', async () => {
    const calls = meetPage();
    await screen.findByLabelText('Time of Ada Lindqvale');
    write('Name of the meet', 'Lantern Cup');
    fireEvent.press(screen.getByText('400'));
    write('Time of Ada Lindqvale', '5:44');
    write('Splits of Ada Lindqvale', '1:24 1:27 1:27 1:26');
    expect(
      await screen.findByText(
        'a best by 6.0 s · Racing lane reached · by 100 m: 1:24.0, 1:27.0, 1:27.0, 1:26.0; second half 2.0 s slower',
      ),
    ).toBeTruthy();
    // Another distance; what was written before stays.
    fireEvent.press(screen.getByText('100'));
    expect(screen.getByLabelText('Time of Ada Lindqvale').props.value).toBe('');
    write('Time of Bo Vale', '1:16,5');
    expect(screen.getByText('Also written: 1 time over 400 m.')).toBeTruthy();
    fireEvent.press(screen.getByText('Store 2 results'));
    expect(await screen.findByText('2 results are stored.')).toBeTruthy();
    const rows = (calls.find((c) => c.method === 'PUT')!.body as { rows: object[] }).rows;
    const at = { on: TODAY, strokesPerLength: null, kind: 'trial' };
    expect(rows).toEqual([
      {
        ...{ ...at, swimmerId: ID, distanceM: 400, timeS: 344 },
        details: { pool: SHORT, splitsS: [84, 171, 258], meet: 'Lantern Cup' },
      },
      {
        ...{ ...at, swimmerId: OTHER, distanceM: 100, timeS: 76.5 },
        details: { pool: SHORT, meet: 'Lantern Cup' },
      },
    ]);
    expect(calls.find((c) => c.path.endsWith('/commit'))!.body).toMatchObject({ rows: 2, name: 'Lantern Cup' });
    // Written once: nothing is left to store again.
    await waitFor(() => expect(screen.getByText('Store 0 results')).toBeTruthy());
  });

  it('stores nothing while one of its times is wrong', async () => {
    const calls = meetPage();
    await screen.findByLabelText('Time of Bo Vale');
    write('Time of Bo Vale', '1:16');
    expect(await screen.findByText('the first here')).toBeTruthy();
    write('Time of Ada Lindqvale', 'soon');
    expect(screen.getByText('A time like 5:52.3, please.')).toBeTruthy();
    fireEvent.press(screen.getByText('1 swim to put right first'));
    expect(calls.some((c) => c.method === 'PUT')).toBe(false);
    write('Time of Ada Lindqvale', '');
    expect(screen.getByText('Store 1 result')).toBeTruthy();
  });

  it('keeps what was written when the server refuses it', async () => {
    meetPage({ 'PUT /imports/': () => ({ status: 422, body: { detail: 'Not one of yours.' } }) });
    await screen.findByLabelText('Time of Bo Vale');
    write('Time of Bo Vale', '1:16');
    fireEvent.press(screen.getByText('Store 1 result'));
    expect(await screen.findByText('Not one of yours.')).toBeTruthy();
    expect(screen.getByLabelText('Time of Bo Vale').props.value).toBe('1:16');
  });

  it('calls nothing the first or a best while not all swims are known', async () => {
    meetPage({ 'GET /results': () => ({ body: { items: [], total: 300 } }) });
    await screen.findByLabelText('Time of Bo Vale');
    write('Time of Bo Vale', '1:16');
    write('Splits of Bo Vale', '37');
    expect(await screen.findByText('by 50 m: 37.0, 39.0; second half 2.0 s slower')).toBeTruthy();
    expect(screen.queryByText(/the first here|a best|reached/)).toBeNull();
  });

  it('is in yards where the pool is', async () => {
    const calls = meetPage();
    await screen.findByLabelText('Time of Bo Vale');
    fireEvent.press(screen.getByText('25 yd'));
    write('Time of Bo Vale', '1:10');
    fireEvent.press(screen.getByText('Store 1 result'));
    await screen.findByText('2 results are stored.');
    const [row] = (calls.find((c) => c.method === 'PUT')!.body as { rows: object[] }).rows;
    expect(row).toMatchObject({ distanceM: 91.44, details: { pool: { length: 25, unit: 'yd' } } });
  });
});

describe('standards of the club', () => {
  it('are added and taken out, and put back', async () => {
    let stored = RULES;
    const calls = fakeServer({
      'GET /account/club': () => ({ body: stored }),
      'PUT /account/club': ({ body }) => {
        stored = { ...(body as ClubRulesView), version: stored.version + 1 };
        return { body: stored };
      },
    });
    show(<StandardsCard />);
    await screen.findByText('400 m in a pool of 25 m');
    fireEvent.press(screen.getByText('Add the standard'));
    expect(screen.getByText('A name, like “Race squad”, please.')).toBeTruthy();
    write('Name of the standard', 'Long day');
    write('Metres', 'far');
    fireEvent.press(screen.getByText('Add the standard'));
    expect(screen.getByText('The distance as a number, please.')).toBeTruthy();
    write('Metres', '1500');
    fireEvent.press(screen.getByText('Add the standard'));
    expect(screen.getByText('A time like 5:45, please.')).toBeTruthy();
    write('Time', '24:00');
    fireEvent.press(screen.getByText('50 m'));
    fireEvent.press(screen.getByText('Add the standard'));
    const added = { name: 'Long day', distanceM: 1500, pool: { length: 50, unit: 'm' }, timeS: 1440 };
    await waitFor(() => expect(stored.standards).toEqual([RULES.standards[0], added]));
    fireEvent.press(screen.getByLabelText('Take out Racing lane, 400 m in a pool of 25 m in 5:45.0'));
    await waitFor(() => expect(stored.standards).toEqual([added]));
    fireEvent.press(screen.getByText('Undo'));
    await waitFor(() => expect(stored.standards).toEqual([RULES.standards[0], added]));
    // Every save was of the version before it.
    expect(calls.filter((c) => c.method === 'PUT').map((c) => (c.body as ClubRulesView).version)).toEqual([3, 4, 5]);
  });
});

describe('bests and swims with their pool', () => {
  const RESULT = '01890000-0000-7000-8000-0000000000a1';
  const swim = (id: number, on: string, timeS: number, details: object) => ({
    ...{ id: RESULT.slice(0, -1) + id, on, distanceM: 400, timeS, strokesPerLength: null, kind: 'trial' as const },
    details,
  });
  const records: RecordsView = {
    results: [
      swim(1, `${TODAY.slice(0, 4)}-01-10`, 350, { pool: SHORT, splitsS: [170], meet: 'Lantern Cup' }),
      swim(2, `${TODAY.slice(0, 4)}-01-12`, 355, { pool: { length: 50, unit: 'm' } }),
      swim(3, `${TODAY.slice(0, 4)}-01-14`, 349, {}),
    ],
    standards: [...RULES.standards, { name: 'Easy', distanceM: 400, pool: null, timeS: 360 }],
    ...{ tests: [], reps: [], signs: [], attended: [] },
  };

  it('stand apart by length of pool, and beside the standards', async () => {
    show(<Bests records={records} />);
    for (const title of ['400 m, 25 m pool', '400 m, 50 m pool', '400 m']) expect(screen.getByText(title)).toBeTruthy();
    expect(screen.getByText(/^Lantern Cup · 1 swim$/)).toBeTruthy();
    expect(screen.getByText('by 200 m: 2:50.0, 3:00.0; second half 10.0 s slower')).toBeTruthy();
    expect(screen.getByText(/^400 m: reached: 5:49\.0 on /)).toBeTruthy();
    expect(screen.getByText(/^400 m in a pool of 25 m: 5\.0 s to go: 5:50\.0 on /)).toBeTruthy();
  });

  it('are corrected with their splits, pool and meet', async () => {
    const calls = fakeServer({
      'PUT /results/': ({ body }) => ({ body: { id: RESULT, name: '', ...(body as object) } }),
    });
    show(<Swims records={records} swimmerId={ID} coach />);
    fireEvent.press(screen.getAllByLabelText(/^Correct 400 m all-out/)[2]!);
    const editor = within(screen.getByLabelText('Correct this result'));
    expect(editor.getByLabelText('Splits').props.value).toBe('2:50.00');
    fireEvent.changeText(editor.getByLabelText('Splits'), '3:00 2:00');
    fireEvent.press(editor.getByText('Save it'));
    await screen.findByText('Splits are the clock on the way: each is later than the one before.');
    expect(calls).toEqual([]);
    fireEvent.changeText(editor.getByLabelText('Splits'), '1:25 2:54 4:23');
    fireEvent.press(editor.getByText('not known'));
    fireEvent.changeText(editor.getByLabelText('Meet'), '');
    fireEvent.press(editor.getByText('Save it'));
    await screen.findByText(/is corrected\.$/);
    expect(calls[0]!.body).toMatchObject({
      details: { splitsS: [85, 174, 263] },
      was: { details: { pool: SHORT, splitsS: [170], meet: 'Lantern Cup' } },
    });
    expect(Object.keys((calls[0]!.body as { details: object }).details)).toEqual(['splitsS']);
  });
});

it('results go in pieces that a server takes, however many splits they have', () => {
  const row = (splits: number) => ({
    ...{ swimmerId: ID, on: TODAY, distanceM: 1500, timeS: 1500, strokesPerLength: null, kind: 'trial' as const },
    details: { splitsS: Array.from({ length: splits }, (_, i) => 25.01 * (i + 1)) },
  });
  expect(piecesOf([])).toEqual([]);
  for (const [rows, splits] of [
    [4500, 0],
    [4500, 59],
    [3, 120],
  ] as const) {
    const all = Array.from({ length: rows }, () => row(splits));
    const pieces = piecesOf(all);
    expect(pieces.flat()).toEqual(all);
    for (const piece of pieces) {
      expect(piece.length).toBeLessThanOrEqual(2000);
      // 512 kB are taken by the server.
      expect(JSON.stringify({ rows: piece }).length).toBeLessThan(512 * 1024);
    }
  }
});

describe('attendance', () => {
  const empty: RecordsView = { results: [], tests: [], reps: [], signs: [], attended: [] };
  const came = (daysAgo: number, as: 'in' | 'out' | 'absent') => ({
    ...{ sessionId: `${RESULT_ID}${daysAgo}`, title: `Session ${daysAgo}`, as },
    on: new Date(Date.parse(TODAY) - daysAgo * 86_400_000).toISOString().slice(0, 10),
  });

  it('is counted over twelve months, and a gap is worth a question', async () => {
    show(
      <OnDeck
        records={{ ...empty, attended: [came(2, 'absent'), came(9, 'absent'), came(16, 'absent'), came(60, 'in')] }}
      />,
    );
    expect(screen.getByText('There at 1 of 4 sessions in twelve months')).toBeTruthy();
    expect(screen.getByText('Not there at the last 3 sessions: worth a friendly question.')).toBeTruthy();
    expect(await screen.findByLabelText(/^There by month: /)).toBeTruthy();
  });

  it('asks nothing after two', () => {
    show(<OnDeck records={{ ...empty, attended: [came(2, 'absent'), came(9, 'absent'), came(16, 'in')] }} />);
    expect(screen.queryByText(/friendly question/)).toBeNull();
  });
});
