import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import { writeGpx } from '@upwell/core/exchange';
import { cleanTrack, DEMO_BAY, placeAt, simulatedTrack, swumSum } from '@upwell/core/water';
import type { ImportView } from '@upwell/contract/records';
import { openFor } from '@/offline/db';
import writeExcelFile from 'write-excel-file/universal';
import { pendingImport, type PendingImport } from '@/records/importResults';
import { ImportScreen } from '@/records/screens/ImportScreen';
import { chooseFile } from '@/ui/saveFile';
import { fakeServer, ID, ROW, showAt, type Call } from './fakeServer';

jest.mock('@/ui/saveFile', () => ({ chooseFile: jest.fn() }));
const chosen = jest.mocked(chooseFile);

const page = (items: readonly unknown[]) => ({ body: { items, next: null } });
const state = (done: ImportView | null) => ({ body: { done } });
const importId = (call: Call) => call.path.split('/')[2]!;
const viewOf = (id: string, more: Partial<ImportView> = {}): ImportView => ({
  id,
  name: 'wrist-lengths.csv',
  by: 'Jory',
  rows: 40,
  stored: 40,
  storedAt: '2026-11-26T18:00:00.000Z',
  undoneAt: null,
  removed: 0,
  ...more,
});
const KNOWN = { swimmerId: ID, name: 'Ada Lindqvale', on: '2026-11-25', distanceM: 25, timeS: 24.5 };
const lost = (): never => {
  throw new TypeError('network down');
};

let account = 900;
beforeEach(() => openFor(`import-${account++}`));

/** What the device remembers of an import that it has not heard of. */
async function pending(): Promise<PendingImport> {
  let found: PendingImport | null = null;
  await waitFor(async () => expect((found = (await pendingImport()) ?? null)).not.toBeNull());
  return found!;
}
const nothingPending = () => waitFor(async () => expect((await pendingImport()) ?? null).toBeNull());

/** The import page over a server that answers its questions in some way. */
function importPage(answers: Parameters<typeof fakeServer>[0]) {
  const calls = fakeServer({
    'GET /swimmers': () => page([ROW]),
    'GET /imports': () => ({ body: [] }),
    'PUT /imports/': () => ({ body: { rows: 40 } }),
    'DELETE /imports/': () => ({ body: { dropped: true } }),
    ...answers,
  });
  showAt({ 'swimmers/import': ImportScreen }, '/swimmers/import');
  return calls;
}

const checked = (known: number) => ({ body: { rows: 40, known, examples: known > 0 ? [KNOWN] : [] } });
/** Calls that end the address of an import with a word. */
const ending = (calls: readonly Call[], word: string) => calls.filter((c) => c.path.endsWith(`/${word}`));

/** Takes the lengths of the simulated device, says whose they are, and stores them. */
async function storeLengths(): Promise<void> {
  fireEvent.press(await screen.findByText('Lengths of the simulated wrist device'));
  fireEvent.changeText(await screen.findByLabelText('Find a swimmer'), 'ada');
  fireEvent.press(await screen.findByText('Ada Lindqvale'));
  fireEvent.press(await screen.findByText('Store 40 results'));
}

describe('an import whose answer is lost', () => {
  it('says that it is not known, asks with the same id, and stores once', async () => {
    let answered = false;
    let stored: string | null = null;
    const calls = importPage({
      'POST /imports/': (call) => {
        if (call.path.endsWith('/check')) return checked(0);
        stored ??= importId(call);
        return answered ? { body: viewOf(importId(call)) } : lost();
      },
    });
    await storeLengths();
    expect(await screen.findByText('Not sure yet whether it arrived')).toBeTruthy();
    expect(screen.queryByText(/Nothing was stored/)).toBeNull();
    // There is no second way in while it is not known.
    expect(screen.queryByText('Store 40 results')).toBeNull();
    expect(await pending()).toMatchObject({ id: stored });
    answered = true;
    expect(await screen.findByText('40 results are stored.')).toBeTruthy();
    const commits = ending(calls, 'commit');
    expect(commits.length).toBeGreaterThan(1);
    expect(new Set(commits.map(importId))).toEqual(new Set([stored]));
    await nothingPending();
  });

  it.each([
    ['500', 500],
    ['busy', 429],
    ['signed out on the way', 401],
  ])('is the same when the answer is %s', async (_name, status) => {
    importPage({
      'POST /imports/': (call) =>
        call.path.endsWith('/check') ? checked(0) : { status, body: { detail: 'Something else.' } },
    });
    await storeLengths();
    expect(await screen.findByText('Not sure yet whether it arrived')).toBeTruthy();
    // Left alone for now, it stays between this file and any other one, with the id it had.
    fireEvent.press(screen.getByText('Ask later'));
    expect(await screen.findByText('Not sure whether wrist-lengths.csv is stored')).toBeTruthy();
    expect(screen.queryByText('Store 40 results')).toBeNull();
    expect(await pending()).toMatchObject({ name: 'wrist-lengths.csv', rows: 40 });
  });

  it('is asked for on the next visit, and told', async () => {
    importPage({ 'POST /imports/': (call) => (call.path.endsWith('/check') ? checked(0) : lost()) });
    await storeLengths();
    await screen.findByText('Not sure yet whether it arrived');
    screen.unmount();
    const { id } = await pending();
    importPage({ [`GET /imports/${id}`]: () => state(viewOf(id, { stored: 38 })) });
    expect(await screen.findByText('38 results are stored. 2 were already here and left as they are.')).toBeTruthy();
    await nothingPending();
  });

  it('is stored on the next visit under the id it had, when it never arrived', async () => {
    importPage({ 'POST /imports/': (call) => (call.path.endsWith('/check') ? checked(0) : lost()) });
    await storeLengths();
    await screen.findByText('Not sure yet whether it arrived');
    screen.unmount();
    const { id } = await pending();
    const calls = importPage({
      [`GET /imports/${id}`]: () => state(null),
      [`POST /imports/${id}/commit`]: () => ({ body: viewOf(id) }),
    });
    fireEvent.press(await screen.findByText('Ask, and store it if it is not'));
    expect(await screen.findByText('40 results are stored.')).toBeTruthy();
    expect(ending(calls, 'commit')).toHaveLength(1);
    expect(calls.some((c) => c.method === 'PUT')).toBe(false);
  });

  it('may be let go, and then the server forgets what was sent', async () => {
    importPage({ 'POST /imports/': (call) => (call.path.endsWith('/check') ? checked(0) : lost()) });
    await storeLengths();
    await screen.findByText('Not sure yet whether it arrived');
    fireEvent.press(screen.getByText('Ask later'));
    fireEvent.press(await screen.findByText('Forget it'));
    expect(await screen.findByText('Store 40 results')).toBeTruthy();
    await nothingPending();
  });
});

describe('an import that is refused or never left', () => {
  it('says so, and nothing is pending', async () => {
    importPage({
      'POST /imports/': (call) =>
        call.path.endsWith('/check')
          ? checked(0)
          : { status: 403, body: { detail: 'These results are not yours to store.' } },
    });
    await storeLengths();
    expect(await screen.findByText('These results are not yours to store.')).toBeTruthy();
    await nothingPending();
    expect(screen.getByText('Store 40 results')).toBeTruthy();
  });

  it('stored nothing when the rows themselves did not arrive', async () => {
    const calls = importPage({ 'PUT /imports/': lost });
    await storeLengths();
    expect(await screen.findByText(/No answer from the server\. Nothing was stored/)).toBeTruthy();
    expect(ending(calls, 'commit')).toHaveLength(0);
  });
});

describe('rows that are here already', () => {
  const known = (answers: Parameters<typeof fakeServer>[0] = {}) =>
    importPage({
      'POST /imports/': (call) =>
        call.path.endsWith('/check')
          ? checked(3)
          : { body: viewOf(importId(call), { stored: call.body.skipKnown ? 37 : 40 }) },
      ...answers,
    });

  it('are shown before anything is stored, and left out when asked to', async () => {
    const calls = known();
    await storeLengths();
    expect(await screen.findByText('3 of 40 results are already here')).toBeTruthy();
    expect(screen.getByText(/^Ada Lindqvale, .*: 25 m in 24\.5/)).toBeTruthy();
    expect(screen.getByText('and 2 more')).toBeTruthy();
    expect(ending(calls, 'commit')).toHaveLength(0);
    fireEvent.press(screen.getByText('Store only the 37 results that are new'));
    expect(await screen.findByText('37 results are stored. 3 were already here and left as they are.')).toBeTruthy();
    expect(ending(calls, 'commit')[0]!.body).toMatchObject({ rows: 40, skipKnown: true });
  });

  it('are stored again only when the coach says so', async () => {
    const calls = known();
    await storeLengths();
    fireEvent.press(await screen.findByText('Store all 40 again'));
    expect(await screen.findByText('40 results are stored.')).toBeTruthy();
    expect(ending(calls, 'commit')[0]!.body).toMatchObject({ skipKnown: false });
  });

  it('end it when nothing is to be stored', async () => {
    const calls = known();
    await storeLengths();
    fireEvent.press(await screen.findByText('Store nothing'));
    expect(await screen.findByText('Nothing was stored.')).toBeTruthy();
    await waitFor(() => expect(calls.at(-1)!.method).toBe('DELETE'));
    expect(ending(calls, 'commit')).toHaveLength(0);
  });
});

describe('earlier imports', () => {
  it('are listed, and undone whole by holding', async () => {
    let undone = false;
    const calls = importPage({
      'GET /imports': () => ({
        body: [viewOf(ID, undone ? { undoneAt: '2026-11-26T19:00:00.000Z', removed: 39 } : { stored: 39 })],
      }),
      [`POST /imports/${ID}/undo`]: () => {
        undone = true;
        return { body: viewOf(ID, { undoneAt: '2026-11-26T19:00:00.000Z', removed: 39 }) };
      },
    });
    expect(await screen.findByText('39 results stored, 1 were already here')).toBeTruthy();
    const hold = screen.getByRole('button', { name: 'Hold to undo wrist-lengths.csv' });
    fireEvent(hold, 'pressIn');
    expect(await screen.findByText(/39 results taken back/)).toBeTruthy();
    expect(calls.some((c) => c.path === `/imports/${ID}/undo`)).toBe(true);
    expect(screen.queryByRole('button', { name: 'Hold to undo wrist-lengths.csv' })).toBeNull();
  });
});

describe('a file as it comes', () => {
  const WORN = { seed: 5, startMs: Date.UTC(2026, 5, 1, 9), speedMps: 1, strokeLengthM: 1 };
  const OUTING = {
    ...{ biasRad: 0, sdRad: 0.03, lookEvery: 12, receiverSdM: 1.2, dropOuts: 0, silentS: 0 },
    ...{ currentMps: 0, currentToDeg: 0 },
  };
  const straight = (metres: number) => {
    const finish = placeAt(DEMO_BAY, 0, metres);
    return simulatedTrack(WORN, OUTING, { start: DEMO_BAY, marks: [], finish, laps: 1, areas: [], landmarks: [] });
  };
  const choose = async (name: string, bytes: Uint8Array) => {
    chosen.mockResolvedValueOnce({
      name,
      size: bytes.length,
      arrayBuffer: () => Promise.resolve(bytes.slice().buffer),
    } as unknown as File);
    fireEvent.press(await screen.findByText('Choose a file'));
  };

  it('with two tracks is asked about, and stored with the metres of a track under Water', async () => {
    const calls = importPage({
      'POST /imports/': (call) => (call.path.endsWith('/check') ? checked(0) : { body: viewOf(importId(call)) }),
    });
    const tracks = [straight(200), straight(750)];
    const [warmUp, swim] = tracks.map((points) => /<trk>[^]*<\/trk>/.exec(writeGpx('Swim', points))![0]);
    await choose('two.gpx', new TextEncoder().encode(`<gpx version="1.1">${warmUp}${swim}</gpx>`));
    fireEvent.press(await screen.findByText(/^Swim: Mon 1 Jun, 7\d\d m in/));
    fireEvent.press(await screen.findByText('Ada Lindqvale'));
    fireEvent.press(await screen.findByText('Store 1 result'));
    await waitFor(() => expect(calls.some((c) => c.method === 'PUT')).toBe(true));
    const [row] = calls.find((c) => c.method === 'PUT')!.body.rows;
    expect(row).toMatchObject({ swimmerId: ID, on: '2026-06-01', kind: 'track' });
    expect(row.distanceM).toBe(Math.round(swumSum(cleanTrack(tracks[1]!)).distanceM));
    expect(Math.abs(row.distanceM - 750)).toBeLessThan(25);
  });

  it('that nobody swam is refused with the reason', async () => {
    importPage({});
    const ride = straight(750).map((p, i) => ({ ...p, timeMs: WORN.startMs + i * 300 }));
    await choose('ride.gpx', new TextEncoder().encode(writeGpx('Ride', ride)));
    await screen.findByText(/faster than anybody swims: was this ridden or run\?$/);
    expect(screen.queryByText(/^Store/)).toBeNull();
  });

  it('with a title, semicolons and commas is read, and its columns are shown', async () => {
    importPage({});
    const text =
      'Vereinsmeisterschaft\nName;Vorname;Datum;Strecke;Zeit;Züge\nLindqvale;Ada;19. Okt. 2026;1.500;25:10,5;19\n';
    await choose('liste.csv', new TextEncoder().encode(text));
    await screen.findByText('All 1 rows can be read.');
    expect(screen.getByText(/^Züge: 19/)).toBeTruthy();
    expect(await screen.findByText('Store 1 result')).toBeTruthy();
  });
});

describe('a workbook', () => {
  const file = async (...sheets: { sheet: string; data: unknown[][] }[]) => {
    const blob = await writeExcelFile(sheets as never).toBlob();
    const bytes = await blob.arrayBuffer();
    return { name: 'Herbst.xlsx', size: bytes.byteLength, arrayBuffer: async () => bytes } as unknown as File;
  };

  it('is read sheet and language named, and stored like a list', async () => {
    const calls = importPage({
      'POST /imports/': (call) => (call.path.endsWith('/check') ? checked(0) : { body: viewOf(importId(call)) }),
    });
    chosen.mockResolvedValueOnce(
      await file(
        {
          sheet: 'Herbst',
          data: [
            ['Name', 'Datum', 'Strecke', 'Zeit'],
            ['Ada Lindqvale', '19. Okt. 2026', '400', '5:52,3'],
          ],
        },
        { sheet: 'Notizen', data: [['a'], ['b']] },
      ),
    );
    fireEvent.press(await screen.findByText('Choose a file'));
    expect(await screen.findByText('Sheet “Herbst” is read. Not read: Notizen.')).toBeTruthy();
    expect(await screen.findByText(/^Read as German, with decimals like/)).toBeTruthy();
    fireEvent.press(await screen.findByText('Store 1 result'));
    await waitFor(() => expect(ending(calls, 'commit')).toHaveLength(1));
    const [chunk] = calls.filter((c) => c.method === 'PUT' && c.path.startsWith('/imports/'));
    expect(chunk!.body).toEqual({
      rows: [expect.objectContaining({ swimmerId: ID, on: '2026-10-19', distanceM: 400, timeS: 352.3 })],
    });
  });

  it('that is none is refused in a sentence, and nothing is left of it', async () => {
    importPage({});
    const old = new Uint8Array([0xd0, 0xcf, 0x11, 0xe0, 1, 2]);
    chosen.mockResolvedValueOnce({ name: 'old.xls', size: 6, arrayBuffer: async () => old.buffer } as unknown as File);
    fireEvent.press(await screen.findByText('Choose a file'));
    expect(await screen.findByText(/older Excel file/)).toBeTruthy();
    expect(screen.queryByText(/^Store /)).toBeNull();
  });
});
