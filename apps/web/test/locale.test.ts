import { readdirSync, readFileSync, statSync } from 'node:fs';
import path from 'node:path';
import { dayWord } from '@/ui/dates';
import { countWord, LOCALE, momentWord } from '@/ui/locale';
import type * as Theme from '@/ui/theme';

const SRC = path.join(__dirname, '../src');
const files = (folder: string): string[] =>
  readdirSync(folder).flatMap((name) => {
    const file = path.join(folder, name);
    return statSync(file).isDirectory() ? files(file) : /\.tsx?$/.test(name) ? [file] : [];
  });

describe('numbers and dates', () => {
  it('are written in one way, whatever the language of the phone', () => {
    expect(LOCALE).toBe('en-GB');
    expect(countWord(1575)).toBe('1,575');
    expect(dayWord('2026-11-24')).toMatch(/^Tue,? 24 Nov$/);
    expect(momentWord('2026-11-27T10:05:00')).toMatch(/^27 Nov 2026,? (at )?10:05$/);
  });

  it('ask no browser for its own way', () => {
    const own = files(SRC).flatMap((file) =>
      [...readFileSync(file, 'utf8').matchAll(/\.toLocale(?:Date|Time)?String\((?!LOCALE)[^)]*\)/g)].map(
        (m) => `${path.relative(SRC, file)}: ${m[0]}`,
      ),
    );
    expect(own).toEqual([]);
  });
});

describe('the size of text', () => {
  const bodyAt = (root: string | null): number => {
    const own = { document: global.document, getComputedStyle: global.getComputedStyle };
    if (root !== null)
      Object.assign(global, { document: { documentElement: {} }, getComputedStyle: () => ({ fontSize: root }) });
    let size = 0;
    jest.isolateModules(() => {
      // eslint-disable-next-line @typescript-eslint/no-require-imports -- a module is read again only this way
      const { DAY } = require('@/ui/theme') as typeof Theme;
      size = DAY.fonts.bodyMedium.fontSize;
    });
    Object.assign(global, own);
    return size;
  };
  it.each<[string | null, number]>([
    [null, 16],
    ['16px', 16],
    ['24px', 24],
    ['32px', 32],
    // A page stays a page.
    ['80px', 32],
    ['4px', 12.8],
  ])('follows a browser set to %s', (root, px) => expect(bodyAt(root)).toBeCloseTo(px, 5));
});
