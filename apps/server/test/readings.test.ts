import type { WaterReading } from '@upwell/contract/water';
import { v7 } from 'uuid';
import { courseOf, save } from './bodies';
import { Harness, type TestClub } from './harness';

let harness: Harness;
let club: TestClub;
beforeAll(async () => {
  harness = await Harness.start();
  club = await harness.club();
  await club.addAccount('swimmer', await club.addSwimmer());
});
afterAll(() => harness.stop());

async function course(): Promise<string> {
  const id = v7();
  const answer = await (await club.as('coach'))('PUT', `/courses/${id}`, { ...courseOf(), ...save() });
  expect(answer.status).toBe(200);
  return id;
}
const note = async (id: string, read: object, hour = 10, who: 'coach' | 'head' | 'swimmer' = 'coach') =>
  (await club.as(who))('PUT', `/courses/${id}/readings/2026-07-01/${hour}`, { read });
const kept = async (id: string, who: 'coach' | 'swimmer' = 'coach') =>
  (await (await club.as(who))('GET', `/courses/${id}/readings`)).body as WaterReading[];
const waves = (value: number | null, atMs: number) => ({ waveHeightM: { value, atMs } });

describe('what is read at a water', () => {
  it('is one record an hour, put together from two devices in any order, the same sent twice once', async () => {
    const id = await course();
    expect((await note(id, waves(0.4, 1000))).body).toEqual({
      ...{ date: '2026-07-01', hour: 10, read: waves(0.4, 1000) },
    });
    const other = { ...waves(0.9, 3000), lightning: { value: false, atMs: 3000 } };
    await note(id, other, 10, 'head');
    // The one that comes late was read before.
    const late = await note(id, { ...waves(0.6, 2000), waterC: { value: 14, atMs: 2000 } });
    expect(late.body.read).toEqual({ ...other, waterC: { value: 14, atMs: 2000 } });
    await note(id, other, 10, 'head');
    await note(id, waves(0.1, 1), 9);
    expect((await kept(id)).map(({ hour, read }) => [hour, read])).toEqual([
      [10, late.body.read],
      [9, waves(0.1, 1)],
    ]);
  });

  it('keeps the readings of many devices that come at the same moment', async () => {
    const id = await course();
    const fields = ['waterC', 'airC', 'windMps', 'rainMm72h', 'currentMps', 'waveHeightM'];
    const answers = await Promise.all(fields.map((field) => note(id, { [field]: { value: 2, atMs: 5 } })));
    expect(answers.map((a) => a.status)).toEqual(fields.map(() => 200));
    const [record] = await kept(id);
    expect(Object.keys(record!.read).sort()).toEqual([...fields].sort());
  });

  it('is never read later than now, so that a clock that goes ahead does not win for ever', async () => {
    const id = await course();
    const before = Date.now();
    await note(id, waves(0.9, Date.UTC(2090, 0, 1)));
    const [record] = await kept(id);
    expect(record!.read.waveHeightM!.atMs).toBeGreaterThanOrEqual(before);
    expect(record!.read.waveHeightM!.atMs).toBeLessThanOrEqual(Date.now());
    const now = await note(id, waves(0.2, Date.now() + 1000));
    expect(now.body.read.waveHeightM.value).toBe(0.2);
  });

  it('is seen by swimmers, who read nothing for others, and by no other club', async () => {
    const id = await course();
    await note(id, waves(0.4, 1000));
    expect(await kept(id, 'swimmer')).toHaveLength(1);
    expect((await note(id, waves(0, 2000), 10, 'swimmer')).status).toBe(403);
    const stranger = await (await harness.club()).as('head');
    expect((await stranger('GET', `/courses/${id}/readings`)).body).toEqual([]);
    expect((await stranger('PUT', `/courses/${id}/readings/2026-07-01/10`, { read: waves(1, 9) })).status).toBe(404);
    expect((await kept(id))[0]!.read).toEqual(waves(0.4, 1000));
  });

  it.each([
    ['waves of 16 m', { waveHeightM: { value: 16, atMs: 1 } }],
    ['a word for a number', { waterC: { value: 'warm', atMs: 1 } }],
    ['no moment', { waterC: { value: 14 } }],
    ['a moment before the clocks', { waterC: { value: 14, atMs: -1 } }],
    ['something that nobody reads', { mood: { value: 1, atMs: 1 } }],
    ['a way out of the record', { __proto__x: { value: 1, atMs: 1 } }],
    ['nothing', {}],
  ])('is refused with %s', async (_what, read) => {
    const id = await course();
    expect((await note(id, read)).status).toBe(400);
    expect(await kept(id)).toEqual([]);
  });

  it.each(['2026-07-01/24', '2026-07-01/-1', '2026-02-30/10', 'today/10', '2026-07-01/1.5'])(
    'has no hour %s',
    async (when) => {
      const id = await course();
      const answer = await (await club.as('coach'))('PUT', `/courses/${id}/readings/${when}`, { read: waves(0, 1) });
      expect(answer.status).toBe(400);
    },
  );

  it('stays for when its course is put back', async () => {
    const id = await course();
    await note(id, waves(0.4, 1000));
    await (
      await club.as('coach')
    )('DELETE', `/courses/${id}`);
    const [left] = await harness.owner.em
      .fork()
      .execute<{ n: number }[]>('select count(*)::int as n from water_reading where course_id = ?', [id]);
    expect(left!.n).toBe(1);
  });
});
