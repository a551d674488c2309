import fc from 'fast-check';
import {
  bandsOf,
  CAUSES,
  chooseFocus,
  compareLooks,
  conflictsAmong,
  drillsFor,
  inferCauses,
  measuredOnClip,
  modelChange,
  nextStep,
  OUTCOMES,
  recordWord,
  signsFromMeasures,
  successMean,
  type Look,
} from '.';

const look: Look = { stroke: 'front-crawl', model: 'long-line', level: 'hold', signs: {} };

describe('measured values as signs', () => {
  it.each([
    [{ trunkDeg: 7 }, 'legs-low', 'absent'],
    [{ trunkDeg: 9 }, 'legs-low', 'sometimes'],
    [{ trunkDeg: 13 }, 'legs-low', 'often'],
    [{ rollDeg: 25 }, 'shoulders-flat', 'sometimes'],
    [{ asymmetry: -0.2 }, 'rhythm-limps', 'often'],
    [{ coordination: -0.25 }, 'hands-meet-and-stop', 'sometimes'],
    [{ strokeRateSpm: 44 }, 'rate-low', 'often'],
    [{ strokeRateSpm: 69 }, 'rate-high', 'sometimes'],
    [{ oneSideShare: 1 }, 'one-side-only', 'often'],
  ] as const)('%p shows %s %s', (measured, sign, sighting) =>
    expect(signsFromMeasures(measured, 'long-line')[sign]).toBe(sighting),
  );

  it('answers only what was measured', () =>
    expect(signsFromMeasures({ trunkDeg: 5 }, 'long-line')).toEqual({ 'legs-low': 'absent' }));

  it('follow the stroke model', () => {
    expect(signsFromMeasures({ strokeRateSpm: 80 }, 'long-line')['rate-high']).toBe('often');
    expect(signsFromMeasures({ strokeRateSpm: 80 }, 'quick-rhythm')['rate-high']).toBe('absent');
    expect(signsFromMeasures({ rollDeg: 60 }, 'roll-and-press')['shoulders-stack']).toBe('absent');
  });

  it('get worse, never better, beyond the band', () => {
    const rank = { absent: 0, sometimes: 1, often: 2 };
    fc.assert(
      fc.property(
        fc.double({ min: -90, max: 150, noNaN: true }),
        fc.double({ min: 0, max: 60, noNaN: true }),
        (v, more) => {
          for (const band of bandsOf('quick-rhythm').filter((b) => b.measure !== 'asymmetry')) {
            const worse = band.when === 'above' ? v + more : v - more;
            const at = (value: number) =>
              rank[signsFromMeasures({ [band.measure]: value }, 'quick-rhythm')[band.sign]!];
            expect(at(worse)).toBeGreaterThanOrEqual(at(v));
          }
        },
      ),
      { numRuns: 30 },
    );
  });
});

describe('contradictions', () => {
  it('are said, and both signs stay in', () => {
    const signs = { 'shoulders-stack': 'often', 'shoulders-flat': 'sometimes' } as const;
    const { conflicts, ranking } = inferCauses({ ...look, signs });
    expect(conflicts.map((c) => c.signs)).toEqual([['shoulders-stack', 'shoulders-flat']]);
    const over = ranking.find((r) => r.cause === 'over-roll')!;
    expect(over.reasons.some((r) => r.sign === 'shoulders-stack')).toBe(true);
  });

  it('are none when one of the two was looked for and is not there', () =>
    expect(conflictsAmong({ 'shoulders-stack': 'often', 'shoulders-flat': 'absent' })).toEqual([]));
});

describe('what comes first, but', () => {
  const ranking = [
    { cause: 'looks-forward', probability: 0.6 },
    { cause: 'dropped-elbow', probability: 0.95 },
  ] as const;

  it('under two weeks to the race the score decides, not the stage', () => {
    expect(chooseFocus(ranking, look, {})).toMatchObject({ order: expect.not.stringMatching('race-near') });
    const near = chooseFocus(ranking, { ...look, signs: { 'elbow-leads': 'often' } }, { daysToRace: 6 });
    expect(near.order).toBe('race-near');
    expect(near.scores[0]!.score).toBeGreaterThanOrEqual(near.scores[1]!.score);
  });

  it('a danger comes before everything', () => {
    const breast = [
      { cause: 'late-lift', probability: 0.9 },
      { cause: 'scissor-feet', probability: 0.6 },
    ] as const;
    expect(chooseFocus(breast, { ...look, stroke: 'breaststroke' }, {})).toMatchObject({
      focus: 'scissor-feet',
      order: 'danger',
    });
  });
});

describe('the try-again loop', () => {
  const answers = drillsFor('dropped-elbow', { level: 'hold', model: 'long-line', healthFlags: [] });
  const drill = answers[0]!;
  const same = { drill, verdict: 'same' } as const;

  it('stops at good enough', () => {
    const better = { drill, verdict: 'better' } as const;
    expect(nextStep('dropped-elbow', answers, drill, [better]).kind).toBe('go-on');
    expect(nextStep('dropped-elbow', answers, drill, [same, better, better]).kind).toBe('enough');
  });

  it('changes the drill after the same twice, and says why', () => {
    expect(nextStep('dropped-elbow', answers, drill, [same]).kind).toBe('go-on');
    const step = nextStep('dropped-elbow', answers, drill, [same, same]);
    expect(step).toMatchObject({ kind: 'change-drill', drill: answers[1] });
    expect(step.reason).toMatch(/^The same twice with front scull/);
  });

  it('stops a drill that makes it worse at once', () =>
    expect(nextStep('dropped-elbow', answers, drill, [{ drill, verdict: 'worse' }])).toMatchObject({
      kind: 'change-drill',
    }));

  it('doubts the cause when every drill was tried', () => {
    const tries = answers.flatMap((id) => [
      { drill: id, verdict: 'same' as const },
      { drill: id, verdict: 'same' as const },
    ]);
    expect(nextStep('dropped-elbow', answers, answers.at(-1)!, tries)).toMatchObject({ kind: 'change-cause' });
  });

  it('never proposes a drill that was just not better', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ drill: fc.constantFrom(...answers), verdict: fc.constantFrom(...OUTCOMES) }), {
          maxLength: 8,
        }),
        (tries) => {
          const step = nextStep('dropped-elbow', answers, drill, tries);
          if (step.kind === 'change-drill')
            expect(tries.some((t) => t.drill === step.drill && t.verdict !== 'better')).toBe(false);
          expect(step.reason.length).toBeGreaterThan(10);
        },
      ),
    );
  });
});

describe('what has worked', () => {
  it('is counted and shown', () => {
    expect(recordWord({ better: 7, notBetter: 2 })).toBe('worked 7 of 9');
    expect(successMean({ better: 7, notBetter: 2 })).toBeCloseTo(8 / 11, 9);
    expect(recordWord({ better: 0, notBetter: 0 })).toBe('no record yet');
  });

  it('moves a drill forward mildly, and never past a health note', () => {
    const [first, second] = CAUSES['lifts-head'].answers;
    const choice = { level: 'hold', model: 'long-line', healthFlags: [] } as const;
    expect(drillsFor('lifts-head', choice)[0]).toBe(first);
    const records = [
      { cause: 'lifts-head', drill: second, better: 9, notBetter: 0 },
      { cause: 'lifts-head', drill: first, better: 1, notBetter: 8 },
    ] as const;
    expect(drillsFor('lifts-head', { ...choice, records })[0]).toBe(second);
    expect(drillsFor('late-exhale', { ...choice, healthFlags: ['heart'] })).not.toContain('exhale-pause-sip');
  });
});

it('puts a drill last that did not help this swimmer with this cause', () => {
  const [first, second] = CAUSES['lifts-head'].answers;
  const before = [{ cause: 'lifts-head', drill: first, outcome: 'same' }] as const;
  const drills = drillsFor('lifts-head', { level: 'hold', model: 'long-line', healthFlags: [], before });
  expect([drills[0], drills.at(-1)]).toEqual([second, first]);
});

describe('another stroke model', () => {
  it('says what changes', () => {
    const change = modelChange('long-line', 'quick-rhythm');
    expect(change.rateTo).toEqual([66, 90]);
    expect(change.drillsOut).toContain('catch-up');
    expect(change.drillsIn).toContain('spin-up');
    expect(change.nowAllowed).toContain('hand-high-wide');
    expect(change.bands.map((b) => b.after.sign)).toEqual(expect.arrayContaining(['lead-arm-drops', 'rate-high']));
  });

  it('changes nothing when it is the same', () =>
    expect(modelChange('long-line', 'long-line')).toMatchObject({ nowAllowed: [], drillsOut: [], bands: [] }));
});

describe('then and now', () => {
  const before = {
    'elbow-leads': 'often',
    'hand-slips': 'sometimes',
    'legs-low': 'often',
    'no-bubbles': 'absent',
  } as const;

  it('puts the signs of the cause first and waits for a look', () => {
    const { rows, outcome } = compareLooks('dropped-elbow', before, {});
    expect(rows.map((r) => r.sign)).toEqual(['elbow-leads', 'hand-slips', 'legs-low']);
    expect(outcome).toBeNull();
  });

  it.each([
    [{ 'elbow-leads': 'sometimes' }, 'better'],
    [{ 'elbow-leads': 'often' }, 'same'],
    [{ 'elbow-leads': 'often', 'hand-slips': 'often' }, 'worse'],
    [{ 'legs-low': 'absent' }, null],
  ] as const)('%p is %p', (now, outcome) => expect(compareLooks('dropped-elbow', before, now).outcome).toBe(outcome));
});

describe('a clip', () => {
  it('measures what its taps and lines give, and no share of too few breaths', () => {
    const timing = {
      strokes: 8,
      strokeRateSpm: 58,
      strokeLengthM: null,
      speedMps: null,
      asymmetry: 0.1,
      variability: 0.02,
      trendSpmPerMin: 0,
      shares: { front: 0.3, pull: 0.3, air: 0.4 },
      coordination: -0.1,
      breaths: { left: 3, right: 0 },
      problems: [],
    };
    expect(measuredOnClip(timing, { trunk: 11 })).toEqual({
      trunkDeg: 11,
      strokeRateSpm: 58,
      asymmetry: 0.1,
      airShare: 0.4,
      coordination: -0.1,
    });
    expect(measuredOnClip({ ...timing, breaths: { left: 3, right: 1 } }, {}).oneSideShare).toBe(0.75);
    expect(measuredOnClip(null, {})).toEqual({});
  });
});
