import type { RosterView } from '@upwell/contract/roster';
import { readRoster } from '@upwell/core/exchange';
import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import { TextDecoder as BrowserDecoder } from 'node:util';
import { Text } from 'react-native';
import { RosterScreen } from '@/roster/screens/RosterScreen';
import { readTextFile } from '@/ui/readTextFile';
import { fakeServer, ME, showAt, SQUAD, type Call } from './fakeServer';

const LIST =
  'First name,Last name,Born,Squad,100\nŁukasz,Dvořák,2012,Juniors,1:12.4\nZoë,Šahin,1812,,\n,Halloran,,,\nBram,Halloran,1984,Seniors,';

/** Looks at a list as the server does, with one person of it here already. */
const lookAt = ({ body }: Call) => {
  const read = readRoster(body.text, body.mapping, 2026);
  const lines = read.lines.map((l): RosterView => {
    const squad = l.squad || body.squad;
    return {
      ...l,
      squad,
      newSquad: squad === 'Juniors',
      level: l.level ?? body.level,
      levelOfAll: l.level === null,
      existing: l.given === 'Bram' ? { id: 'b', name: 'Bram Halloran', squad: 'Seniors' } : null,
    };
  });
  return { body: { ...read, id: body.id, rows: lines, newSquads: ['Juniors'] } };
};
const done = {
  id: 'r1',
  name: 'Pasted list',
  by: 'Ines Moll',
  swimmers: 2,
  squads: 1,
  storedAt: '2026-11-27T10:00:00Z',
  undoneAt: null,
  removed: 0,
};

const show = (answers: Parameters<typeof fakeServer>[0] = {}) => {
  const calls = fakeServer({
    'GET /account/me': () => ({ body: { ...ME, role: 'head' } }),
    'GET /squads': () => ({ body: [SQUAD] }),
    'GET /roster': () => ({ body: [] }),
    'POST /roster/preview': lookAt,
    'POST /roster/commit': () => ({ body: { ...done, addresses: [], mail: false } }),
    ...answers,
  });
  showAt({ 'swimmers/roster': RosterScreen, 'account/people': () => <Text>People</Text> }, '/swimmers/roster');
  return calls;
};
const paste = async (text: string) => {
  fireEvent.changeText(await screen.findByLabelText('Or paste it here'), text);
  fireEvent.press(screen.getByText('Check the list'));
};
const bodies = (calls: Call[], end: string) => calls.filter((c) => c.path.endsWith(end)).map((c) => c.body);

describe('a list of swimmers', () => {
  it('says what each line brings, what stands against it, and brings the others in', async () => {
    const calls = show();
    await paste(LIST);
    expect(await screen.findByText('1 line cannot be imported')).toBeTruthy();
    expect(screen.getByText('1 line waits for a squad')).toBeTruthy();
    expect(screen.getByText('A new squad: Juniors')).toBeTruthy();
    expect(screen.getByLabelText('Łukasz Dvořák · born 2012 · Juniors (new) · Settle · 100 m 1:12.4')).toBeTruthy();
    expect(screen.getByText('Line 4: “Halloran”: a given and a family name are needed.')).toBeTruthy();
    expect(screen.getByText('1 looks like someone already here')).toBeTruthy();
    expect(screen.getByText('Line 5: Bram Halloran is already here, in Seniors.')).toBeTruthy();
    // A squad for those without one.
    fireEvent.press(screen.getByText(SQUAD.name));
    await waitFor(() => expect(screen.queryByText('1 line waits for a squad')).toBeNull());
    expect(screen.getByText(/“1812” is not a year of birth: the age stays unknown/)).toBeTruthy();
    fireEvent.press(screen.getByText('Import 2 swimmers'));
    expect(await screen.findByText('2 swimmers added')).toBeTruthy();
    expect(screen.getByText('1 squad was created. What next?')).toBeTruthy();
    const [look] = bodies(calls, '/preview');
    expect(bodies(calls, '/commit')).toEqual([{ id: look.id, also: [], without: [5] }]);
    expect(new Set(bodies(calls, '/preview').map((b) => b.id)).size).toBe(1);
    fireEvent.press(screen.getByText('Invite coaches'));
    expect(await screen.findByText('People')).toBeTruthy();
  });

  it('takes somebody who looks known, and leaves a line out, when told to', async () => {
    const calls = show();
    await paste(LIST);
    fireEvent.press(await screen.findByLabelText(/^Bram Halloran/));
    fireEvent.press(screen.getByLabelText(/^Łukasz/));
    fireEvent.press(screen.getByText(/^Import 1 swimmer/));
    await screen.findByText('2 swimmers added');
    expect(bodies(calls, '/commit')[0]).toMatchObject({ also: [5], without: [2, 3] });
  });

  it('is corrected where a column was taken for something else', async () => {
    const calls = show();
    await paste('a,b\nDvořák,Łukasz');
    fireEvent.press(await screen.findByText('What the columns mean'));
    fireEvent.press(screen.getByLabelText('The first line names the columns'));
    fireEvent.press(await screen.findByLabelText(/^a is read as/));
    fireEvent.press(screen.getAllByText('Family name')[0]!);
    await waitFor(() => expect(bodies(calls, '/preview').at(-1).mapping).toMatchObject({ headed: true }));
    expect(bodies(calls, '/preview').at(-1).mapping.columns[0]).toEqual({ field: 'family' });
  });

  it('that cannot be read says why, with its columns open', async () => {
    show();
    await paste('x,y\n1,2');
    expect(await screen.findByText('Say which columns hold the names.')).toBeTruthy();
    expect(screen.getByLabelText('The first line names the columns')).toBeTruthy();
  });

  it('whose answer is lost is sent again under the same id', async () => {
    let away = true;
    const calls = show({
      'POST /roster/commit': () => {
        if (away) throw new TypeError('network');
        return { body: { ...done, addresses: [], mail: false } };
      },
    });
    await paste('First name,Last name,Squad\nŁukasz,Dvořák,Juniors');
    fireEvent.press(await screen.findByText(/^Import 1/));
    expect(await screen.findByText(/Pressing again stores nothing twice/)).toBeTruthy();
    away = false;
    fireEvent.press(screen.getByText(/^Import 1/));
    expect(await screen.findByText('2 swimmers added')).toBeTruthy();
    expect(new Set(bodies(calls, '/commit').map((b) => b.id)).size).toBe(1);
  });

  it('sends a letter to each address, and goes on where it stopped', async () => {
    const addresses = ['a', 'b', 'c'].map((id) => ({ swimmerId: id, email: `${id}@home.example` }));
    let refuse = true;
    const calls = show({
      'POST /roster/commit': () => ({ body: { ...done, addresses, mail: true } }),
      'POST /invitations': ({ body }) => {
        if (body.swimmerId === 'b' && refuse) return { status: 429, body: { detail: 'Too many at once.' } };
        return {
          status: 201,
          body: { id: 'i', link: 'x', expiresAt: '2026-12-11T10:00:00Z', mailed: body.swimmerId !== 'c' },
        };
      },
    });
    await paste('First name,Last name,Squad\nŁukasz,Dvořák,Juniors');
    fireEvent.press(await screen.findByText(/^Import 1/));
    fireEvent.press(await screen.findByText('Send 3 letters'));
    expect(await screen.findByText('Too many at once.')).toBeTruthy();
    refuse = false;
    fireEvent.press(await screen.findByText('Send 2 letters'));
    expect(await screen.findByText('The mail server did not accept: c@home.example')).toBeTruthy();
    expect(bodies(calls, '/invitations').map((b) => b.swimmerId)).toEqual(['a', 'b', 'b', 'c']);
  });

  it('that came in earlier says what became of it', async () => {
    show({
      'GET /roster': () => ({
        body: [done, { ...done, id: 'r2', name: 'May.csv', undoneAt: '2026-11-27T11:00:00Z', removed: 1 }],
      }),
    });
    expect(await screen.findByText('2 swimmers')).toBeTruthy();
    expect(screen.getByText('Taken back: 1; 1 stayed, somebody has worked with them since')).toBeTruthy();
    expect(screen.getByLabelText('Hold to undo Pasted list')).toBeTruthy();
    expect(screen.queryByLabelText('Hold to undo May.csv')).toBeNull();
  });
});

describe('the text of a file', () => {
  // The test environment brings one that reads UTF-8 only; browsers read what the standard names.
  const own = global.TextDecoder;
  beforeAll(() => Object.assign(global, { TextDecoder: BrowserDecoder }));
  afterAll(() => Object.assign(global, { TextDecoder: own }));
  const bytes = (...parts: readonly (readonly number[])[]) =>
    ({ arrayBuffer: async () => Uint8Array.from(parts.flat()).buffer }) as Blob;
  const utf16 = [...'Łukasz'].flatMap((c) => [c.charCodeAt(0) & 255, c.charCodeAt(0) >> 8]);
  it.each<[string, Blob, string]>([
    ['UTF-8', bytes([...Buffer.from('Łukasz')]), 'Łukasz'],
    ['UTF-16', bytes([0xff, 0xfe], utf16), 'Łukasz'],
    ['a western spreadsheet', bytes([0x5a, 0x6f, 0xeb]), 'Zoë'],
    ['nothing', bytes(), ''],
  ])('is read from %s', async (_what, file, text) => expect(await readTextFile(file)).toBe(text));
});
