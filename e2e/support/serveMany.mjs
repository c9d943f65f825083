// Serves the build as it stands for one test after the other: what the server is made of is read
// in once, which would else be half the time of each short test. A server that a test kills, or
// whose files may not grow, is a process of its own (serveAlone.mjs).
import { join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

const root = join(fileURLToPath(import.meta.url), '../../..');
const { hearConsole, logOf, serve } = await import(
  pathToFileURL(join(root, 'server/dist/main.mjs')).href
);
const logger = logOf('warn');
hearConsole(logger);
const served = new Map();

/** Begins or ends one, by its port; answers where it is, or why it is not. */
async function told({ port, options, env }) {
  if (!options) {
    await served.get(port)?.close();
    served.delete(port);
    return {};
  }
  const one = await serve(options, env, logger);
  served.set(port, one);
  return { firstLink: one.firstLink };
}

process.on('message', async (message) => {
  const answer = await told(message).catch(({ message: error }) => ({ error }));
  process.send({ port: message.port, ...answer });
});
process.on('disconnect', () => process.exit(0));
