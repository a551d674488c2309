// `npm run answers`: the JSON Schema of every answer, out of the types in packages/contract/src/answers.ts.
import { createRequire } from 'node:module';
import { writeFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

const ROOT = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..');
const TYPES = path.join(ROOT, 'packages/contract/src/answers.ts');
export const ANSWERS = path.join(ROOT, 'packages/contract/src/answers.json');

/** What may stand in a name of a part of an OpenAPI document. */
const plain = (name) => name.replace(/[^\w.-]+/g, '_').replace(/^_+|_+$/g, '');

/** Long unions make names that nobody reads: those get a number. */
const LONGEST_NAME = 60;

/** Lists whose order says nothing; the compiler gives them in the order in which it met their parts. */
const SETS = ['enum', 'required', 'anyOf', 'type'];

/** The same in an order that hangs on nothing but what is in it. */
function inOrder(value, key = '') {
  if (Array.isArray(value)) {
    const items = value.map((item) => inOrder(item));
    return SETS.includes(key) ? items.sort((a, b) => (JSON.stringify(a) < JSON.stringify(b) ? -1 : 1)) : items;
  }
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.keys(value)
      .sort()
      .map((name) => [name, inOrder(value[name], name)]),
  );
}

/** The schemas as the text of a file. */
export function answerSchemas() {
  const { generateSchema, getProgramFromFiles } = createRequire(import.meta.url)('typescript-json-schema');
  const options = {
    ...{ strict: true, skipLibCheck: true, esModuleInterop: true, noEmit: true, types: [] },
    ...{ module: 'esnext', moduleResolution: 'bundler', target: 'es2022' },
    lib: ['lib.es2023.d.ts', 'lib.dom.d.ts', 'lib.dom.iterable.d.ts'],
  };
  const program = getProgramFromFiles([TYPES], options, path.dirname(TYPES));
  // Types are checked elsewhere, by the compiler of the project.
  const asked = {
    required: true,
    ref: true,
    aliasRef: true,
    topRef: false,
    strictNullChecks: true,
    ignoreErrors: true,
  };
  const { properties, definitions } = generateSchema(program, 'Answers', asked);
  const names = new Map();
  const taken = new Set();
  for (const name of Object.keys(definitions).sort()) {
    let short = plain(name).slice(0, LONGEST_NAME);
    for (let n = 2; taken.has(short); n++) short = `${plain(name).slice(0, LONGEST_NAME)}_${n}`;
    taken.add(short);
    names.set(name, short);
  }
  const renamed = (value) => {
    if (Array.isArray(value)) return value.map(renamed);
    if (typeof value !== 'object' || value === null) return value;
    // Lists of fixed places, as JSON Schema writes them since 2020.
    const { items, additionalItems, ...rest } = value;
    if (Array.isArray(items))
      return {
        ...renamed(rest),
        prefixItems: renamed(items),
        ...(additionalItems ? { items: renamed(additionalItems) } : {}),
      };
    return Object.fromEntries(
      Object.entries(value).map(([key, held]) =>
        key === '$ref' && typeof held === 'string'
          ? [key, `#/components/schemas/${names.get(decodeURIComponent(held.replace('#/definitions/', '')))}`]
          : [key, renamed(held)],
      ),
    );
  };
  const schemas = Object.fromEntries([...names].map(([name, short]) => [short, renamed(definitions[name])]));
  return `${JSON.stringify(inOrder({ answers: renamed(properties), schemas }))}\n`;
}

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) writeFileSync(ANSWERS, answerSchemas());
