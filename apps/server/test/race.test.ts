import { inPlace } from '../src/work/inPlace';
import { timeIn, weekOf } from '@upwell/core/days';
import { v7 } from 'uuid';
import { CSV_MARK } from '../src/platform/fileName';
import { planClub, planEveryClub } from '../src/race';
import { Harness, fieldsOf, type TestClub } from './harness';

let harness: Harness;
beforeAll(async () => {
  harness = await Harness.start();
});
afterAll(() => harness.stop());

const TODAY = '2027-01-06';
const day = (inDays: number) => new Date(Date.parse(TODAY) + inDays * 86_400_000).toISOString().slice(0, 10);
const GOAL = {
  event: 'Quill Crossing',
  date: day(12 * 7),
  distanceM: 3200,
  place: 'open-water' as const,
  targetTimeS: 3600,
};
const bests = [
  { distanceM: 200, timeS: 180 },
  { distanceM: 400, timeS: 380 },
];
const racer = (club: TestClub, change: object = {}) =>
  club.addSwimmer(undefined, { goal: GOAL, bestTimes: bests, ...change } as never);
const save = (version = 0, choices: object = {}) => ({ choices, version, writeId: v7() });

/** What the jobs of a club have come to; asked until it is over. */
async function ended(call: Awaited<ReturnType<TestClub['as']>>, id: string) {
  for (;;) {
    const { body } = await call('GET', `/jobs/${id}`);
    if (!['waiting', 'running'].includes(body.state)) return body;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
}

describe('a race plan', () => {
  it('is worked out from what the club keeps, and stored with what the coach decides', async () => {
    const club = await harness.club();
    const id = await racer(club);
    const coach = await club.as('coach');
    const before = await coach('GET', `/swimmers/${id}/race-plan?date=${TODAY}`);
    expect(before.body).toMatchObject({ version: 0, choices: {}, facts: { event: 'Quill Crossing', trials: bests } });
    const locked = { locks: { [weekOf(day(21))]: { load: 1234 } }, wetsuit: true, marks: { sighting: true } };
    const first = save(0, locked);
    const kept = await coach('PUT', `/swimmers/${id}/race-plan?date=${TODAY}`, first);
    expect(kept.body).toMatchObject({ version: 1, choices: locked });
    // Sent again, and made on what is no longer there.
    expect((await coach('PUT', `/swimmers/${id}/race-plan?date=${TODAY}`, first)).body.version).toBe(1);
    const other = await coach('PUT', `/swimmers/${id}/race-plan?date=${TODAY}`, save(0, {}));
    expect(other.status).toBe(409);
    expect(other.body.current.choices).toEqual(locked);

    const season = await coach('GET', `/season?from=${TODAY}`);
    const [row] = season.body.rows;
    expect(row).toMatchObject({ id, event: 'Quill Crossing', raceOn: GOAL.date });
    expect(row.weeks.find((w: { monday: string }) => w.monday === weekOf(day(21))).load).toBe(1234);
    expect(row.weeks.at(-1).kind).toBe('taper');
    expect(row.verdict.chance).toBeGreaterThanOrEqual(0);
    expect(season.body.races).toEqual([{ event: 'Quill Crossing', date: GOAL.date, swimmers: 1 }]);
    // The squad's weeks are counted from the plans of its swimmers, each race in its week only.
    const squad = season.body.squads.find((q: { id: string }) => q.id === club.squads[0]);
    expect(squad.swimmers).toBeGreaterThan(0);
    for (const week of squad.weeks) {
      expect(week.working + week.lighter + week.tapering).toBe(week.swimmers);
      expect(week.races).toEqual(
        week.monday === weekOf(GOAL.date) ? [{ event: 'Quill Crossing', date: GOAL.date, swimmers: 1 }] : [],
      );
    }
    expect(squad.weeks.at(-1)).toMatchObject({ monday: weekOf(GOAL.date), tapering: 1, working: 0 });

    const csv = await harness.app.inject({
      url: `/api/v1/swimmers/${id}/race-plan.csv`,
      cookies: { upwell_session: club.cookie('coach') },
    });
    // With the mark by which spreadsheets know that it is UTF-8.
    expect(csv.body.startsWith(CSV_MARK)).toBe(true);
    const lines = csv.body.slice(1).split('\n');
    expect(lines).toHaveLength(1 + row.weeks.length);
    expect(lines[0]).toBe('week_of,phase,kind,load,theme,step,test,words');
    expect(lines.find((l) => l.startsWith(weekOf(day(21))))).toContain(',1234,');
  });

  it('follows the goal: another race, and none', async () => {
    const club = await harness.club();
    const coach = await club.as('coach');
    const id = v7();
    const soon = new Date(Date.now() + 40 * 86_400_000).toISOString().slice(0, 10);
    const body = (goal: object | null, version: number) => ({
      ...fieldsOf(club.squads[0]!, { goal, bestTimes: bests }),
      version,
      writeId: v7(),
    });
    await coach('PUT', `/swimmers/${id}`, body({ ...GOAL, date: soon }, 0));
    const today = new Date().toISOString().slice(0, 10);
    expect((await coach('GET', `/season?from=${today}`)).body.rows[0].weeks.length).toBeGreaterThanOrEqual(6);
    await coach('PUT', `/swimmers/${id}`, body(null, 1));
    expect((await coach('GET', `/season?from=${today}`)).body.rows).toEqual([]);
    const left = await harness.owner.em.fork().execute(`select from plan_week where swimmer_id = '${id}'`);
    expect(left).toEqual([]);
  });

  it('knows an absent swimmer from one who was there', async () => {
    const club = await harness.club();
    const [there, ill] = [await racer(club), await racer(club)];
    const em = harness.owner.em.fork();
    const author = club.accounts.coach!.id;
    for (const weeks of [1, 2, 3]) {
      const session = v7();
      await em.execute(
        `insert into training_session (id, club_id, created_by, title, date, start_time, squad_ids, theme, minutes, plan, summary, write_id)
         values (?, ?, ?, 'Steady', ?::date, '19:00', array[?]::uuid[], 'holds-breath', 60, '{}', ?::jsonb, ?)`,
        [
          ...[session, club.id, author, day(-7 * weeks), club.squads[0]!],
          ...[JSON.stringify([{ name: 'Hold', level: 'hold', metres: 2000, load: 2500 }]), v7()],
        ],
      );
      if (weeks === 1)
        for (const [swimmer, status] of [
          [there, 'out'],
          [ill, 'absent'],
        ] as const)
          await em.execute(
            `insert into attendance (session_id, swimmer_id, club_id, held_on, status) values (?, ?, ?, ?::date, ?)`,
            [session, swimmer, club.id, day(-7), status],
          );
    }
    const coach = await club.as('coach');
    const past = async (id: string) => (await coach('GET', `/swimmers/${id}/race-plan?date=${TODAY}`)).body.facts.past;
    expect(await past(there)).toEqual([2500, 2500, 2500]);
    expect(await past(ill)).toEqual([2500, 2500, 0]);
  });

  it('refuses hostile choices, other clubs and swimmers', async () => {
    const club = await harness.club();
    const id = await racer(club);
    await club.addAccount('swimmer', id);
    const other = await harness.club();
    const coach = await club.as('coach');
    for (const choices of [
      { extraToday: 2 },
      { locks: { monday: { load: 1 } } },
      { locks: { '2027-01-04': { load: -1 } } },
      { growthLow: 'much' },
      { away: { '2027-01-04': 'tired' } },
      { secret: 1 },
    ])
      expect((await coach('PUT', `/swimmers/${id}/race-plan?date=${TODAY}`, save(0, choices))).status).toBe(400);
    expect((await coach('GET', `/swimmers/${id}/race-plan?date=soon`)).status).toBe(400);
    const stranger = await other.as('head');
    expect((await stranger('GET', `/swimmers/${id}/race-plan?date=${TODAY}`)).status).toBe(404);
    expect((await stranger('PUT', `/swimmers/${id}/race-plan?date=${TODAY}`, save())).status).toBe(404);
    const swimmer = await club.as('swimmer');
    expect((await swimmer('GET', `/swimmers/${id}/race-plan?date=${TODAY}`)).status).toBe(200);
    expect((await swimmer('PUT', `/swimmers/${id}/race-plan?date=${TODAY}`, save())).status).toBe(403);
    expect((await swimmer('GET', `/season?from=${TODAY}`)).status).toBe(403);
  });
});

describe('planning everybody in the background', () => {
  it('goes through the queue, tells how far it is, and is not begun twice', async () => {
    const club = await harness.club();
    for (let i = 0; i < 45; i++) await racer(club);
    const head = await club.as('head');
    const asked = await head('POST', `/season/plan?date=${TODAY}`);
    const again = await head('POST', `/season/plan?date=${TODAY}`);
    expect(again.body.id).toBe(asked.body.id);
    expect(await ended(head, asked.body.id)).toMatchObject({ state: 'done', done: 45, total: 45 });
    const page = await head('GET', `/season?from=${TODAY}&limit=20`);
    expect(page.body.old).toBe(0);
    const rest = await head('GET', `/season?from=${TODAY}&limit=100&cursor=${encodeURIComponent(page.body.next)}`);
    const ids = [...page.body.rows, ...rest.body.rows].map((r: { id: string }) => r.id);
    expect(new Set(ids).size).toBe(45);
    expect(rest.body.rows.every((r: { weeks: unknown[] }) => r.weeks.length === 13)).toBe(true);
  });

  it('starts again after a crash, for the squads of the coach who asked', async () => {
    const club = await harness.club();
    const other = await club.addSquad('Second', []);
    const mine = await Promise.all(Array.from({ length: 3 }, () => racer(club)));
    await club.addSwimmer(other, { goal: GOAL, bestTimes: bests } as never);
    const coach = await club.as('coach');
    const head = await club.as('head');
    const [asked, all] = [
      await coach('POST', `/season/plan?date=${TODAY}`),
      await head('POST', `/season/plan?date=${TODAY}`),
    ];
    expect(all.body.id).not.toBe(asked.body.id);
    expect(await ended(coach, asked.body.id)).toMatchObject({ state: 'done', total: 3 });
    expect(await ended(head, all.body.id)).toMatchObject({ state: 'done', total: 4 });
    // As the queue does with what a dead server left behind.
    const em = harness.owner.em.fork();
    await em.execute(`update club_job set state = 'running', done = 1 where id = '${asked.body.id}'`);
    const { accounts, id: clubId } = club;
    const data = { jobId: asked.body.id, clubId, today: TODAY, squadIds: club.squads, role: 'coach' };
    await planClub(harness.database, inPlace, { ...data, accountId: accounts.coach!.id });
    expect(await ended(coach, asked.body.id)).toMatchObject({ state: 'done', done: 4 });
    const weeks = await em.execute<{ n: number }[]>(
      `select count(*)::int as n from plan_week where swimmer_id = '${mine[0]}'`,
    );
    expect(weeks[0]!.n).toBe(13);
  });

  it('leaves past weeks as they were planned, whatever day is claimed', async () => {
    const club = await harness.club();
    const id = await racer(club, {
      goal: { ...GOAL, date: new Date(Date.now() + 30 * 86_400_000).toISOString().slice(0, 10) },
    });
    const em = harness.owner.em.fork();
    await em.execute(
      `insert into plan_week (swimmer_id, monday, club_id, phase, kind, load, theme, test, notes)
       values (?, '2026-01-05', ?, 'build', 'normal', 777, 'spins', false, '[]')`,
      [id, club.id],
    );
    const coach = await club.as('coach');
    expect((await coach('PUT', `/swimmers/${id}/race-plan?date=2026-01-01`, save())).status).toBe(200);
    const kept = await em.execute(`select load from plan_week where swimmer_id = '${id}' and monday = '2026-01-05'`);
    expect(kept).toEqual([{ load: 777 }]);
  });

  it('gets along with coaches who decide at the same time', async () => {
    const club = await harness.club();
    const ids = await Promise.all(Array.from({ length: 25 }, () => racer(club)));
    const head = await club.as('head');
    const { body } = await head('POST', `/season/plan?date=${TODAY}`);
    const saved = await Promise.all(
      ids.flatMap((id) => [1, 2].map(() => head('PUT', `/swimmers/${id}/race-plan?date=${TODAY}`, save(0)))),
    );
    // Of two on the same version one gets a conflict; neither meets a failure of the server.
    for (const { status } of saved) expect([200, 409]).toContain(status);
    expect(saved.filter((s) => s.status === 200)).toHaveLength(ids.length);
    expect((await ended(head, body.id)).state).toBe('done');
  });

  it('stops when asked, and is seen by its own club only', async () => {
    const club = await harness.club();
    await racer(club);
    const other = await (await harness.club()).as('head');
    const head = await club.as('head');
    const { body } = await head('POST', `/season/plan?date=${TODAY}`);
    expect((await other('GET', `/jobs/${body.id}`)).status).toBe(404);
    expect((await other('POST', `/jobs/${body.id}/stop`)).status).toBe(404);
    const stopped = await head('POST', `/jobs/${body.id}/stop`);
    // It may have ended before the word came.
    expect(['stopped', 'done']).toContain(stopped.body.state);
    expect((await ended(head, body.id)).state).toBe(stopped.body.state);
  });

  it('has its clock, which the role of the app cannot make for itself', async () => {
    const em = harness.owner.em.fork();
    const queues = await em.execute<{ name: string }[]>('select name from pgboss.queue');
    expect(queues.map((q) => q.name)).toEqual(expect.arrayContaining(['plan-club', 'plan-night', '__pgboss__send-it']));
    const nights = await em.execute<{ cron: string }[]>(`select cron from pgboss.schedule where name = 'plan-night'`);
    expect(nights).toEqual([{ cron: '10 * * * *' }]);
  });

  it('runs by itself at night, for every club with a race', async () => {
    const club = await harness.club();
    await putIn(club, zoneWhere('03:'));
    const id = await racer(club, {
      goal: { ...GOAL, date: new Date(Date.now() + 30 * 86_400_000).toISOString().slice(0, 10) },
    });
    await harness.jobs.add('plan-night', {});
    const em = harness.owner.em.fork();
    for (;;) {
      const rows = await em.execute(`select from plan_week where swimmer_id = '${id}'`);
      if (rows.length > 0) break;
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
  });
});

/** A zone whose clock shows an hour now. */
const zoneWhere = (hour: string): string =>
  Array.from({ length: 27 }, (_, i) => `Etc/GMT${i < 14 ? `-${i + 1}` : `+${i - 14}`}`).find((zone) =>
    timeIn(zone, Date.now()).startsWith(hour),
  )!;

const putIn = (club: TestClub, timeZone: string) =>
  harness.owner.em.fork().execute(`update club set settings = ? where id = ?`, [JSON.stringify({ timeZone }), club.id]);

describe('the night of a club', () => {
  it.each([
    ['2026-07-10T02:10:00Z', 'Europe/Lisbon', '2026-07-10'],
    ['2026-07-10T15:10:00Z', 'Pacific/Auckland', '2026-07-11'],
    ['2026-07-10T10:10:00Z', 'America/Los_Angeles', '2026-07-10'],
    ['2026-07-10T03:10:00Z', 'Europe/Lisbon', null],
    ['2026-07-10T03:10:00Z', 'Pacific/Auckland', null],
  ])('at %s in %s plans from %p', async (now, zone, today) => {
    const club = await harness.club();
    await racer(club, { goal: { ...GOAL, date: '2026-09-20' } });
    await putIn(club, zone);
    const asked: { clubId: string; today: string }[] = [];
    const jobs = {
      add: async (_queue: string, data: object) => void asked.push(data as (typeof asked)[number]),
      stop: async () => undefined,
    };
    await planEveryClub(harness.database, jobs, new Date(now));
    expect(asked.filter((a) => a.clubId === club.id).map((a) => a.today)).toEqual(today === null ? [] : [today]);
  });
});

describe('a swimmer’s own week', () => {
  it('holds their sessions, weeks and list; they say how a session felt', async () => {
    const club = await harness.club();
    const id = await racer(club);
    await racer(club, { givenName: 'Somebody', familyName: 'Else' });
    await club.addAccount('swimmer', id);
    const coach = await club.as('coach');
    await coach('PUT', `/swimmers/${id}/race-plan?date=${TODAY}`, save());
    const session = v7();
    const today = new Date().toISOString().slice(0, 10);
    await harness.owner.em.fork().execute(
      `insert into training_session (id, club_id, created_by, title, date, start_time, squad_ids, theme, minutes, plan, summary, write_id)
       values (?, ?, ?, 'Steady', ?::date, '19:00', array[?]::uuid[], 'holds-breath', 60, '{}', ?::jsonb, ?)`,
      [
        ...[session, club.id, club.accounts.coach!.id, today, club.squads[0]!],
        ...[JSON.stringify([{ name: 'Hold', level: 'hold', metres: 2000, load: 2500 }]), v7()],
      ],
    );
    const swimmer = await club.as('swimmer');
    const week = (await swimmer('GET', `/my-week?date=${TODAY}`)).body;
    expect(week).toMatchObject({ swimmerId: id, race: { event: 'Quill Crossing', targetS: 3600 } });
    expect(week.weeks).toHaveLength(13);
    expect(week.ready.map((r: { id: string }) => r.id)).toContain('both-sides');
    expect(JSON.stringify(week)).not.toContain('Else');

    expect((await swimmer('PUT', `/sessions/${session}/rating`, { value: 6 })).body.value).toBe(6);
    expect((await swimmer('PUT', `/sessions/${session}/rating`, { value: 7 })).status).toBe(200);
    const now = (await swimmer('GET', `/my-week?date=${today}`)).body;
    expect(now.sessions).toMatchObject([{ id: session, metres: 2000, rating: 7 }]);
    expect((await swimmer('PUT', `/sessions/${session}/rating`, { value: 11 })).status).toBe(400);
    expect((await coach('PUT', `/sessions/${session}/rating`, { value: 5 })).status).toBe(403);
    // Rating × minutes of who swam it, not of the others.
    const load = (await coach('GET', `/load?date=${today}`)).body.swimmers;
    expect(load.find((r: { id: string }) => r.id === id).feltWeek).toBe(420);
    expect(load.find((r: { id: string }) => r.id !== id).feltWeek).toBeNull();
    const stranger = await (await harness.club()).as('head');
    expect((await stranger('PUT', `/sessions/${session}/rating`, { value: 5 })).status).toBe(403);
  });

  it('goes into a calendar that can be taken back', async () => {
    const club = await harness.club();
    const id = await racer(club);
    const friend = await racer(club, { givenName: 'Somebody', familyName: 'Else' });
    await club.addAccount('swimmer', id);
    const swimmer = await club.as('swimmer');
    await (
      await club.as('coach')
    )('PUT', `/swimmers/${id}/race-plan?date=${TODAY}`, save());
    const [link, token] = [v7(), 'a'.repeat(43)];
    expect((await swimmer('PUT', `/calendar-links/${link}`, { swimmerId: friend, token })).status).toBe(404);
    expect((await swimmer('PUT', `/calendar-links/${link}`, { squadId: club.squads[0], token })).status).toBe(403);
    const own = `${link.slice(0, 8)}${token.slice(8)}`;
    expect((await swimmer('PUT', `/calendar-links/${link}`, { swimmerId: id, token: own })).status).toBe(200);
    const feed = () => harness.app.inject({ url: `/api/v1/calendars/${own}` });
    const text = (await feed()).body;
    expect(text).toContain('SUMMARY:Quill Crossing');
    expect(text).not.toContain('Else');
    // A whole day has dates and no length; its id stays when the race is called otherwise.
    const entry = (calendar: string) =>
      calendar.split('BEGIN:VEVENT').find((e) => e.includes('SUMMARY:Quill Crossing'))!;
    expect(entry(text)).toMatch(/DTSTART;VALUE=DATE:\d{8}\r\nDTEND;VALUE=DATE:\d{8}\r\n/);
    expect(text).not.toContain('DURATION');
    const uid = /UID:(.*)\r/.exec(entry(text))![1];
    expect(uid).not.toContain(id);
    await harness.owner.em
      .fork()
      .getConnection()
      .execute(`update swimmer set goal = jsonb_set(goal, '{event}', '"Quill Crossing at dawn"') where id = ?`, [id]);
    expect(/UID:(.*)\r/.exec(entry((await feed()).body))![1]).toBe(uid);
    expect((await swimmer('POST', `/calendar-links/${link}/revoke`)).status).toBe(200);
    expect((await feed()).statusCode).toBe(404);
  });
});

describe('the deck’s first page', () => {
  it('names tests, what is missing before a race, and who comes for what', async () => {
    const club = await harness.club();
    const id = await racer(club, { goal: { ...GOAL, date: day(20) }, breathingSide: 'left' });
    const coach = await club.as('coach');
    await coach('PUT', `/swimmers/${id}/race-plan?date=${TODAY}`, save());
    await harness.owner.em
      .fork()
      .execute(`update plan_week set test = true where swimmer_id = '${id}' and monday = '${weekOf(TODAY)}'`);
    const { body } = await coach('GET', `/deck/today?date=${TODAY}`);
    expect(body.tests).toMatchObject([{ swimmerId: id, monday: weekOf(TODAY) }]);
    expect(body.ready[0]).toMatchObject({ swimmerId: id, event: 'Quill Crossing' });
    expect(body.ready[0].missing[0]).toMatchObject({ id: 'both-sides', late: true });
    const proposal = (await coach('GET', `/sessions/proposal?date=${TODAY}`)).body;
    expect(proposal.served[0]).toMatchObject({ focus: null, week: expect.any(String), raceInDays: 20 });
    expect(proposal.themes[0]).toMatchObject({ cause: proposal.served[0].planTheme, swimmers: 1 });
  });
});
