const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);
// The bundler knows fonts, but not in the form that comes over a weak signal quickest.
config.resolver.assetExts.push('woff2');

module.exports = config;
