// A club in which nothing has been written down yet: each page says how to begin, to those who may.
import { fireEvent, screen } from '@testing-library/react-native';
import { FilmScreen } from '@/film/screens/FilmScreen';
import { ResultsScreen } from '@/records/screens/ResultsScreen';
import { NewSessionScreen } from '@/sessions/screens/NewSessionScreen';
import { fakeServer, ME, showAt } from './fakeServer';

// A browser without a camera.
Object.defineProperty(globalThis, 'navigator', { value: {}, configurable: true });

const empty = (answers: Record<string, () => { body: unknown }> = {}, role = 'head') =>
  fakeServer({
    'GET /account/me': () => ({ body: { ...ME, role } }),
    'GET /squads': () => ({ body: [] }),
    ...answers,
  } as never);

describe('an empty club', () => {
  it('leads a head coach from filming to the squads, and nobody else', async () => {
    empty({ 'GET /swimmers': () => ({ body: { items: [], next: null } }), 'GET /sent': () => ({ body: [] }) });
    showAt({ 'swimmers/film': FilmScreen, 'swimmers/squads': () => <></> }, '/swimmers/film');
    expect(await screen.findByText('No squad yet')).toBeTruthy();
    expect(await screen.findByText('Add squads')).toBeTruthy();
  });

  it('does not offer a coach what only the head coach may do', async () => {
    empty({ 'GET /swimmers': () => ({ body: { items: [], next: null } }), 'GET /sent': () => ({ body: [] }) }, 'coach');
    showAt({ 'swimmers/film': FilmScreen }, '/swimmers/film');
    expect(await screen.findByText('No squad yet')).toBeTruthy();
    expect(screen.queryByText('Add squads')).toBeNull();
  });

  it('has no results yet, which is not the same as none found', async () => {
    empty({ 'GET /results': () => ({ body: { items: [], total: 0, page: 1, pages: 1, next: null } }) });
    showAt({ 'swimmers/results': ResultsScreen }, '/swimmers/results');
    expect(await screen.findByText('No results yet')).toBeTruthy();
    fireEvent.press(screen.getByText('All-out'));
    expect(await screen.findByText('No result found')).toBeTruthy();
    expect(screen.queryByText('No results yet')).toBeNull();
  });

  it('has no levels to choose from before anybody swims', async () => {
    empty({
      'GET /sessions/proposal': () => ({ body: { groups: [], themes: [], kit: [], laneCapacity: null } }),
    });
    showAt({ 'sessions/new': NewSessionScreen }, '/sessions/new');
    expect(await screen.findByText('Everybody I coach')).toBeTruthy();
    expect(screen.queryByText('Levels')).toBeNull();
  });
});
