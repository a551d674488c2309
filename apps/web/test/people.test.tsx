import { fireEvent, screen, waitFor, within } from '@testing-library/react-native';
import { Text } from 'react-native';
import { SignInScreen } from '@/account/SignInScreen';
import { JoinScreen } from '@/people/screens/JoinScreen';
import { PeopleScreen } from '@/people/screens/PeopleScreen';
import { ResetScreen } from '@/people/screens/ResetScreen';
import { fakeServer, ID, ME, showAt, SQUAD, type Call } from './fakeServer';

const HEAD = { ...ME, role: 'head' };
const TOKEN = 'x'.repeat(43);
const account = (change: object) => ({
  ...{ id: 'a1', version: 1, name: 'Odile Ferrant', email: 'odile@club.example', role: 'coach', squadIds: [] },
  ...{ swimmerId: null, swimmer: null, disabled: false, lastSeen: null, ...change },
});
const made = { id: 'i1', link: `https://club.example/join#${TOKEN}`, expiresAt: '2026-12-11T10:00:00Z', mailed: null };
const sent = (calls: Call[], method: string, path: string) =>
  calls.filter((c) => c.method === method && c.path.startsWith(path)).map((c) => c.body);
const type = (label: string, text: string) => fireEvent.changeText(screen.getByLabelText(label), text);

const people = (answers: Parameters<typeof fakeServer>[0] = {}, me: object = HEAD, at = '/account/people') => {
  const calls = fakeServer({
    'GET /account/me': () => ({ body: me }),
    'GET /accounts': () => ({ body: [account({}), account({ id: ME.accountId, name: 'Ines Moll', role: 'head' })] }),
    'GET /invitations': () => ({ body: [] }),
    'GET /squads': () => ({ body: [SQUAD] }),
    'POST /invitations': () => ({ status: 201, body: made }),
    ...answers,
  });
  showAt({ 'account/people': PeopleScreen }, at);
  return calls;
};

describe('inviting', () => {
  it('makes a coach’s link with their squads, shown once as text and code', async () => {
    const calls = people();
    fireEvent.press(await screen.findByText(SQUAD.name));
    type('E-mail, if you have it', ' odile@club.example ');
    fireEvent.press(screen.getByText('Make the link'));
    expect((await screen.findByLabelText('The link')).props.value).toBe(made.link);
    expect(screen.getByLabelText('The link as a QR code')).toBeTruthy();
    expect(screen.getByText('For odile@club.example')).toBeTruthy();
    expect(sent(calls, 'POST', '/invitations')).toEqual([
      { role: 'coach', email: 'odile@club.example', squadIds: [SQUAD.id], swimmerId: null },
    ]);
    fireEvent.press(screen.getByText('Done'));
    expect(screen.queryByLabelText('The link')).toBeNull();
    expect(screen.getByText('Make the link')).toBeTruthy();
  });

  it('asks whose account it will be, and says it for a child’s guardian', async () => {
    const row = { id: ID, givenName: 'Oda', familyName: 'Quarrel', squadName: 'Juniors' };
    const calls = people({
      'GET /swimmers?': () => ({ body: { items: [row], next: null } }),
      [`GET /swimmers/${ID}`]: () => ({ body: { ...row, squadId: 's' } }),
    });
    fireEvent.press(await screen.findByText('Swimmer or guardian'));
    expect(screen.getByText(/For a child, a parent or guardian signs up/)).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Make the link' })).toBeDisabled();
    type('Whose account: find by name', 'oda');
    fireEvent.press(await screen.findByText('Oda Quarrel · Juniors'));
    expect(await screen.findByText('This will be the account of Oda Quarrel.')).toBeTruthy();
    fireEvent.press(screen.getByText('Make the link'));
    expect(await screen.findByText('For Oda Quarrel')).toBeTruthy();
    expect(sent(calls, 'POST', '/invitations')[0]).toMatchObject({ role: 'swimmer', swimmerId: ID, email: null });
  });

  it('of a coach is for swimmers only, and says where mail did not go', async () => {
    people(
      {
        [`GET /swimmers/${ID}`]: () => ({ body: { id: ID, givenName: 'Oda', familyName: 'Quarrel' } }),
        'POST /invitations': () => ({ status: 201, body: { ...made, mailed: false } }),
      },
      { ...ME, role: 'coach' },
      `/account/people?swimmer=${ID}`,
    );
    expect(await screen.findByText('This will be the account of Oda Quarrel.')).toBeTruthy();
    expect(screen.queryByText('Coach')).toBeNull();
    type('E-mail, if you have it', 'home@quarrel.example');
    fireEvent.press(screen.getByText('Make the link'));
    expect(await screen.findByText(/did not accept the e-mail to home@quarrel.example/)).toBeTruthy();
  });

  it('says what is wrong with the address, and takes open invitations back', async () => {
    const calls = people({
      'POST /invitations': () => ({
        status: 400,
        body: { detail: 'x', fields: [{ field: 'email', message: 'This does not look like an e-mail address.' }] },
      }),
      'GET /invitations': () => ({
        body: [
          {
            ...made,
            role: 'swimmer',
            email: null,
            squadIds: [],
            swimmerId: ID,
            swimmer: 'Oda Quarrel',
            by: 'Ines Moll',
            madeAt: '2026-11-27T10:00:00Z',
          },
        ],
      }),
      'DELETE /invitations/i1': () => ({ status: 204, body: null }),
    });
    await screen.findByText('Oda Quarrel');
    type('E-mail, if you have it', 'odile');
    fireEvent.press(screen.getByText('Make the link'));
    expect(await screen.findByText('This does not look like an e-mail address.')).toBeTruthy();
    fireEvent.press(screen.getByLabelText('Revoke the invitation for Oda Quarrel'));
    await waitFor(() => expect(sent(calls, 'DELETE', '/invitations/i1')).toHaveLength(1));
  });
});

describe('the people of the club', () => {
  it('stand by what they are; one is opened, gets squads, and leaves', async () => {
    let stored = account({});
    const calls = people({
      'GET /accounts': () => ({ body: [stored, account({ id: ME.accountId, name: 'Ines Moll', role: 'head' })] }),
      'PUT /accounts/a1': ({ body }) => ({ body: (stored = account({ ...body, version: body.version + 1 })) }),
    });
    expect(await screen.findByText('Head coaches')).toBeTruthy();
    expect(screen.getByText(/no squad yet · not seen yet/)).toBeTruthy();
    fireEvent.press(screen.getByText('Odile Ferrant'));
    const squads = await screen.findAllByText(SQUAD.name);
    fireEvent.press(squads.at(-1)!);
    fireEvent.press(screen.getByText('Save'));
    await waitFor(() => expect(sent(calls, 'PUT', '/accounts/a1')).toHaveLength(1));
    expect(sent(calls, 'PUT', '/accounts/a1')[0]).toMatchObject({
      squadIds: [SQUAD.id],
      role: 'coach',
      disabled: false,
      version: 1,
    });
    await waitFor(() => expect(screen.queryByText(/no squad yet/)).toBeNull());
    fireEvent.press(await screen.findByText('Has left the club'));
    await waitFor(() => expect(sent(calls, 'PUT', '/accounts/a1').at(-1)).toMatchObject({ disabled: true }));
  });

  it('get a link for a new password; oneself does not, and changes it where one is signed in', async () => {
    const calls = people({
      'POST /accounts/a1/reset-link': () => ({ body: { ...made, link: 'https://club.example/reset#y' } }),
    });
    fireEvent.press(await screen.findByText('Odile Ferrant'));
    fireEvent.press(await screen.findByText('Link for a new password'));
    expect(await screen.findByText('A new password for Odile Ferrant')).toBeTruthy();
    expect(sent(calls, 'POST', '/accounts/a1/reset-link')).toHaveLength(1);
    fireEvent.press(screen.getByText('Done'));
    fireEvent.press(screen.getByText('Ines Moll'));
    expect(await screen.findByText('Role')).toBeTruthy();
    expect(screen.queryByText('Link for a new password')).toBeNull();
  });

  it('who left come back; what the server refuses is said', async () => {
    people({
      'GET /accounts': () => ({ body: [account({ disabled: true })] }),
      'PUT /accounts/a1': () => ({ status: 422, body: { detail: 'A club has a head coach.' } }),
    });
    expect(await screen.findByText('Left the club')).toBeTruthy();
    fireEvent.press(screen.getByText('Odile Ferrant'));
    expect(screen.queryByText('Link for a new password')).toBeNull();
    fireEvent.press(await screen.findByText('Let back in'));
    expect(await screen.findByText('A club has a head coach.')).toBeTruthy();
  });
});

describe('behind a link', () => {
  const open = {
    state: 'open',
    clubName: 'Kestrel Bay',
    role: 'swimmer',
    email: null,
    invitedBy: 'Ines Moll',
    swimmer: 'Oda Quarrel',
    child: true,
  };
  const DOORS = {
    'sign-in': SignInScreen,
    join: JoinScreen,
    reset: ResetScreen,
    deck: () => <Text>The deck</Text>,
    'my-week': () => <Text>The week</Text>,
  };
  const show = (page: 'join' | 'reset', answers: Parameters<typeof fakeServer>[0], token = TOKEN) => {
    Object.assign(window, { location: { hash: token ? `#${token}` : '', origin: 'http://localhost' } });
    const calls = fakeServer({ 'GET /setup': () => ({ body: { needed: false } }), ...answers });
    showAt(DOORS, `/${page}`);
    return calls;
  };

  afterEach(() => Object.assign(window, { location: undefined }));

  it('a guardian comes in and lands at the week', async () => {
    const calls = show('join', {
      'POST /invitations/look': () => ({ body: open }),
      'POST /invitations/accept': () => ({ status: 201, body: { ...ME, role: 'swimmer' } }),
    });
    expect(await screen.findByText('Ines Moll invites you to the account of Oda Quarrel.')).toBeTruthy();
    expect(screen.getByText(/a parent or guardian signs up here/)).toBeTruthy();
    // The child's name is not proposed as theirs.
    expect(screen.getByLabelText('Your name').props.value).toBe('');
    type('Your name', 'Mara Quarrel');
    type('E-mail', 'home@quarrel.example');
    type('Password, 10 characters or more', 'three wet towels');
    fireEvent.press(screen.getByText('Join'));
    expect(await screen.findByText('The week')).toBeTruthy();
    expect(sent(calls, 'POST', '/invitations/accept')).toEqual([
      { token: TOKEN, name: 'Mara Quarrel', email: 'home@quarrel.example', password: 'three wet towels' },
    ]);
  });

  it('a coach keeps what was typed when something is wrong with it', async () => {
    show('join', {
      'POST /invitations/look': () => ({
        body: { ...open, role: 'coach', swimmer: null, child: false, email: 'odile@club.example' },
      }),
      'POST /invitations/accept': () => ({
        status: 422,
        body: { detail: 'x', fields: [{ field: 'email', message: 'Somebody signs in with this address already.' }] },
      }),
    });
    expect(await screen.findByText('Ines Moll invites you as a coach.')).toBeTruthy();
    expect(screen.getByLabelText('E-mail').props.value).toBe('odile@club.example');
    type('Your name', 'Odile Ferrant');
    fireEvent.press(screen.getByText('Join'));
    expect(await screen.findByText('Somebody signs in with this address already.')).toBeTruthy();
    expect(screen.getByLabelText('Your name').props.value).toBe('Odile Ferrant');
  });

  it.each([
    ['used', 'You are already a member'],
    ['over', 'This invitation has expired'],
  ])('one that is %s leads to the sign-in', async (state, title) => {
    show('join', { 'POST /invitations/look': () => ({ body: { ...open, state } }) });
    expect(await screen.findByText(title)).toBeTruthy();
    fireEvent.press(screen.getByText('Go to sign-in'));
    expect(await screen.findByLabelText('Password')).toBeTruthy();
  });

  it.each([
    ['unknown', TOKEN],
    ['without its secret', ''],
  ])('one that is %s says so', async (_what, token) => {
    show('join', { 'POST /invitations/look': () => ({ status: 404, body: { detail: 'Not here.' } }) }, token);
    expect(await screen.findByText('This link does not work')).toBeTruthy();
  });

  it('without a network it can be tried again', async () => {
    let away = true;
    show('join', {
      'POST /invitations/look': () => {
        if (away) throw new TypeError('network');
        return { body: open };
      },
    });
    expect(await screen.findByText(/No connection to the server/)).toBeTruthy();
    away = false;
    fireEvent.press(screen.getByText('Try again'));
    expect(await screen.findByText('Join')).toBeTruthy();
  });

  it('a new password is set, and signed in with', async () => {
    const calls = show('reset', {
      'POST /account/reset/look': () => ({ body: { state: 'open', name: 'Odile Ferrant' } }),
      'POST /account/reset': () => ({ status: 204, body: null }),
    });
    expect(await screen.findByText('For Odile Ferrant. Every device will be signed out.')).toBeTruthy();
    type('New password, 10 characters or more', 'four dry towels');
    fireEvent.press(screen.getByText('Set the password'));
    expect(await screen.findByText('Your new password is set')).toBeTruthy();
    expect(sent(calls, 'POST', '/account/reset').at(-1)).toEqual({ token: TOKEN, password: 'four dry towels' });
    fireEvent.press(screen.getByText('Go to sign-in'));
    expect(await screen.findByLabelText('Password')).toBeTruthy();
  });

  it('a weak password and a link that is over are said', async () => {
    show('reset', {
      'POST /account/reset/look': () => ({ body: { state: 'open', name: 'Odile Ferrant' } }),
      'POST /account/reset': () => ({ status: 422, body: { detail: 'This password is guessed quickly.' } }),
    });
    type2(await screen.findByLabelText('New password, 10 characters or more'), 'password1234');
    fireEvent.press(screen.getByText('Set the password'));
    expect(await screen.findByText('This password is guessed quickly.')).toBeTruthy();
    screen.unmount();
    show('reset', { 'POST /account/reset/look': () => ({ body: { state: 'over', name: '' } }) });
    expect(await screen.findByText('This link has expired')).toBeTruthy();
  });

  it('somebody who forgot the password learns how', async () => {
    fakeServer({ 'GET /setup': () => ({ body: { needed: false } }) });
    showAt(DOORS, '/sign-in');
    fireEvent.press(await screen.findByText('Forgotten your password?'));
    expect(within(screen.root).getByText(/Your head coach can make you a link/)).toBeTruthy();
  });
});

const type2 = (field: ReturnType<typeof screen.getByLabelText>, text: string) => fireEvent.changeText(field, text);
