import { ignore } from '@longbar/core';
import type { AppStore } from '../state/store';
import { phoneChanged } from '../state/phone';
import { keepApplication } from './version';

/** Less room than this is said before it hurts, bytes; and a fuller store than this share. */
const LEAST_ROOM = 50_000_000;
const FULLEST = 0.9;
const LOOK = 60_000;

/** Watches what the phone can do: keep the application, and keep what is done. */
export function watchPhone(store: AppStore): void {
  if (typeof window === 'undefined' || !('navigator' in window)) return;
  void navigator.storage
    ?.persist?.()
    .catch(ignore('a browser that promises nothing still keeps what it can'));
  const look = () => void lookAtRoom(store);
  look();
  setInterval(look, LOOK);
  const installed = process.env.NODE_ENV === 'production';
  if (!installed) return;
  if (!('serviceWorker' in navigator)) {
    store.dispatch(phoneChanged({ cannotReopen: true }));
    return;
  }
  keepApplication(() => store.dispatch(phoneChanged({ newVersion: true }))).catch(() =>
    store.dispatch(phoneChanged({ cannotReopen: true })),
  );
}

async function lookAtRoom(store: AppStore): Promise<void> {
  const { quota, usage } =
    (await navigator.storage
      ?.estimate?.()
      .catch(ignore('a browser that does not tell its room is not warned of'))) ?? {};
  if (!quota || usage === undefined) return;
  const nearlyFull = quota - usage < LEAST_ROOM || usage / quota > FULLEST;
  if (nearlyFull !== store.getState().phone.nearlyFull) {
    store.dispatch(phoneChanged({ nearlyFull }));
  }
}
