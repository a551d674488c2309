// The club's own library on the screens: changed where it stands, refused where it is unsafe, shared as a file.
import { act, fireEvent, screen, waitFor } from '@testing-library/react-native';
import type { EntrySave } from '@upwell/contract/library';
import type { LibraryEntry } from '@upwell/core/clubLibrary';
import { drillCard, type Drill } from '@upwell/core/library';
import { NOTHING_OWN, ownShelves } from '@upwell/core/own';
import { causeCard, signCard } from '@upwell/core/review';
import { libraryEndpoints } from '@/library/api';
import { nameOf, saysOf } from '@/library/parts/entryWords';
import { said } from '@/library/parts/LinesInput';
import { DrillEditScreen } from '@/library/screens/DrillEditScreen';
import { LibraryScreen } from '@/library/screens/LibraryScreen';
import { readLibraryFile } from '@upwell/contract/library';
import { OursScreen } from '@/library/screens/OursScreen';
import { chooseFile } from '@/ui/saveFile';
import { fakeLibrary as library } from './fakeLibrary';
import { fakeServer, ME, showAt } from './fakeServer';

jest.mock('@/ui/saveFile', () => ({ chooseFile: jest.fn(), saveFrom: jest.fn(), saveFile: jest.fn() }));

const card: Drill = {
  ...drillCard('catch-up'),
  ...{ name: 'Mitten swim', cue: 'Forearm first.', kit: [], from: 'build', cautions: [], notWith: [], contradicts: [] },
};
const MITTEN: LibraryEntry = { kind: 'drills', key: 'own-mitten-swim', body: { card, answers: ['dropped-elbow'] } };

const SCREENS = {
  'library/index': () => <LibraryScreen />,
  'library/drill/[id]': () => <DrillEditScreen />,
  'library/ours': () => <OursScreen />,
};
const at = (address: string) => showAt(SCREENS, address);

describe('a sign', () => {
  it('is said in the words of the club from the moment they are saved, and the built-in ones come back', async () => {
    const sent = library();
    at('/library?show=signs&open=belly-hangs');
    fireEvent.press(await screen.findByText('Change the words'));
    const built = signCard('belly-hangs').seen;
    fireEvent.changeText(screen.getByLabelText('What the eye sees'), 'the belly sags');
    fireEvent.press(screen.getByText('Save'));
    expect(await screen.findByText('The belly sags')).toBeTruthy();
    expect(sent[0]!.body).toMatchObject({
      kind: 'signs',
      key: 'belly-hangs',
      body: { seen: 'the belly sags' },
      version: 0,
    });
    expect(signCard('belly-hangs').seen).toBe('the belly sags');
    expect(screen.getByText('changed by us')).toBeTruthy();
    fireEvent.press(screen.getByText('Back to the built-in'));
    await waitFor(() => expect(signCard('belly-hangs').seen).toBe(built));
    expect(sent[1]!.body).toMatchObject({ body: null, version: 1 });
  });

  it('is not said like another one', async () => {
    library();
    at('/library?show=signs&open=belly-hangs');
    fireEvent.press(await screen.findByText('Change the words'));
    fireEvent.changeText(screen.getByLabelText('What the eye sees'), 'HIPS and legs ride low');
    expect(screen.getByText(/^Another sign is said like that/)).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Save' })).toBeDisabled();
  });

  it('counts from the limits of the club, written with a comma or a point', async () => {
    const sent = library();
    at('/library?show=signs&open=legs-low');
    fireEvent.press(await screen.findByText('Change from where it counts'));
    fireEvent.changeText(screen.getByLabelText('Long line: sometimes'), '9,5');
    fireEvent.press(screen.getByText('Save'));
    await waitFor(() => expect(sent).toHaveLength(1));
    // Only the model that differs is the club's own.
    expect(sent[0]!.body).toMatchObject({ kind: 'bands', body: { 'long-line': [9.5, 12] } });
  });
});

describe('a cue', () => {
  it('that asks for a held breath is refused on the screen, and nothing is sent', async () => {
    const sent = library();
    at('/library?show=causes&open=soft-core');
    fireEvent.press(await screen.findByText('Change the cue'));
    fireEvent.changeText(screen.getByLabelText('Cue, as it is said at the wall'), 'No breath until the wall.');
    expect(screen.getByText(/^No held breath/)).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Save' })).toBeDisabled();
    expect(sent).toEqual([]);
  });

  it('that somebody else changed meanwhile: the coach says whose counts', async () => {
    const stored = { body: { cue: 'Theirs.' }, version: 4 };
    let first = true;
    const sent = library([], {
      refuse: () => {
        if (!first) return null;
        first = false;
        return { status: 409, body: { detail: 'Changed elsewhere.', current: stored } };
      },
    });
    at('/library?show=causes&open=soft-core');
    fireEvent.press(await screen.findByText('Change the cue'));
    fireEvent.changeText(screen.getByLabelText('Cue, as it is said at the wall'), 'Zip up.');
    fireEvent.press(screen.getByText('Save'));
    fireEvent.press(await screen.findByText('Keep mine'));
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(sent[1]!.body).toMatchObject({ body: { cue: 'Zip up.' }, version: 4 });
    await waitFor(() => expect(causeCard('soft-core').cue).toBe('Zip up.'));
  });

  it('whose answer was lost is sent again as the same change', async () => {
    let lost = true;
    const sent = library([], {
      refuse: () => {
        if (!lost) return null;
        lost = false;
        return { status: 503, body: { detail: 'No answer came.' } };
      },
    });
    at('/library?show=causes&open=soft-core');
    fireEvent.press(await screen.findByText('Change the cue'));
    fireEvent.changeText(screen.getByLabelText('Cue, as it is said at the wall'), 'Zip up.');
    fireEvent.press(screen.getByText('Save'));
    expect(await screen.findByText('No answer came.')).toBeTruthy();
    fireEvent.press(screen.getByText('Save'));
    await waitFor(() => expect(causeCard('soft-core').cue).toBe('Zip up.'));
    const ids = sent.map(({ body }) => (body as EntrySave).writeId);
    expect(ids).toHaveLength(2);
    expect(ids[0]).toBe(ids[1]);
  });

  it('shows how strongly each sign speaks, and stores what differs', async () => {
    const sent = library();
    at('/library?show=causes&open=soft-core');
    fireEvent.press(await screen.findByText('Change how it shows'));
    fireEvent.press(screen.getAllByText('no')[0]!);
    fireEvent.press(screen.getByText('Save'));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(Object.values((sent[0]!.body as { body: object }).body)).toEqual(['none']);
  });
});

describe('levels and ladders', () => {
  it('take the name and the metres of the club, within what can be swum', async () => {
    const sent = library();
    at('/library?show=ladders&open=race');
    fireEvent.press(await screen.findByText('Change name and metres'));
    fireEvent.changeText(screen.getByLabelText('Metres of an hour, to'), '6001');
    expect(screen.getByText('6000 m is the most for an hour of this level.')).toBeTruthy();
    fireEvent.changeText(screen.getByLabelText('Metres of an hour, to'), '3000');
    fireEvent.changeText(screen.getByLabelText('What your club calls it'), 'Pike');
    fireEvent.press(screen.getByText('Save'));
    await waitFor(() => expect(sent[0]?.body).toMatchObject({ body: { name: 'Pike', metresPerHour: [2400, 3000] } }));
    expect(await screen.findByText('changed by us · 2,400 to 3,000 m an hour')).toBeTruthy();
  });

  it('have steps of the club behind the last one', async () => {
    const sent = library();
    at('/library?show=ladders&open=tumble');
    fireEvent.press(await screen.findByText('Change the steps'));
    fireEvent.press(screen.getByText('Add a step after the last'));
    expect(screen.getByRole('button', { name: 'Save' })).toBeDisabled();
    const steps = screen.getAllByLabelText(/^Step \d+$/);
    const n = Math.max(
      ...steps.map((s) =>
        Number(/\d+/.exec((s.props as { accessibilityLabel?: string }).accessibilityLabel ?? '0')![0]),
      ),
    );
    fireEvent.changeText(screen.getAllByLabelText(`Step ${n}`).at(-1)!, 'Four in a row.');
    fireEvent.changeText(screen.getByLabelText(`Step ${n}: passed when`), 'All four calm.');
    fireEvent.changeText(screen.getByLabelText(`Step ${n}: go back if`), 'Water in the nose.');
    fireEvent.press(screen.getByText('Save'));
    await waitFor(() =>
      expect(sent[0]?.body).toMatchObject({ body: { added: [{ what: 'Four in a row.', tries: 3 }] } }),
    );
  });
});

describe('a drill', () => {
  it('is written, and refused while its card is unsafe', async () => {
    const sent = library();
    at('/library/drill/new');
    fireEvent.changeText(await screen.findByLabelText('Name'), 'Mitten swim');
    expect(screen.getByText('Still missing: why it helps, a step, a cue.')).toBeTruthy();
    fireEvent.changeText(screen.getByLabelText('Why it helps'), 'The forearm feels the water.');
    fireEvent.changeText(screen.getByLabelText('Steps, one on each line'), 'Roll the fingers in.\n\nHold your breath.');
    fireEvent.changeText(screen.getByLabelText('Cue, as it is said at the wall'), 'Forearm first.');
    // Without a place, without a cause, and with a held breath.
    expect(screen.getAllByText(/^Say where it is done/).length).toBeGreaterThan(0);
    expect(screen.getAllByText('Say which cause it answers, or which skill it trains.').length).toBeGreaterThan(0);
    expect(screen.getAllByText(/^No held breath/).length).toBeGreaterThan(0);
    expect(screen.getByRole('button', { name: 'Save' })).toBeDisabled();
    fireEvent.press(screen.getByRole('button', { name: 'in the pool' }));
    fireEvent.changeText(screen.getByLabelText('Steps, one on each line'), 'Roll the fingers in.\n\nSwim easy.');
    fireEvent.changeText(screen.getByLabelText('Find a fault that it answers'), 'dropped');
    fireEvent.press(screen.getByText('Dropped elbow'));
    expect(screen.getByText('In the text of a session: drill mitten-swim')).toBeTruthy();
    fireEvent.press(screen.getByText('Save'));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]!.body).toMatchObject({
      ...{ kind: 'drills', key: 'own-mitten-swim', version: 0 },
      body: { answers: ['dropped-elbow'], card: { steps: ['Roll the fingers in.', 'Swim easy.'], places: ['pool'] } },
    });
    expect(await screen.findByText('“Mitten swim” is saved, and used from now on.')).toBeTruthy();
    expect(causeCard('dropped-elbow').answers[0]).toBe('own-mitten-swim');
  });

  it('is counted on the spot where one stands', async () => {
    library();
    at('/library/drill/new');
    fireEvent.press(await screen.findByRole('button', { name: 'seconds' }));
    expect(screen.queryByText('m of one try')).toBeNull();
    fireEvent.press(screen.getByLabelText('More s at most'));
    expect(screen.getByText('15')).toBeTruthy();
    fireEvent.press(screen.getByRole('button', { name: 'tries on the spot' }));
    expect(screen.getByText('s each')).toBeTruthy();
    fireEvent.press(screen.getByRole('button', { name: 'at the wall' }));
    expect(screen.getByRole('checkbox', { name: /Heels come near the edge/ })).toBeTruthy();
  });

  it('of the club is hidden, used again and taken out; the change can be undone', async () => {
    const sent = library([MITTEN]);
    at('/library?show=drills&open=own-mitten-swim');
    fireEvent.press(await screen.findByText('Hide'));
    expect(await screen.findByText('ours, hidden · from Build')).toBeTruthy();
    fireEvent.press(screen.getByText('Undo'));
    expect(await screen.findByText('ours · from Build')).toBeTruthy();
    fireEvent.press(screen.getByText('Take it out'));
    await waitFor(() => expect(screen.queryByText('Mitten swim')).toBeNull());
    expect(sent.map(({ body }) => (body as EntrySave).version)).toEqual([1, 2, 3]);
  });

  it('that beginners need cannot be hidden, and it says so', async () => {
    library();
    at('/library?show=drills&open=wall-tries');
    expect(await screen.findByText('Cannot be hidden: Beginners are planned with it: it stays.')).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Hide' })).toBeDisabled();
  });

  it('is only read by a coach who is not the head', async () => {
    library([MITTEN], { role: 'coach' });
    at('/library?show=drills&open=own-mitten-swim');
    expect(await screen.findByText('ours · from Build')).toBeTruthy();
    expect(screen.queryByText('Hide')).toBeNull();
    expect(screen.queryByText('Write a drill of your own')).toBeNull();
  });

  it('cannot be written by a coach who is not the head, by whatever way', async () => {
    library([], { role: 'coach' });
    at('/library/drill/new');
    expect(await screen.findByText('The head coach writes the library')).toBeTruthy();
    expect(screen.queryByText('Save')).toBeNull();
  });
});

describe('another club’s file', () => {
  const file = (entries: readonly object[]) =>
    JSON.stringify({
      format: 'upwell-library',
      formatVersion: 1,
      club: 'Kestrel Bay',
      savedAt: '2026-11-20T10:00:00Z',
      entries,
    });
  const choose = (text: string) => (chooseFile as jest.Mock).mockResolvedValueOnce(new File([text], 'library.json'));

  it.each([
    ['{"format":"upwell-session"}', /^This is not the library of a club/],
    ['not json', /no JSON file/],
    ['x'.repeat(1_000_001), /too large/],
    [file([{ kind: 'signs', key: 'nothing', body: { seen: 'x y' } }]), /entries/],
    [file([{ kind: 'causes', key: 'unease', body: { cue: 'x'.repeat(5000) } }]), /At most 120 characters/],
    [
      JSON.stringify({ format: 'upwell-library', formatVersion: 9, club: 'X', savedAt: 'x', entries: [] }),
      /does not know/,
    ],
  ])('that is none is refused: %.30s', (text, why) => {
    const read = readLibraryFile(text);
    expect('wrong' in read ? read.wrong : '').toMatch(why);
  });

  it('stands beside one’s own; clashes are settled and unsafe cards left out before it comes in', async () => {
    const sent = library([MITTEN]);
    at('/library/ours');
    expect(await screen.findByText('Drill: Mitten swim')).toBeTruthy();
    choose(
      file([
        { ...MITTEN, body: { ...MITTEN.body, card: { ...card, cue: 'Small hand.' } } },
        { kind: 'signs', key: 'gasps', body: { seen: 'gasps for air' } },
        {
          kind: 'drills',
          key: 'own-tunnel',
          body: { answers: ['spins'], card: { ...card, name: 'Tunnel', cue: 'Hold your breath.' } },
        },
      ]),
    );
    fireEvent.press(screen.getByText('Open another club’s'));
    expect(await screen.findByText('2 new, 0 the same as yours, 1 clash.')).toBeTruthy();
    expect(screen.getByText('1 clash to settle first.')).toBeTruthy();
    fireEvent.press(screen.getByText('take theirs'));
    expect(screen.getByRole('button', { name: 'Take in 3 entries' })).toBeDisabled();
    fireEvent.press(screen.getByText('Leave it out'));
    fireEvent.press(screen.getByText('Take in 2 entries'));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]!.body).toMatchObject({ version: 1, entries: [{ key: 'own-mitten-swim' }, { key: 'gasps' }] });
    expect(await screen.findByText('2 entries of Kestrel Bay came in, and count from now on.')).toBeTruthy();
  });

  it('cannot be compared while one’s own is not known: the failure is said, and tried again', async () => {
    let down = true;
    fakeServer({
      'GET /account/me': () => ({ body: { ...ME, role: 'head' } }),
      'GET /library': () =>
        down ? { status: 500, body: { detail: 'The server is resting.' } } : { body: { version: 0, entries: [] } },
    });
    at('/library/ours');
    expect(await screen.findByText('The server is resting.')).toBeTruthy();
    expect(screen.queryByText('Nothing of your own yet')).toBeNull();
    down = false;
    fireEvent.press(screen.getByText('Try again'));
    expect(await screen.findByText('Nothing of your own yet')).toBeTruthy();
  });

  it('of a club that has nothing of its own yet says how to begin', async () => {
    library();
    at('/library/ours');
    expect(await screen.findByText('Nothing of your own yet')).toBeTruthy();
    expect(screen.queryByText('Save to a file')).toBeNull();
  });
});

describe('the words of an entry', () => {
  it.each<[LibraryEntry, string, string]>([
    [MITTEN, 'Drill: Mitten swim', '“Forearm first.” 3 steps'],
    [{ kind: 'drills', key: 'side-kick', body: { hidden: true } }, 'Drill: Side kick', 'not used'],
    [{ kind: 'causes', key: 'unease', body: { cue: 'Soft.' } }, 'Cue: Not at ease in the water', '“Soft.”'],
    [{ kind: 'links', key: 'unease', body: { gasps: 'weak' } }, 'How it shows: Not at ease in the water', '1 sign'],
    [{ kind: 'signs', key: 'gasps', body: { seen: 'gasps' } }, 'Words: gasps and empties completely', '“gasps”'],
    [
      { kind: 'bands', key: 'legs-low', body: { 'long-line': [9, 12] } },
      'Limits: hips and legs ride low',
      '1 stroke model',
    ],
    [
      { kind: 'levels', key: 'race', body: { name: 'Pike', metresPerHour: [2000, 3000] } },
      'Level: Race',
      '“Pike”, 2,000 to 3,000 m an hour',
    ],
    [
      {
        kind: 'ladders',
        key: 'kick',
        body: { changed: { 0: { what: 'a', tries: 10, pass: 'b', backIf: 'c' } }, added: [] },
      },
      'Ladder: Kick',
      '1 step in other words',
    ],
    [
      {
        kind: 'experience',
        key: 'from Kestrel Bay',
        body: { unease: { signs: { gasps: [1, 1] }, drills: { 'star-float': { settle: [1, 1] } } } },
      } as LibraryEntry,
      'Experience: Kestrel Bay',
      '1 closed focus, 1 of them helped',
    ],
  ])('%j', (entry, name, says) => {
    expect(nameOf(entry)).toBe(name);
    expect(saysOf({ ...entry, body: entry.body } as LibraryEntry)).toContain(says.replace('3 steps', ''));
  });

  it('lose empty lines', () => expect(said(['  a ', '', ' ', 'b'])).toEqual(['a', 'b']));
});

describe('who is signed in', () => {
  it('brings the library of their club, and takes it away with them', async () => {
    library([MITTEN]);
    const store = at('/library?show=drills');
    expect(await screen.findByText('Mitten swim')).toBeTruthy();
    expect(ownShelves().drills).toHaveProperty('own-mitten-swim');
    act(() => {
      store.dispatch(libraryEndpoints.util.resetApiState());
      expect(ownShelves()).toBe(NOTHING_OWN);
    });
  });
});
