import { readSession } from '.';

/** How a line in the main part of a session in a 25 m pool is understood: in the words of the notation, or what is wrong. */
function understood(line: string, before = 'Main\n'): string {
  const { asRead, problems } = readSession(`${before}${line}`);
  const errors = problems.filter(({ severity }) => severity === 'error');
  if (errors.length > 0) return `!! ${errors.map(({ message }) => message).join(' ')}`;
  return asRead
    .slice(before === '' ? 0 : before.trim().split('\n').length)
    .map(({ text }) => text)
    .join(' | ');
}

/** Lines as they stand on whiteboards, and what they mean. */
const WHITEBOARD: readonly (readonly [typed: string, means: string])[] = [
  // Extent and repeats.
  ['4x100', '4 x 100 crawl easy'],
  ['4 x 100', '4 x 100 crawl easy'],
  ['4*100', '4 x 100 crawl easy'],
  ['4 × 100m', '4 x 100 crawl easy'],
  ['100', '100 crawl easy'],
  ['2 lengths', '50 crawl easy'],
  ['1 length easy', '25 crawl easy'],
  ['half length sprint', '12.5 crawl 100%'],
  ['10 min swim', '10 min crawl easy'],
  ['3 x 100 crawl, 100 choice', '3 x 100 crawl easy | 100 choice easy'],
  // Stroke.
  ['100 free', '100 crawl easy'],
  ['100 freestyle', '100 crawl easy'],
  ['100 fr', '100 crawl easy'],
  ['100 FS', '100 crawl easy'],
  ['100 front crawl', '100 crawl easy'],
  ['100 fc', '100 crawl easy'],
  ['100 swim', '100 crawl easy'],
  ['100 back', '100 backstroke easy'],
  ['100 bk', '100 backstroke easy'],
  ['100 breast', '100 breaststroke easy'],
  ['100 br', '100 breaststroke easy'],
  ['50 fly', '50 butterfly easy'],
  ['100 choice', '100 choice easy'],
  ['100 any stroke', '100 choice easy'],
  ['100 own choice', '100 choice easy'],
  ['100 IM', '100 medley easy'],
  ['100 medley', '100 medley easy'],
  ['100 kick', '100 kick easy'],
  ['100 kick with board', '100 kick easy, with board'],
  ['100 pull', '100 pull easy, with buoy'],
  ['100 with pb', '100 pull easy, with buoy'],
  ['100 pull buoy', '100 pull easy, with buoy'],
  ['4 x 25 scull', '4 x 25 drill front-scull'],
  // Effort.
  ['easy 100 free', '100 crawl easy'],
  ['100 free easy', '100 crawl easy'],
  ['100 (easy)', '100 crawl easy'],
  ['100 - easy', '100 crawl easy'],
  ['100 @80%', '100 crawl 80%'],
  ['100 80 %', '100 crawl 80%'],
  ['100 80 percent', '100 crawl 80%'],
  ['100 70-80%', '100 crawl 75%'],
  ['100 fast', '100 crawl 90%'],
  ['100 hard', '100 crawl 90%'],
  ['25 sprint', '25 crawl 100%'],
  ['25 max', '25 crawl 100%'],
  ['25 max effort', '25 crawl 100%'],
  ['25 all out', '25 crawl 100%'],
  ['25 flat out', '25 crawl 100%'],
  ['100 moderate', '100 crawl 75%'],
  ['100 steady', '100 crawl 80%'],
  ['4 x 50 build', '4 x 50 crawl halves easy/90%  // Build.'],
  ['4 x 50 descend', '4 x 50 crawl descend 70%/90%'],
  ['4 x 50 descending', '4 x 50 crawl descend 70%/90%'],
  ['4 x 50 desc 1-4', '4 x 50 crawl descend 70%/90%'],
  ['200 negative split', '200 crawl halves 70%/85%'],
  ['4 x 50 easy/sprint', '4 x 50 crawl halves easy/100%'],
  ['4 x 50 half easy half sprint', '4 x 50 crawl halves easy/100%'],
  // Rest and send-off.
  ['4 x 50 rest 15', '4 x 50 crawl easy, rest 15'],
  ['4 x 50 15s rest', '4 x 50 crawl easy, rest 15'],
  ['4 x 50 15 sec', '4 x 50 crawl easy, rest 15'],
  ['4 x 50 :15', '4 x 50 crawl easy, rest 15'],
  ['4 x 50 r15', '4 x 50 crawl easy, rest 15'],
  ['4 x 50 +15', '4 x 50 crawl easy, rest 15'],
  ['4 x 50 rest 1 min', '4 x 50 crawl easy, rest 1:00'],
  ['4 x 50 rest 1:00', '4 x 50 crawl easy, rest 1:00'],
  ['4 x 100 on 2:00', '4 x 100 crawl easy, on 2:00'],
  ['4 x 100 @ 2:00', '4 x 100 crawl easy, on 2:00'],
  ['4 x 100 leave on 2:00', '4 x 100 crawl easy, on 2:00'],
  ['4 x 100 on 2', '4 x 100 crawl easy, on 2:00'],
  ['4 x 100 on 90', '4 x 100 crawl easy, on 1:30'],
  ['rest 2 min', 'rest 2 min'],
  ['take a break', 'rest 2 min'],
  // Breathing and looking.
  ['100 breathe 3', '100 crawl easy, breathe 3 right'],
  ['100 breathing 3', '100 crawl easy, breathe 3 right'],
  ['100 breathe every 3', '100 crawl easy, breathe 3 right'],
  ['100 bilateral', '100 crawl easy, breathe 3 right'],
  ['100 breathe left', '100 crawl easy, breathe left'],
  ['100 sighting every 4', '100 crawl easy, look 4'],
  ['100 sight 4', '100 crawl easy, look 4'],
  ['100 look every 4', '100 crawl easy, look 4'],
  ['100 looks 4', '100 crawl easy, look 4'],
  // Drills.
  ['4 x 50 catch up', '4 x 50 drill catch-up'],
  ['4 x 50 catch-up', '4 x 50 drill catch-up'],
  ['4 x 50 drill fingertip drag', '4 x 50 drill fingertip-drag'],
  ['4 x 50 finger tip drag', '4 x 50 drill fingertip-drag'],
  // Rounds.
  ['2 x (\n100 easy\n)', '2 x ( | 100 crawl easy'],
  ['2 times\n100 easy', '2 x ( | 100 crawl easy'],
  ['2 rounds of\n100 easy', '2 x ( | 100 crawl easy'],
  ['twice through\n100 easy', '2 x ( | 100 crawl easy'],
  ['(\n100 easy\n) x2', 'x ( | 100 crawl easy'],
];

describe('lines of whiteboards', () => {
  it.each(WHITEBOARD)('%j', (typed, means) => expect(understood(typed)).toBe(means));

  it.each([
    ['Warm up', 'Warm-up'],
    ['Warm-up:', 'Warm-up'],
    ['WU', 'Warm-up'],
    ['Warm up: 200', 'Warm-up | 200 crawl easy'],
    ['Pre-set', 'Drills'],
    ['Drills', 'Drills'],
    ['Drill set', 'Drills'],
    ['Technique', 'Drills'],
    ['Main', 'Main'],
    ['Main set', 'Main'],
    ['MS', 'Main'],
    ['Pull set\n4 x 100', 'Main | 4 x 100 pull easy, with buoy'],
    ['Kick set\n4 x 50', 'Main | 4 x 50 kick easy'],
    ['Sprints', 'Speed'],
    ['Speed work', 'Speed'],
    ['Cool down', 'Swim-down'],
    ['Warm down', 'Swim-down'],
    ['CD', 'Swim-down'],
    ['Swim down 200', 'Swim-down | 200 crawl easy'],
    ['Land 5', 'Land'],
    ['Dry land 5 min', 'Land'],
    ['Stretch', 'Land'],
  ])('the heading %j', (typed, means) => expect(understood(typed, '')).toBe(means));

  it.each(['= 1800', 'Total 1800', '= 1800 m', '1800 total', 'Total: 1,800 m'])('the total %j', (typed) => {
    const { problems } = readSession(`Main\n18 x 100 easy\n${typed}`);
    expect(problems).toEqual([]);
    expect(readSession(`Main\n17 x 100 easy\n${typed}`).problems).toMatchObject([{ severity: 'warning' }]);
  });

  it.each(['Main = 400', 'Main 400', 'Main set: 400 m', 'Main (400)', 'Main set - 400'])('a total in %j', (typed) => {
    expect(readSession(`${typed}\n4 x 100 easy`).blocks).toMatchObject([{ total: 400, stated: 400 }]);
    expect(readSession(`${typed}\n3 x 100 easy`).problems).toMatchObject([{ severity: 'warning' }]);
  });

  it.each(['- 4 x 50', '• 4 x 50', '1. 4 x 50', '* 4 x 50', '2) 4 x 50'])('the bullet of %j is nothing', (typed) =>
    expect(understood(typed)).toBe('4 x 50 crawl easy'),
  );

  it.each([
    ['30', '30 is not whole lengths of a 25 m pool: 25 or 50?'],
    ['33', '33 is not whole lengths of a 25 m pool: 25 or 50?'],
  ])('%j is no distance', (typed, says) => expect(understood(typed)).toBe(`!! ${says}`));
});

describe('headings', () => {
  const blocksOf = (text: string) =>
    readSession(text).document.plan.groups.map(({ name, blocks }) => [
      name,
      ...blocks.map(({ kind, items }) => `${kind} ${items.length}`),
    ]);

  it('with a total and its unit open their group', () => {
    const { document, problems } = readSession('== A = 300 m\n3 x 100\n== B = 200 m\n2 x 100');
    expect(problems).toEqual([]);
    expect(document.plan.groups.map(({ name }) => name)).toEqual(['A', 'B']);
  });

  it('that cannot be read open a part of their own: their sets join none before', () => {
    expect(blocksOf('Main\n4 x 100\nAgility\n2 x 50')).toEqual([['Everybody', 'main 1', 'main 1']]);
    expect(blocksOf('Main\n4 x 100\nAgility: 2 x 50\n100 easy')).toEqual([['Everybody', 'main 1', 'main 2']]);
    expect(blocksOf('Main\n4 x 100\nDrills 200 ?!\n2 x 50')).toEqual([['Everybody', 'main 1', 'drills 1']]);
    expect(blocksOf('== A\n3 x 100\n== B / 200\n2 x 100')).toEqual([
      ['A', 'main 1'],
      ['B', 'main 1'],
    ]);
    expect(readSession('Main\n4 x 100\nAgility\n2 x 50').problems).toMatchObject([
      { line: 3, column: 1, length: 7, severity: 'error' },
    ]);
  });

  it.each([
    ['Hold\nMain\n4 x 100\nRace:\nMain\n8 x 100', ['Hold', 'Race']],
    ['Build group\n100\nHold = 200\n200', ['Build group', 'Hold']],
    ['Lane 1\n100\nLanes 2-3:\n200', ['Lane 1', 'Lanes 2 - 3']],
  ])('of levels and lanes are groups: %j', (text, names) => {
    const { document, problems } = readSession(text);
    expect(problems).toEqual([]);
    expect(document.plan.groups.map(({ name }) => name)).toEqual(names);
  });
});

describe('what is not understood', () => {
  it.each([
    ['4 x 50 talk', 'talk', null],
    ['4 x 50 race', 'race', null],
    ['4 x 50 backstoke', 'backstoke', 'backstroke'],
    ['4 x 50 freee', 'freee', 'free'],
    ['4 x 50 esay', 'esay', 'easy'],
    ['4 x 50 crawl brethe 3', 'brethe', 'breathe'],
  ])('%j is marked at its place, with the right word or none', (typed, marked, instead) => {
    const { problems } = readSession(`Main\n${typed}`);
    expect(problems).toHaveLength(1);
    const [{ line, column, length, instead: said }] = problems as [(typeof problems)[0]];
    expect([line, typed.slice(column - 1, column - 1 + length), said ?? null]).toEqual([2, marked, instead]);
  });

  it('is named as it was typed, not as it was read', () => {
    expect(readSession('Main\nfast').problems[0]!.message).toContain('“fast”');
  });
});

describe('what can be said in two ways', () => {
  it('is told: the middle of two efforts', () => {
    expect(readSession('Main\n100 70-80%').problems).toMatchObject([
      { line: 2, column: 5, length: 6, severity: 'warning', instead: '75%' },
    ]);
  });

  it('a number behind a heading is its total when sets follow, else its only set', () => {
    const set = readSession('Warm up 200\nMain\n4 x 100');
    expect(set.blocks).toMatchObject([
      { total: 200, stated: null },
      { total: 400, stated: null },
    ]);
    const total = readSession('Warm up 200\n4 x 50\nMain\n4 x 100');
    expect(total.blocks[0]).toMatchObject({ total: 200, stated: 200 });
  });

  it('sets of a pull or a kick part keep what they say themselves', () => {
    expect(understood('Pull set\n100 back\n100 drill catch-up\n100', '')).toBe(
      'Main | 100 backstroke easy | 100 drill catch-up | 100 pull easy, with buoy',
    );
  });

  it('rounds without a bracket end at a blank line, at a heading, or where the column comes back', () => {
    const kinds = (text: string) =>
      readSession(text).document.plan.groups[0]!.blocks.map(({ items }) => items.map(({ kind }) => kind));
    expect(kinds('Main\n2 rounds of\n100\n50\n\n200')).toEqual([['rounds', 'swim']]);
    expect(kinds('Main\n  2 rounds of\n    100\n    50\n  200')).toEqual([['rounds', 'swim']]);
    expect(kinds('Main\n2 rounds of\n100\nSwim down\n200')).toEqual([['rounds'], ['swim']]);
    expect(readSession('Hold\n2 rounds of\n100\nRace\n200').problems).toEqual([]);
  });
});
