import { randomBytes } from 'node:crypto';
import { LONGEST_STILL } from '@upwell/contract/clips';
import { addDays } from '@upwell/core/days';
import { v7 } from 'uuid';
import { clipOf, jpegOf, save, stillsOf, swimmerOf } from './bodies';
import { Harness, type TestClub } from './harness';

let harness: Harness;
let club: TestClub;
beforeAll(async () => {
  harness = await Harness.start();
  club = await harness.club();
});
afterAll(() => harness.stop());

const today = new Date().toISOString().slice(0, 10);
const still = (change: object = {}) => ({ ...stillsOf().stills[0]!, ...change });

/** A swimmer with a focus, a link to its hand-out, and a clip. */
async function filmed(swimmerChange: object = {}, recordedOn = today) {
  const swimmerId = await club.addSwimmer(club.squads[0]!, swimmerChange);
  const coach = await club.as('coach');
  const [clipId, focusId, token] = [v7(), v7(), randomBytes(32).toString('base64url')];
  const focus = { id: focusId, cause: 'dropped-elbow', drill: 'front-scull', cue: 'Fingertips down.', tries: 4 };
  const review = {
    ...{ swimmerId, lookedAt: new Date().toISOString(), stroke: 'front-crawl', model: 'long-line', level: 'hold' },
    ...{ signs: { 'elbow-leads': 'often' }, measured: {}, good: 'even kick', relook: null },
    focus: { ...focus, relookOn: addDays(today, 14) },
  };
  expect((await coach('PUT', `/reviews/${v7()}`, { ...review, ...save() })).status).toBe(200);
  expect((await coach('PUT', `/handout-links/${v7()}`, { focusId, token })).status).toBe(200);
  const clip = { ...clipOf(swimmerId), recordedOn, ...save() };
  expect((await coach('PUT', `/clips/${clipId}`, clip)).status).toBe(200);
  const shared = async () => (await harness.app.inject({ url: `/api/v1/handouts/${token}` })).json().stills;
  return { swimmerId, clipId, focusId, token, coach, shared };
}

/** What is in the table itself. */
const inTable = async (clipId: string) => {
  const [row] = await harness.owner.em
    .fork()
    .execute<{ stills: unknown[]; agreed: Date | null }[]>(
      'select stills, stills_agreed_at as agreed from clip where id = ?',
      [clipId],
    );
  return row;
};

describe('stills of a clip', () => {
  it('reach the hand-out, the shared page and the paper, and taken back are gone everywhere', async () => {
    const { clipId, focusId, swimmerId, token, coach, shared } = await filmed();
    expect(await shared()).toEqual([]);
    const put = await coach('PUT', `/clips/${clipId}/stills`, stillsOf());
    expect(put.status).toBe(200);
    expect(put.body).toMatchObject({ agreedAt: expect.stringContaining(today.slice(0, 4)), stills: stillsOf().stills });
    const onPage = [{ ...still(), on: today }];
    expect(await shared()).toEqual(onPage);
    expect((await coach('GET', `/focuses/${focusId}/handout`)).body.stills).toEqual(onPage);
    const paper = await harness.app.inject({ url: `/api/v1/handouts/${token}/page.pdf` });
    const text = paper.rawPayload.toString('latin1');
    expect(text).toMatch(/\/Subtype \/Image/);
    expect(text.match(/\/Type \/Page\b(?!s)/g)).toHaveLength(2);
    expect((await coach('GET', `/swimmers/${swimmerId}`)).body.clips).toMatchObject([{ id: clipId, stills: 1 }]);

    expect((await coach('DELETE', `/clips/${clipId}/stills`)).status).toBe(204);
    expect(await inTable(clipId)).toEqual({ stills: [], agreed: null });
    expect(await shared()).toEqual([]);
    expect((await coach('GET', `/clips/${clipId}/stills`)).body).toMatchObject({ agreedAt: null, stills: [] });
    // Twice is as once.
    expect((await coach('DELETE', `/clips/${clipId}/stills`)).status).toBe(204);
  });

  it('replace those before; storing the clip again leaves them', async () => {
    const { clipId, swimmerId, coach } = await filmed();
    await coach('PUT', `/clips/${clipId}/stills`, stillsOf());
    const three = [1, 2, 3].map((timeS) => still({ timeS, sentence: `Look ${timeS}` }));
    await coach('PUT', `/clips/${clipId}/stills`, { stills: three, agreed: true });
    await coach('PUT', `/clips/${clipId}`, { ...clipOf(swimmerId), title: 'Again', ...save(), version: 1 });
    expect((await coach('GET', `/clips/${clipId}/stills`)).body.stills).toEqual(three);
  });

  it('go with the clip, and when a guardian takes the consent to clips back', async () => {
    const child = { birthYear: new Date().getFullYear() - 12, clipConsent: true };
    const { clipId, swimmerId, coach, shared } = await filmed(child);
    await coach('PUT', `/clips/${clipId}/stills`, stillsOf());
    expect(await shared()).toHaveLength(1);
    const { body: page } = await coach('GET', `/swimmers/${swimmerId}`);
    const { birthYear } = child;
    const without = { ...swimmerOf(page.squadId), birthYear, clipConsent: false, ...save(), version: page.version };
    expect((await coach('PUT', `/swimmers/${swimmerId}`, without)).status).toBe(200);
    expect(await inTable(clipId)).toEqual({ stills: [], agreed: null });
    expect(await shared()).toEqual([]);
    expect((await coach('PUT', `/clips/${clipId}/stills`, stillsOf())).status).toBe(422);
    expect((await coach('DELETE', `/clips/${clipId}`)).status).toBe(204);
    expect(await inTable(clipId)).toBeUndefined();
  });

  it('of the first and the last clip stand side by side', async () => {
    const { clipId, swimmerId, coach } = await filmed({}, addDays(today, -28));
    expect((await coach('GET', `/swimmers/${swimmerId}/stills`)).body).toEqual({ then: null, now: null });
    await coach('PUT', `/clips/${clipId}/stills`, { stills: [still({ sentence: 'Before' })], agreed: true });
    const first = { ...still({ sentence: 'Before' }), on: addDays(today, -28) };
    expect((await coach('GET', `/swimmers/${swimmerId}/stills`)).body).toEqual({ then: null, now: first });
    for (const [days, sentence] of [
      [-14, 'Between'],
      [0, 'After'],
    ] as const) {
      const id = v7();
      await coach('PUT', `/clips/${id}`, { ...clipOf(swimmerId), recordedOn: addDays(today, days), ...save() });
      await coach('PUT', `/clips/${id}/stills`, { stills: [still({ sentence })], agreed: true });
    }
    const { body } = await coach('GET', `/swimmers/${swimmerId}/stills`);
    expect(body).toEqual({ then: first, now: { ...still({ sentence: 'After' }), on: today } });
  });

  it('older than two weeks before a focus do not stand on its hand-out', async () => {
    const old = await filmed({}, addDays(today, -16));
    await old.coach('PUT', `/clips/${old.clipId}/stills`, stillsOf());
    expect(await old.shared()).toEqual([]);
    const led = await filmed({}, addDays(today, -13));
    await led.coach('PUT', `/clips/${led.clipId}/stills`, stillsOf());
    expect(await led.shared()).toHaveLength(1);
  });

  it.each<[string, object]>([
    ['without the consent', { ...stillsOf(), agreed: false }],
    ['without a word on the consent', { stills: stillsOf().stills }],
    ['none', { stills: [], agreed: true }],
    ['four', { stills: Array(4).fill(still()), agreed: true }],
    ['without a sentence', { stills: [still({ sentence: ' ' })], agreed: true }],
    ['too large', { stills: [still({ image: 'A'.repeat(LONGEST_STILL + 4) })], agreed: true }],
    ['that are no base64', { stills: [still({ image: '<svg onload=alert(1)>' })], agreed: true }],
    ['that are no JPEG', { stills: [still({ image: Buffer.from('<svg/>').toString('base64') })], agreed: true }],
    ['cut short', { stills: [still({ image: jpegOf(320, 180).slice(0, 16) })], agreed: true }],
    ['of another size than is said', { stills: [still({ image: jpegOf(64, 64) })], agreed: true }],
    ['too wide', { stills: [still({ width: 2000 })], agreed: true }],
  ])('are refused: %s', async (_what, body) => {
    const { clipId, coach } = await filmed();
    const answer = await coach('PUT', `/clips/${clipId}/stills`, body);
    expect([400, 413, 422]).toContain(answer.status);
    expect((await inTable(clipId))?.stills).toEqual([]);
  });
});
