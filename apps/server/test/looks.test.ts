// A look at the stroke: what it keeps, what it closes, and what the coach may decide against the proposal.
import { SIGN_IDS, signsFor } from '@upwell/core/review';
import { v7 } from 'uuid';
import { Harness, type TestClub } from './harness';
import { closingOf, focusOf, lookOf } from './lookBodies';

let harness: Harness;
let club: TestClub;
beforeAll(async () => {
  harness = await Harness.start();
  club = await harness.club();
});
afterAll(() => harness.stop());

/** A swimmer with an open focus. */
async function focused() {
  const coach = await club.as('coach');
  const swimmer = await club.addSwimmer(club.squads[0]!);
  const body = lookOf(swimmer);
  expect((await coach('PUT', `/reviews/${v7()}`, body)).status).toBe(200);
  const page = async () => (await coach('GET', `/swimmers/${swimmer}`)).body;
  return { coach, swimmer, focus: body.focus.id, page };
}

const helpedBy = async (drill: string) => {
  const { body } = await (await club.as('coach'))('GET', '/outcomes?level=hold');
  const found = body.find((r: { cause: string; drill: string }) => r.cause === 'dropped-elbow' && r.drill === drill);
  return found ?? { better: 0, notBetter: 0 };
};

describe('a focus whose signs are gone', () => {
  it('is closed as solved, with nothing new asked for, and counts once for its drill', async () => {
    const { coach, swimmer, focus, page } = await focused();
    const before = await helpedBy('front-scull');
    const [id, body] = [v7(), closingOf(swimmer, focus, 'solved')];
    const closed = await coach('PUT', `/reviews/${id}`, body);
    expect(closed).toMatchObject({ status: 200, body: { focusCause: null } });
    // The answer was lost: sent again it changes nothing.
    expect((await coach('PUT', `/reviews/${id}`, body)).status).toBe(200);
    const { focuses, reviews } = await page();
    expect(focuses).toMatchObject([{ id: focus, outcome: 'solved', closedAt: expect.any(String) }]);
    expect(reviews).toHaveLength(2);
    expect(await helpedBy('front-scull')).toMatchObject({ better: before.better + 1, notBetter: before.notBetter });
    // It is not due on deck.
    const deck = await coach('GET', '/deck/today?date=2027-06-01');
    expect(JSON.stringify(deck.body.relooks)).not.toContain(focus);
  });

  it('closed on two devices, both looks are kept and the first word stays', async () => {
    const { coach, swimmer, focus, page } = await focused();
    expect((await coach('PUT', `/reviews/${v7()}`, closingOf(swimmer, focus, 'solved'))).status).toBe(200);
    // The same word a second time is no quarrel.
    expect((await coach('PUT', `/reviews/${v7()}`, closingOf(swimmer, focus, 'solved'))).status).toBe(200);
    const id = v7();
    const other = closingOf(swimmer, focus, 'same', { focus: focusOf() });
    const refused = await coach('PUT', `/reviews/${id}`, other);
    expect(refused).toMatchObject({
      status: 409,
      body: { current: { id: focus, outcome: 'solved' }, detail: expect.stringContaining('“solved”') },
    });
    // Kept beside it, without closing it again: with the new focus that it gave.
    const kept = await coach('PUT', `/reviews/${id}`, { ...other, relook: null, writeId: v7() });
    expect(kept).toMatchObject({ status: 200, body: { focusCause: 'dropped-elbow' } });
    const { focuses, reviews } = await page();
    expect(reviews).toHaveLength(4);
    expect(focuses.map((f: { id: string; outcome: string | null }) => [f.id, f.outcome])).toEqual([
      [other.focus!.id, null],
      [focus, 'solved'],
    ]);
  });

  it('at once from two devices, is closed once', async () => {
    const { coach, swimmer, focus, page } = await focused();
    const both = await Promise.all(
      (['solved', 'worse'] as const).map((outcome) =>
        coach('PUT', `/reviews/${v7()}`, closingOf(swimmer, focus, outcome)),
      ),
    );
    expect(both.map((r) => r.status).sort()).toEqual([200, 409]);
    const won = both[0]!.status === 200 ? 'solved' : 'worse';
    expect((await page()).focuses).toMatchObject([{ outcome: won }]);
  });

  it('of another swimmer is not there', async () => {
    const { coach, focus } = await focused();
    const other = await club.addSwimmer(club.squads[0]!);
    expect((await coach('PUT', `/reviews/${v7()}`, closingOf(other, focus, 'solved'))).status).toBe(404);
  });
});

describe('a look that asks for nothing new', () => {
  it('leaves the open focus as it is', async () => {
    const { coach, swimmer, focus, page } = await focused();
    const kept = await coach('PUT', `/reviews/${v7()}`, lookOf(swimmer, { focus: null }));
    expect(kept).toMatchObject({ status: 200, body: { focusCause: null, good: 'even kick' } });
    expect((await page()).focuses).toMatchObject([{ id: focus, outcome: null, closedAt: null }]);
  });

  it('keeps what was seen in the coach’s own words, with or without a listed sign', async () => {
    const { coach, swimmer, page } = await focused();
    const noted = 'Stops when overtaken.\nThen goes on too fast.';
    const kept = await coach('PUT', `/reviews/${v7()}`, lookOf(swimmer, { signs: {}, noted, focus: null }));
    expect(kept).toMatchObject({ status: 200, body: { noted, signs: {} } });
    expect((await page()).reviews[0]).toMatchObject({ noted });
    for (const bad of [{ signs: {}, noted: '' }, { signs: {}, noted: '   ' }, { noted: 'x'.repeat(5000) }]) {
      const refused = await coach('PUT', `/reviews/${v7()}`, lookOf(swimmer, { focus: null, ...bad }));
      expect([refused.status, refused.body.fields.length]).toEqual([400, 1]);
    }
    expect((await page()).reviews).toHaveLength(2);
  });

  it('without any words of an older app is stored as before', async () => {
    const { coach, swimmer } = await focused();
    const stored = await coach('PUT', `/reviews/${v7()}`, lookOf(swimmer));
    expect(stored).toMatchObject({ status: 200, body: { noted: '', focusCause: 'dropped-elbow' } });
  });
});

describe('what the coach decides', () => {
  it('may be any cause of the stroke, however unlikely, and none of another one', async () => {
    const coach = await club.as('coach');
    const swimmer = await club.addSwimmer(club.squads[0]!);
    const chosen = focusOf({ cause: 'stiff-ankles', drill: 'ankle-mobility' });
    const stored = await coach('PUT', `/reviews/${v7()}`, lookOf(swimmer, { focus: chosen }));
    expect(stored).toMatchObject({ status: 200, body: { focusCause: 'stiff-ankles' } });
    expect(stored.body.ranking[0]).toMatchObject({ cause: 'dropped-elbow' });
    const turn = focusOf({ cause: 'side-roll', drill: 'tumble-ladder' });
    const refused = await coach('PUT', `/reviews/${v7()}`, lookOf(swimmer, { focus: turn }));
    expect(refused).toMatchObject({ status: 400, body: { fields: [{ field: 'focus.cause' }] } });
  });

  it('is the cue too, at any time; an older app that sends none leaves it', async () => {
    const { coach, focus } = await focused();
    const words = { drill: 'front-scull', saidBack: '', felt: '', relookOn: '2026-12-10' };
    const change = (body: object, version: number) =>
      coach('PUT', `/focuses/${focus}`, { ...words, ...body, version, writeId: v7() });
    expect((await change({ cue: 'Elbow over the barrel.' }, 1)).body).toMatchObject({ cue: 'Elbow over the barrel.' });
    expect((await change({ tries: 6, cue: 'Elbow over the barrel.' }, 2)).body).toMatchObject({ tries: 6 });
    expect((await change({ felt: 'grip' }, 3)).body).toMatchObject({
      ...{ cue: 'Elbow over the barrel.', tries: 6, felt: 'grip' },
    });
    expect((await change({ cue: '' }, 4)).status).toBe(400);
    expect((await change({ tries: 0 }, 4)).status).toBe(400);
    expect((await change({ cue: 'x'.repeat(121) }, 4)).status).toBe(400);
  });
});

describe('whatever was seen', () => {
  it.each([
    [
      'thirty signs',
      Object.fromEntries(
        signsFor('front-crawl')
          .slice(0, 30)
          .map((sign) => [sign, 'often']),
      ),
    ],
    ['every sign there is, of all strokes', Object.fromEntries(SIGN_IDS.map((sign) => [sign, 'often']))],
    ['signs that contradict each other', { 'shoulders-stack': 'often', 'shoulders-flat': 'often' }],
    ['a sign of another stroke alone', { 'no-glide': 'often' }],
  ])('%s is stored, with causes that are worked out', async (_, signs) => {
    const coach = await club.as('coach');
    const swimmer = await club.addSwimmer(club.squads[0]!);
    const stored = await coach('PUT', `/reviews/${v7()}`, lookOf(swimmer, { signs }));
    expect(stored).toMatchObject({ status: 200, body: { signs } });
    for (const { probability } of stored.body.ranking) expect(probability > 0 && probability < 1).toBe(true);
  });

  it('gives each cause its reasons: for, against, or explained by another', async () => {
    const coach = await club.as('coach');
    const swimmer = await club.addSwimmer(club.squads[0]!);
    const signs = { 'legs-low': 'often', 'hips-low-eyes-down': 'often', 'feet-hooked': 'absent' };
    const { body } = await coach('PUT', `/reviews/${v7()}`, lookOf(swimmer, { signs, focus: null }));
    const [first] = body.ranking;
    expect(first).toMatchObject({ cause: 'no-chest-press', reasons: [{ kind: 'for' }, { kind: 'for' }] });
  });
});
