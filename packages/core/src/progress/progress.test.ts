import { XMLParser, XMLValidator } from 'fast-xml-parser';
import fc from 'fast-check';
import { pictureHeight, progressStory, progressSvg, type ProgressFacts, type ProgressSwim } from '.';

const swim = (on: string, distanceM: number, timeS: number, strokes: number | null = null): ProgressSwim => ({
  ...{ on, distanceM, timeS, strokesPerLength: strokes, kind: 'trial' },
});
const FACTS: ProgressFacts = {
  name: 'Ada Lindqvale',
  swims: [
    swim('2026-11-26', 400, 327, 22),
    swim('2026-10-22', 400, 333.1, 20),
    swim('2026-11-12', 400, 330.5, 20),
    swim('2026-10-22', 100, 74.2),
  ],
  focuses: [
    { name: 'Late exhale', from: '2026-10-01', to: '2026-11-01', outcome: 'better' },
    { name: 'Dropped elbow', from: '2026-11-02', to: null, outcome: null },
  ],
  race: { event: 'Quill Crossing', on: '2027-01-01' },
  today: '2026-11-29',
};

describe('the story of a swimmer', () => {
  it('tells first and last, strokes, focuses and the race', () => {
    const story = progressStory(FACTS)!;
    expect(story.words).toEqual([
      '400 m: 5:33.1 on Thu 22 Oct, 5:27.0 on Thu 26 Nov: 6.1 s faster.',
      'Strokes a length: 20, then 22.',
      'Late exhale: better.',
      'Dropped elbow: being worked on.',
      'Quill Crossing on Fri 1 Jan 2027.',
    ]);
    // From the first focus to the race: 33 days ahead are fewer than the 59 behind.
    expect([story.from, story.to, story.swims.length]).toEqual(['2026-10-01', '2027-01-01', 3]);
  });

  it.each<[string, Partial<ProgressFacts>, unknown]>([
    ['nothing was swum', { swims: [] }, null],
    ['all of it on one day', { swims: [swim('2026-11-26', 400, 327), swim('2026-11-26', 400, 330)] }, null],
    ['only outside', { swims: FACTS.swims.map((s) => ({ ...s, kind: 'track' as const })) }, null],
    ['only in the future', { today: '2026-10-01' }, null],
  ])('is none where %s', (_, change, story) => expect(progressStory({ ...FACTS, ...change })).toBe(story));

  it.each([
    [330, 'the same'],
    [330.04, 'the same'],
    [329.9, '0.1 s faster'],
    [331.5, '1.5 s slower'],
  ])('330 s and then %d s: %s', (timeS, said) => {
    const story = progressStory({ ...FACTS, swims: [swim('2026-10-01', 400, 330), swim('2026-11-01', 400, timeS)] })!;
    expect(story.words[0]).toContain(`: ${said}.`);
  });

  it('takes the distance that was swum most, of those the longest', () => {
    const more = [swim('2026-09-01', 100, 80), swim('2026-09-10', 100, 79)];
    expect(progressStory({ ...FACTS, swims: [...FACTS.swims, ...more] })!.swum).toBe('400 m');
    const most = [...more, swim('2026-09-20', 100, 78), swim('2026-09-25', 100, 77)];
    expect(progressStory({ ...FACTS, swims: [...FACTS.swims, ...most] })!.swum).toBe('100 m');
  });

  it('tells nobody that a longer pool made them slower', () => {
    const long = { ...swim('2026-11-28', 400, 341), details: { pool: { length: 50, unit: 'm' as const } } };
    const story = progressStory({ ...FACTS, swims: [...FACTS.swims, long] })!;
    expect([story.last.timeS, story.swims.length]).toEqual([327, 3]);
    const before = { ...long, on: '2026-09-28', timeS: 350 };
    const more = { ...long, on: '2026-10-28', timeS: 345 };
    const most = progressStory({ ...FACTS, swims: [...FACTS.swims, long, before, more, { ...more, timeS: 346 }] })!;
    expect(most.words[0]).toBe('400 m: 5:50.0 on Mon 28 Sept, 5:41.0 on Sat 28 Nov: 9.0 s faster.');
    expect(most.swum).toBe('400 m · 50 m');
  });

  it('leaves out a race that is farther away than all that is behind', () => {
    const story = progressStory({ ...FACTS, race: { event: 'Far', on: '2027-06-01' } })!;
    expect([story.race, story.to]).toEqual([null, '2026-11-29']);
    expect(story.words.at(-1)).toBe('Far on Tue 1 Jun 2027.');
  });
});

describe('the picture of it', () => {
  const texts = (svg: string): string[] => {
    const parsed = new XMLParser({ ignoreAttributes: false, processEntities: true }).parse(svg) as {
      svg: { text: { '#text': string | number }[] };
    };
    return parsed.svg.text.map((t) => String(t['#text']));
  };

  it('shows both times, the scales, the focuses and the race', () => {
    const shown = texts(progressSvg(progressStory(FACTS)!, 800));
    for (const words of [
      '5:33.1',
      '5:27.0',
      '1.22',
      '1.2',
      '20',
      '22',
      'Late exhale: better',
      'Dropped elbow: now',
      'Quill Crossing',
      'Oct',
      'Dec',
    ])
      expect(shown).toContain(words);
  });

  it('is well-formed, of its size, with everything inside, whatever it is about', () => {
    const iso = fc
      .integer({ min: 0, max: 800 })
      .map((n) => new Date(Date.UTC(2025, 0, 1) + n * 86_400_000).toISOString().slice(0, 10));
    const facts: fc.Arbitrary<ProgressFacts> = fc.record({
      name: fc.string({ unit: 'grapheme', maxLength: 60 }),
      swims: fc.array(
        fc.record({
          ...{
            on: iso,
            distanceM: fc.constantFrom(100, 400),
            kind: fc.constantFrom('trial' as const, 'training' as const),
          },
          ...{
            timeS: fc.integer({ min: 50, max: 900 }),
            strokesPerLength: fc.option(fc.integer({ min: 8, max: 40 }), { nil: null }),
          },
        }),
        { maxLength: 20 },
      ),
      focuses: fc.array(
        fc.record({
          ...{ name: fc.constantFrom('<b>&"', 'Dropped elbow', 'x'.repeat(200)), from: iso },
          ...{
            to: fc.option(iso, { nil: null }),
            outcome: fc.constantFrom('better' as const, 'solved' as const, null),
          },
        }),
        { maxLength: 9 },
      ),
      race: fc.option(fc.record({ event: fc.constantFrom('A & B', 'Quill'), on: iso }), { nil: null }),
      today: iso,
    });
    fc.assert(
      fc.property(facts, fc.constantFrom(300, 360, 800, 1200), (any, width) => {
        const story = progressStory(any);
        if (!story) return;
        const svg = progressSvg(story, width);
        expect(XMLValidator.validate(svg)).toBe(true);
        expect(svg).toContain(`width="${width}" height="${pictureHeight(story)}"`);
        expect(svg).not.toMatch(/NaN|Infinity|undefined/);
        for (const [, x, y] of svg.matchAll(/<circle cx="([-\d.]+)" cy="([-\d.]+)"/g)) {
          expect(Number(x)).toBeGreaterThanOrEqual(56);
          expect(Number(x)).toBeLessThanOrEqual(width - 20);
          expect(Number(y)).toBeGreaterThan(0);
          expect(Number(y)).toBeLessThan(pictureHeight(story));
        }
        expect(story.focuses.length).toBeLessThanOrEqual(6);
      }),
    );
  });
});
