import fc from 'fast-check';
import { DRILL_IDS, drillCard, ladderCard, type Drill, type DrillEntry } from '../library';
import { CAUSE_IDS, CAUSES, LINKS } from '../review';
import { LEVELS, levelCard } from '../swimmers';
import { runs } from '../../test/runs';
import {
  compareLibraries,
  entriesOf,
  entryProblems,
  libraryProblems,
  ownDrillId,
  shelvesOf,
  takeIn,
  withEntry,
  type LibraryEntry,
} from '.';

const card: Drill = { ...drillCard('catch-up'), name: 'Paper boats', cautions: [], notWith: [] };
const drill = (key: `own-${string}`, change: Partial<Drill> = {}, rest: Partial<DrillEntry> = {}): LibraryEntry => ({
  kind: 'drills',
  key,
  body: { card: { ...card, ...change }, answers: ['dropped-elbow'], ...rest },
});
const problems = (entry: LibraryEntry, ...others: LibraryEntry[]) =>
  entryProblems(entry, shelvesOf([...others, entry]));
const fields = (entry: LibraryEntry, ...others: LibraryEntry[]) => problems(entry, ...others).map(({ field }) => field);

describe('an entry', () => {
  it('of a drill needs a card, a cause or a skill, and a name of its own', () => {
    expect(fields(drill('own-paper-boats'))).toEqual([]);
    expect(fields({ kind: 'drills', key: 'own-nothing', body: { hidden: true } })).toEqual(['card']);
    expect(fields(drill('own-paper-boats', {}, { answers: [] }))).toEqual(['answers']);
    expect(fields(drill('own-paper-boats', { trains: 'feel' }, { answers: [] }))).toEqual([]);
    expect(fields(drill('own-lean', { name: 'CHEST  lean' }))).toEqual(['name']);
    expect(fields(drill('own-boats', { name: 'Paper Boats' }), drill('own-paper-boats'))).toEqual(['name']);
    expect(problems({ kind: 'drills', key: 'catch-up', body: { answers: ['unease'] } })).toMatchObject([
      { field: 'answers' },
    ]);
  });

  it('cannot hide what beginners are planned with, nor the last drill of a cause', () => {
    const hide = (key: LibraryEntry['key']): LibraryEntry => ({
      kind: 'drills',
      key: key as never,
      body: { hidden: true },
    });
    for (const id of ['wall-tries', 'bob-ladder', 'star-float'])
      expect(problems(hide(id as never))).toEqual([
        { field: 'hidden', message: 'Beginners are planned with it: it stays.' },
      ]);
    const cause = CAUSE_IDS.find(
      (id) =>
        CAUSES[id].answers.length === 2 &&
        !CAUSES[id].answers.some((d) => ['bob-ladder', 'star-float'].includes(d)) &&
        // No other cause is left without an answer when these two are hidden.
        CAUSE_IDS.every(
          (other) =>
            other === id || CAUSES[other].answers.some((d) => !(CAUSES[id].answers as readonly string[]).includes(d)),
        ),
    )!;
    const [a, b] = CAUSES[cause].answers as readonly [never, never];
    const alone = (id: string) => CAUSE_IDS.some((c) => CAUSES[c].answers.length === 1 && CAUSES[c].answers[0] === id);
    expect(alone(a) || alone(b)).toBe(false);
    expect(fields(hide(a))).toEqual([]);
    expect(problems(hide(b), hide(a))).toEqual([
      {
        field: 'hidden',
        message: `It is the only drill left for “${CAUSES[cause].name}”. Write another one for it first.`,
      },
    ]);
    const own: LibraryEntry = { kind: 'drills', key: 'own-paper-boats', body: { card, answers: [cause] } };
    expect(fields(hide(b), hide(a), own)).toEqual([]);
    expect(fields(hide('own-paper-boats'), hide(a), hide(b), own)).not.toEqual([]);
  });

  it('of words asks for nothing unsafe, and no two signs are said alike', () => {
    expect(fields({ kind: 'causes', key: 'holds-breath', body: { cue: 'Hold your breath.' } })).toEqual(['cue']);
    expect(
      fields({ kind: 'causes', key: 'holds-breath', body: { cue: 'Hum.', openTurnCue: 'No breath off the wall.' } }),
    ).toEqual(['openTurnCue']);
    expect(fields({ kind: 'causes', key: 'holds-breath', body: { cue: 'Hum until you turn.' } })).toEqual([]);
    const legs: LibraryEntry = { kind: 'signs', key: 'legs-low', body: { seen: 'The legs hang' } };
    expect(fields(legs)).toEqual([]);
    expect(fields({ kind: 'signs', key: 'belly-hangs', body: { seen: 'the LEGS hang' } }, legs)).toEqual(['seen']);
    expect(fields({ kind: 'signs', key: 'belly-hangs', body: { seen: 'hips and legs ride low' } })).toEqual(['seen']);
  });

  it('of a ladder changes words and adds steps, and asks for no fewer tries', () => {
    const { tries, what, pass, backIf } = ladderCard('confidence').steps[2]!;
    const step = { what, tries, pass, backIf };
    const ladder = (body: object): LibraryEntry => ({ kind: 'ladders', key: 'confidence', body });
    expect(tries).toBe(5);
    expect(fields(ladder({ changed: { 2: { ...step, tries: 6, what: 'Face in, hum.' } } }))).toEqual([]);
    expect(fields(ladder({ changed: { 2: { ...step, tries: 4 } } }))).toEqual(['changed.2']);
    expect(fields(ladder({ changed: { 40: step } }))).toEqual(['changed.40']);
    expect(fields(ladder({ added: [{ ...step, kit: [], what: 'Swim 5 m under water.' }] }))).toEqual(['added.0']);
  });

  it('of links keeps to the stroke, and leaves a cause something to be seen by', () => {
    expect(fields({ kind: 'links', key: 'soft-core', body: { 'legs-low': 'strong', gasps: 'weak' } })).toEqual([]);
    expect(fields({ kind: 'links', key: 'crosses-midline', body: { 'arms-open-while-kicking': 'weak' } })).toEqual([
      'arms-open-while-kicking',
    ]);
    const none = Object.fromEntries(Object.keys(LINKS['soft-core']).map((sign) => [sign, 'none']));
    expect(fields({ kind: 'links', key: 'soft-core', body: none })).toEqual(['signs']);
  });

  it('of bands keeps its order, and its measure', () => {
    const band = (key: string, limits: readonly [number, number]): LibraryEntry => ({
      kind: 'bands',
      key: key as never,
      body: { 'long-line': limits },
    });
    expect(fields(band('legs-low', [6, 9]))).toEqual([]);
    expect(fields(band('legs-low', [9, 6]))).toEqual(['long-line']);
    expect(fields(band('legs-low', [9, 9]))).toEqual(['long-line']);
    expect(fields(band('shoulders-flat', [30, 20]))).toEqual([]);
    expect(fields(band('shoulders-flat', [20, 30]))).toEqual(['long-line']);
    expect(fields(band('legs-low', [9, 91]))).toEqual(['long-line']);
    expect(fields(band('gasps', [1, 2]))).toEqual(['long-line']);
    expect(fields(band('rate-low', [48, 45]))).toEqual([]);
  });

  it('of levels has a name of its own and an hour that can be swum', () => {
    const level = (key: 'settle' | 'race', name: string, low: number, high: number): LibraryEntry => ({
      kind: 'levels',
      key,
      body: { name, metresPerHour: [low, high] },
    });
    expect(fields(level('race', 'Sharks', 2000, 3000))).toEqual([]);
    expect(fields(level('race', 'hold', 2000, 3000))).toEqual(['name']);
    expect(fields(level('race', 'Sharks', 3000, 3000))).toEqual(['metresPerHour']);
    // By hand: 6000 m an hour for those who race, 600 m for those who cannot swim 50 m.
    expect(fields(level('race', 'Sharks', 2000, 6001))).toEqual(['metresPerHour']);
    expect(fields(level('settle', 'Tadpoles', 100, 600))).toEqual([]);
    expect(fields(level('settle', 'Tadpoles', 100, 601))).toEqual(['metresPerHour']);
    expect(LEVELS.map((id) => levelCard(id).metresPerHour[1])).toEqual([600, 2000, 2600, 3600]);
  });
});

describe('a library', () => {
  it('goes into shelves and back', () => {
    const entries = [
      drill('own-paper-boats'),
      { kind: 'signs', key: 'legs-low', body: { seen: 'low' } },
    ] as LibraryEntry[];
    expect(entriesOf(shelvesOf(entries))).toEqual(entries);
    const one = withEntry(shelvesOf(entries), 'signs', 'legs-low', null);
    expect(entriesOf(one)).toEqual([entries[0]]);
    expect(entriesOf(withEntry({}, 'signs', 'gasps', { seen: 'x' }))).toEqual([
      { kind: 'signs', key: 'gasps', body: { seen: 'x' } },
    ]);
  });

  it('has a hundred drills of its own at most', () => {
    const many = (n: number) =>
      shelvesOf(Array.from({ length: n }, (_, i) => drill(`own-d-${i}`, { name: `Drill number ${i}` })));
    expect(libraryProblems(many(100))).toEqual([]);
    expect(libraryProblems(many(101))).toHaveLength(101);
  });
});

describe('what second looks have taught', () => {
  const known = (count: readonly [number, number]) =>
    ({ 'soft-core': { signs: { 'belly-hangs': count }, drills: { 'belly-in-kick': { hold: [3, 4] } } } }) as const;
  const of = (...keys: string[]) =>
    shelvesOf(keys.map((key): LibraryEntry => ({ kind: 'experience', key, body: known([2, 3]) })));
  const clubs = { us: 'Heron Lake', them: 'Kestrel Bay' };
  const file: LibraryEntry[] = [
    { kind: 'experience', key: 'ours', body: known([2, 3]) },
    { kind: 'experience', key: 'from Third Club', body: known([9, 9]) },
  ];

  it('has to be possible', () => {
    const problems = (count: readonly [number, number]) =>
      libraryProblems(shelvesOf([{ kind: 'experience', key: 'ours', body: known(count) }])).flatMap((p) => p.problems);
    expect(problems([3, 3])).toEqual([]);
    expect(problems([4, 3])).toEqual([{ field: 'soft-core.signs.belly-hangs', message: '4 of 3 cannot be.' }]);
  });

  it('is that of twenty other clubs at most, beside our own', () => {
    const others = (n: number) => Array.from({ length: n }, (_, i) => `from Club ${i}`);
    expect(libraryProblems(of('ours', ...others(20)))).toEqual([]);
    expect(libraryProblems(of('ours', ...others(21)))).toHaveLength(21);
  });

  it('comes in under the name of its club, without what that club has of a third', () => {
    const compared = compareLibraries(of('ours'), file, clubs);
    expect(compared).toEqual([{ theirs: { ...file[0], key: 'from Kestrel Bay' }, is: 'new', ours: null }]);
    expect(takeIn(of('ours'), compared, {}, 'Kestrel Bay')).toEqual([{ ...file[0], key: 'from Kestrel Bay' }]);
  });

  it('takes the place of what the same club gave before: nothing is counted twice', () => {
    const here = of('ours', 'from Kestrel Bay');
    expect(compareLibraries(here, file, clubs).map(({ is }) => is)).toEqual(['same']);
    const later: LibraryEntry[] = [{ kind: 'experience', key: 'ours', body: known([5, 6]) }];
    const compared = compareLibraries(here, later, clubs);
    expect(compared.map(({ is }) => is)).toEqual(['new']);
    const [taken] = takeIn(here, compared, {}, 'Kestrel Bay');
    expect(withEntry(here, 'experience', taken!.key, taken!.body).experience).toEqual({
      ours: known([2, 3]),
      'from Kestrel Bay': known([5, 6]),
    });
  });

  it('in a file of our own is what we had then: it clashes where we have gone on', () => {
    const home = { us: 'Kestrel Bay', them: 'Kestrel Bay' };
    expect(compareLibraries({}, file, home).map(({ is, theirs }) => [is, theirs.key])).toEqual([['new', 'ours']]);
    const gone = shelvesOf([{ kind: 'experience', key: 'ours', body: known([8, 9]) }]);
    expect(compareLibraries(gone, file, home).map(({ is }) => is)).toEqual(['clash']);
  });
});

describe('the library of another club', () => {
  const clubs = { us: 'Heron Lake', them: 'Kestrel Bay' };
  const ours = shelvesOf([
    drill('own-paper-boats'),
    { kind: 'levels', key: 'race', body: { name: 'Sharks', metresPerHour: [2000, 3000] } },
  ]);
  const theirs: LibraryEntry[] = [
    drill('own-paper-boats', { cue: 'Small hand, long arm.' }),
    drill('own-tea-spoon', { name: 'Tea spoon' }),
    { kind: 'levels', key: 'race', body: { name: 'Sharks', metresPerHour: [2000, 3000] } },
    drill('own-boats', { name: 'paper BOATS' }),
  ];

  it('is told apart: new, the same, and what clashes', () =>
    expect(compareLibraries(ours, theirs, clubs).map(({ is }) => is)).toEqual(['clash', 'new', 'same', 'clash']));

  it('comes in as it was settled, and never over what is here by itself', () => {
    const compared = compareLibraries(ours, theirs.slice(0, 3), clubs);
    const into = (settled: Parameters<typeof takeIn>[2]) =>
      takeIn(ours, compared, settled, 'Sable Point').map(({ key, body }) => [key, (body as DrillEntry).card?.name]);
    expect(into({})).toEqual([['own-tea-spoon', 'Tea spoon']]);
    expect(into({ 'drills/own-paper-boats': 'theirs' })).toEqual([
      ['own-paper-boats', 'Paper boats'],
      ['own-tea-spoon', 'Tea spoon'],
    ]);
    expect(into({ 'drills/own-paper-boats': 'both' })).toEqual([
      ['own-paper-boats-sable-point', 'Paper boats (Sable Point)'],
      ['own-tea-spoon', 'Tea spoon'],
    ]);
    const both = takeIn(ours, compared, { 'drills/own-paper-boats': 'both' }, 'Sable Point');
    expect(libraryProblems(shelvesOf([...entriesOf(ours), ...both]))).toEqual([]);
  });

  it('takes the place of ours where a drill has the same name under another id', () => {
    const compared = compareLibraries(ours, [theirs[3]!], clubs);
    expect(takeIn(ours, compared, { 'drills/own-boats': 'theirs' }, 'X').map(({ key }) => key)).toEqual([
      'own-paper-boats',
    ]);
  });
});

describe('the id of a drill', () => {
  it('is its name in letters, which the text of a session can hold', () => {
    expect(ownDrillId('Paper boats', new Set())).toBe('own-paper-boats');
    expect(ownDrillId('4-3-2-1 Übung', new Set())).toBe('own-ubung');
    expect(ownDrillId('泳ぐ', new Set())).toBe('own-drill');
    expect(ownDrillId('Paper boats', new Set(['own-paper-boats']))).toBe('own-paper-boats-a');
    expect(ownDrillId('Paper boats', new Set(['own-paper-boats', 'own-paper-boats-a']))).toBe('own-paper-boats-b');
  });

  it('is never one that is taken, and always of letters', () => {
    fc.assert(
      fc.property(
        fc.array(fc.oneof(fc.constantFrom('Paper boats', 'paper  boats!', '99'), fc.string({ maxLength: 90 })), {
          maxLength: 60,
        }),
        (names) => {
          const taken = new Set<string>(DRILL_IDS);
          for (const name of names) {
            const id = ownDrillId(name, taken);
            expect(taken.has(id)).toBe(false);
            expect(id).toMatch(/^own(-[a-z]+)+$/);
            expect(id.length).toBeLessThanOrEqual(50);
            taken.add(id);
          }
        },
      ),
      { numRuns: runs(50, 1000) },
    );
  });
});
