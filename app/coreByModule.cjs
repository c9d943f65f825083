// A Babel plugin: what is imported of @longbar/core comes from its own module. Its index names all
// of it, and the bundler would make all of it part of every script that uses any.
const { parseSync, types: t } = require('@babel/core');
const { createHash } = require('node:crypto');
const { existsSync, readFileSync } = require('node:fs');
const { dirname, join, relative } = require('node:path');

const INDEX = join(__dirname, '../core/src/index.ts');

/** Which module has each name of an index, and under which name there: those it passes on as well. */
function modulesOf(index) {
  const { program } = parseSync(readFileSync(index, 'utf8'), {
    configFile: false,
    babelrc: false,
    filename: index,
    parserOpts: { plugins: ['typescript'] },
  });
  const found = new Map();
  for (const { type, source, specifiers, exportKind } of program.body) {
    if (!source || exportKind === 'type') continue;
    const place = join(dirname(index), source.value);
    const folder = join(place, 'index.ts');
    if (type === 'ExportAllDeclaration') {
      const below = existsSync(folder) ? folder : `${place}.ts`;
      for (const [name, module] of modulesOf(below)) found.set(name, module);
    } else {
      for (const { local, exported } of specifiers) {
        found.set(exported.name, { place, name: local.name });
      }
    }
  }
  return found;
}

const modules = modulesOf(INDEX);

/** Another one where a name is found elsewhere than before. */
const fingerprint = createHash('sha256')
  .update(JSON.stringify([...modules]))
  .digest('hex');

const plugin = () => ({
  name: 'core-by-module',
  visitor: {
    // Before anything else looks at the imports.
    Program(program, { filename }) {
      for (const path of program.get('body')) {
        if (!path.isImportDeclaration() || path.node.source.value !== '@longbar/core') continue;
        const used = path.node.specifiers.filter(({ importKind }) => importKind !== 'type');
        if (path.node.importKind === 'type') continue;
        path.replaceWithMultiple(used.map((each) => directly(each, path, filename)));
      }
      program.scope.crawl();
    },
  },
});

function directly({ imported, local }, path, filename) {
  const module = modules.get(imported?.name);
  if (!module)
    throw path.buildCodeFrameError(`@longbar/core has no ${imported?.name ?? '* to import'}.`);
  const from = relative(dirname(filename), module.place);
  return t.importDeclaration(
    [t.importSpecifier(local, t.identifier(module.name))],
    t.stringLiteral(from.startsWith('.') ? from : `./${from}`),
  );
}

module.exports = Object.assign(plugin, { fingerprint });
