const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);
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
config.resolver.resolveRequest = (context, name, platform) =>
  ICONS.has(name)
    ? { type: 'sourceFile', filePath: path.join(__dirname, 'src/ui/Icon.tsx') }
    : context.resolveRequest(context, name, platform);

module.exports = config;
