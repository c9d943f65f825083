// Serves the build as it stands in a process of its own, for a test that kills it or lets its files
// not grow: nothing is installed, built or looked at before.
import { join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

const root = join(fileURLToPath(import.meta.url), '../../..');
const { start } = await import(pathToFileURL(join(root, 'server/dist/main.mjs')).href);
const [demo, postgres] = ['demo', 'postgres'].map((word) => process.argv.includes(word));
const web = process.env.LONGBAR_E2E_WEB ?? join(root, 'app/dist');
await start({ demo, web, postgres });
