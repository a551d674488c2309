import fc from 'fast-check';
import { DRILL_IDS, KIT_IDS } from '../library';
import { CAUSE_IDS } from '../review';
import {
  BLOCK_KINDS,
  buildSession,
  groupTotals,
  LONGEST_TEXT,
  patternProblem,
  sizeProblem,
  SESSION_KINDS,
  SWIM_STROKES,
  type AnySet,
  type Breathing,
  type Item,
  type SessionPlan,
} from '../sessions';
import { LEVELS, STROKE_MODELS } from '../swimmers';
import {
  readSession,
  readSessionCsv,
  readSessionJson,
  withPositionIds,
  writeSession,
  writeSessionCsv,
  type ReadSession,
  type SessionDocument,
} from '.';
import { runs } from '../../test/runs';

const side = fc.constantFrom('left' as const, 'right' as const);
const line = fc
  .stringMatching(/^[ -~äöüß“”·–]{0,40}$/)
  .map((s) => s.trim())
  .filter((s) => !s.includes('\n'));
const breathing: fc.Arbitrary<Breathing> = fc.oneof(
  fc.constant({ kind: 'free' as const }),
  fc.record({ kind: fc.constant('every' as const), strokes: fc.integer({ min: 1, max: 9 }), side }),
  fc.record({ kind: fc.constant('to-side' as const), side }),
  fc.record({ kind: fc.constant('by-length' as const), strokes: fc.integer({ min: 1, max: 5 }), side }),
  fc.record({
    kind: fc.constant('limited' as const),
    first: fc.integer({ min: 0, max: 8 }),
    last: fc.integer({ min: 0, max: 8 }),
  }),
  fc.record({
    kind: fc.constant('limited' as const),
    first: fc.integer({ min: 0, max: 30 }),
    last: fc.integer({ min: 0, max: 30 }),
    per: fc.constant('rep' as const),
  }),
);
const effort = fc.integer({ min: 300, max: 1000 }).map((n) => n / 1000);
const fields = {
  id: fc.constant('x'),
  reps: fc.integer({ min: 1, max: 200 }),
  stroke: fc.constantFrom(...SWIM_STROKES),
  drill: fc.option(fc.constantFrom(...DRILL_IDS), { nil: null }),
  effort,
  breathing,
  sighting: fc.option(fc.record({ every: fc.integer({ min: 2, max: 60 }), forBreath: fc.boolean() }), { nil: null }),
  strokeRateSpm: fc.option(
    fc.integer({ min: 200, max: 1400 }).map((n) => n / 10),
    { nil: null },
  ),
  timing: fc.oneof(
    fc.record({ kind: fc.constant('rest' as const), seconds: fc.integer({ min: 0, max: 600 }) }),
    fc.record({
      kind: fc.constant('send-off' as const),
      seconds: fc.integer({ min: 1, max: 1200 }).map((n) => n / 2 + 1),
    }),
  ),
  kit: fc.subarray([...KIT_IDS], { maxLength: 3 }),
  note: line,
};
const lengths = fc.integer({ min: 1, max: 40 }).map((n) => n / 2);
const set: fc.Arbitrary<AnySet> = fc
  .oneof(
    fc.record({ kind: fc.constant('swim' as const), ...fields, lengths }),
    fc.record({ kind: fc.constant('halves' as const), ...fields, lengths, secondEffort: effort }),
    fc.record({ kind: fc.constant('descend' as const), ...fields, lengths, lastEffort: effort }),
    fc.record({ kind: fc.constant('timed' as const), ...fields, seconds: fc.integer({ min: 1, max: 3600 }) }),
  )
  // Patterns of breathing that do not belong to a stroke are refused, and tested elsewhere.
  .map((any): AnySet => (patternProblem(any.stroke, any.breathing) ? { ...any, breathing: { kind: 'free' } } : any));
const { item } = fc.letrec<{ item: Item }>((tie) => ({
  item: fc.oneof(
    { maxDepth: 3, withCrossShrink: true },
    set,
    fc.record({
      kind: fc.constant('pause' as const),
      id: fc.constant('p'),
      seconds: fc.integer({ min: 1, max: 1800 }),
      note: line,
    }),
    fc.record({
      kind: fc.constant('rounds' as const),
      id: fc.constant('r'),
      rounds: fc.oneof({ weight: 4, arbitrary: fc.integer({ min: 1, max: 6 }) }, fc.integer({ min: 1, max: 50 })),
      items: fc.array(tie('item'), { minLength: 1, maxLength: 3 }),
    }),
  ),
}));
const pool = fc.oneof(
  fc.constantFrom(
    { length: 25, unit: 'm' as const },
    { length: 50, unit: 'm' as const },
    { length: 25, unit: 'yd' as const },
    { length: 100 / 3, unit: 'm' as const },
    { length: 25, unit: 'm' as const, standingDepth: true, edge: 'level' as const },
    { length: 50, unit: 'm' as const, standingDepth: false },
    { length: 25, unit: 'yd' as const, edge: 'raised' as const },
  ),
  fc.record({
    length: fc.integer({ min: 80, max: 1000 }).map((n) => n / 10),
    unit: fc.constantFrom('m' as const, 'yd' as const),
  }),
);
const blockName = fc.stringMatching(/^[A-Za-zÄÖÜäöü0-9][A-Za-zÄÖÜäöü0-9 ,.:'()-]{0,38}$/).map((s) => s.trim());
const group = fc
  .record({
    id: fc.constant('g'),
    level: fc.constantFrom(...LEVELS),
    model: fc.constantFrom(...STROKE_MODELS),
    name: fc.stringMatching(/^[A-Za-zÄÖÜäöü0-9][A-Za-zÄÖÜäöü0-9 ,.'-]{0,20}$/).map((s) => s.trim()),
    swimmers: fc.integer({ min: 0, max: 200 }),
    lanes: fc.integer({ min: 1, max: 20 }),
    v400Mps: fc.double({ min: 0.1, max: 2.6, noNaN: true }),
    paceIsGuess: fc.boolean(),
    strokeLengthM: fc.double({ min: 0.2, max: 3, noNaN: true }),
    paceTable: fc.constantFrom(
      [],
      [
        { effort: 0.6, share: 0.84 },
        { effort: 0.8, share: 0.925 },
      ],
    ),
    knownDrills: fc.subarray([...DRILL_IDS], { maxLength: 4 }),
    breathRecord: fc.option(
      fc.record({
        lifeguard: fc.stringMatching(/^[A-Za-z .'-]{0,20}$/),
        rulesTold: fc.boolean(),
        minorsAgreed: fc.boolean(),
      }),
      { nil: null },
    ),
    note: line,
    blocks: fc.array(
      fc.record({
        kind: fc.constantFrom(...BLOCK_KINDS),
        id: fc.constant('b'),
        name: fc.option(blockName, { nil: undefined }),
        landMinutes: fc.integer({ min: 0, max: 60 }),
        items: fc.array(item, { maxLength: 4 }),
        note: line,
      }),
      { maxLength: 6 },
    ),
  })
  .chain((g) =>
    fc
      .constantFrom(undefined, { backstroke: 0.91 }, { breaststroke: 0.7, medley: 0.85, kick: 0.5 })
      .map((strokeShares) => (strokeShares ? { ...g, strokeShares } : g)),
  )
  // What is larger than a group can be is refused, which has tests of its own.
  .filter(({ blocks }) => sizeProblem(blocks) === null);
const plan: fc.Arbitrary<SessionPlan> = fc
  .record({
    kind: fc.constantFrom(...SESSION_KINDS),
    theme: fc.constantFrom(...CAUSE_IDS),
    place: fc.constantFrom('pool' as const, 'open-water' as const),
    pool,
    minutes: fc.integer({ min: 1, max: 360 }),
    seed: fc.integer({ min: 0, max: 1e9 }),
    note: line,
    groups: fc.array(group, { minLength: 1, maxLength: 4 }),
  })
  .map((p) =>
    p.place === 'open-water' ? { ...p, pool: { length: Math.max(20, p.pool.length), unit: 'm' as const } } : p,
  );
const document: fc.Arbitrary<SessionDocument> = fc.record({
  title: line,
  date: fc.constantFrom(null, '2027-06-21', '2026-11-25'),
  startTime: fc.constantFrom(null, '19:00', '06:30'),
  plan,
});

/** Quarters of a medley that are no whole lengths, and looks beside the breath, are read and said. */
const errorsOf = (problems: ReadSession['problems']) => problems.filter(({ severity }) => severity === 'error');

describe('a session as text', () => {
  it('comes back as it was, whatever it holds', () => {
    fc.assert(
      fc.property(document, (any) => {
        fc.pre(writeSession(any).length <= LONGEST_TEXT);
        const read = readSession(writeSession(any));
        expect(errorsOf(read.problems)).toEqual([]);
        expect(read.document).toEqual({ ...any, plan: withPositionIds(any.plan) });
      }),
      { numRuns: runs(100, 400) },
    );
  });

  it('comes back from CSV as it was, a row a set', () => {
    fc.assert(
      fc.property(document, (any) => {
        fc.pre(writeSession(any).length <= LONGEST_TEXT);
        const read = readSessionCsv(writeSessionCsv(any));
        expect(errorsOf(read.problems)).toEqual([]);
        expect(read.document).toEqual({ ...any, plan: withPositionIds(any.plan) });
      }),
      { numRuns: runs(50, 200) },
    );
  });

  it('comes back from JSON, and what is no session is refused whole', () => {
    const file = (any: unknown, change: object = {}) =>
      JSON.stringify({ format: 'upwell-session', version: 1, ...(any as object), ...change });
    fc.assert(
      fc.property(document, (any) => {
        fc.pre(writeSession(any).length <= LONGEST_TEXT);
        expect(readSessionJson(file(any)).document).toEqual({ ...any, plan: withPositionIds(any.plan) });
      }),
      { numRuns: 100 },
    );
    const good = readSession('Main\n4 x 50 crawl').document;
    const bad = [
      '{"a":',
      '[]',
      'null',
      file(good, { format: 'other' }),
      file(good, { plan: 7 }),
      file(good, { plan: { ...good.plan, groups: [{ ...good.plan.groups[0]!, level: 'elite' }] } }),
      file(good).replace('"reps":4', '"reps":"<b>"'),
      file(good).replace('"lengths":2', '"lengths":-2'),
    ];
    for (const text of bad) {
      const { problems, document: nothing } = readSessionJson(text);
      expect([text, problems.length]).toEqual([text, 1]);
      expect(nothing.plan.groups[0]!.blocks).toEqual([]);
    }
  });

  it.each([
    ['2026-11-26 07:00:00', '80%'],
    ['2026-11-26T07:00:00', '80.00%'],
    ['2026-11-26 7:00', '80,00%'],
    ['26.11.2026 07:00', '80,0 %'],
    ['26.11.2026 07:00:00', '0,8'],
    ['26/11/2026 7:00', '0.8'],
    ['11/26/2026 7:00 AM', '0.80'],
    ['2026-11-26 07:00:00.000', '80 %'],
  ])('comes back from CSV after a spreadsheet wrote %s and %s', (when, effort) => {
    const { document: session } = readSession('when: 2026-11-26 07:00\nMain\n4 x 50 crawl 80%');
    const text = writeSessionCsv(session)
      .replaceAll('2026-11-26 07:00', `"${when}"`)
      .replaceAll(',80%,', `,"${effort}",`);
    expect(text).toContain(when);
    expect(readSessionCsv(text)).toEqual(readSessionCsv(writeSessionCsv(session)));
    // With semicolons, as where decimals have a comma.
    const cells = text.split('\n').map((line) => line.replace(/("[^"]*")|,/g, (hit, quoted) => quoted ?? ';'));
    expect(errorsOf(readSessionCsv(cells.join('\r\n')).problems)).toEqual([]);
  });

  it.each([
    ['11/26/2026 7:30 PM', '19:30'],
    ['11/26/2026 12:05 AM', '00:05'],
    ['12:00:00', '12:00'],
  ])('%s is a time of day', (when, startTime) => {
    const text = writeSessionCsv(readSession('when: 2026-11-26 07:00\nMain\n4 x 50 crawl').document);
    expect(readSessionCsv(text.replaceAll('2026-11-26 07:00', when)).document.startTime).toBe(startTime);
  });

  it('a day that could be read in two ways is asked about', () => {
    const text = writeSessionCsv(readSession('when: 2026-11-06 07:00\nMain\n4 x 50 crawl').document);
    expect(readSessionCsv(text.replaceAll('2026-11-06', '06/11/2026')).problems[0]!.message).toBe(
      'Which number of 06/11/2026 is the month? Write the day like 2027-06-21.',
    );
  });

  it('from CSV tells the row of a slip, and a missing column', () => {
    const text = writeSessionCsv(readSession('Main\n4 x 50 crawl\n2 x 100 crawl').document);
    const [slip] = readSessionCsv(text.replace(',100,', ',110,')).problems;
    expect(slip).toMatchObject({ line: 3, severity: 'error' });
    expect(readSessionCsv('name;distance\nOtto;50').problems.map((p) => p.message)).toContain(
      'The column “extent” is missing.',
    );
  });

  it('comes back from what the builder makes, and states its totals rightly', () => {
    const built = buildSession({
      kind: 'speed',
      theme: 'breath-too-low',
      minutes: 60,
      pool: { length: 100 / 3, unit: 'm' },
      kit: ['fins', 'board', 'buoy'],
      seed: 3,
      groups: LEVELS.map((level) => ({ level, swimmers: 6, lanes: 1, v400Mps: null })),
    });
    if (built.kind === 'clash') throw new Error(built.clashes[0]!.message);
    const text = writeSession({ title: 'Hum', date: null, startTime: null, plan: built.plan });
    const read = readSession(text);
    expect(read.problems).toEqual([]);
    expect(read.document.plan).toEqual(withPositionIds(built.plan));
  });

  it('never fails on any text, and tells every problem at a place in it', () => {
    const words = fc.constantFrom(
      ...[
        '4',
        'x',
        '(',
        ')',
        '50',
        'crawl',
        'rest',
        ',',
        '=',
        '400',
        'Main',
        '==',
        '//',
        'breathe',
        '%',
        '1:30',
        'pool: 25 m',
        '\n',
        'é',
        '#',
      ],
    );
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string({ maxLength: 200 }),
          fc.array(words, { maxLength: 60 }).map((w) => w.join(' ')),
        ),
        (text) => {
          const lines = text.split('\n');
          for (const problem of readSession(text).problems) {
            expect(problem.line).toBeGreaterThanOrEqual(1);
            expect(problem.line).toBeLessThanOrEqual(lines.length);
            expect(problem.column).toBeGreaterThanOrEqual(1);
            expect(problem.message.length).toBeGreaterThan(5);
          }
        },
      ),
      { numRuns: runs(150, 500) },
    );
  });

  it('reads what a coach types in a hurry', () => {
    const { document: read, problems } = readSession(`
      # Tuesday
      Warm up
      200 choice easy; 4x50 crawl 70% @ 1:15
      Drills x
    `);
    expect(problems.map((p) => p.line)).toEqual([5]);
    const [warmUp] = read.plan.groups[0]!.blocks;
    expect(warmUp).toMatchObject({
      kind: 'warm-up',
      items: [
        { reps: 1, lengths: 8, stroke: 'choice', effort: 0.6 },
        { reps: 4, lengths: 2, effort: 0.7, timing: { kind: 'send-off', seconds: 75 } },
      ],
    });
  });

  it('reads brackets in one line', () => {
    const { document: read, problems } = readSession('Main\n3 x ( 50 crawl; 2 x ( 25 drill side-kick ) )');
    expect(problems).toEqual([]);
    const main = read.plan.groups[0]!;
    expect(groupTotals(main, read.plan.pool).metres).toBe(300);
  });
});

describe('problems in a text', () => {
  const told = (text: string) => readSession(text).problems.map((p) => `${p.line}:${p.column} ${p.message}`);

  it.each([
    ['Main\n4 x 50 crawl brethe 3', '2:14 “brethe” is not known here. Did you mean “breathe”?'],
    ['Main\n4 x 50 crawl, with finns', '2:20 “finns” is not a thing to bring. Did you mean “fins”?'],
    ['Main\n4 x 50 drill sidekik', '2:14 “sidekik” is not a drill. Did you mean “side-kick”?'],
    ['pool: 25 m\n4 x 60 crawl', '2:5 60 is not whole lengths of a 25 m pool: 50 or 75?'],
    ['Main\n4 x 50 crawl rest', '2:14 Something is missing here: a time, like 20 or 1:30.'],
    ['Main\n3 x (\n50 crawl', '2:5 This bracket is never closed.'],
    ['Main\n50 crawl )', '2:10 Nothing is open here.'],
    ['4 x 50 crawl 130%', '1:14 Effort is from 30 to 100 %.'],
    ['pool: 0 m', '1:1 A pool is between 8 and 100 long.'],
    ['pool: 25 m, warm', '1:1 A length is needed, like “pool: 25 m, standing depth, level edge”.'],
    ['loop: 400 m, raised edge', '1:1 A loop has a length and nothing else.'],
    ['pool: 10000 m', '1:1 A pool is between 8 and 100 long.'],
    ['themes: spins', '1:1 “themes” is not known here. Did you mean “theme:”?'],
    ['theme: spinns', '1:1 “spinns” is not a theme. Did you mean “spins”?'],
    ['Mian\n50 crawl', '1:1 “Mian” is no part of a session that is known here. Did you mean “main”?'],
    ['when: 2027-02-31 19:00', '1:1 There is no 2027-02-31.'],
    ['201 x 50 crawl', '1:1 From 1 to 200 times.'],
    ['4 x 50 yd crawl', '1:8 This session is in metres.'],
  ])('%p: %s', (text, message) => expect(told(text)).toContain(message));

  it('do not spoil the other lines', () => {
    const { document: read, problems } = readSession('Main\n4 x 50 crawl\n?? what\n2 x 100 crawl');
    expect(problems).toHaveLength(1);
    expect(groupTotals(read.plan.groups[0]!, read.plan.pool).metres).toBe(400);
  });

  it('say when the text has another layout', () => {
    const pasted = Array.from({ length: 9 }, (_, i) => `Set ${i}\tFreestyle\t50\t1'15"`).join('\n');
    expect(readSession(pasted).problems[0]!.message).toContain('another layout');
  });

  it('refuse a text of 5 MB without reading it', () => {
    const read = readSession('4 x 50 crawl\n'.repeat(400_000));
    expect(read.problems).toHaveLength(1);
    expect(read.problems[0]!.message).toContain(`${LONGEST_TEXT / 1000} thousand`);
  });
});

describe('stated totals', () => {
  const cause = (text: string) => readSession(text).problems.map((p) => `${p.severity} ${p.line} ${p.message}`);
  const drills = (stated: string) => `Drills${stated}\n2 x (\n2 x 25 drill side-kick\n50 crawl easy\n)`;

  it('are right when they are right', () => expect(cause(drills(' = 200'))).toEqual([]));

  it.each([
    [
      drills(' = 100'),
      'warning 1 Stated 100, written 200: 100 m less. It could be that the drills block was counted once instead of twice, that 2 × 25 was left out, or that 50 was left out.',
    ],
    [
      drills(' = 300'),
      'warning 1 Stated 300, written 200: 100 m more. It could be that the drills block was counted 3 times instead of twice, or that 50 was counted twice.',
    ],
    [
      'Main = 350\n8 x 50 crawl',
      'warning 1 Stated 350, written 400: 50 m less. Likely one rep of 8 × 50 was left out.',
    ],
    ['Main = 640\n4 x 100 crawl\n2 x 30 crawl', null],
    [
      '= 1705\nMain\n17 x 100 crawl\n50 choice',
      'warning 1 Stated 1705, written 1750: 45 m less. Likely two digits changed places.',
    ],
    [`= 500\nMain\n6 x 100 crawl\n${drills('')}`, null],
    [
      `= 200\nMain\n6 x 100 crawl\n${drills('')}`,
      'warning 1 Stated 200, written 800: 600 m less. Likely the main block was left out.',
    ],
    [
      `= 700\nMain\n6 x 100 crawl\n${drills('')}`,
      'warning 1 Stated 700, written 800: 100 m less. It could be that the drills block was counted once instead of twice, that one rep of 6 × 100 was left out, that 2 × 25 was left out, or that 50 was left out.',
    ],
    [
      `= 900\nMain = 700\n6 x 100 crawl\n${drills('')}`,
      'warning 1 Stated 900, written 800: 100 m more. Likely it adds the stated block totals, and one of them is off.',
    ],
  ])('%j', (text, message) => {
    if (message) expect(cause(text)).toContain(message);
    else expect(cause(text).length).toBeGreaterThan(0);
  });

  it('are found wrong whatever the slip, for any drill block swum several times', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 9 }), fc.integer({ min: 1, max: 12 }), (rounds, reps) => {
        const once = reps * 25;
        const [problem] = readSession(`Drills = ${once}\n${rounds} x (\n${reps} x 25 drill side-kick\n)`).problems;
        expect(problem!.message).toContain(`counted once instead of ${rounds === 2 ? 'twice' : `${rounds} times`}`);
      }),
    );
  });
});
