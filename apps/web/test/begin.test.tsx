import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import { Text } from 'react-native';
import { AccountScreen } from '@/account/AccountScreen';
import { BeginScreen } from '@/account/BeginScreen';
import { SignInScreen } from '@/account/SignInScreen';
import { FirstSteps } from '@/deck/FirstSteps';
import { NewSwimmerScreen } from '@/swimmers/screens/SwimmerFormScreen';
import { fakeServer, ID, ME, showAt, SQUAD, type Call } from './fakeServer';

const HEAD = { ...ME, role: 'head' };
const nameOf = ({ method, path }: Call) => `${method} ${path}`;
const Steps = () => (
  <>
    <FirstSteps />
  </>
);
const at = (label: string) => screen.getByLabelText(label);
const type = (label: string, text: string) => fireEvent.changeText(at(label), text);
const PAGES = { 'sign-in': SignInScreen, begin: BeginScreen, deck: () => <Text>The deck</Text> };

describe('a server without a club', () => {
  it('leads from the sign-in to the beginning, and from there to the deck', async () => {
    const calls = fakeServer({
      'GET /setup': () => ({ body: { needed: true } }),
      'POST /setup': () => ({ status: 201, body: HEAD }),
    });
    showAt(PAGES, '/sign-in');
    expect(await screen.findByText('There is no club on this server yet.')).toBeTruthy();
    // Nobody can sign in where nobody is.
    expect(screen.queryByLabelText('Password')).toBeNull();
    fireEvent.press(screen.getByText('Set up your club'));
    expect(await screen.findByText('You, as head coach')).toBeTruthy();
    // What the device knows is proposed.
    expect(at('Time zone, or a city in it').props.value).toBe(Intl.DateTimeFormat().resolvedOptions().timeZone);
    type('Code', 'abcd-efgh-jkmn');
    type('Name of the club', 'Kestrel Bay');
    type('Your name', 'Ines Moll');
    type('E-mail', 'ines@kestrel.example');
    type('Password, 10 characters or more', 'three wet towels');
    fireEvent.press(screen.getAllByText('Begin').at(-1)!);
    expect(await screen.findByText('The deck')).toBeTruthy();
    expect(calls.find((c) => nameOf(c) === 'POST /setup')!.body).toEqual({
      ...{ code: 'abcd-efgh-jkmn', clubName: 'Kestrel Bay', name: 'Ines Moll', email: 'ines@kestrel.example' },
      ...{ password: 'three wet towels', timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone },
    });
  });

  it('keeps what was typed, and says what is wrong right under it', async () => {
    fakeServer({
      'GET /setup': () => ({ body: { needed: true } }),
      'POST /setup': () => ({
        status: 400,
        body: {
          detail: 'A code has twelve letters.',
          fields: [{ field: 'code', message: 'A code has twelve letters.' }],
        },
      }),
    });
    showAt(PAGES, '/begin');
    await screen.findByText('Set up your club');
    type('Code', 'let me in');
    fireEvent.press(screen.getByText('Begin'));
    expect(await screen.findByText('A code has twelve letters.')).toBeTruthy();
    expect(at('Code').props.value).toBe('let me in');
    expect(screen.queryByText('The deck')).toBeNull();
  });

  it('is not begun twice: with a club it is the sign-in', async () => {
    fakeServer({ 'GET /setup': () => ({ body: { needed: false } }) });
    showAt(PAGES, '/begin');
    expect(await screen.findByText('Sign in')).toBeTruthy();
    await waitFor(() => expect(screen.getByLabelText('Password')).toBeTruthy());
  });
});

describe('a club that has just begun', () => {
  const steps = async (squads: object[]) => {
    fakeServer({ 'GET /squads': () => ({ body: squads }) });
    showAt({ deck: Steps, 'swimmers/squads': () => <Text>Squads</Text> }, '/deck');
  };

  it('is led from squads to swimmers to the first session', async () => {
    await steps([]);
    fireEvent.press(await screen.findByText('Add squads'));
    expect(await screen.findByText('Squads')).toBeTruthy();
  });

  it('sees what is done, and nothing of it once there are swimmers', async () => {
    await steps([{ ...SQUAD, swimmers: 0 }]);
    expect(await screen.findByText(/have pool time – done$/)).toBeTruthy();
    expect(screen.queryByText('Add squads')).toBeNull();
    expect(screen.getByText('Import swimmers')).toBeTruthy();
    screen.unmount();
    await steps([SQUAD]);
    await waitFor(() => expect(screen.queryByText('First steps')).toBeNull());
  });

  it('is led to a squad where a swimmer needs one; a coach asks the head coach', async () => {
    for (const [role, words] of [
      ['head', 'A swimmer belongs to a squad, and there is none yet.'],
      ['coach', 'There is no squad yet. The head coach adds one.'],
    ] as const) {
      fakeServer({ 'GET /squads': () => ({ body: [] }), 'GET /account/me': () => ({ body: { ...ME, role } }) });
      showAt({ 'swimmers/new': NewSwimmerScreen }, '/swimmers/new');
      expect(await screen.findByText(words)).toBeTruthy();
      screen.unmount();
    }
  });
});

describe('the own account', () => {
  const device = (id: string, here: boolean) => ({
    ...{ id, device: `Browser on a ${here ? 'phone' : 'tablet'}`, here },
    ...{ begunAt: '2026-11-20T10:00:00Z', usedAt: new Date(Date.now() - 86_400_000).toISOString() },
  });
  const show = (answers: Parameters<typeof fakeServer>[0] = {}) => {
    const calls = fakeServer({
      'GET /account/me': () => ({ body: ME }),
      'GET /account/sign-ins': () => ({ body: [device(ID, true), device('other', false)] }),
      ...answers,
    });
    showAt({ account: AccountScreen }, '/account');
    return calls;
  };

  it('changes its password, and says that others are signed out', async () => {
    const calls = show({ 'POST /account/password': () => ({ status: 204, body: null }) });
    fireEvent.press(await screen.findByText('Change the password'));
    type('Old password', 'quiet-water-demo');
    type('New password, 10 characters or more', 'too short');
    fireEvent.press(screen.getByText('Change password'));
    expect(calls.filter((c) => nameOf(c) === 'POST /account/password')).toEqual([]);
    type('New password, 10 characters or more', 'four dry towels');
    fireEvent.press(screen.getByText('Change password'));
    expect(await screen.findByText(/^Your password is changed/)).toBeTruthy();
    expect(calls.find((c) => nameOf(c) === 'POST /account/password')!.body).toEqual({
      ...{ old: 'quiet-water-demo', new: 'four dry towels' },
    });
  });

  it('keeps both passwords when the old one is wrong', async () => {
    show({ 'POST /account/password': () => ({ status: 422, body: { detail: 'The old password is not right.' } }) });
    fireEvent.press(await screen.findByText('Change the password'));
    type('Old password', 'not it at all');
    type('New password, 10 characters or more', 'four dry towels');
    fireEvent.press(screen.getByText('Change password'));
    expect(await screen.findByText('The old password is not right.')).toBeTruthy();
    expect(at('Old password').props.value).toBe('not it at all');
  });

  it('shows its devices and ends the others, never the one it is on', async () => {
    const calls = show({
      'DELETE /account/sign-ins/other': () => ({ status: 204, body: null }),
      'DELETE /account/sign-ins': () => ({ status: 204, body: null }),
    });
    expect(await screen.findByText('This device')).toBeTruthy();
    expect(screen.getByText('Last used yesterday')).toBeTruthy();
    expect(screen.queryByLabelText('End the sign-in on Browser on a phone')).toBeNull();
    fireEvent.press(screen.getByLabelText('End the sign-in on Browser on a tablet'));
    await waitFor(() => expect(calls.map(nameOf)).toContain('DELETE /account/sign-ins/other'));
    fireEvent.press(screen.getByText('End all others'));
    await waitFor(() => expect(calls.map(nameOf)).toContain('DELETE /account/sign-ins'));
  });
});
