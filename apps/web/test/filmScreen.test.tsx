import { act, fireEvent, screen, waitFor } from '@testing-library/react-native';
import { addPiece, deleteFilms, type NewFilm } from '@/film/filmStore';
import { FilmScreen } from '@/film/screens/FilmScreen';
import { MirrorScreen } from '@/film/screens/MirrorScreen';
import { openFor } from '@/offline/db';
import { fakeServer, ID, ROW, showAt, SQUAD } from './fakeServer';

const CHILD = { ...ROW, id: ID.replace(/5$/, '6'), givenName: 'Nim', child: true };
const film = (change: Partial<NewFilm> = {}): NewFilm => ({
  ...{ id: 'f1', swimmerId: ROW.id, name: 'Ada Lindqvale', view: 'side', at: '2026-11-30T18:00:00.000Z' },
  ...{ type: 'video/webm', ...change },
});

// A browser without a camera that does not say how much room there is.
Object.defineProperty(globalThis, 'navigator', { value: {}, configurable: true });

let account = 0;
beforeEach(() => {
  // A page that was shown before has stopped the clock.
  jest.useRealTimers();
  openFor(`film-coach-${++account}`);
});

const open = () => {
  fakeServer({
    'GET /squads': () => ({ body: [SQUAD] }),
    'GET /swimmers?': () => ({ body: { items: [ROW, CHILD], next: null } }),
  });
  return showAt({ 'swimmers/film': FilmScreen, 'swimmers/[id]/edit': () => <></> }, '/swimmers/film');
};

describe('the page that films', () => {
  it('films nobody before somebody is chosen, and no child without consent', async () => {
    open();
    expect(await screen.findByText('No films on this device')).toBeTruthy();
    const lens = () => screen.getByRole('button', { name: 'Open the camera' });
    expect(lens().props['aria-disabled'] ?? lens().props.accessibilityState?.disabled).toBe(true);
    fireEvent.press(await screen.findByRole('radio', { name: 'Nim Lindqvale, no consent to clips' }));
    expect(screen.getByText(/^Nim Lindqvale is under 18, or of unknown age, and the guardian/)).toBeTruthy();
    expect(screen.getByText('Note the consent')).toBeTruthy();
    fireEvent.press(screen.getByRole('radio', { name: 'Ada Lindqvale, not filmed' }));
    expect(screen.queryByText(/the camera stays shut/)).toBeNull();
    // There is no camera here at all.
    await act(async () => fireEvent.press(lens()));
    expect(await screen.findByText(/needs a secure address/)).toBeTruthy();
  });

  it('tells what waits and what was looked at, and deletes after a long press', async () => {
    await addPiece(film(), new Blob(['x'.repeat(2_000_000)]), 12);
    await addPiece(film({ id: 'f2', swimmerId: CHILD.id, name: 'Nim Lindqvale', view: 'front' }), new Blob(['x']), 4);
    open();
    expect(await screen.findByText('0 of 2 looked at')).toBeTruthy();
    expect(await screen.findByText(/^from the side · 12 s · 2\.0 MB · /)).toBeTruthy();
    // Consent that is not there shuts what was filmed too.
    expect(await screen.findByText(/^Not to be looked at: no consent/)).toBeTruthy();
    expect(await screen.findByRole('radio', { name: 'Ada Lindqvale, 12 s from the side' })).toBeTruthy();
    expect(screen.getByText('2 of 2 filmed')).toBeTruthy();
    expect(screen.getByText('Look at the first one')).toBeTruthy();
    expect(screen.getByText('Delete all 2 films')).toBeTruthy();
    // The clock of this test stands until something is waited for.
    void deleteFilms(['f1', 'f2']);
    expect(await screen.findByText('No films on this device')).toBeTruthy();
  });
});

it('shows what waits only once the names above it are there', async () => {
  await addPiece(film(), new Blob(['x']), 12);
  let come = () => {};
  const names = new Promise<void>((resolve) => (come = resolve));
  fakeServer({
    'GET /squads': () => ({ body: [SQUAD] }),
    'GET /swimmers?': async () => {
      await names;
      return { body: { items: [ROW], next: null } };
    },
  });
  showAt({ 'swimmers/film': FilmScreen }, '/swimmers/film');
  expect(await screen.findByRole('button', { name: 'from the side' })).toBeTruthy();
  // Half a second of the clock of this test.
  await expect(screen.findByText('Look at the first one', {}, { timeout: 500 })).rejects.toThrow();
  come();
  expect(await screen.findByText('Look at the first one')).toBeTruthy();
  expect(screen.getByRole('radio', { name: 'Ada Lindqvale, 12 s from the side' })).toBeTruthy();
});

it('says nothing of a consent that it does not know, as without a network', async () => {
  await addPiece(film(), new Blob(['x']), 12);
  fakeServer({ 'GET /squads': () => ({ body: [SQUAD] }) });
  showAt({ 'swimmers/film': FilmScreen }, '/swimmers/film');
  expect(await screen.findByText(/^from the side · 12 s · /)).toBeTruthy();
  expect(screen.queryByText(/^Not to be looked at/)).toBeNull();
});

describe('the delayed mirror', () => {
  it('remembers its delay, and says why there is no camera', async () => {
    fakeServer({});
    showAt({ 'deck/mirror': MirrorScreen }, '/deck/mirror');
    expect(await screen.findByText(/Nothing is kept: what is older than a minute is gone/)).toBeTruthy();
    fireEvent.press(screen.getByRole('button', { name: '20 s' }));
    await waitFor(() => expect(screen.getByRole('button', { name: '20 s' }).props['aria-pressed']).toBe(true));
    await act(async () => fireEvent.press(screen.getByRole('button', { name: 'Open the mirror' })));
    expect(await screen.findByText(/needs a secure address/)).toBeTruthy();
  });
});
