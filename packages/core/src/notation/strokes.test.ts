import { describeSet, groupTotals } from '../sessions';
import { readSession, readSessionCsv, readSessionJson, writeSession, writeSessionCsv } from '.';

const POOL = { length: 25, unit: 'm' } as const;

describe('medley, kick and pull', () => {
  it('are strokes of the text, of CSV and JSON, and of the totals', () => {
    const text = `# Strokes\npool: 25 m\n== Hold\nMain\n4 x 100 IM 80%, rest 20\n2 x 50 kick 70%, rest 15, with board\n200 pull 75%\nrest 2 min\n3 x 100 crawl descend 70%/90%, on 2:00`;
    const { document, problems } = readSession(text);
    expect(problems).toEqual([]);
    const [group] = document.plan.groups;
    const totals = groupTotals(group!, document.plan.pool);
    expect(totals.metresByStroke).toEqual({ medley: 400, kick: 100, 'front-crawl': 500 });
    const items = group!.blocks[0]!.items;
    expect(items.map((i) => i.kind)).toEqual(['swim', 'swim', 'swim', 'pause', 'descend']);
    expect(describeSet(items[2] as never, POOL)).toBe('200 pull');
    const written = writeSession(document);
    expect(written).toContain('4 x 100 medley 80%, rest 20');
    expect(written).toContain('200 pull 75%, with buoy');
    expect(written).toContain('rest 2 min');
    for (const again of [
      readSession(written),
      readSessionCsv(writeSessionCsv(document)),
      readSessionJson(JSON.stringify({ format: 'upwell-session', version: 1, ...document })),
    ])
      expect(again.document).toEqual(document);
  });
});

describe('a pause in a text', () => {
  it.each([
    ['rest 2 min', 120],
    ['rest 2', 120],
    ['rest 1:30', 90],
    ['rest 90', 90],
  ])('is read from %j', (line, seconds) => {
    const { document, problems } = readSession(`Main\n4 x 50\n${line}\n4 x 50`);
    expect(problems).toEqual([]);
    expect(document.plan.groups[0]!.blocks[0]!.items[1]).toMatchObject({ kind: 'pause', seconds });
  });

  it.each(['rest 0', 'rest 45 min', 'rest'])('is refused as %j', (line) =>
    expect(readSession(`Main\n4 x 50\n${line}`).problems.length).toBeGreaterThan(0),
  );
});
