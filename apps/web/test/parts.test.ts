import { MOST_POINTS, thinned } from '@/charts/thinned';
import { emptyForm, formOf, readForm } from '@/swimmers/formValues';
import { newReviewDraft, undone as undoneSigns, withSign } from '@/review/draft';
import { draftOf, redone, undone, withPlan } from '@/sessions/draft';
import { newWish, poolOf, requestOf } from '@/sessions/wish';
import { addDays, daysBetween } from '@upwell/core/days';
import { distanceInDays } from '@/ui/dates';
import { effortTint } from '@/ui/effortTint';
import { DAY, NIGHT, SUN } from '@/ui/theme';
import { fieldMessages, sentence, storedNow } from '@/api/problem';
import { buildSession, editSet } from '@upwell/core/sessions';
import { clockAfter } from '@upwell/core/units';

describe('effort as depth', () => {
  it.each([
    ['day', DAY],
    ['night', NIGHT],
    ['full sun', SUN],
  ])('can be read at every effort by %s', (_name, { own }) => {
    for (let effort = 0.3; effort <= 1; effort += 0.01)
      expect(effortTint(effort, own).contrast).toBeGreaterThanOrEqual(4.5);
  });
});

describe('days and times of day', () => {
  it('cross months, years and the end of summer time', () => {
    expect(addDays('2026-12-31', 1)).toBe('2027-01-01');
    expect(daysBetween('2026-10-20', '2026-11-03')).toBe(14);
    expect(distanceInDays('2026-11-24', '2026-11-23')).toBe('yesterday');
    expect(clockAfter('23:30', 3600)).toBe('00:30');
    expect(clockAfter('19:00', 3541)).toBe('20:00');
  });
});

describe('the swimmer form', () => {
  const ID = '01a20bb8-5dce-719c-8bc2-8d9b01d7e695';
  const form = { ...emptyForm(ID), givenName: 'Ada', familyName: 'Lindqvale' };

  it('reads times as coaches write them', () => {
    const { fields } = readForm(
      {
        ...form,
        bestTimes: [
          { stroke: 'backstroke', distanceM: '100', time: '1:40' },
          { stroke: 'front-crawl', distanceM: '400', time: '6:24' },
        ],
        hasGoal: true,
        goal: { event: 'Mile', date: '2027-06-21', distanceM: '1600', place: 'pool', target: '' },
      },
      false,
    );
    expect(fields).toMatchObject({
      bestTimes: [{ distanceM: 400, timeS: 384 }],
      strokeTimes: [{ stroke: 'backstroke', distanceM: 100, timeS: 100 }],
      goal: { targetTimeS: null },
    });
    const stored = { ...fields!, id: ID, version: 1, squadName: 'First', child: false };
    expect(readForm(formOf(stored), false).fields).toEqual(fields);
  });

  it('says at each field what is wrong', () => {
    const { fields, errors } = readForm(
      {
        ...form,
        givenName: '',
        birthYear: 'old',
        bestTimes: [
          { stroke: 'medley', distanceM: '100', time: 'slow' },
          { stroke: 'front-crawl', distanceM: '400', time: 'fast' },
        ],
        healthFlags: ['heart'],
      },
      false,
    );
    expect(fields).toBeNull();
    expect(errors).toMatchObject({
      givenName: 'Please fill this in.',
      birthYear: 'A number is needed.',
      'bestTimes.0.time': 'Write the time like 5:52 or 1:02:30.',
      'bestTimes.1.time': 'Write the time like 5:52 or 1:02:30.',
      healthConsent: expect.stringContaining('consent'),
    });
  });
});

describe('drafts', () => {
  it('take a sign back with a second tap, and undo one step at a time', () => {
    const once = withSign(newReviewDraft(), 'legs-low', 'often');
    const twice = withSign(once, 'legs-low', 'sometimes');
    expect(twice.signs).toEqual({ 'legs-low': 'sometimes' });
    expect(withSign(twice, 'legs-low', 'sometimes').signs).toEqual({});
    expect(undoneSigns(twice).signs).toEqual({ 'legs-low': 'often' });
    expect(undoneSigns(undoneSigns(undoneSigns(twice))).signs).toEqual({});
  });

  it('undo and redo a plan, and give every change a save of its own', () => {
    const built = buildSession({
      kind: 'aerobic',
      theme: 'spins',
      minutes: 60,
      pool: { length: 25, unit: 'm' },
      kit: ['buoy'],
      seed: 1,
      groups: [{ level: 'hold', swimmers: 4, lanes: 1, v400Mps: null }],
    });
    if (built.kind === 'clash') throw new Error('no plan');
    const clean = draftOf({
      id: 'x',
      version: 3,
      title: 'T',
      date: '2026-11-24',
      startTime: '19:00',
      timeZone: 'UTC',
      squadIds: [],
      template: false,
      seriesId: null,
      courseId: null,
      breatheFreely: [],
      done: null,
      plan: built.plan,
    });
    const edited = withPlan(clean, editSet(built.plan, 'g1-sd', { lengths: 2 }));
    expect(undone(edited).fields.plan).toBe(built.plan);
    expect(redone(undone(edited)).fields.plan).toEqual(edited.fields.plan);
    expect(new Set([clean, edited, undone(edited)].map((d) => d.writeId)).size).toBe(3);
    expect(undone(clean)).toBe(clean);
  });
});

describe('wishes for a session', () => {
  const proposal = {
    groups: [{ level: 'hold' as const, swimmers: 3, lanes: 1, v400Mps: null }],
    themes: [],
    swimmers: 3,
    served: [],
    kit: [],
    people: [],
    laneCapacity: null,
  };
  const wish = newWish('2026-11-24', 'm');
  it('read 33.33 as 33⅓, and refuse a pool nobody has', () => {
    expect(poolOf({ ...wish, pool: 'other', otherLength: '33,33' })).toEqual({ length: 100 / 3, unit: 'm' });
    expect(poolOf({ ...wish, pool: '25 yd' })).toEqual({ length: 25, unit: 'yd' });
    for (const otherLength of ['0', '10000', 'long', ''])
      expect(poolOf({ ...wish, pool: 'other', otherLength })).toContain('between');
  });
  it('say what is missing instead of building nothing', () => {
    expect(requestOf({ ...wish, leftOut: ['hold'] }, proposal)).toBe('Choose at least one level.');
    expect(requestOf(wish, { ...proposal, groups: [], swimmers: 0 })).toBe('Nobody trains in these squads yet.');
    expect(requestOf(wish, proposal)).toMatchObject({ minutes: 60, theme: 'holds-breath' });
  });
});

describe('errors', () => {
  it('become sentences', () => {
    expect(sentence({ status: 'FETCH_ERROR', error: 'x' })).toContain('is kept here');
    expect(sentence({ status: 500, data: '<html>' })).toContain('please try again');
    const problem = {
      status: 409,
      data: { detail: 'Changed elsewhere.', current: { version: 2 }, fields: [{ field: 'good', message: 'Say it.' }] },
    };
    expect([sentence(problem), fieldMessages(problem), storedNow(problem)]).toEqual([
      'Changed elsewhere.',
      { good: 'Say it.' },
      { version: 2 },
    ]);
  });
});

describe('lines of many points', () => {
  const points = Array.from({ length: 500 }, (_, i) => ({ value: i === 317 ? 99 : Math.sin(i / 9), i }));

  it('keep their ends, their order and their peaks', () => {
    const kept = thinned(points);
    expect(kept).toHaveLength(MOST_POINTS);
    expect([kept[0], kept.at(-1)]).toEqual([points[0], points.at(-1)]);
    expect(kept.some((p) => p.value === 99)).toBe(true);
    expect(kept.every((p, n) => n === 0 || p.i > kept[n - 1]!.i)).toBe(true);
  });

  it('are left alone when they are few', () => expect(thinned(points.slice(0, 50))).toHaveLength(50));
});
