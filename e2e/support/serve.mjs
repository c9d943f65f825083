// Serves the build as it stands, for a test that starts a server many times: nothing is installed,
// built or looked at before.
import { join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

const root = join(fileURLToPath(import.meta.url), '../../..');
const { start } = await import(pathToFileURL(join(root, 'server/dist/main.mjs')).href);
const demo = process.env.LONGBAR_E2E_EMPTY === undefined;
await start({ demo, web: process.env.LONGBAR_WEB ?? join(root, 'app/dist') });
