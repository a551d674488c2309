/** @jest-environment node */
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { parseSync, transformSync } from '@babel/core';

const WEB = path.resolve(__dirname, '..');
const PLUGIN = path.join(WEB, 'straightToFile.cjs');
const { indexHash } = jest.requireActual<{ indexHash: () => string }>('../straightToFile.cjs');

const options = {
  ...{ babelrc: false, configFile: false as const, plugins: [PLUGIN] },
  parserOpts: { plugins: ['typescript' as const, 'jsx' as const] },
};
/** What becomes of a piece of code in a file of the app. */
const straight = (code: string, file = 'src/deck/any.ts') =>
  transformSync(code, { ...options, filename: path.join(WEB, file) })!.code!;

describe('imports go straight to the file that has the name', () => {
  it('from the index of a part of core, each name to its own file', () => {
    expect(straight("import { waterHour, LARGEST_COURSE as most } from '@upwell/core/water';")).toBe(
      [
        'import { waterHour } from "../../../../packages/core/src/water/day/waterRead";',
        'import { LARGEST_COURSE as most } from "../../../../packages/core/src/water/course/assembleCourse";',
      ].join('\n'),
    );
  });

  it('from what stands for another part of the app, and through a contract that passes it on', () => {
    expect(straight("import { VIEW_WORD } from '@/film';")).toBe('import { VIEW_WORD } from "../film/words";');
    expect(straight("import { LEAST_PASSWORD } from '@upwell/contract/account';")).toBe(
      'import { LEAST_PASSWORD } from "../../../../packages/contract/src/limits";',
    );
  });

  it.each([
    // Written in the index itself.
    "import { counted } from '@upwell/core/words';",
    "import type { Course } from '@upwell/core/water';",
    "import * as water from '@upwell/core/water';",
    "import { useState } from 'react';",
    "import './side-effect';",
  ])('and leaves alone: %s', (code) => expect(straight(code)).toBe(code));

  it('splits what is written in an index from what that passes on', () => {
    expect(straight("import { MySent, useFilms } from '@/film';")).toBe(
      ['import { useFilms } from "../film/useFilms";', "import { MySent } from '@/film';"].join('\n'),
    );
  });

  it('and not in packages, whose folders it knows nothing of', () => {
    const code = "import { waterHour } from '@upwell/core/water';";
    expect(straight(code, 'node_modules/any/index.js')).toBe(code);
  });

  it('and what was kept of a build holds while names stay where they are', () => {
    expect(indexHash()).toMatch(/^[0-9a-f]{64}$/);
    expect(indexHash()).toBe(indexHash());
  });
});

it('the checks of what is typed come with the form that needs them, and with no other page', () => {
  const files = (readdirSync(path.join(WEB, 'src'), { recursive: true }) as string[]).filter(
    (file) => /\.tsx?$/.test(file) && !file.startsWith('worker'),
  );
  const checks = (code: string) => /from ["'][^"']*(\/joi|contract\/src\/common)["']/.test(code);
  const withChecks = new Map<string, boolean>();
  const contractChecks = (file: string): boolean => {
    const known = withChecks.get(file);
    if (known !== undefined) return known;
    const code = readFileSync(`${file}.ts`, 'utf8');
    const found = /from '(\.\/|\.\.\/)(joi|common)'/.test(code.replace(/import type [^;]*;/g, ''));
    withChecks.set(file, found);
    return found;
  };
  const bringing = files.filter((file) => {
    const name = path.join('src', file);
    const code = straight(readFileSync(path.join(WEB, name), 'utf8'), name);
    const { program } = parseSync(code, { ...options, plugins: [], filename: name }) as unknown as {
      program: {
        body: {
          type: string;
          importKind?: string;
          source?: { value: string } | null;
          specifiers?: { importKind?: string }[];
        }[];
      };
    };
    return program.body.some(({ type, importKind, source, specifiers }) => {
      if (type !== 'ImportDeclaration' || importKind === 'type' || !source) return false;
      if (specifiers!.length > 0 && specifiers!.every((s) => s.importKind === 'type')) return false;
      const { value } = source;
      if (checks(`from '${value}'`)) return true;
      const contract = /(?:@upwell\/contract|packages\/contract\/src)\/(.+)$/.exec(value);
      return contract !== null && contractChecks(path.join(WEB, '../../packages/contract/src', contract[1]!));
    });
  });
  expect(bringing).toEqual(['swimmers/formValues.ts']);
});

it('of the package that makes ids everything is there that is asked for', () => {
  const given = readFileSync(path.join(WEB, 'src/ui/onlyIds.js'), 'utf8').matchAll(/default as (\w+)/g);
  const known = new Set([...given].map(([, name]) => name!));
  const asked = ['apps/web/src', 'packages/core/src', 'packages/contract/src'].flatMap((folder) => {
    const from = path.resolve(WEB, '../..', folder);
    return readdirSync(from, { recursive: true, encoding: 'utf8' })
      .filter((file) => /\.tsx?$/.test(file) && !file.includes('.test.'))
      .flatMap((file) => /import \{ (.+) \} from 'uuid'/.exec(readFileSync(path.join(from, file), 'utf8'))?.[1] ?? [])
      .flatMap((names) => names.split(', '));
  });
  expect(asked.length).toBeGreaterThan(40);
  expect(asked.filter((name) => !known.has(name))).toEqual([]);
});
