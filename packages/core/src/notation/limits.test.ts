import { readSession } from '.';

describe('a plan that is larger than a lane can run', () => {
  it('is told in a text at the line where it happens, and the lines around it still count', () => {
    const deep = `Main\n${'2 x (\n'.repeat(20_000)}4 x 50 crawl\n`;
    const { problems } = readSession(deep.slice(0, 49_000));
    expect(problems.length).toBeLessThanOrEqual(60);
    expect(problems.some((p) => p.message.includes('up to 4 deep'))).toBe(true);
    const five = readSession(`Main\n${'2 x (\n'.repeat(5)}4 x 50 crawl\n${')\n'.repeat(5)}2 x 100 crawl`);
    expect(five.problems.map((p) => p.message)).toEqual(['Rounds can be nested up to 4 deep.']);
    const wide = readSession(`Main\n50 x (\n50 x (\n1 x 25 crawl\n)\n)`);
    expect(wide.problems.map((p) => p.message)).toEqual([expect.stringContaining('2,500 sets')]);
  });

  it.each([
    ['40,000 brackets', '('.repeat(40_000)],
    ['bad words', 'zzz qq\n'.repeat(7000)],
    ['nothing but closes', ')\n'.repeat(20_000)],
    ['one line of commas', `Main\n100 ${', free'.repeat(25_000)} ${'?, '.repeat(20_000)}`],
    ['one heading of colons', `Main ${':'.repeat(90_000)} zz\n?`],
    ['one line of sets', `Main\n${'zz 100, '.repeat(20_000)}`],
    ['one line of rounds without an end', `Main\n${'2 x '.repeat(40_000)}`],
  ])('is not read to its end: %s', (_name, text) => {
    const { problems } = readSession(text);
    expect(problems.length).toBeGreaterThan(0);
    expect(problems.length).toBeLessThanOrEqual(60);
  });
});

describe('a pattern of breathing', () => {
  it.each([
    ['4 x 50 breaststroke easy, breathe 3, rest 20', 'breaststroke breathes every stroke'],
    ['4 x 50 butterfly easy, breathe 3, rest 20', 'butterfly breathes every stroke, or every two'],
    ['4 x 50 backstroke easy, breathe left, rest 20', 'backstroke breathes freely'],
    ['4 x 25 breaststroke easy, breaths 0, rest 60', 'breaststroke breathes every stroke'],
    ['4 x 50 butterfly easy, breathe 2, rest 20', null],
    ['4 x 50 crawl easy, breathe 3, rest 20', null],
  ])('in text, “%s” is told: %s', (line, told) => {
    const { problems } = readSession(`# Tuesday\npool: 25 m\nMain\n${line}`);
    const about = problems.filter((p) => /belong to front crawl/.test(p.message));
    expect(about.map((p) => p.message)).toEqual(told ? [`Patterns of breathing belong to front crawl; ${told}.`] : []);
    if (told) expect(about[0]!.severity).toBe('error');
  });
});
