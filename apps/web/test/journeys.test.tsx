import { act, fireEvent, screen, waitFor } from '@testing-library/react-native';
import { AccountScreen } from '@/account/AccountScreen';
import { DeckCardScreen } from '@/deck/screens/DeckCardScreen';
import { DeckScreen } from '@/deck/screens/DeckScreen';
import { LibraryScreen } from '@/library/screens/LibraryScreen';
import { ReviewScreen } from '@/review/screens/ReviewScreen';
import { NewSessionScreen } from '@/sessions/screens/NewSessionScreen';
import { SessionScreen } from '@/sessions/screens/SessionScreen';
import { SessionsScreen } from '@/sessions/screens/SessionsScreen';
import { SquadsScreen } from '@/swimmers/screens/SquadsScreen';
import SwimmerRoute from '../app/(club)/swimmers/[id]/index';
import { SwimmersScreen } from '@/swimmers/screens/SwimmersScreen';
import { Text } from 'react-native';
import {
  fakeServer,
  FOCUS,
  ID,
  ME,
  PLAN,
  PROPOSAL,
  ROW,
  SESSION,
  SESSION_ROW,
  showAt,
  SQUAD,
  SWIMMER,
} from './fakeServer';

const me = () => ({ body: ME });
const squads = () => ({ body: [SQUAD] });
const Elsewhere = () => <Text>elsewhere</Text>;
const press = (text: string | RegExp) => fireEvent.press(screen.getAllByText(text)[0]!);
const findText = (text: string | RegExp) => screen.findAllByText(text);

describe('the list of swimmers', () => {
  it('finds, filters and goes on where the page ended', async () => {
    const second = { ...ROW, id: `${ID.slice(0, -1)}6`, givenName: 'Bo', focus: null };
    const calls = fakeServer({
      'GET /account/me': me,
      'GET /squads': squads,
      'GET /swimmers': ({ path }) => ({
        body: path.includes('cursor=next') ? { items: [second], next: null } : { items: [ROW], next: 'next' },
      }),
    });
    showAt({ swimmers: SwimmersScreen }, '/swimmers');
    await findText('Ada Lindqvale');
    expect(screen.getByText('second look due')).toBeTruthy();
    press('Show more');
    await findText('Bo Lindqvale');
    expect(screen.queryByText('Show more')).toBeNull();
    press('Evening Lanes');
    press('Race');
    fireEvent.changeText(screen.getByLabelText('Find a swimmer by name'), 'ad');
    await waitFor(() =>
      expect(
        calls.some(
          (c) => c.path.includes('search=ad') && c.path.includes('level=race') && c.path.includes(`squadId=${ID}`),
        ),
      ).toBe(true),
    );
  });

  it('says what is wrong and tries again', async () => {
    let broken = true;
    fakeServer({
      'GET /account/me': me,
      'GET /squads': squads,
      'GET /swimmers': () =>
        broken ? { status: 503, body: { detail: 'Not ready yet.' } } : { body: { items: [], next: null } },
    });
    showAt({ swimmers: SwimmersScreen }, '/swimmers');
    await findText('Not ready yet.');
    broken = false;
    press('Try again');
    await findText('No swimmers yet');
  });
});

describe('a swimmer’s page', () => {
  it('opens with the goal and the one focus, and says what to take care of', async () => {
    fakeServer({ 'GET /account/me': me, [`GET /swimmers/${ID}`]: () => ({ body: SWIMMER }) });
    showAt({ 'swimmers/[id]': SwimmerRoute }, `/swimmers/${ID}`);
    await findText('Ada Lindqvale');
    expect(screen.getByText('1:00:00 · 1:52.5 per 100 m')).toBeTruthy();
    expect(screen.getByText('“Sip to the side.”')).toBeTruthy();
    expect(screen.getByText(/Inhaler at the pool side/)).toBeTruthy();
    expect(screen.getByText('Look again')).toBeTruthy();
  });

  it('of somebody else is not there', async () => {
    fakeServer({
      'GET /account/me': me,
      [`GET /swimmers/${ID}`]: () => ({ status: 404, body: { detail: 'This is not here, or not yours to see.' } }),
    });
    showAt({ 'swimmers/[id]': SwimmerRoute }, `/swimmers/${ID}`);
    await findText('This is not here, or not yours to see.');
  });
});

describe('a review', () => {
  const answers = {
    'GET /account/me': me,
    'GET /outcomes': () => ({ body: [] }),
    [`GET /swimmers/${ID}`]: () => ({ body: SWIMMER }),
  };
  const layOut = () =>
    fireEvent(screen.getByLabelText('Parts of the body'), 'layout', {
      nativeEvent: { layout: { width: 358, height: 180 } },
    });

  it('goes from a tap on the body to a stored focus, and can be repeated after a lost answer', async () => {
    let lost = true;
    const calls = fakeServer({
      ...answers,
      'PUT /reviews/': () => {
        if (lost) throw new TypeError('network down');
        return { body: {} };
      },
    });
    const store = showAt(
      { 'swimmers/[id]/review': ReviewScreen, 'swimmers/[id]/index': Elsewhere },
      `/swimmers/${ID}/review`,
    );
    await findText('Ada Lindqvale');
    layOut();
    fireEvent.press(screen.getByLabelText('Signs at the head'));
    // The second look at the open focus asks for the same sign again: either answers it.
    fireEvent.press(screen.getAllByLabelText('the face turns past the side up and back: often')[0]!);
    await findText('Make it the focus: Turning too far for air');
    press('Make it the focus: Turning too far for air');
    await findText('Say one thing that is good first.');
    expect(calls.filter((c) => c.method === 'PUT')).toHaveLength(0);
    fireEvent.changeText(screen.getByLabelText('First, what is good?'), 'calm face');
    press('Make it the focus: Turning too far for air');
    await findText(/No connection to the server/);
    lost = false;
    press('Make it the focus: Turning too far for air');
    await findText('elsewhere');
    const [first, again] = calls.filter((c) => c.method === 'PUT');
    expect([again!.path, again!.body.writeId, again!.body.focus.id]).toEqual([
      first!.path,
      first!.body.writeId,
      first!.body.focus.id,
    ]);
    expect(again!.body).toMatchObject({
      signs: { 'face-up-and-back': 'often' },
      relook: { focusId: ID, outcome: 'same' },
      good: 'calm face',
      focus: { cause: 'breath-too-low', tries: 4 },
    });
    expect(store.getState().drafts).toEqual({});
  });

  it('asks for one more look while it is not sure, and lets the coach choose', async () => {
    fakeServer(answers);
    showAt({ 'swimmers/[id]/review': ReviewScreen }, `/swimmers/${ID}/review`);
    await findText('Ada Lindqvale');
    layOut();
    fireEvent.press(screen.getByLabelText('Signs at the body'));
    fireEvent.press(screen.getByLabelText('hips and legs ride low: often'));
    await findText(/Not sure enough for a focus/);
    press('Chest riding high');
    await findText('Make it the focus: Chest riding high');
    press('Undo');
    await waitFor(() => expect(screen.queryByText(/Make it the focus/)).toBeNull());
  });
});

describe('building a session', () => {
  it('builds itself, rebuilds at every wish and keeps what was chosen', async () => {
    const calls = fakeServer({
      'GET /account/me': me,
      'GET /squads': squads,
      'GET /sessions/proposal': () => ({ body: PROPOSAL }),
      'PUT /sessions/': ({ body }) => ({ body: { ...SESSION, ...body } }),
    });
    showAt({ 'sessions/new': NewSessionScreen, 'sessions/[id]': Elsewhere }, '/sessions/new');
    await findText(/^Everyone out at (19:59|20:00)$/);
    press('Build (6)');
    await waitFor(() => expect(screen.queryByText('Build')).toBeNull());
    press('50 m');
    press('Technique');
    await findText(/^Everyone out at (19:59|20:00)$/);
    await act(async () => {
      press('Keep it');
    });
    await findText('elsewhere');
    const { body } = calls.find((c) => c.method === 'PUT')!;
    expect(body).toMatchObject({
      version: 0,
      squadIds: [ID],
      plan: { kind: 'technique', pool: { length: 50, unit: 'm' }, theme: 'breath-too-low' },
    });
    expect(body.plan.groups.map((g: { level: string }) => g.level)).toEqual(['hold', 'race']);
  });

  it('says what clashes and what would help', async () => {
    fakeServer({
      'GET /account/me': me,
      'GET /squads': squads,
      'GET /sessions/proposal': () => ({ body: { ...PROPOSAL, groups: [{ ...PROPOSAL.groups[1]!, lengths: 400 }] } }),
    });
    showAt({ 'sessions/new': NewSessionScreen }, '/sessions/new');
    await findText(/10000 m cannot hold.*What would help: Leave the distance to the level/);
  });

  it('says who is missing', async () => {
    fakeServer({
      'GET /account/me': me,
      'GET /squads': squads,
      'GET /sessions/proposal': () => ({ body: { ...PROPOSAL, groups: [], themes: [], swimmers: 0 } }),
    });
    showAt({ 'sessions/new': NewSessionScreen }, '/sessions/new');
    await findText('Nobody trains in these squads yet.');
  });
});

describe('a stored session', () => {
  const open = async () => {
    await findText('Sip to the side');
    press(/^\d+ choice$/);
    fireEvent.press(screen.getByLabelText('More reps'));
    await findText('Unsaved changes are kept on this device.');
  };

  it('is changed, undone, redone and saved on the version it came from', async () => {
    let stored = SESSION;
    const calls = fakeServer({
      'GET /account/me': me,
      [`GET /sessions/${ID}/people`]: () => ({ body: [] }),
      [`GET /sessions/${ID}`]: () => ({ body: stored }),
      'PUT /sessions/': ({ body }) => ({ body: (stored = { ...SESSION, plan: body.plan, version: 3 }) }),
    });
    showAt({ 'sessions/[id]': SessionScreen }, `/sessions/${ID}`);
    await open();
    fireEvent.press(screen.getByLabelText('Undo'));
    fireEvent.press(screen.getByLabelText('Redo'));
    press('Save changes');
    await waitFor(() => expect(screen.queryByText('Unsaved changes are kept on this device.')).toBeNull());
    const { body } = calls.find((c) => c.method === 'PUT')!;
    expect(body.version).toBe(2);
    expect(body.plan).not.toEqual(PLAN);
  });

  /** A server on which somebody else saved version 7 meanwhile. */
  const meanwhile = (theirs: object) =>
    fakeServer({
      'GET /account/me': me,
      [`GET /sessions/${ID}/people`]: () => ({ body: [] }),
      [`GET /sessions/${ID}`]: () => ({ body: SESSION }),
      'PUT /sessions/': ({ body }) =>
        body.version === 7
          ? { body: { ...SESSION, ...body, version: 8 } }
          : { status: 409, body: { detail: 'Changed elsewhere.', current: { ...SESSION, ...theirs, version: 7 } } },
    });
  const saves = (calls: ReturnType<typeof fakeServer>) => calls.filter((c) => c.method === 'PUT').map((c) => c.body);

  it('is put together with what somebody else saved meanwhile, without a question', async () => {
    const calls = meanwhile({ title: 'Theirs' });
    showAt({ 'sessions/[id]': SessionScreen }, `/sessions/${ID}`);
    await open();
    press('Save changes');
    await waitFor(() =>
      expect(saves(calls).map((c) => [c.version, c.title])).toEqual([
        [2, SESSION.title],
        [7, 'Theirs'],
      ]),
    );
    expect(saves(calls)[1].plan).toEqual(saves(calls)[0].plan);
  });

  it('says what both changed, keeps the own word, and stores it with one more press', async () => {
    const calls = meanwhile({ title: 'Theirs' });
    showAt({ 'sessions/[id]': SessionScreen }, `/sessions/${ID}`);
    fireEvent.changeText(await screen.findByLabelText('Title'), 'Mine');
    press('Save changes');
    await findText('Both of you changed the title. Here it stands as you changed it; everything else is from both.');
    press('Keep mine');
    await waitFor(() => expect(screen.queryByText(/^Both of you/)).toBeNull());
    fireEvent.press(await screen.findByText('Save changes'));
    await waitFor(() =>
      expect(saves(calls).map((c) => [c.version, c.title])).toEqual([
        [2, 'Mine'],
        [7, 'Mine'],
      ]),
    );
  });

  it('is read on the deck one level at a time', async () => {
    fakeServer({ [`GET /sessions/${ID}`]: () => ({ body: SESSION }) });
    showAt({ 'deck/[id]': DeckCardScreen }, `/deck/${ID}`);
    await findText('Sip to the side');
    press('Race');
    expect(screen.getAllByText(/^out (19:59|20:00)$/)).toHaveLength(1);
    expect(screen.getAllByText(/times through$/).length).toBeGreaterThan(0);
  });

  it('is found in the list by its theme', async () => {
    const other = { ...SESSION_ROW, id: 'x', title: 'Two rails', theme: 'crosses-midline' };
    fakeServer({
      'GET /account/me': me,
      'GET /sessions': ({ path }) => ({
        body: path.includes('search=seeks') ? [SESSION_ROW] : [SESSION_ROW, other],
      }),
    });
    showAt({ sessions: SessionsScreen }, '/sessions');
    await findText('Two rails');
    fireEvent.changeText(screen.getByLabelText('Find a session by title or theme'), 'seeks air');
    await waitFor(() => expect(screen.queryByText('Two rails')).toBeNull());
    expect(screen.getByText('Sip to the side')).toBeTruthy();
  });
});

describe('the other places', () => {
  it('deck: today’s sessions and whose second look is due', async () => {
    fakeServer({
      'GET /account/me': me,
      'GET /deck/today': () => ({
        body: { date: '2026-11-24', sessions: [SESSION_ROW], relooks: [FOCUS], tests: [], ready: [], loads: [] },
      }),
    });
    showAt({ deck: DeckScreen }, '/deck');
    await findText('Ada Lindqvale');
    expect(screen.getByText('Sip to the side')).toBeTruthy();
  });

  it('squads: a save sent again is the same save', async () => {
    let lost = true;
    const calls = fakeServer({
      'GET /squads': squads,
      'GET /coaches': () => ({
        body: [
          { id: ID, name: 'Jory' },
          { id: 'y', name: 'Oda' },
        ],
      }),
      'PUT /squads/': () => {
        if (lost) throw new TypeError('network down');
        return { body: SQUAD };
      },
    });
    showAt({ squads: SquadsScreen }, '/squads');
    await findText('Oda');
    press('Oda');
    press('Save squad');
    await findText(/No connection/);
    lost = false;
    press('Save squad');
    await waitFor(() => expect(calls.filter((c) => c.method === 'PUT')).toHaveLength(2));
    const [first, again] = calls.filter((c) => c.method === 'PUT');
    expect(again!.body).toEqual(first!.body);
    expect(first!.body.coachIds).toEqual([ID, 'y']);
  });

  it('account: chooses the light and warns of unsaved work before signing out', async () => {
    const calls = fakeServer({ 'GET /account/me': me, 'POST /account/sign-out': () => ({ body: null }) });
    const store = showAt({ account: AccountScreen, 'sign-in': Elsewhere }, '/account');
    await findText('Jory · Coach');
    press('Night');
    expect(store.getState().settings.theme).toBe('night');
    act(() => void store.dispatch({ type: 'drafts/keepDraft', payload: { key: 'review:x', value: {} } }));
    await findText(/1 unsaved piece of work/);
    press('Sign out');
    await findText('elsewhere');
    expect(calls.some((c) => c.path === '/account/sign-out')).toBe(true);
    expect(store.getState().drafts).toEqual({});
  });

  it('library: from a cause to its signs, cue and drills', async () => {
    showAt({ library: LibraryScreen }, '/library');
    fireEvent.changeText(screen.getByLabelText('Find by name'), 'too far for air');
    press('Turning too far for air');
    await findText(/To tell it from others: Let the head ride/);
    expect(screen.queryByText('Not at ease in the water')).toBeNull();
  });
});
