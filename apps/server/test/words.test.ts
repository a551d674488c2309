import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';

const ROOT = path.resolve(__dirname, '../../..');
/** Everything that a coach or an engineer reads; migrations stay as they were run. */
const READ = ['packages', 'apps', 'e2e', 'bench', 'scripts', 'docs', 'README.md', 'CONTRIBUTING.md', 'CHANGELOG.md'];
const SKIPPED = /(^|\/)(node_modules|dist|\.\w+|migrations|screenshots|public)(\/|$)|words\.test\.ts$/;

/** Words that no native would choose, and what to write instead. */
const INSTEAD: readonly (readonly [RegExp, string])[] = [
  [/\b(held|hold|holds|holding) fast\b/i, 'locked, lock'],
  [/\bforet(old|ells?|elling)\b/i, 'predicted, no prediction'],
  [/\banew\b/i, 'again, from scratch'],
  [/\bmend(s|ed|ing)?\b/i, 'fix'],
  [/\bin vain\b/i, 'false alarms'],
  [/\bwhom\b/i, 'who'],
  [/\bwhoever\b/i, 'anyone who'],
  [/\bWho watch\b/, 'lifeguards and watchers'],
  [/\bhow far (one|does one) sees?\b/i, 'visibility'],
  [/\bNothing new any more\b/i, 'Nothing new from here'],
  [/\bin the mean\b/i, 'on average'],
  [/\basks? (\d|\$\{)[^.]{0,40}more speed/i, 'needs … more speed'],
  [/\bexhales into the breath\b/i, 'Blowing out while breathing in'],
  [/\bbring (a|in a) (course|track|club|file|list)\b/i, 'import'],
  [/\bat least (is|are) needed\b/i, 'at least … are needed'],
  [/\b(not|any) (here|there|shared|known|yours) any more\b/i, 'no longer'],
  [/\bwhole XML\b/i, 'valid XML'],
];

/** Every file that is read, with its text. */
function* everything(at: string): Generator<readonly [string, string]> {
  const full = path.join(ROOT, at);
  if (SKIPPED.test(at)) return;
  if (/\.(tsx?|mjs|md)$/.test(at)) yield [at, readFileSync(full, 'utf8')];
  else if (!/\.\w+$/.test(at)) for (const name of readdirSync(full)) yield* everything(path.join(at, name));
}

describe('plain English', () => {
  const files = READ.flatMap((at) => [...everything(at)]);

  it('is looked for in all that is read', () => {
    expect(files.length).toBeGreaterThan(600);
    expect(files.map(([at]) => at)).toEqual(
      expect.arrayContaining(['README.md', 'packages/core/src/water/day/decide.ts', 'apps/web/src/race/words.ts']),
    );
  });

  it('has none of the words that have a plainer one', () => {
    const found = files.flatMap(([at, text]) =>
      text
        .split('\n')
        .flatMap((line, i) =>
          INSTEAD.filter(([word]) => word.test(line)).map(
            ([word, instead]) => `${at}:${i + 1} ${word.exec(line)![0]} → ${instead}`,
          ),
        ),
    );
    expect(found).toEqual([]);
  });

  it('is noticed when it is missing', () => {
    const said = [
      'Weeks held fast',
      'Whom it serves',
      'seen 3 times in vain',
      'It asks 3 % more speed',
      'Bring a course in',
    ];
    for (const line of said) expect(INSTEAD.some(([word]) => word.test(line))).toBe(true);
    for (const line of ['Swim fast', 'Ask for more speed', 'A female mentor', 'commend'])
      expect(INSTEAD.some(([word]) => word.test(line))).toBe(false);
  });
});
