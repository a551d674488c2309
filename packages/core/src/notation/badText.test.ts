import fc from 'fast-check';
import { runs } from '../../test/runs';
import { readSession, writeSession } from '.';

describe('what people paste', () => {
  it('reads four hundred lines of sets, and loses none', () => {
    const { document, problems } = readSession(
      ['Main', ...Array.from({ length: 400 }, () => '50 crawl easy, rest 15')].join('\n'),
    );
    expect(problems.filter(({ severity }) => severity === 'error')).toEqual([]);
    expect(document.plan.groups[0]!.blocks[0]!.items).toHaveLength(400);
  });

  it('names each cell of a spreadsheet that it cannot read at its line, and keeps the sets it can', () => {
    const { document, problems } = readSession('Set\tMetres\tRest\n4 x 100\t80%\trest 20\nTotal\t400');
    expect(document.plan.groups[0]!.blocks[0]!.items).toMatchObject([{ reps: 4, effort: 0.8 }]);
    // The total is read, and right.
    expect(problems.map(({ line }) => line)).toEqual([1]);
  });

  it('keeps an emoji in a note, and names one anywhere else', () => {
    const { document, problems } = readSession('Main\n4 x 50 crawl // calm 🐟\n4 x 50 🐟');
    expect(document.plan.groups[0]!.blocks[0]!.items[0]).toMatchObject({ note: 'calm 🐟' });
    expect(problems).toMatchObject([{ line: 3, severity: 'error' }]);
  });
});

describe('any words of a whiteboard in any order', () => {
  const words = [
    ...[
      '4',
      '50',
      '100',
      '2:00',
      ':15',
      '1.30',
      '80%',
      '70-80%',
      '1,800',
      'x',
      '×',
      'by',
      'times',
      'rounds of',
      'twice',
    ],
    ...[
      '(',
      ')',
      '[',
      ']',
      ',',
      '+',
      '/',
      '-',
      '–',
      ':',
      '.',
      '•',
      '"',
      "'",
      '@',
      '=',
      '==',
      '//',
      '!!',
      '#',
      ';',
      '\n',
      '\n\n',
      '  ',
    ],
    ...[
      'free',
      'back',
      'kick',
      'pull',
      'IM',
      'fast',
      'easy',
      'sprint',
      'build',
      'desc 1-4',
      'negative split',
      'halves',
      'half',
    ],
    ...[
      'rest',
      'r',
      'on',
      'off',
      'every',
      'breathe',
      'bilateral',
      'left',
      'sight',
      'rate',
      'with',
      'fins',
      'pull buoy',
      'and',
    ],
    ...[
      'drill',
      'catch up',
      '6-1-6',
      'length',
      'lengths',
      'min',
      's',
      'm',
      'km',
      'loop',
      'total',
      'odds',
      'evens',
      'alternating',
    ],
    ...[
      'Warm up',
      'WU',
      'Main set',
      'Kick set',
      'CD',
      'Stretch',
      'Hold',
      'Lane 2',
      'pool: 50 m',
      'when: tomorrow',
      'take a break',
    ],
    ...['the', 'of', 'talk', 'ü', '🐟', 'a)', '1.'],
  ];
  const text = fc.array(fc.constantFrom(...words), { maxLength: 40 }).map((said) => said.join(' '));

  it('are read without failing, and every problem is inside the text', () => {
    fc.assert(
      fc.property(text, (typed) => {
        const { problems, asRead, document } = readSession(typed);
        const lines = typed.split('\n');
        for (const { line, column, length, message } of problems) {
          expect(line).toBeLessThanOrEqual(lines.length);
          expect(column - 1 + length).toBeLessThanOrEqual(Math.max(1, lines[line - 1]!.length));
          expect(message).not.toMatch(/undefined|NaN|null/);
        }
        for (const { text: said } of asRead) expect(said).not.toMatch(/undefined|NaN|null/);
        // What was understood is read the same when it is written as the notation has it.
        const errors = problems.filter(({ severity }) => severity === 'error');
        if (errors.length > 0) return;
        const again = readSession(writeSession(document));
        expect(again.document).toEqual(document);
      }),
      { numRuns: runs(600, 20_000) },
    );
  });
});
