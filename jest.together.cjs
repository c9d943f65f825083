// What `npm test` runs: the tests of core and of the server, many files in one world. For each file Jest
// makes a world of its own, in which all that is tested is loaded and compiled anew; where some dozen
// files share one, that is a third less of the processor's time. Each file is a `describe` there, so
// that what it does before and after its tests stays its own. One file alone is run by `npx jest`.
const { mkdirSync, readdirSync, rmSync, statSync, writeFileSync } = require('node:fs');
const { join, relative } = require('node:path');
const alone = require('./jest.config.cjs');

/** The worlds of a project: enough for three workers to end at about the same time. */
const WORLDS = 6;
const made = join(__dirname, '.cache/together');

rmSync(made, { recursive: true, force: true });
module.exports = {
  ...alone,
  projects: alone.projects.map((project) =>
    typeof project === 'string' ? project : together(project),
  ),
};

function together(project) {
  const { displayName, rootDir } = project;
  const worlds = join(made, displayName.replaceAll(' ', '-'));
  mkdirSync(worlds, { recursive: true });
  for (const [i, files] of dealt(testsOf(project)).entries()) {
    const each = files.map((file) => {
      const [name, path] = [relative(rootDir, file), file].map((text) => JSON.stringify(text));
      return `describe(${name}, () => {\n  require(${path});\n});\n`;
    });
    writeFileSync(join(worlds, `${i + 1}.test.js`), each.join(''));
  }
  const found = {
    roots: [rootDir, worlds],
    testRegex: ['/\\.cache/together/'],
    testPathIgnorePatterns: [],
  };
  return { ...project, ...found };
}

/** The test files of a project, as Jest itself finds them. */
function testsOf({ rootDir, testRegex, testPathIgnorePatterns = [] }) {
  const [are, not] = [testRegex, testPathIgnorePatterns].map((patterns) =>
    patterns.map((pattern) => new RegExp(pattern)),
  );
  return readdirSync(rootDir, { recursive: true })
    .map((name) => join(rootDir, name))
    .filter((file) => are.some((is) => is.test(file)) && !not.some((is) => is.test(file)))
    .filter((file) => !file.includes('/node_modules/'));
}

/** Dealt out like cards, the longest first. */
function dealt(files) {
  const longestFirst = files
    .map((file) => ({ file, long: statSync(file).size }))
    .sort((a, b) => b.long - a.long || a.file.localeCompare(b.file));
  const worlds = Array.from({ length: WORLDS }, () => []);
  for (const [i, { file }] of longestFirst.entries()) worlds[i % WORLDS].push(file);
  return worlds;
}
