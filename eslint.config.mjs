import { createRequire } from 'node:module';
import tseslint from 'typescript-eslint';
import prettier from 'eslint-config-prettier';

const expo = createRequire(import.meta.url)('eslint-config-expo/flat');

/** A file says its one idea before anything else: at its top, or over the first thing in it. */
const opensWithSentence = {
  meta: { type: 'suggestion', messages: { silent: 'Say in one sentence what this file is for, at its top.' } },
  create: (context) => ({
    Program(node) {
      const { sourceCode } = context;
      const first = node.body.find(({ type }) => type !== 'ImportDeclaration');
      const [top] = sourceCode.getAllComments();
      const opens = top !== undefined && sourceCode.text.slice(0, top.range[0]).trim() === '';
      if (first && !opens && sourceCode.getCommentsBefore(first).length === 0)
        context.report({ node: first, messageId: 'silent' });
    },
  }),
};

const WRITES = new Set(['toFixed', 'toLocaleString', 'toLocaleDateString', 'toLocaleTimeString']);
const text = ({ value }) => (typeof value === 'string' && /^(|[a-z].*)$/i.test(value) ? value : null);
/** Numbers, days and plurals for people are written by core's words, in one way everywhere. */
const byWords = {
  meta: { type: 'suggestion', messages: { own: 'Write this with @upwell/core/words, as everywhere.' } },
  create: (context) => ({
    CallExpression(node) {
      const { property } = node.callee;
      if (property && WRITES.has(property.name)) context.report({ node, messageId: 'own' });
    },
    ConditionalExpression(node) {
      const { test, consequent, alternate } = node;
      const one = test.type === 'BinaryExpression' && test.operator === '===' && test.right.value === 1;
      const [a, b] = [text(consequent), text(alternate)];
      if (one && a !== null && b !== null && (b === 's' || (a !== '' && b !== '')))
        context.report({ node, messageId: 'own' });
    },
  }),
};

const PARTS_OF_DAY = /^get(UTC)?(FullYear|Month|Date|Day|Hours|Minutes)$|^set(UTC)?(FullYear|Month|Date|Hours)$/;
/** Whose day and whose clock: `core/days` asks for the zone, while a date object takes the reader's or the server's. */
const dayOfPlace = {
  meta: {
    type: 'suggestion',
    messages: { own: 'Ask @upwell/core/days for the day or the time, with the zone of the place.' },
  },
  create: (context) => ({
    CallExpression(node) {
      const { property } = node.callee;
      const [from, to] = node.arguments;
      const cuts = property?.name === 'slice' && from?.value === 0 && to?.value === 10;
      if (property && (cuts || PARTS_OF_DAY.test(property.name))) context.report({ node, messageId: 'own' });
    },
  }),
};

/** What is built in, and what a club lays over it. */
const BUILT_IN_TABLE = {
  selector: 'ImportSpecifier[imported.name=/^(DRILLS|DRILL_IDS|CAUSES|SIGNS|LINKS|LADDERS|LEVEL)$/]',
  message: 'Ask for the card, as the club has it: drillCard, causeCard, signCard, linksOf, ladderCard, levelCard.',
};

export default tseslint.config(
  {
    ignores: [
      '**/dist/**',
      '.data/**',
      '**/.cache/**',
      '**/node_modules/**',
      'apps/web/.expo/**',
      'apps/web/public/**',
      'bench/bundle/**',
      'playwright.config.ts',
      'eslint.config.mjs',
    ],
  },
  ...expo,
  {
    files: ['**/*.ts', '**/*.tsx'],
    extends: [...tseslint.configs.recommendedTypeChecked],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      // The resolver cannot follow the exports of the workspaces; the type checker does.
      'import/no-unresolved': 'off',
      'import/namespace': 'off',
      'import/no-named-as-default-member': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': 'error',
      '@typescript-eslint/no-non-null-assertion': 'off',
      // Its fixes take away assertions that the type checker then misses.
      '@typescript-eslint/no-unnecessary-type-assertion': 'off',
      // Types of a package that has none reach every workspace that imports core's source only so.
      '@typescript-eslint/triple-slash-reference': ['error', { path: 'always' }],
      // Fastify's plugins and handlers are async by contract, with or without an await.
      '@typescript-eslint/require-await': 'off',
    },
  },
  {
    files: ['packages/*/src/**/*.ts', 'apps/*/src/**/*.ts', 'apps/*/src/**/*.tsx', 'apps/server/demo/*.ts'],
    ignores: ['**/*.test.ts', '**/index.ts', '**/index.tsx', '**/*.d.ts'],
    plugins: { upwell: { rules: { 'opens-with-sentence': opensWithSentence } } },
    rules: { 'upwell/opens-with-sentence': 'error' },
  },
  {
    files: ['packages/*/src/**/*.ts', 'apps/*/src/**/*.ts', 'apps/*/src/**/*.tsx', 'apps/server/demo/*.ts'],
    // The words themselves, times at a pool, and what is written for machines: drawings, files, places on the earth.
    ignores: [
      '**/*.test.ts',
      'packages/core/src/words/**',
      'packages/core/src/units/time.ts',
      'packages/core/src/figure/layers.ts',
      'packages/core/src/{formats,exchange}/**',
      'apps/web/src/water/parts/{MapDrawing,IntervalCurve}.tsx',
      'apps/web/src/charts/RampChart.tsx',
      'apps/web/src/water/screens/CourseEditScreen.tsx',
    ],
    plugins: { words: { rules: { 'by-words': byWords } } },
    rules: { 'words/by-words': 'error' },
  },
  {
    files: ['packages/*/src/**/*.ts', 'apps/*/src/**/*.ts', 'apps/*/src/**/*.tsx', 'apps/server/demo/*.ts'],
    ignores: ['**/*.test.ts', 'packages/core/src/days/**'],
    plugins: { days: { rules: { 'of-place': dayOfPlace } } },
    rules: { 'days/of-place': 'error' },
  },
  {
    // A club lays its own over what is built in: asked for by id, not read from the tables.
    files: ['packages/*/src/**/*.ts', 'apps/*/src/**/*.ts', 'apps/*/src/**/*.tsx', 'apps/server/demo/*.ts'],
    ignores: [
      '**/*.test.ts',
      // The tables themselves, and what shows or checks a club's own beside them.
      'packages/core/src/{library,clubLibrary}/**',
      'packages/core/src/review/{evidence.ts,catalogue/**}',
      'packages/core/src/swimmers/levels.ts',
      // What a club may write about is what is built in.
      'packages/contract/src/{drills,library}.ts',
      'apps/web/src/library/parts/{CauseForms,SignForms,LadderForms,entryWords}.{ts,tsx}',
      'apps/server/src/archive/olderWeeks.ts',
    ],
    rules: {
      'no-restricted-syntax': ['error', BUILT_IN_TABLE],
    },
  },
  {
    // SQL stands in the sql.ts of its domain, where a test holds its rows against the database.
    files: ['apps/server/src/**/*.ts'],
    ignores: ['apps/server/src/platform/**', 'apps/server/src/archive/olderWeeks.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: "CallExpression[callee.property.name='execute']",
          message: 'State the SQL in the sql.ts of its domain.',
        },
        BUILT_IN_TABLE,
      ],
    },
  },
  {
    // Answers of the server are read as JSON in tests; each test says what it expects of them.
    files: ['**/test/**', '**/*.test.ts', '**/*.test.tsx', 'e2e/**'],
    rules: {
      '@typescript-eslint/no-unsafe-assignment': 'off',
      '@typescript-eslint/no-unsafe-member-access': 'off',
      '@typescript-eslint/no-unsafe-call': 'off',
      '@typescript-eslint/no-unsafe-argument': 'off',
      '@typescript-eslint/no-unsafe-return': 'off',
      'no-empty-pattern': 'off',
      'react-hooks/rules-of-hooks': 'off',
    },
  },
  {
    files: ['**/*.mjs', '**/*.cjs', '**/*.js'],
    languageOptions: {
      globals: {
        process: 'readonly',
        console: 'readonly',
        URL: 'readonly',
        setTimeout: 'readonly',
        module: 'writable',
        require: 'readonly',
        __dirname: 'readonly',
      },
    },
    rules: { 'import/no-unresolved': 'off' },
  },
  prettier,
);
