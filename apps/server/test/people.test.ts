import { tokenHash } from '../src/platform/identity';
import { Harness, PASSWORD, type TestClub } from './harness';

let harness: Harness;
let club: TestClub;
type Caller = Awaited<ReturnType<TestClub['as']>>;
let head: Caller;
let coach: Caller;
beforeAll(async () => {
  harness = await Harness.start();
});
afterAll(() => harness.stop());
beforeEach(async () => {
  club = await harness.club();
  [head, coach] = [await club.as('head'), await club.as('coach')];
});

const tokenOf = (link: string) => link.split('#')[1]!;
const post = (url: string, payload: object, remoteAddress = '192.0.2.1') =>
  harness.app.inject({ method: 'POST', url: `/api/v1${url}`, payload, remoteAddress });
const PERSON = { name: 'Odile Ferrant', password: 'three wet towels' };
let n = 0;
const join = (link: string, change: object = {}) =>
  post('/invitations/accept', { ...PERSON, token: tokenOf(link), email: `p${++n}@${club.id}.example`, ...change });
const invite = async (who: Caller, body: object) =>
  (await who('POST', '/invitations', body)).body as { link: string; id: string };
const sql = <T extends object>(text: string, values: unknown[]) => harness.owner.em.fork().execute<T[]>(text, values);
const cookieOf = (answer: { cookies: { name: string; value: string }[] }) => ({
  upwell_session: answer.cookies.find((c) => c.name === 'upwell_session')!.value,
});

describe('an invitation', () => {
  it('brings a coach in, once, with the squads it names', async () => {
    const email = `odile@${club.id}.example`;
    const made = await head('POST', '/invitations', { role: 'coach', email, squadIds: club.squads });
    expect(made.status).toBe(201);
    expect(made.body).toMatchObject({ mailed: null, link: expect.stringMatching(/^http:\/\/[^/]+\/join#[\w-]{43}$/) });
    const days = (Date.parse(made.body.expiresAt) - Date.now()) / 86_400_000;
    expect(days).toBeGreaterThan(13.9);
    expect(days).toBeLessThanOrEqual(14);
    // Its secret is stored nowhere, only what finds it again.
    const [row] = await sql<{ all: string }>('select i::text as all from invitation i where id = ?', [made.body.id]);
    expect(row!.all).not.toContain(tokenOf(made.body.link));
    const look = await post('/invitations/look', { token: tokenOf(made.body.link) });
    expect(look.json()).toMatchObject({ state: 'open', role: 'coach', email, swimmer: null, child: false });

    const joined = await join(made.body.link, { email });
    expect(joined.statusCode).toBe(201);
    expect(joined.json()).toMatchObject({ name: 'Odile Ferrant', role: 'coach', clubId: club.id });
    const squads = await harness.app.inject({ url: '/api/v1/squads', cookies: cookieOf(joined) });
    expect(squads.json<{ id: string }[]>().map((s) => s.id)).toEqual(club.squads);

    const again = await join(made.body.link);
    expect([again.statusCode, again.json<{ detail: string }>().detail]).toEqual([
      410,
      expect.stringContaining('has been used'),
    ]);
    const after = (await post('/invitations/look', { token: tokenOf(made.body.link) })).json<object>();
    expect(after).toEqual({
      state: 'used',
      clubName: expect.any(String),
      role: 'coach',
      email: null,
      invitedBy: '',
      swimmer: null,
      child: false,
    });
    expect((await head('GET', '/invitations')).body).toEqual([]);
  });

  it('is used by one of two who try at the same moment', async () => {
    const { link } = await invite(head, { role: 'coach' });
    const answers = await Promise.all([1, 2, 3].map(() => join(link)));
    expect(answers.map((a) => a.statusCode).sort()).toEqual([201, 410, 410]);
    expect(await sql('select id from account where club_id = ?', [club.id])).toHaveLength(3);
  });

  it('brings a swimmer, or the guardian of a child, to one swimmer and no other', async () => {
    const [child, other] = [await club.addSwimmer(undefined, { birthYear: 2014 }), await club.addSwimmer()];
    const { link } = await invite(coach, { role: 'swimmer', swimmerId: child });
    const look = await post('/invitations/look', { token: tokenOf(link) });
    expect(look.json()).toMatchObject({ role: 'swimmer', swimmer: 'Ada Lindqvale', child: true });
    const joined = await join(link);
    expect(joined.json()).toMatchObject({ role: 'swimmer', swimmerId: child });
    const see = async (id: string) =>
      (await harness.app.inject({ url: `/api/v1/swimmers/${id}`, cookies: cookieOf(joined) })).statusCode;
    expect([await see(child), await see(other)]).toEqual([200, 404]);
    // Both guardians may have a way in.
    expect((await join((await invite(coach, { role: 'swimmer', swimmerId: child })).link)).statusCode).toBe(201);
  });

  it('is not made by those who may not', async () => {
    const stranger = await harness.club();
    const foreign = await stranger.addSwimmer();
    const second = await club.addSquad('Second', []);
    const elsewhere = await club.addSwimmer(second);
    const status = async (who: Caller, body: object) => (await who('POST', '/invitations', body)).status;
    expect(await status(coach, { role: 'coach' })).toBe(403);
    expect(await status(coach, { role: 'head' })).toBe(403);
    expect(await status(coach, { role: 'swimmer', swimmerId: elsewhere })).toBe(404);
    expect(await status(head, { role: 'swimmer', swimmerId: foreign })).toBe(404);
    expect(await status(head, { role: 'swimmer' })).toBe(400);
    expect(await status(head, { role: 'coach', swimmerId: elsewhere })).toBe(400);
    expect(await status(head, { role: 'coach', squadIds: stranger.squads })).toBe(400);
    expect(await status(head, { role: 'owner' })).toBe(400);
    expect(await sql('select id from invitation where club_id = ?', [club.id])).toEqual([]);
  });

  it('is seen and taken back by who made it and by the head coach', async () => {
    const swimmerId = await club.addSwimmer();
    const own = await invite(coach, { role: 'swimmer', swimmerId });
    const heads = await invite(head, { role: 'coach', email: 'later@club.example' });
    const listed = async (who: Caller) =>
      ((await who('GET', '/invitations')).body as { id: string }[]).map((i) => i.id);
    expect(await listed(coach)).toEqual([own.id]);
    expect((await listed(head)).sort()).toEqual([own.id, heads.id].sort());
    expect((await coach('DELETE', `/invitations/${heads.id}`)).status).toBe(404);
    expect((await head('DELETE', `/invitations/${own.id}`)).status).toBe(204);
    expect((await join(own.link)).statusCode).toBe(404);
    expect((await join(heads.link)).statusCode).toBe(201);
    expect((await head('DELETE', `/invitations/${heads.id}`)).status).toBe(404);
  });

  it('is over after its days, refuses weak passwords and addresses that are taken, and is not guessed', async () => {
    const { link, id } = await invite(head, { role: 'coach' });
    expect((await join(link, { password: 'password1234' })).statusCode).toBe(422);
    expect((await join(link, { password: 'short' })).statusCode).toBe(400);
    const taken = await join(link, { email: club.accounts.coach!.email.toUpperCase() });
    expect([taken.statusCode, taken.json<{ fields: object[] }>().fields]).toEqual([
      422,
      [expect.objectContaining({ field: 'email' })],
    ]);
    await sql('update invitation set expires_at = now() where id = ?', [id]);
    const over = await join(link);
    expect([over.statusCode, over.json<{ detail: string }>().detail]).toEqual([
      410,
      expect.stringContaining('has expired'),
    ]);
    expect((await head('GET', '/invitations')).body).toEqual([]);
    const codes = [];
    for (let i = 0; i < 22; i++)
      codes.push((await post('/invitations/look', { token: `${i}`.padStart(43, 'x') }, '192.0.2.77')).statusCode);
    expect(codes).toEqual([...Array<number>(20).fill(404), 429, 429]);
    expect((await post('/invitations/look', { token: '__proto__' })).statusCode).toBe(400);
  });

  it('goes with the swimmer who is erased, and with the coach who leaves', async () => {
    const swimmerId = await club.addSwimmer();
    const { link } = await invite(head, { role: 'swimmer', swimmerId });
    expect((await head('DELETE', `/swimmers/${swimmerId}`)).status).toBe(200);
    expect((await join(link)).statusCode).toBe(404);
    const theirs = await invite(coach, { role: 'swimmer', swimmerId: await club.addSwimmer() });
    expect((await save(club.accounts.coach!.id, { disabled: true })).status).toBe(200);
    expect((await join(theirs.link)).statusCode).toBe(404);
  });
});

/** Changes what the head coach sees of an account. */
const save = async (id: string, change: object, who = head) => {
  const all = (await head('GET', '/accounts')).body as { id: string; [field: string]: unknown }[];
  const { role, squadIds, swimmerId, disabled, version } = all.find((a) => a.id === id)!;
  const writeId = crypto.randomUUID();
  return who('PUT', `/accounts/${id}`, { role, squadIds, swimmerId, disabled, version, writeId, ...change });
};

describe('the people of a club', () => {
  it('are listed for the head coach, without a word of their passwords', async () => {
    const swimmerId = await club.addSwimmer();
    await club.addAccount('swimmer', swimmerId);
    const { status, body } = await head('GET', '/accounts');
    expect(status).toBe(200);
    expect(body).toHaveLength(3);
    expect(JSON.stringify(body)).not.toContain('argon2');
    expect(body.find((a: { role: string }) => a.role === 'coach')).toMatchObject({
      squadIds: club.squads,
      disabled: false,
    });
    expect(body.find((a: { role: string }) => a.role === 'swimmer')).toMatchObject({
      swimmer: 'Ada Lindqvale',
      lastSeen: null,
    });
    expect((await coach('GET', '/accounts')).status).toBe(403);
  });

  it('leave: out at once on every device, no squad any more, their name on what they did', async () => {
    const id = club.accounts.coach!.id;
    const swimmerId = await club.addSwimmer();
    expect((await coach('GET', `/swimmers/${swimmerId}`)).status).toBe(200);
    const left = await save(id, { disabled: true });
    expect(left.body).toMatchObject({ disabled: true, squadIds: [] });
    expect((await coach('GET', `/swimmers/${swimmerId}`)).status).toBe(401);
    const again = await post('/account/sign-in', { email: club.accounts.coach!.email, password: PASSWORD });
    expect(again.statusCode).toBe(401);
    // The squad can be saved as it is shown now.
    const [squad] = (await head('GET', '/squads')).body as { id: string; coachIds: string[] }[];
    expect(squad!.coachIds).toEqual([]);
    expect(await sql('select name from account where id = ?', [id])).toHaveLength(1);
    // And come back.
    expect((await save(id, { disabled: false, squadIds: club.squads })).body).toMatchObject({ squadIds: club.squads });
    expect((await post('/account/sign-in', { email: club.accounts.coach!.email, password: PASSWORD })).statusCode).toBe(
      200,
    );
  });

  it('change roles, and somebody always runs the club', async () => {
    const [headId, coachId] = [club.accounts.head!.id, club.accounts.coach!.id];
    for (const change of [{ disabled: true }, { role: 'coach' }]) {
      const alone = await save(headId, change);
      expect([alone.status, alone.body.detail]).toEqual([
        422,
        expect.stringContaining('someone else head coach first'),
      ]);
    }
    expect((await save(coachId, { role: 'head' })).body).toMatchObject({ role: 'head' });
    expect((await coach('GET', '/accounts')).status).toBe(200);
    // Two heads send each other away at the same moment: one of them stays.
    const answers = await Promise.all([
      save(headId, { disabled: true }, coach),
      save(coachId, { disabled: true }, head),
    ]);
    expect(answers.filter((a) => a.status === 200)).toHaveLength(1);
    const heads = await sql('select id from account where club_id = ? and role = ? and not disabled', [
      club.id,
      'head',
    ]);
    expect(heads).toHaveLength(1);
  });

  it('are changed by two heads at once without losing either change', async () => {
    const id = club.accounts.coach!.id;
    const stale = { version: 1, squadIds: [] };
    expect((await save(id, { squadIds: [] })).status).toBe(200);
    const second = await save(id, stale);
    expect(second.status).toBe(409);
    expect(second.body.current).toMatchObject({ id, squadIds: [] });
    // The same save again is one save.
    const writeId = crypto.randomUUID();
    const both = [await save(id, { writeId }), await save(id, { writeId, version: 2 })];
    expect(both.map((a) => [a.status, a.body.version])).toEqual([
      [200, 3],
      [200, 3],
    ]);
  });

  it('change by what is said alone; the rest stays', async () => {
    const id = club.accounts.coach!.id;
    const changed = await head('PUT', `/accounts/${id}`, { disabled: true });
    expect([changed.status, changed.body]).toEqual([200, expect.objectContaining({ role: 'coach', disabled: true })]);
    expect((await head('PUT', `/accounts/${id}`, { disabled: false, squadIds: club.squads })).body).toMatchObject({
      ...{ disabled: false, squadIds: club.squads, role: 'coach', version: 3 },
    });
    expect((await head('PUT', `/accounts/${id}`, { role: 'swimmer' })).status).toBe(400);
    const swimmerId = await club.addSwimmer();
    const swims = await head('PUT', `/accounts/${id}`, { role: 'swimmer', swimmerId });
    expect(swims.body).toMatchObject({ role: 'swimmer', swimmerId, squadIds: [] });
  });

  it('of another club are not there', async () => {
    const stranger = await harness.club();
    const other = await stranger.as('head');
    const body = {
      role: 'coach',
      squadIds: [],
      swimmerId: null,
      disabled: true,
      version: 1,
      writeId: crypto.randomUUID(),
    };
    expect((await other('PUT', `/accounts/${club.accounts.coach!.id}`, body)).status).toBe(404);
    expect((await other('POST', `/accounts/${club.accounts.coach!.id}/reset-link`)).status).toBe(404);
    // What the app's role could send as SQL does not reach the password or the address.
    for (const column of ['password_hash', 'email', 'club_id', 'id'])
      expect(
        await sql('select has_column_privilege(?, ?, ?, ?) as may', ['upwell_app', 'account', column, 'update']),
      ).toEqual([{ may: false }]);
  });
});

describe('a forgotten password', () => {
  it('is chosen again by the head coach’s link, once, and every sign-in ends', async () => {
    const { id, email } = club.accounts.coach!;
    expect((await coach('GET', '/squads')).status).toBe(200);
    const first = await head('POST', `/accounts/${id}/reset-link`);
    const made = await head('POST', `/accounts/${id}/reset-link`);
    expect(made.body.link).toMatch(/\/reset#[\w-]{43}$/);
    const hours = (Date.parse(made.body.expiresAt) - Date.now()) / 3_600_000;
    expect(hours).toBeGreaterThan(23.9);
    expect(hours).toBeLessThanOrEqual(24);
    const reset = (link: string, password = 'four dry towels') =>
      post('/account/reset', { token: tokenOf(link), password });
    // A new link ends the one before.
    expect((await reset(first.body.link)).statusCode).toBe(404);
    expect((await post('/account/reset/look', { token: tokenOf(made.body.link) })).json()).toMatchObject({
      state: 'open',
      name: expect.stringContaining('coach'),
    });
    expect((await reset(made.body.link, 'password1234')).statusCode).toBe(422);
    expect((await reset(made.body.link, email)).statusCode).toBe(422);
    expect((await reset(made.body.link)).statusCode).toBe(204);
    expect((await reset(made.body.link)).statusCode).toBe(410);
    expect(await sql('select id from sign_in_session where account_id = ?', [id])).toEqual([]);
    expect((await post('/account/sign-in', { email, password: PASSWORD })).statusCode).toBe(401);
    expect((await post('/account/sign-in', { email, password: 'four dry towels' })).statusCode).toBe(200);
  });

  it('is not for others to change: coaches, those who left, links that are over', async () => {
    const { id } = club.accounts.coach!;
    expect((await coach('POST', `/accounts/${club.accounts.head!.id}/reset-link`)).status).toBe(403);
    const { link } = (await head('POST', `/accounts/${id}/reset-link`)).body as { link: string };
    await sql('update password_reset set expires_at = now() where token_hash = ?', [tokenHash(tokenOf(link))]);
    const over = await post('/account/reset', { token: tokenOf(link), password: 'four dry towels' });
    expect([over.statusCode, over.json<{ detail: string }>().detail]).toEqual([
      410,
      expect.stringContaining('has expired'),
    ]);
    const open = (await head('POST', `/accounts/${id}/reset-link`)).body as { link: string };
    await save(id, { disabled: true });
    expect((await post('/account/reset', { token: tokenOf(open.link), password: 'four dry towels' })).statusCode).toBe(
      404,
    );
    expect((await head('POST', `/accounts/${id}/reset-link`)).status).toBe(404);
  });
});
