const { fingerprint } = require('./coreByModule.cjs');

module.exports = (api) => {
  api.cache(true);
  // Only what is used of Paper and core is part of the scripts: their indexes name all of it.
  return {
    presets: ['babel-preset-expo'],
    // What is kept of an earlier run is made anew where core's indexes say something else.
    plugins: ['react-native-paper/babel', ['./coreByModule.cjs', { indexes: fingerprint }]],
    // Jest knows no scripts that are fetched later.
    env: { test: { plugins: ['@babel/plugin-transform-dynamic-import'] } },
  };
};
