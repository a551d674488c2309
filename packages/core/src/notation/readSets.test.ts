import { newLevel, describeSet, type Item, type SessionPlan } from '../sessions';
import { readSets } from '.';

const hold = newLevel('hold', 'g1', () => 'b');
const plan: SessionPlan = {
  kind: 'aerobic',
  theme: 'spins',
  place: 'pool',
  pool: { length: 25, unit: 'm' },
  minutes: 60,
  seed: 1,
  note: 'All of it // with a note',
  groups: [{ ...hold, note: 'watch the clock' }],
};
const read = (text: string, now: SessionPlan = plan) => readSets(text, 'main', now.groups[0]!, now);
const words = (items: readonly Item[], { pool, place } = plan): string[] =>
  items.flatMap((item) =>
    item.kind === 'pause'
      ? [`pause ${item.seconds}`]
      : item.kind === 'rounds'
        ? [`${item.rounds} times`, ...words(item.items)]
        : [describeSet(item, pool, place)],
  );

describe('a few sets, typed', () => {
  it.each([
    ['4x50 kick r15', ['4 × 50 kick']],
    ['200 easy', ['200 crawl']],
    ['8 x 100 on 2:00 + 200 choice easy', ['8 × 100 crawl', '200 choice']],
    ['2 x (\n4 x 50 pull r10\n100 easy\n)', ['2 times', '4 × 50 pull', '100 crawl']],
    ['4 x 50 kick\nrest 2 min\n200 back', ['4 × 50 kick', 'pause 120', '200 backstroke']],
  ])('%s', (text, expected) => {
    const { items, problems } = read(text);
    expect(problems.filter((p) => p.severity === 'error')).toEqual([]);
    expect(words(items)).toEqual(expected);
  });

  it('are in the pool, or the loop, of the session', () => {
    expect(read('4 x 30').problems[0]!.message).toContain('30 is not whole lengths of a 25 m pool');
    const lake = { ...plan, place: 'open-water' as const, pool: { length: 400, unit: 'm' as const } };
    expect(words(read('2 x 1 loop easy', lake).items, lake)).toEqual(['2 × 1 loop crawl']);
  });

  it('name their own line when something is wrong', () => {
    const { problems } = read('4 x 50 kick\n4 x 50 hovering');
    expect(problems.map(({ line }) => line)).toEqual([2]);
  });

  it.each([
    ['', 'Type a set'],
    ['   \n ', 'Type a set'],
    ['Swim-down\n200 easy', 'Only sets here'],
    ['== Race\n200 easy', 'Only sets here'],
    ['x'.repeat(5000), 'too long'],
    ['// a note', 'No set'],
    ['🏊', '“🏊” cannot begin a line'],
    ['200\t4\tcrawl\n300\t2\tback', '“4” does not fit here'],
  ])('refuses %j', (text, why) => {
    const { items, problems } = read(text);
    expect(problems[0]!.message).toContain(why);
    expect(items).toEqual([]);
  });
});
