import { readSession } from '.';

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
