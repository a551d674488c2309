import { buildSession } from '@upwell/core/sessions';
import { v7 } from 'uuid';
import { seedDemo } from '../demo/seedDemo';
import { createApp } from '../src/platform/app';
import { connect } from '../src/platform/database';
import { FocusEntity, ReviewEntity } from '../src/review/entities';
import { filmOf } from './bodies';
import { Harness, type TestClub } from './harness';

let harness: Harness;
let club: TestClub;
beforeAll(async () => {
  harness = await Harness.start();
  club = await harness.club();
});
afterAll(() => harness.stop());

const review = (swimmerId: string, change: object = {}) => ({
  swimmerId,
  lookedAt: new Date().toISOString(),
  stroke: 'front-crawl',
  model: 'long-line',
  level: 'hold',
  signs: { 'face-up-and-back': 'often', 'lead-arm-drops': 'often' },
  good: 'calm face',
  focus: {
    id: v7(),
    cause: 'breath-too-low',
    drill: 'float-board-breathing',
    cue: 'Sip to the side.',
    tries: 4,
    relookOn: '2026-12-08',
  },
  version: 0,
  writeId: v7(),
  ...change,
});

describe('reviews', () => {
  it('are stored with the causes that core works out, and show on the page', async () => {
    const swimmer = await club.addSwimmer();
    const coach = await club.as('coach');
    const stored = await coach('PUT', `/reviews/${v7()}`, review(swimmer));
    expect(stored.status).toBe(200);
    expect(stored.body.ranking[0]).toMatchObject({ cause: 'breath-too-low', probability: expect.closeTo(0.868, 2) });
    const page = await coach('GET', `/swimmers/${swimmer}`);
    expect(page.body.focuses[0]).toMatchObject({ cause: 'breath-too-low', relookOn: '2026-12-08', outcome: null });
    expect(page.body.reviews).toHaveLength(1);
    const due = await coach('GET', '/deck/today?date=2026-12-09');
    expect(due.body.relooks.map((f: { swimmerId: string }) => f.swimmerId)).toContain(swimmer);
  });

  it('keep one focus open: a new one closes the old', async () => {
    const swimmer = await club.addSwimmer();
    const coach = await club.as('coach');
    await coach('PUT', `/reviews/${v7()}`, review(swimmer));
    await coach('PUT', `/reviews/${v7()}`, review(swimmer));
    const open = await harness.owner.em.fork().count(FocusEntity, { swimmerId: swimmer, closedAt: null });
    expect(open).toBe(1);
  });

  it('leave nothing half stored when the focus cannot be', async () => {
    const swimmer = await club.addSwimmer();
    const coach = await club.as('coach');
    const taken = review(swimmer);
    await coach('PUT', `/reviews/${v7()}`, taken);
    const id = v7();
    const clash = await coach('PUT', `/reviews/${id}`, review(swimmer, { focus: taken.focus }));
    expect(clash.status).toBe(404);
    expect(await harness.owner.em.fork().count(ReviewEntity, { id })).toBe(0);
    expect(await harness.owner.em.fork().count(FocusEntity, { swimmerId: swimmer, closedAt: null })).toBe(1);
  });

  it('sent twice count once', async () => {
    const swimmer = await club.addSwimmer();
    const coach = await club.as('coach');
    const [id, body] = [v7(), review(swimmer)];
    await coach('PUT', `/reviews/${id}`, body);
    expect((await coach('PUT', `/reviews/${id}`, body)).status).toBe(200);
    expect((await coach('GET', `/swimmers/${swimmer}`)).body.reviews).toHaveLength(1);
  });

  it('need a swimmer who is yours and a cause of the stroke', async () => {
    const stranger = await (await harness.club()).addSwimmer();
    const coach = await club.as('coach');
    expect((await coach('PUT', `/reviews/${v7()}`, review(stranger))).status).toBe(404);
    const wrong = await coach('PUT', `/reviews/${v7()}`, review(await club.addSwimmer(), { stroke: 'breaststroke' }));
    expect(wrong.body.fields[0].field).toBe('focus.cause');
  });
});

const plan = (() => {
  const built = buildSession({
    kind: 'aerobic',
    theme: 'breath-too-low',
    minutes: 60,
    pool: { length: 25, unit: 'm' },
    kit: ['board'],
    seed: 1,
    groups: [{ level: 'hold', swimmers: 5, lanes: 1, v400Mps: 1 }],
  });
  if (built.kind === 'clash') throw new Error('no plan');
  return built.plan;
})();
const session = (change: object = {}) => ({
  title: 'Sip',
  date: '2026-11-24',
  startTime: '19:00',
  squadIds: [] as string[],
  plan,
  version: 0,
  writeId: v7(),
  ...change,
});

describe('sessions', () => {
  it('come back whole, from another server too', async () => {
    const coach = await club.as('coach');
    const id = v7();
    expect((await coach('PUT', `/sessions/${id}`, session({ squadIds: club.squads.slice(0, 1) }))).status).toBe(200);
    const database = await connect(harness.config);
    const app = await createApp({ database, config: harness.config, jobs: harness.jobs, work: harness.work });
    const signedIn = await app.inject({
      method: 'POST',
      url: '/api/v1/account/sign-in',
      payload: { email: club.accounts.coach!.email, password: 'a long enough password' },
    });
    const again = await app.inject({
      url: `/api/v1/sessions/${id}`,
      cookies: { upwell_session: signedIn.cookies[0]!.value },
    });
    expect(again.json().plan).toEqual(plan);
    await app.close();
    await database.close();
  });

  it('are seen by their squads’ coaches, no matter who made them, and by nobody else', async () => {
    const own = await harness.club();
    const [head, coach] = [await own.as('head'), await own.as('coach')];
    const hidden = await own.addSquad('Hidden', []);
    const [shared, secret] = [v7(), v7()];
    await head('PUT', `/sessions/${shared}`, session({ squadIds: [own.squads[0]] }));
    await head('PUT', `/sessions/${secret}`, session({ squadIds: [hidden] }));
    expect((await coach('GET', `/sessions/${shared}`)).status).toBe(200);
    expect((await coach('GET', `/sessions/${secret}`)).status).toBe(404);
    expect((await coach('GET', '/sessions?from=2026-11-01&to=2026-11-30')).body).toHaveLength(1);
    expect((await (await club.as('head'))('GET', `/sessions/${shared}`)).status).toBe(404);
  });

  it('refuse breath-limited sets at the door', async () => {
    const bad = JSON.parse(JSON.stringify(plan).replaceAll('"strokes":3', '"strokes":9'));
    const answer = await (await club.as('coach'))('PUT', `/sessions/${v7()}`, session({ plan: bad }));
    expect(answer.status).toBe(422);
    expect(answer.body.detail).toContain('Name the qualified lifeguard who watches.');
  });

  it('are proposed from the people: groups, themes, drills they know', async () => {
    const own = await harness.club();
    const coach = await own.as('coach');
    const swimmer = await own.addSwimmer();
    await coach('PUT', `/reviews/${v7()}`, review(swimmer));
    await coach('PUT', `/sessions/${v7()}`, session({ squadIds: [own.squads[0]], date: '2026-11-17' }));
    const { body } = await coach('GET', `/sessions/proposal?date=2026-11-24&squadIds=${own.squads[0]}`);
    expect(body.themes).toEqual([{ cause: 'breath-too-low', swimmers: 1 }]);
    expect(body.groups).toEqual([
      expect.objectContaining({ level: 'hold', swimmers: 1, v400Mps: 400 / 380, loadLimit: null }),
    ]);
    expect(body.groups[0].knownDrills).toContain('float-board-breathing');
  });
});

describe('the calculators', () => {
  it.each([
    [
      'length-metrics',
      { lengthM: 25, pushOffM: 5, pushOffS: 2.6, timeS: 21.4, strokes: 22 },
      { strokeRateSpm: expect.closeTo(70.2, 1) },
    ],
    [
      'critical-speed',
      {
        trials: [
          { distanceM: 200, timeS: 165 },
          { distanceM: 400, timeS: 352 },
        ],
      },
      { paceSPer100m: expect.closeTo(93.5, 2), standardErrorMps: null },
    ],
    [
      'race-time',
      {
        trials: [
          { distanceM: 200, timeS: 165 },
          { distanceM: 400, timeS: 352 },
        ],
        distanceM: 800,
      },
      { method: 'critical-speed' },
    ],
    ['effort-pace', { v400Mps: 400 / 352, effort: 0.7 }, { paceSPer100m: expect.closeTo(99.1, 1) }],
    [
      'breathing',
      { strokeRateSpm: 60, every: 3, distanceM: 100, strokeLengthM: 1, startSide: 'left' },
      { breathsPerMinute: 20, secondsBetween: 3, left: 17, right: 16 },
    ],
    [
      'causes',
      { stroke: 'front-crawl', model: 'long-line', level: 'build', signs: { 'legs-low': 'often' } },
      { focus: null },
    ],
    ['load', { sets: [{ distanceM: 1000, effort: 0.8 }] }, { load: 1500 }],
    ['build-session', { theme: 'spins', minutes: 60, poolLengthYd: 25, groups: [{ level: 'race' }] }, { clashes: [] }],
  ])('%s answers as fixed', async (path, body, answer) => {
    const coach = await club.as('head');
    const response = await coach('POST', `/compute/${path}`, body);
    expect(response).toMatchObject({ status: 200, body: answer });
  });

  it.each([
    ['length-metrics', { lengthM: 25, pushOffM: 30, pushOffS: 2, timeS: 20, strokes: 20 }, 'pushOffM'],
    ['critical-speed', { trials: [{ distanceM: 200, timeS: 165 }] }, 'trials'],
    ['effort-pace', { v400Mps: 1, effort: 2 }, 'effort'],
    ['breathing', { strokeRateSpm: -1, every: 3, distanceM: 1, strokeLengthM: 1 }, 'strokeRateSpm'],
    ['causes', { stroke: 'front-crawl', signs: { nonsense: 'often' } }, 'signs.nonsense'],
    ['build-session', { theme: 'spins', minutes: 60, poolLengthM: 0, groups: [{ level: 'race' }] }, 'poolLengthM'],
  ])('%s names the field that is wrong', async (path, body, field) => {
    const response = await (await club.as('head'))('POST', `/compute/${path}`, body);
    expect(response.status).toBe(400);
    expect(response.body.fields[0].field).toBe(field);
  });

  it('say what clashes instead of building nonsense', async () => {
    const { body } = await (
      await club.as('head')
    )('POST', '/compute/build-session', { theme: 'spins', minutes: 3, poolLengthM: 25, groups: [{ level: 'hold' }] });
    expect(body.groups).toEqual([]);
    expect(body.clashes[0].changes.length).toBeGreaterThan(0);
  });
});

describe('the demo club', () => {
  it('is made once, whole and the same each time', async () => {
    await harness.inOwnDatabase(async (owner) => {
      const now = new Date('2026-11-24T06:00:00Z');
      expect(await seedDemo(owner.em.fork(), now, filmOf())).toBe(true);
      expect(await seedDemo(owner.em.fork(), now, filmOf())).toBe(false);
      const [counts] = await owner.em.fork().execute<Record<string, number>[]>(
        `select (select count(*)::int from swimmer) as swimmers, (select count(*)::int from account where role <> 'swimmer') as coaches,
           (select count(distinct level)::int from swimmer) as levels, (select count(*)::int from training_session) as sessions,
           (select count(*)::int from focus where outcome is not null) as outcomes, (select count(*)::int from focus where closed_at is null and relook_on <= '2026-11-24') as due,
           (select count(*)::int from result) as results`,
      );
      expect(counts).toMatchObject({ swimmers: 24, coaches: 3, levels: 4, sessions: 29 });
      for (const part of ['outcomes', 'due', 'results']) expect(counts![part]).toBeGreaterThan(3);
      // One clip of a swimmer waits for the coach, one is answered; both films are there.
      const sent = await owner.em.fork().execute<object[]>(
        `select c.answered_at is null as waits, c.bytes, octet_length(p.data) as there from sent_clip c
         join sent_piece p on p.clip_id = c.id order by c.sent_at`,
      );
      const bytes = filmOf().length;
      expect(sent).toEqual([
        { waits: false, bytes, there: bytes },
        { waits: true, bytes, there: bytes },
      ]);
    });
  });

  it('leaves with its tables: migrations go back and forth', async () => {
    await harness.inOwnDatabase(async (owner) => {
      await owner.getMigrator().down({ to: 0 });
      const left = await owner.em
        .fork()
        .execute(
          `select relname from pg_class c join pg_namespace n on n.oid = c.relnamespace where n.nspname = 'public' and relkind = 'r' and relname <> 'mikro_orm_migrations'`,
        );
      expect(left).toEqual([]);
      await owner.getMigrator().up();
      expect(await owner.em.fork().execute('select 1 from swimmer')).toEqual([]);
    });
  });
});
