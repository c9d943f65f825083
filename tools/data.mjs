// `npm run backup`: a checked backup of the data folder now, while the server may run.
// `npm run restore -- FILE`: puts a backup in its place, after checking it.
// `npm run pair`: a link that pairs a phone as a foreman's, once and within a quarter of an hour;
// `npm run pair -- 2` of the second shop, where there are several.
// `npm run shops`: the shops of the server. `npm run shop -- NAME`: opens another.
// `npm run company -- NAME 1 2 3`: makes shops one company, which is run from the first of them.
// `npm run verify -- FILE`: who signed a record or an archive, and whether a byte was changed.
// `npm run rebuild`: works out anew all that is derived from what was written down.
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { build, installDependencies, root, say } from './prepare.mjs';

installDependencies();
build();
const [what, file] = process.argv.slice(2);
const data = await import(pathToFileURL(join(root, 'server/dist/dataFolder.mjs')).href);
const folder = process.env.LONGBAR_DATA ?? join(root, 'data');
const commands = {
  async backup() {
    say(`Backed up to ${await data.backUpFolder(folder)}`);
  },
  async restore() {
    if (file === undefined) throw new Error('Say which: npm run restore -- FILE');
    const before = await data.restoreFolder(file, folder);
    say(`Restored from ${file}.${before === null ? '' : ` What was there is kept as ${before}.`}`);
    say('Phones that were let go since that backup are paired again: look under Shop, People.');
  },
  async pair() {
    const link = await data.pairFolder(folder, file);
    say('Open this on the phone within 15 minutes. It pairs it once, as a foreman’s:');
    say(link);
  },
  async shops() {
    for (const { number, name, machines, people } of await data.shopsIn(folder)) {
      say(`${number}  ${name} (machines: ${machines}, people: ${people})`);
    }
  },
  async shop() {
    if (file === undefined) throw new Error('Say its name: npm run shop -- "North yard"');
    const link = await data.openShopIn(folder, file);
    say('It is open. Open this on its foreman’s phone within 15 minutes:');
    say(link);
  },
  async company() {
    const numbers = process.argv.slice(4);
    if (file === undefined || numbers.length === 0) {
      throw new Error('Say its name and its shops: npm run company -- "The works" 1 2');
    }
    await data.keepCompanyIn(folder, file, numbers);
    say(`${file} is run from shop ${numbers[0]}: its foremen see the shops under Shop, Company.`);
  },
  async verify() {
    if (file === undefined) throw new Error('Say which: npm run verify -- FILE');
    const { holds, said } = await data.verifyFile(file);
    for (const line of said) say(line);
    if (!holds) throw new Error('It does not hold.');
  },
  async rebuild() {
    const said = (things, done) => say(`${done} ${things}`);
    await data.rebuildFolder(folder, said);
    say('All that is derived is worked out anew.');
  },
};
try {
  await commands[what]();
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
}
