import { buildSession } from '@upwell/core/sessions';
import { VALIDATION } from './common';
import { Joi } from './joi';
import { reviewSaveSchema } from './review';
import { planSchema } from './plan';
import { swimmerSaveSchema, type SwimmerSave } from './swimmers';

const ID = '01a20bb8-5dce-719c-8bc2-8d9b01d7e695';

const swimmer = (change: Partial<SwimmerSave> = {}): SwimmerSave => ({
  squadId: ID,
  givenName: 'Ines',
  familyName: 'Okoro-Vale',
  level: 'hold',
  birthYear: 1991,
  strokeModel: 'long-line',
  breathingSide: 'right',
  healthFlags: [],
  healthConsent: false,
  clipConsent: false,
  kit: [],
  ladderSteps: {},
  goal: null,
  bestTimes: [],
  archived: false,
  version: 0,
  writeId: ID,
  ...change,
});

const problems = (
  schema: typeof swimmerSaveSchema | typeof planSchema | typeof reviewSaveSchema,
  value: unknown,
): Record<string, string> =>
  Object.fromEntries(schema.validate(value, VALIDATION).error?.details.map((d) => [d.path.join('.'), d.message]) ?? []);

it('has its texts read once, not at every check', () => {
  const texts = Object.values(VALIDATION.messages ?? {});
  expect(texts.length).toBeGreaterThan(30);
  expect(texts.filter((text) => !Joi.isExpression(text))).toEqual([]);
});

describe('a swimmer', () => {
  it('is accepted when it is whole', () => expect(problems(swimmerSaveSchema, swimmer())).toEqual({}));

  it.each([
    ['a missing name', { givenName: '  ' }, 'givenName', 'Please fill this in.'],
    ['a huge name', { givenName: 'x'.repeat(61) }, 'givenName', 'At most 60 characters.'],
    ['an impossible birth year', { birthYear: 3000 }, 'birthYear', 'At most 2100.'],
    [
      'health notes without consent',
      { healthFlags: ['asthma'] as const },
      'healthConsent',
      'Health notes need consent: ask first, then tick this.',
    ],
    [
      'a time faster than anybody',
      { bestTimes: [{ distanceM: 400, timeS: 100 }] },
      'bestTimes.0',
      '400 m in 100 s is faster than anybody swims.',
    ],
    [
      'a day that does not exist',
      {
        goal: { event: 'Lantern Mile', date: '2027-02-30', distanceM: 1600, place: 'pool' as const, targetTimeS: null },
      },
      'goal.date',
      'Please write it as a real date.',
    ],
    ['a level nobody has', { level: 'elite' as never }, 'level', 'Please choose one of the list.'],
    ['a field nobody knows', { admin: true } as never, 'admin', 'This field is not known.'],
  ])('is refused with %s, in a sentence', (_name, change, field, message) => {
    expect(problems(swimmerSaveSchema, swimmer(change))[field]).toBe(message);
  });
});

describe('a plan', () => {
  const built = buildSession({
    kind: 'speed',
    theme: 'sights-high',
    minutes: 60,
    pool: { length: 50, unit: 'm' },
    kit: ['fins'],
    seed: 3,
    groups: (['settle', 'build', 'hold', 'race'] as const).map((level) => ({
      level,
      swimmers: 6,
      lanes: 1,
      v400Mps: null,
    })),
  });
  if (built.kind === 'clash') throw new Error('no plan to check');

  it('that the builder makes is always accepted', () => expect(problems(planSchema, built.plan)).toEqual({}));

  it('may hold every kind of set and breathing', () => {
    const [first] = built.plan.groups;
    const set = { ...built.plan.groups[2]!.blocks.flatMap((b) => b.items).find((i) => i.kind === 'swim')!, note: '' };
    const { lengths: _lengths, ...untimed } = set as unknown as { lengths: number };
    const items = [
      { ...set, kind: 'halves', secondEffort: 1 },
      { ...untimed, kind: 'timed', seconds: 90 },
      { ...set, breathing: { kind: 'limited', first: 4, last: 2 }, sighting: { every: 8, forBreath: true } },
      { ...set, breathing: { kind: 'by-length', strokes: 3, side: 'left' } },
    ];
    const plan = { ...built.plan, groups: [{ ...first!, blocks: [{ ...first!.blocks[0]!, items }] }] };
    expect(problems(planSchema, plan)).toEqual({});
    const wrong = { ...plan, groups: [{ ...first!, name: 'a = b', note: 'two\nlines' }] };
    expect(Object.keys(problems(planSchema, wrong))).toEqual(['groups.0.name', 'groups.0.note']);
  });

  it('outside takes the loop for the pool', () => {
    const loop = { length: 400, unit: 'm' };
    expect(problems(planSchema, { ...built.plan, pool: loop })).toHaveProperty(['pool.length']);
    expect(problems(planSchema, { ...built.plan, place: 'open-water', pool: loop })).toEqual({});
  });

  it('with a third of a length, or rounds without end, is refused', () => {
    const third = JSON.parse(JSON.stringify(built.plan).replace('"lengths":2', '"lengths":2.3')) as unknown;
    expect(Object.values(problems(planSchema, third)).join()).toContain('Whole or half lengths only.');
    const endless = JSON.parse(JSON.stringify(built.plan).replace(/"rounds":\d+/, '"rounds":1000000')) as unknown;
    expect(Object.values(problems(planSchema, endless)).join()).toContain('At most 50.');
  });
});

describe('a review', () => {
  const review = {
    swimmerId: ID,
    lookedAt: '2026-11-24T08:00:00Z',
    stroke: 'front-crawl',
    model: 'long-line',
    level: 'hold',
    signs: { 'legs-low': 'often' },
    good: 'calm face',
    focus: { id: ID, cause: 'no-chest-press', drill: 'chest-lean', cue: 'Lean.', tries: 4, relookOn: '2026-12-08' },
    version: 0,
    writeId: ID,
  };
  it('needs something good and something seen', () => {
    expect(problems(reviewSaveSchema, review)).toEqual({});
    expect(problems(reviewSaveSchema, { ...review, good: '' }).good).toBe('Say one thing that is good first.');
    expect(problems(reviewSaveSchema, { ...review, signs: {} }).signs).toBe('Note at least one thing you saw.');
    expect(Object.values(problems(reviewSaveSchema, { ...review, signs: { 'made-up': 'often' } }))).toEqual([
      'There is no such sign.',
    ]);
  });
});
