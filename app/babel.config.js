module.exports = (api) => {
  api.cache(true);
  // Only what is used of Paper is part of the scripts: its index names all of it.
  return { presets: ['babel-preset-expo'], plugins: ['react-native-paper/babel'] };
};
