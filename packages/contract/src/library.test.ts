import { DRILL_IDS, drillCard, ladderCard, type Drill } from '@upwell/core/library';
import { NOTHING_OWN, OWN_KINDS, readOwnFrom } from '@upwell/core/own';
import { CAUSE_IDS, SIGN_IDS } from '@upwell/core/review';
import { check } from './common';
import { drillId, MOST_DRILLS } from './drills';
import { entrySaveSchema, libraryEntrySchema, libraryFileSchema, libraryImportSchema } from './library';

const ID = '01a20bb8-5dce-719c-8bc2-8d9b01d7e695';
const saved = { version: 0, writeId: ID };
const card: Drill = { ...drillCard('catch-up'), name: 'Mitten swim' };
const GOOD = {
  drills: { kind: 'drills', key: 'own-mitten-swim', body: { card, answers: ['dropped-elbow'] } },
  causes: { kind: 'causes', key: 'unease', body: { cue: 'Soft face.' } },
  signs: { kind: 'signs', key: 'gasps', body: { seen: 'gasps for air' } },
  ladders: {
    kind: 'ladders',
    key: 'kick',
    body: { added: [{ what: 'On.', tries: 3, pass: 'Calm.', backIf: 'Tense.', kit: [] }] },
  },
  links: { kind: 'links', key: 'soft-core', body: { 'legs-low': 'strong', gasps: 'none' } },
  bands: { kind: 'bands', key: 'legs-low', body: { 'long-line': [9, 13] } },
  levels: { kind: 'levels', key: 'race', body: { name: 'Pike', metresPerHour: [2000, 3000] } },
  experience: {
    kind: 'experience',
    key: 'ours',
    body: {
      'dropped-elbow': {
        signs: { 'legs-low': [0, 2] },
        drills: { 'own-mitten-swim': { hold: [1, 2] }, 'catch-up': { race: [0, 1] } },
      },
    },
  },
} as const;
const EXPERIENCED = GOOD.experience.body['dropped-elbow'];
const learned = (change: object) => ({ ...GOOD.experience, body: { 'dropped-elbow': { ...EXPERIENCED, ...change } } });
const field = (value: unknown, schema = libraryEntrySchema) =>
  check(schema as never, value).error?.details[0]?.path.join('.');

describe('an entry of a library', () => {
  it.each(OWN_KINDS)('of %s comes through as it was sent', (kind) => {
    expect(check(libraryEntrySchema, GOOD[kind])).toEqual({ value: GOOD[kind] });
    expect(check(entrySaveSchema, { ...GOOD[kind], ...saved, body: null }).error).toBeUndefined();
  });

  it.each(DRILL_IDS)('can lay every built-in card over itself: %s', (key) =>
    expect(field({ kind: 'drills', key, body: { card: drillCard(key) } })).toBeUndefined(),
  );

  it('can say every step of every ladder again', () => {
    const changed = Object.fromEntries(
      ladderCard('confidence').steps.map(({ what, tries, pass, backIf }, i) => [i, { what, tries, pass, backIf }]),
    );
    expect(field({ kind: 'ladders', key: 'confidence', body: { changed } })).toBeUndefined();
  });

  const over = (change: object) => ({ ...GOOD.drills, body: { card: { ...card, ...change }, answers: [] } });
  it.each([
    [over({ cue: 'x'.repeat(121) }), 'body.card.cue'],
    [over({ name: 'x' }), 'body.card.name'],
    [over({ steps: [] }), 'body.card.steps'],
    [over({ steps: Array.from({ length: 9 }, () => 'Swim.') }), 'body.card.steps'],
    [over({ places: ['sauna'] }), 'body.card.places.0'],
    [over({ kit: ['fins', 'fins'] }), 'body.card.kit.1'],
    [over({ from: 'expert' }), 'body.card.from'],
    [over({ factor: 3 }), 'body.card.factor'],
    [over({ dose: { kind: 'distance', tries: 4, metres: 25 } }), 'body.card.dose.mostM'],
    [over({ dose: { kind: 'seconds', tries: 4, seconds: 61 } }), 'body.card.dose.seconds'],
    [over({ dose: { kind: 'hours', tries: 4 } }), 'body.card.dose.kind'],
    [over({ levelEdge: false }), 'body.card.levelEdge'],
    [{ ...GOOD.drills, key: 'own-' }, 'key'],
    [{ ...GOOD.drills, key: `own-${'a'.repeat(50)}` }, 'key'],
    [{ ...GOOD.drills, key: 'own-Mitten' }, 'key'],
    [{ ...GOOD.drills, body: { answers: ['unease', 'unease'] } }, 'body.answers.1'],
    [{ ...GOOD.links, body: { 'legs-low': 'always' } }, 'body.legs-low'],
    [{ ...GOOD.links, body: {} }, 'body'],
    [{ ...GOOD.bands, body: { 'long-line': [9] } }, 'body.long-line'],
    [{ ...GOOD.bands, body: { 'long-line': [9, 'often'] } }, 'body.long-line.1'],
    [{ ...GOOD.levels, body: { name: 'A = B', metresPerHour: [1, 2] } }, 'body.name'],
    [{ ...GOOD.levels, body: { name: 'Pike', metresPerHour: [3000.5, 4000] } }, 'body.metresPerHour.0'],
    [{ ...GOOD.ladders, body: { changed: { '-1': {} } } }, 'body.-1'],
    [{ ...GOOD.ladders, body: {} }, 'body'],
    [{ ...GOOD.signs, key: '__proto__' }, 'key'],
    [{ ...GOOD.experience, key: '__proto__' }, 'key'],
    [{ ...GOOD.experience, key: 'Kestrel Bay' }, 'key'],
    [{ ...GOOD.experience, key: `from ${'x'.repeat(90)}` }, 'key'],
    [{ ...GOOD.experience, body: { shyness: EXPERIENCED } }, 'body.shyness'],
    [learned({ names: ['Jun'] }), 'body.dropped-elbow.names'],
    [learned({ signs: { 'legs-low': [1] } }), 'body.dropped-elbow.signs.legs-low'],
    [learned({ signs: { 'legs-low': [-1, 2] } }), 'body.dropped-elbow.signs.legs-low.0'],
    [learned({ signs: { 'legs-low': [1, 1_000_001] } }), 'body.dropped-elbow.signs.legs-low.1'],
    [learned({ signs: { 'legs-low': [0.5, 1] } }), 'body.dropped-elbow.signs.legs-low.0'],
    [learned({ drills: { 'own-': { hold: [1, 1] } } }), 'body.dropped-elbow.drills.own-'],
    [learned({ drills: { 'catch-up': { expert: [1, 1] } } }), 'body.dropped-elbow.drills.catch-up.expert'],
    [{ kind: 'models', key: 'long-line', body: {} }, 'kind'],
    [null, ''],
  ])('is refused: %j', (entry, at) => expect(field(entry)?.replace('changed.', '')).toBe(at));
});

describe('a file, and what comes out of one', () => {
  const file = {
    format: 'upwell-library',
    formatVersion: 1,
    club: 'Kestrel Bay',
    savedAt: 'x',
    entries: [GOOD.causes],
  };

  it('comes through, also with what a newer version adds', () => {
    expect(check(libraryFileSchema, { ...file, madeBy: 'a newer one' }).error).toBeUndefined();
    expect(check(libraryImportSchema, { ...saved, entries: [GOOD.causes, GOOD.drills] }).error).toBeUndefined();
  });

  it('names each thing once, and is no larger than a library can be', () => {
    expect(field({ ...file, entries: [GOOD.causes, GOOD.causes] }, libraryFileSchema as never)).toBe('entries.1');
    const most = MOST_DRILLS + 2 * CAUSE_IDS.length + 2 * SIGN_IDS.length + 100;
    expect(
      field({ ...file, entries: Array.from({ length: most }, () => GOOD.signs) }, libraryFileSchema as never),
    ).toBe('entries');
    expect(field({ ...saved, entries: [] }, libraryImportSchema as never)).toBe('entries');
  });
});

describe('a drill that is named', () => {
  afterEach(() => readOwnFrom(() => NOTHING_OWN));

  it('is built in, or has its card in this club', () => {
    const known = (id: unknown) => check(drillId(), id).error === undefined;
    expect(known('catch-up')).toBe(true);
    expect(known('own-mitten-swim')).toBe(false);
    const shelves = { drills: { 'own-mitten-swim': GOOD.drills.body } };
    readOwnFrom(() => shelves);
    expect(known('own-mitten-swim')).toBe(true);
    for (const id of ['own-other', 'constructor', '__proto__', '', 'x'.repeat(51), 7, null])
      expect(known(id)).toBe(false);
  });
});
