// What is searched in the database is searched as in the core, whatever the accents.
import { plainName } from '@upwell/core/text';
import fc from 'fast-check';
import { all, rows, text } from '../src/platform/statement';
import { v7 } from 'uuid';
import { sessionOf } from './bodies';
import { Harness, type TestClub } from './harness';

let harness: Harness;
let club: TestClub;
beforeAll(async () => {
  harness = await Harness.start();
  club = await harness.club();
});
afterAll(() => harness.stop());

const PLAIN = rows({ plain: text }, 'select plain_text(x) as plain from jsonb_array_elements_text(?::jsonb) x');
const plain = async (said: readonly string[]): Promise<string[]> =>
  (await all(harness.owner.em.fork(), PLAIN, [JSON.stringify(said)])).map((row) => row.plain);

it('text is made plain as the core makes it', async () => {
  const letters = Array.from({ length: 0x250 - 0xc0 }, (_, i) => String.fromCodePoint(0xc0 + i))
    // Letters that no language of a club writes, and the core leaves as they are or names otherwise.
    .filter((letter) => letter <= '\u017f' || letter.normalize('NFD') !== letter);
  const said = [
    ...letters,
    ...['Łukasz  DVOŘÁK', 'Γιώργος', 'Борис Йовчев', 'Åse Øst', ' Straße\tß ', 'Crème brûlée', '北島', '', '%_\\'],
  ];
  expect(await plain(said)).toEqual(said.map(plainName));
  const some = fc.sample(fc.string({ unit: 'grapheme-ascii' }), 200).map((one) => one.replaceAll('\u0000', ''));
  expect(await plain(some)).toEqual(some.map(plainName));
});

it('a session is found by its title whatever the accents', async () => {
  const coach = await club.as('coach');
  const session = { ...sessionOf(club.squads[0]!), title: 'Été à l’ÉTANG', version: 0, writeId: v7() };
  expect((await coach('PUT', `/sessions/${v7()}`, session)).status).toBe(200);
  for (const [asked, found] of [
    ['ete a', 1],
    ['ÉTANG', 1],
    ['etang', 1],
    ['etang_', 0],
    ['%', 0],
  ] as const) {
    const { body } = await coach('GET', `/sessions?search=${encodeURIComponent(asked)}`);
    expect([asked, body.length]).toEqual([asked, found]);
  }
});
