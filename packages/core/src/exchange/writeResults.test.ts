import { readResults, resultPieces, writeResults, type ResultRow } from '.';

const ada = { id: 'a', name: 'Ada Lindqvale' };
const swims = (n: number): ResultRow[] =>
  Array.from({ length: n }, (_, i) => ({
    ...{ swimmerId: 'a', name: ada.name, on: '2026-11-02', distanceM: 400, timeS: 300 + i / 100 },
    ...{ strokesPerLength: i % 3 === 0 ? null : 18, kind: 'trial' as const },
    ...(i % 2 === 0 && { details: { meet: 'Lantern, “Cup”' } }),
  }));

it.each([
  [0, []],
  [1, [1]],
  [500, [500]],
  [501, [500, 1]],
  [1201, [500, 500, 201]],
])('%i results come in pieces of %p rows, the headings before them', (n, lengths) => {
  const [headings, ...pieces] = resultPieces(swims(n));
  expect(headings).toBe('swimmer,date,distance_m,time_s,strokes_per_length,kind,pool,splits,meet');
  expect(pieces.map((piece) => piece.split('\n').length - 1)).toEqual(lengths);
  expect(pieces.every((piece) => piece.startsWith('\n') && !piece.endsWith('\n'))).toBe(true);
});

it('is the same file whole, and comes back in as it went out', () => {
  const rows = swims(1201);
  const { results, problems } = readResults(writeResults(rows), null, [ada]);
  expect(problems).toEqual([]);
  expect(results).toEqual(rows.map(({ name: _, ...line }) => line));
});
