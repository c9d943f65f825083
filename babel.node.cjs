// How Jest reads the TypeScript of core and server.
module.exports = {
  plugins: ['@babel/plugin-transform-modules-commonjs'],
  presets: ['@babel/preset-typescript'],
};
