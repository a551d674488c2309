/** Modern modules and TypeScript for Node. */
const esm = [
  'babel-jest',
  {
    configFile: false,
    babelrc: false,
    presets: [['@babel/preset-env', { targets: { node: 'current' } }], '@babel/preset-typescript'],
  },
];

/** What programs of others make of our files, and we of theirs: a part of its own, which wants those programs. */
const FOREIGN = '**/*foreign.test.ts';

const node = (name, roots, testMatch = ['**/*.test.ts', `!${FOREIGN}`]) => ({
  displayName: name,
  roots,
  testEnvironment: 'node',
  testMatch,
  setupFilesAfterEnv: ['<rootDir>/scripts/lib/propertySeed.cjs'],
  // Libraries of modern modules, which Node's own loader would take but Jest does not.
  moduleNameMapper: { '^chevrotain$': '<rootDir>/node_modules/chevrotain/lib/chevrotain.mjs' },
  transformIgnorePatterns: ['/node_modules/(?!chevrotain|d3-polygon)'],
  transform: {
    '\\.m?[jt]s$': esm,
  },
});

/** The transform of the Expo preset; what the browser loads later is required at once, since Jest runs no dynamic imports. */
const [SCRIPTS, [babelJest, expo]] = Object.entries(require('jest-expo/jest-preset').transform).find(
  ([, value]) => value[0] === 'babel-jest',
);
const expoScripts = { [SCRIPTS]: [babelJest, { ...expo, plugins: ['@babel/plugin-transform-dynamic-import'] }] };

module.exports = {
  projects: [
    node('core', ['<rootDir>/packages/core', '<rootDir>/packages/contract']),
    node('server', ['<rootDir>/apps/server']),
    node('foreign', ['<rootDir>/packages/core', '<rootDir>/apps/server'], [FOREIGN]),
    {
      displayName: 'web',
      rootDir: 'apps/web',
      preset: 'jest-expo',
      testMatch: ['<rootDir>/test/**/*.test.ts?(x)'],
      setupFilesAfterEnv: ['<rootDir>/test/setup.ts'],
      transformIgnorePatterns: [
        '/node_modules/(?!(.pnpm|(jest-)?react-native|@react-native(-community)?|expo(nent)?|@expo(nent)?/.*|@expo-google-fonts/.*|react-navigation|@react-navigation/.*|react-native-svg|react-native-paper|react-native-paper-dates|react-native-gifted-charts|gifted-charts-core|react-redux|@reduxjs|immer|reselect|redux|redux-thunk|uuid|comlink|standard-navigation|chevrotain|d3-array|d3-polygon|internmap|color|color-string|color-convert|color-name))',
      ],
      moduleNameMapper: {
        '^chevrotain$': '<rootDir>/../../node_modules/chevrotain/lib/chevrotain.mjs',
        '\\.woff2$': '<rootDir>/test/asset.cjs',
        '^@/(.*)$': '<rootDir>/src/$1',
      },
      transform: { '\\.mjs$': esm, ...require('jest-expo/jest-preset').transform, ...expoScripts },
    },
  ],
};
