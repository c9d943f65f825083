import type { PhoneDatabase } from '../phone/phoneDatabase';
import { api } from '../state/api';
import { machineWordsKept } from '../state/machineWords';
import type { AppStore } from '../state/store';

/** What was said of machines stays shown until the server's own answer stands in its place. */
export async function machineWordsSent(db: PhoneDatabase, store: AppStore): Promise<void> {
  const { waiting } = store.getState().machineWords;
  if (waiting.length === 0) return;
  const left = await db.machineWords();
  // Without an answer nothing was sent, and nothing is newer than what is shown.
  if (left.length === waiting.length) return;
  store.dispatch(api.util.invalidateTags(['machines']));
  await Promise.all(store.dispatch(api.util.getRunningQueriesThunk()));
  store.dispatch(machineWordsKept(left));
}
