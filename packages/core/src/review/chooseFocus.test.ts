import { CAUSE_IDS, CAUSES, chooseFocus, FOCUS_FROM, type CauseId, type Circumstances, type Stage } from '.';
import type { LevelId } from '../swimmers';
import { LINKS, type SignId } from './catalogue';

/** One cause for each stage that is no danger, so that nothing but the stage counts. */
const DANGERS: readonly CauseId[] = ['unease', 'holds-breath', 'wall-distance', 'scissor-feet', 'breathes-forward'];
const causeOf = (stage: Stage): CauseId => {
  const found = CAUSE_IDS.find((id) => CAUSES[id].stage === stage && !DANGERS.includes(id));
  // The first stage has nothing but its danger.
  return found ?? CAUSE_IDS.find((id) => CAUSES[id].stage === stage)!;
};
const look = (level: LevelId, signs: object = {}) =>
  ({ stroke: 'front-crawl', model: 'long-line', level, signs }) as never;
const scoreOf = (cause: CauseId, level: LevelId = 'hold', circumstances: Circumstances = {}, signs: object = {}) =>
  chooseFocus([{ cause, probability: 0.8 }], look(level, signs), circumstances).scores[0]!;

describe('the terms of the choice, written a second time', () => {
  /** Worth of the stage; effect on the goal in a pool, outside. */
  it.each<[Stage, number, number, number]>([
    ['calm', 1.5, 1, 1],
    ['breathing', 1.3, 1, 1],
    ['head and body line', 1.25, 1, 1],
    ['alignment', 1.2, 1, 1.3],
    ['catch and pull', 1, 1, 1],
    ['recovery', 0.9, 1, 1],
    ['kick', 0.9, 1, 0.7],
    ['timing and rate', 1, 1, 1],
    ['turns', 0.8, 1.2, 0.5],
    ['open-water skills', 1, 0.5, 1.4],
  ])('%s has its worth and effect', (stage, worth, pool, outside) => {
    const cause = causeOf(stage);
    expect(scoreOf(cause).worth).toBe(worth);
    expect(scoreOf(cause).effect).toBe(1);
    expect(scoreOf(cause, 'hold', { goalPlace: 'pool' }).effect).toBe(pool);
    expect(scoreOf(cause, 'hold', { goalPlace: 'open-water' }).effect).toBe(outside);
  });

  /** How teachable: for Settle, for Build, and for Hold with a race in 13 days. */
  it.each<[Stage, number, number, number]>([
    ['calm', 1, 1, 1],
    ['breathing', 1, 1, 1],
    ['head and body line', 1, 1, 1],
    ['alignment', 1, 1, 1],
    ['catch and pull', 0.6, 1, 0.6],
    ['recovery', 0.6, 1, 0.6],
    ['kick', 0.6, 1, 0.6],
    ['timing and rate', 0.6, 0.8, 0.6],
    ['turns', 0.6, 1, 0.6],
    ['open-water skills', 0.6, 1, 0.6],
  ])('%s is as teachable as that', (stage, settle, build, near) => {
    const cause = causeOf(stage);
    expect(scoreOf(cause, 'settle').teachable).toBe(settle);
    expect(scoreOf(cause, 'build').teachable).toBe(build);
    expect(scoreOf(cause, 'hold').teachable).toBe(1);
    expect(scoreOf(cause, 'hold', { daysToRace: 13 }).teachable).toBe(near);
    expect(scoreOf(cause, 'hold', { daysToRace: 14 }).teachable).toBe(1);
    // Never under a half, whatever comes together.
    expect(scoreOf(cause, 'settle', { daysToRace: 1 }).teachable).toBe(settle * near < 0.5 ? 0.5 : settle * near);
  });

  it('counts a sign that is seen often fully, and all else at seven tenths', () => {
    const sign = Object.keys(LINKS['dropped-elbow'])[0] as SignId;
    expect(scoreOf('dropped-elbow', 'hold', {}, { [sign]: 'often' }).shows).toBe(1);
    expect(scoreOf('dropped-elbow', 'hold', {}, { [sign]: 'sometimes' }).shows).toBe(0.7);
    expect(scoreOf('dropped-elbow').shows).toBe(0.7);
  });

  it('weighs what a drill did before from a half to one and a half', () => {
    const past = (better: number, notBetter: number) =>
      scoreOf('dropped-elbow', 'hold', { past: { 'dropped-elbow': { better, notBetter } } }).pastSuccess;
    expect(past(0, 0)).toBe(1);
    // (3 + 1) / (3 + 1 + 2) = 2/3.
    expect(past(3, 1)).toBeCloseTo(0.5 + 2 / 3, 10);
    expect(past(0, 98)).toBeCloseTo(0.51, 10);
  });

  it('multiplies them, and halves what failed twice', () => {
    const { score, probability, worth, effect, shows, teachable, pastSuccess } = scoreOf('crosses-midline', 'hold', {
      goalPlace: 'open-water',
    });
    expect(score).toBeCloseTo(0.8 * 1.2 * 1.3 * 0.7 * 1 * 1, 10);
    expect(score).toBeCloseTo(probability * worth * effect * shows * teachable * pastSuccess, 10);
    // What is hard to teach at this level counts less, what helped before counts more: 0.8 · 1 · 1 · 0.7 · 0.6 · (½ + ⅔).
    const hard = scoreOf('dropped-elbow', 'settle', { past: { 'dropped-elbow': { better: 3, notBetter: 1 } } });
    expect(hard.score).toBeCloseTo(0.392, 10);
    const failed = scoreOf('crosses-midline', 'hold', { goalPlace: 'open-water', failedTwice: ['crosses-midline'] });
    expect([failed.halved, failed.score]).toEqual([true, score / 2]);
    expect(scoreOf('dropped-elbow', 'hold', { failedTwice: ['no-reach'] }).halved).toBe(false);
  });
});

describe('which comes first', () => {
  const choose = (ranking: readonly (readonly [CauseId, number])[], circumstances: Circumstances = {}) =>
    chooseFocus(
      ranking.map(([cause, probability]) => ({ cause, probability })),
      look('hold'),
      circumstances,
    );

  it('is nothing under a half', () => {
    expect(FOCUS_FROM).toBe(0.5);
    expect(
      choose([
        ['dropped-elbow', 0.499],
        ['no-reach', 0.3],
      ]),
    ).toMatchObject({
      ...{ focus: null, second: 'no-reach', scores: [] },
    });
    expect(choose([['dropped-elbow', 0.5]]).focus).toBe('dropped-elbow');
  });

  it('is what explains another likely cause, on any path of causes', () => {
    // Turning too far for air leads to too much roll, which leads to crossing the middle.
    expect(
      choose([
        ['crosses-midline', 0.95],
        ['breath-too-low', 0.5],
      ]),
    ).toMatchObject({ focus: 'breath-too-low', second: 'crosses-midline', order: 'explains', over: 'crosses-midline' });
    // With both of them there, the one furthest up the path.
    expect(
      choose([
        ['crosses-midline', 0.95],
        ['over-roll', 0.9],
        ['breath-too-low', 0.5],
      ]),
    ).toMatchObject({ focus: 'breath-too-low', order: 'explains', over: 'crosses-midline' });
    // Under a half it explains nothing.
    expect(
      choose([
        ['crosses-midline', 0.95],
        ['breath-too-low', 0.49],
      ]),
    ).toMatchObject({ focus: 'crosses-midline', order: 'only', over: null });
  });

  it('is the highest score where neither explains the other: being upstream alone is no reason', () => {
    // Chest riding high 0.6 · 1.25 = 0.75 against a dropped elbow 0.9 · 1.0 = 0.9.
    expect(
      choose([
        ['dropped-elbow', 0.9],
        ['soft-core', 0.6],
      ]),
    ).toMatchObject({ focus: 'dropped-elbow', second: 'soft-core', order: 'score', over: null });
  });

  it('is the one upstream among scores within a tenth of the best', () => {
    // 0.65 · 1.25 = 0.8125 is more than nine tenths of 0.9; 0.64 · 1.25 = 0.8 is not.
    const [near, far] = [0.65, 0.64].map((p) =>
      choose([
        ['dropped-elbow', 0.9],
        ['soft-core', p],
      ]),
    );
    expect(near).toMatchObject({
      focus: 'soft-core',
      second: 'dropped-elbow',
      order: 'upstream',
      over: 'dropped-elbow',
    });
    expect(far).toMatchObject({ focus: 'dropped-elbow', order: 'score' });
  });

  it('is the clash of kick and pull in breaststroke, whatever the scores, but for a danger', () => {
    const head = choose([
      ['late-lift', 0.99],
      ['pull-kick-clash', 0.5],
      ['head-up', 0.9],
    ]);
    expect(head).toMatchObject({ focus: 'pull-kick-clash', order: 'clash' });
    expect(choose([['pull-kick-clash', 0.9]])).toMatchObject({ focus: 'pull-kick-clash', second: null, order: 'only' });
    expect(
      choose([
        ['pull-kick-clash', 0.95],
        ['unease', 0.5],
      ]),
    ).toMatchObject({ focus: 'unease', second: 'pull-kick-clash', order: 'danger' });
  });

  it('is the score alone when the race is less than two weeks away', () => {
    const two = [
      ['crosses-midline', 0.95],
      ['breath-too-low', 0.5],
    ] as const;
    expect(choose(two, { daysToRace: 14 })).toMatchObject({ focus: 'breath-too-low', order: 'explains' });
    expect(choose(two, { daysToRace: 13 })).toMatchObject({ focus: 'crosses-midline', order: 'race-near', over: null });
  });

  it.each(DANGERS)('is %s before everything: it can hurt', (danger) => {
    const other: CauseId = 'dropped-elbow';
    const choice = choose([
      [other, 0.99],
      [danger, 0.5],
    ]);
    expect([choice.focus, choice.order]).toEqual([danger, 'danger']);
    expect(choice.scores[0]!.danger!.length).toBeGreaterThan(10);
    for (const id of CAUSE_IDS) expect(scoreOf(id).danger !== null).toBe(DANGERS.includes(id));
  });
});
