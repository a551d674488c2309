// Ladders at the pool side: tries counted, passed or not in one tap, taken back, and never twice.
import { atHand, LADDER_IDS } from '@upwell/core/library';
import { v7 } from 'uuid';
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

const at = '2026-11-28T19:00:00.000Z';
const tap = (kind: string, step: number, change: object = {}) => ({ ladder: 'confidence', step, kind, at, ...change });

async function beginner(ladderSteps: object = { confidence: 4 }) {
  const coach = await club.as('coach');
  const swimmer = await club.addSwimmer(club.squads[0]!, { level: 'settle', ladderSteps });
  const mark = (body: object, id = v7()) => coach('PUT', `/swimmers/${swimmer}/ladder-marks/${id}`, body);
  const takeBack = (id: string) => coach('DELETE', `/swimmers/${swimmer}/ladder-marks/${id}`);
  const page = async () => (await coach('GET', `/swimmers/${swimmer}`)).body;
  return { coach, swimmer, mark, takeBack, page };
}

describe('a ladder at the pool side', () => {
  it('counts tries of the step at hand, and passes it in one tap', async () => {
    const { mark, page } = await beginner();
    for (const kind of ['good', 'miss', 'good', 'good']) expect((await mark(tap(kind, 4))).status).toBe(200);
    expect(atHand(await page(), 'confidence')).toMatchObject({ passed: 4, tries: ['good', 'miss', 'good', 'good'] });
    expect((await mark(tap('passed', 4))).body).toMatchObject({ ladderSteps: { confidence: 5 } });
    expect(atHand(await page(), 'confidence')).toMatchObject({ passed: 5, tries: [] });
  });

  it('keeps a tap once, also when the answer was lost, and passes a step once for two devices', async () => {
    const { mark, page } = await beginner();
    const id = v7();
    await mark(tap('good', 4), id);
    expect((await mark(tap('good', 4), id)).body.ladderLog).toHaveLength(1);
    const both = await Promise.all([mark(tap('passed', 4)), mark(tap('passed', 4))]);
    expect(both.map((r) => r.status)).toEqual([200, 200]);
    expect(await page()).toMatchObject({ ladderSteps: { confidence: 5 } });
    expect((await page()).ladderLog).toHaveLength(2);
  });

  it('takes the newest tap back, twice without harm', async () => {
    const { mark, takeBack, page } = await beginner();
    const [good, passed] = [v7(), v7()];
    await mark(tap('good', 4), good);
    await mark(tap('passed', 4), passed);
    // Not the newest: it stays.
    expect((await takeBack(good)).body.ladderLog).toHaveLength(2);
    expect((await takeBack(passed)).body).toMatchObject({ ladderSteps: { confidence: 4 } });
    expect((await takeBack(passed)).status).toBe(200);
    expect(atHand(await page(), 'confidence')).toMatchObject({ passed: 4, tries: ['good'] });
  });

  it('is no change of the record while tries are counted; a step passed is', async () => {
    const { mark, page, coach, swimmer } = await beginner();
    const before = await page();
    await mark(tap('good', 4));
    expect((await page()).version).toBe(before.version);
    await mark(tap('passed', 4));
    expect((await page()).version).toBeGreaterThan(before.version);
    // Somebody who still edits the older record is asked, and does not undo the step unseen.
    const {
      id: _,
      squadName: _n,
      child: _c,
      focuses: _f,
      reviews: _r,
      clips: _l,
      results: _s,
      ladderLog,
      ...fields
    } = before;
    expect(ladderLog).toEqual([]);
    const late = await coach('PUT', `/swimmers/${swimmer}`, { ...fields, writeId: v7() });
    expect(late).toMatchObject({ status: 409, body: { current: { ladderSteps: { confidence: 5 } } } });
    // And what is saved later keeps the taps.
    const now = await page();
    const saved = await coach('PUT', `/swimmers/${swimmer}`, { ...fields, version: now.version, writeId: v7() });
    expect(saved).toMatchObject({ status: 200, body: { ladderLog: now.ladderLog } });
  });

  it('refuses what is no tap', async () => {
    const { mark } = await beginner();
    for (const bad of [
      tap('flown', 4),
      tap('good', -1),
      tap('good', 4, { ladder: 'stairs' }),
      tap('good', 4, { at: 'soon' }),
      { ...tap('good', 4), more: 1 },
    ])
      expect((await mark(bad)).status).toBe(400);
    expect((await mark(tap('good', 4), 'not-an-id')).status).toBe(400);
  });

  it('takes any ladder from its first step, and stops on top', async () => {
    const { mark, page } = await beginner({});
    for (const ladder of LADDER_IDS) await mark(tap('passed', 0, { ladder }));
    expect(Object.values((await page()).ladderSteps)).toEqual(LADDER_IDS.map(() => 1));
    for (let step = 1; step < 7; step++) await mark(tap('passed', step, { ladder: 'open-turn' }));
    expect(atHand(await page(), 'open-turn')).toMatchObject({ passed: 4, step: null });
  });

  it('is nobody else’s: not of another club, not of the swimmer', async () => {
    const { swimmer, mark } = await beginner();
    const path = `/swimmers/${swimmer}/ladder-marks/${v7()}`;
    expect((await (await other.as('coach'))('PUT', path, tap('good', 4))).status).toBe(404);
    await club.addAccount('swimmer', swimmer);
    const self = await club.as('swimmer');
    expect((await self('PUT', path, tap('good', 4))).status).toBe(403);
    expect((await self('DELETE', path)).status).toBe(403);
    expect((await mark(tap('good', 4))).body.ladderLog).toHaveLength(1);
  });
});
