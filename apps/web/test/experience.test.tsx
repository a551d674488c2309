// What second looks have taught the club: never hidden, resettable, and pooled with that of other clubs.
import { act, fireEvent, screen, waitFor } from '@testing-library/react-native';
import type { LibraryEntry } from '@upwell/core/clubLibrary';
import type { CauseExperience } from '@upwell/core/review';
import { libraryEndpoints } from '@/library/api';
import { LibraryScreen } from '@/library/screens/LibraryScreen';
import { OursScreen } from '@/library/screens/OursScreen';
import { ReviewScreen } from '@/review/screens/ReviewScreen';
import { chooseFile } from '@/ui/saveFile';
import { fakeLibrary } from './fakeLibrary';
import { ID, ME, showAt, SWIMMER } from './fakeServer';

jest.mock('@/ui/saveFile', () => ({ chooseFile: jest.fn(), saveFrom: jest.fn(), saveFile: jest.fn() }));

/** Hollow backs: seen in so many of those that helped. */
const taught = (seen: number, of: number, notBetter = 0): { 'soft-core': CauseExperience } => ({
  'soft-core': { signs: { 'belly-hangs': [seen, of] }, drills: { 'belly-in-kick': { hold: [of, of + notBetter] } } },
});
const ours = (seen: number, of: number, notBetter = 0): LibraryEntry => ({
  ...{ kind: 'experience', key: 'ours', body: taught(seen, of, notBetter) },
});
const theirs = (key: string): LibraryEntry => ({ kind: 'experience', key, body: taught(2, 4) });
const SCREENS = {
  'library/index': LibraryScreen,
  'library/ours': OursScreen,
  'swimmers/[id]/review': ReviewScreen,
  'swimmers/[id]/index': () => <></>,
};
const at = (address: string) => showAt(SCREENS, address);

describe('the experience of the club', () => {
  it('stands on the card of a fault before it counts, with how many are missing', async () => {
    fakeLibrary([ours(9, 12, 1)]);
    at('/library?show=causes&open=soft-core');
    expect(await screen.findByText('13 closed focuses, 12 of them helped.')).toBeTruthy();
    expect(screen.getByText('seen in 9 of 12')).toBeTruthy();
    expect(screen.queryByText(/^counts/)).toBeNull();
    expect(screen.getByText('Counts from 20 closed focuses on: 13 so far.')).toBeTruthy();
    expect(screen.queryByText('changed by us')).toBeNull();
  });

  it('stands there with what counts of it from then on', async () => {
    fakeLibrary([ours(9, 20)]);
    at('/library?show=causes&open=soft-core');
    // (8.5 + 9) ÷ 30
    expect(await screen.findByText('counts 58 %')).toBeTruthy();
    expect(screen.getByText('seen in 9 of 20')).toBeTruthy();
  });

  it('is said where a review counts with it, and at each reason', async () => {
    fakeLibrary([ours(15, 24)], {
      answers: {
        'GET /outcomes': () => ({ body: [] }),
        [`GET /swimmers/${ID}`]: () => ({ body: { ...SWIMMER, focuses: [], reviews: [] } }),
      },
    });
    const store = at(`/swimmers/${ID}/review`);
    await act(() => store.dispatch(libraryEndpoints.endpoints.library.initiate()));
    await screen.findByText('What do you see?');
    fireEvent.changeText(screen.getByLabelText('Find what you saw'), 'tummy');
    fireEvent.press((await screen.findAllByLabelText('the middle sags: often'))[0]!);
    await act(async () => undefined);
    expect(await screen.findByText('With our club’s experience of 24 closed focuses.')).toBeTruthy();
    fireEvent.press(screen.getByText('Show the reasons'));
    expect(screen.getByText('the middle sags (here in 15 of 24)')).toBeTruthy();
  });

  it('is reset by the head coach, and comes back with one tap', async () => {
    const sent = fakeLibrary([ours(9, 12), theirs('from Kestrel Bay')]);
    at('/library/ours');
    expect(await screen.findByText('12 closed focuses, 12 of them helped')).toBeTruthy();
    expect(screen.getByText('Kestrel Bay')).toBeTruthy();
    expect(screen.getByText(/is learned too: 16 so far/)).toBeTruthy();
    fireEvent.press(screen.getByLabelText('Reset our experience'));
    await waitFor(() => expect(screen.queryByText('12 closed focuses, 12 of them helped')).toBeNull());
    expect(await screen.findByText('“Our experience” is taken out, and no longer counts.')).toBeTruthy();
    fireEvent.press(screen.getByText('Undo'));
    expect(await screen.findByText('12 closed focuses, 12 of them helped')).toBeTruthy();
    fireEvent.press(screen.getByLabelText('Take out the experience of Kestrel Bay'));
    await waitFor(() => expect(screen.queryByText('Kestrel Bay')).toBeNull());
    expect(sent.map(({ body }) => [body.kind, body.key, body.body])).toEqual([
      ['experience', 'ours', null],
      ['experience', 'ours', taught(9, 12)],
      ['experience', 'from Kestrel Bay', null],
    ]);
  });

  it('that was reset comes back beside what was counted since, also when another device was first', async () => {
    const current = { kind: 'experience', key: 'ours', body: taught(1, 1), version: 3 };
    const sent = fakeLibrary([ours(9, 12)], {
      refuse: () => (sent.length === 2 ? { status: 409, body: { detail: 'Changed elsewhere.', current } } : null),
    });
    at('/library/ours');
    fireEvent.press(await screen.findByLabelText('Reset our experience'));
    fireEvent.press(await screen.findByText('Undo'));
    expect(await screen.findByText('Changed elsewhere.')).toBeTruthy();
    fireEvent.press(screen.getByText('Undo'));
    await waitFor(() => expect(sent).toHaveLength(3));
    expect(sent[2]!.body).toMatchObject({ version: 3, body: taught(10, 13) });
  });

  it('was added to meanwhile: that is said, and pressed again all of it goes', async () => {
    let first = true;
    const current = { kind: 'experience', key: 'ours', body: taught(10, 13), version: 9 };
    const sent = fakeLibrary([ours(9, 12)], {
      refuse: () => {
        if (!first) return null;
        first = false;
        return { status: 409, body: { detail: 'This was changed elsewhere in the meantime.', current } };
      },
    });
    at('/library/ours');
    fireEvent.press(await screen.findByLabelText('Reset our experience'));
    expect(await screen.findByText('This was changed elsewhere in the meantime.')).toBeTruthy();
    fireEvent.press(screen.getByLabelText('Reset our experience'));
    await waitFor(() => expect(sent.map(({ body }) => body.version)).toEqual([1, 9]));
  });

  it('is read by every coach and reset by the head coach only', async () => {
    fakeLibrary([ours(9, 20)], { role: 'coach' });
    at('/library/ours');
    expect(await screen.findByText(/^Reviews count with it/)).toBeTruthy();
    expect(screen.queryByLabelText('Reset our experience')).toBeNull();
  });
});

describe('the file of another club', () => {
  const choose = async (club: string, entries: readonly LibraryEntry[]) => {
    const file = { format: 'upwell-library', formatVersion: 1, club, savedAt: '2026-11-28T10:00:00.000Z', entries };
    (chooseFile as jest.Mock).mockResolvedValueOnce(new File([JSON.stringify(file)], 'library.json'));
    fireEvent.press(await screen.findByText('Open another club’s'));
    expect(await screen.findByText(`The library of ${club}`)).toBeTruthy();
  };

  it('brings its experience under its name, without what it has of a third', async () => {
    const sent = fakeLibrary([ours(9, 12)]);
    at('/library/ours');
    await choose('Kestrel Bay', [ours(2, 4), theirs('from A Third')]);
    expect(screen.getByText('1 new, 0 the same as yours, 0 clashes.')).toBeTruthy();
    expect(screen.getByText('Experience: Kestrel Bay')).toBeTruthy();
    fireEvent.press(screen.getByText('Take in 1 entry'));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]!.body.entries).toEqual([theirs('from Kestrel Bay')]);
  });

  it('of our own club clashes with what we have counted since', async () => {
    fakeLibrary([ours(9, 12)]);
    at('/library/ours');
    await choose(ME.clubName, [ours(2, 4)]);
    expect(screen.getByText('0 new, 0 the same as yours, 1 clash.')).toBeTruthy();
    expect(screen.getByText('Ours: 12 closed focuses, 12 of them helped')).toBeTruthy();
  });
});
