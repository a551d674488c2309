// A Babel plugin: what is imported through the index of a folder comes straight from the file that has it. Metro keeps
// whole files, so an index would bring everything that it names: a page that wants one word of the water would load its maths.
/* global __filename */
const { createHash } = require('node:crypto');
const { existsSync, readdirSync, readFileSync, statSync } = require('node:fs');
const path = require('node:path');
const { parseSync } = require('@babel/core');

const ROOT = path.resolve(__dirname, '../..');
const OURS = [
  [/^@upwell\/core\/(.+)$/, (name) => path.join(ROOT, 'packages/core/src', name)],
  [/^@upwell\/contract\/(.+)$/, (name) => path.join(ROOT, 'packages/contract/src', name)],
  [/^@\/(.+)$/, (name) => path.join(__dirname, 'src', name)],
];

/** The file that an import of ours means; null for packages and what is no code. */
function fileOf(source, from) {
  const [pattern, place] = OURS.find(([is]) => is.test(source)) ?? [];
  const base = pattern
    ? place(pattern.exec(source)[1])
    : source.startsWith('.')
      ? path.resolve(path.dirname(from), source)
      : null;
  if (base === null) return null;
  const tries = ['.ts', '.tsx', '/index.ts', '/index.tsx'].map((end) => base + end);
  return tries.find((file) => existsSync(file) && statSync(file).isFile()) ?? null;
}

const known = new Map();

/** Where each name that a file exports is written: name → its file and its name there. */
function namesOf(file) {
  if (known.has(file)) return known.get(file);
  const names = new Map();
  known.set(file, names);
  const parserOpts = { plugins: ['typescript', 'jsx'] };
  const { program } = parseSync(readFileSync(file, 'utf8'), {
    filename: file,
    babelrc: false,
    configFile: false,
    parserOpts,
  });
  for (const statement of program.body) {
    if (statement.exportKind === 'type') continue;
    const target = statement.source ? fileOf(statement.source.value, file) : null;
    if (statement.type === 'ExportAllDeclaration' && target)
      for (const [name, origin] of namesOf(target)) if (!names.has(name)) names.set(name, origin);
    if (statement.type !== 'ExportNamedDeclaration') continue;
    for (const { local, exported } of statement.specifiers)
      if (target && local)
        names.set(exported.name, namesOf(target).get(local.name) ?? { file: target, name: local.name });
    const { declaration } = statement;
    for (const { id } of declaration?.declarations ?? (declaration?.id ? [declaration] : []))
      if (id.type === 'Identifier') names.set(id.name, { file, name: id.name });
  }
  return names;
}

module.exports = ({ types: t }) => ({
  name: 'straight-to-file',
  visitor: {
    Program(program, { filename }) {
      if (filename.includes('node_modules')) return;
      let changed = false;
      for (const statement of program.get('body')) {
        if (!statement.isImportDeclaration() || statement.node.importKind === 'type') continue;
        const index = fileOf(statement.node.source.value, filename);
        if (!index) continue;
        const left = [];
        const byFile = new Map();
        for (const specifier of statement.node.specifiers) {
          const origin =
            specifier.type === 'ImportSpecifier' &&
            specifier.importKind !== 'type' &&
            namesOf(index).get(specifier.imported.name);
          if (!origin || origin.file === index) left.push(specifier);
          else
            byFile.set(origin.file, [
              ...(byFile.get(origin.file) ?? []),
              t.importSpecifier(specifier.local, t.identifier(origin.name)),
            ]);
        }
        if (byFile.size === 0) continue;
        changed = true;
        const straight = [...byFile].map(([file, specifiers]) => {
          const way = path
            .relative(path.dirname(filename), file)
            .split(path.sep)
            .join('/')
            .replace(/\.tsx?$/, '');
          return t.importDeclaration(specifiers, t.stringLiteral(way.startsWith('.') ? way : `./${way}`));
        });
        if (left.length > 0) straight.push(t.importDeclaration(left, statement.node.source));
        statement.replaceWithMultiple(straight);
      }
      if (changed) program.scope.crawl();
    },
  },
});

/** Changes with this file, and with where any name of ours is written. */
module.exports.indexHash = () => {
  const hash = createHash('sha256').update(readFileSync(__filename));
  for (const folder of ['packages/core/src', 'packages/contract/src', 'apps/web/src'])
    for (const file of readdirSync(path.join(ROOT, folder), { recursive: true }).sort()) {
      if (!/\.tsx?$/.test(file) || file.includes('.test.')) continue;
      for (const [name, origin] of namesOf(path.join(ROOT, folder, file)))
        hash.update(`${file} ${name} ${path.relative(ROOT, origin.file)} ${origin.name}\n`);
    }
  return hash.digest('hex');
};
