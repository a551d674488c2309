import { STROKE_MODELS } from '../swimmers';
import { DISAGREEMENTS, DRILL_IDS, drillCard, LADDER_IDS, ladderCard, OPEN_QUESTIONS } from '.';

describe('ladders', () => {
  it.each(LADDER_IDS)('%s has a pass mark and a way back on every step', (id) => {
    const { steps, purpose } = ladderCard(id);
    expect(steps.length).toBeGreaterThanOrEqual(4);
    expect(purpose.length).toBeGreaterThan(10);
    for (const step of steps) {
      expect(step.pass.length).toBeGreaterThan(4);
      expect(step.backIf.length).toBeGreaterThan(4);
      expect(step.tries).toBeGreaterThan(0);
      if (step.drill) expect(DRILL_IDS).toContain(step.drill);
    }
  });

  it('teach beginners at the side before they leave it', () => {
    expect(ladderCard('confidence').cautions.join(' ')).toMatch(/[Ss]tanding depth/);
  });
});

describe('drills', () => {
  it.each(DRILL_IDS)('%s has a whole card', (id) => {
    const drill = drillCard(id);
    expect(drill.steps.length).toBeGreaterThanOrEqual(2);
    expect(drill.steps.length).toBeLessThanOrEqual(5);
    for (const text of [drill.name, drill.purpose, drill.feel, drill.cue]) expect(text.length).toBeGreaterThan(4);
    expect(drill.mistakes.length).toBeGreaterThan(0);
    expect(drill.dose.tries).toBeGreaterThan(0);
    // What is done on the spot covers no metres, and has no pace.
    expect(drill.factor === null).toBe(drill.dose.kind !== 'distance');
    expect(drill.places.length).toBeGreaterThan(0);
    // A drill of standing depth or of the wall says so where it stands.
    if (drill.places.includes('shallow') || drill.places.includes('wall'))
      expect(drill.cautions.join(' ')).toMatch(/standing depth|Standing depth|edge|glide/);
  });
});

describe('disagreements', () => {
  it('tell the bands of the models', () => {
    expect(DISAGREEMENTS.find((d) => d.topic === 'Stroke rate')!.says).toEqual({
      'long-line': '50 to 66 strokes a minute.',
      'quick-rhythm': '66 to 90 strokes a minute.',
      'roll-and-press': '48 to 62 strokes a minute.',
    });
  });

  it('give every model its say, and both reasons', () => {
    for (const { says, reasons } of DISAGREEMENTS) {
      for (const model of STROKE_MODELS) expect(says[model].length).toBeGreaterThan(5);
      for (const reason of reasons) expect(reason.length).toBeGreaterThan(10);
    }
    for (const { reasons, here } of OPEN_QUESTIONS) expect([...reasons, here].every((t) => t.length > 10)).toBe(true);
  });
});
