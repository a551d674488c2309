import { randomBytes } from 'node:crypto';
import { eyeClip } from '@upwell/core/eye';
import { handout } from '@upwell/core/handout';
import { CAUSE_IDS, CAUSES, LINKS } from '@upwell/core/review';
import { v7 } from 'uuid';
import { handoutPdf } from '../src/handout/pdf';
import { FocusEntity } from '../src/review/entities';
import { Harness, type TestClub } from './harness';

let harness: Harness;
let club: TestClub;
let other: TestClub;
beforeAll(async () => {
  harness = await Harness.start();
  club = await harness.club();
  other = await harness.club();
});
afterAll(() => harness.stop());

const review = (swimmerId: string, change: object = {}) => ({
  swimmerId,
  lookedAt: new Date().toISOString(),
  stroke: 'front-crawl',
  model: 'long-line',
  level: 'hold',
  signs: { 'elbow-leads': 'often', 'hand-slips': 'often' },
  measured: { strokeRateSpm: 58 },
  good: 'even kick',
  focus: {
    id: v7(),
    cause: 'dropped-elbow',
    drill: 'front-scull',
    cue: 'Fingertips down.',
    tries: 4,
    relookOn: '2026-12-08',
  },
  relook: null,
  version: 0,
  writeId: v7(),
  ...change,
});

/** A swimmer with one open focus. */
async function focused(change: object = {}): Promise<{ swimmer: string; focus: string }> {
  const swimmer = await club.addSwimmer(club.squads[0]!, change);
  const body = review(swimmer);
  expect((await (await club.as('coach'))('PUT', `/reviews/${v7()}`, body)).status).toBe(200);
  return { swimmer, focus: body.focus.id };
}

const aTry = (change: object = {}) => ({
  drill: 'front-scull',
  verdict: 'same',
  note: '',
  at: new Date().toISOString(),
  ...change,
});

describe('the try-again loop', () => {
  it('keeps every try once and in its order', async () => {
    const { focus } = await focused();
    const coach = await club.as('coach');
    const [first, second] = [v7(), v7()];
    const at = (s: number) => new Date(Date.UTC(2026, 10, 25, 10, 0, s)).toISOString();
    await coach('PUT', `/focuses/${focus}/tries/${second}`, aTry({ verdict: 'better', at: at(9) }));
    await coach('PUT', `/focuses/${focus}/tries/${first}`, aTry({ at: at(3) }));
    const again = await coach('PUT', `/focuses/${focus}/tries/${first}`, aTry({ verdict: 'worse', at: at(3) }));
    expect(again.body.triesMade.map((t: { id: string; verdict: string }) => [t.id, t.verdict])).toEqual([
      [first, 'same'],
      [second, 'better'],
    ]);
  });

  it('takes a try back, also twice, and nobody else’s', async () => {
    const { focus } = await focused();
    const coach = await club.as('coach');
    const id = v7();
    await coach('PUT', `/focuses/${focus}/tries/${id}`, aTry());
    expect((await (await other.as('coach'))('DELETE', `/focuses/${focus}/tries/${id}`)).status).toBe(404);
    expect((await coach('DELETE', `/focuses/${focus}/tries/${id}`)).body.triesMade).toEqual([]);
    expect((await coach('DELETE', `/focuses/${focus}/tries/${id}`)).status).toBe(200);
  });

  it('takes only drills that answer the focus', async () => {
    const { focus } = await focused();
    const refused = await (
      await club.as('coach')
    )('PUT', `/focuses/${focus}/tries/${v7()}`, aTry({ drill: 'star-float' }));
    expect(refused).toMatchObject({ status: 400, body: { fields: [{ field: 'drill' }] } });
  });

  it('keeps what the swimmer says, and shows both versions to the slower coach', async () => {
    const { focus } = await focused();
    const coach = await club.as('coach');
    const words = { drill: 'mid-scull', saidBack: 'tips down', felt: 'more grip', relookOn: '2026-12-10' };
    const saved = await coach('PUT', `/focuses/${focus}`, { ...words, version: 1, writeId: v7() });
    expect(saved.body).toMatchObject({ saidBack: 'tips down', felt: 'more grip', drill: 'mid-scull', version: 2 });
    const late = await coach('PUT', `/focuses/${focus}`, { ...words, felt: 'nothing', version: 1, writeId: v7() });
    expect(late).toMatchObject({ status: 409, body: { current: { felt: 'more grip' } } });
  });

  it('is nobody else’s: other clubs and swimmers cannot write', async () => {
    const { swimmer, focus } = await focused();
    expect((await (await other.as('coach'))('PUT', `/focuses/${focus}/tries/${v7()}`, aTry())).status).toBe(404);
    expect((await (await other.as('head'))('GET', `/focuses/${focus}`)).status).toBe(404);
    await club.addAccount('swimmer', swimmer);
    const self = await club.as('swimmer');
    expect((await self('GET', `/focuses/${focus}`)).status).toBe(200);
    expect((await self('PUT', `/focuses/${focus}/tries/${v7()}`, aTry())).status).toBe(403);
  });
});

describe('the second look', () => {
  it('ends the old focus with its outcome, which then counts for the drill', async () => {
    const { swimmer, focus } = await focused();
    const coach = await club.as('coach');
    const before = await coach('GET', '/outcomes?level=hold');
    const count = (records: { cause: string; drill: string; better: number }[]) =>
      records.find((r) => r.cause === 'dropped-elbow' && r.drill === 'front-scull')?.better ?? 0;
    const body = review(swimmer, { relook: { focusId: focus, outcome: 'better' } });
    expect((await coach('PUT', `/reviews/${v7()}`, body)).status).toBe(200);
    const page = await coach('GET', `/swimmers/${swimmer}`);
    expect(page.body.focuses.map((f: { outcome: string | null }) => f.outcome)).toEqual([null, 'better']);
    expect(page.body.reviews[0].measured).toEqual({ strokeRateSpm: 58 });
    const after = await coach('GET', '/outcomes?level=hold');
    expect(count(after.body)).toBe(count(before.body) + 1);
  });

  it('of a focus that is not there stores nothing', async () => {
    const { swimmer } = await focused();
    const coach = await club.as('coach');
    const body = review(swimmer, { relook: { focusId: v7(), outcome: 'better' } });
    expect((await coach('PUT', `/reviews/${v7()}`, body)).status).toBe(404);
    expect(await harness.owner.em.fork().count(FocusEntity, { swimmerId: swimmer })).toBe(1);
  });
});

const clip = (swimmerId: string, change: object = {}) => ({
  swimmerId,
  title: 'Side, lane 2',
  recordedOn: '2026-11-25',
  durationS: 12,
  aspect: 16 / 9,
  distanceM: null,
  taps: [
    { kind: 'entry', side: 'left', timeS: 1 },
    { kind: 'breath', side: 'left', timeS: 1.6 },
    { kind: 'entry', side: 'right', timeS: 2 },
  ],
  lines: [
    {
      id: v7(),
      kind: 'trunk',
      timeS: 1,
      line: [
        { x: 0.1, y: 0.4 },
        { x: 0.5, y: 0.5 },
      ],
    },
  ],
  notes: [{ startS: 1, endS: 2, text: 'elbow' }],
  version: 0,
  writeId: v7(),
  ...change,
});

describe('clips', () => {
  it('keep times, lines and notes, and can be deleted', async () => {
    const swimmer = await club.addSwimmer();
    const coach = await club.as('coach');
    const [id, body] = [v7(), clip(swimmer)];
    expect((await coach('PUT', `/clips/${id}`, body)).status).toBe(200);
    expect((await coach('GET', `/clips/${id}`)).body).toMatchObject({ taps: body.taps, lines: body.lines, version: 1 });
    expect((await coach('GET', `/swimmers/${swimmer}`)).body.clips).toEqual([
      { id, title: 'Side, lane 2', recordedOn: '2026-11-25', strokes: 2, stills: 0 },
    ]);
    expect((await (await other.as('head'))('DELETE', `/clips/${id}`)).status).toBe(404);
    expect((await coach('DELETE', `/clips/${id}`)).status).toBe(204);
    expect((await coach('GET', `/clips/${id}`)).status).toBe(404);
  });

  it('of a child wait for the guardian, and every look is logged', async () => {
    const child = { birthYear: new Date().getFullYear() - 12 };
    const swimmer = await club.addSwimmer(club.squads[0]!, child);
    const coach = await club.as('coach');
    const refused = await coach('PUT', `/clips/${v7()}`, clip(swimmer));
    expect(refused.status).toBe(422);
    expect(refused.body.detail).toContain('guardian');
    const agreed = await club.addSwimmer(club.squads[0]!, { ...child, clipConsent: true });
    const id = v7();
    expect((await coach('PUT', `/clips/${id}`, clip(agreed))).status).toBe(200);
    await coach('GET', `/clips/${id}`);
    const looks = await harness.owner.em
      .fork()
      .execute<{ what: string }[]>('select what from access_log where swimmer_id = ? order by id', [agreed]);
    expect(looks.map((l) => l.what)).toEqual(['PUT /clips/:id', 'GET /clips/:id']);
  });

  it.each([
    ['a tap before the start', { taps: [{ kind: 'entry', side: 'left', timeS: -1 }] }],
    ['no length', { durationS: 0 }],
    ['a line with one end', { lines: [{ id: v7(), kind: 'trunk', timeS: 1, line: [{ x: 0, y: 0 }] }] }],
    ['too many notes', { notes: Array(301).fill({ startS: 0, endS: 1, text: 'x' }) }],
  ])('refuse %s', async (_what, change) => {
    const refused = await (await club.as('coach'))('PUT', `/clips/${v7()}`, clip(await club.addSwimmer(), change));
    expect(refused.status).toBe(400);
  });
});

describe('eye training', () => {
  it('remembers the tries and shows those of the club’s other coaches, of no other club', async () => {
    const { truth } = eyeClip(1, 4);
    const coach = await club.as('coach');
    const [id, body] = [v7(), { grade: 1, seed: 4, marked: truth }];
    await coach('PUT', `/eye/tries/${id}`, body);
    const mine = await coach('PUT', `/eye/tries/${id}`, body);
    expect(mine.body.mine).toEqual([body]);
    const head = await club.as('head');
    expect((await head('GET', '/eye/tries')).body).toMatchObject({ mine: [], others: [{ tries: [body] }] });
    expect((await (await other.as('head'))('GET', '/eye/tries')).body).toEqual({ mine: [], others: [] });
  });

  it('takes only signs and grades that exist', async () => {
    const coach = await club.as('coach');
    expect((await coach('PUT', `/eye/tries/${v7()}`, { grade: 9, seed: 1, marked: [] })).status).toBe(400);
    expect((await coach('PUT', `/eye/tries/${v7()}`, { grade: 1, seed: 1, marked: ['no-such'] })).status).toBe(400);
  });
});

describe('the hand-out', () => {
  const token = () => randomBytes(32).toString('base64url');
  const ask = (secret: string, rest = '') => harness.app.inject({ url: `/api/v1/handouts/${secret}${rest}` });

  it('opens for anyone with the link until it is revoked, and shows no more than the page', async () => {
    const { focus } = await focused({ healthFlags: ['asthma'], healthConsent: true });
    const coach = await club.as('coach');
    const [id, secret] = [v7(), token()];
    const made = await coach('PUT', `/handout-links/${id}`, { focusId: focus, token: secret });
    expect(made.body).toMatchObject({ id, focusId: focus, revoked: false });
    expect(JSON.stringify(made.body)).not.toContain(secret);
    const page = await ask(secret);
    expect(page.json()).toMatchObject({ givenName: 'Ada', focus: 'Dropped elbow', drill: { name: 'Front scull' } });
    expect(page.body).not.toMatch(/asthma|Lindqvale/);
    expect(page.headers).toMatchObject({ 'cache-control': 'no-store', 'x-robots-tag': 'noindex' });
    await coach('POST', `/handout-links/${id}/revoke`);
    expect((await ask(secret)).statusCode).toBe(404);
    expect((await coach('GET', `/handout-links?focusId=${focus}`)).body).toMatchObject([{ id, revoked: true }]);
  });

  it('is a PDF on A5 with its fonts inside', async () => {
    const { focus } = await focused();
    const secret = token();
    await (
      await club.as('coach')
    )('PUT', `/handout-links/${v7()}`, { focusId: focus, token: secret });
    const file = await ask(secret, '/page.pdf');
    expect(file.headers['content-type']).toBe('application/pdf');
    const text = file.rawPayload.toString('latin1');
    expect(text.startsWith('%PDF-')).toBe(true);
    expect(text).toMatch(/\/MediaBox \[0 0 419\.53 595\.28\]/);
    expect(text).toMatch(/\/FontFile[23]?/);
    expect(text).toMatch(/AtkinsonHyperlegibleNext/);
    // One page: it is folded into a pocket.
    expect(text.match(/\/Type \/Page\b(?!s)/g)).toHaveLength(1);
  });

  it('fits one page for every drill there is, with the longest words around it', async () => {
    for (const cause of CAUSE_IDS) {
      for (const drill of CAUSES[cause].answers) {
        const signs = Object.fromEntries(Object.keys(LINKS[cause]).map((sign) => [sign, 'often']));
        const page = handout({
          givenName: 'Maximiliane-Henriette',
          stroke: CAUSES[cause].strokes[0],
          signs,
          good: 'a long and quiet front arm, a calm face, and a kick that goes on through every breath of the length',
          cause,
          drill,
          cue: CAUSES[cause].cue,
          tries: 12,
          relookOn: '2026-09-30',
        });
        const text = (await handoutPdf(page)).toString('latin1');
        expect([cause, drill, text.match(/\/Type \/Page\b(?!s)/g)?.length]).toEqual([cause, drill, 1]);
      }
    }
  });

  it('of another club stays shut, and a guess finds nothing', async () => {
    const { focus } = await focused();
    const stranger = await other.as('head');
    expect((await stranger('GET', `/focuses/${focus}/handout`)).status).toBe(404);
    expect((await stranger('PUT', `/handout-links/${v7()}`, { focusId: focus, token: token() })).status).toBe(404);
    expect((await ask(token())).statusCode).toBe(404);
    expect((await ask('short')).statusCode).toBe(400);
  });
});
