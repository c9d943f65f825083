import { rmSync } from 'node:fs';
import { TestServer } from './server';

/** Its drift is worked out with it, or each copy would begin a process for that. */
async function driftIsKnown(server: TestServer): Promise<void> {
  for (let tries = 0; tries < 300; tries++) {
    const lines = (await (await server.fetch('/machines')).json()) as { recheck: unknown }[];
    if (lines.some(({ recheck }) => recheck)) break;
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  // The last of the yard's machines follow within a moment.
  await new Promise((resolve) => setTimeout(resolve, 1500));
}

/** Loads the demo data once; every server of a test begins with a copy. Answers the clean-up. */
export default async function seed(): Promise<() => void> {
  const server = await TestServer.start();
  await driftIsKnown(server);
  await server.down();
  process.env.LONGBAR_E2E_SEED = server.data;
  process.env.LONGBAR_E2E_COOKIE = server.cookie;
  return () => rmSync(server.data, { recursive: true, force: true });
}
