const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);
config.resolver.assetExts.push('woff2');

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
