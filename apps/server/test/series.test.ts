// Sessions that were made together, changed and taken out as a whole or from one of them on.
import type { SessionView } from '@upwell/contract/sessions';
import { v7 } from 'uuid';
import { planOf, setOf } from './bodies';
import { Harness, type TestClub } from './harness';

let harness: Harness;
let club: TestClub;
beforeAll(async () => {
  harness = await Harness.start();
  club = await harness.club();
});
afterAll(() => harness.stop());

const PLAN = planOf([setOf()]);
const LONGER = planOf([setOf({ reps: 8 })]);
const DAYS = ['2026-11-24', '2026-12-01', '2026-12-08', '2026-12-15'];
type Fields = Pick<SessionView, 'title' | 'date' | 'startTime' | 'squadIds' | 'courseId'> & { readonly plan: object };
const tuesday = (change: object = {}): Fields => ({
  ...{ title: 'Tuesday', date: DAYS[1]!, startTime: '19:00', squadIds: [club.squads[0]!], courseId: null, plan: PLAN },
  ...change,
});

const coach = () => club.as('coach');
const session = async (id: string): Promise<SessionView> => (await (await coach())('GET', `/sessions/${id}`)).body;

/** Four Tuesdays; the third one was changed by hand, the last is swum already. */
async function series(change: (i: number) => object = () => ({})): Promise<string[]> {
  const [seriesId, ids] = [v7(), DAYS.map(() => v7())];
  for (const [i, date] of DAYS.entries()) {
    const body = { ...tuesday({ date }), seriesId, version: 0, writeId: v7(), ...change(i) };
    const answer = await (await coach())('PUT', `/sessions/${ids[i]!}`, body);
    expect([answer.status, answer.body.detail]).toEqual([200, undefined]);
  }
  return ids;
}
const bring = async (id: string, scope: string, after: object, more: object = {}) =>
  (await coach())('POST', `/sessions/${id}/series`, {
    ...{ scope, before: tuesday(), after: tuesday(after), writeId: v7() },
    ...more,
  });

describe('a change of one session of a series', () => {
  it.each([
    ['later', [false, null, true, true]],
    ['all', [true, null, true, true]],
  ])('is followed by %s', async (scope, follows) => {
    const ids = await series();
    const answer = await bring(ids[1]!, scope, { startTime: '19:30', date: '2026-12-03' });
    const wanted = follows.filter((f) => f).length;
    expect([answer.status, answer.body]).toEqual([200, { changed: wanted, keptSets: 0, swum: 0 }]);
    for (const [i, follow] of follows.entries()) {
      if (follow === null) continue;
      const { date, startTime } = await session(ids[i]!);
      const moved = `${DAYS[i]!.slice(0, 8)}${String(Number(DAYS[i]!.slice(8)) + 2).padStart(2, '0')}`;
      expect([date, startTime]).toEqual(follow ? [moved, '19:30'] : [DAYS[i], '19:00']);
    }
  });

  it('leaves what was swum, and sets that were changed by hand, and says so', async () => {
    const own = planOf([setOf({ reps: 3 })]);
    const ids = await series((i) =>
      i === 2 ? { plan: own } : i === 3 ? { done: { plan: PLAN, ratings: {}, note: '' } } : {},
    );
    const { body } = await bring(ids[1]!, 'all', { title: 'Longer', plan: LONGER });
    expect(body).toEqual({ changed: 2, keptSets: 1, swum: 1 });
    const [first, , third, last] = await Promise.all(ids.map(session));
    expect([first!.title, first!.plan]).toEqual(['Longer', LONGER]);
    expect([third!.title, third!.plan]).toEqual(['Longer', own]);
    expect([last!.title, last!.plan]).toEqual(['Tuesday', PLAN]);
  });

  it('sent twice moves nothing twice, and is taken back the other way round', async () => {
    const ids = await series();
    const writeId = v7();
    const once = await bring(ids[1]!, 'later', { date: '2026-12-02' }, { writeId });
    const twice = await bring(ids[1]!, 'later', { date: '2026-12-02' }, { writeId });
    expect([once.body, twice.body]).toEqual([{ changed: 2, keptSets: 0, swum: 0 }, once.body]);
    expect((await session(ids[2]!)).date).toBe('2026-12-09');
    await bring(ids[1]!, 'later', {}, { before: tuesday({ date: '2026-12-02' }), after: tuesday() });
    expect((await session(ids[2]!)).date).toBe(DAYS[2]);
  });

  it('that may not be is refused for all of them', async () => {
    const ids = await series();
    const foreign = await harness.club();
    const answer = await bring(ids[1]!, 'all', { squadIds: [foreign.squads[0]], startTime: '18:00' });
    expect([answer.status, answer.body.fields[0].field]).toEqual([422, 'squadIds']);
    for (const id of ids) expect(await session(id)).toMatchObject({ startTime: '19:00', version: 1 });
    expect((await bring(ids[1]!, 'some', {})).status).toBe(400);
    expect((await bring(v7(), 'all', {})).status).toBe(404);
    const stranger = await foreign.as('coach');
    const body = { scope: 'all', before: tuesday(), after: tuesday({ title: 'Mine' }), writeId: v7() };
    expect((await stranger('POST', `/sessions/${ids[1]!}/series`, body)).status).toBe(404);
  });

  it('of no series changes nothing else', async () => {
    const [id] = await series(() => ({ seriesId: null }));
    expect((await bring(id!, 'all', { title: 'Alone' })).body).toEqual({ changed: 0, keptSets: 0, swum: 0 });
  });
});

describe('taking sessions out', () => {
  const left = async (ids: readonly string[]) =>
    (await Promise.all(ids.map(async (id) => (await (await coach())('GET', `/sessions/${id}`)).status))).join(' ');

  it.each([
    ['', '200 404 200 200'],
    ['?series=later', '200 404 404 200'],
    ['?series=all', '404 404 404 200'],
  ])('with %j leaves %s: what was swum stays', async (query, wanted) => {
    const ids = await series((i) => (i === 3 ? { done: { plan: PLAN, ratings: {}, note: '' } } : {}));
    expect((await (await coach())('DELETE', `/sessions/${ids[1]!}${query}`)).status).toBe(200);
    expect(await left(ids)).toBe(wanted);
  });

  it('takes out nothing for a scope that is none', async () => {
    const ids = await series();
    expect((await (await coach())('DELETE', `/sessions/${ids[1]!}?series=some`)).status).toBe(400);
    expect(await left(ids)).toBe('200 200 200 200');
  });
});
