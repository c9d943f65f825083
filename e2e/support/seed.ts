import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { command } from './command';
import { TestServer } from './server';

/** Its drift is worked out with it, or each copy would begin a process for that. */
async function workOutDrift(data: string): Promise<void> {
  const { failed, said } = await command(['server/dist/nightly.mjs', data], data);
  if (failed) throw new Error(`The drift of the demo was not worked out: ${said}`);
}

/** The clips of the tractor that ticked, as files: what the browser's microphone hears in tests. */
async function keepSounds(server: TestServer, folder: string): Promise<void> {
  const get = async (path: string) => (await server.fetch(path)).json();
  const machines = (await get('/machines')) as { id: string; name: string }[];
  const tractor = machines.find(({ name }) => name === 'Harvest tractor 1');
  const { history } = (await get(`/machines/${tractor?.id}`)) as { history: { id: string }[] };
  for (const { id } of history) {
    const { events } = (await get(`/jobs/${id}/events`)) as { events: Heard[] };
    for (const { when, attachments } of events.filter(({ type }) => type === 'noise.heard')) {
      const clip = await server.fetch(`/blobs/${attachments[0]?.sha256}`);
      writeFileSync(join(folder, `${when}.wav`), Buffer.from(await clip.arrayBuffer()));
    }
  }
}

type Heard = { type: string; when: string; attachments: { sha256: string }[] };

/** Loads the demo data once; every server of a test begins with a copy. Answers the clean-up. */
export default async function seed(): Promise<() => void> {
  const server = await TestServer.start();
  const sounds = mkdtempSync(join(tmpdir(), 'longbar-sounds-'));
  await keepSounds(server, sounds);
  await server.down();
  await workOutDrift(server.data);
  process.env.LONGBAR_E2E_SEED = server.data;
  process.env.LONGBAR_E2E_COOKIE = server.cookie;
  process.env.LONGBAR_E2E_SOUNDS = sounds;
  return () =>
    [server.data, sounds].forEach((each) => rmSync(each, { recursive: true, force: true }));
}
