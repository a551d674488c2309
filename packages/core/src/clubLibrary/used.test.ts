/** What a club writes is used at once, wherever the built-in was. */
import { eyeClip } from '../eye';
import { handout } from '../handout';
import { drillCard, drillIds, isDrill, ladderCard, type Drill } from '../library';
import { readSession, writeSession } from '../notation';
import { NOTHING_OWN, readOwnFrom, type OwnShelves } from '../own';
import { bandsOf, causeCard, inferCauses, linksOf, modelChange, signCard, signsFromMeasures } from '../review';
import { anotherSession, buildSession, setsOf, type BuildRequest, type SessionPlan } from '../sessions';
import { levelCard } from '../swimmers';
import { readRoster } from '../exchange';
import { shelvesOf, type LibraryEntry } from '.';

const card: Drill = {
  ...drillCard('catch-up'),
  ...{ name: 'Paper boats', cue: 'Push with the forearm.', kit: [], from: 'build', factor: 0.8, notWith: [] },
  ...{ contradicts: ['quick-rhythm'], cautions: ['Stop when a shoulder hurts.'] },
  dose: { kind: 'distance', tries: 4, metres: 25, mostM: 50 },
};
const BOATS = 'own-paper-boats' as const;
const own: LibraryEntry = { kind: 'drills', key: BOATS, body: { card, answers: ['dropped-elbow'] } };
const have = (...entries: LibraryEntry[]) => {
  const shelves: OwnShelves = shelvesOf(entries);
  readOwnFrom(() => shelves);
};
afterEach(() => readOwnFrom(() => NOTHING_OWN));

const request: BuildRequest = {
  kind: 'technique',
  theme: 'dropped-elbow',
  minutes: 60,
  pool: { length: 25, unit: 'm' },
  kit: [],
  seed: 1,
  groups: [
    { level: 'build', swimmers: 5, lanes: 1, v400Mps: null },
    { level: 'hold', swimmers: 5, lanes: 1, v400Mps: null },
  ],
};
const sessionDrills = (plan: SessionPlan) => [
  ...new Set(
    plan.groups
      .flatMap((g) => g.blocks)
      .flatMap((b) => setsOf(b.items))
      .flatMap(({ set }) => set.drill ?? []),
  ),
];
const planned = (change: Partial<BuildRequest> = {}): string[] => {
  const result = buildSession({ ...request, ...change });
  if (result.kind !== 'built') throw new Error(JSON.stringify(result));
  return sessionDrills(result.plan);
};

describe('a drill of the club itself', () => {
  it('is planned for its cause, in its dose, and shown in the next proposals', () => {
    expect(planned()).not.toContain(BOATS);
    have(own);
    expect(planned()).toContain(BOATS);
    const built = buildSession(request);
    if (built.kind !== 'built') throw new Error('A session was expected.');
    expect(anotherSession(request, built.plan)).not.toBeNull();
  });

  it('is planned for nobody below its level, against its model, or without its kit', () => {
    have({ ...own, body: { card: { ...card, from: 'hold' }, answers: ['dropped-elbow'] } } as LibraryEntry);
    const build = { level: 'build', swimmers: 5, lanes: 1, v400Mps: null } as const;
    expect(planned({ groups: [build] })).not.toContain(BOATS);
    have(own);
    expect(planned({ groups: [{ ...build, model: 'quick-rhythm' }] })).not.toContain(BOATS);
    have({ ...own, body: { card: { ...card, kit: ['finger-paddles'] }, answers: ['dropped-elbow'] } } as LibraryEntry);
    expect(planned()).not.toContain(BOATS);
    expect(planned({ kit: ['finger-paddles'] })).toContain(BOATS);
  });

  it('is written and read in the text of a session, also without the own in front', () => {
    have(own);
    const text = 'pool: 25 m\n== A\nlevel: build\ndrills\n4 x 25 drill own-paper-boats rest 20';
    const read = readSession(text);
    expect(read.problems).toEqual([]);
    expect(sessionDrills(read.document.plan)).toEqual([BOATS]);
    expect(sessionDrills(readSession(text.replace('own-', '')).document.plan)).toEqual([BOATS]);
    const written = writeSession(read.document);
    expect(written).toContain(BOATS);
    expect(sessionDrills(readSession(written).document.plan)).toEqual([BOATS]);
  });

  it('is not known in another club, and the text says so', () => {
    const { problems } = readSession('pool: 25 m\n== A\nlevel: build\ndrills\n4 x 25 drill own-paper-boats rest 20');
    expect(problems.map(({ message }) => message).join()).toMatch(/“own-paper-boats” is not a drill/);
  });

  it('stands on the hand-out with its cautions, and in what a model rules out', () => {
    have(own);
    const page = handout({
      ...{ givenName: 'Ada', stroke: 'front-crawl', signs: {}, good: '', cause: 'dropped-elbow', drill: BOATS },
      ...{ cue: 'Push.', tries: 6, relookOn: '2026-12-01' },
    });
    expect(page.drill).toMatchObject({ name: 'Paper boats', dose: '6 × 25 m', feel: card.feel });
    expect(page.cautions).toEqual(['Stop when a shoulder hurts.']);
    expect(modelChange('long-line', 'quick-rhythm').drillsOut).toContain(BOATS);
  });

  it('has something to show where its card is not here', () => {
    expect(isDrill(BOATS)).toBe(false);
    expect(drillCard(BOATS)).toMatchObject({ name: 'paper boats (no card)', places: [] });
    expect(isDrill('constructor')).toBe(false);
  });
});

describe('a hidden drill', () => {
  it('is not planned and not proposed; where it stands it is still read', () => {
    const [first] = causeCard('dropped-elbow').answers;
    expect(planned({ kit: ['buoy'] })).toContain(first);
    have({ kind: 'drills', key: first, body: { hidden: true } });
    expect(causeCard('dropped-elbow').answers).not.toContain(first);
    expect(drillIds()).not.toContain(first);
    for (const seed of [1, 2, 3, 4]) expect(planned({ seed, kit: ['buoy'] })).not.toContain(first);
    expect(drillCard(first).steps.length).toBeGreaterThan(1);
    expect(readSession(`pool: 25 m\n== A\nlevel: hold\ndrills\n4 x 25 drill ${first} rest 20`).problems).toEqual([]);
  });
});

describe('words, strengths, bands and levels of the club', () => {
  it('are said instead of the built-in ones', () => {
    const before = signCard('legs-low').seen;
    have(
      { kind: 'signs', key: 'legs-low', body: { seen: 'the legs hang' } },
      { kind: 'causes', key: 'crosses-midline', body: { cue: 'Two train tracks.' } },
      {
        kind: 'ladders',
        key: 'tumble',
        body: {
          added: [{ what: 'Four in a row.', tries: 4, pass: 'All calm.', backIf: 'Water in the nose.', kit: [] }],
        },
      },
      {
        kind: 'ladders',
        key: 'kick',
        body: { changed: { 0: { what: 'Sit on the heels.', tries: 12, pass: 'No pain.', backIf: 'Pain.' } } },
      },
    );
    expect(before).not.toBe('the legs hang');
    expect(signCard('legs-low')).toMatchObject({ seen: 'the legs hang', view: 'side' });
    expect(causeCard('crosses-midline').cue).toBe('Two train tracks.');
    expect(ladderCard('tumble').steps.at(-1)!.what).toBe('Four in a row.');
    expect(ladderCard('kick').steps[0]).toMatchObject({ what: 'Sit on the heels.', tries: 12 });
    expect(ladderCard('kick').steps[1]!.what).not.toBe('Sit on the heels.');
    const page = handout({
      ...{
        givenName: 'Ada',
        stroke: 'front-crawl',
        signs: { 'legs-low': 'often' },
        good: '',
        cause: 'crosses-midline',
      },
      ...{ drill: 'chest-lean', cue: 'x', tries: 6, relookOn: '2026-12-01' },
    });
    expect(page.seen).toEqual(['the legs hang']);
    expect(eyeClip(1, 3).options.length).toBeGreaterThan(1);
  });

  it('weigh in the review: a stronger link makes its cause likelier, none takes it out', () => {
    const look = { stroke: 'front-crawl', model: 'long-line', level: 'build', signs: { 'legs-low': 'often' } } as const;
    const chance = () => inferCauses(look).ranking.find(({ cause }) => cause === 'soft-core')!.probability;
    const before = chance();
    have({ kind: 'links', key: 'soft-core', body: { 'legs-low': 'strong' } });
    const stronger = chance();
    have({ kind: 'links', key: 'soft-core', body: { 'legs-low': 'none' } });
    expect(linksOf('soft-core')['legs-low']).toBeUndefined();
    expect(stronger).toBeGreaterThan(before);
    expect(chance()).toBeLessThan(before);
    readOwnFrom(() => NOTHING_OWN);
    expect(chance()).toBe(before);
  });

  it('draw the line where the club draws it, for one model', () => {
    // Built in: a trunk at 9° is low sometimes. The club begins at 10.
    expect(signsFromMeasures({ trunkDeg: 9 }, 'long-line')).toEqual({ 'legs-low': 'sometimes' });
    have({ kind: 'bands', key: 'legs-low', body: { 'long-line': [10, 15] } });
    expect(signsFromMeasures({ trunkDeg: 9 }, 'long-line')).toEqual({ 'legs-low': 'absent' });
    expect(signsFromMeasures({ trunkDeg: 9 }, 'roll-and-press')).toEqual({ 'legs-low': 'sometimes' });
    expect(bandsOf('long-line').find(({ sign }) => sign === 'legs-low')).toMatchObject({ sometimes: 10, often: 15 });
  });

  it('name the levels on plans and in lists, and set their hour', () => {
    const metres = () => {
      const result = buildSession({ ...request, groups: [{ level: 'build', swimmers: 5, lanes: 1, v400Mps: null }] });
      return result.kind === 'built' ? result.plan.groups[0]! : null;
    };
    expect(metres()!.name).toBe('Build');
    have({ kind: 'levels', key: 'build', body: { name: 'Otters', metresPerHour: [800, 1100] } });
    expect(levelCard('build').name).toBe('Otters');
    expect(metres()!.name).toBe('Otters');
    expect(readSession('pool: 25 m\n== A\nlevel: otters\nmain\n4 x 50 crawl easy').document.plan.groups[0]!.level).toBe(
      'build',
    );
    const { lines } = readRoster('Name,Level\nAda Berg,otters\nBo Falk,build', null, 2026);
    expect(lines.map(({ level }) => level)).toEqual(['build', 'build']);
  });
});
