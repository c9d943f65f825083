// `npm run demo` and `npm run start`: install and build what is missing, then serve. With
// `-- --postgres` by two processes, on a PostgreSQL of its own that is installed if need be.
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { build, installDependencies, installPostgres, root } from './prepare.mjs';

const postgres = process.argv.includes('--postgres');
installDependencies();
if (postgres) installPostgres();
build();
const { start } = await import(pathToFileURL(join(root, 'server/dist/main.mjs')).href);
const web = process.env.LONGBAR_WEB ?? join(root, 'app/dist');
await start({ demo: process.argv[2] === 'demo', web, postgres });
