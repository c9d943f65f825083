import { inShop } from './inShop';
import type { ToldOfJob } from './longJobs';
import type { Summarise } from './jobRead/summary';
import { summarise } from './jobRead/summary';

/*
 * Reads long jobs in a process of its own, one after the other, each as JSON: however long one
 * takes, the server answers meanwhile. It ends with the server that began it.
 */
process.on('disconnect', () => process.exit(0));
process.on('message', (text) => {
  process.send?.(JSON.stringify(read(String(text))));
});

function read(text: string): ToldOfJob {
  try {
    const job: Parameters<Summarise> = JSON.parse(text);
    const [, , shop] = job;
    return { read: inShop(shop, () => summarise(...job)) };
  } catch (error) {
    return { failed: error instanceof Error ? error.message : String(error) };
  }
}
