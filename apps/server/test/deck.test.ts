import { runSetup, type DeckEvent, type DeckFact, type RunSetup } from '@upwell/core/deck';
import { buildSession } from '@upwell/core/sessions';
import { v7 } from 'uuid';
import { Harness, type TestClub } from './harness';

let harness: Harness;
let club: TestClub;
beforeAll(async () => {
  harness = await Harness.start();
  club = await harness.club();
});
afterAll(() => harness.stop());

const built = buildSession({
  kind: 'aerobic',
  theme: 'breath-too-low',
  minutes: 60,
  pool: { length: 25, unit: 'm' },
  kit: ['fins', 'board', 'buoy'],
  seed: 1,
  groups: [{ level: 'hold', swimmers: 2, lanes: 1, v400Mps: null }],
});
if (built.kind === 'clash') throw new Error('no plan');
const { plan } = built;

async function session(owner = club): Promise<string> {
  const id = v7();
  const answer = await (
    await owner.as('coach')
  )('PUT', `/sessions/${id}`, {
    title: 'Tonight',
    date: '2027-03-02',
    startTime: '19:00',
    squadIds: [owner.squads[0]],
    plan,
    version: 0,
    writeId: v7(),
  });
  expect(answer.status).toBe(200);
  return id;
}

const T0 = 1_800_000_000_000;
const DEVICE = v7();
const event = (seconds: number, fact: DeckFact, device = DEVICE): DeckEvent => ({
  id: v7(),
  atMs: T0 + seconds * 1000,
  device,
  ...fact,
});

/** A run with its swimmers, begun, and the first set that is timed at the wall. */
async function begun(
  owner = club,
): Promise<{ id: string; swimmers: string[]; setup: RunSetup; go: DeckEvent[]; index: number }> {
  const swimmers = [await owner.addSwimmer(), await owner.addSwimmer()];
  const id = await session(owner);
  const { body } = await (await owner.as('coach'))('GET', `/deck/packs/${id}`);
  const setup = runSetup('Tonight', body.session.plan, body.people);
  const lane = setup.lanes.find((l) => l.swimmers.includes(swimmers[0]!))!;
  const index = lane.passages.findIndex((p) => p.sendOffS !== null);
  return {
    id,
    swimmers,
    setup,
    index,
    go: [event(0, { kind: 'begin', setup }), event(10, { kind: 'go', lane: lane.id, index })],
  };
}

const laneOf = (setup: RunSetup, swimmer: string) => setup.lanes.find((l) => l.swimmers.includes(swimmer))!.id;

describe('a run', () => {
  it('has everything for the deck in one answer', async () => {
    const { id, swimmers } = await begun();
    const coach = await club.as('coach');
    const { body } = await coach('GET', '/deck/packs?date=2027-03-02');
    const mine = body.find((p: { session: { id: string } }) => p.session.id === id);
    expect(mine.people.map((p: { id: string }) => p.id)).toEqual(expect.arrayContaining(swimmers));
    expect(mine.session.plan.groups).toHaveLength(1);
  });

  it('stores events once, however often and in whatever order they are sent, and makes records of them', async () => {
    const { id, swimmers, setup, go } = await begun();
    const coach = await club.as('coach');
    const lane = laneOf(setup, swimmers[0]!);
    const place = setup.lanes.find((l) => l.id === lane)!.swimmers.indexOf(swimmers[0]!);
    const tap = event(10 + place * 5 + 60, { kind: 'wall', lane, swimmer: swimmers[0]! });
    const first = await coach('POST', `/deck/runs/${id}/events`, { events: [tap] });
    expect(first).toMatchObject({ status: 200, body: { stored: 1 } });
    expect(await coach('POST', `/deck/runs/${id}/events`, { events: [...go, tap] })).toMatchObject({
      body: { stored: 2 },
    });
    expect(await coach('POST', `/deck/runs/${id}/events`, { events: [...go, tap] })).toMatchObject({
      body: { stored: 0 },
    });
    const { body } = await coach('GET', `/swimmers/${swimmers[0]}/records`);
    expect(body.reps).toHaveLength(1);
    expect(body.reps[0]).toMatchObject({ sessionId: id, title: 'Tonight', on: '2027-03-02', rep: 1 });
    expect(body.reps[0].timeS).toBeCloseTo(60, 6);

    // Taken back: out of the records too.
    await coach('POST', `/deck/runs/${id}/events`, { events: [event(80, { kind: 'void', of: tap.id })] });
    expect((await coach('GET', `/swimmers/${swimmers[0]}/records`)).body.reps).toEqual([]);
  });

  it('lets two devices send at once and loses nothing', async () => {
    const { id, swimmers, setup, go } = await begun();
    const coach = await club.as('coach');
    await coach('POST', `/deck/runs/${id}/events`, { events: go });
    const lanes = swimmers.map((s) => laneOf(setup, s));
    const sets = [0, 1].map((k) =>
      Array.from({ length: 40 }, (_, i) =>
        event(i, { kind: 'attend', swimmer: swimmers[k]!, as: i % 2 ? 'in' : 'out' }, v7()),
      ).concat(event(100, { kind: 'wall', lane: lanes[k]!, swimmer: swimmers[k]! }, v7())),
    );
    const answers = await Promise.all(
      [...sets, ...sets].map((events) => coach('POST', `/deck/runs/${id}/events`, { events })),
    );
    expect(answers.map((a) => a.status)).toEqual([200, 200, 200, 200]);
    const { body } = await coach('GET', `/deck/runs/${id}/events?after=0`);
    expect(body.events).toHaveLength(2 + 82);
    expect(new Set(body.events.map((e: DeckEvent) => e.id)).size).toBe(84);
    const later = await coach('GET', `/deck/runs/${id}/events?after=${body.last}`);
    expect(later.body).toMatchObject({ events: [], more: false, last: body.last });
    for (const swimmer of swimmers) {
      const records = (await coach('GET', `/swimmers/${swimmer}/records`)).body;
      expect(records.reps).toHaveLength(1);
      expect(records.attended).toMatchObject([{ as: 'in', sessionId: id }]);
    }
  });

  it('keeps a sign for the next review and a verdict as a try of the focus', async () => {
    const { id, swimmers } = await begun();
    const coach = await club.as('coach');
    const focusId = v7();
    const review = await coach('PUT', `/reviews/${v7()}`, {
      swimmerId: swimmers[0],
      lookedAt: '2027-03-01T10:00:00.000Z',
      stroke: 'front-crawl',
      model: 'long-line',
      level: 'hold',
      signs: { 'face-up-and-back': 'often' },
      good: 'calm face',
      focus: {
        id: focusId,
        cause: 'breath-too-low',
        drill: 'float-board-breathing',
        cue: 'Sip.',
        tries: 4,
        relookOn: '2027-03-15',
      },
      relook: null,
      version: 0,
      writeId: v7(),
    });
    expect(review.status).toBe(200);
    const sign = event(5, { kind: 'sign', swimmer: swimmers[0]!, sign: 'legs-low', sighting: 'often' });
    const verdict = event(6, {
      kind: 'verdict',
      swimmer: swimmers[0]!,
      focusId,
      drill: 'float-board-breathing',
      verdict: 'better',
    });
    await coach('POST', `/deck/runs/${id}/events`, { events: [sign, verdict] });
    expect((await coach('GET', `/swimmers/${swimmers[0]}/records`)).body.signs).toMatchObject([
      { sign: 'legs-low', sighting: 'often', on: '2027-03-02' },
    ]);
    const tries = async () => (await coach('GET', `/swimmers/${swimmers[0]}`)).body.focuses[0].triesMade;
    expect(await tries()).toMatchObject([{ id: verdict.id, verdict: 'better' }]);
    await coach('POST', `/deck/runs/${id}/events`, { events: [event(7, { kind: 'void', of: verdict.id })] });
    expect(await tries()).toEqual([]);
  });

  it.each([
    ['an unknown kind', { kind: 'party' }],
    ['a sign that is none', { kind: 'sign', swimmer: v7(), sign: 'x', sighting: 'often' }],
    ['a rating of 11', { kind: 'rating', group: 'g', value: 11 }],
    ['something more', { kind: 'end', extra: 1 }],
    ['a place of no lane', { kind: 'move', swimmer: v7(), lane: '', place: 0 }],
  ])('refuses %s', async (_what, fact) => {
    const id = await session();
    const coach = await club.as('coach');
    const bad = { id: v7(), atMs: T0, device: DEVICE, ...fact };
    expect((await coach('POST', `/deck/runs/${id}/events`, { events: [bad] })).status).toBe(400);
  });

  it('refuses a request of 501 events, and no events', async () => {
    const id = await session();
    const coach = await club.as('coach');
    const events = Array.from({ length: 501 }, () => event(1, { kind: 'end' }));
    expect((await coach('POST', `/deck/runs/${id}/events`, { events })).status).toBe(400);
    expect((await coach('POST', `/deck/runs/${id}/events`, { events: [] })).status).toBe(400);
  });

  it('is not there for another club, and not for a swimmer', async () => {
    const { id, go, swimmers } = await begun();
    const other = await harness.club();
    const stranger = await other.as('coach');
    expect((await stranger('POST', `/deck/runs/${id}/events`, { events: go })).status).toBe(404);
    expect((await stranger('GET', `/deck/runs/${id}/events`)).status).toBe(404);
    expect((await stranger('GET', `/deck/packs/${id}`)).status).toBe(404);
    expect((await stranger('GET', `/swimmers/${swimmers[0]}/records`)).status).toBe(404);
    await club.addAccount('swimmer', swimmers[0]!);
    const swimmer = await club.as('swimmer');
    expect((await swimmer('GET', `/deck/runs/${id}/events`)).status).toBe(403);
    expect((await swimmer('POST', `/deck/runs/${id}/events`, { events: go })).status).toBe(403);
    expect((await swimmer('GET', `/swimmers/${swimmers[0]}/records`)).status).toBe(200);
    expect((await swimmer('GET', `/swimmers/${swimmers[1]}/records`)).status).toBe(404);
  });

  it('goes when its session goes', async () => {
    const { id, go, swimmers, setup } = await begun();
    const coach = await club.as('coach');
    const lane = laneOf(setup, swimmers[0]!);
    await coach('POST', `/deck/runs/${id}/events`, {
      events: [...go, event(90, { kind: 'wall', lane, swimmer: swimmers[0]! })],
    });
    expect((await coach('DELETE', `/sessions/${id}`)).status).toBe(200);
    expect((await coach('GET', `/swimmers/${swimmers[0]}/records`)).body.reps).toEqual([]);
  });
});
