import { v7 } from 'uuid';
import { clipOf, courseOf, resultOf, reviewOf, save, sessionOf, squadOf, testOf, token } from './bodies';
import { fieldsOf, Harness, type TestClub } from './harness';

/** Requests that meet: repeats that overlap their first request, and different changes of the same thing. */
let harness: Harness;
let club: TestClub;
let swimmerId: string;
let coach: Awaited<ReturnType<TestClub['as']>>;
beforeAll(async () => {
  harness = await Harness.start();
  club = await harness.club();
  swimmerId = await club.addSwimmer();
  coach = await club.as('coach');
});
afterAll(() => harness.stop());

const ROUNDS = 8;
const times = <T>(n: number, one: (i: number) => T): T[] => Array.from({ length: n }, (_, i) => one(i));
/** Every kind of write that a device repeats when it did not hear the answer. */
const WRITES: Readonly<
  Record<string, () => Promise<{ as: 'coach' | 'head'; method?: 'POST'; url: string; body: object }>>
> = {
  swimmer: async () => ({ as: 'coach', url: `/swimmers/${v7()}`, body: { ...fieldsOf(club.squads[0]!), ...save() } }),
  squad: async () => ({
    as: 'head',
    url: `/squads/${v7()}`,
    body: { ...squadOf(), ...save() },
  }),
  test: async () => ({
    as: 'coach',
    url: `/tests/${v7()}`,
    body: { ...testOf(swimmerId), ...save() },
  }),
  review: async () => ({
    as: 'coach',
    url: `/reviews/${v7()}`,
    body: { ...reviewOf(await club.addSwimmer()), ...save() },
  }),
  session: async () => ({ as: 'coach', url: `/sessions/${v7()}`, body: { ...sessionOf(club.squads[0]!), ...save() } }),
  course: async () => ({ as: 'coach', url: `/courses/${v7()}`, body: { ...courseOf(), ...save() } }),
  clip: async () => ({ as: 'coach', url: `/clips/${v7()}`, body: { ...clipOf(swimmerId), ...save() } }),
  'eye try': async () => ({ as: 'coach', url: `/eye/tries/${v7()}`, body: { grade: 1, seed: 1, marked: [] } }),
  'focus try': async () => {
    const swimmer = await club.addSwimmer();
    const review = reviewOf(swimmer);
    await coach('PUT', `/reviews/${v7()}`, { ...review, ...save() });
    return {
      as: 'coach',
      url: `/focuses/${review.focus.id}/tries/${v7()}`,
      body: { drill: 'front-scull', verdict: 'same', note: '', at: '2026-11-25T18:00:00Z' },
    };
  },
  'calendar link': async () => ({
    as: 'coach',
    url: `/calendar-links/${v7()}`,
    body: { squadId: club.squads[0], token: token() },
  }),
  'hand-out link': async () => {
    const review = reviewOf(await club.addSwimmer());
    await coach('PUT', `/reviews/${v7()}`, { ...review, ...save() });
    return { as: 'coach', url: `/handout-links/${v7()}`, body: { focusId: review.focus.id, token: token() } };
  },
  'race plan': async () => {
    const goal = { event: 'Lake mile', date: '2027-06-20', distanceM: 1600, place: 'pool' as const, targetTimeS: null };
    const racer = await club.addSwimmer(club.squads[0], { goal } as never);
    return { as: 'coach', url: `/swimmers/${racer}/race-plan?date=2026-11-25`, body: { choices: {}, ...save() } };
  },
  result: async () => ({
    as: 'coach',
    url: `/results/${v7()}`,
    body: resultOf(swimmerId),
  }),
};

describe('the same write, sent ten times at once', () => {
  it.each(Object.keys(WRITES))('gets the first one’s answer each time: %s', async (kind) => {
    for (let round = 0; round < ROUNDS; round++) {
      const { as, url, body } = await WRITES[kind]!();
      const send = await club.as(as);
      const answers = await Promise.all(times(10, () => send('PUT', url, body)));
      expect(answers.map((a) => a.status)).toEqual(times(10, () => 200));
      for (const { body: answer } of answers) expect(answer).toEqual(answers[0]!.body);
    }
  });

  it('stores an import once, however often it is asked for, and says each time how much was stored', async () => {
    for (let round = 0; round < ROUNDS; round++) {
      const id = v7();
      const day = `2026-10-${String(round + 1).padStart(2, '0')}`;
      const rows = times(7, (i) => ({
        swimmerId,
        on: day,
        distanceM: 100 + i,
        timeS: 100,
        strokesPerLength: null,
        kind: 'trial',
      }));
      await coach('PUT', `/imports/${id}/0`, { rows });
      const answers = await Promise.all(
        times(10, () => coach('POST', `/imports/${id}/commit`, { rows: 7, name: 'May.csv' })),
      );
      expect(answers.map((a) => [a.status, a.body.stored])).toEqual(times(10, () => [200, 7]));
      const [stored] = await harness.owner.em
        .fork()
        .execute<{ n: number }[]>('select count(*)::int as n from result where import_id = ?', [id], 'all');
      expect(stored!.n).toBe(7);
    }
  });
});

describe('different changes at once', () => {
  it('leave one open focus when several coaches review a swimmer at the same moment', async () => {
    const swimmer = await club.addSwimmer();
    const answers = await Promise.all(
      times(20, () => coach('PUT', `/reviews/${v7()}`, { ...reviewOf(swimmer), ...save() })),
    );
    expect(answers.map((a) => a.status)).toEqual(times(20, () => 200));
    const [focuses] = await harness.owner.em
      .fork()
      .execute<{ open: number; all: number }[]>(
        'select (count(*) filter (where closed_at is null))::int as open, count(*)::int as all from focus where swimmer_id = ?',
        [swimmer],
        'all',
      );
    expect(focuses).toEqual({ open: 1, all: 20 });
  });

  it('cannot open a second focus, not even around the server', async () => {
    const swimmer = await club.addSwimmer();
    await coach('PUT', `/reviews/${v7()}`, { ...reviewOf(swimmer), ...save() });
    const second = harness.owner.em.fork().execute(
      `insert into focus (id, club_id, swimmer_id, review_id, cause, drill, cue, tries, since, relook_on)
       select gen_random_uuid(), club_id, swimmer_id, review_id, cause, drill, cue, tries, since, relook_on
       from focus where swimmer_id = ?`,
      [swimmer],
    );
    await expect(second).rejects.toThrow(/focus_one_open/);
  });

  it('of the club’s rules by two head coaches are both there, or one is told', async () => {
    const head = await club.as('head');
    const { body: rules } = await head('GET', '/account/club');
    const answers = await Promise.all([
      head('PUT', '/account/club', { ...rules, laneCapacity: 5, writeId: v7() }),
      head('PUT', '/account/club', { ...rules, kit: ['fins'], writeId: v7() }),
    ]);
    expect(answers.map((a) => a.status).sort()).toEqual([200, 409]);
    const loser = answers.find((a) => a.status === 409)!;
    const winner = answers.find((a) => a.status === 200)!;
    // The one who comes second learns what is stored now.
    expect(loser.body.current).toEqual(winner.body);
  });

  it('of one swimmer by twenty clients: one is stored, the others are told', async () => {
    const swimmer = await club.addSwimmer();
    const answers = await Promise.all(
      times(20, (i) =>
        coach('PUT', `/swimmers/${swimmer}`, {
          ...fieldsOf(club.squads[0]!, { givenName: `A${i}` }),
          version: 1,
          writeId: v7(),
        }),
      ),
    );
    expect(answers.filter((a) => a.status === 200)).toHaveLength(1);
    expect(answers.filter((a) => a.status === 409)).toHaveLength(19);
  });

  it('start one planning of the season', async () => {
    const answers = await Promise.all(times(8, () => coach('POST', '/season/plan?date=2026-11-25')));
    expect(answers.map((a) => a.status)).toEqual(times(8, () => 200));
    expect(new Set(answers.map((a) => a.body.id)).size).toBe(1);
  });

  it('of everything by twenty coaches for a while: nobody gets a 5xx', async () => {
    const goal = { event: 'Lake mile', date: '2027-06-20', distanceM: 1600, place: 'pool' as const, targetTimeS: null };
    const racers = await Promise.all(times(8, () => club.addSwimmer(club.squads[0], { goal } as never)));
    const sessions = times(3, () => v7());
    for (const id of sessions) await coach('PUT', `/sessions/${id}`, { ...sessionOf(club.squads[0]!), ...save() });
    const device = v7();
    const attend = (swimmer: string) => ({ id: v7(), atMs: 1.8e12, device, kind: 'attend', swimmer, as: 'in' });
    const shuffled = (i: number) => [...racers.slice(i % 8), ...racers.slice(0, i % 8)];
    const kinds = [
      (i: number) => coach('POST', `/deck/runs/${sessions[i % 3]}/events`, { events: shuffled(i).map(attend) }),
      (i: number) => coach('PUT', `/reviews/${v7()}`, { ...reviewOf(racers[i % 8]!), ...save() }),
      (i: number) => coach('PUT', `/swimmers/${racers[i % 8]}/race-plan?date=2026-11-25`, { choices: {}, ...save() }),
      (i: number) =>
        coach('PUT', `/swimmers/${racers[i % 8]}`, {
          ...fieldsOf(club.squads[0]!, { goal }),
          version: 1,
          writeId: v7(),
        }),
      () => coach('POST', '/season/plan?date=2026-11-25'),
    ];
    const answers = (
      await Promise.all(
        times(20, async (client) => {
          const got = [];
          for (let i = 0; i < 10; i++) got.push(await kinds[(client + i) % kinds.length]!(client * 7 + i));
          return got;
        }),
      )
    ).flat();
    expect(answers).toHaveLength(200);
    expect(answers.filter((a) => a.status >= 500).map((a) => a.body)).toEqual([]);
  });
});
