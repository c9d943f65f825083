const { getDefaultConfig } = require('expo/metro-config');

const { fingerprint } = require('./coreByModule.cjs');

const config = getDefaultConfig(__dirname);
// What it keeps of an earlier run rests on these.
config.cacheVersion = fingerprint;
// The bundler knows fonts, but not in the form that comes over a weak signal quickest.
config.resolver.assetExts.push('woff2');

module.exports = config;
