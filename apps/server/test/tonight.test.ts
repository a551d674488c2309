// Tonight by hand: who is away, who is a guest, who swims where; and safety judges by it.
import { AS_USUAL, type Tonight } from '@upwell/core/sessions';
import { v7 } from 'uuid';
import { planOf, setOf } from './bodies';
import { Harness, type TestClub } from './harness';

let harness: Harness;
let club: TestClub;
let swimmers: readonly string[];
let otherSquad: string;
let guest: string;
beforeAll(async () => {
  harness = await Harness.start();
  club = await harness.club();
  swimmers = await Promise.all(
    ['Ada', 'Bo', 'Cy'].map((givenName) =>
      club.addSwimmer(club.squads[0], { givenName, level: 'hold', birthYear: 1990 } as never),
    ),
  );
  otherSquad = await club.addSquad('Other lanes', []);
  guest = await club.addSwimmer(otherSquad, { givenName: 'Gil', level: 'hold', birthYear: 1988 } as never);
});
afterAll(() => harness.stop());

const plan = () => planOf([setOf()]);
const groupId = () => (plan() as { groups: { id: string }[] }).groups[0]!.id;
const fields = (tonight?: Tonight | object, change: object = {}) => ({
  ...{ title: 'A', date: '2026-12-01', startTime: '19:00', squadIds: [club.squads[0]], courseId: null, plan: plan() },
  ...(tonight ? { tonight } : {}),
  ...{ version: 0, writeId: v7(), ...change },
});
async function session(tonight?: Tonight): Promise<string> {
  const id = v7();
  const { status, body } = await (await club.as('head'))('PUT', `/sessions/${id}`, fields(tonight));
  expect([status, body.detail]).toEqual([200, undefined]);
  return id;
}
const people = async (id: string, query = '') =>
  (await (await club.as('head'))('GET', `/sessions/${id}/people${query}`)).body as unknown as {
    id: string;
    place?: object;
  }[];

describe('a session tonight', () => {
  it('is as usual where nothing was settled', async () => {
    const id = await session();
    expect((await (await club.as('coach'))('GET', `/sessions/${id}`)).body).toMatchObject({ tonight: AS_USUAL });
    expect((await people(id)).map((p) => p.id).sort()).toEqual([...swimmers].sort());
  });

  it('has who comes, with their place; and everybody who could, when that is asked', async () => {
    const [ada, bo, cy] = swimmers as readonly [string, string, string];
    const id = await session({ away: [bo], guests: [guest], places: { [cy]: { group: groupId(), lane: 1 } } });
    const here = await people(id);
    expect(here.map((p) => p.id).sort()).toEqual([ada, cy, guest].sort());
    expect(here.find((p) => p.id === cy)!.place).toEqual({ group: groupId(), lane: 1 });
    expect((await people(id, '?everybody=true')).map((p) => p.id).sort()).toEqual([ada, bo, cy].sort());
    const asked = await people(id, `?everybody=true&guests=${guest}`);
    expect(asked.map((p) => p.id).sort()).toEqual([ada, bo, cy, guest].sort());
    expect(asked.some((p) => p.place)).toBe(false);
    const pack = (await (await club.as('head'))('GET', `/deck/packs/${id}`)).body as unknown as {
      people: { id: string }[];
    };
    expect(pack.people.map((p) => p.id).sort()).toEqual([ada, cy, guest].sort());
    const sheet = await harness.app.inject({
      url: `/api/v1/sessions/${id}/sheet.pdf`,
      cookies: { upwell_session: club.cookie('head') },
    });
    expect(sheet.statusCode).toBe(200);
  });

  it('stays as it is when an app saves that does not know of it', async () => {
    const tonight = { away: [swimmers[0]!], guests: [], places: {} };
    const id = await session(tonight);
    const { body } = await (
      await club.as('head')
    )('PUT', `/sessions/${id}`, fields(undefined, { version: 1, title: 'B' }));
    expect(body).toMatchObject({ title: 'B', tonight });
  });

  it('is nobody’s but the coaches’', async () => {
    await club.addAccount('swimmer', swimmers[0]!);
    const id = await session({ away: [swimmers[1]!], guests: [], places: {} });
    expect((await (await club.as('swimmer'))('GET', `/sessions/${id}`)).body).toMatchObject({ tonight: AS_USUAL });
  });

  it('takes no guest from squads that are not one’s own, and keeps the guests of the head coach', async () => {
    const coach = await club.as('coach');
    const tonight = { away: [], guests: [guest], places: {} };
    const refused = await coach('PUT', `/sessions/${v7()}`, fields(tonight));
    expect([refused.status, refused.body.fields?.[0]?.field]).toEqual([422, 'tonight']);
    const stranger = await (await harness.club()).addSwimmer();
    expect(
      (await (await club.as('head'))('PUT', `/sessions/${v7()}`, fields({ ...tonight, guests: [stranger] }))).status,
    ).toBe(422);
    const id = await session(tonight);
    expect((await coach('PUT', `/sessions/${id}`, fields(tonight, { version: 1 }))).status).toBe(200);
  });

  it.each([
    ['a lane of a hundred', { away: [], guests: [], places: { [v7()]: { group: 'g', lane: 100 } } }],
    ['half a lane', { away: [], guests: [], places: { [v7()]: { group: 'g', lane: 1.5 } } }],
    ['a name in the place of an id', { away: ['Ada'], guests: [], places: {} }],
    [
      'the same one twice',
      {
        away: ['01a20bb8-5dce-719c-8bc2-8d9b01d7e695', '01a20bb8-5dce-719c-8bc2-8d9b01d7e695'],
        guests: [],
        places: {},
      },
    ],
    ['41 guests', { away: [], guests: Array.from({ length: 41 }, () => v7()), places: {} }],
    ['more than it holds', { away: [], guests: [], places: {}, note: 'x' }],
    ['a key of the system', { away: [], guests: [], places: { constructor: { group: 'g', lane: 1 } } }],
  ])('is refused in its shape: %s', async (_what, tonight) => {
    expect((await (await club.as('head'))('PUT', `/sessions/${v7()}`, fields(tonight))).status).toBe(400);
  });

  it('forgets who is erased', async () => {
    const gone = await club.addSwimmer(club.squads[0], { givenName: 'Nim' } as never);
    const id = await session({ away: [gone], guests: [], places: { [gone]: { group: groupId(), lane: 1 } } });
    expect((await (await club.as('head'))('DELETE', `/swimmers/${gone}`)).status).toBeLessThan(300);
    expect((await (await club.as('head'))('GET', `/sessions/${id}`)).body).toMatchObject({ tonight: AS_USUAL });
  });
});

describe('a set with few breaths', () => {
  it('is judged by those who are there tonight, guests among them', async () => {
    const own = await harness.club();
    const head = await own.as('head');
    const adult = await own.addSwimmer(own.squads[0], { level: 'hold', birthYear: 1990 } as never);
    const squad = await own.addSquad('Young', []);
    const child = await own.addSwimmer(squad, { level: 'settle', birthYear: 2015 } as never);
    expect([adult, child]).toHaveLength(2);
    const few = setOf({
      lengths: 1,
      reps: 4,
      breathing: { kind: 'limited', first: 2, last: 2 },
      timing: { kind: 'rest', seconds: 60 },
    } as never);
    const base = planOf([few]) as { groups: { breathRecord: unknown; level: string }[] };
    const safe = {
      ...base,
      groups: base.groups.map((g) => ({
        ...g,
        level: 'hold',
        breathRecord: { lifeguard: 'Mo Bekk', rulesTold: true, minorsAgreed: false },
      })),
    };
    const save = (tonight: Tonight) =>
      head('PUT', `/sessions/${v7()}`, { ...fields(tonight), squadIds: [own.squads[0]], plan: safe });
    const alone = await save(AS_USUAL);
    expect([alone.status, alone.body.detail]).toEqual([200, undefined]);
    // A beginner as a guest swims in no group of others, so nobody is put into the set who may not.
    const withChild = await save({ away: [], guests: [child], places: { [child]: { group: 'g', lane: 1 } } });
    expect(withChild.status).toBe(200);
    const id = v7();
    await head('PUT', `/sessions/${id}`, {
      ...fields({ away: [], guests: [child], places: { [child]: { group: 'g', lane: 1 } } }),
      squadIds: [own.squads[0]],
      plan: safe,
    });
    const pack = (await head('GET', `/deck/packs/${id}`)).body as unknown as { people: { id: string }[] };
    expect(pack.people.map((p) => p.id)).toContain(child);
  });
});
