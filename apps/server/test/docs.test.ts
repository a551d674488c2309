import { existsSync, readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { MODULES } from '../../../bench/mutantModules';

const ROOT = path.resolve(__dirname, '../../..');
const DOCS = ['README.md', 'CONTRIBUTING.md', 'CHANGELOG.md', ...markdownIn('docs')];

function markdownIn(folder: string): string[] {
  return readdirSync(path.join(ROOT, folder), { withFileTypes: true }).flatMap((entry) => {
    const file = `${folder}/${entry.name}`;
    return entry.isDirectory() ? markdownIn(file) : file.endsWith('.md') ? [file] : [];
  });
}

const textOf = (file: string) => readFileSync(path.join(ROOT, file), 'utf8');

/** Folders in which a short path like `sessions/plan/model.ts` may be meant. */
const NEAR = [
  '',
  'packages/core/src/',
  'packages/contract/src/',
  'apps/server/src/',
  'apps/web/src/',
  'apps/web/',
  'docs/',
];

/** Words in the code face that are files of this project, without those that stand for many. */
function filesNamed(text: string): string[] {
  const code = [...text.matchAll(/`([^`\n]+)`/g)].map(([, inside]) => inside!);
  return code.filter((inside) => /^[\w.()[\]/-]+\/[\w.()[\]/-]*\w\.(tsx?|mjs|cjs|md|conf|service)$/.test(inside));
}

describe('the documentation', () => {
  it.each(DOCS)('%s links to what is there', (file) => {
    const links = [...textOf(file).matchAll(/\]\(([^)\s]+)\)/g)].map(([, to]) => to!);
    const dead = links.filter((to) => {
      const [target, anchor] = to.split('#') as [string, string?];
      if (/^https?:/.test(target)) return false;
      const full = target === '' ? path.join(ROOT, file) : path.resolve(ROOT, path.dirname(file), target);
      if (!existsSync(full)) return true;
      return anchor !== undefined && !headingsOf(readFileSync(full, 'utf8')).includes(anchor);
    });
    expect(dead).toEqual([]);
  });

  it.each(DOCS)('%s names files that are there', (file) => {
    const gone = filesNamed(textOf(file)).filter(
      (name) => !NEAR.some((near) => existsSync(path.join(ROOT, near, name))),
    );
    expect(gone).toEqual([]);
  });

  it('is found from its index', () => {
    const index = textOf('docs/README.md') + textOf('docs/decisions/README.md');
    const lost = DOCS.filter((file) => file.startsWith('docs/') && !index.includes(`(${path.basename(file)})`));
    expect(lost.filter((file) => path.basename(file) !== 'README.md')).toEqual([]);
  });

  it('names commands that there are', () => {
    const { scripts } = JSON.parse(textOf('package.json')) as { readonly scripts: Readonly<Record<string, string>> };
    const asked = DOCS.flatMap((file) => [...textOf(file).matchAll(/npm (?:run )?(start|test|run [\w-]+|[\w-]+)\b/g)]);
    const names = asked
      .map(([, name]) => name!.replace('run ', ''))
      .filter((name) => !['ci', 'packages', 'and'].includes(name));
    expect([...new Set(names)].filter((name) => !(name in scripts))).toEqual([]);
  });

  it('counts causes and signs as they are', async () => {
    const { CAUSE_IDS, SIGN_IDS } = await import('@upwell/core/review');
    expect(textOf('README.md')).toContain(`${CAUSE_IDS.length} causes and ${SIGN_IDS.length} signs`);
  });
});

/** Anchors of the headings of a page. */
function headingsOf(text: string): string[] {
  return [...text.matchAll(/^#+ (.+)$/gm)].map(([, title]) =>
    title!
      .toLowerCase()
      .replace(/[^\p{L}\p{N}\s-]/gu, '')
      .replaceAll(' ', '-'),
  );
}

describe('the bench of wrong edits', () => {
  const CORE = path.join(ROOT, 'packages/core/src');

  it.each(MODULES)('changes $files, and has tests that are there', ({ files, tests }) => {
    expect(files.filter((file) => !existsSync(path.join(CORE, `${file}.ts`)))).toEqual([]);
    const missing = tests.filter((test) => {
      const name = new RegExp(`^${path.basename(test).replaceAll('.', '\\.').replace('*', '.*')}$`);
      return !readdirSync(path.join(CORE, path.dirname(test))).some((file) => name.test(file));
    });
    expect(missing).toEqual([]);
  });
});
