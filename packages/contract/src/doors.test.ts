import type { Schema } from 'joi';
import { accountSaveSchema, inviteSchema, joinSchema, passwordResetSchema } from './people';
import { signInSchema } from './account';
import { clipSaveSchema, MOST_TAPS } from './clips';
import { check, moment, timeZone } from './common';
import { eventsQuerySchema } from './deck';
import { eyeTrySchema } from './eye';
import { handoutLinkSchema } from './handout';
import { resultSaveSchema, testSaveSchema } from './records';
import { focusSaveSchema, reviewSaveSchema, trySchema } from './review';
import { calendarLinkSchema, proposalQuerySchema, sheetQuerySchema } from './sessions';
import { setupBeginSchema } from './setup';
import { squadSaveSchema, swimmerSaveSchema } from './swimmers';
import { courseSaveSchema, raceCardSchema, sightingSchema, sunSchema, trackSaveSchema } from './water';

const ID = '01a20bb8-5dce-719c-8bc2-8d9b01d7e695';
const OTHER = '01a20bb8-5dce-719c-8bc2-8d9b01d7e696';
const TOKEN = 'a'.repeat(43);
const SAVED = { version: 0, writeId: ID };
const DAY = '2027-06-21';

interface Door {
  readonly name: string;
  readonly schema: Schema;
  readonly good: Readonly<Record<string, unknown>>;
  /** Fields that may be left out; every other one is needed. */
  readonly optional?: readonly string[];
  /** What is changed, where it is told, and how it begins. */
  readonly refused: readonly (readonly [change: Readonly<Record<string, unknown>>, at: string, said: string])[];
}

const POOL = { length: 25, unit: 'm' };
const COURSE = {
  start: { lat: 31.4, lon: -41.2 },
  finish: { lat: 31.4, lon: -41.19 },
  marks: [{ id: 'm1', name: '1', turn: 'left', lat: 31.41, lon: -41.2 }],
  laps: 1,
  areas: [],
  landmarks: [],
};
const POINTS = [
  [31.4, -41.2, 1_800_000_000_000],
  [31.401, -41.2, 1_800_000_010_000],
];
const HABITS = { every: 8, rateSpm: 60, currentMps: 0, currentToDeg: 0 };

/** Every limit here stands a second time, by hand. */
const DOORS: readonly Door[] = [
  {
    name: 'sign-in',
    schema: signInSchema,
    good: { email: 'head@upwell.example', password: 'quiet-water-demo' },
    refused: [
      [{ email: 'head' }, 'email', 'This does not look like an e-mail'],
      [{ password: 'x'.repeat(201) }, 'password', 'At most 200'],
    ],
  },
  {
    name: 'first club',
    schema: setupBeginSchema,
    good: {
      ...{ code: 'ABCDEFGHJKMN', clubName: 'Morrow Quay', timeZone: 'Europe/Lisbon' },
      ...{ name: 'Jory', email: 'jory@upwell.example', password: 'four dry towels' },
    },
    refused: [
      [{ code: 'ABCD-EFGH-JKM' }, 'code', 'A code has twelve'],
      [{ code: 'ABCD-EFGH-JKMU' }, 'code', 'A code has twelve'],
      [{ timeZone: 'Morrow/Quay' }, 'timeZone', 'This is not a time zone'],
      [{ password: 'nine char' }, 'password', 'A password has at least 10'],
    ],
  },
  {
    name: 'invitation',
    schema: inviteSchema,
    good: { role: 'coach', email: 'second@upwell.example', squadIds: [ID] },
    optional: ['email', 'squadIds'],
    refused: [
      [{ role: 'owner' }, 'role', 'Please choose one of the list'],
      [{ role: 'swimmer' }, 'swimmerId', 'Choose whose account'],
      [{ swimmerId: ID }, 'swimmerId', 'Please choose one of the list'],
      [{ squadIds: [ID, ID] }, 'squadIds.1', 'This is in the list twice'],
    ],
  },
  {
    name: 'coming in',
    schema: joinSchema,
    good: { token: TOKEN, name: 'Ines', email: 'ines@upwell.example', password: 'four dry towels' },
    refused: [
      [{ token: 'a'.repeat(42) }, 'token', 'Please write it as a whole link'],
      [{ token: `${'a'.repeat(42)}/` }, 'token', 'Please write it as a whole link'],
    ],
  },
  {
    name: 'new password',
    schema: passwordResetSchema,
    good: { token: TOKEN, password: 'four dry towels' },
    refused: [[{ password: 'short' }, 'password', 'A password has at least 10']],
  },
  {
    name: 'change of an account',
    schema: accountSaveSchema,
    good: { role: 'coach', squadIds: [], swimmerId: null, disabled: false, ...SAVED },
    optional: ['role', 'squadIds', 'swimmerId', 'disabled', 'version', 'writeId'],
    refused: [[{ disabled: 'perhaps' }, 'disabled', 'Yes or no is needed']],
  },
  {
    name: 'squad',
    schema: squadSaveSchema,
    good: {
      name: 'Evening Lanes',
      coachIds: [ID],
      poolTimes: [{ weekday: 2, startTime: '19:00', minutes: 60, pool: POOL, lanes: 3 }],
      archived: false,
      ...SAVED,
    },
    optional: ['poolTimes'],
    refused: [
      [{ name: '' }, 'name', 'Please fill this in'],
      [{ coachIds: [ID, ID] }, 'coachIds.1', 'This is in the list twice'],
      [
        { poolTimes: [{ weekday: 8, startTime: '19:00', minutes: 60, pool: POOL, lanes: 3 }] },
        'poolTimes.0.weekday',
        'At most 7',
      ],
      [
        { poolTimes: [{ weekday: 2, startTime: '24:00', minutes: 60, pool: POOL, lanes: 3 }] },
        'poolTimes.0.startTime',
        'Please write it as a time like 19:00',
      ],
      [
        { poolTimes: [{ weekday: 2, startTime: '19:00', minutes: 9, pool: POOL, lanes: 3 }] },
        'poolTimes.0.minutes',
        'At least 10',
      ],
    ],
  },
  {
    name: 'swimmer',
    schema: swimmerSaveSchema,
    good: {
      ...{ squadId: ID, givenName: 'Ines', familyName: 'Okoro-Vale', level: 'hold', birthYear: 1991 },
      ...{ strokeModel: 'long-line', breathingSide: 'right', healthFlags: [], healthConsent: false },
      ...{ clipConsent: false, kit: [], ladderSteps: {}, goal: null, bestTimes: [], archived: false },
      ...SAVED,
    },
    optional: ['clipConsent', 'ladderSteps'],
    refused: [
      [{ squadId: 'evening' }, 'squadId', 'Please write it as a valid id'],
      [{ level: 'elite' }, 'level', 'Please choose one of the list'],
      [{ birthYear: 1909 }, 'birthYear', 'At least 1910'],
      [{ birthYear: 1990.5 }, 'birthYear', 'A whole number'],
      [{ ladderSteps: { catch: 21 } }, 'ladderSteps.catch', 'At most 20'],
      [{ ladderSteps: { elsewhere: 1 } }, 'ladderSteps.elsewhere', 'This field is not known'],
      [{ kit: ['fins', 'fins'] }, 'kit.1', 'This is in the list twice'],
      [
        {
          bestTimes: [
            { distanceM: 400, timeS: 400 },
            { distanceM: 400, timeS: 390 },
          ],
        },
        'bestTimes.1',
        'This is in the list twice',
      ],
      [{ version: -1 }, 'version', 'At least 0'],
    ],
  },
  {
    name: 'review',
    schema: reviewSaveSchema,
    good: {
      ...{ swimmerId: ID, lookedAt: '2027-06-21T18:05:00.000Z', stroke: 'front-crawl', model: 'long-line' },
      ...{ level: 'hold', signs: { 'legs-low': 'often' }, measured: { strokeRateSpm: 62 }, good: 'Calm face.' },
      focus: {
        ...{ id: ID, cause: 'looks-forward', drill: 'tile-gaze-swim', cue: 'Eyes down.', tries: 4, relookOn: DAY },
      },
      relook: null,
      ...SAVED,
    },
    optional: ['measured', 'relook'],
    refused: [
      [{ good: '' }, 'good', 'Say one thing that is good first'],
      [{ signs: {} }, 'signs', 'Note at least one thing'],
      [{ signs: { 'legs-high': 'often' } }, 'signs.legs-high', 'There is no such sign'],
      [{ signs: { 'legs-low': 'always' } }, 'signs.legs-low', 'Please choose one of the list'],
      [{ measured: { strokeRateSpm: 201 } }, 'measured.strokeRateSpm', 'At most 200'],
      [{ measured: { trunkDeg: -181 } }, 'measured.trunkDeg', 'At least -180'],
      [{ lookedAt: '1899-12-31T00:00:00Z' }, 'lookedAt', 'Please write it as a date from 1900 to 2199'],
      [{ relook: { focusId: ID, outcome: 'perhaps' } }, 'relook.outcome', 'Please choose one of the list'],
    ],
  },
  {
    name: 'change of a focus',
    schema: focusSaveSchema,
    good: { drill: 'tile-gaze-swim', saidBack: '', felt: 'lighter', relookOn: DAY, ...SAVED },
    refused: [
      [{ felt: 'x'.repeat(201) }, 'felt', 'At most 200'],
      [{ relookOn: '2027-02-30' }, 'relookOn', 'Please write it as a real date'],
    ],
  },
  {
    name: 'try',
    schema: trySchema,
    good: { drill: 'tile-gaze-swim', verdict: 'better', note: '', at: '2027-06-21T18:05:00.000Z' },
    optional: ['note'],
    refused: [[{ verdict: 'great' }, 'verdict', 'Please choose one of the list']],
  },
  {
    name: 'clip',
    schema: clipSaveSchema,
    good: {
      ...{ swimmerId: ID, title: 'From the side', recordedOn: DAY, durationS: 12, aspect: 1.78, distanceM: null },
      taps: [{ kind: 'entry', side: 'left', timeS: 1.25 }],
      lines: [],
      notes: [{ startS: 0, endS: 2, text: 'Look at the elbow.' }],
      ...SAVED,
    },
    refused: [
      [{ durationS: 3601 }, 'durationS', 'At most 3600'],
      [{ aspect: 0 }, 'aspect', 'At least 0.1'],
      [{ taps: [{ kind: 'kick', side: 'left', timeS: 1 }] }, 'taps.0.kind', 'Please choose one of the list'],
      [{ notes: [{ startS: 0, endS: 2, text: 'x'.repeat(501) }] }, 'notes.0.text', 'At most 500'],
      [{ lines: [{ id: ID, kind: 'trunk', timeS: 1, line: [{ x: 0, y: 0 }] }] }, 'lines.0.line', 'Exactly 2 entries'],
    ],
  },
  {
    name: 'try of the eye',
    schema: eyeTrySchema,
    good: { grade: 1, seed: 3, marked: ['legs-low'] },
    refused: [
      [{ grade: 9 }, 'grade', 'Please choose one of the list'],
      [{ seed: 1_000_001 }, 'seed', 'At most 1000000'],
      [{ marked: ['legs-low', 'legs-low'] }, 'marked.1', 'This is in the list twice'],
    ],
  },
  {
    name: 'link to a hand-out',
    schema: handoutLinkSchema,
    good: { focusId: ID, token: TOKEN },
    refused: [[{ token: 'guess' }, 'token', 'Please write it as a link from Upwell']],
  },
  {
    name: 'calendar address',
    schema: calendarLinkSchema,
    good: { squadId: ID, token: TOKEN },
    refused: [[{ swimmerId: OTHER }, '', 'Only one of these is allowed']],
  },
  {
    name: 'result',
    schema: resultSaveSchema,
    good: {
      ...{ swimmerId: ID, on: DAY, distanceM: 400, timeS: 320, strokesPerLength: null, kind: 'trial' },
      details: { pool: { length: 25, unit: 'm' }, splitsS: [78, 159, 240], meet: 'Lantern Cup' },
    },
    optional: ['details'],
    refused: [
      [{ timeS: 0 }, 'timeS', 'More than 0'],
      [{ timeS: 100, details: {} }, '', '400 m in 100 s is faster than anybody swims'],
      [{ distanceM: 0.5 }, 'distanceM', 'At least 1'],
      [{ kind: 'race' }, 'kind', 'Please choose one of the list'],
      [{ details: { splitsS: [90, 80] } }, '', 'Splits are the clock on the way: each is later'],
      [{ details: { splitsS: [] } }, 'details.splitsS', 'At least 1'],
      [{ details: { pool: { length: 4, unit: 'm' } } }, 'details.pool.length', 'At least 8'],
      [{ details: { pool: { length: 25, unit: 'm' } }, kind: 'track' }, '', 'A swim outside has no pool'],
      [{ details: { meet: 'x'.repeat(81) } }, 'details.meet', 'At most 80'],
    ],
  },
  {
    name: 'swim test',
    schema: testSaveSchema,
    good: {
      ...{ swimmerId: ID, heldOn: DAY, note: '' },
      input: { kind: 'glide', metres: [6.5, 7] },
      ...SAVED,
    },
    refused: [
      [{ input: { kind: 'glide', metres: [26] } }, 'input.metres.0', 'At most 25'],
      [{ input: { kind: 'closed-eyes', strokes: 3, strokeLengthM: 1, offM: [0] } }, 'input.strokes', 'At least 4'],
      [{ input: { kind: 'ladder-step', ladder: 'catch', step: 31, tries: 1, passed: 1 } }, 'input.step', 'At most 30'],
    ],
  },
  {
    name: 'course',
    schema: courseSaveSchema,
    good: { name: 'Heron Loop', place: 'Quill Water', course: COURSE, ...SAVED },
    refused: [
      [{ name: ' ' }, 'name', 'Please fill this in'],
      [{ course: { ...COURSE, laps: 21 } }, 'course.laps', 'At most 20'],
      [{ course: { ...COURSE, start: { lat: 91, lon: 0 } } }, 'course.start.lat', 'At most 90'],
      [
        { course: { ...COURSE, marks: [{ ...COURSE.marks[0], turn: 'over' }] } },
        'course.marks.0.turn',
        'Please choose one of the list',
      ],
      [
        { course: { ...COURSE, marks: [{ ...COURSE.marks[0], id: '__proto__' }] } },
        'course.marks.0.id',
        'This cannot be used here',
      ],
    ],
  },
  {
    name: 'swum track',
    schema: trackSaveSchema,
    good: { courseId: ID, swimmerId: OTHER, habits: HABITS, points: POINTS },
    refused: [
      [{ points: [POINTS[0]] }, 'points', 'At least 2'],
      [{ points: [[91, 0, 1], POINTS[1]] }, 'points.0.0', 'At most 90'],
      [{ habits: { ...HABITS, every: 0 } }, 'habits.every', 'At least 1'],
    ],
  },
];

const problems = (schema: Schema, value: unknown): Record<string, string> =>
  Object.fromEntries(check(schema, value).error?.details.map((d) => [d.path.join('.'), d.message]) ?? []);

describe.each(DOORS)('$name', ({ schema, good, optional = [], refused }) => {
  it('is taken as it is', () => {
    expect(problems(schema, good)).toEqual({});
    expect(check(schema, good).value).toMatchObject(good);
  });

  it('is whole only with every field that is needed', () => {
    for (const field of Object.keys(good)) {
      const { [field]: _left, ...others } = good;
      expect([field, Object.keys(problems(schema, others)).length > 0]).toEqual([field, !optional.includes(field)]);
    }
  });

  it('has no room for fields that nobody knows', () => {
    expect(problems(schema, { ...good, isHead: true })).toEqual({ isHead: 'This field is not known.' });
  });

  it('takes each field in its own kind only', () => {
    for (const field of Object.keys(good))
      for (const other of [[[[]]], { a: { b: 1 } }, 'x'.repeat(70_000), 1e308])
        expect([field, typeof other, Object.keys(problems(schema, { ...good, [field]: other })).length > 0]).toEqual([
          field,
          typeof other,
          true,
        ]);
    for (const whole of [null, [], 'text', 7, true]) expect(problems(schema, whole)).not.toEqual({});
  });

  it.each(refused)('refuses %j at %s: %s', (change, at, said) => {
    const found = problems(schema, { ...good, ...change });
    expect(Object.keys(found)).toContain(at);
    expect(found[at]).toMatch(new RegExp(`^${said.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}`));
  });
});

describe('limits of size', () => {
  it('hold taps of a clip at eight thousand', () => {
    const clip = DOORS.find(({ name }) => name === 'clip')!;
    const taps = (count: number) => Array.from({ length: count }, () => ({ kind: 'entry', side: 'left', timeS: 1 }));
    expect(MOST_TAPS).toBe(8000);
    expect(problems(clip.schema, { ...clip.good, taps: taps(8000) })).toEqual({});
    expect(problems(clip.schema, { ...clip.good, taps: taps(8001) })).toEqual({ taps: 'At most 8000 entries.' });
  });

  it('tell at most twenty problems of one body, and only the first of a huge one', () => {
    const squad = DOORS.find(({ name }) => name === 'squad')!;
    const bad = (count: number) => Array.from({ length: count }, (_, i) => `no id ${i}`);
    expect(check(squad.schema, { ...squad.good, coachIds: bad(40) }).error!.details).toHaveLength(20);
    expect(check(squad.schema, { ...squad.good, coachIds: bad(5000) }).error!.details).toHaveLength(1);
  });
});

describe('questions in an address', () => {
  it('are read as numbers and lists, with what is usual filled in', () => {
    expect(check(eventsQuerySchema, { after: '12' }).value).toEqual({ after: 12 });
    expect(check(eventsQuerySchema, {}).value).toEqual({ after: 0 });
    expect(problems(eventsQuerySchema, { after: '-1' })).toEqual({ after: 'At least 0.' });
    expect(check(proposalQuerySchema, { date: DAY, squadIds: ID }).value).toMatchObject({ squadIds: [ID] });
    expect(problems(sheetQuerySchema, { size: 'A3' })).toEqual({ size: 'Please choose one of the list.' });
  });

  it('of the water stay on the earth and within what water does', () => {
    const sun = { lat: 31.4, lon: -41.2, time: '2027-06-21T18:00:00Z' };
    expect(problems(sunSchema, sun)).toEqual({});
    expect(problems(sunSchema, { ...sun, lat: -90.1 })).toEqual({ lat: 'At least -90.' });
    expect(Object.keys(problems(sightingSchema, {})).length).toBeGreaterThan(2);
    expect(Object.keys(problems(raceCardSchema, {})).length).toBeGreaterThan(2);
  });
});

describe('a moment', () => {
  it.each([
    ['2027-06-21T18:05:00+02:00', '2027-06-21T16:05:00.000Z'],
    ['2027-06-21T18:05:00Z', '2027-06-21T18:05:00.000Z'],
    ['2027-06-21T18:05+0545', '2027-06-21T12:20:00.000Z'],
  ])('%s comes out in UTC', (said, told) => expect(moment().validate(said)).toEqual({ value: told }));

  // It would be another one on every computer.
  it.each(['2027-06-21T18:05:00', '2027-06-21', 'soon', '0001-01-01T00:00:00Z', '12027-06-21T18:05:00Z'])(
    '%s is none',
    (said) => expect(moment().validate(said).error).toBeDefined(),
  );
});

describe('a time zone', () => {
  it.each([
    ['europe/lisbon', 'Europe/Lisbon'],
    ['Etc/GMT+3', 'Etc/GMT+3'],
  ])('%s is written %s', (said, name) => expect(timeZone().validate(said)).toEqual({ value: name }));
  it.each(['Mars/Olympus', '+02:00', '', 'a'.repeat(61)])('%j is none', (said) =>
    expect(timeZone().validate(said).error).toBeDefined(),
  );
});
