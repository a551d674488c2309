import fc from 'fast-check';
import { scaleOf } from '@/charts/scale';

describe('the scale of a chart', () => {
  it.each<[string, number[], number, object]>([
    ['strokes', [18.6, 23.8], 1, { bottom: 18, step: 1, sections: 6 }],
    ['the same number twice', [22, 22], 1, { bottom: 21, step: 1, sections: 2 }],
    ['nearly the same number', [21.9, 22.1], 1, { bottom: 21, step: 1, sections: 2 }],
    ['speeds', [1.032, 1.115], 0.01, { bottom: 1.02, step: 0.02, sections: 5 }],
    ['degrees', [0, 2.4], 0.1, { bottom: 0, step: 0.5, sections: 5 }],
  ])('of %s', (_, values, least, scale) => {
    const found = scaleOf(values, least);
    expect({ ...found, bottom: Number(found.bottom.toFixed(6)), step: Number(found.step.toFixed(6)) }).toEqual(scale);
  });

  it('holds every value, on steps that its labels can tell apart, and no more lines than can be read', () => {
    const number = fc.double({ min: -500, max: 5000, noNaN: true });
    fc.assert(
      fc.property(fc.array(number, { minLength: 1, maxLength: 12 }), fc.constantFrom(0.01, 0.1, 1), (values, least) => {
        const { bottom, step, sections } = scaleOf(values, least);
        expect(step).toBeGreaterThanOrEqual(least);
        expect(Math.min(...values)).toBeGreaterThanOrEqual(bottom - step * 1e-6);
        expect(Math.max(...values)).toBeLessThanOrEqual(bottom + step * sections + step * 1e-6);
        expect(sections).toBeLessThanOrEqual(8);
        // The lines lie on round numbers.
        expect(Math.abs(bottom / step - Math.round(bottom / step))).toBeLessThan(1e-6);
      }),
    );
  });
});
