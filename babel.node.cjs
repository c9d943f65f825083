/**
 * Tests run in a context of their own, where every look at a global costs far more than in a program:
 * a made-up sound took sixteen times as long. What loops compute with is looked up once a file.
 */
const ONCE = [
  'Math',
  'Number',
  'Array',
  'Map',
  'Set',
  'JSON',
  'Date',
  'Float32Array',
  'Float64Array',
];

function globalsOnce({ types }) {
  return {
    visitor: {
      Program(path, state) {
        // A module says first of all by `Object` that it is one.
        const names = /\.cjs$/.test(state.filename) ? [...ONCE, 'Object'] : ONCE;
        for (const name of names) {
          if (!path.scope.hasGlobal(name)) continue;
          const own = types.identifier(name);
          const value = types.memberExpression(types.identifier('globalThis'), own);
          const declared = types.variableDeclarator(types.cloneNode(own), value);
          path.unshiftContainer('body', types.variableDeclaration('const', [declared]));
        }
      },
    },
  };
}

// How Jest reads the TypeScript of core and server.
module.exports = {
  plugins: [
    globalsOnce,
    '@babel/plugin-transform-dynamic-import',
    '@babel/plugin-transform-modules-commonjs',
  ],
  presets: ['@babel/preset-typescript'],
};
