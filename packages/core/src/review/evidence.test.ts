import { CAUSE_IDS } from './catalogue';
import { allowedBy, LEAK, likelihood, LINK_STRENGTH, PRIOR, priorOf, weighable } from './evidence';
import { LEVELS, STROKE_MODELS } from '../swimmers';

describe('the guesses that the inference starts from, written a second time', () => {
  it('are these', () => {
    expect(LINK_STRENGTH).toEqual({ strong: 0.85, some: 0.5, weak: 0.2 });
    expect([LEAK, PRIOR]).toEqual([0.03, 0.06]);
  });

  it('know two causes that beginners have more often, and no others', () => {
    const special = LEVELS.flatMap((level) =>
      CAUSE_IDS.filter((id) => priorOf(id, level) !== 0.06).map((id) => [level, id, priorOf(id, level)]),
    );
    expect(special).toEqual([
      ['settle', 'unease', 0.2],
      ['settle', 'holds-breath', 0.12],
    ]);
  });

  it('hear seven tenths of a yes in “sometimes”', () => {
    for (const shows of [0, 0.03, 0.5, 0.85, 1]) {
      expect(likelihood('often', shows)).toBe(shows);
      expect(likelihood('absent', shows)).toBe(1 - shows);
      expect(likelihood('sometimes', shows)).toBeCloseTo(0.7 * shows + 0.3 * (1 - shows), 12);
    }
  });

  it('allow what a stroke model wants', () => {
    expect(Object.fromEntries(STROKE_MODELS.map((model) => [model, allowedBy(model)]))).toEqual({
      'long-line': [],
      'quick-rhythm': ['hand-high-wide', 'splash-entry'],
      'roll-and-press': ['rate-low'],
    });
  });

  it('set aside, with the reason, what belongs to another look or is no fault', () => {
    const { counted, setAside } = weighable({
      ...{ stroke: 'front-crawl', model: 'quick-rhythm', level: 'hold' },
      signs: { 'legs-low': 'often', 'splash-entry': 'often', 'arms-open-while-kicking': 'often' } as never,
    });
    expect(counted).toEqual([['legs-low', 'often']]);
    expect(setAside.map((s) => s.sign)).toContain('splash-entry');
    expect(setAside.find((s) => s.sign === 'splash-entry')!.reason).toContain('part of this stroke model');
  });
});
