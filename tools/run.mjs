// `npm run demo` and `npm run start`: install and build what is missing, then serve.
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { build, installDependencies, root } from './prepare.mjs';

installDependencies();
build();
const { start } = await import(pathToFileURL(join(root, 'server/dist/main.mjs')).href);
const web = process.env.LONGBAR_WEB ?? join(root, 'app/dist');
await start({ demo: process.argv[2] === 'demo', web });
