import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import type { ReactElement } from 'react';
import { ActivityIndicator } from 'react-native';
import SwimmerRoute from '../app/(club)/swimmers/[id]/index';
import { DeckCardScreen } from '@/deck/screens/DeckCardScreen';
import { DeckScreen } from '@/deck/screens/DeckScreen';
import { RunScreen } from '@/deck/screens/RunScreen';
import { MyWeekScreen } from '@/race/screens/MyWeekScreen';
import { RaceScreen } from '@/race/screens/RaceScreen';
import { SeasonScreen } from '@/race/screens/SeasonScreen';
import { HandoutScreen } from '@/handout/screens/HandoutScreen';
import { PeopleScreen } from '@/people/screens/PeopleScreen';
import { RecordsScreen } from '@/records/screens/RecordsScreen';
import { ResultsScreen } from '@/records/screens/ResultsScreen';
import { ClipScreen } from '@/review/screens/ClipScreen';
import { FocusScreen } from '@/review/screens/FocusScreen';
import { ReviewScreen } from '@/review/screens/ReviewScreen';
import { LoadScreen } from '@/sessions/screens/LoadScreen';
import { SessionScreen } from '@/sessions/screens/SessionScreen';
import { SessionsScreen } from '@/sessions/screens/SessionsScreen';
import { LooksScreen } from '@/swimmers/screens/LooksScreen';
import { PersonScreen } from '@/swimmers/screens/PersonScreen';
import { SquadsScreen } from '@/swimmers/screens/SquadsScreen';
import { EditSwimmerScreen } from '@/swimmers/screens/SwimmerFormScreen';
import { SwimmersScreen } from '@/swimmers/screens/SwimmersScreen';
import { TestScreen } from '@/swimtests/screens/TestScreen';
import { CourseEditScreen } from '@/water/screens/CourseEditScreen';
import { CourseScreen } from '@/water/screens/CourseScreen';
import { CoursesScreen } from '@/water/screens/CoursesScreen';
import { DayScreen } from '@/water/screens/DayScreen';
import { RaceCardScreen } from '@/water/screens/RaceCardScreen';
import { TracksScreen } from '@/water/screens/TracksScreen';
import { fakeServer, ID, ME, showAt } from './fakeServer';

/** Every screen that begins with a question to the server: its route, its address, and what it asks. */
const SCREENS: readonly (readonly [route: string, Screen: () => ReactElement, asks: string])[] = [
  ['deck', DeckScreen, '/deck/today'],
  ['deck/[id]', DeckCardScreen, '/sessions/'],
  ['deck/[id]/run', RunScreen, '/deck/packs/'],
  ['swimmers', SwimmersScreen, '/swimmers'],
  ['swimmers/[id]', SwimmerRoute, '/swimmers/'],
  ['swimmers/[id]/edit', EditSwimmerScreen, '/swimmers/'],
  ['swimmers/[id]/review', ReviewScreen, '/swimmers/'],
  ['swimmers/[id]/focus', FocusScreen, '/swimmers/'],
  ['swimmers/[id]/clip', ClipScreen, '/swimmers/'],
  ['swimmers/[id]/handout', HandoutScreen, '/swimmers/'],
  ['swimmers/[id]/records', RecordsScreen, '/swimmers/'],
  ['swimmers/[id]/test', TestScreen, '/swimmers/'],
  ['swimmers/[id]/race', RaceScreen, '/swimmers/'],
  ['swimmers/[id]/person', PersonScreen, '/swimmers/'],
  ['swimmers/squads', SquadsScreen, '/squads'],
  ['swimmers/looks', LooksScreen, '/looks'],
  ['swimmers/results', ResultsScreen, '/results'],
  ['sessions', SessionsScreen, '/sessions'],
  ['sessions/[id]', SessionScreen, '/sessions/'],
  ['sessions/load', LoadScreen, '/load'],
  ['sessions/season', SeasonScreen, '/season'],
  ['my-week', MyWeekScreen, '/my-week'],
  ['water', CoursesScreen, '/courses'],
  ['water/[id]', CourseScreen, '/courses/'],
  ['water/[id]/edit', CourseEditScreen, '/courses/'],
  ['water/[id]/day', DayScreen, '/courses/'],
  ['water/[id]/tracks', TracksScreen, '/courses/'],
  ['water/[id]/card', RaceCardScreen, '/courses/'],
  ['account/people', PeopleScreen, '/invitations'],
];

const me = () => ({ body: { ...ME, role: 'head' as const } });
const at = (route: string) => `/${route.replace('[id]', ID)}`;
const headings = () =>
  screen.UNSAFE_queryAllByProps({ role: 'heading', 'aria-level': 1 }).filter((n) => typeof n.type === 'string').length;
const AWAY = 'The database is away for a moment.';

describe.each(SCREENS)('%s', (route, Screen, asks) => {
  it('shows that it is on its way while nothing has been answered', async () => {
    fakeServer({ 'GET /account/me': me });
    const answered = global.fetch;
    global.fetch = ((input: Request) =>
      input.url.endsWith('/account/me') ? answered(input) : new Promise(() => undefined)) as typeof fetch;
    showAt({ [route]: Screen }, at(route));
    await waitFor(() => expect(screen.UNSAFE_queryAllByType(ActivityIndicator).length).toBeGreaterThan(0));
    expect(screen.queryByText('Try again')).toBeNull();
    expect(headings()).toBe(1);
  });

  it('says what the server said, and asks again when told to', async () => {
    const calls = fakeServer({ 'GET /account/me': me, 'GET /': () => ({ status: 500, body: { detail: AWAY } }) });
    showAt({ [route]: Screen }, at(route));
    expect((await screen.findAllByText(AWAY)).length).toBeGreaterThan(0);
    // It says which page this is, and one that the bar of the app does not stand beside leads back.
    expect(headings()).toBe(1);
    if (/^deck\/\[id\]/.test(route)) expect(screen.getByLabelText('Back')).toBeTruthy();
    const asked = () => calls.filter((c) => c.path.startsWith(asks)).length;
    const before = asked();
    expect(before).toBeGreaterThan(0);
    fireEvent.press(screen.getAllByText('Try again')[0]!);
    await waitFor(() => expect(asked()).toBeGreaterThan(before));
  });

  it('says that there is no network, and that nothing is lost', async () => {
    fakeServer({ 'GET /account/me': me });
    const answered = global.fetch;
    global.fetch = ((input: Request) =>
      input.url.endsWith('/account/me') ? answered(input) : Promise.reject(new TypeError('Failed'))) as typeof fetch;
    showAt({ [route]: Screen }, at(route));
    const said = await screen.findAllByText(/^No connection to the server\. What you entered is kept here/);
    expect(said.length).toBeGreaterThan(0);
  });
});
