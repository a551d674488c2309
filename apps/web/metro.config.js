const path = require('node:path');
const { indexHash } = require('./straightToFile.cjs');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);
// Where a name is written decides what an import of it becomes: with other indexes nothing that was kept holds.
config.cacheVersion = indexHash();
config.resolver.assetExts.push('woff2');

// A module runs when it is first used, not when the bundle is read: the deck must open fast on a slow phone.
const { getTransformOptions } = config.transformer;
// These two note at once which script they came with; later, when the worker is wanted, that cannot be known.
const AT_ONCE = ['src/winter/ImportMetaRegistry.ts', 'src/async-require/setup.ts'].map((file) =>
  path.join(path.dirname(require.resolve('expo/package.json')), file),
);
config.transformer.getTransformOptions = async (...asked) => {
  const options = await getTransformOptions(...asked);
  const blockList = Object.fromEntries(AT_ONCE.map((file) => [file, true]));
  return { ...options, transform: { ...options.transform, inlineRequires: { blockList } } };
};

// Paper looks for an icon font of 1.3 MB; it gets our few outlines instead.
const ICONS = new Set([
  '@react-native-vector-icons/material-design-icons',
  '@expo/vector-icons/MaterialCommunityIcons',
]);
const ours = (file) => ({ type: 'sourceFile', filePath: path.join(__dirname, 'src/ui', file) });

// The router makes stacks and tabs that no page of ours has.
const NO_STACK =
  /\/expo-router\/build\/(react-navigation\/bottom-tabs\/index|fork\/native-stack\/createNativeStackNavigator)(\.web)?\.js$/;
const NO_STACK_PARTS = /\/expo-router\/build\/layouts\/stack-utils\/index\.js$/;

// Of the store one copy, whether it is asked for as a module or required.
const STORE = new Set(['@reduxjs/toolkit', 'immer', 'react-redux', 'redux', 'redux-thunk', 'reselect']);

// Ids are of two kinds; the index of their package brings eleven, with MD5 among them.
const ONLY_ID = /^uuid\/only\/(\w+)$/;

config.resolver.resolveRequest = (context, name, platform) => {
  if (ICONS.has(name)) return ours('Icon.tsx');
  if (name === 'uuid') return ours('onlyIds.js');
  const [, id] = ONLY_ID.exec(name) ?? [];
  if (id) {
    const { filePath } = context.resolveRequest(context, 'uuid', platform);
    return { type: 'sourceFile', filePath: path.join(path.dirname(filePath), `${id}.js`) };
  }
  const asked = STORE.has(name) ? { ...context, isESMImport: true } : context;
  const found = context.resolveRequest(asked, name, platform);
  const file = 'filePath' in found ? found.filePath.split(path.sep).join('/') : '';
  if (NO_STACK.test(file)) return ours('noStack.ts');
  return NO_STACK_PARTS.test(file) ? { type: 'empty' } : found;
};

module.exports = config;
