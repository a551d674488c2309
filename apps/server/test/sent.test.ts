import { MOST_PIECES, SENT_PIECE } from '@upwell/contract/sent';
import { v7 } from 'uuid';
import { filmOf, save, sentAnswerOf, sentAskOf, sentDoneOf, swimmerOf } from './bodies';
import { Harness, type TestClub } from './harness';

let harness: Harness;
beforeAll(async () => {
  harness = await Harness.start();
});
afterAll(() => harness.stop());

const BYTES = { 'content-type': 'application/octet-stream' };

/** A swimmer with an account, who was asked for a clip. */
async function asked(change: object = {}) {
  const club: TestClub = await harness.club();
  const swimmerId = await club.addSwimmer(club.squads[0]!, change);
  await club.addAccount('swimmer', swimmerId);
  const coach = await club.as('coach');
  const swimmer = await club.as('swimmer');
  const id = v7();
  expect((await coach('PUT', `/sent-clips/${id}`, sentAskOf(swimmerId))).status).toBe(200);
  const cookies = { upwell_session: club.cookie('swimmer') };
  const put = (n: number, payload: Buffer, headers: Record<string, string> = BYTES) =>
    harness.app.inject({ method: 'PUT', url: `/api/v1/sent-clips/${id}/pieces/${n}`, cookies, payload, headers });
  const got = async (who: 'coach' | 'swimmer', what: 'film' | 'voice') =>
    harness.app.inject({
      url: `/api/v1/sent-clips/${id}/${what}`,
      cookies: { upwell_session: club.cookie(who) },
    });
  return { club, id, swimmerId, coach, swimmer, put, got };
}

const inTables = async (id: string) => {
  const em = harness.owner.em.fork();
  const [clips] = await em.execute<{ n: number }[]>('select count(*)::int as n from sent_clip where id = ?', [id]);
  const [pieces] = await em.execute<{ n: number }[]>('select count(*)::int as n from sent_piece where clip_id = ?', [
    id,
  ]);
  return [clips!.n, pieces!.n];
};

describe('a clip that a swimmer sends in', () => {
  it('is asked for, comes in pieces, is watched by the coach, answered, heard, and deleted', async () => {
    const { id, swimmerId, coach, swimmer, put, got } = await asked();
    expect((await swimmer('GET', '/sent-clips')).body).toMatchObject([
      { id, swimmerId, wish: 'Three lengths from the side', view: 'side', sentAt: null, pieces: 0 },
    ]);
    expect((await got('coach', 'film')).statusCode).toBe(404);
    expect((await coach('PUT', `/sent-clips/${id}/answer`, sentAnswerOf())).status).toBe(409);
    const pieces = [
      Buffer.concat([filmOf(), Buffer.alloc(SENT_PIECE - 64, 1)]),
      Buffer.alloc(1000, 2),
      Buffer.from('end'),
    ];
    for (const [n, piece] of pieces.entries()) expect((await put(n, piece)).statusCode).toBe(204);
    // One that was sent twice takes its own place.
    expect((await put(1, pieces[1]!)).statusCode).toBe(204);
    expect((await swimmer('GET', '/sent-clips')).body[0]).toMatchObject({ pieces: 3, sentAt: null });
    const done = { type: 'video/webm', seconds: 41.5, pieces: 3 };
    const sent = await swimmer('POST', `/sent-clips/${id}/sent`, done);
    expect(sent.body).toMatchObject({ bytes: SENT_PIECE + 1003, seconds: 41.5, sentAt: expect.any(String) });
    // Said again it is the same, and nothing more comes.
    expect((await swimmer('POST', `/sent-clips/${id}/sent`, done)).body).toEqual(sent.body);
    expect((await put(0, filmOf())).statusCode).toBe(409);
    const film = await got('coach', 'film');
    expect([film.statusCode, film.headers['content-type']]).toEqual([200, 'video/webm']);
    expect(film.rawPayload.equals(Buffer.concat(pieces))).toBe(true);

    expect((await got('swimmer', 'voice')).statusCode).toBe(404);
    const answer = await coach('PUT', `/sent-clips/${id}/answer`, sentAnswerOf());
    expect(answer.body).toMatchObject({ words: sentAnswerOf().words, voice: true, answeredAt: expect.any(String) });
    const voice = await got('swimmer', 'voice');
    expect([voice.headers['content-type'], voice.body]).toEqual(['audio/webm;codecs=opus', 'a voice']);
    expect((await swimmer('DELETE', `/sent-clips/${id}`)).status).toBe(204);
    expect(await inTables(id)).toEqual([0, 0]);
    expect((await got('coach', 'film')).statusCode).toBe(404);
  });

  it('is seen by nobody else', async () => {
    const { id, put, swimmer } = await asked();
    await put(0, filmOf());
    await swimmer('POST', `/sent-clips/${id}/sent`, sentDoneOf());
    const other = await harness.club();
    const stranger = await other.as('head');
    expect((await stranger('GET', '/sent-clips')).body).toEqual([]);
    for (const what of ['film', 'voice']) expect((await stranger('GET', `/sent-clips/${id}/${what}`)).status).toBe(404);
    expect((await stranger('DELETE', `/sent-clips/${id}`)).status).toBe(404);
    expect((await stranger('PUT', `/sent-clips/${id}/answer`, sentAnswerOf())).status).toBe(404);
    expect(await inTables(id)).toEqual([1, 1]);
  });

  it('goes thirty days after its answer', async () => {
    const { id, put, swimmer, coach } = await asked();
    await put(0, filmOf());
    await swimmer('POST', `/sent-clips/${id}/sent`, sentDoneOf());
    await coach('PUT', `/sent-clips/${id}/answer`, { ...sentAnswerOf(), voice: null });
    const aged = (days: number) =>
      harness.owner.em
        .fork()
        .execute(`update sent_clip set answered_at = now() - ?::interval where id = ?`, [`${days} days`, id]);
    await aged(29);
    expect((await swimmer('GET', '/sent-clips')).body).toMatchObject([{ id }]);
    await aged(31);
    expect((await swimmer('GET', '/sent-clips')).body).toEqual([]);
    expect(await inTables(id)).toEqual([0, 0]);
  });

  it('of a child waits for the guardian, and goes when the consent goes', async () => {
    const child = { birthYear: new Date().getFullYear() - 12 };
    const { club, coach, id, swimmerId, put, swimmer } = await asked({ ...child, clipConsent: true });
    const without = await club.addSwimmer(club.squads[0]!, child);
    const refused = await coach('PUT', `/sent-clips/${v7()}`, sentAskOf(without));
    expect([refused.status, refused.body.detail]).toEqual([422, expect.stringContaining('guardian')]);
    await put(0, filmOf());
    await swimmer('POST', `/sent-clips/${id}/sent`, sentDoneOf());
    const { body: page } = await coach('GET', `/swimmers/${swimmerId}`);
    const change = { ...swimmerOf(page.squadId), ...child, clipConsent: false, ...save(), version: page.version };
    expect((await coach('PUT', `/swimmers/${swimmerId}`, change)).status).toBe(200);
    expect(await inTables(id)).toEqual([0, 0]);
  });

  it('is refused where it is too large, empty, no film, not whole, or of another kind than is said', async () => {
    const { id, put, swimmer } = await asked();
    const done = (change: object) => swimmer('POST', `/sent-clips/${id}/sent`, { ...sentDoneOf(), ...change });
    expect((await put(0, Buffer.alloc(SENT_PIECE + 1))).statusCode).toBe(413);
    expect((await put(MOST_PIECES, filmOf())).statusCode).toBe(400);
    expect((await put(0, Buffer.alloc(0))).statusCode).toBeGreaterThanOrEqual(400);
    expect((await put(0, Buffer.from('{}'), { 'content-type': 'application/json' })).statusCode).toBe(415);
    expect((await put(0, Buffer.from('<html>'), { 'content-type': 'text/html' })).statusCode).toBe(415);
    expect((await done({})).status).toBe(409);
    await put(0, Buffer.from('<html><script>alert(1)</script>'));
    expect((await done({})).status).toBe(422);
    await put(0, filmOf());
    expect((await done({ type: 'video/mp4' })).status).toBe(422);
    expect((await done({ type: 'text/html' })).status).toBe(400);
    expect((await done({ seconds: 3600 })).status).toBe(400);
    expect((await done({ pieces: 2 })).status).toBe(409);
    // What a longer film left behind goes.
    await put(1, Buffer.from('rest'));
    expect((await done({})).body).toMatchObject({ pieces: 1, bytes: 64 });
  });
});
