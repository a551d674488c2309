import fc from 'fast-check';
import { posedBy, SIGN_POSES } from '../figure';
import { inferCauses } from '../review';
import { EYE_GRADES, eyeAgreement, eyeClip, eyeFocus, eyeRecords, scoreEye } from '.';

const clips = fc.record({ grade: fc.constantFrom(...EYE_GRADES), seed: fc.integer({ min: 0, max: 5000 }) });

describe('simulated swimmers for the eye', () => {
  it('are the same for everybody, and show only what is called true', () => {
    fc.assert(
      fc.property(clips, ({ grade, seed }) => {
        const clip = eyeClip(grade, seed);
        expect(eyeClip(grade, seed)).toEqual(clip);
        expect(clip.truth.length).toBeGreaterThan(0);
        expect(clip.truth.every((id) => clip.options.includes(id))).toBe(true);
        const posed = posedBy(clip.truth, () => clip.severity);
        const changed = new Set(clip.truth.flatMap((id) => Object.keys(SIGN_POSES[id].change)));
        for (const id of clip.options.filter((o) => !clip.truth.includes(o)))
          for (const key of Object.keys(SIGN_POSES[id].change)) expect(changed.has(key)).toBe(false);
        expect(posed).not.toEqual(posedBy([]));
      }),
    );
  });

  it('get harder: fainter, faster and more to choose from', () => {
    const [easy, , hard] = EYE_GRADES.map((grade) => eyeClip(grade, 1));
    expect(hard!.severity).toBeLessThan(easy!.severity);
    expect(hard!.cyclesPerMin).toBeGreaterThan(easy!.cyclesPerMin);
    expect(hard!.options.length).toBeGreaterThan(easy!.options.length);
  });
});

describe('the swimmers that were there before', () => {
  // What coaches marked of them is kept: a new sign in the catalogue must not change what they show.
  it.each([
    [1, 1, ['kicks-to-stay-flat']],
    [2, 7, ['head-swings']],
    [3, 12, ['legs-low', 'face-up-and-back']],
  ] as const)('grade %d, number %d shows the same as ever', (grade, seed, truth) =>
    expect(eyeClip(grade, seed).truth).toEqual(truth),
  );
});

describe('many faults at once', () => {
  it('are four to six in the last grade', () => {
    for (let seed = 0; seed < 60; seed++) {
      const { truth, options } = eyeClip(4, seed);
      expect(truth.length).toBeGreaterThanOrEqual(4);
      expect(truth.length).toBeLessThanOrEqual(6);
      expect(options.length).toBe(12);
    }
  });

  it('are graded by the rule that chooses a focus', () => {
    fc.assert(
      fc.property(clips, ({ grade, seed }) => {
        const clip = eyeClip(grade, seed);
        const all = eyeFocus(clip, clip.truth);
        expect(all.byMarks).toBe(all.byTruth);
        expect(eyeFocus(clip, [])).toEqual({ ...all, byMarks: null });
        const signs = Object.fromEntries(clip.truth.map((sign) => [sign, 'often' as const]));
        const { focus, ranking } = inferCauses({ stroke: 'front-crawl', model: 'long-line', level: 'hold', signs });
        expect(all.byTruth).toBe(focus ?? ranking[0]!.cause);
        expect(all.why === null).toBe(focus === null);
        // What is not asked for does not count.
        const foreign = (['no-glide', 'hands-apart'] as const).filter((id) => !clip.options.includes(id));
        expect(eyeFocus(clip, foreign).byMarks).toBeNull();
      }),
      { numRuns: 30 },
    );
  });

  it('may be found without every detail: the first thing is what counts', () => {
    // A flat hand, a pull under the body, clamped fingers … : without the two on the shoulders it comes out the same.
    const clip = eyeClip(4, 1);
    const { byTruth } = eyeFocus(clip, []);
    const enough = clip.truth.filter(
      (_, i) =>
        eyeFocus(
          clip,
          clip.truth.filter((_s, k) => k !== i),
        ).byMarks === byTruth,
    );
    expect(enough.length).toBeGreaterThanOrEqual(3);
  });
});

describe('the score', () => {
  const clip = eyeClip(3, 12);
  const wrong = clip.options.find((id) => !clip.truth.includes(id))!;

  it('counts found, missed and false alarms', () => {
    expect(scoreEye(clip, clip.truth)).toMatchObject({ found: clip.truth.length, missed: 0, falseAlarms: 0, kappa: 1 });
    expect(scoreEye(clip, [])).toMatchObject({ found: 0, missed: clip.truth.length, sensitivity: 0, kappa: 0 });
    expect(scoreEye(clip, [clip.truth[0]!, wrong])).toMatchObject({
      found: 1,
      missed: clip.truth.length - 1,
      falseAlarms: 1,
    });
  });

  it('puts the weakest sign first in the history', () => {
    const history = [
      { grade: 3 as const, seed: 12, marked: [...clip.truth.slice(1), wrong] },
      { grade: 3 as const, seed: 12, marked: clip.truth.slice(1) },
    ];
    const records = eyeRecords(history);
    expect(records[0]).toEqual({ sign: clip.truth[0], found: 0, missed: 2, falseAlarms: 0 });
    expect(records.find((r) => r.sign === wrong)).toMatchObject({ falseAlarms: 1 });
  });

  it('compares two coaches over the swimmers both have seen', () => {
    const mine = [{ grade: 3 as const, seed: 12, marked: clip.truth }];
    expect(eyeAgreement(mine, mine)).toEqual({ kappa: 1, clips: 1 });
    expect(eyeAgreement(mine, [{ grade: 3, seed: 99, marked: [] }])).toEqual({ kappa: null, clips: 0 });
  });
});
